import { doseInWords, eventDenied, foldRun } from './coach';
import { cadence } from './cadence';
import { planItem, testDay, visitOf } from './fixtures';
import { gatesOfPerson } from './fixtures/people';
import { homeWords } from './home';
import {
  type Lift,
  type WeightUnit,
  drillLoadOf,
  kgOf,
  liftInWords,
  lighterThan,
  nextMarked,
  loadAnswer,
  weightInWords,
} from './load';
import { knownClient } from './safety';
import { visitNote } from './track';

/** Ten pounds, by the definition of the pound: 0.45359237 kg. */
const tenPounds = 4.5359237;
const press = planItem({
  drillId: 'press-breath',
  position: 'loaded stand',
  props: ['weight'],
  kg: tenPounds,
  cadences: [cadence(3, 3)],
});
const lift: Lift = {
  movementId: 'squat',
  hand: 'both',
  kg: tenPounds,
  repetitions: 8,
  effort: null,
  strategy: 'with',
  breath: 'went along',
  leaked: false,
};

describe('a weight is said in the studio’s unit, wherever it is said', () => {
  const begun = foldRun([press], [{ id: 'a', seq: 0, atEpochMs: 0, event: { type: 'start' } }]);
  const heavier = { type: 'adjust', item: 0, cadences: press.cadences, breaths: 3, sets: 1, kg: 9 } as const;
  const noHolds = { clientId: 'ada', name: 'Ada', gates: gatesOfPerson({ prolapse: {} }), closed: null };
  const note = (weights: WeightUnit) => {
    const runs = [
      {
        id: 'run',
        visitId: 'visit',
        at: `${testDay}T10:00:00.000Z`,
        items: [press],
        events: [
          { id: 'a', seq: 0, atEpochMs: 0, event: { type: 'start' as const } },
          {
            id: 'b',
            seq: 1,
            atEpochMs: 9000,
            event: { type: 'breath' as const, item: 0, set: 1, breath: 0, seconds: 6 },
          },
        ],
        members: [],
      },
    ];
    const visit = visitOf(testDay, {
      runs,
      lifts: [{ id: 'lift', visitId: 'visit', at: `${testDay}T10:10:00.000Z`, lift }],
    });
    return visitNote(knownClient([]), gatesOfPerson({}), visit, {}, [], { weights });
  };

  test.each<[string, (unit: WeightUnit) => string]>([
    ['the dose in a plan', (unit) => doseInWords(press, unit)],
    ['what is needed at home', (unit) => homeWords(press, unit).where],
    ['a set that was done', (unit) => liftInWords(lift, unit)],
    [
      'the note, of the run',
      (unit) =>
        note(unit)
          .split('\n')
          .find((line) => line.startsWith('- '))!,
    ],
    [
      'the note, of the log',
      (unit) =>
        note(unit)
          .split('\n')
          .find((line) => line.startsWith('Under load'))!,
    ],
    ['why no more may be lifted', (unit) => eventDenied(begun, heavier, [noHolds], 12_000, unit)!.why],
  ])('%s', (_, said) => {
    expect(said('lb')).toMatch(/\b10 lb\b/);
    expect(said('lb')).not.toMatch(/\d kg\b/);
    expect(said('kg')).toMatch(/\b4\.5 kg\b/);
    expect(said('kg')).not.toMatch(/\d lb\b/);
  });
});

test('a weight goes to the other unit and back without losing anything', () => {
  for (let pounds = 0; pounds <= 500; pounds += 0.5)
    expect(weightInWords(kgOf(pounds, 'lb'), 'lb')).toBe(`${pounds} lb`);
  expect(weightInWords(kgOf(2.5, 'lb'), 'kg')).toBe('1.1 kg');
});

test('up and down a weight goes from mark to mark, and from between two to the nearer in that way', () => {
  const said = (kg: number, unit: WeightUnit, by: 1 | -1) => weightInWords(nextMarked(kg, unit, by), unit);
  // 8 kg are 17.6 lb.
  expect([said(8, 'lb', 1), said(8, 'lb', -1)]).toEqual(['18 lb', '17 lb']);
  expect([said(8, 'kg', 1), said(8, 'kg', -1)]).toEqual(['8.5 kg', '7.5 kg']);
  expect([said(tenPounds, 'lb', 1), said(tenPounds, 'kg', 1), said(tenPounds, 'kg', -1)]).toEqual([
    '11 lb',
    '5 kg',
    '4.5 kg',
  ]);
  for (const unit of ['kg', 'lb'] as const) {
    let kg = kgOf(0.5, unit);
    for (let n = 0; n < 60; n += 1) kg = nextMarked(kg, unit, 1);
    for (let n = 0; n < 90; n += 1) kg = nextMarked(kg, unit, -1);
    expect([unit, said(kg, unit, -1)]).toEqual([unit, unit === 'kg' ? '0.5 kg' : '1 lb']);
    expect(nextMarked(500, unit, 1)).toBe(500);
  }
});

test('lighter is some quarter less, and as weights are marked; only of the lightest there is none', () => {
  for (const unit of ['kg', 'lb'] as const) {
    const values = Array.from({ length: 400 }, (_, at) => (at + 1) / 2);
    const [lightest, ...rest] = values.map((value) => {
      const lighter = lighterThan(kgOf(value, unit), unit);
      return { value, marked: lighter === null ? null : Number(weightInWords(lighter, unit).split(' ')[0]) };
    });
    expect(lightest).toEqual({ value: 0.5, marked: null });
    const wrong = rest.filter(
      ({ value, marked }) =>
        marked === null || marked >= value || (marked * 2) % 1 !== 0 || Math.abs(marked - 0.75 * value) > 0.25 + 1e-9,
    );
    expect([unit, wrong]).toEqual([unit, []]);
  }
});

test('who may hold no breath gets a weight that lies in a rack of that unit, no heavier than the breath goes with', () => {
  const asked = { movementId: 'hinge', hand: 'both', kg: 60, repetitions: 5, effort: null, bodyKg: 70 } as const;
  const answer = loadAnswer(asked, gatesOfPerson({ heart: {} }));
  expect(answer.tooHeavy).toBe(true);
  for (const unit of ['kg', 'lb'] as const) {
    const { kg } = drillLoadOf(asked, answer, unit)!;
    const marked = Number(weightInWords(kg, unit).split(' ')[0]);
    expect([unit, (marked * 2) % 1]).toEqual([unit, 0]);
    expect(kg).toBeLessThanOrEqual(answer.breathesUpToKg!);
    expect(answer.breathesUpToKg! - kg).toBeLessThan(kgOf(0.5, unit));
  }
});
