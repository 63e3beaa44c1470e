import { type RunEvent } from '@/core/coach';
import { helpedSeen, historyOf, visitDigestsOf } from '.';
import { quietItem, testStudio, type TestStudio } from './fixtures';

let studio: TestStudio;
beforeEach(() => {
  studio = testStudio('kept');
});
afterEach(() => studio.close());

const given = (helped: 'better' | 'worse'): RunEvent[] => [
  ...Array.from({ length: 8 }, (_, breath): RunEvent => ({ type: 'breath', item: 0, set: 1, breath, seconds: 6 })),
  { type: 'fault', item: 0, fault: 'shoulders' },
  { type: 'effort', item: 0, of10: 2 },
  { type: 'helped', item: 0, result: helped },
  { type: 'end', why: 'done' },
];

test('what a drill did to the marker is seen over all clients, and each visit keeps how its drills went', () => {
  const [ada, ben] = ['Ada', 'Ben'].map((name) => studio.person(name));
  for (const [person, helped] of [
    [ada, 'better'],
    [ben, 'worse'],
  ] as const)
    studio.append(studio.begun(person!.visitId), ...given(helped));
  expect(helpedSeen(studio.store).map(({ clientId, helped }) => [clientId, helped])).toEqual(
    expect.arrayContaining([
      [ada!.clientId, 'better'],
      [ben!.clientId, 'worse'],
    ]),
  );
  // Planning takes it up, drawn toward what the drill shows with others: one time better beside one worse is little.
  const helpedOf = (clientId: string) => historyOf(studio.store, clientId)[0]?.helped ?? null;
  expect(helpedOf(ada!.clientId)).toBeGreaterThan(0);
  expect(helpedOf(ada!.clientId)).toBeLessThan(1);
  expect(helpedOf(ben!.clientId)).toBeLessThan(0);
  expect(visitDigestsOf(studio.store, ada!.clientId)).toMatchObject([
    {
      visitId: ada!.visitId,
      drills: [
        {
          drillId: quietItem().drillId,
          position: 'hook-lying',
          delivered: 8,
          effort: 2,
          faults: { shoulders: 1 },
          outcome: 'calm',
        },
      ],
    },
  ]);
});

test('a client without a visit has none, and an empty studio has seen nothing', () => {
  expect(helpedSeen(studio.store)).toEqual([]);
  expect(visitDigestsOf(studio.store, 'nobody')).toEqual([]);
});
