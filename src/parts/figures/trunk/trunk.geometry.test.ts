import { drills } from '@/core/catalogue';
import { openedRegions } from '@/core/sequence';
import { trunkAt, trunkMotion } from '@/core/trunk';
import { frontLines, sideLines, throughPoints, trunkBox } from './trunk.geometry';

const numbers = (path: string) => path.match(/-?\d+(\.\d+)?/g)!.map(Number);
const corners = (path: string) => {
  const all = numbers(path);
  return Array.from({ length: all.length / 2 }, (_, i) => [all[2 * i]!, all[2 * i + 1]!] as const);
};
const moments = drills.flatMap((drill) => {
  const motion = trunkMotion(drill.stances, openedRegions(drill, 'left'));
  return [0, 0.25, 0.5, 0.75, 1].flatMap((level) => [trunkAt(motion, level, false), trunkAt(motion, level, true)]);
});

describe('the trunk section', () => {
  test('a path goes through its points', () => {
    expect(
      throughPoints([
        [0, 0],
        [10, 0],
      ]),
    ).toBe('M0 0C1.7 0 8.3 0 10 0');
  });

  test.each([
    ['side', sideLines],
    ['front', frontLines],
  ] as const)('from the %s: stays inside its box in every drill at every moment', (_, lines) => {
    for (const moment of moments) {
      const { body, outline, lungs, dome, wall, floor, ribs } = lines(moment);
      const all = [body, ...outline, lungs, dome, ...wall, floor, ...ribs].flatMap(corners);
      const outside = all.filter(([x, y]) => x < 16 || x > trunkBox.width - 16 || y < 2 || y > trunkBox.height - 2);
      expect(outside).toEqual([]);
    }
  });

  test('the dome sinks and the floor sinks with it on the inhale, in both views', () => {
    const motion = trunkMotion({}, {});
    for (const lines of [sideLines, frontLines]) {
      const [empty, full] = [lines(trunkAt(motion, 0, true)), lines(trunkAt(motion, 1, false))];
      expect(full.domeApex[1]).toBeGreaterThan(empty.domeApex[1] + 20);
      expect(full.floorMiddle[1]).toBeGreaterThan(empty.floorMiddle[1] + 5);
    }
  });

  test('the dome stays between the top of the chest and the pelvis, and above the floor', () => {
    const lines = moments.flatMap((moment) => [sideLines(moment), frontLines(moment)]);
    expect(Math.min(...lines.map(({ domeApex }) => domeApex[1]))).toBeGreaterThan(60);
    expect(Math.min(...lines.map(({ domeApex, floorMiddle }) => floorMiddle[1] - domeApex[1]))).toBeGreaterThan(80);
  });

  test('a free belly comes forward by far more than a contained one', () => {
    const wallX = (stance: 'rises freely' | 'is contained by light tension') => {
      const motion = trunkMotion({ bellyOnInhale: { stance, scope: 'this drill' } }, {});
      const most = (level: number, out: boolean) =>
        Math.max(...corners(sideLines(trunkAt(motion, level, out)).wall[0]!).map(([x]) => x));
      return most(1, false) - most(0, true);
    };
    expect(wallX('rises freely')).toBeGreaterThan(wallX('is contained by light tension') + 10);
  });

  test('from the front the client’s left is at the right of the picture', () => {
    const motion = trunkMotion({}, { leftSide: 3 });
    const widest = corners(frontLines(trunkAt(motion, 1, false)).outline.join(' '));
    const right = Math.max(...widest.map(([x]) => x)) - 100;
    const left = 100 - Math.min(...widest.map(([x]) => x));
    expect(right).toBeGreaterThan(left + 5);
  });
});
