import type * as Met from './met';

/** Apart from the one that watches over this file: what is left unmet here is meant to be. */
function apart() {
  let own!: typeof Met;
  jest.isolateModules(() => (own = jest.requireActual<typeof Met>('./met')));
  return own;
}

test('a place whose condition came up once is none that was never met; another is told by its line', () => {
  const { met, neverMet } = apart();
  for (const value of [1, 2, 3]) if (met(value > 2)) expect(value).toBe(3);
  expect(neverMet()).toEqual([]);
  for (const value of [1, 2, 3]) if (met(value > 3)) throw new Error('Never.');
  expect(neverMet()).toEqual([expect.stringContaining('met.test.ts:')]);
});

test('two places on one line are two', () => {
  const { met, neverMet } = apart();
  for (const value of [1, 2]) [met(value > 0), met(value > 5)].join();
  expect(neverMet()).toHaveLength(1);
});

test('what is handed in comes out as yes or no', () => {
  const { met } = apart();
  expect([met('a'), met(''), met(null), met(0), met([])]).toEqual([true, false, false, false, true]);
});
