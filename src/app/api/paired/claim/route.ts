import * as z from 'zod/mini';
import { claimPair, wholeStore } from '@/store';
import { cookieOf } from '../../../cookie';
import { isSecure } from '../../../paired';
import { deviceName } from '../../access/device';
import { noteFailure, waitWords } from '../../access/tries';
import { answer } from '../../answer';
import { readJson } from '../../body';
import { isSameOrigin } from '../../sameOrigin';

const bodySchema = z.object({ code: z.string().check(z.regex(/^[\w-]{43}$/)) });
const mostBytes = 500;

/** A device shows the code it read off the live screen: it goes along with that run from now on. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the page of the code may ask this.' }, 403);
  const body = bodySchema.safeParse(await readJson(request, mostBytes));
  if (!body.success) return answer({ why: 'This is no code.' }, 400);
  const nowMs = Date.now();
  const from = [`code from ${request.headers.get('x-kokyu-from') ?? ''}`];
  const wait = waitWords(from, nowMs);
  if (wait) return answer({ why: wait }, 429);
  const claimed = claimPair(wholeStore(), body.data.code, deviceName(request), nowMs);
  if (claimed) {
    const cookie = cookieOf(claimed.word, isSecure(request), claimed.kind);
    return answer({ kind: claimed.kind }, 200, { 'set-cookie': cookie });
  }
  noteFailure(from, nowMs);
  return answer({ why: 'This code is over, or another device has used it. Ask for a new one.' }, 404);
}
