import { findRun, runNews, theStore } from '@/store';
import { answer, isId } from '../../answer';

/** A run so far, its items as it was opened and its events; `?news`, only how far it and what is known of those on it have come. */
export async function GET(request: Request, { params }: { params: Promise<{ runId: string }> }) {
  const { runId } = await params;
  if (!isId(runId)) return answer({ why: 'This is no run.' }, 400);
  if (new URL(request.url).searchParams.has('news')) {
    const news = runNews(theStore(), runId);
    return news ? answer(news) : answer({ why: 'No such run.' }, 404);
  }
  const run = findRun(theStore(), runId);
  return run ? answer({ items: run.items, events: run.events }) : answer({ why: 'No such run.' }, 404);
}
