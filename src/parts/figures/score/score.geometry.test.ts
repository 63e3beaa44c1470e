import { cadence } from '@/core/cadence';
import { type Segment, segmentsOf } from '@/core/dose';
import { type ScoreItem } from './ScoreBar';
import { wrapped } from '../paper';
import { scoreSheetSvg } from './scoreSheet';
import {
  breathPieces,
  floorLine,
  phaseOfItem,
  placeCarried,
  pointList,
  stretchedBreaths,
  toneShapes,
} from './score.geometry';
import { met } from '../../../../scripts/met';

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
      if (met(kind === 'inhale')) expect(second[1]).toBeLessThan(first[1]);
      if (met(kind === 'pause')) expect(second[1]).toBe(first[1]);
      if (met(kind === 'exhale')) expect(points.at(-1)![1]).toBeGreaterThan(second[1]);
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

describe('the other lanes', () => {
  const at = (stance: Parameters<typeof floorLine>[1]) => floorLine(segments, stance, 3, 40).map(([, y]) => y);

  test('the pelvic floor goes down on the inhale, and up past rest only where a lift is asked for', () => {
    expect(Math.max(...at('only release'))).toBeGreaterThan(20);
    expect(Math.min(...at('only release'))).toBe(20);
    expect(Math.min(...at('gentle lift on exhale'))).toBeLessThan(10);
    expect(Math.max(...at('light hold through breaths'))).toBe(20);
    expect(at(null)).toEqual([20, 20]);
  });

  test('its line is as long as the item and never runs back', () => {
    const line = floorLine(segments, 'moves with the breath', 3, 40);
    const total = segments.reduce((sum, { seconds }) => sum + seconds, 0) * 3;
    expect(line.at(-1)![0]).toBe(total);
    line.slice(1).forEach(([x], i) => expect(x).toBeGreaterThanOrEqual(line[i]![0]));
  });

  test('tone: nothing where none is asked, thicker the more there is, a wedge for each exhale that grows', () => {
    expect(toneShapes(segments, null, 3, 24)).toEqual([]);
    const height = (strategy: string) => Math.max(...toneShapes(segments, strategy, 3, 24)[0]!.map(([, y]) => 24 - y));
    expect(height('brace matched to the load')).toBeGreaterThan(height('opposition'));
    expect(height('opposition')).toBeGreaterThan(height('relaxed'));
    expect(toneShapes(segments, 'low-to-high', 3, 24)).toHaveLength(4);
    expect(toneShapes(segments, 'opposition', 3, 24)).toHaveLength(2);
  });

  test('the floor of a ladder goes with each rung, also after rungs too thin to draw, and rests only between sets', () => {
    // Two breaths of a second, two of 2 in 4 out, two of 4 in 4 out, from second 10 on.
    const ladder: Segment[] = [
      { kind: 'set-up', seconds: 10 },
      {
        kind: 'breaths',
        set: 1,
        side: null,
        seconds: 2 + 12 + 16,
        stretches: [
          { cadence: cadence(0.5, 0.5), breaths: 2 },
          { cadence: cadence(2, 4), breaths: 2 },
          { cadence: cadence(4, 4), breaths: 2 },
        ],
      },
    ];
    const line = floorLine(ladder, 'gentle lift on exhale', 2, 40);
    const lowest = Math.max(...line.map(([, y]) => y));
    // Each inhale ends low: 12 + 2, 18 + 2, 24 + 4, 32 + 4.
    expect([...new Set(line.filter(([, y]) => y === lowest).map(([x]) => x / 2))]).toEqual([14, 20, 28, 36]);
    const rest = line.filter(([, y]) => y === 20).map(([x]) => x / 2);
    expect(rest.filter((second) => second > 12 && second < 40)).toEqual([]);
  });

  test('a tap finds the phase under it, and nothing in set-up and rest', () => {
    // 20 s set-up, then 2 in, 4 out, 2 pause, twice; 10 s rest.
    expect([10, 21, 23, 27, 28.5, 40].map((second) => phaseOfItem(segments, second))).toEqual([
      null,
      'inhale',
      'exhale',
      'bottomPause',
      'inhale',
      null,
    ]);
    expect(phaseOfItem(segments, 9999)).toBeNull();
  });

  test('a bar pulled longer takes as many breaths as fill it, both sets alike', () => {
    expect(stretchedBreaths(segments, 2, 16)).toBe(3);
    expect(stretchedBreaths(segments, 2, 7)).toBe(2);
    expect(stretchedBreaths(segments, 2, -400)).toBe(1);
    expect(stretchedBreaths([], 2, 100)).toBe(2);
  });
});

test('a bar that is carried goes where its middle lies nearest, not past the ends', () => {
  const widths = [100, 40, 100, 60];
  expect(placeCarried(widths, 0, 30)).toBe(0);
  expect(placeCarried(widths, 0, 80)).toBe(1);
  expect(placeCarried(widths, 0, 120)).toBe(2);
  expect(placeCarried(widths, 0, 9000)).toBe(3);
  expect(placeCarried(widths, 3, -9000)).toBe(0);
  expect(placeCarried([50], 0, 400)).toBe(0);
});

describe('the printed score', () => {
  const bar = (id: string, name: string): ScoreItem => ({
    id,
    name,
    position: 'sitting',
    movement: 'still',
    props: 'stiff bath towel',
    side: 'none',
    cadence: '2 in, 4 out, 2 pause',
    dose: '2 × 2 breaths',
    cue: 'Wide & low',
    floor: 'only release',
    tone: 'relaxed',
    figure: { position: 'hook-lying' },
    opened: {},
    segments,
    locked: false,
    contrast: false,
    problem: null,
  });
  const head = { title: 'Open the sides & back', studio: 'Saltmarsh Movement Rooms', minutes: 20 };

  test('names every drill, escapes what is written, and says it is a coaching aid', () => {
    const items = Array.from({ length: 11 }, (_, i) => bar(`i${i}`, `Drill <${i}>`));
    const svg = scoreSheetSvg(items, head);
    items.forEach((_, i) => expect(svg).toContain(`${i + 1}. Drill &lt;${i}&gt;`));
    expect(svg).toContain('Open the sides &amp; back');
    expect(svg).toContain('“Wide &amp; low”');
    expect(svg).toContain('it diagnoses nothing');
    expect(svg).not.toMatch(/<(?!\/?(svg|rect|text|polygon|path|polyline)\b)/);
  });

  test('keeps everything on the page', () => {
    const svg = scoreSheetSvg(
      Array.from({ length: 11 }, (_, i) => bar(`i${i}`, 'One')),
      head,
    );
    const xs = [...svg.matchAll(/points="([^"]+)"/g)].flatMap(([, list]) =>
      list!.split(' ').map((pair) => pair.split(',').map(Number)),
    );
    for (const [x, y] of xs) {
      expect(x!).toBeGreaterThanOrEqual(0);
      expect(x!).toBeLessThanOrEqual(842);
      expect(y!).toBeLessThanOrEqual(595);
    }
    expect(scoreSheetSvg([], head)).toContain('0 drills');
  });

  test('words break at spaces and are cut short where there is no room', () => {
    expect(wrapped('one two three', 60, 8, 3)).toEqual(['one two three']);
    expect(wrapped('one two three', 30, 8, 3)).toEqual(['one two', 'three']);
    expect(wrapped('one two three four five', 30, 8, 2).at(-1)).toMatch(/…$/);
  });
});
