import { remotePressSchema } from '@/core/coach';
import { deviceOf, press } from '../../../paired';
import { answer } from '../../answer';
import { readJson } from '../../body';
import { isSameOrigin } from '../../sameOrigin';

const mostBytes = 1_000;
/** A hand presses no oftener than this, a second. */
const mostASecond = 12;
const lately = new Map<string, number[]>();
const mostRemembered = 200;

function tooFast(pairId: string, nowMs: number): boolean {
  if (lately.size > mostRemembered) lately.clear();
  const presses = (lately.get(pairId) ?? []).filter((at) => nowMs - at < 1000);
  lately.set(pairId, [...presses, nowMs].slice(-mostASecond));
  return presses.length >= mostASecond;
}

/** A press of a remote: it comes to the live screen at once, or is told not to have come. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the remote may press.' }, 403);
  const pair = deviceOf(request, 'remote');
  if (!pair) return answer({ why: 'This run is over.', over: true }, 404);
  const pressed = remotePressSchema.safeParse(await readJson(request, mostBytes));
  if (!pressed.success) return answer({ why: 'This was not understood.' }, 400);
  if (tooFast(pair.pairId, Date.now())) return answer({ why: 'That was very fast. Press again.' }, 429);
  return press(pair, pressed.data)
    ? answer({ done: true })
    : answer({ why: 'The live screen does not answer. Go to it.' }, 503);
}
