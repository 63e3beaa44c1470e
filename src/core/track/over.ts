import { type LengthUnit, type LookRecord, type MeasureId, newest, protocolIds, protocols } from '../look';
import { daysBetween } from '../record/day';
import { capital } from '../reasons';
import { type Change, changeOf, measureIds } from './change';
import { figuresOf } from './figures';
import { repeatPairs, seriesOf } from './series';

/** Repeats of each measure within single records: what a client's own noise is learnt from. */
export type Repeats = Partial<Record<MeasureId, [number, number][]>>;

/** Protocols that hold something which is followed over visits: nothing else need be read for it. */
export const followedProtocols = protocolIds.filter((id) => Object.keys(protocols[id].follows).length > 0);

/**
 * Repeats of all measures that have any.
 *
 * @example repeatsOf(looks).ease // [[4, 5]]
 */
export const repeatsOf = (looks: readonly LookRecord[]): Repeats =>
  Object.fromEntries(
    measureIds.flatMap((measure): [MeasureId, [number, number][]][] => {
      const pairs = repeatPairs(looks, measure);
      return pairs.length > 0 ? [[measure, pairs]] : [];
    }),
  );

/** A measure as it went over visits. */
export interface Followed {
  measure: MeasureId;
  /** Day, value and position of each visit, and the value after its work where it was taken again; oldest first. */
  points: [day: string, value: number, position: string, after: number | null][];
  /** From the first to the last taken in the position of the last; null with one of them. */
  change: Change | null;
}

/**
 * Every measure that was taken, over visits, with what became of it from the first to the last in the same position.
 *
 * @param looks of all visits
 * @param dayOf the calendar day of a visit by its id
 * @example followed(looks, dayOf)[0]?.measure // 'ease'
 */
export function followed(looks: readonly LookRecord[], dayOf: (visitId: string) => string | undefined): Followed[] {
  const repeats = repeatsOf(looks);
  return measureIds.flatMap((measure): Followed[] => {
    const points = seriesOf(measure, looks, dayOf);
    const last = points.at(-1);
    if (!last) return [];
    const like = points.filter(({ position }) => position === last.position);
    return [
      {
        measure,
        points: points.map(({ day, value, position, after }) => [day, value, position, after]),
        change: like.length > 1 ? changeOf(measure, like[0]!.value, last.value, repeats[measure] ?? []) : null,
      },
    ];
  });
}

/** What of a measure can be compared: taken in the position of the newest, and how many were taken in which other one. */
export function likeWithLike({ points }: Pick<Followed, 'points'>): {
  position: string;
  like: Followed['points'];
  unlike: [position: string, times: number][];
} {
  const position = points.at(-1)?.[2] ?? '';
  const unlike = new Map<string, number>();
  for (const [, , other] of points) if (other !== position) unlike.set(other, (unlike.get(other) ?? 0) + 1);
  return { position, like: points.filter(([, , own]) => own === position), unlike: [...unlike] };
}

/**
 * What was not compared, in a sentence; null where everything was.
 *
 * @example notComparedInWords([['sitting', 2]]) // 'Not compared: 2 taken sitting.'
 */
export const notComparedInWords = (unlike: readonly (readonly [position: string, times: number])[]): string | null =>
  unlike.length === 0
    ? null
    : `Not compared: ${unlike.map(([position, times]) => `${times} taken ${position}`).join(', ')}.`;

/**
 * From which day on a change is clear: every value from then on differs from the first by more than noise; null where the last does not.
 *
 * @example clearSince(like, change) // '2026-11-19'
 */
export function clearSince(
  like: Followed['points'],
  { before, noise }: Pick<Change, 'before' | 'noise'>,
): string | null {
  const within = like.findLastIndex(([, value]) => Math.abs(value - before) <= noise);
  return like[within + 1]?.[0] ?? null;
}

/** Time from one day to another as it is said: days up to two weeks, then weeks. */
function spanInWords(from: string, to: string): string {
  const days = daysBetween(from, to);
  if (days < 14) return days === 1 ? 'in a day' : `in ${days} days`;
  return `in ${Math.round(days / 7)} weeks`;
}

/**
 * What became of a measure over visits: a heading that says it and a line of figures.
 *
 * @param said a day in words
 * @param lengths the unit lengths are said in
 * @example overInWords(one, (day) => day, 'cm').title // 'Deep-breath ease up 2.0: larger than their noise'
 */
export function overInWords(
  followed: Followed,
  said: (day: string) => string,
  lengths: LengthUnit,
): { title: string; line: string } {
  const { measure, change } = followed;
  const { name, unit, said: figure } = figuresOf(measure, lengths);
  const { position, like } = likeWithLike(followed);
  const [lastDay, last] = like.at(-1)!;
  const title = capital(name);
  if (!change)
    return {
      title: `${title}: ${figure(last)} ${unit}`,
      line: `${capital(position)}, on ${said(lastDay)}. One visit is no line yet.`,
    };
  const [firstDay, first] = like[0]!;
  const line = `${capital(position)}: ${figure(first)} to ${figure(last)} ${unit} before the work, ${spanInWords(firstDay, lastDay)}.`;
  if (change.verdict === 'no clear change')
    return { title: `${title}: no clear change`, line: `${line} A change counts from ${figure(change.noise)} on.` };
  const since = clearSince(like, change);
  return {
    title: `${title} ${last > first ? 'up' : 'down'} ${figure(Math.abs(last - first))}: larger than ${change.ownNoise ? 'their' : 'the usual'} noise`,
    line: since ? `${line} Clear since ${said(since)}.` : line,
  };
}

/**
 * The measure that leads: what the newest visit took as its marker, else what was taken most often.
 *
 * @param looks of all visits
 * @example leadingMeasure([], []) // null
 */
export function leadingMeasure(over: readonly Followed[], looks: readonly LookRecord[]): MeasureId | null {
  const marker = newest(looks, 'marker', 'before')?.raw.measure;
  const known = over.find(({ measure }) => measure === marker);
  const most = [...over].sort((a, b) => b.points.length - a.points.length)[0];
  return (known ?? most)?.measure ?? null;
}
