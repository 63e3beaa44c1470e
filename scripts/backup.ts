/** Copies a studio into a folder of its own, also while Kokyu is running on it: `npm run backup [-- --demo] [-- FOLDER]`. */
import { resolve } from 'node:path';
import { StoreError, backup, storePath } from '@/store';

const args = process.argv.slice(2);
const into = args.find((arg) => !arg.startsWith('--'));
try {
  const path = storePath(args.includes('--demo') ? 'demo' : 'own');
  const made = backup(path, Date.now(), into === undefined ? undefined : resolve(into));
  console.log(
    `Copied and checked: ${made.clients} clients, ${made.visits} visits, ${made.photos} pictures, in ${made.folder}`,
  );
} catch (error) {
  if (!(error instanceof StoreError)) throw error;
  console.error(error.message);
  process.exit(1);
}
