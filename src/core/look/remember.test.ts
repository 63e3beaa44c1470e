import { unobserved } from '../trunk';
import { type LookRecord, asLastTime, blankRaw, lookList, rememberedOf } from '.';

let count = 0;
const look = (protocol: LookRecord['protocol'], day: number, raw: object, rest: object = {}): LookRecord =>
  ({
    id: `look-${(count += 1)}`,
    visitId: `visit-${day}`,
    protocol,
    version: 1,
    moment: 'before',
    takenAt: `2026-11-${String(day).padStart(2, '0')}T10:00:00.000Z`,
    raw: blankRaw(protocol, raw),
    ...rest,
  }) as LookRecord;
const map = (day: number, position: string, belly: number, rest: object = {}, raw: object = {}) =>
  look('regionMap', day, { position, quiet: { ...unobserved(), belly }, ...raw }, rest);

describe('what a new visit begins with', () => {
  test('the newest map of each position, whichever order they come in', () => {
    const looks = [map(3, 'sitting', 1), map(17, 'sitting', 2), map(10, 'hook-lying', 3), map(2, 'hook-lying', 0)];
    for (const order of [looks, [...looks].reverse()]) {
      const found = rememberedOf(order, null).maps.map(({ raw }) => [raw.position, raw.quiet.belly]);
      expect(found).toEqual([
        ['sitting', 2],
        ['hook-lying', 3],
      ]);
    }
  });

  test('not what was graded blind, and not what came after the drills', () => {
    const looks = [
      map(3, 'sitting', 1),
      map(4, 'sitting', 2, {}, { blindOf: '0198c6f0-3e52-7b0c-9d0c-2a8a4c1f6d11' }),
      map(5, 'sitting', 3, { moment: 'after' }),
    ];
    expect(rememberedOf(looks, null).maps.map(({ raw }) => raw.quiet.belly)).toEqual([1]);
  });

  test('where each protocol was taken last, and what was compared by', () => {
    const looks = [
      look('twoHands', 3, { position: 'hook-lying' }),
      look('twoHands', 9, { position: 'sitting' }),
      look('marker', 9, { measure: 'sideBend', position: 'standing', readings: [3] }),
      look('marker', 2, { measure: 'ease', position: 'sitting', readings: [4] }),
    ];
    expect(rememberedOf(looks, null)).toMatchObject({
      positions: { twoHands: 'sitting', marker: 'standing' },
      marker: 'sideBend',
    });
  });
});

test('the looks come in the order of last time; those that were not on it stay where they usually come', () => {
  const usual = lookList('recheck', ['twoHands', 'regionMap']);
  expect(usual.protocols).toEqual(['quietLook', 'twoHands', 'regionMap', 'marker']);
  expect(asLastTime(usual, ['marker', 'quietLook', 'tape']).protocols).toEqual([
    'marker',
    'twoHands',
    'regionMap',
    'quietLook',
  ]);
  expect(asLastTime(usual, [])).toEqual(usual);
});
