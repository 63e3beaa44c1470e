import { AccessRefusal, runFor, wholeStore } from '@/store';
import { coachOf, heed } from '../../../paired';
import { answer } from '../../answer';
import { isSameOrigin } from '../../sameOrigin';
import { eventStream } from '../stream';

/** What remotes press, for the live screen of their run. */
export function GET(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the live screen may hear this.' }, 403);
  const runId = new URL(request.url).searchParams.get('run') ?? '';
  const may = () => {
    const by = coachOf(request);
    if (by) runFor(wholeStore(), by, runId);
    return by !== null;
  };
  try {
    if (!may()) return answer({ why: 'Sign in first.' }, 401);
    return eventStream(request, (hear) => heed(runId, hear), may);
  } catch (error) {
    if (error instanceof AccessRefusal) return answer({ why: error.message }, 404);
    throw error;
  }
}
