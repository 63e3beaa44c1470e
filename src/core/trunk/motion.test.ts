import { drills } from '../catalogue';
import { axes } from '../schools';
import { openedRegions } from '../sequence';
import { trunkAt, trunkMotion } from '.';

const one = <S extends string>(stance: S) => ({ stance, scope: 'this drill' as const });
const levels = Array.from({ length: 21 }, (_, i) => i / 20);

describe('the canister in a breath', () => {
  // Facts of the trade: common practice, no published source.
  test('the dome goes down on the inhale and up on the exhale, in every drill', () => {
    for (const drill of drills) {
      const motion = trunkMotion(drill.stances, openedRegions(drill, 'left'));
      const down = levels.map((level) => trunkAt(motion, level, false).dome);
      expect(down).toEqual([...down].sort((a, b) => a - b));
      expect(down[0]).toBe(0);
      expect(down.at(-1)).toBe(1);
    }
  });

  test('the floor softens and descends on the inhale, and is higher at the end of the exhale, in every drill', () => {
    for (const drill of drills) {
      const motion = trunkMotion(drill.stances, openedRegions(drill, 'left'));
      expect(trunkAt(motion, 1, false).floor).toBeLessThan(trunkAt(motion, 0, true).floor);
    }
  });

  test('a floor that only releases is never lifted above rest; one lifted gently is', () => {
    const release = trunkMotion({ pelvicFloor: one('only release') }, {});
    const lift = trunkMotion({ pelvicFloor: one('gentle lift on exhale') }, {});
    expect(Math.max(...levels.map((level) => trunkAt(release, level, true).floor))).toBeLessThanOrEqual(0);
    expect(trunkAt(lift, 0, true).floor).toBeGreaterThan(0.3);
  });

  test('a contained belly moves less than a free one, and the sides and low back more', () => {
    const free = trunkAt(trunkMotion({ bellyOnInhale: one('rises freely') }, {}), 1, false);
    const held = trunkAt(trunkMotion({ bellyOnInhale: one('is contained by light tension') }, {}), 1, false);
    expect(held.upperBelly).toBeLessThan(free.upperBelly / 3);
    expect(held.leftSide).toBeGreaterThan(free.leftSide);
    expect(held.lowBack).toBeGreaterThan(free.lowBack);
  });

  test('low to high: half way out the lower belly is further in than the upper, and at the end both are in', () => {
    const motion = trunkMotion({ abdominalStrategy: one('low-to-high'), bellyOnInhale: one('rises freely') }, {});
    const half = trunkAt(motion, 0.5, true);
    expect(half.lowerBelly).toBeLessThan(half.upperBelly - 0.3);
    expect(trunkAt(motion, 0, true).upperBelly).toBeCloseTo(0, 6);
    // Coming in again nothing jumps: both are where the exhale left the lower one, or come up to it.
    expect(trunkAt(motion, 0, false).lowerBelly).toBeCloseTo(trunkAt(motion, 0, true).lowerBelly, 6);
    expect(trunkAt(motion, 1, false).lowerBelly).toBeCloseTo(trunkAt(motion, 1, true).lowerBelly, 6);
  });

  test('ribs brought down end below rest, ribs kept up end above it', () => {
    const down = trunkAt(trunkMotion({ ribsOnExhale: one('actively brought down and in') }, {}), 0, true);
    const kept = trunkAt(trunkMotion({ ribsOnExhale: one('kept from being pulled down') }, {}), 0, true);
    expect(down.leftSide).toBeLessThan(0);
    expect(kept.leftSide).toBeGreaterThan(0);
  });

  test('the side that is worked opens more than the other', () => {
    const moment = trunkAt(trunkMotion({}, { leftSide: 3 }), 1, false);
    expect(moment.leftSide).toBeGreaterThan(moment.rightSide);
  });

  test.each(['bellyOnInhale', 'abdominalStrategy', 'pelvicFloor', 'ribsOnExhale', 'chestOnInhale'] as const)(
    'every stance on %s is drawn differently from the others',
    (axis) => {
      const shapes = axes[axis].stances.map((stance) =>
        JSON.stringify(levels.map((level) => trunkAt(trunkMotion({ [axis]: one(stance) }, {}), level, true))),
      );
      expect(new Set(shapes).size).toBe(axes[axis].stances.length);
    },
  );

  test('nothing jumps from one moment to the next within a phase', () => {
    for (const stance of axes.abdominalStrategy.stances) {
      const motion = trunkMotion({ abdominalStrategy: one(stance) }, {});
      for (let level = 0; level < 1; level += 0.01) {
        for (const exhaling of [true, false]) {
          const [now, next] = [trunkAt(motion, level, exhaling), trunkAt(motion, level + 0.01, exhaling)];
          const steps = (Object.keys(now) as (keyof typeof now)[]).map((part) => Math.abs(next[part] - now[part]));
          expect(Math.max(...steps)).toBeLessThan(0.06);
        }
      }
    }
  });
});
