import { findRun, theStore } from '@/store';

/** The events of a run so far, for a window that follows it without writing. */
export async function GET(_request: Request, { params }: { params: Promise<{ runId: string }> }) {
  const run = findRun(theStore(), (await params).runId);
  return run ? Response.json({ events: run.events }) : Response.json({ why: 'No such run.' }, { status: 404 });
}
