import { findDrill } from '../catalogue';
import { planItem, visitOf } from '../fixtures';
import { drillName, lastTimeOf } from '.';

// Found on reading the change again: what went home was told by its id where it was a drill of the coach's own.
test('what went home last time is called as it was in that visit, a drill of one’s own too', () => {
  const own = { ...findDrill('towel-hug')!, id: 'own-hug', name: 'Hug by the harbour' };
  const items = [planItem({ drillId: 'quiet-nose' }), planItem({ drillId: 'own-hug', own })];
  const plan = { plan: { items } } as never;
  const note = { text: '', home: ['own-hug', 'towel-hug', 'gone-drill'], signedAt: null } as never;
  const visit = visitOf('2026-11-23', { plan, note });
  expect(lastTimeOf(visit, {}, 'cm').home.map(({ name }) => name)).toEqual([
    'Hug by the harbour',
    'Towel round the ribs',
    'gone-drill',
  ]);
  expect(lastTimeOf(visit, {}, 'cm').note).toBeNull();
  const told = visitOf('2026-11-23', { note: { text: 'Softer on the left.', home: [], signedAt: null } as never });
  expect(lastTimeOf(told, {}, 'cm').note).toBe('Softer on the left.');
  // Laid out for home, it stands there by itself.
  const home = { plan: { items: [{ id: 'a', item: items[1]! }] } } as never;
  expect(drillName({ home, runs: [], plan: null }, 'own-hug')).toBe('Hug by the harbour');
});
