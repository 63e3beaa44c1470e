import { regionIds, ringRegionIds } from '@/core/trunk';
import { arcPath, gradeRadius, labelPoint, needle, partShape, pointAt, ringSize, sectorPath } from './ring.geometry';

describe('ring geometry', () => {
  test('front is up, the client’s right is on the right', () => {
    expect(pointAt(0, 100)).toEqual({ x: ringSize / 2, y: ringSize / 2 - 100 });
    expect(pointAt(90, 100).x).toBeCloseTo(ringSize / 2 + 100, 8);
    expect(pointAt(270, 100).x).toBeCloseTo(ringSize / 2 - 100, 8);
  });

  test('parts of one band never overlap', () => {
    const outer = ringRegionIds.filter((id) => partShape(id).inner === partShape('belly').inner).map(partShape);
    const sorted = outer.sort((a, b) => a.from - b.from);
    sorted.slice(1).forEach((shape, i) => expect(shape.from).toBeGreaterThan(sorted[i]!.to));
    expect(sorted.at(-1)!.to - 360).toBeLessThan(sorted[0]!.from);
  });

  test('a grade fills its band in thirds, from none to all of it', () => {
    const shape = partShape('leftSide');
    expect([0, 1, 2, 3].map((grade) => gradeRadius(shape, grade))).toEqual([
      shape.inner,
      shape.inner + (shape.outer - shape.inner) / 3,
      shape.inner + (2 * (shape.outer - shape.inner)) / 3,
      shape.outer,
    ]);
    expect(gradeRadius(shape, 9)).toBe(shape.outer);
  });

  test('paths are closed sectors with whole numbers of points, and no part is drawn outside the square', () => {
    for (const id of regionIds) {
      const { from, to, inner, outer } = partShape(id);
      const path = sectorPath(from, to, inner, outer);
      expect(path).toMatch(/^M [\d. ]+ A [\d. ]+ L [\d. ]+ A [\d. ]+ Z$/);
      const label = labelPoint(id);
      expect(Math.min(label.x, label.y)).toBeGreaterThan(0);
      expect(Math.max(label.x, label.y)).toBeLessThan(ringSize);
    }
    expect(arcPath(0, 90, 10)).toContain('A 10 10 0 0 1');
  });

  test('the needle points where the breath leans and stays inside the inner band', () => {
    expect(needle(null, 0.4)).toBeNull();
    expect(needle(20, 0.01)).toBeNull();
    const { tail, tip } = needle(90, 0.9)!;
    expect(tip.x).toBeGreaterThan(tail.x);
    expect(Math.hypot(tip.x - tail.x, tip.y - tail.y)).toBeLessThanOrEqual(118);
  });
});
