import { regionIds, regions } from '@/core/trunk';
import { neckReach, partShape, pointAt, reachPath, ringSize } from './ring.geometry';

/** The narrowest the ring is drawn as an input, on a tablet of 1024 px beside what belongs to it; in px. */
const narrowest = 330;
/** What a finger hits (WCAG 2.2, 2.5.5; from memory). */
const finger = 44;
const scale = narrowest / ringSize;

/** The corners of a path, as numbers; how its arcs are bent is left out. */
const pointsOf = (path: string) =>
  [...path.replace(/A \S+ \S+ \d \d \d /g, 'L ').matchAll(/[ML] (-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [
    Number(x),
    Number(y),
  ]);

test('the thin arc of the floor and the neck are as large to a finger as it is', () => {
  expect(neckReach * 2 * scale).toBeGreaterThanOrEqual(finger);
  const points = pointsOf(reachPath('pelvicFloor'));
  const xs = points.map(([x]) => x!);
  const radii = points.map(([x, y]) => Math.hypot(x! - ringSize / 2, y! - ringSize / 2));
  expect((Math.max(...xs) - Math.min(...xs)) * scale).toBeGreaterThanOrEqual(finger);
  expect((Math.max(...radii) - Math.min(...radii)) * scale).toBeGreaterThanOrEqual(finger);
  expect(Math.max(...radii)).toBeLessThanOrEqual(ringSize / 2);
});

test('nobody’s reach takes a place that is drawn as somebody else’s', () => {
  const drawn = regionIds.map((id) => ({ id, ...partShape(id) }));
  for (const { id, from, to, inner, outer } of drawn) {
    if (regions[id].band === 'floor') continue;
    // Its middle is beyond the neck, and inside the ring of the floor.
    const middle = pointAt((from + to) / 2, (inner + outer) / 2);
    const away = Math.hypot(middle.x - ringSize / 2, middle.y - ringSize / 2);
    expect(away).toBeGreaterThan(neckReach);
    expect(inner).toBeGreaterThan(neckReach);
    const floor = pointsOf(reachPath('pelvicFloor')).map(([x, y]) => Math.hypot(x! - ringSize / 2, y! - ringSize / 2));
    expect(outer).toBeLessThanOrEqual(Math.min(...floor));
  }
});
