import {
  type HoldTry,
  calmHold,
  harderHoldsFollow,
  holdAdvice,
  holdBands,
  holdCounts,
  protocolIds,
  protocols,
  restLeft,
} from '.';
import { checkComponents, conditionIds, emptyProfile, evaluateGates } from '../safety';

const hold = (seconds: number, rest: Partial<HoldTry> = {}): HoldTry => ({
  seconds,
  feeling: 'calm',
  firstBreath: 'nose and quiet',
  ...rest,
});

// The rules of the trade on holds: common practice, no published source.
describe('which tries count', () => {
  test.each([
    ['calm', 'nose and quiet', true],
    ['calm', 'nose and big', true],
    ['at the edge', 'nose and quiet', true],
    ['strained', 'nose and quiet', false],
    ['calm', 'mouth', false],
    ['strained', 'mouth', false],
  ] as const)('%s, %s: %s', (feeling, firstBreath, counts) => {
    expect(holdCounts(hold(20, { feeling, firstBreath }))).toBe(counts);
  });
  test('the median of the calm ones, a long strained one changing nothing', () => {
    expect(calmHold([hold(14), hold(40, { feeling: 'strained' }), hold(18)]).seconds).toBe(16);
    expect(calmHold([hold(12), hold(20), hold(13)]).seconds).toBe(13);
    expect(calmHold([hold(30, { firstBreath: 'mouth' })])).toMatchObject({ seconds: null, band: null });
  });
  test('at most three tries, each of a possible length', () => {
    expect(() => calmHold([hold(1), hold(1), hold(1), hold(1)])).toThrow('At most 3 tries in a visit.');
    expect(() => calmHold([hold(-1)])).toThrow(RangeError);
  });
  test.each([
    [9.9, 'very short'],
    [10, 'short'],
    [20, 'middling'],
    [30, 'comfortable'],
    [40, 'long'],
    [75, 'long'],
  ])('%d s is %s', (seconds, words) => {
    expect(calmHold([hold(seconds)]).band?.words).toBe(words);
    expect(holdBands).toHaveLength(5);
  });
});

describe('the rest of a minute between tries', () => {
  const ended = '2026-11-25T10:00:00.000Z';
  const at = (seconds: number) => Date.parse(ended) + seconds * 1000;
  test.each([
    [0, 60],
    [20.4, 40],
    [59.2, 1],
    [60, 0],
    [900, 0],
    [-30, 60],
  ])('%d s after it %d s are left, a clock set back making none longer', (since, left) => {
    expect(restLeft([hold(12, { endedAt: ended })], at(since))).toBe(left);
  });
  test('none before the first, none after the last', () => {
    expect(restLeft([], at(0))).toBe(0);
    const third = hold(12, { endedAt: ended });
    expect(restLeft([third, third, third], at(1))).toBe(0);
  });
});

describe('how long a hold may be practised', () => {
  const strained = hold(30, { feeling: 'strained' });
  test.each([
    ['nothing yet', [], 'stay', null],
    ['only a strained one', [[strained]], 'stay', null],
    ['one calm session stays', [[hold(20)]], 'stay', 20],
    ['two calm ones: two seconds, being more than a tenth of 15', [[hold(15)], [hold(15)]], 'longer', 17],
    ['two calm ones: a tenth, being more than two seconds of 30', [[hold(30)], [hold(30)]], 'longer', 33],
    // Told in whole seconds, and never more than was held.
    ['between two seconds it stays at the lesser', [[hold(15), hold(16)]], 'stay', 15],
    [
      'between two seconds it grows from the lesser',
      [
        [hold(15), hold(16)],
        [hold(15), hold(16)],
      ],
      'longer',
      17,
    ],
    ['a strain steps back', [[hold(20)], [hold(20)], [hold(22), strained]], 'step back', 19],
    ['a gasp steps back too', [[hold(20)], [hold(20, { firstBreath: 'mouth' })]], 'step back', 18],
    ['after a strain two calm ones are needed again', [[hold(20)], [strained], [hold(18)]], 'stay', 18],
    ['a session without a try is none', [[hold(20)], [], [hold(20)]], 'longer', 22],
  ] as [string, HoldTry[][], string, number | null][])('%s', (_, sessions, kind, seconds) => {
    expect(holdAdvice(sessions)).toMatchObject({ kind, atMostSeconds: seconds });
  });
  test('no advice ever praises length', () => {
    for (const sessions of [[[hold(20)]], [[hold(20)], [hold(20)]], [[strained], [hold(9)]]]) {
      expect(holdAdvice(sessions).words).not.toMatch(/good|great|well|best|record/i);
    }
  });
});

describe('where and for whom', () => {
  test('lying is offered first and walking last, walking for holds only', () => {
    expect(protocols.calmHold.positions.at(0)).toBe('hook-lying');
    expect(protocols.calmHold.positions.at(-1)).toBe('walking');
    const others = protocolIds.filter((id) => id !== 'calmHold');
    expect(others.filter((id) => protocols[id].positions.includes('walking'))).toEqual([]);
  });
  test.each(['pregnancy', 'heart', 'seizures', 'lung', 'collapsedLung', 'eyeHead'] as const)(
    '%s keeps the hold and the ten-count off',
    (condition) => {
      expect(conditionIds).toContain(condition);
      const gates = evaluateGates(
        {
          ...emptyProfile,
          answers: Object.fromEntries(
            conditionIds.map((id) => [
              id,
              { value: id === condition ? 'yes' : 'no', day: '2026-11-25', recordId: id, detail: {} },
            ]),
          ),
        } as Parameters<typeof evaluateGates>[0],
        '2026-11-25',
      );
      expect(checkComponents(gates, protocols.calmHold.components).allowed).toBe(false);
      expect(checkComponents(gates, protocols.tenCount.components).allowed).toBe(false);
    },
  );
  test('the ten-count says of itself that it tests no lung', () => {
    expect(protocols.tenCount.means).toMatch(/not a test of lung health/);
  });
  test('walked holds give their steps as the middle of the calm ones', () => {
    const walked = [hold(10, { steps: 14 }), hold(12, { steps: 18 }), hold(30, { steps: 50, feeling: 'strained' })];
    expect(calmHold(walked).steps).toBe(16);
    expect(calmHold([hold(10)]).steps).toBeNull();
  });
});

// Common practice, no published source: seated or lying the first times.
describe('standing and walking holds', () => {
  const calm = { position: 'sitting', tries: [hold(18)] } as const;
  const lying = { position: 'hook-lying', tries: [hold(15), hold(16)] } as const;
  const strained = { position: 'sitting', tries: [hold(18), hold(25, { feeling: 'strained' })] } as const;
  const walked = { position: 'walking', tries: [hold(12)] } as const;
  test.each([
    ['nothing yet', [], false],
    ['one calm session', [calm], false],
    ['two, lying and seated', [lying, calm], true],
    ['one of two strained', [calm, strained], false],
    ['calm, but never lying or seated', [walked, walked], false],
    ['two calm with a strained one between', [calm, strained, lying], true],
    ['a session without a try', [calm, { position: 'sitting', tries: [] }], false],
  ] as const)('%s: %s', (_, sessions, follow) => {
    expect(harderHoldsFollow(sessions)).toBe(follow);
  });
});
