import * as z from 'zod/mini';
import { lookMoments, protocolIds } from '@/core/look';
import { inEnglish, withoutStop } from '@/core/reasons';
import { dayInWords, homeAnswers, isZone, offWays, wishIds } from '@/core/record';
import { dayString } from '@/core/safety';
import { Damaged } from './columns';

/**
 * A stored record that can't be read: which one, what it is in words, and why. It stays in the file as it is, can be saved to a file
 * of its own, and can be put aside; nothing is made of it.
 */
export interface Unreadable {
  table: string;
  id: string;
  what: string;
  why: string;
}

const instant = z.iso.datetime({ message: 'its time can’t be read' });
const day = dayString;
const id = z.string().check(z.minLength(1));
const zone = z.string().check(z.refine(isZone, 'its time zone is not known'));

/** Plain columns of the tables that are read into pages: what a row must be before anything is made of it. */
const rowSchemas = {
  clients: z.object({ id, name: z.string(), createdAt: instant }),
  facts: z.object({ id, clientId: id, key: z.string(), value: z.unknown(), at: instant, day }),
  visits: z.object({ id, clientId: id, startedAt: instant, day, zone, endedAt: z.nullable(instant) }),
  looks: z.object({
    id,
    visitId: id,
    protocol: z.enum(protocolIds, 'its protocol is not known'),
    version: z.number().check(z.int()),
    moment: z.enum(lookMoments),
    takenAt: instant,
    revision: z.number().check(z.int(), z.minimum(0)),
    raw: z.unknown(),
  }),
  runs: z.object({ id, visitId: id, at: instant, endedAt: z.nullable(instant) }),
  run_events: z.object({
    id: z.uuid(),
    seq: z.number().check(z.int(), z.minimum(0)),
    atEpochMs: z.number().check(z.int(), z.minimum(0)),
  }),
  appointments: z.object({
    id,
    clientId: id,
    startsAt: instant,
    minutes: z.number().check(z.int(), z.minimum(1), z.maximum(1440)),
    note: z.string(),
    cancelledAt: z.nullable(instant),
    off: z.enum(offWays),
    offReason: z.string(),
    seriesId: z.nullable(id),
  }),
  waiting: z.object({
    id,
    clientId: id,
    at: instant,
    minutes: z.number().check(z.int(), z.minimum(1), z.maximum(1440)),
    wish: z.enum(wishIds),
    note: z.string(),
    goneAt: z.nullable(instant),
  }),
  next_notes: z.object({ id, clientId: id, at: instant, text: z.string(), doneAt: z.nullable(instant) }),
  home_told: z.object({ id, visitId: id, drillId: id, at: instant, answer: z.enum(homeAnswers) }),
  home_plans: z.object({
    visitId: id,
    at: instant,
    revision: z.number().check(z.int(), z.minimum(0)),
    handedAt: z.nullable(instant),
  }),
  lifts: z.object({ id, visitId: id, at: instant, value: z.unknown() }),
  home_returns: z.object({ id, visitId: id, at: instant, code: z.string() }),
  visit_notes: z.object({
    visitId: id,
    at: instant,
    text: z.string(),
    home: z.array(z.string()),
    revision: z.number().check(z.int(), z.minimum(0)),
    signedAt: z.nullable(instant),
  }),
  note_additions: z.object({ id, at: instant, text: z.string() }),
  own_breath: z.object({ id, at: instant, day }),
  own_drills: z.object({ id, at: instant, revision: z.number().check(z.int(), z.minimum(0)) }),
  templates: z.object({ id, at: instant, name: z.string().check(z.minLength(1)) }),
} as const;

/** Why something that was stored can't be read, in a few words: the first thing that is wrong with it. */
export function whyUnreadable(error: z.core.$ZodError, value?: unknown): string {
  if (value instanceof Damaged) return 'what is stored is damaged';
  const [issue] = error.issues;
  const place = issue?.path.join(' ') ?? '';
  return `${place ? `${place}: ` : ''}${withoutStop(issue?.message ?? 'it does not fit')}`;
}

/** What a record is called when it can't be read: worked out only then. */
export type Called = string | (() => string);
export const called = (what: Called) => (typeof what === 'string' ? what : what());

/** The words for a record, with its day where that can be told. */
export const recordInWords =
  (what: string, at: unknown): Called =>
  () => {
    const when = typeof at === 'string' ? at.slice(0, 10) : '';
    return day.safeParse(when).success ? `${what} of ${dayInWords(when, '0000')}` : what;
  };

type RowSchemas = typeof rowSchemas;

/**
 * A row as it must be, or null with a word on it in `aside`.
 *
 * @param what the record in words, for whoever is told that it can't be read
 */
export function soundRow<T extends keyof RowSchemas>(
  table: T,
  row: Record<string, unknown>,
  what: Called,
  aside: Unreadable[],
): z.output<RowSchemas[T]> | null {
  const parsed = rowSchemas[table].safeParse(row, inEnglish);
  if (parsed.success) return parsed.data as z.output<RowSchemas[T]>;
  aside.push({ table, id: String(row.id ?? row.visitId), what: called(what), why: whyUnreadable(parsed.error) });
  return null;
}

/**
 * A stored value held against its schema: the value, or null with a word on it in `aside`.
 *
 * @example soundValue(planSchema, row.value, { table: 'plans', id: row.id, what: 'The plan' }, aside)
 */
export function soundValue<S extends z.ZodMiniType>(
  schema: S,
  value: unknown,
  of: Pick<Unreadable, 'table' | 'id'> & { what: Called },
  aside: Unreadable[],
): z.output<S> | null {
  const parsed = schema.safeParse(value, inEnglish);
  if (parsed.success) return parsed.data;
  aside.push({ ...of, what: called(of.what), why: whyUnreadable(parsed.error, value) });
  return null;
}
