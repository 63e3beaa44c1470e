import { AccessRefusal, endPairs, runFor, wholeStore } from '@/store';
import { coachOf, sendAway, tell } from '../../../paired';
import { answer } from '../../answer';
import { readJson } from '../../body';
import { isSameOrigin } from '../../sameOrigin';

const mostBytes = 60_000;

/** The live screen tells what it shows. With the end of its run the devices are let go. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may tell this.' }, 403);
  const by = coachOf(request);
  if (!by) return answer({ why: 'Sign in first.' }, 401);
  const given = await readJson(request, mostBytes);
  try {
    const { runId } = (given ?? {}) as { runId?: unknown };
    runFor(wholeStore(), by, typeof runId === 'string' ? runId : '');
    const told = tell(given);
    if (!told) return answer({ why: 'This was not understood.' }, 400);
    if (told.remote.status === 'ended') {
      endPairs(wholeStore(), by, { runId: told.runId, pairId: null }, Date.now());
      sendAway(told.runId, null);
    }
    return answer({ done: true });
  } catch (error) {
    if (error instanceof AccessRefusal) return answer({ why: error.message }, 404);
    throw error;
  }
}
