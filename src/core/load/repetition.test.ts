import { type DrillLoad, asOwn, findMovement, loadMovements, partAt, repetitionOf, stanceFaults, wayOf } from '.';
import { loadAnswer } from './answer';
import { setTotals } from './sets';

const phases = ['inhale', 'topPause', 'exhale', 'bottomPause'] as const;
const load = (movementId: string, rest: Partial<DrillLoad> = {}): DrillLoad => ({
  movementId,
  own: null,
  toward: null,
  kg: findMovement(movementId)!.startKg,
  strategy: 'with',
  through: false,
  ...rest,
});
/** What is breathed out on, in the movement's own words. */
const breathedOut = ({ phases: { exhale }, movement }: ReturnType<typeof repetitionOf>) =>
  exhale.map(({ part }) => part !== null && movement.parts[part]!.name);
const strategiesOf = ({ steady, explosive }: (typeof loadMovements)[number]) =>
  steady ? (['steady'] as const) : explosive ? (['burst'] as const) : (['with', 'keep', 'between'] as const);

const every = loadMovements.flatMap((movement) =>
  strategiesOf(movement).flatMap((strategy) =>
    [false, true].map(
      (through) => [`${movement.id}, ${strategy}${through ? ', through' : ''}`, movement, strategy, through] as const,
    ),
  ),
);

test.each(every)(
  '%s: a whole breath over a whole repetition, and nothing jumps',
  (_name, movement, strategy, through) => {
    const one = repetitionOf(load(movement.id, { strategy, through }), movement.pull.hand);
    expect(one.cadence.inhaleSeconds).toBeGreaterThanOrEqual(0.5);
    expect(one.cadence.exhaleSeconds).toBeGreaterThanOrEqual(0.5);
    const pieces = phases.flatMap((phase) => one.phases[phase]);
    for (const phase of phases) {
      const whole = one.phases[phase].reduce((sum, { share }) => sum + share, 0);
      expect(whole).toBeCloseTo(one.phases[phase].length > 0 ? 1 : 0, 9);
      expect(one.cadence[`${phase}Seconds`] > 0).toBe(one.phases[phase].length > 0);
    }
    pieces.forEach(({ from, to }, at) => {
      const before = pieces.at(at - 1)!;
      expect(Math.min(from, to)).toBeGreaterThanOrEqual(-1e-9);
      expect(Math.max(from, to)).toBeLessThanOrEqual(1 + 1e-9);
      // Where one ends the next begins, and the last leads back to the first.
      expect(from).toBeCloseTo(before.to, 6);
    });
  },
);

test.each(loadMovements.filter(({ steady, explosive }) => !steady && !explosive).map((one) => [one.id, one] as const))(
  '%s, light: each part in the phase in which the answer breathes it, as long as the movement takes, whichever hand',
  (id, movement) => {
    const oneSided = movement.pull.hand === 'left' || movement.pull.hand === 'right';
    for (const hand of oneSided ? (['left', 'right'] as const) : [movement.pull.hand]) {
      const { parts } = loadAnswer(
        { movementId: id, hand, kg: movement.startKg, repetitions: null, effort: null, bodyKg: 70 },
        null,
      );
      const one = repetitionOf(load(id), hand);
      for (const [at, { name, breath }] of parts.entries()) {
        const phase = breath === 'in' ? 'inhale' : 'exhale';
        expect([name, one.phases[phase].some(({ part }) => part === at)]).toEqual([name, true]);
      }
      const seconds = movement.parts.reduce((sum, part) => sum + part.seconds, 0);
      expect(one.cadence.inhaleSeconds + one.cadence.exhaleSeconds).toBeCloseTo(seconds, 9);
    }
  },
);

/** What a coach may call the parts of a movement of their own. */
const calledOtherwise: readonly (readonly [how: string, (name: string, at: number) => string])[] = [
  ['all alike', () => 'go'],
  ['with a comma', (name) => `${name}, slowly`],
  ['as what lies between parts is called', (_, at) => ['first', 'between'][at % 2]!],
];

test.each(calledOtherwise)(
  'parts called %s: nothing is paced or counted otherwise, and nothing goes another way',
  (_how, call) => {
    for (const [name, movement, strategy, through] of every) {
      const own = asOwn(movement);
      const called = { ...own, parts: own.parts.map((part, at) => ({ ...part, name: call(part.name, at) })) };
      const { hand } = movement.pull;
      const [one, other] = [own, called].map((of) =>
        repetitionOf(load(movement.id, { own: of, strategy, through }), hand),
      ) as [ReturnType<typeof repetitionOf>, ReturnType<typeof repetitionOf>];
      const paced = ({ cadence, phases: by }: typeof one) => ({
        cadence,
        by: phases.map((phase) => by[phase].map(({ share, from, to }) => ({ share, from, to }))),
      });
      expect([name, paced(other)]).toEqual([name, paced(one)]);
      const breaths = [one.cadence, { ...one.cadence, exhaleSeconds: 5 }];
      expect([name, wayOf(other, breaths)]).toEqual([name, wayOf(one, breaths)]);
      const counted = [own, called].map((of) => {
        const asked = { movementId: movement.id, own: of, hand, kg: 40, repetitions: 5, effort: null, bodyKg: 70 };
        return setTotals(loadAnswer(asked, null), { sets: 2, repetitions: 5, sides: 1, restSeconds: 90 });
      });
      expect([name, counted[1]]).toEqual([name, counted[0]]);
    }
  },
);

test.each(every)(
  '%s: the way takes as long as the breaths do, and turns where they turn',
  (_name, movement, strategy, through) => {
    const one = repetitionOf(load(movement.id, { strategy, through }), movement.pull.hand);
    const slower = { ...one.cadence, exhaleSeconds: one.cadence.exhaleSeconds * 2 };
    const way = wayOf(one, [one.cadence, slower, one.cadence]);
    const [cycle, slow] = [one.cadence, slower].map((breath) =>
      phases.reduce((sum, phase) => sum + breath[`${phase}Seconds`], 0),
    );
    expect(way.at(-1)!.at).toBeCloseTo(2 * cycle! + slow!, 9);
    expect(way.map(({ at }) => at)).toEqual(way.map(({ at }) => at).sort((a, b) => a - b));
    // The second breath begins where the first ended, at the place where the first began.
    const second = way.find(({ at }) => Math.abs(at - cycle!) < 1e-9)!;
    expect(second.level).toBeCloseTo(way[0]!.level, 6);
  },
);

test('kept only up to the hard part of a heavy lift, through the whole of one near the most, and never in a light one', () => {
  const kept = (strategy: DrillLoad['strategy']) =>
    repetitionOf(load('squat', { strategy }), 'both').cadence.topPauseSeconds;
  const whole = findMovement('squat')!.parts.reduce((sum, { seconds }) => sum + seconds, 0);
  expect(kept('with')).toBe(0);
  expect(kept('keep')).toBeGreaterThan(0);
  expect(kept('keep')).toBeLessThan(1.01);
  expect(kept('between')).toBe(whole);
});

test('with a caution the effort is always breathed out, though the ribs open in it', () => {
  const names = (through: boolean) => breathedOut(repetitionOf(load('row', { through }), 'both'));
  expect(names(false)).toEqual(['back']);
  expect(names(true)).toEqual(['pull']);
});

test('the line of pull turns the phases round, and for the other hand it is turned over', () => {
  const outOn = (toward: DrillLoad['toward'], hand: 'left' | 'right') =>
    breathedOut(repetitionOf(load('side-bend', { toward }), hand));
  expect(outOn(null, 'left')).toEqual(['bend']);
  expect(outOn([0, 0.1, 1], 'left')).toEqual(['back']);
  expect(outOn([0, 0.1, 1], 'right')).toEqual(['back']);
  expect(repetitionOf(load('side-bend', { toward: [0, 0.1, 1] }), 'right').toward[1]).toBeCloseTo(-0.1);
});

test('the word of the moment: two parts on one breath follow one another, and while one only breathes there is none', () => {
  const rise = repetitionOf(load('floor-rise'), 'none');
  expect([0, 0.5, 0.61, 1].map((gone) => partAt(rise, 'exhale', gone))).toEqual([
    'up on one knee',
    'up on one knee',
    'stand',
    'stand',
  ]);
  expect(partAt(repetitionOf(load('squat', { strategy: 'between' }), 'both'), 'inhale', 0.5)).toBeNull();
});

test('what no body does is told, a sentence for each angle', () => {
  const { from } = findMovement('squat')!.parts[0]!;
  expect(stanceFaults(from)).toEqual([]);
  expect(stanceFaults({ ...from, side: 120 })).toEqual(['A bend to the side goes from -45 to 45°. Check the angle.']);
  expect(stanceFaults({ ...from, arm: -5, hips: 3, turn: Number.NaN })).toHaveLength(3);
  // Every stance of the library is one a body can take.
  for (const { id, parts } of loadMovements)
    for (const part of parts) expect([id, stanceFaults(part.from), stanceFaults(part.to)]).toEqual([id, [], []]);
});
