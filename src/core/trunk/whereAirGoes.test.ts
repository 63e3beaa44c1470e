import {
  type RegionId,
  type TrunkEffect,
  awareness,
  estimateTrunk,
  estimateYields,
  evenYields,
  predictShares,
  rankSetUps,
  regionIds,
  sharesAsGrades,
  summariseRing,
  unobserved,
} from '.';
import { met } from '../../../scripts/met';

const share = (region: RegionId, ...effects: TrunkEffect[]) => predictShares(evenYields(), effects)[region];
const ribs = (...effects: TrunkEffect[]) =>
  (['chestFront', 'chestBack', 'leftSide', 'rightSide', 'leftBack', 'rightBack'] as const)
    .map((region) => share(region, ...effects))
    .reduce((sum, value) => sum + value, 0);

describe('where the air goes: directions', () => {
  test('lying on the back gives the belly more and the rib cage less than sitting [R5, direction only]', () => {
    expect(share('belly', 'lying on the back')).toBeGreaterThan(share('belly', 'sitting'));
    expect(ribs('lying on the back')).toBeLessThan(ribs('sitting'));
    expect(ribs('lying on the back')).toBeLessThan(ribs('standing'));
  });

  // The rows below are common practice, no published source.
  test.each<[RegionId, TrunkEffect, 'more' | 'less', TrunkEffect]>([
    ['leftSide', 'left side open in a bend', 'more', 'sitting'],
    ['rightSide', 'left side open in a bend', 'less', 'sitting'],
    ['leftBack', 'prone over half-dome', 'more', 'prone'],
    ['belly', 'prone over half-dome', 'less', 'lying on the back'],
    ['rightBack', "child's pose", 'more', 'sitting'],
    ['belly', "child's pose", 'less', 'sitting'],
    ['leftSide', 'side-lying, left side up', 'more', 'lying on the back'],
    ['rightSide', 'side-lying, left side up', 'less', 'lying on the back'],
    ['chestFront', 'quadruped', 'more', 'lying on the back'],
    ['leftSide', 'band round the ribs', 'less', 'sitting'],
    ['leftBack', 'light front tension', 'more', 'sitting'],
    ['leftSide', 'light front tension', 'more', 'sitting'],
    ['belly', 'light front tension', 'less', 'sitting'],
    ['chestFront', 'slouched', 'less', 'sitting'],
    ['belly', 'arched', 'more', 'sitting'],
    ['leftBack', 'arched', 'less', 'sitting'],
    ['belly', 'late pregnancy', 'less', 'sitting'],
  ])('%s under "%s" gets %s than under "%s"', (region, effect, direction, other) => {
    const [there, here] = [share(region, effect), share(region, other)];
    if (met(direction === 'more')) expect(there).toBeGreaterThan(here);
    else expect(there).toBeLessThan(here);
  });

  test('shares add up to one, and a closed part keeps a floor', () => {
    const yields = estimateYields({ ...unobserved(), belly: 3, leftSide: 0, rightSide: 2 }, ['lying on the back']);
    const shares = predictShares(yields, ['left side open in a bend']);
    expect(Object.values(shares).reduce((sum, value) => sum + value, 0)).toBeCloseTo(1, 10);
    expect(yields.leftSide).toBe(0.25);
    expect(yields.chestBack).toBe(1);
  });

  test('the position of the look is taken out again: the same grades mean more where it is harder', () => {
    const grades = { ...unobserved(), belly: 2, leftBack: 2, rightBack: 2, leftSide: 2, rightSide: 2 } as const;
    const lying = estimateYields(grades, ['lying on the back']);
    expect(lying.leftBack).toBeGreaterThan(lying.belly);
  });
});

describe('one look as a trunk', () => {
  const grades = { ...unobserved(), belly: 3, leftSide: 1, rightSide: 1, leftBack: 1, rightBack: 1 } as const;

  test('the size of the breath is kept apart from its shares, and what was not seen is named', () => {
    const small = estimateTrunk(grades, ['lying on the back']);
    const large = estimateTrunk(
      { ...unobserved(), belly: 3, leftSide: 1, rightSide: 1, leftBack: 1, rightBack: 1, chestFront: 1 },
      ['lying on the back'],
    );
    expect(small.size).toBe(7 / 5);
    expect(small.assumed).toEqual(['lowBack', 'chestFront', 'chestBack', 'pelvicFloor']);
    expect(large.assumed).not.toContain('chestFront');
    expect(estimateTrunk(unobserved(), []).size).toBe(0);
  });

  test('drawn on the scale of the grades, an even breath keeps its size and nothing passes full', () => {
    const even = predictShares(evenYields(), ['sitting']);
    for (const id of regionIds) expect(sharesAsGrades(even, 2)[id]).toBeCloseTo(2, 10);
    expect(sharesAsGrades(predictShares(evenYields(), ["child's pose"]), 3).leftBack).toBe(3);
  });
});

describe('feedback is a number of its own', () => {
  test('a band takes a little of the share and gives much of the feeling (common practice, sizes ours)', () => {
    const loss = 1 - share('leftSide', 'band round the ribs') / share('leftSide', 'sitting');
    expect(loss).toBeGreaterThan(0);
    expect(loss).toBeLessThan(0.1);
    expect(awareness(['band round the ribs']).leftSide).toBeGreaterThan(1.5);
    expect(awareness(['sitting']).leftSide).toBe(1);
  });
});

describe('a sweep over set-ups', () => {
  const setUps = [
    { id: 'sitting', effects: ['sitting'] },
    { id: 'childs', effects: ["child's pose"] },
    { id: 'halfDome', effects: ['prone over half-dome'] },
    { id: 'sideLeft', effects: ['side-lying, left side up'] },
    { id: 'sideRight', effects: ['side-lying, right side up'] },
  ] as const satisfies readonly { id: string; effects: readonly TrunkEffect[] }[];

  test('ranks what the trade would choose first: the back over the half-dome or in child’s pose, a side lying on the other', () => {
    const back = rankSetUps(evenYields(), setUps, { leftBack: 1, rightBack: 1 });
    expect(
      back
        .slice(0, 2)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['childs', 'halfDome']);
    expect(rankSetUps(evenYields(), setUps, { leftSide: 1 })[0]!.id).toBe('sideLeft');
    expect(rankSetUps(evenYields(), setUps, { rightSide: 1 })[0]!.id).toBe('sideRight');
  });

  test('sitting is the even one: no gain, and every gain is finite', () => {
    const ranked = rankSetUps(evenYields(), setUps, { belly: 1, leftSide: 2 });
    expect(ranked.find(({ id }) => id === 'sitting')!.gain).toBeCloseTo(1, 10);
    expect(ranked.every(({ gain }) => Number.isFinite(gain) && gain > 0)).toBe(true);
    expect(rankSetUps(evenYields(), [], { belly: 1 })).toEqual([]);
  });

  test('predicted rings mirror: a left bend is a right bend seen in a mirror', () => {
    const one = summariseRing(predictShares(evenYields(), ['left side open in a bend']));
    const other = summariseRing(predictShares(evenYields(), ['right side open in a bend']));
    expect(one.leftRightIndex!).toBeCloseTo(-other.leftRightIndex!, 10);
    expect(one.leftRightIndex!).toBeLessThan(0);
  });
});
