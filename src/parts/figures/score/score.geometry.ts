import { type BreathStretch, type Phase, cycleSeconds, phaseAt, planBreaths } from '@/core/cadence';
import { type Segment } from '@/core/dose';

/** A piece of the breath line: a rising inhale, a falling exhale, a flat pause; or an envelope where breaths are too thin to tell apart. */
export interface BreathPiece {
  kind: 'inhale' | 'exhale' | 'pause' | 'envelope';
  /** Corners in drawing units, x from the left of the item, y from the top of the lane. */
  points: readonly (readonly [number, number])[];
}

/** Below this many units a breath, single breaths can't be told apart and the lane thins to an envelope. */
const thinnestBreath = 7;

/**
 * The breath line of an item, true to time.
 *
 * @param segments the item's pieces of time
 * @param unitsPerSecond drawing units a second
 * @param height of the lane in drawing units
 * @example breathPieces(segments, 2, 40)[0].kind // 'inhale'
 */
export function breathPieces(segments: readonly Segment[], unitsPerSecond: number, height: number): BreathPiece[] {
  const pieces: BreathPiece[] = [];
  let at = 0;
  for (const segment of segments) {
    if (segment.kind === 'breaths') {
      let inside = at;
      for (const stretch of segment.stretches) {
        pieces.push(...stretchPieces(stretch, inside, unitsPerSecond, height));
        inside += cycleSeconds(stretch.cadence) * stretch.breaths;
      }
    }
    at += segment.seconds;
  }
  return pieces;
}

function stretchPieces(
  { cadence, breaths }: BreathStretch,
  fromSeconds: number,
  unitsPerSecond: number,
  height: number,
): BreathPiece[] {
  const cycle = cycleSeconds(cadence);
  const x = (seconds: number) => seconds * unitsPerSecond;
  if (cycle * unitsPerSecond < thinnestBreath) {
    const end = fromSeconds + cycle * breaths;
    return [
      {
        kind: 'envelope',
        points: [
          [x(fromSeconds), height],
          [x(fromSeconds), 0],
          [x(end), 0],
          [x(end), height],
        ],
      },
    ];
  }
  const pieces: BreathPiece[] = [];
  for (let breath = 0; breath < breaths; breath += 1) {
    const start = fromSeconds + breath * cycle;
    const top = start + cadence.inhaleSeconds;
    const fall = top + cadence.topPauseSeconds;
    const empty = fall + cadence.exhaleSeconds;
    pieces.push({
      kind: 'inhale',
      points: [
        [x(start), height],
        [x(top), 0],
        [x(top), height],
      ],
    });
    if (cadence.topPauseSeconds > 0) {
      pieces.push({
        kind: 'pause',
        points: [
          [x(top), 0],
          [x(fall), 0],
        ],
      });
    }
    pieces.push({
      kind: 'exhale',
      points: [
        [x(fall), height],
        [x(fall), 0],
        [x(empty), height],
      ],
    });
    if (cadence.bottomPauseSeconds > 0) {
      pieces.push({
        kind: 'pause',
        points: [
          [x(empty), height],
          [x(start + cycle), height],
        ],
      });
    }
  }
  return pieces;
}

/** How the pelvic floor goes with the breath, as the stances have it. */
export type FloorStance =
  | 'only release'
  | 'moves with the breath'
  | 'gentle lift on exhale'
  | 'light hold through breaths';

/** Where the floor is at empty and at full, 0 at rest, down below it, up above. */
const floorLevels: Readonly<Record<FloorStance, { full: number; empty: number }>> = {
  'only release': { full: -1, empty: 0 },
  'moves with the breath': { full: -0.8, empty: 0.25 },
  'gentle lift on exhale': { full: -0.8, empty: 0.9 },
  'light hold through breaths': { full: 0.45, empty: 0.6 },
};

/**
 * The pelvic floor's line through an item: down on the inhale, up on the exhale, as far as the stance says; a straight line
 * at rest where breaths are too thin to tell apart or nothing is asked of it.
 *
 * @returns corners in drawing units, y from the top of the lane, rest in the middle
 */
export function floorLine(
  segments: readonly Segment[],
  stance: FloorStance | null,
  unitsPerSecond: number,
  height: number,
): (readonly [number, number])[] {
  const y = (level: number) => height / 2 - level * (height / 2 - 2);
  const total = segments.reduce((sum, { seconds }) => sum + seconds, 0);
  const corners: [number, number][] = [[0, y(0)]];
  if (stance !== null) {
    const { full, empty } = floorLevels[stance];
    let at = 0;
    for (const segment of segments) {
      if (segment.kind === 'breaths') {
        let inside = at;
        let breathing = false;
        for (const { cadence, breaths } of segment.stretches) {
          const cycle = cycleSeconds(cadence);
          const drawn = cycle * unitsPerSecond >= thinnestBreath ? breaths : 0;
          // At rest where a set begins, and where the line comes out of breaths too thin to draw.
          if (drawn === 0 && breathing) corners.push([inside * unitsPerSecond, y(0)]);
          if (drawn === 0) breathing = false;
          for (let breath = 0; breath < drawn; breath += 1) {
            const from = inside + breath * cycle;
            const top = from + cadence.inhaleSeconds;
            const end = top + cadence.topPauseSeconds + cadence.exhaleSeconds;
            corners.push(
              [from * unitsPerSecond, breathing ? y(empty) : y(0)],
              [top * unitsPerSecond, y(full)],
              [(top + cadence.topPauseSeconds) * unitsPerSecond, y(full)],
              [end * unitsPerSecond, y(empty)],
              [(from + cycle) * unitsPerSecond, y(empty)],
            );
            breathing = true;
          }
          inside += cycle * breaths;
        }
        corners.push([(at + segment.seconds) * unitsPerSecond, y(0)]);
      }
      at += segment.seconds;
    }
  }
  corners.push([total * unitsPerSecond, y(0)]);
  return corners;
}

/** Abdominal tone of a strategy: how thick the bar is, 0 to 1, and whether it grows through each exhale. */
const toneOf: Readonly<Record<string, { level: number; grows: boolean }>> = {
  relaxed: { level: 0.06, grows: false },
  opposition: { level: 0.4, grows: false },
  'low-to-high': { level: 0.55, grows: true },
  'drawn-in hollow': { level: 0.5, grows: false },
  'brace matched to the load': { level: 0.9, grows: false },
};

/** Bars of abdominal tone, one for each stretch of breaths; a wedge for each exhale where it grows. */
export function toneShapes(
  segments: readonly Segment[],
  strategy: string | null,
  unitsPerSecond: number,
  height: number,
): (readonly (readonly [number, number])[])[] {
  const tone = strategy === null ? undefined : toneOf[strategy];
  if (!tone) return [];
  const thick = tone.level * (height - 2);
  const shapes: [number, number][][] = [];
  let at = 0;
  for (const segment of segments) {
    if (segment.kind === 'breaths') {
      const [from, to] = [at * unitsPerSecond, (at + segment.seconds) * unitsPerSecond];
      const wedges = tone.grows ? exhalesOf(segment, at).filter(([a, b]) => (b - a) * unitsPerSecond >= 3) : [];
      if (wedges.length === 0) {
        shapes.push([
          [from, height],
          [from, height - thick],
          [to, height - thick],
          [to, height],
        ]);
      }
      for (const [a, b] of wedges) {
        shapes.push([
          [a * unitsPerSecond, height],
          [b * unitsPerSecond, height - thick],
          [b * unitsPerSecond, height],
        ]);
      }
    }
    at += segment.seconds;
  }
  return shapes;
}

/** Beginning and end of every exhale of a stretch, in seconds of the item. */
function exhalesOf({ stretches }: Extract<Segment, { kind: 'breaths' }>, from: number): [number, number][] {
  const found: [number, number][] = [];
  let at = from;
  for (const { cadence, breaths } of stretches) {
    for (let breath = 0; breath < breaths; breath += 1) {
      const begin = at + cadence.inhaleSeconds + cadence.topPauseSeconds;
      found.push([begin, begin + cadence.exhaleSeconds]);
      at += cycleSeconds(cadence);
    }
  }
  return found;
}

/**
 * The phase of the breath at a moment of an item, for tapping on the breath line; null in set-up, rest and changes.
 *
 * @param seconds from the beginning of the item
 * @example phaseOfItem(segments, 21) // 'inhale'
 */
export function phaseOfItem(segments: readonly Segment[], seconds: number): Phase | null {
  let at = 0;
  for (const segment of segments) {
    const end = at + segment.seconds;
    if (seconds < end) {
      if (segment.kind !== 'breaths') return null;
      return phaseAt(planBreaths(segment.stretches), seconds - at).phase;
    }
    at = end;
  }
  return null;
}

/**
 * Where in a row of bars one is put that was carried so far: in the place of the bar whose middle lies nearest to its own.
 *
 * @param widths of the bars, in their order
 * @param from place of the bar that is carried
 * @param by how far, below 0 to the left, in the unit of the widths
 * @example placeCarried([100, 40, 100], 0, 80) // 1
 */
export function placeCarried(widths: readonly number[], from: number, by: number): number {
  let left = 0;
  const middles = widths.map((width) => (left += width) - width / 2);
  const middle = middles[from]! + by;
  return middles.reduce((best, at, i) => (Math.abs(at - middle) < Math.abs(middles[best]! - middle) ? i : best), from);
}

/**
 * Breaths a set after its bar was stretched: as many as fill the new length, within what may be given.
 *
 * @param item segments of the item as it was
 * @param breaths breaths a set as they were
 * @param moreSeconds how much longer the bar was pulled, below 0 for shorter
 */
export function stretchedBreaths(segments: readonly Segment[], breaths: number, moreSeconds: number): number {
  const sets = segments.filter(({ kind }) => kind === 'breaths');
  const paced = sets.reduce((sum, { seconds }) => sum + seconds, 0);
  if (paced === 0 || breaths === 0) return breaths;
  const cycle = paced / (sets.length * breaths);
  return Math.max(1, Math.min(60, breaths + Math.round(moreSeconds / (cycle * sets.length))));
}

/** @example pointList([[0, 1], [2, 3]]) // '0,1 2,3' */
export const pointList = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y]) => `${Math.round(x * 100) / 100},${Math.round(y * 100) / 100}`).join(' ');
