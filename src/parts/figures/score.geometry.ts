import { type BreathStretch, cycleSeconds } from '@/core/cadence';
import { type Segment } from '@/core/dose';

/** A piece of the breath line: a rising inhale, a falling exhale, a flat pause; or an envelope where breaths are too thin to tell apart. */
export interface BreathPiece {
  kind: 'inhale' | 'exhale' | 'pause' | 'envelope';
  /** Corners in drawing units, x from the left of the item, y from the top of the lane. */
  points: readonly (readonly [number, number])[];
}

/** Below this many units a breath, single breaths can't be told apart and the lane thins to an envelope. */
export const thinnestBreath = 7;

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

/** @example pointList([[0, 1], [2, 3]]) // '0,1 2,3' */
export const pointList = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y]) => `${Math.round(x * 100) / 100},${Math.round(y * 100) / 100}`).join(' ');
