import { rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import * as z from 'zod/mini';
import {
  asker,
  backupsIn,
  backupsOf,
  compared,
  copiesOf,
  isSealed,
  noteHere,
  restoreHere,
  storePath,
  unseal,
  wholeStore,
} from '@/store';
import { answer } from '../../answer';
import { readJson } from '../../body';
import { isSameOrigin } from '../../sameOrigin';
import { dropWaiting, fileWords, newPassing } from '../files';

const bodySchema = z.object({
  /** The name of a copy’s folder, as the list has it. */
  name: z.string().check(z.maxLength(200)),
  passphrase: z.optional(z.string().check(z.maxLength(200))),
  /** Whether it is put back now; otherwise it is only told what that would change. */
  go: z.boolean(),
});
const mostBytes = 10_000;

/** Only what the list has: nothing typed becomes a path. */
const folderOf = (name: string): string | undefined => {
  const path = storePath();
  return [...copiesOf(path).map(({ folder }) => folder), ...backupsIn(backupsOf(path))].find(
    (folder) => basename(folder) === name,
  );
};

/** What putting a copy back would change, and putting it back. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may ask this.' }, 403);
  const body = bodySchema.safeParse(await readJson(request, mostBytes));
  if (!body.success) return answer({ why: 'This was not understood.' }, 400);
  const { name, passphrase, go } = body.data;
  const folder = folderOf(name);
  if (!folder) return answer({ why: 'This copy is no longer there.' }, 404);
  const { path: opened } = newPassing('.opened');
  try {
    if (isSealed(folder)) {
      if (!passphrase) return answer({ locked: true });
      await unseal(folder, passphrase, opened);
    }
    const readable = isSealed(folder) ? opened : folder;
    if (!go) return answer({ compared: compared(storePath(), readable) });
    const { coachId } = asker();
    dropWaiting();
    const { before } = restoreHere(readable, Date.now());
    noteHere(wholeStore(), coachId, 'put a copy of the studio back', Date.now());
    return answer({ done: true, before: join('backups', basename(before)) });
  } catch (error) {
    return answer({ why: fileWords(error) }, 400);
  } finally {
    rmSync(opened, { recursive: true, force: true });
  }
}
