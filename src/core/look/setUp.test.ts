import { protocolIds, protocols, setUpFor } from '.';
import { met } from '../../../scripts/met';

test('who may not lie with knees bent is not told to, wherever a set-up says so', () => {
  for (const id of protocolIds) {
    const { positions, setUp } = protocols[id];
    const left = positions.filter((position) => position !== 'hook-lying');
    expect(setUpFor(id, positions, 'yes')).toBe(setUp);
    // The search of postures asks for lying as a part of its own, which is gated there.
    if (met(left.length > 0 && left.length < positions.length))
      expect([id, setUpFor(id, left, 'yes')]).toEqual([id, expect.not.stringMatching(/^lying\b/i)]);
  }
  expect(setUpFor('quietLook', ['side-lying', 'sitting'], 'yes')).toMatch(/^Side-lying, “just rest”/);
});

test('without consent no set-up lays the coach’s hands on the ribs', () => {
  expect(setUpFor('regionMap', ['sitting'], 'yes')).toMatch(/^Hands round the ribs\./);
  expect(setUpFor('regionMap', ['sitting'], 'own hands')).toMatch(/^The client’s own hands/);
  for (const touch of ['no', 'unknown'] as const)
    expect(setUpFor('regionMap', ['sitting'], touch)).toMatch(/^By eye alone/);
});
