import { findRun, theStore } from '@/store';
import { answer, isId } from '../../answer';

/** A run so far, its items as it was opened and its events: for a window that follows it without writing. */
export async function GET(_request: Request, { params }: { params: Promise<{ runId: string }> }) {
  const { runId } = await params;
  if (!isId(runId)) return answer({ why: 'This is no run.' }, 400);
  const run = findRun(theStore(), runId);
  return run ? answer({ items: run.items, events: run.events }) : answer({ why: 'No such run.' }, 404);
}
