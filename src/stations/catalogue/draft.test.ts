import { drills } from '@/core/catalogue';
import { blankDrill, outOfReach } from './draft';

test('hands that can’t be where they are asked are told, with which hand and how far; the nearest is shown', () => {
  const drill = blankDrill('own-one');
  expect(outOfReach(drill)).toBeNull();
  const asked = { ...drill, positions: ['sitting', 'standing'] as const, hands: 'arm along the floor' as const };
  const said = outOfReach({ ...asked, positions: [...asked.positions] })!;
  expect(said).toMatch(/^Out of reach: the left hand by \d\d cm in sitting and the left hand by \d\d cm in standing\./);
  expect(said).toMatch(/The nearest that can be reached is shown\.$/);
});

test('nothing of the built-in drills is out of reach', () => {
  expect(drills.map((drill) => outOfReach(drill)).filter(Boolean)).toEqual([]);
});
