import { cadence } from '@/core/cadence';
import { segmentsOf } from '@/core/dose';
import { breathPieces, pointList } from './score.geometry';

const segments = segmentsOf({
  cadences: [cadence(2, 4, { bottomPauseSeconds: 2 })],
  breaths: 2,
  sets: 2,
  side: 'none',
  restSeconds: 10,
  setUpSeconds: 20,
});

describe('the breath line of the score', () => {
  test('is true to time: the first inhale begins after the set-up, the second set after the rest', () => {
    const inhales = breathPieces(segments, 3, 40).filter(({ kind }) => kind === 'inhale');
    expect(inhales.map(({ points }) => points[0]![0])).toEqual([60, 84, 60 + 48 + 30, 60 + 48 + 30 + 24]);
  });

  test('inhales rise, exhales fall, pauses lie flat', () => {
    for (const { kind, points } of breathPieces(segments, 3, 40)) {
      const [first, second] = points as [readonly [number, number], readonly [number, number]];
      if (kind === 'inhale') expect(second[1]).toBeLessThan(first[1]);
      if (kind === 'pause') expect(second[1]).toBe(first[1]);
      if (kind === 'exhale') expect(points.at(-1)![1]).toBeGreaterThan(second[1]);
    }
  });

  test('thins to one envelope a set when breaths can’t be told apart', () => {
    const pieces = breathPieces(segments, 0.5, 40);
    expect(pieces.map(({ kind }) => kind)).toEqual(['envelope', 'envelope']);
    expect(pieces[0]!.points[2]![0] - pieces[0]!.points[0]![0]).toBe(8);
  });

  test('corners are written for SVG with two decimals', () => {
    expect(pointList([[1 / 3, 2]])).toBe('0.33,2');
  });
});
