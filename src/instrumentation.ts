/** Runs once when the server starts: the studio is opened before the first request, so that what is wrong with it is said at once. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { NotWhole, StoreError, sweepDrafts, wholeStore } = await import('./store');
  const { setKeeper } = await import('./door/keeper');
  const { keeper } = await import('./app/keeper');
  const { passingFolder } = await import('./app/api/studio/files');
  const { rmSync } = await import('node:fs');
  try {
    sweepDrafts(wholeStore());
    // Files on their way out or in when the server ended.
    rmSync(passingFolder(), { recursive: true, force: true });
    setKeeper(keeper);
  } catch (error) {
    console.error(error instanceof StoreError ? error.message : error);
    // Whoever started it offers a copy then (scripts/lib.mjs).
    process.exit(error instanceof NotWhole ? 3 : 1);
  }
}
