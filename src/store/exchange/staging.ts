import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import sharp from 'sharp';
import { type Entry, type ZipFile, open as openZip } from 'yauzl';
import { type ImportPreview, type RowCounts, type RowDifference } from '@/core/record';
import { type Asker, note } from '../access';
import { type Store, afterWriting, mustBeInPlace, nextPlace, privateFolder, settle } from '../file';
import { fileOf, folderOf } from '../photos';
import { fileVersion } from './out';
import { stayHere, tablesOfClient, tablesOfStudio } from './lists';
import { type Row, RowFault, type Table, isPictureId, rowIn, tables } from './rows';

/** Why a file can’t be taken in: one sentence. Nothing of it was. */
export class ImportFault extends Error {}

const most = {
  /** Of a record, unpacked. */
  recordBytes: 60_000_000,
  pictureBytes: 12_000_000,
  pixels: 4_000_000,
  entries: 200_000,
  /** All of it, unpacked: a small file that unpacks to more is made to do so. */
  totalBytes: 8_000_000_000,
} as const;

const taken = [...tablesOfClient, ...tablesOfStudio];

/** What every ZIP begins with. */
function isZip(path: string): boolean {
  const start = Buffer.alloc(2);
  const file = openSync(path, 'r');
  try {
    readSync(file, start, 0, 2, 0);
  } finally {
    closeSync(file);
  }
  return start.toString('latin1') === 'PK';
}

const asZip = (path: string) =>
  new Promise<ZipFile>((resolve, reject) =>
    openZip(path, { lazyEntries: true, validateEntrySizes: true, strictFileNames: true }, (error, zip) =>
      error ? reject(new ImportFault(`This is no ZIP that can be read (${error.message}).`)) : resolve(zip),
    ),
  );

/** The entries of a ZIP one after the other; whoever asks for the next has done with the one before. */
async function* entriesOf(zip: ZipFile): AsyncGenerator<Entry> {
  for (;;) {
    const entry = await new Promise<Entry | null>((resolve, reject) => {
      const done = () => {
        zip.removeAllListeners();
      };
      zip.once('entry', (one: Entry) => (done(), resolve(one)));
      zip.once('end', () => (done(), resolve(null)));
      zip.once('error', (error: Error) => (done(), reject(new ImportFault(`This ZIP is damaged (${error.message}).`))));
      zip.readEntry();
    });
    if (!entry) return;
    yield entry;
  }
}

const streamOf = (zip: ZipFile, entry: Entry) =>
  new Promise<NodeJS.ReadableStream>((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) =>
      error ? reject(new ImportFault(`This ZIP is damaged (${error.message}).`)) : resolve(stream),
    ),
  );

async function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const parts: Buffer[] = [];
  try {
    for await (const part of await streamOf(zip, entry)) parts.push(part as Buffer);
  } catch (error) {
    throw error instanceof ImportFault ? error : new ImportFault(`This ZIP is damaged (${(error as Error).message}).`);
  }
  return Buffer.concat(parts);
}

const mostShown = 200;

/** A file on its way in: unpacked and checked beside the studio, which is not touched until it is taken in as a whole. */
export class Staging {
  private readonly db: Database.Database;
  private studio = '';
  private exportedAt = '';
  private records = 0;

  constructor(
    private readonly store: Store,
    /** A folder of its own, which goes with it. */
    private readonly folder: string,
  ) {
    mkdirSync(join(folder, 'pictures'), { recursive: true, mode: 0o700 });
    this.db = new Database(join(folder, 'staged.db'));
    this.db.pragma('journal_mode = OFF');
    this.db.pragma('synchronous = OFF');
    for (const name of taken) {
      const { columns, key } = tables.get(name)!;
      this.db.exec(
        `create table "${name}" (${columns.map((column) => `"${column.name}"`).join(', ')}, primary key (${key.map((one) => `"${one}"`).join(', ')}))`,
      );
    }
  }

  close() {
    if (this.db.open) this.db.close();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /**
   * Reads a ZIP, or one record as JSON.
   *
   * @throws {ImportFault} at the first thing that does not fit
   */
  async read(
    path: string,
    { onProgress, signal }: { onProgress?: (done: number, of: number) => void; signal?: AbortSignal } = {},
  ) {
    if (!isZip(path)) {
      if (statSync(path).size > most.recordBytes) throw new ImportFault('This file is too large for one record.');
      this.takeRecord(readFileSync(path), 'the file');
      return this.mustFit();
    }
    const zip = await asZip(path);
    try {
      if (zip.entryCount > most.entries) throw new ImportFault('There is far too much in this ZIP.');
      let [done, bytes] = [0, 0];
      for await (const entry of entriesOf(zip)) {
        signal?.throwIfAborted();
        const { fileName, uncompressedSize } = entry;
        const isPicture = /^pictures\/[^/]+\.jpg$/.test(fileName);
        const isRecord = /^(studio\.json|record\.json|clients\/[^/]+\.json)$/.test(fileName);
        bytes += uncompressedSize;
        if (bytes > most.totalBytes || uncompressedSize > (isPicture ? most.pictureBytes : most.recordBytes)) {
          throw new ImportFault(`${fileName.slice(0, 60)} is too large.`);
        }
        if (isRecord) this.takeRecord(await bytesOf(zip, entry), fileName);
        else if (isPicture) await this.takePicture(await bytesOf(zip, entry), fileName);
        done += 1;
        onProgress?.(done, zip.entryCount);
        await new Promise((resolve) => setImmediate(resolve));
      }
    } finally {
      zip.close();
    }
    if (this.records === 0) throw new ImportFault('There is no record of Kokyu in this file.');
    this.mustFit();
  }

  private takeRecord(bytes: Buffer, file: string) {
    let given: { kokyu?: unknown; version?: unknown; tables?: unknown; studio?: unknown; exportedAt?: unknown };
    try {
      given = JSON.parse(bytes.toString('utf8')) as typeof given;
    } catch {
      throw new ImportFault(`${file} is no JSON that can be read.`);
    }
    if (given?.kokyu !== 'client' && given?.kokyu !== 'studio') throw new ImportFault(`${file} is no record of Kokyu.`);
    if (given.version !== fileVersion) {
      throw new ImportFault(
        Number(given.version) > fileVersion
          ? `${file} was written by a newer version. Bring Kokyu up to date first.`
          : `${file} was written by an older version, in a way that can’t be taken in.`,
      );
    }
    const allowed = given.kokyu === 'client' ? tablesOfClient : tablesOfStudio;
    if (typeof given.tables !== 'object' || given.tables === null) throw new ImportFault(`${file} has no tables.`);
    this.db.exec('begin');
    try {
      for (const [name, rows] of Object.entries(given.tables)) {
        const table = tables.get(name);
        // In what a client was given, but nothing that another studio takes over.
        if (stayHere.includes(name)) continue;
        if (!table || !allowed.includes(name))
          throw new ImportFault(`${file}: nothing is kept here under “${name.slice(0, 40)}”.`);
        if (!Array.isArray(rows)) throw new ImportFault(`${file}: ${name} is no list.`);
        this.takeRows(table, rows, file);
      }
      this.db.exec('commit');
    } catch (error) {
      if (this.db.inTransaction) this.db.exec('rollback');
      throw error;
    }
    this.studio ||= typeof given.studio === 'string' ? given.studio.slice(0, 80) : '';
    this.exportedAt ||= typeof given.exportedAt === 'string' ? given.exportedAt.slice(0, 40) : '';
    this.records += 1;
  }

  private takeRows(table: Table, rows: readonly unknown[], file: string) {
    const names = table.columns.map(({ name }) => `"${name}"`).join(', ');
    const put = this.db.prepare(
      `insert into "${table.name}" (${names}) values (${table.columns.map(({ name }) => `@${name}`).join(', ')})`,
    );
    for (const [at, given] of rows.entries()) {
      try {
        const row = rowIn(table, given);
        if (table.name === 'photos' && !isPictureId(row.id)) throw new RowFault('id is no id of a picture');
        put.run(row);
      } catch (error) {
        if (error instanceof RowFault)
          throw new ImportFault(`${file}, ${table.name}, row ${at + 1}: ${error.message}.`);
        if ((error as { code?: string }).code?.startsWith('SQLITE_CONSTRAINT')) {
          throw new ImportFault(`${file}, ${table.name}, row ${at + 1}: it is there twice.`);
        }
        throw error;
      }
    }
  }

  /** Checked by its content; without metadata it stays as it is, byte for byte. */
  private async takePicture(bytes: Buffer, file: string) {
    const id = /^pictures\/(.+)\.jpg$/.exec(file)![1]!;
    if (!isPictureId(id)) throw new ImportFault(`${file.slice(0, 60)} is no name of a picture.`);
    let clean = bytes;
    try {
      const { format, width, height, exif, xmp, iptc } = await sharp(bytes, {
        limitInputPixels: most.pixels,
      }).metadata();
      if (format !== 'jpeg' || width * height > most.pixels) throw new Error('no picture');
      if (exif || xmp || iptc) clean = await sharp(bytes).rotate().jpeg({ quality: 88 }).toBuffer();
      // Read to its end: one that is broken in the middle is told of now and not when it is looked at.
      await sharp(bytes, { failOn: 'error' }).stats();
    } catch {
      throw new ImportFault(`${file.slice(0, 60)} is no picture that can be read.`);
    }
    await writeFile(join(this.folder, 'pictures', `${id}.jpg`), clean, { mode: 0o600 });
  }

  /** Whether everything stands on something: on what is in the file, or here. */
  private mustFit() {
    this.attached((db) => {
      // Of a group somebody was one of, their own record has the run without its leader’s visit: then it is told under theirs.
      db.exec(
        `update staged.runs set visit_id = (select m.visit_id from staged.run_members m where m.run_id = staged.runs.id order by m.place limit 1)
         where not exists (select 1 from staged.visits v where v.id = staged.runs.visit_id) and not exists (select 1 from main.visits v where v.id = staged.runs.visit_id)
         and exists (select 1 from staged.run_members m where m.run_id = staged.runs.id)`,
      );
      for (const [table, column, parent] of links) {
        const lost = db
          .prepare(
            `select s."${column}" as id from staged."${table}" s where s."${column}" is not null and not exists (select 1 from staged."${parent}" p where p.id = s."${column}") and not exists (select 1 from main."${parent}" p where p.id = s."${column}") limit 1`,
          )
          .get() as { id: string } | undefined;
        if (lost)
          throw new ImportFault(
            `In ${table} something belongs to ${parent} “${String(lost.id).slice(0, 40)}”, which is neither in the file nor here.`,
          );
      }
    });
  }

  /** With the staged rows beside the studio’s own, under the name `staged`. */
  private attached<T>(work: (db: Database.Database) => T): T {
    const db = this.store.$client;
    db.prepare('attach database ? as staged').run(join(this.folder, 'staged.db'));
    try {
      return work(db);
    } finally {
      db.exec('detach database staged');
    }
  }

  /** What would become of it. */
  preview(): ImportPreview {
    return this.attached((db) => {
      const counts: Record<string, RowCounts> = {};
      const differences: RowDifference[] = [];
      let differing = 0;
      for (const name of taken) {
        const table = tables.get(name)!;
        const { n } = db.prepare(`select count(*) as n from staged."${name}"`).get() as { n: number };
        if (n === 0) continue;
        const { here } = db
          .prepare(`select count(*) as here from staged."${name}" s join main."${name}" m on ${sameKey(table)}`)
          .get() as { here: number };
        const apart = db
          .prepare(
            `select ${table.columns.map(({ name: column }) => `s."${column}" as "s ${column}", m."${column}" as "m ${column}"`).join(', ')} from staged."${name}" s join main."${name}" m on ${sameKey(table)} where not (${table.columns.map(({ name: column }) => `s."${column}" is m."${column}"`).join(' and ')})`,
          )
          .all() as Row[];
        differing += apart.length;
        counts[name] = { fresh: n - here, same: here - apart.length, differs: apart.length };
        for (const row of apart.slice(0, Math.max(0, mostShown - differences.length)))
          differences.push(differenceOf(table, row));
      }
      const names = (fresh: boolean) =>
        (
          db
            .prepare(
              `select s.name from staged.clients s where ${fresh ? 'not' : ''} exists (select 1 from main.clients m where m.id = s.id) order by s.name`,
            )
            .all() as { name: string }[]
        ).map(({ name }) => name);
      const pictures = (db.prepare('select id from staged.photos').all() as { id: string }[]).filter(({ id }) =>
        existsSync(this.pictureOf(id)),
      );
      const known = pictures.filter(({ id }) => existsSync(fileOf(this.store, id))).length;
      return {
        studio: this.studio,
        exportedAt: this.exportedAt,
        clients: { fresh: names(true), known: names(false) },
        tables: counts,
        pictures: { fresh: pictures.length - known, known },
        differences,
        moreDifferences: differing - differences.length,
      };
    });
  }

  private pictureOf = (id: string) => join(this.folder, 'pictures', `${id}.jpg`);

  /**
   * Takes it in, all of it or nothing. What is the same stays; where a row differs, the file’s is taken for the keys named, and otherwise
   * what is here stays.
   *
   * @param fromFile what of the differing rows is taken from the file: all of them, or `table key` by name
   */
  apply(by: Asker, fromFile: 'all' | readonly string[], nowMs: number): { rows: number; pictures: number } {
    const chosen = fromFile === 'all' ? null : new Set(fromFile);
    mustBeInPlace(this.store);
    const placed: string[] = [];
    privateFolder(folderOf(this.store));
    try {
      return this.attached((db) => {
        let rows = 0;
        db.transaction(() => {
          db.pragma('defer_foreign_keys = ON');
          const fresh = (
            db
              .prepare(
                'select s.id from staged.clients s where not exists (select 1 from main.clients m where m.id = s.id)',
              )
              .all() as { id: string }[]
          ).map(({ id }) => id);
          for (const name of taken) rows += this.takeTable(db, tables.get(name)!, chosen, by);
          for (const clientId of fresh) {
            if (by.coachId !== null) {
              db.prepare(`insert or ignore into main.care (coach_id, client_id, kind, at) values (?, ?, 'own', ?)`).run(
                by.coachId,
                clientId,
                new Date(nowMs).toISOString(),
              );
            }
            note(this.store, { nowMs, coachId: by.coachId, what: 'taken in from a file', clientId });
          }
          note(this.store, { nowMs, coachId: by.coachId, what: 'took in a file' });
          // Pictures whose rows were taken in, before the rows count: a file without its row counts for nothing.
          for (const { id } of db
            .prepare('select s.id from staged.photos s join main.photos m on m.id = s.id')
            .all() as { id: string }[]) {
            const to = fileOf(this.store, id);
            if (!existsSync(this.pictureOf(id)) || existsSync(to)) continue;
            renameSync(this.pictureOf(id), to);
            placed.push(to);
          }
          if (placed[0]) settle(placed[0]);
          nextPlace(this.store);
        }).immediate();
        return { rows, pictures: placed.length };
      });
    } catch (error) {
      for (const path of placed) rmSync(path, { force: true });
      throw error;
    } finally {
      afterWriting(this.store);
    }
  }

  private takeTable(db: Database.Database, table: Table, chosen: ReadonlySet<string> | null, by: Asker): number {
    const { name } = table;
    const columns = table.columns.map((column) => `"${column.name}"`).join(', ');
    // Whose own breath it is, is whoever takes it in: nobody is handed another's.
    const given = table.columns
      .map((column) => (name === 'own_breath' && column.name === 'coach_id' ? '@coach' : `s."${column.name}"`))
      .join(', ');
    const coach = name === 'own_breath' ? { coach: by.coachId } : {};
    const fresh = db
      .prepare(
        `insert into main."${name}" (${columns}) select ${given} from staged."${name}" s where not exists (select 1 from main."${name}" m where ${sameKey(table)})`,
      )
      .run(coach).changes;
    const apart = db
      .prepare(
        `select ${table.key.map((one) => `s."${one}" as "${one}"`).join(', ')} from staged."${name}" s join main."${name}" m on ${sameKey(table)} where not (${table.columns.map((column) => `s."${column.name}" is m."${column.name}"`).join(' and ')})`,
      )
      .all() as Row[];
    let changed = 0;
    const sets = table.columns.filter((column) => !table.key.includes(column.name)).map((column) => column.name);
    for (const key of apart) {
      if (chosen && !chosen.has(`${name} ${keyText(table, key)}`)) continue;
      if (sets.length === 0) continue;
      changed += db
        .prepare(
          `update main."${name}" as m set (${sets.map((one) => `"${one}"`).join(', ')}) = (select ${sets.map((one) => `s."${one}"`).join(', ')} from staged."${name}" s where ${sameKey(table)}) where ${table.key.map((one) => `m."${one}" = @${one}`).join(' and ')}`,
        )
        .run(key).changes;
    }
    return fresh + changed;
  }
}

const sameKey = ({ key }: Table) => key.map((one) => `m."${one}" = s."${one}"`).join(' and ');

const keyText = ({ key }: Table, row: Row) =>
  key.map((one) => (Buffer.isBuffer(row[one]) ? (row[one] as Buffer).toString('hex') : String(row[one]))).join(' ');

function differenceOf(table: Table, row: Row): RowDifference {
  const side = (of: 's' | 'm') => Object.fromEntries(table.columns.map(({ name }) => [name, row[`${of} ${name}`]]));
  const [file, here] = [side('s'), side('m')];
  return {
    table: table.name,
    key: keyText(table, file),
    columns: table.columns
      .filter(({ name }) => !same(file[name], here[name]))
      .map(({ name }) => ({ name, here: shownOf(here[name]), file: shownOf(file[name]) })),
  };
}

const same = (a: unknown, b: unknown) => (Buffer.isBuffer(a) && Buffer.isBuffer(b) ? a.equals(b) : a === b);
const shownOf = (value: unknown) => (Buffer.isBuffer(value) ? value.toString('hex') : value);

/** What stands on what: a column, and the table whose id it is. */
const links: readonly (readonly [string, string, string])[] = [
  ...['facts', 'visits', 'photos', 'appointments', 'waiting', 'next_notes', 'run_members'].map(
    (name) => [name, 'client_id', 'clients'] as const,
  ),
  ...[
    'looks',
    'readings',
    'judgements',
    'plans',
    'runs',
    'visit_notes',
    'note_additions',
    'home_told',
    'home_plans',
    'home_returns',
    'lifts',
    'run_members',
  ].map((name) => [name, 'visit_id', 'visits'] as const),
  ['run_events', 'run_id', 'runs'],
  ['run_members', 'run_id', 'runs'],
];
