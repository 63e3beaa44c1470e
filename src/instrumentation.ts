/** Brings the studio's file up to date when the server starts, so that a failing one is told at once and in words. */
export async function register() {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { openAtStart } = await import('./openAtStart');
    openAtStart();
  }
}
