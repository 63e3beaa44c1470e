import { type RegionId, type TrunkEffect, estimateYields, evenYields, predictShares, unobserved } from '.';

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
    if (direction === 'more') expect(there).toBeGreaterThan(here);
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
