/**
 * Copies a studio into a folder of its own, also while Kokyu is running on it: `npm run backup [-- --demo] [-- FOLDER]`. With `--daily`
 * only where today has no copy yet, among those that are cleared away when they are old. With `--for-a-page` it isn't said where the copy lies.
 */
import { setPriority } from 'node:os';
import { resolve } from 'node:path';
import { counted } from '@/core/reasons';
import { StoreError, backup, copyOfDay, copyToSecond, seal, storePath } from '@/store';

const secondWords: Record<string, string> = {
  true: ', and in the second place',
  false: '; the second place took none',
  null: '',
};
const args = process.argv.slice(2);
const into = args.find((arg) => !arg.startsWith('--'));
const daily = args.includes('--daily');
try {
  const path = storePath(args.includes('--demo') ? 'demo' : 'own');
  if (daily) setPriority(10);
  const made = daily
    ? copyOfDay(path, Date.now())
    : backup(path, Date.now(), into === undefined ? undefined : resolve(into));
  if (made) {
    const locked = await seal(path, made.folder);
    const second = copyToSecond(path, made, Date.now());
    const place = args.includes('--for-a-page') ? '' : `, in ${made.folder}`;
    console.log(
      `Copied${locked ? ', checked and locked' : ' and checked'}: ${counted(made.clients, 'client')}, ${counted(made.visits, 'visit')}, ${counted(made.photos, 'picture')}${secondWords[String(second)]}${place}`,
    );
  }
} catch (error) {
  if (!(error instanceof StoreError)) throw error;
  console.error(error.message);
  process.exit(1);
}
