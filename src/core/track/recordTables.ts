import { type Followed, type LookMoment, type LookRecord, protocols } from '../look';
import { drillOf } from '../sequence';
import { type RunDigest } from '../coach';
import { type StoredLook, type StoredNote, type VisitRow } from '../record';
import { type Lift } from '../load';
import { type Fact, conditionById } from '../safety';

/** One cell of a table. */
type Cell = string | number | null;

/** A table of somebody's record, as a spreadsheet takes it. */
export interface RecordTable {
  file: string;
  columns: readonly { name: string; unit: string; means: string }[];
  rows: Cell[][];
}

const column = (name: string, means: string, unit = '') => ({ name, means, unit });

/** What somebody's tables are made from. */
export interface Kept {
  facts: readonly Fact[];
  visits: readonly (VisitRow & { note: StoredNote | null })[];
  looks: readonly StoredLook[];
  runs: readonly { day: string; drills: RunDigest }[];
  lifts: readonly { day: string; lift: Lift }[];
}

/** A value as it was said, flat: a number or a word as it is, what has parts as JSON. */
const flat = (value: unknown): Cell =>
  value === null || value === undefined
    ? null
    : typeof value === 'string' || typeof value === 'number'
      ? value
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : JSON.stringify(value);

/**
 * What a question is called where it is not one of the screening.
 *
 * @example questionInWords('goal') // 'goal'
 */
export function questionInWords(key: string): string {
  const condition = key.startsWith('answer:') ? key.slice('answer:'.length) : null;
  return condition === null ? key : conditionById(condition as Parameters<typeof conditionById>[0]).name;
}

/** One reading of a measure that is followed over visits. */
interface Measured {
  takenAt: string;
  visitId: string;
  moment: LookMoment;
  protocol: string;
  measure: string;
  name: string;
  /** Which of the readings of its look, from 1. */
  reading: number;
  value: number;
  unit: string;
  position: string | null;
}

/**
 * Each reading of each measure that is followed over visits, in the order of the looks.
 *
 * @example measuredIn([]) // []
 */
export const measuredIn = (looks: readonly StoredLook[]): Measured[] =>
  looks.flatMap((look) => {
    const follows = Object.entries(protocols[look.protocol].follows) as [string, Followed<unknown>][];
    const { position = null } = look.raw as { position?: string };
    const { takenAt, visitId, moment, protocol } = look;
    return follows.flatMap(([measure, { name, unit, goes }]) =>
      goes((look as LookRecord).raw).map((value, at) => ({
        takenAt,
        visitId,
        moment,
        protocol,
        measure,
        name,
        reading: at + 1,
        value,
        unit,
        position,
      })),
    );
  });

/**
 * Everything that was recorded of a client as tables, one row an observation, each column with its unit and what it means: for whoever
 * goes on with them elsewhere. Raw readings, not results.
 *
 * @example tablesOf({ facts: [], visits: [], looks: [], runs: [], lifts: [] }).map(({ file }) => file)[0] // 'visits.csv'
 */
export function tablesOf({ facts, visits, looks, runs, lifts }: Kept): RecordTable[] {
  const days = new Map(visits.map(({ id, day }) => [id, day]));
  const day = column('day', 'day in the studio’s zone', 'yyyy-mm-dd');
  return [
    {
      file: 'visits.csv',
      columns: [
        column('visit', 'id of the visit'),
        day,
        column('started', 'when it began', 'UTC, ISO 8601'),
        column('ended', 'when it ended; empty while it is open', 'UTC, ISO 8601'),
        column('note', 'the note of the visit as it stands'),
        column('signed', 'when the note was signed', 'UTC, ISO 8601'),
        column('additions', 'what was added after it was signed'),
      ],
      rows: visits.map(({ id, day: on, startedAt, endedAt, note }) => [
        id,
        on,
        startedAt,
        endedAt,
        note?.text ?? null,
        note?.signedAt ?? null,
        note && note.additions.length > 0 ? note.additions.map(({ at, text }) => `${at}: ${text}`).join('\n') : null,
      ]),
    },
    {
      file: 'told.csv',
      columns: [
        day,
        column('at', 'when it was said', 'UTC, ISO 8601'),
        column('question', 'what was asked'),
        column('answer', 'yes, no, unknown, a number or words'),
        column('details', 'what belongs to the answer', 'JSON'),
      ],
      rows: facts.map(({ day: on, at, key, value }) => {
        const answer = (value as { value?: unknown } | null)?.value;
        return answer === undefined
          ? [on, at, questionInWords(key), flat(value), null]
          : [on, at, questionInWords(key), flat(answer), flat(value)];
      }),
    },
    {
      file: 'observations.csv',
      columns: [
        day,
        column('taken', 'when it was taken', 'UTC, ISO 8601'),
        column('visit', 'id of the visit'),
        column('moment', 'before or after the work of the visit'),
        column('protocol', 'which look'),
        column('measure', 'which measure, by its code'),
        column('name', 'the same in words'),
        column('reading', 'which of the readings of this look', 'count from 1'),
        column('value', 'what was read', 'see unit'),
        column('unit', 'of the value'),
        column('position', 'in which position'),
      ],
      rows: measuredIn(looks).map((one) => [
        days.get(one.visitId) ?? null,
        one.takenAt,
        one.visitId,
        one.moment,
        one.protocol,
        one.measure,
        one.name,
        one.reading,
        one.value,
        one.unit,
        one.position,
      ]),
    },
    {
      file: 'drills.csv',
      columns: [
        day,
        column('drill', 'what was done'),
        column('position', 'in which position'),
        column('side', 'which side was worked'),
        column('breaths', 'planned in a set', 'breaths'),
        column('sets', 'planned', 'sets'),
        column('exhale', 'of the first breath', 'seconds'),
        column('delivered', 'done in all', 'breaths'),
        column('marked', 'faults that were marked', 'marks'),
        column('effort', 'as they said it', '0 to 10'),
        column('went', 'calm, not calm, or empty where too little was done'),
        column('marker', 'what the marker showed right after it'),
      ],
      rows: runs.flatMap(({ day: on, drills }) =>
        drills.map((one): Cell[] => [
          on,
          drillOf({ drillId: one.drillId }).name,
          one.position,
          one.side,
          one.breaths,
          one.sets,
          one.exhaleSeconds,
          one.delivered,
          Object.values(one.faults).reduce((sum, times) => sum + times, 0),
          one.effort,
          one.outcome,
          one.helped,
        ]),
      ),
    },
    {
      file: 'under-load.csv',
      columns: [
        day,
        column('movement', 'what was lifted, carried or pulled, by its code'),
        column('hand', 'which hand was loaded'),
        column('load', 'how heavy', 'kg'),
        column('repetitions', 'done', 'repetitions'),
        column('effort', 'as they said it', '0 to 10'),
        column('strategy', 'how breath and load went together'),
        column('breath', 'went along, lost or held'),
        column('leaked', 'whether something leaked'),
      ],
      rows: lifts.map(({ day: on, lift }) => [
        on,
        lift.name ?? lift.movementId,
        lift.hand,
        lift.kg,
        lift.repetitions,
        lift.effort,
        lift.strategy,
        lift.breath,
        lift.leaked ? 'yes' : 'no',
      ]),
    },
  ];
}

/**
 * What each column of the tables means and its unit, as a table itself.
 *
 * @example dictionaryOf([]).rows // []
 */
export const dictionaryOf = (tables: readonly RecordTable[]): RecordTable => ({
  file: 'dictionary.csv',
  columns: [
    column('file', 'which table'),
    column('column', 'which column'),
    column('unit', 'its unit or form'),
    column('means', 'what it means'),
  ],
  rows: tables.flatMap(({ file, columns }) => columns.map(({ name, unit, means }) => [file, name, unit, means])),
});
