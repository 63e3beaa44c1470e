/** Runs once when the server starts: the studio is opened before the first request, so that what is wrong with it is said at once. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { StoreError, sweepDrafts, theStore } = await import('./store');
  try {
    sweepDrafts(theStore());
  } catch (error) {
    console.error(error instanceof StoreError ? error.message : error);
    process.exit(1);
  }
}
