import { angleAtPoint, halfCircleSize, lineEnd, pivot, sector } from './halfCircle.geometry';
import { met } from '../../../scripts/met';

test('a line drawn at an angle is found again where it ends', () => {
  for (const degrees of [0, 5, 30, 45, 90]) {
    const up = lineEnd(degrees);
    expect(angleAtPoint(up.x, up.y)).toEqual({ line: 'upper', degrees });
    if (met(degrees > 0))
      expect(angleAtPoint(lineEnd(-degrees).x, lineEnd(-degrees).y)).toEqual({ line: 'lower', degrees });
  }
});

test('every end lies on the half circle, and points behind the pivot count as upright', () => {
  for (const degrees of [-90, -20, 0, 70]) {
    const { x, y } = lineEnd(degrees);
    expect(Math.hypot(x - pivot.x, y - pivot.y)).toBeCloseTo(halfCircleSize.radius, 9);
  }
  expect(angleAtPoint(0, 0)).toEqual({ line: 'upper', degrees: 90 });
  expect(angleAtPoint(0, halfCircleSize.height)).toEqual({ line: 'lower', degrees: 90 });
});

test('a sector begins and ends at the pivot', () => {
  expect(sector(0, 90)).toMatch(new RegExp(`^M ${pivot.x.toFixed(1)} ${pivot.y.toFixed(1)} L .* Z$`));
});
