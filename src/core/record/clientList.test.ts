import { dayWritten, matchColumns, rowOfList } from '.';

const match = { name: 0, born: 1, note: 2 };
const row = (cells: string[], order: 'dmy' | 'mdy' | 'ymd' = 'dmy') => rowOfList(cells, match, order, 7, '2026-11-27');

test('columns are matched by what stands at their head, in the words people use', () => {
  expect(matchColumns(['Client', 'Date of birth', 'Remarks'])).toEqual({ name: 0, born: 1, note: 2 });
  expect(matchColumns(['DOB', 'Phone', 'Full name'])).toEqual({ name: 2, born: 0, note: null });
  expect(matchColumns(['Street', 'Town'])).toEqual({ name: null, born: null, note: null });
});

test.each([
  ['7.3.1981', 'dmy', '1981-03-07'],
  ['03/07/1981', 'mdy', '1981-03-07'],
  ['1981-03-07', 'dmy', '1981-03-07'],
  ['29.2.1980', 'dmy', '1980-02-29'],
  ['29.2.1981', 'dmy', null],
  ['31/04/1990', 'dmy', null],
  ['13/13/1990', 'mdy', null],
  ['7.3.81', 'dmy', null],
  ['spring', 'dmy', null],
  ['7.3.1881', 'dmy', null],
] as const)('%s, written %s, is %s', (text, order, day) => expect(dayWritten(text, order)).toBe(day));

test('a line with anything wrong in it is taken not at all, and says what', () => {
  expect(row([' Ilse   Brandt ', '7.3.1981', 'knee'])).toEqual({
    line: 7,
    ok: true,
    name: 'Ilse Brandt',
    born: '1981-03-07',
    note: 'knee',
  });
  expect(row(['Ilse Brandt'])).toMatchObject({ ok: true, born: null, note: '' });
  for (const [cells, why] of [
    [['', '7.3.1981', ''], /no name/],
    [['\u200b', '', ''], /name/i],
    [['Ilse', '40.3.1981', ''], /no day/],
    [['Ilse', '7.3.2030', ''], /still to come/],
    [['Ilse', '', 'x'.repeat(301)], /longer than 300/],
  ] as const) {
    expect(row([...cells])).toMatchObject({ line: 7, ok: false, why: expect.stringMatching(why) });
  }
});
