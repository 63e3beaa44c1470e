import { drills, findDrill } from '../catalogue';
import { conditionIds } from '../safety';
import { checksFor } from '.';

const effort = findDrill('chair-rise')!;

// Common practice, no published source: after effort each is asked what their own trouble would show.
test.each([
  ['leaking', ['leak']],
  ['prolapse', ['heaviness', 'leak']],
  ['separation', ['doming']],
  ['recentBirth', ['doming', 'heaviness', 'leak']],
  ['pregnancy', ['doming', 'heaviness', 'leak']],
] as const)('with %s %j is asked after effort', (condition, asked) => {
  expect(checksFor(effort, [condition]).sort()).toEqual(asked);
});

test('of several each is asked once; of the others, and after what asks no effort, nothing', () => {
  expect(checksFor(effort, ['leaking', 'prolapse', 'pregnancy']).sort()).toEqual(['doming', 'heaviness', 'leak']);
  const besides = conditionIds.filter(
    (id) => !['leaking', 'prolapse', 'separation', 'recentBirth', 'pregnancy'].includes(id),
  );
  expect(checksFor(effort, besides)).toEqual([]);
  expect(checksFor(findDrill('quiet-nose')!, ['leaking', 'pregnancy'])).toEqual([]);
});

test('one drill asks everybody whether it was kept by day, and no other does', () => {
  expect(drills.filter((drill) => checksFor(drill, []).length > 0).map(({ id }) => id)).toEqual(['carry-hinge']);
  expect(checksFor(findDrill('carry-hinge')!, [])).toEqual(['not kept by day']);
});
