import * as z from 'zod/mini';
import { asker, noteHere, setSecondPlace, storePath, wholeStore } from '@/store';
import { answer } from '../../answer';
import { readJson } from '../../body';
import { isSameOrigin } from '../../sameOrigin';
import { fileWords } from '../files';

const bodySchema = z.object({ folder: z.nullable(z.string().check(z.trim(), z.minLength(1), z.maxLength(400))) });
const mostBytes = 2_000;

/** A second place for the copies of the studio, or none any more. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may ask this.' }, 403);
  const body = bodySchema.safeParse(await readJson(request, mostBytes));
  if (!body.success) return answer({ why: 'Give a folder, like /media/stick/kokyu.' }, 400);
  const { folder } = body.data;
  try {
    setSecondPlace(storePath(), folder);
  } catch (error) {
    return answer({ why: fileWords(error) }, 400);
  }
  const what = folder === null ? 'took the second place for copies away' : 'set a second place for copies';
  noteHere(wholeStore(), asker().coachId, what, Date.now());
  return answer({ done: true });
}
