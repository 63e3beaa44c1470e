import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import FhirValidator from '@asymmetrik/fhir-json-schema-validator';
import Papa from 'papaparse';
import yauzl from 'yauzl';
import {
  Staging,
  asker,
  belonging,
  everythingOf,
  openStore,
  recentClients,
  tablesOfClient,
  storePath,
  theStore,
} from '@/store';
import { demoAt } from '../../demo/ready';
import { rounds } from '../../scripts/rounds';
import { studioHere } from '@/store/fixtures';
import { csvOf, recordText, recordZip } from './everything';

let here: ReturnType<typeof studioHere>;
beforeAll(() => {
  here = studioHere('everything');
  demoAt(storePath());
});
afterAll(() => here.close());

/** A ZIP as a reader of its own has it, name by name. */
const unpacked = (zip: Uint8Array) =>
  new Promise<Map<string, string>>((resolve, reject) => {
    yauzl.fromBuffer(Buffer.from(zip), { lazyEntries: true, validateEntrySizes: true }, (error, file) => {
      if (error) return reject(error);
      const found = new Map<string, string>();
      file.on('entry', (entry: yauzl.Entry) =>
        file.openReadStream(entry, (failed, stream) => {
          if (failed) return reject(failed);
          const parts: Buffer[] = [];
          stream.on('data', (part: Buffer) => parts.push(part));
          stream.on('end', () => {
            found.set(entry.fileName, Buffer.concat(parts).toString('utf8'));
            file.readEntry();
          });
        }),
      );
      file.on('end', () => resolve(found));
      file.readEntry();
    });
  });

const clients = () => recentClients(theStore(), 20);

/** Each client’s file, made and unpacked once. */
const made = new Map<string, Promise<Map<string, string>>>();
const filesOf = (id: string) => {
  const before = made.get(id);
  if (before) return before;
  const files = unpacked(recordZip(id)!);
  made.set(id, files);
  return files;
};
const read = (csv: string) => Papa.parse<string[]>(csv, { header: false, skipEmptyLines: true });

test('every table of the studio says whose its rows are', () => {
  const tables = theStore()
    .$client.prepare(
      "select name from sqlite_master where type = 'table' and name not like 'sqlite_%' and name not like '\\_\\_%' escape '\\'",
    )
    .all() as { name: string }[];
  expect(Object.keys(belonging).sort()).toEqual(tables.map(({ name }) => name).sort());
});

test('all of each client, nothing of anybody else: not a name, not an id', async () => {
  const everybody = clients();
  expect(everybody.length).toBe(6);
  for (const { id, name } of everybody) {
    const files = await filesOf(id);
    const text = [...files]
      .filter(([file]) => !file.startsWith('pictures/'))
      .map(([, content]) => content)
      .join('\n');
    expect(text).toContain(name);
    for (const other of everybody.filter((one) => one.id !== id)) {
      expect([name, text.includes(other.id)]).toEqual([name, false]);
      expect([name, text.includes(other.name)]).toEqual([name, false]);
    }
    const record = JSON.parse(files.get('record.json')!) as { tables: Record<string, { id: string }[]> };
    // As many rows as there are of them, table by table, counted apart.
    const count = (sql: string) => (theStore().$client.prepare(sql).get(id) as { n: number }).n;
    expect(record.tables.facts).toHaveLength(count('select count(*) as n from facts where client_id = ?'));
    expect(record.tables.looks).toHaveLength(
      count('select count(*) as n from looks join visits on visits.id = visit_id where client_id = ?'),
    );
    expect(record.tables.run_events!.length).toBeGreaterThan(20);
  }
});

test('the tables as a parser of its own reads them: every row as long as its head, every column in the dictionary', async () => {
  const { id } = clients()[0]!;
  const files = await filesOf(id);
  const dictionary = read(files.get('tables/dictionary.csv')!).data.slice(1);
  const tables = [...files].filter(([file]) => file.startsWith('tables/') && !file.endsWith('dictionary.csv'));
  expect(tables.map(([file]) => file).sort()).toEqual(
    ['drills', 'observations', 'told', 'under-load', 'visits'].map((file) => `tables/${file}.csv`),
  );
  for (const [file, csv] of tables) {
    const { data, errors } = read(csv);
    expect([file, errors]).toEqual([file, []]);
    const [head, ...rows] = data;
    for (const row of rows) expect([file, row.length]).toEqual([file, head!.length]);
    for (const column of head!)
      expect(dictionary).toContainEqual([
        file.replace('tables/', ''),
        column,
        expect.any(String),
        expect.stringMatching(/./),
      ]);
  }
  const observations = read(files.get('tables/observations.csv')!).data.slice(1);
  expect(observations.length).toBeGreaterThan(4);
  for (const row of observations) expect(Number.isFinite(Number(row[8]))).toBe(true);
});

// The published JSON schema of HL7 FHIR R4 (4.0), held by a validator of others [R15].
test('for another system: each client’s bundle is FHIR R4, every reference leads to something in it, every reading is there', async () => {
  const validator = new FhirValidator();
  for (const { id, name } of clients().slice(0, rounds(20))) {
    const files = await filesOf(id);
    const bundle = JSON.parse(files.get('fhir-r4.json')!) as {
      entry: { fullUrl: string; resource: { resourceType: string; id: string } }[];
    };
    expect([name, validator.validate(bundle)]).toEqual([name, []]);
    const there = new Set(bundle.entry.map(({ resource }) => `${resource.resourceType}/${resource.id}`));
    expect(there.size).toBe(bundle.entry.length);
    for (const [, reference] of JSON.stringify(bundle).matchAll(/"reference":"([^"]+)"/g))
      expect(there).toContain(reference);
    const readings = read(files.get('tables/observations.csv')!).data.length - 1;
    expect(bundle.entry.filter(({ resource }) => resource.resourceType === 'Observation')).toHaveLength(readings);
    for (const kind of ['Patient', 'QuestionnaireResponse', 'Procedure', 'Provenance', 'Encounter'])
      expect([name, kind, bundle.entry.some(({ resource }) => resource.resourceType === kind)]).toEqual([
        name,
        kind,
        true,
      ]);
  }
  const all = await Promise.all(clients().map(async ({ id }) => (await filesOf(id)).get('fhir-r4.json')!));
  for (const kind of ['CarePlan', 'Consent', '9279-1']) expect(all.some((bundle) => bundle.includes(kind))).toBe(true);
  // The validator finds what is wrong: it is not one that finds nothing.
  const [bundle] = all.map((text) => JSON.parse(text) as { entry: { resource: { status?: unknown } }[] });
  bundle!.entry.find(({ resource }) => resource.status !== undefined)!.resource.status = 7;
  expect(validator.validate(bundle).length).toBeGreaterThan(0);
});

test('whatever is written in a cell comes back as it was, and a spreadsheet takes none of it for a formula', () => {
  const words = [
    '=HYPERLINK("http://x")',
    '+1',
    '@SUM(A1)',
    '-2 steps',
    'a "quoted", word',
    'two\nlines',
    'two\r\nlines',
    '‮evil',
    ' spaced ',
    '',
    '7',
  ];
  const columns = [
    { name: 'a', unit: '', means: 'a' },
    { name: 'n', unit: '', means: 'n' },
  ];
  const csv = csvOf({ file: 'x.csv', columns, rows: words.map((word, at) => [word, at - 5]) });
  const rows = read(csv).data.slice(1);
  expect(rows).toHaveLength(words.length);
  rows.forEach(([word, number], at) => {
    expect(word!.replace(/^'(?=[=+\-@])/, '')).toBe(words[at]);
    expect(word).not.toMatch(/^[=+\-@\t\r]/);
    // A number below nothing is a number and no formula.
    expect(number).toBe(String(at - 5));
  });
});

test('what a client was given is taken in by another studio: all of it that is theirs', async () => {
  const there = openStore(join(here.folder, 'elsewhere', 'studio.db'));
  for (const { id } of clients()) {
    const zip = join(here.folder, `${id}.zip`);
    writeFileSync(zip, recordZip(id)!);
    const staging = new Staging(there, join(here.folder, `in-${id}`));
    await staging.read(zip);
    staging.apply(asker(), [], Date.now());
    staging.close();
    const [given, taken] = [everythingOf(theStore(), id), everythingOf(there, id)];
    for (const table of tablesOfClient) expect([table, taken[table]]).toEqual([table, given[table]]);
  }
  there.$client.close();
});

test('to be read: what was told, each visit with its note, and what it is not', () => {
  const tamsin = clients().find(({ name }) => name.startsWith('Tamsin'))!;
  const text = recordText(tamsin.id)!;
  expect(text).toMatch(/^Saltmarsh Movement Rooms\nWhat is kept of Tamsin Fenwreath\n/);
  expect(text).toContain('Marker:');
  expect(text).toContain('it diagnoses nothing');
  expect(recordText('00000000-0000-4000-8000-000000000000')).toBeNull();
  expect(recordZip('00000000-0000-4000-8000-000000000000')).toBeNull();
});

test('of a group’s run nobody gets what was marked of another', () => {
  const [one, other] = [clients()[0]!, clients()[1]!];
  const db = theStore().$client;
  const run = db
    .prepare('select runs.id from runs join visits on visits.id = visit_id where client_id = ?')
    .get(one.id) as { id: string };
  const visit = db.prepare('select id from visits where client_id = ?').get(other.id) as { id: string };
  db.prepare('insert into run_members (run_id, visit_id, client_id, place) values (?, ?, ?, 1)').run(
    run.id,
    visit.id,
    other.id,
  );
  // The plan is the leader's, and says why it is as it is.
  const { items } = db.prepare('select items from runs where id = ?').get(run.id) as { items: string };
  const told = (JSON.parse(items) as object[]).map((item) => ({
    ...item,
    changes: ['no pause (secret of the leader)'],
  }));
  db.prepare('update runs set items = ? where id = ?').run(JSON.stringify(told), run.id);
  const says = (id: string) => JSON.stringify(everythingOf(theStore(), id)).includes('secret of the leader');
  expect([says(one.id), says(other.id)]).toEqual([true, false]);
  const last = db.prepare('select max(seq) as seq from run_events where run_id = ?').get(run.id) as { seq: number };
  const mark = (seq: number, who: string) =>
    db
      .prepare(
        'insert into run_events (run_id, seq, id, at_epoch_ms, type, event) values (?, ?, randomblob(16), 0, ?, ?)',
      )
      .run(run.id, last.seq + seq, 'note', JSON.stringify({ type: 'note', text: `about ${who}`, who }));
  mark(1, one.id);
  mark(2, other.id);
  const notesIn = (id: string) =>
    everythingOf(theStore(), id).run_events!.flatMap(({ event }) => {
      const { text } = event as { text?: string };
      return text?.startsWith('about') ? [text] : [];
    });
  expect(notesIn(one.id)).toEqual([`about ${one.id}`]);
  expect(notesIn(other.id)).toEqual([`about ${other.id}`]);
});
