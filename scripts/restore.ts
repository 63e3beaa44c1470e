/** Puts a backup in the place of a studio: `npm run restore [-- --demo] [-- FOLDER]`. Without a folder it lists what there is. */
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { StoreError, backupNote, backupsIn, backupsOf, copiesOf, isSealed, restore, storePath, unseal } from '@/store';

const args = process.argv.slice(2);
const folder = args.find((arg) => !arg.startsWith('--'));
const path = storePath(args.includes('--demo') ? 'demo' : 'own');
/** A locked copy is opened beside the studio first, with the passphrase it was locked with (or KOKYU_PASSPHRASE). */
async function restoreSealed(sealed: string) {
  let passphrase = process.env.KOKYU_PASSPHRASE;
  if (passphrase === undefined) {
    const asking = createInterface({ input: process.stdin, output: process.stdout });
    passphrase = await asking.question('This copy is locked. Its passphrase (it is shown as you type): ');
    asking.close();
  }
  // On another machine there may be no folder for a studio yet.
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
  const opened = mkdtempSync(join(dirname(path), 'opened-'));
  try {
    await unseal(sealed, passphrase, opened);
    return restore(path, opened, Date.now());
  } finally {
    rmSync(opened, { recursive: true, force: true });
  }
}

try {
  if (folder === undefined) {
    const all = [...backupsIn(backupsOf(path)), ...copiesOf(path).map(({ folder: one }) => one)];
    console.log(
      all.length === 0
        ? `There are no backups in ${backupsOf(path)}.`
        : 'Backups, those made by hand and those made by themselves, newest first:',
    );
    for (const one of all) {
      const note = backupNote(one);
      console.log(`  ${one}${note ? `: ${note.clients} clients, ${note.visits} visits, ${note.photos} pictures` : ''}`);
    }
    if (all.length > 0) console.log('Put one back with: npm run restore -- FOLDER');
  } else {
    const put = isSealed(resolve(folder))
      ? await restoreSealed(resolve(folder))
      : restore(path, resolve(folder), Date.now());
    console.log(`Put back: ${put.clients} clients, ${put.visits} visits, ${put.photos} pictures.`);
    if (put.before) console.log(`What was there before is kept as ${put.before}`);
  }
} catch (error) {
  if (!(error instanceof StoreError)) throw error;
  console.error(error.message);
  process.exit(1);
}
