import { type Provenance, capital, commonPractice, published } from '../reasons';
import { type Followed, type MeasureId, protocolIds, protocols } from '../look';
import { type Grades, type RegionId, regionIds, regions } from '../trunk';

/** Everything that is followed over time, as each protocol states its own. */
export const measures = Object.assign({}, ...protocolIds.map((id) => protocols[id].follows)) as Readonly<
  Record<MeasureId, Followed<never>>
>;
export const measureIds = Object.keys(measures) as MeasureId[];

/** From this many repeated pairs on, the client's own noise has a say. Common practice. */
const ownNoiseFromPairs = 6;

/**
 * Typical error of a client: the usual one until six pairs were repeated, then a blend of variances in which the usual
 * one keeps the weight of six pairs.
 *
 * @param usual typical error of the protocol
 * @param pairs this client's repeats
 * @example blendedError(1, []) // 1
 */
export function blendedError(usual: number, pairs: readonly (readonly [number, number])[]): number {
  if (pairs.length < ownNoiseFromPairs) return usual;
  const own = typicalError(pairs);
  return Math.sqrt((ownNoiseFromPairs * usual ** 2 + pairs.length * own ** 2) / (ownNoiseFromPairs + pairs.length));
}

/**
 * Typical error of repeated readings: standard deviation of the differences over √2.
 *
 * @param pairs readings taken twice under the same conditions; at least two pairs
 * @throws {RangeError} with fewer than two pairs
 * @source [R7] Hopkins 2000
 * @example typicalError([[10, 12], [11, 11], [9, 10]]) // 0.7071…
 */
export function typicalError(pairs: readonly (readonly [number, number])[]): number {
  if (pairs.length < 2) throw new RangeError('A typical error needs at least two pairs of readings.');
  const differences = pairs.map(([first, second]) => second - first);
  const mean = differences.reduce((sum, value) => sum + value, 0) / differences.length;
  const variance = differences.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (differences.length - 1);
  return Math.sqrt(variance / 2);
}

/**
 * Smallest difference between two readings that is larger than noise at 95 %: 1.96 · √2 · error.
 *
 * @source [R7] Weir 2005
 * @example smallestRealDifference(1) // 2.77…
 */
export function smallestRealDifference(error: number): number {
  return 1.96 * Math.SQRT2 * error;
}

export interface Change {
  measure: MeasureId;
  before: number;
  after: number;
  verdict: 'larger' | 'smaller' | 'no clear change';
  /** In the measure's unit. */
  noise: number;
  ownNoise: boolean;
  provenance: Provenance;
}

/**
 * Compares two readings of a measure against noise: the usual one, blended toward the client's own from six pairs on.
 *
 * @param pairs repeats of this client under the same conditions
 * @example changeOf('hold', 12, 14, []).verdict // 'no clear change'
 */
export function changeOf(
  measure: MeasureId,
  before: number,
  after: number,
  pairs: readonly (readonly [number, number])[],
): Change {
  const { typicalError: usual } = measures[measure];
  const ownNoise = pairs.length >= ownNoiseFromPairs;
  const noise = smallestRealDifference(blendedError(usual, pairs));
  const verdict = Math.abs(after - before) <= noise ? 'no clear change' : after > before ? 'larger' : 'smaller';
  return {
    measure,
    before,
    after,
    verdict,
    noise,
    ownNoise,
    provenance: ownNoise ? published('R7') : commonPractice,
  };
}

export interface GradeChange {
  region: RegionId;
  before: number;
  after: number;
  /** One step of an ordinal grade is never called clear. */
  clear: boolean;
}

/** Parts seen both times whose grade differs, in the order of the regions. */
export function gradeChanges(before: Grades, after: Grades): GradeChange[] {
  return regionIds.flatMap((region) => {
    const [b, a] = [before[region], after[region]];
    return b === null || a === null || a === b ? [] : [{ region, before: b, after: a, clear: Math.abs(a - b) >= 2 }];
  });
}

const stepWords = ['', 'one step', 'two steps', 'three steps'];

/**
 * A before/after ring in sentences. Two steps or more are clear; one is only noted.
 *
 * @param wanted weights of the parts the intent wants: they are told first
 * @example ringChangeInWords(before, after) // ['Left side two steps more: clear.']
 */
export function ringChangeInWords(
  before: Grades,
  after: Grades,
  wanted: Partial<Record<RegionId, number>> = {},
): string[] {
  const both = regionIds.filter((id) => before[id] !== null && after[id] !== null);
  if (both.length === 0) return ['Nothing was seen both times, so nothing can be compared.'];
  const changes = gradeChanges(before, after).sort((a, b) => (wanted[b.region] ?? 0) - (wanted[a.region] ?? 0));
  if (changes.length === 0) return [`No change in the ${both.length} parts seen both times.`];
  return changes.map((change) => `${gradeChangeInWords(change)}.`);
}

/**
 * One part that changed, in words without the full stop.
 *
 * @example gradeChangeInWords({ region: 'leftSide', before: 1, after: 3, clear: true }) // 'Left side two steps more: clear'
 */
export function gradeChangeInWords({ region, before, after, clear }: GradeChange): string {
  const words = `${capital(regions[region].name)} ${stepWords[Math.abs(after - before)]} ${after > before ? 'more' : 'less'}`;
  return `${words}: ${clear ? 'clear' : 'not yet a clear change'}`;
}
