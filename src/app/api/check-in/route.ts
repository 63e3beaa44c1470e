import * as z from 'zod/mini';
import { checkInSchema } from '@/core/home';
import { tellCheckIn, wholeStore } from '@/store';
import { noteFailure, waitWords } from '../access/tries';
import { answer } from '../answer';
import { readJson } from '../body';
import { isSameOrigin } from '../sameOrigin';

const bodySchema = z.object({ word: z.string().check(z.maxLength(60)), said: checkInSchema });
const mostBytes = 4_000;

/** So often in an hour somebody says how it goes; more is no person. */
const mostAnHour = 60;
const hourMs = 3_600_000;
const saidLately = new Map<string, number[]>();
const mostRemembered = 5_000;

function tooOften(word: string, nowMs: number): boolean {
  if (saidLately.size > mostRemembered) saidLately.clear();
  const lately = (saidLately.get(word) ?? []).filter((at) => nowMs - at < hourMs);
  saidLately.set(word, [...lately, nowMs]);
  return lately.length >= mostAnHour;
}

/** What somebody says of their practice at home, by the word of their link. It is answered with whether it was taken in, and nothing else. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the page of the link may tell.' }, 403);
  const body = bodySchema.safeParse(await readJson(request, mostBytes));
  if (!body.success) return answer({ why: 'This was not understood.' }, 400);
  const nowMs = Date.now();
  const from = [`link from ${request.headers.get('x-kokyu-from') ?? ''}`];
  const wait = waitWords(from, nowMs);
  if (wait) return answer({ why: wait }, 429);
  if (tooOften(body.data.word, nowMs)) return answer({ why: 'That was very often. Come back in an hour.' }, 429);
  try {
    if (tellCheckIn(wholeStore(), body.data.word, body.data.said, nowMs) === 'told') return answer({ done: true });
  } catch (error) {
    console.error(error);
    return answer({ why: 'It could not be taken in just now. Try again in a moment.' }, 503);
  }
  noteFailure(from, nowMs);
  return answer({ why: 'This link is over. Ask your coach for another.' }, 404);
}
