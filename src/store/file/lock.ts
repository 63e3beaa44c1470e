import { chmodSync, readFileSync } from 'node:fs';
import Database from 'better-sqlite3';
import { fileMode } from './disk';
import { StoreError } from './errors';
import { beside } from './paths';

/**
 * Takes the studio for this process. The lock is one of SQLite's own on a file beside it: the system lets it go with the process,
 * however that ends, so a lock left behind can't keep anybody out.
 *
 * @returns lets the lock go
 * @throws {StoreError} when another process has it
 */
export function takeLock(path: string): () => void {
  const { lock } = beside(path);
  let held: Database.Database | null = null;
  try {
    held = new Database(lock, { timeout: 0 });
    held.pragma('journal_mode = MEMORY');
    held.exec('BEGIN EXCLUSIVE');
    chmodSync(lock, fileMode);
  } catch (error) {
    held?.close();
    if ((error as { code?: string }).code?.startsWith('SQLITE_BUSY')) {
      throw new StoreError(`Kokyu is already running on ${path}${byWhom(path)}. Use that one, or end it first.`);
    }
    throw error;
  }
  const database = held;
  return () => {
    if (database.open) database.close();
  };
}

function byWhom(path: string): string {
  try {
    const { pid } = JSON.parse(readFileSync(beside(path).mark, 'utf8')) as { pid?: number };
    return pid ? ` (process ${pid})` : '';
  } catch {
    return '';
  }
}
