import { type RunEvent } from '@/core/coach';
import { findDrill } from '@/core/catalogue';
import { helpedSeen, historyOf, ownNamesOf, visitDigestsOf } from '.';
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

// Found on weighing the page: a drill of the coach’s own stood under What changed it by its id.
test('a drill of one’s own is called what it was when it was last done, also where no catalogue has it any more', () => {
  const [ada, ben] = ['Ada', 'Ben'].map((name) => studio.person(name));
  const own = (name: string) =>
    quietItem({ drillId: 'own-hug', own: { ...findDrill('towel-hug')!, id: 'own-hug', name } });
  for (const [name, at] of [
    ['Harbour hug', '2026-11-27'],
    ['Hug by the harbour', '2026-11-24'],
  ] as const) {
    const runId = studio.begun(ada!.visitId, [quietItem(), own(name)]);
    studio.append(runId, { type: 'end', why: 'done' });
    studio.store.$client.prepare('update runs set at = ? where id = ?').run(`${at}T10:00:00.000Z`, runId);
  }
  expect([...ownNamesOf(studio.store, ada!.clientId)]).toEqual([['own-hug', 'Harbour hug']]);
  expect(ownNamesOf(studio.store, ben!.clientId).size).toBe(0);
  // What can't be read names nothing, and hides no other.
  studio.store.$client.prepare(`update runs set items = '[{' where items like '%Harbour hug%'`).run();
  expect([...ownNamesOf(studio.store, ada!.clientId)]).toEqual([['own-hug', 'Hug by the harbour']]);
  studio.store.$client.prepare(`update runs set items = '["a", 7, null, {"own": {"name": "No id"}}]'`).run();
  expect([...ownNamesOf(studio.store, ada!.clientId).keys()]).not.toContain('own-hug');
});

test('a client without a visit has none, and an empty studio has seen nothing', () => {
  expect(helpedSeen(studio.store)).toEqual([]);
  expect(visitDigestsOf(studio.store, 'nobody')).toEqual([]);
});
