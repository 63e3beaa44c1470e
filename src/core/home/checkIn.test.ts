import fc from 'fast-check';
import {
  type CheckIn,
  codeOf,
  dayOfHome,
  doneLevels,
  feltLevels,
  homeSigns,
  readCode,
  tellingEnds,
  withCheckIn,
} from '.';

const said: fc.Arbitrary<CheckIn> = fc.record({
  day: fc.integer({ min: 0, max: 13 }),
  done: fc.array(fc.constantFrom(...doneLevels), { minLength: 3, maxLength: 3 }),
  felt: fc.array(fc.constantFrom(...feltLevels), { minLength: 3, maxLength: 3 }),
  signs: fc.uniqueArray(fc.constantFrom(...homeSigns)),
});

test('what was said day by day comes back as the code would have brought it', () => {
  fc.assert(
    fc.property(fc.array(said, { minLength: 1, maxLength: 20 }), fc.integer({ min: 1, max: 3 }), (days, items) => {
      let code: string | null = null;
      for (const day of days) {
        const before = code === null ? null : readCode(code, 'a visit', items);
        code = codeOf(withCheckIn(before?.ok ? before.told : null, day, items), 'a visit');
      }
      const read = readCode(code!, 'a visit', items);
      if (!read.ok) throw new Error(read.why);
      // The last word on each day, and every sign that was ever ticked.
      for (let day = 0; day < 14; day += 1) {
        const last = days.findLast((one) => one.day === day);
        expect(read.told.done[day]).toEqual(Array.from({ length: items }, (_, i) => last?.done[i] ?? 'none'));
      }
      expect(new Set(read.told.signs)).toEqual(new Set(days.flatMap(({ signs }) => signs)));
      for (let i = 0; i < items; i += 1) {
        const felt = days.findLast((one) => one.felt[i] !== 'not said')?.felt[i] ?? 'not said';
        expect(read.told.felt[i]).toBe(felt);
      }
    }),
  );
});

test('days are counted by the calendar, over a change of the clocks too', () => {
  const plan = { from: '2026-10-20', days: 14 };
  expect([dayOfHome(plan, '2026-10-19'), dayOfHome(plan, '2026-10-20'), dayOfHome(plan, '2026-11-02')]).toEqual([
    null,
    0,
    13,
  ]);
  expect(dayOfHome(plan, '2026-11-03')).toBeNull();
  // Whoever is late on the last evening can still tell; a week later nobody can.
  expect(tellingEnds(plan)).toBeGreaterThan(Date.parse('2026-11-03T23:59:00Z'));
  expect(tellingEnds(plan)).toBeLessThan(Date.parse('2026-11-10T00:00:00Z'));
});
