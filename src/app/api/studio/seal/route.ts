import * as z from 'zod/mini';
import { passphraseSchema } from '@/core/access';
import { firstSentence } from '@/core/record';
import { inEnglish } from '@/core/reasons';
import { asker, dropSeal, noteHere, readSettings, setSeal, storePath, wholeStore } from '@/store';
import { tooEasy } from '../../access/strength';
import { answer } from '../../answer';
import { readJson } from '../../body';
import { isSameOrigin } from '../../sameOrigin';

const bodySchema = z.object({ passphrase: z.nullable(passphraseSchema) });
const mostBytes = 10_000;

/** Locks the copies made from now on with a passphrase, or leaves them open. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may ask this.' }, 403);
  const body = bodySchema.safeParse(await readJson(request, mostBytes), inEnglish);
  if (!body.success) return answer({ why: firstSentence(body.error) }, 400);
  const { passphrase } = body.data;
  if (passphrase === null) {
    dropSeal(storePath());
    noteHere(wholeStore(), asker().coachId, 'left the copies of the studio open', Date.now());
    return answer({ done: true });
  }
  const why = tooEasy(passphrase, [readSettings(wholeStore()).studioName, 'kokyu', 'breath']);
  if (why) return answer({ why }, 400);
  await setSeal(storePath(), passphrase);
  noteHere(wholeStore(), asker().coachId, 'locked the copies of the studio', Date.now());
  return answer({ done: true });
}
