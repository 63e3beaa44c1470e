import { findRun, theStore } from '@/store';

/** A run so far, its items as it was opened and its events: for a window that follows it without writing. */
export async function GET(_request: Request, { params }: { params: Promise<{ runId: string }> }) {
  const run = findRun(theStore(), (await params).runId);
  return run
    ? Response.json({ items: run.items, events: run.events })
    : Response.json({ why: 'No such run.' }, { status: 404 });
}
