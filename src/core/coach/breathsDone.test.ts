import fc from 'fast-check';
import { cadence } from '../cadence';
import { planItem } from '../fixtures';
import { type BreathAt, type StampedEvent, breathAt, breathGoesOn, breathsDone, locate, timelineOf } from '.';

const items = [
  planItem({ id: 'one', drillId: 'quiet-nose', breaths: 4, sets: 2, restSeconds: 20, cadences: [cadence(2, 4)] }),
  planItem({ id: 'two', drillId: 'side-lying-open', side: 'both', breaths: 3, sets: 1, cadences: [cadence(3, 5)] }),
];
const timeline = timelineOf(items);
const at = (seconds: number) => locate(timeline, seconds);

/** The clock runs on from one moment to the next, and is looked at in each. */
function marked(moments: readonly number[]) {
  let last: BreathAt | null = null;
  const done: ReturnType<typeof breathsDone> = [];
  for (const moment of moments) {
    const place = at(moment);
    const now = breathAt(place);
    done.push(...breathsDone(last, now, place.over));
    last = now;
    if (place.over) break;
  }
  return done;
}
const named = (done: ReturnType<typeof marked>) =>
  done.map(({ item, set, breath, side }) => [item, set, breath, side ?? null].join(' '));

const steps = (seconds: number, from = 0) =>
  Array.from({ length: Math.ceil((timeline.totalSeconds - from) / seconds) + 2 }, (_, step) => from + step * seconds);

test('a run looked at ten times a second marks each breath once, in order, with its set, its side and its seconds', () => {
  const done = marked(steps(0.1));
  expect(named(done)).toEqual([
    ...[1, 2].flatMap((set) => [0, 1, 2, 3].map((breath) => `0 ${set} ${breath} `)),
    ...['left', 'right'].flatMap((side) => [0, 1, 2].map((breath) => `1 1 ${breath} ${side}`)),
  ]);
  expect(done.map(({ seconds }) => seconds)).toEqual([...Array(8).fill(6), ...Array(6).fill(8)]);
});

test('however seldom it is looked, each breath is marked once, as long as no whole piece is passed by', () => {
  const closely = named(marked(steps(0.1)));
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0.05, max: 4, noNaN: true }), { minLength: 1, maxLength: 40 }), (gaps) => {
      const moments = [0];
      while (moments.at(-1)! < timeline.totalSeconds)
        moments.push(moments.at(-1)! + gaps[moments.length % gaps.length]!);
      expect(named(marked(moments))).toEqual(closely);
    }),
    { numRuns: 100 },
  );
});

test('what lies before a jump, and what is not breathed, is not done', () => {
  const [, breathed] = timeline.segments;
  const middle = breathed!.startSeconds + 13;
  expect(at(middle).moment?.breath).toBe(2);
  expect(breathsDone(null, breathAt(at(middle)), false)).toEqual([]);
  expect(breathsDone(breathAt(at(1)), breathAt(at(middle)), false)).toEqual([]);
});

test('a plan that is through leaves no breath of its last piece behind', () => {
  const end = at(timeline.totalSeconds);
  const last = breathAt(at(timeline.totalSeconds - 9));
  expect(breathsDone(last, breathAt(end), end.over).map(({ breath }) => breath)).toEqual([1, 2]);
});

test('a breath goes on through a tap, a ramp and another dose; a wait, a jump and a swap leave it undone', () => {
  const after = (...types: string[]) =>
    breathGoesOn({ events: types.map((type) => ({ event: { type } }) as StampedEvent) });
  expect(['tap', 'adjust', 'pace'].map((type) => after('start', type))).toEqual([true, true, true]);
  expect(['start', 'pause', 'resume', 'jump', 'swap', 'stop', 'settled'].map((type) => after('tap', type))).toEqual(
    Array(7).fill(false),
  );
  // A mark or a cue between moves no clock.
  expect([after('tap', 'cue', 'fault'), after('jump', 'cue'), after()]).toEqual([true, false, false]);
});
