import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import sharp from 'sharp';
import yauzl from 'yauzl';
import { ZipFile } from 'yazl';
import {
  ImportFault,
  type Store,
  Staging,
  openStore,
  recordFileJsonSchema,
  photosPathOf,
  tables,
  tablesOfClient,
  tablesOfStudio,
  writeStudioZip,
} from '..';
import { rounds } from '../../../scripts/rounds';
import { scratchFolder } from '../../../scripts/scratch';

const now = Date.parse('2026-11-27T10:00:00Z');
const nobody = { coachId: null, sessionId: null, name: null, role: 'owner' as const, sees: () => true };
const handedOn = [...tablesOfClient, ...tablesOfStudio];

let folder: string;
beforeEach(() => {
  folder = scratchFolder('exchange');
  mkdirSync(folder, { recursive: true });
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const open = (name: string) => {
  mkdirSync(join(folder, name), { recursive: true });
  return openStore(join(folder, name, 'studio.db'));
};

/** Everything that is handed on, as it lies. */
const contentOf = (store: Store) =>
  Object.fromEntries(
    handedOn.map((name) => {
      const { key } = tables.get(name)!;
      return [
        name,
        store.$client.prepare(`select * from "${name}" order by ${key.map((one) => `"${one}"`).join(', ')}`).all(),
      ];
    }),
  );

/** What may stand in a column: whatever somebody typed, whatever a bad disk left. */
const cellOf = {
  text: fc.oneof(
    fc.string({ unit: 'binary', maxLength: 40 }),
    fc.constantFrom('=1+1', '{"a":1}', '"quoted"', 'null', '\u202eevil', "o'clock", ''),
  ),
  integer: fc.maxSafeInteger(),
  json: fc.oneof(
    fc.json({ maxDepth: 3 }),
    fc.constantFrom('{"taps":[0,4,3', '{ "gaps": 1 }', '{"$damaged":"x"}', 'nonsense', ''),
  ),
  uuid: fc.uint8Array({ minLength: 16, maxLength: 16 }).map((bytes) => Buffer.from(bytes)),
};

/** A studio by chance: every table has rows, each belongs to something that is there. */
const rowsArbitrary = fc.record(
  Object.fromEntries(
    handedOn.map((name) => [
      name,
      fc.array(
        fc.record(Object.fromEntries(tables.get(name)!.columns.map((column) => [column.name, cellOf[column.kind]]))),
        { minLength: name === 'clients' || name === 'visits' || name === 'runs' ? 2 : 0, maxLength: 4 },
      ),
    ]),
  ) as Record<string, fc.Arbitrary<Record<string, unknown>[]>>,
);

function fill(store: Store, rows: Record<string, Record<string, unknown>[]>, pick: (n: number) => number) {
  const ids: Record<string, string[]> = {};
  const parents: Record<string, string> = { client_id: 'clients', visit_id: 'visits', run_id: 'runs' };
  for (const name of [
    'clients',
    'visits',
    'runs',
    ...handedOn.filter((one) => !['clients', 'visits', 'runs'].includes(one)),
  ]) {
    const table = tables.get(name)!;
    for (const row of rows[name]!) {
      const made = Object.fromEntries(
        table.columns.map((column) => {
          const parent = parents[column.name];
          if (parent) return [column.name, ids[parent]![pick(ids[parent]!.length)]];
          if (column.name === 'id' && column.kind === 'text') return [column.name, randomUUID()];
          // Whose own breath it is stays with whoever takes it in.
          if (column.name === 'coach_id') return [column.name, null];
          if (column.name === 'moment') return [column.name, 'before'];
          return [column.name, row[column.name]];
        }),
      );
      const names = table.columns.map((column) => column.name);
      store.$client
        .prepare(
          `insert or ignore into "${name}" (${names.map((one) => `"${one}"`).join(', ')}) values (${names.map((one) => `@${one}`).join(', ')})`,
        )
        .run(made);
      if (typeof made.id === 'string') (ids[name] ??= []).push(made.id);
    }
  }
}

const taken = async (store: Store, zip: string, choose: 'all' | readonly string[] = []) => {
  const staging = new Staging(store, join(folder, `staging-${randomUUID()}`));
  try {
    await staging.read(zip);
    const preview = staging.preview();
    return { preview, ...staging.apply(nobody, choose, now) };
  } finally {
    staging.close();
  }
};

/** The published schema, by a validator of others. */
const fits = addFormats(new Ajv2020({ strict: false })).compile(
  JSON.parse(readFileSync('docs/formats/record.schema.json', 'utf8')) as object,
);

const jsonIn = (path: string) =>
  new Promise<unknown[]>((resolve, reject) =>
    yauzl.open(path, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      const found: unknown[] = [];
      zip.on('end', () => resolve(found));
      zip.on('entry', (entry: yauzl.Entry) =>
        zip.openReadStream(entry, (failed, stream) => {
          if (failed) return reject(failed);
          const parts: Buffer[] = [];
          stream.on('data', (part: Buffer) => parts.push(part));
          stream.on('end', () => {
            if (entry.fileName.endsWith('.json')) found.push(JSON.parse(Buffer.concat(parts).toString('utf8')));
            zip.readEntry();
          });
        }),
      );
      zip.readEntry();
    }),
  );

test('what is published is what is written', () => {
  expect(JSON.parse(readFileSync('docs/formats/record.schema.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(recordFileJsonSchema())),
  );
  expect(fits({ kokyu: 'client', version: 2 })).toBe(false);
});

test('a round trip loses nothing, whatever stands in a studio, and taken in twice changes nothing', async () => {
  await fc.assert(
    fc.asyncProperty(rowsArbitrary, fc.infiniteStream(fc.nat(1000)), async (rows, chance) => {
      const name = randomUUID();
      const [here, there] = [open(`${name}-a`), open(`${name}-b`)];
      try {
        const next = () => chance.next().value as number;
        fill(here, rows, (n) => next() % n);
        const zip = join(folder, `${name}.zip`);
        await writeStudioZip(here, nobody, zip, now);
        for (const file of await jsonIn(zip)) expect([fits(file), fits.errors]).toEqual([true, null]);
        const { preview } = await taken(there, zip);
        expect(contentOf(there)).toEqual(contentOf(here));
        expect(preview.differences).toEqual([]);
        expect(there.$client.pragma('foreign_key_check')).toEqual([]);
        const again = await taken(there, zip);
        expect([again.rows, again.pictures]).toEqual([0, 0]);
        expect(Object.values(again.preview.tables).every(({ fresh, differs }) => fresh === 0 && differs === 0)).toBe(
          true,
        );
      } finally {
        here.$client.close();
        there.$client.close();
      }
    }),
    { numRuns: rounds(40) },
  );
});

/** A studio of two clients with a picture. */
async function small(name: string) {
  const store = open(name);
  const run = (sql: string, ...values: unknown[]) => store.$client.prepare(sql).run(...values);
  const [a, b, visit, photo] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  for (const [id, called] of [
    [a, 'Tamsin Reed'],
    [b, 'Jory Pike'],
  ] as const) {
    run('insert into clients (id, name, created_at) values (?, ?, ?)', id, called, '2026-11-01T09:00:00.000Z');
  }
  run(
    'insert into visits (id, client_id, started_at, day, zone) values (?, ?, ?, ?, ?)',
    visit,
    a,
    '2026-11-01T09:00:00.000Z',
    '2026-11-01',
    'Europe/London',
  );
  run(
    'insert into next_notes (id, client_id, at, text) values (?, ?, ?, ?)',
    'n1',
    a,
    '2026-11-01T09:00:00.000Z',
    'bring the strap',
  );
  run('insert into photos (id, client_id, at) values (?, ?, ?)', photo, a, '2026-11-01T09:00:00.000Z');
  mkdirSync(photosPathOf(store), { recursive: true });
  const picture = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#884422' } })
    .jpeg()
    .toBuffer();
  writeFileSync(join(photosPathOf(store), `${photo}.jpg`), picture);
  return { store, a, b, photo, picture };
}

test('what differs is shown side by side, and only what was chosen is taken from the file', async () => {
  const { store, a, photo, picture } = await small('one');
  const zip = join(folder, 'one.zip');
  await writeStudioZip(store, nobody, zip, now);
  const other = open('two');
  const first = await taken(other, zip);
  expect(first.preview.clients).toEqual({ fresh: ['Jory Pike', 'Tamsin Reed'], known: [] });
  expect(first.preview.pictures).toEqual({ fresh: 1, known: 0 });
  expect(readFileSync(join(photosPathOf(other), `${photo}.jpg`)).equals(picture)).toBe(true);
  other.$client.prepare("update next_notes set text = 'bring the belt'").run();
  other.$client.prepare("update clients set name = 'Tamsin Reed-Hale' where id = ?").run(a);
  const note = () => (other.$client.prepare('select text from next_notes').get() as { text: string }).text;
  const kept = await taken(other, zip);
  expect(kept.preview.differences).toEqual(
    expect.arrayContaining([
      { table: 'next_notes', key: 'n1', columns: [{ name: 'text', here: 'bring the belt', file: 'bring the strap' }] },
      { table: 'clients', key: a, columns: [{ name: 'name', here: 'Tamsin Reed-Hale', file: 'Tamsin Reed' }] },
    ]),
  );
  expect([kept.rows, note()]).toEqual([0, 'bring the belt']);
  expect((await taken(other, zip, ['next_notes n1'])).rows).toBe(1);
  expect(note()).toBe('bring the strap');
  expect((other.$client.prepare('select name from clients where id = ?').get(a) as { name: string }).name).toBe(
    'Tamsin Reed-Hale',
  );
  expect((await taken(other, zip, 'all')).rows).toBe(1);
  store.$client.close();
  other.$client.close();
});

test('one client’s file holds them and nobody else; a stranger’s reader opens it', async () => {
  const { store, a } = await small('one');
  const zip = join(folder, 'one.zip');
  await writeStudioZip(store, nobody, zip, now, { only: a });
  const names = await new Promise<string[]>((resolve, reject) =>
    yauzl.open(zip, { lazyEntries: true, validateEntrySizes: true }, (error, file) => {
      if (error) return reject(error);
      const found: string[] = [];
      file.on('entry', (entry: yauzl.Entry) => (found.push(entry.fileName), file.readEntry()));
      file.on('end', () => resolve(found));
      file.readEntry();
    }),
  );
  expect(names.map((name) => name.split('/')[0])).toEqual(['clients', 'pictures']);
  expect(statSync(zip).mode & 0o077).toBe(0);
  store.$client.close();
});

test('given up half-way, nothing is left', async () => {
  const { store } = await small('one');
  const zip = join(folder, 'one.zip');
  const stop = new AbortController();
  await expect(
    writeStudioZip(store, nobody, zip, now, { onProgress: () => stop.abort(), signal: stop.signal }),
  ).rejects.toThrow();
  expect(existsSync(zip)).toBe(false);
  // Nor does it come a moment later, when its opening is through.
  await delay(30);
  expect(existsSync(zip)).toBe(false);
  await writeStudioZip(store, nobody, zip, now);
  const staging = new Staging(store, join(folder, 'given-up'));
  await expect(staging.read(zip, { signal: AbortSignal.abort() })).rejects.toThrow();
  staging.close();
  expect(readdirSync(folder).filter((name) => name.startsWith('given-up'))).toEqual([]);
  store.$client.close();
});

test('a picture deleted while the studio goes out: one sentence, nothing half, and nothing ends the server', async () => {
  const { store, a, b, photo } = await small('one');
  const zip = join(folder, 'one.zip');
  // Right after the record that names it was written.
  const onProgress = (done: number) => {
    if (done === [a, b].sort().indexOf(a) + 1) rmSync(join(photosPathOf(store), `${photo}.jpg`));
  };
  await expect(writeStudioZip(store, nobody, zip, now, { onProgress })).rejects.toThrow(
    'A picture was deleted while the file was being made.',
  );
  expect(existsSync(zip)).toBe(false);
  await writeStudioZip(store, nobody, zip, now);
  expect(existsSync(zip)).toBe(true);
  store.$client.close();
});

const record = (rest: object = {}) => ({
  kokyu: 'client',
  version: 2,
  exportedAt: '',
  studio: '',
  zone: 'UTC',
  tables: {},
  ...rest,
});
const client = (rest: object = {}) => ({
  id: randomUUID(),
  name: 'X',
  created_at: '2026-11-01T09:00:00.000Z',
  archived_at: null,
  ...rest,
});

test.each<[string, unknown, RegExp]>([
  ['no JSON', 'nonsense', /no JSON/],
  ['another program’s', { hello: 1 }, /no record of Kokyu/],
  ['a list', [], /no record of Kokyu/],
  ['null', null, /no record of Kokyu/],
  ['a newer version’s', record({ version: 3 }), /newer version/],
  ['an older version’s', record({ version: 1 }), /older version/],
  ['without tables', record({ tables: null }), /no tables/],
  ['of a table nobody knows', record({ tables: { sqlite_master: [] } }), /nothing is kept here/],
  ['that would take in coaches', record({ kokyu: 'studio', tables: { clients: [client()] } }), /nothing is kept here/],
  ['a row that is none', record({ tables: { clients: ['x'] } }), /row 1: it is no row/],
  ['a row without what it needs', record({ tables: { clients: [client({ name: null })] } }), /name is missing/],
  ['a row with something more', record({ tables: { clients: [client({ admin: 1 })] } }), /“admin”/],
  ['a number for a name', record({ tables: { clients: [client({ name: 7 })] } }), /name is no text/],
  ['an id that is a path', record({ tables: { clients: [client({ id: '../../etc/passwd' })] } }), /id is no id/],
  ['the same twice', record({ tables: { clients: [client({ id: 'a' }), client({ id: 'a' })] } }), /there twice/],
  [
    'a visit of nobody',
    record({ tables: { visits: [{ id: 'v', client_id: 'nobody', started_at: '', day: '', zone: '' }] } }),
    /belongs to clients/,
  ],
  [
    'a picture that is named like a path',
    record({ tables: { photos: [{ id: 'x', client_id: 'c', at: '' }] } }),
    /no id of a picture/,
  ],
])('%s is refused with one sentence, and nothing of it is taken in', async (_, given, why) => {
  const { store } = await small('one');
  const was = contentOf(store);
  const file = join(folder, 'file.json');
  writeFileSync(file, typeof given === 'string' ? given : JSON.stringify(given));
  const staging = new Staging(store, join(folder, 'staging'));
  await expect(staging.read(file)).rejects.toThrow(why);
  await expect(staging.read(file)).rejects.toBeInstanceOf(ImportFault);
  staging.close();
  expect(contentOf(store)).toEqual(was);
  store.$client.close();
});

const zipOf = (entries: Record<string, Buffer>) =>
  new Promise<string>((resolve) => {
    const zip = new ZipFile();
    for (const [name, bytes] of Object.entries(entries)) zip.addBuffer(bytes, name);
    zip.end();
    const parts: Buffer[] = [];
    zip.outputStream.on('data', (part: Buffer) => parts.push(part));
    zip.outputStream.on('end', () => {
      const path = join(folder, `${randomUUID()}.zip`);
      writeFileSync(path, Buffer.concat(parts));
      resolve(path);
    });
  });

test('ZIPs that are made to do harm: paths, bombs, broken pictures, cut off, none of ours', async () => {
  const { store, photo } = await small('one');
  const was = contentOf(store);
  const good = Buffer.from(JSON.stringify(record()));
  const whole = readFileSync(await zipOf({ 'clients/a.json': good }));
  const cut = join(folder, 'cut.zip');
  writeFileSync(cut, whole.subarray(0, whole.length - 30));
  // A name that leads out of its folder, written by hand into a ZIP that has one as long.
  const evil = join(folder, 'evil.zip');
  writeFileSync(
    evil,
    Buffer.from(
      (await zipOf({ 'clients/aaaaa.json': good }).then((path) => readFileSync(path).toString('latin1'))).replaceAll(
        'clients/aaaaa.json',
        '../../../evil.json',
      ),
      'latin1',
    ),
  );
  const bomb = await zipOf({ 'clients/a.json': Buffer.alloc(70_000_000, 32) });
  expect(statSync(bomb).size).toBeLessThan(200_000);
  const huge = await sharp({ create: { width: 4000, height: 3000, channels: 3, background: '#fff' } })
    .jpeg()
    .toBuffer();
  const jpeg = await sharp({ create: { width: 60, height: 60, channels: 3, background: '#123' } })
    .jpeg()
    .toBuffer();
  for (const [path, why] of [
    [cut, /ZIP/],
    [evil, /ZIP|damaged/],
    [bomb, /too large/],
    [await zipOf({ 'readme.txt': good }), /no record of Kokyu/],
    [await zipOf({ 'clients/a.json': good, [`pictures/${photo}.jpg`]: Buffer.from('<script>') }), /no picture/],
    [await zipOf({ 'clients/a.json': good, [`pictures/${photo}.jpg`]: huge }), /no picture/],
    [
      await zipOf({ 'clients/a.json': good, [`pictures/${photo}.jpg`]: jpeg.subarray(0, jpeg.length / 2) }),
      /no picture/,
    ],
    [await zipOf({ 'clients/a.json': good, 'pictures/..jpg': jpeg }), /no name of a picture/],
  ] as const) {
    const staging = new Staging(store, join(folder, `harm-${randomUUID()}`));
    await expect(staging.read(path)).rejects.toThrow(why);
    staging.close();
  }
  expect(contentOf(store)).toEqual(was);
  expect(existsSync(join(folder, 'evil.json'))).toBe(false);
  store.$client.close();
});

test('a picture from elsewhere loses what its camera wrote into it', async () => {
  const { store, a } = await small('one');
  const id = randomUUID();
  const told = await sharp({ create: { width: 40, height: 40, channels: 3, background: '#345' } })
    .withExif({ IFD0: { Copyright: 'somebody', ImageDescription: 'at home' } })
    .jpeg()
    .toBuffer();
  expect((await sharp(told).metadata()).exif).toBeDefined();
  const file = record({ tables: { photos: [{ id, client_id: a, at: '2026-11-01T09:00:00.000Z' }] } });
  await taken(store, await zipOf({ 'record.json': Buffer.from(JSON.stringify(file)), [`pictures/${id}.jpg`]: told }));
  const stored = join(photosPathOf(store), `${id}.jpg`);
  expect((await sharp(stored).metadata()).exif).toBeUndefined();
  expect(readFileSync(stored).includes('at home')).toBe(false);
  store.$client.close();
});

/** Ten thousand are tried where there is time for it (KOKYU_FUZZ=10000). */
const files = Number(process.env.KOKYU_FUZZ ?? rounds(2000));

test('files by chance: each is taken in whole or refused with a sentence; none is half taken in', async () => {
  const { store } = await small('one');
  const file = join(folder, 'by-chance.json');
  const value = fc.oneof(
    { weight: 3, arbitrary: fc.jsonValue({ maxDepth: 2 }) },
    fc.constantFrom(null, 'a', 7, '../x', '{"a"'),
  );
  const row = (name: string) =>
    fc.oneof(
      {
        weight: 4,
        arbitrary: fc.record(
          Object.fromEntries(
            tables.get(name)!.columns.map((column) => [column.name, fc.oneof(cellOf.text, fc.integer(), value)]),
          ),
        ),
      },
      value,
    );
  const names = ['clients', 'visits', 'facts', 'looks', 'run_events', 'settings', 'coaches'];
  const arbitrary = fc.record({
    kokyu: fc.constantFrom('client', 'client', 'client', 'studio', 7),
    version: fc.constantFrom(2, 2, 2, 2, '2', 1, 9),
    tables: fc.oneof(
      {
        weight: 5,
        arbitrary: fc.record(
          Object.fromEntries(
            names.map((name) => [name, fc.array(tables.has(name) ? row(name) : value, { maxLength: 2 })]),
          ),
          { requiredKeys: [] },
        ),
      },
      value,
    ),
  });
  const staging = new Staging(store, join(folder, 'staging'));
  let [refused, read] = [0, 0];
  const was = contentOf(store);
  for (const given of fc.sample(arbitrary, { numRuns: files, seed: 27 })) {
    writeFileSync(file, JSON.stringify(given));
    try {
      await staging.read(file);
      read += 1;
    } catch (error) {
      if (!(error instanceof ImportFault)) throw error;
      expect(error.message).toMatch(/^.{8,200}\.$/s);
      refused += 1;
    }
  }
  staging.close();
  expect(refused + read).toBe(files);
  expect(refused).toBeGreaterThan(files / 2);
  expect(contentOf(store)).toEqual(was);
  store.$client.close();
}, 120_000);
