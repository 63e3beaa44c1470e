import * as z from 'zod/mini';
import { asker } from '@/store';
import { answer } from '../../../answer';
import { readJson } from '../../../body';
import { isSameOrigin } from '../../../sameOrigin';
import { dropWaiting, fileWords, waitingFor } from '../../files';

const bodySchema = z.object({
  id: z.uuid(),
  /** Of the rows that differ, those that are taken from the file. */
  fromFile: z.union([z.literal('all'), z.array(z.string().check(z.maxLength(200))).check(z.maxLength(5000))]),
});
const mostBytes = 2_000_000;

/** Takes in the file that was looked at, all of it or nothing. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may ask this.' }, 403);
  const body = bodySchema.safeParse(await readJson(request, mostBytes));
  if (!body.success) return answer({ why: 'This was not understood.' }, 400);
  const staging = waitingFor(body.data.id);
  if (!staging) return answer({ why: 'This file is no longer waiting. Choose it again.' }, 404);
  try {
    const { rows, pictures } = staging.apply(asker(), body.data.fromFile, Date.now());
    dropWaiting();
    return answer({ rows, pictures });
  } catch (error) {
    return answer({ why: fileWords(error) }, 503);
  }
}
