import { intentIds, wantedFor, wantedRegions } from '.';

const plain = (intent: (typeof intentIds)[number], side: 'left' | 'right' | null = null) => wantedFor(intent, side, []);

test('a closed side is wanted open on the side it was found, with its back, beside what the intent wants', () => {
  for (const side of ['left', 'right'] as const) {
    const [own, other] = side === 'left' ? (['left', 'right'] as const) : (['right', 'left'] as const);
    const wanted = wantedFor('lowerBreath', null, [{ id: 'oneSideLess', severity: 2, side }]);
    const before = plain('lowerBreath');
    expect(wanted[`${own}Side`] ?? 0).toBe((before[`${own}Side`] ?? 0) + 1);
    expect(wanted[`${own}Back`] ?? 0).toBe((before[`${own}Back`] ?? 0) + 1);
    expect(wanted[`${other}Side`]).toBe(before[`${other}Side`]);
    expect(wanted[`${other}Back`]).toBe(before[`${other}Back`]);
  }
});

test('only what is clear or marked asks for more, once however many findings ask for it', () => {
  const finding = (severity: number) => ({ id: 'exhaleShort', severity }) as const;
  expect(wantedFor('openSidesAndBack', null, [finding(1)])).toEqual(plain('openSidesAndBack'));
  const once = wantedFor('openSidesAndBack', null, [finding(2)]);
  expect(once.exhale).toBe((plain('openSidesAndBack').exhale ?? 0) + 1);
  expect(wantedFor('openSidesAndBack', null, [finding(3), { id: 'ribsStayUp', severity: 3 }])).toEqual(once);
});

test('an intent for one side wants that side and its back most; without one it is the left', () => {
  const most = (side: 'left' | 'right') =>
    Object.entries(wantedRegions('openOneSide', side))
      .filter(([, weight], _, all) => weight === Math.max(...all.map(([, one]) => one)))
      .map(([region]) => region)
      .sort();
  expect(most('left')).toEqual(['leftBack', 'leftSide']);
  expect(most('right')).toEqual(['rightBack', 'rightSide']);
  expect(wantedFor('openOneSide', null)).toEqual(wantedFor('openOneSide', 'left'));
});

test('every intent wants something, and nothing less than a little', () => {
  for (const intent of intentIds) {
    const weights = Object.values(plain(intent));
    expect([intent, weights.length > 0, weights.every((weight) => weight > 0)]).toEqual([intent, true, true]);
  }
});
