import { createWriteStream, existsSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { ZipFile } from 'yazl';
import { notice } from '@/core/formats';
import { type Asker } from '../access';
import { type Store, StoreError, privateFolder } from '../file';
import { fileOf } from '../photos';
import { readSettings } from '../settings';
import { tablesOfClient, tablesOfStudio } from './lists';
import { type Row, rowOut, tables } from './rows';

/** Version of these files: another number where something in them means another thing. */
export const fileVersion = 2;

interface RecordFile {
  kokyu: 'client' | 'studio';
  version: typeof fileVersion;
  exportedAt: string;
  studio: string;
  /** The zone its days are told in. */
  zone: string;
  notice: string;
  tables: Record<string, Row[]>;
}

const whose: Readonly<Record<string, string>> = {
  clients: 'id = @id',
  ...Object.fromEntries(
    ['facts', 'visits', 'photos', 'appointments', 'waiting', 'next_notes'].map((name) => [name, 'client_id = @id']),
  ),
  runs: 'visit_id in (select id from visits where client_id = @id)',
  run_events: 'run_id in (select id from runs where visit_id in (select id from visits where client_id = @id))',
  run_members: 'run_id in (select id from runs where visit_id in (select id from visits where client_id = @id))',
};

const rowsOf = (store: Store, name: string, where: string, params: object): Row[] =>
  (store.$client.prepare(`select * from "${name}" where ${where}`).all(params) as Row[]).map((row) =>
    rowOut(tables.get(name)!, row),
  );

const head = (store: Store, kokyu: RecordFile['kokyu'], nowMs: number): Omit<RecordFile, 'tables'> => {
  const { studioName, timeZone } = readSettings(store);
  return {
    kokyu,
    version: fileVersion,
    exportedAt: new Date(nowMs).toISOString(),
    studio: studioName,
    zone: timeZone,
    notice,
  };
};

/**
 * Everything that is kept of a client, to be taken in elsewhere: of a group they led all of it, so that each run stands in one file. It is
 * handed from studio to studio, and not to clients: what they are given leaves out what is others'.
 */
const clientFile = (store: Store, clientId: string, nowMs: number): RecordFile => ({
  ...head(store, 'client', nowMs),
  tables: Object.fromEntries(
    tablesOfClient.map((name) => [
      name,
      rowsOf(store, name, whose[name] ?? 'visit_id in (select id from visits where client_id = @id)', { id: clientId }),
    ]),
  ),
});

/** What is the studio’s own; of own breath only that of whoever asks. */
const studioFile = (store: Store, by: Asker, nowMs: number): RecordFile => ({
  ...head(store, 'studio', nowMs),
  tables: Object.fromEntries(
    tablesOfStudio.map((name) => [
      name,
      name === 'own_breath'
        ? rowsOf(store, name, 'coach_id is @coach', { coach: by.coachId })
        : rowsOf(store, name, '1', {}),
    ]),
  ),
});

/** Packed less tightly, a studio is out in half the time. */
const quick = { compressionLevel: 1 } as const;

/** The next turn of everything else: nobody who works meanwhile waits for more than one client’s record. */
const giveWay = () => new Promise<void>((resolve) => setImmediate(resolve));

/**
 * Writes a whole studio, or one client of it, into a ZIP: a record each, the studio’s own, and the pictures.
 *
 * @param onProgress told how many of how many clients are in it
 * @param signal given up, nothing of it is left
 * @returns how many clients and pictures are in it
 */
export async function writeStudioZip(
  store: Store,
  by: Asker,
  path: string,
  nowMs: number,
  {
    only,
    onProgress,
    signal,
  }: { only?: string; onProgress?: (done: number, of: number) => void; signal?: AbortSignal } = {},
): Promise<{ clients: number; pictures: number }> {
  privateFolder(dirname(path));
  const ids =
    only === undefined
      ? (store.$client.prepare('select id from clients order by id').all() as { id: string }[]).map(({ id }) => id)
      : [only];
  const zip = new ZipFile();
  const out = createWriteStream(path, { mode: 0o600 });
  const closed = new Promise<void>((resolve) => out.once('close', resolve));
  const written = new Promise<void>((resolve, reject) => {
    // A picture read while it is deleted fails in the packer itself: unheard, that would end the server.
    zip.on('error', (error) => reject(wordsOf(error)));
    zip.outputStream.on('error', reject);
    out.on('error', reject).on('close', () => resolve());
    zip.outputStream.pipe(out);
  });
  // A disk that fails while records are still read is told of at the end, and not as an error nobody hears.
  written.catch(() => undefined);
  let pictures = 0;
  try {
    if (only === undefined) zip.addBuffer(inBytes(studioFile(store, by, nowMs)), 'studio.json', quick);
    for (const [done, id] of ids.entries()) {
      signal?.throwIfAborted();
      const file = clientFile(store, id, nowMs);
      zip.addBuffer(inBytes(file), `clients/${id}.json`, quick);
      for (const { id: photoId } of file.tables.photos as { id: string }[]) {
        const picture = fileOf(store, photoId);
        if (!existsSync(picture)) continue;
        zip.addFile(picture, `pictures/${photoId}.jpg`, { compress: false });
        pictures += 1;
      }
      onProgress?.(done + 1, ids.length);
      await giveWay();
    }
    zip.end();
    await written;
    signal?.throwIfAborted();
    return { clients: ids.length, pictures };
  } catch (error) {
    // Only what is closed can be removed: a file still being opened would appear afterwards.
    out.destroy();
    await closed;
    rmSync(path, { force: true });
    throw error;
  }
}

const wordsOf = (error: Error & { code?: string }) =>
  error.code === 'ENOENT'
    ? new StoreError('A picture was deleted while the file was being made. Make it once more.')
    : error;

const inBytes = (file: RecordFile) => Buffer.from(JSON.stringify(file));
