import fc from 'fast-check';
import {
  dateLanguageIds,
  dayInWords,
  inWeekOrder,
  mannerOfDates,
  momentInWords,
  monthInWords,
  tellDatesIn,
  weekStarts,
  weekdayAndDay,
  weekdayName,
  weekdayShort,
} from '.';
import { weekOf } from '../diary';

afterEach(() => tellDatesIn({ dateLanguage: 'en-GB', weekStart: 'monday' }));
const day = '2026-11-26';
const all = () => [
  dayInWords(day, '2026-11-01'),
  dayInWords(day, '2027-01-01'),
  weekdayName(day),
  weekdayShort(day),
  weekdayAndDay(day),
  monthInWords(day),
  momentInWords('2026-11-26T13:05:00Z', 'UTC'),
];

/** As these languages are written: facts of the languages, from memory; Unicode CLDR has them, which the engine prints from. */
test.each([
  ['en-GB', ['26 November', '26 November 2026', 'Thursday', 'Thu', 'Thursday 26 November', 'November 2026']],
  ['en-US', ['November 26', 'November 26, 2026', 'Thursday', 'Thu', 'Thursday, November 26', 'November 2026']],
  ['de-DE', ['26. November', '26. November 2026', 'Donnerstag', 'Do', 'Donnerstag, 26. November', 'November 2026']],
  ['fr-FR', ['26 novembre', '26 novembre 2026', 'jeudi', 'jeu.', 'jeudi 26 novembre', 'novembre 2026']],
] as const)('days are said in %s as they are there', (dateLanguage, said) => {
  tellDatesIn({ dateLanguage, weekStart: 'monday' });
  expect(all().slice(0, -1)).toEqual(said);
});

test('every language says every day otherwise than with figures alone, and the time by 24 hours', () => {
  for (const dateLanguage of dateLanguageIds) {
    tellDatesIn({ dateLanguage, weekStart: 'sunday' });
    expect(mannerOfDates()).toEqual({ dateLanguage, weekStart: 'sunday' });
    for (const words of all().slice(0, -1)) expect(words).toMatch(/\p{L}/u);
    expect(momentInWords('2026-11-26T13:05:00Z', 'UTC')).toMatch(/13[:.]05$/);
  }
});

test('a week holds its day, once, and begins with the day weeks begin with', () => {
  const firsts = { monday: 'Monday', sunday: 'Sunday', saturday: 'Saturday' };
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 40_000 }), fc.constantFrom(...weekStarts), (n, start) => {
      const one = new Date(n * 86_400_000).toISOString().slice(0, 10);
      const week = weekOf(one, start);
      expect(week.filter((other) => other === one)).toHaveLength(1);
      expect([week.length, new Set(week).size, weekdayName(week[0]!)]).toEqual([7, 7, firsts[start]]);
    }),
  );
});

test.each(weekStarts)('what is kept Monday first stands as a week goes that begins on a %s', (start) => {
  const names = weekOf('2026-11-23', 'monday').map(weekdayName);
  expect(inWeekOrder(names, start)).toEqual(weekOf('2026-11-26', start).map(weekdayName));
});
