import { readFileSync } from 'node:fs';
import { stringify } from 'csv-stringify/sync';
import { type Zippable, strToU8, zipSync } from 'fflate';
import { notice } from '@/core/formats';
import { dayInWords } from '@/core/record';
import { type RecordTable, dictionaryOf, tablesOf } from '@/core/track';
import {
  asker,
  everythingOf,
  factsOf,
  fileVersion,
  liftsOf,
  looksOf,
  noteOf,
  noteOpened,
  picturesOf,
  theStore,
  visitDigestsOf,
  wholeStore,
} from '@/store';
import { fhirOf } from './fhir';
import { loadClient, visitsOfClient } from './load';

/** Everything that is kept of a client, or null where there is no such client. */
function gathered(clientId: string) {
  const view = loadClient(clientId);
  if (!view) return null;
  const store = theStore();
  noteOpened(wholeStore(), asker().coachId, clientId, Date.now(), 'took out the record');
  const visits = [...visitsOfClient(clientId)].reverse();
  const days = new Map(visits.map(({ id, day }) => [id, day]));
  const runs = visitDigestsOf(store, clientId);
  const logged = liftsOf(store, [...days.keys()]).map(({ visitId, lift }) => ({ day: days.get(visitId)!, lift }));
  const coached = runs.flatMap(({ day, drills }) => drills.flatMap(({ lift }) => (lift ? [{ day, lift }] : [])));
  const noted = visits.map((visit) => ({ ...visit, note: noteOf(store, visit.id) }));
  const kept = {
    facts: factsOf(store, clientId),
    visits: noted,
    looks: looksOf(store, [...days.keys()]),
    runs,
    lifts: [...logged, ...coached].sort((a, b) => (a.day < b.day ? -1 : 1)),
  };
  return { view, store, visits: noted, tables: tablesOf(kept), kept };
}

/** A table as RFC 4180 has it. A word that a spreadsheet would take for a formula is led by an apostrophe; numbers stay numbers. */
export const csvOf = ({ columns, rows }: RecordTable): string =>
  stringify(
    [
      columns.map(({ name }) => name),
      ...rows.map((row) =>
        row.map((cell) => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)),
      ),
    ],
    { record_delimiter: '\r\n' },
  );

/**
 * Everything that is kept of a client as one ZIP: the record as it lies (JSON), tables with their dictionary (CSV), the record to be
 * read (text), for another system (FHIR R4), the pictures.
 */
export function recordZip(clientId: string): Uint8Array | null {
  const found = gathered(clientId);
  if (!found) return null;
  const { view, store, tables, kept } = found;
  const file = {
    kokyu: 'client',
    version: fileVersion,
    exportedAt: new Date().toISOString(),
    studio: view.settings.studioName,
    zone: view.settings.timeZone,
    client: { id: view.id, name: view.name },
    tables: everythingOf(store, clientId),
  };
  const files: Zippable = {
    'record.json': strToU8(`${JSON.stringify(file, null, 2)}\n`),
    'record.txt': strToU8(textOf(found)),
    'fhir-r4.json': strToU8(
      `${JSON.stringify(fhirOf(store, { id: view.id, name: view.name, born: view.known.profile.birthDay }, view.settings.studioName, kept), null, 2)}\n`,
    ),
  };
  for (const table of [...tables, dictionaryOf(tables)]) files[`tables/${table.file}`] = strToU8(csvOf(table));
  // Pictures are small already: packing them again costs time and saves nothing.
  for (const { id, path } of picturesOf(store, clientId))
    files[`pictures/${id}.jpg`] = [readFileSync(path), { level: 0 }];
  return zipSync(files, { level: 6 });
}

/** The record as somebody reads it: what they said of themselves, then each visit with its note; null where there is no such client. */
export function recordText(clientId: string): string | null {
  const found = gathered(clientId);
  return found && textOf(found);
}

function textOf({ view, visits, tables }: NonNullable<ReturnType<typeof gathered>>): string {
  const { studioName } = view.settings;
  const told = tables.find(({ file }) => file === 'told.csv')!.rows;
  // Of each question the answer that counts: the newest.
  const newest = new Map(told.map(([, , question, answer]) => [question, answer]));
  const said = [...newest]
    .filter(([, answer]) => answer !== null && answer !== 'no')
    .map(([question, answer]) => `${question}: ${answer}`);
  const no = [...newest].filter(([, answer]) => answer === 'no').map(([question]) => question);
  const notes = visits.map((visit) => {
    const { note } = visit;
    return [
      dayInWords(visit.day, view.today),
      note?.text ?? 'No note was written.',
      ...(note?.additions.map(({ at, text }) => `Added ${at.slice(0, 16).replace('T', ' ')} UTC: ${text}`) ?? []),
    ].join('\n');
  });
  return [
    studioName,
    `What is kept of ${view.name}`,
    '',
    'What was told',
    ...said,
    ...(no.length > 0 ? [`No to: ${no.join(', ')}.`] : []),
    '',
    ...notes.flatMap((note) => [note, '']),
    notice,
  ].join('\n');
}
