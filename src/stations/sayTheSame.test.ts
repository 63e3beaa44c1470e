import { sayTheSame } from './sayTheSame';
import { clientView, fact } from './view.fixtures';

const told = (value: string, at: string) => ({ ...fact('goal', value), id: 'goal', at });
const view = (value: string, at: string, asOf: number) => ({ ...clientView({ facts: [told(value, at)] }), asOf });

test('the same page made once more says the same: how far the server was, and the second, are not drawn', () => {
  const before = view('A full breath', '2026-11-23T09:00:04.120Z', 7);
  expect(sayTheSame(before, view('A full breath', '2026-11-23T09:00:04.120Z', 7))).toBe(true);
  expect(sayTheSame(before, view('A full breath', '2026-11-23T09:00:05.870Z', 9))).toBe(true);
});

test('another word, another minute, one thing more or less is another page', () => {
  const before = view('A full breath', '2026-11-23T09:00:04.120Z', 7);
  expect(sayTheSame(before, view('A fuller breath', '2026-11-23T09:00:04.120Z', 7))).toBe(false);
  expect(sayTheSame(before, view('A full breath', '2026-11-23T09:01:04.120Z', 7))).toBe(false);
  expect(sayTheSame({ list: [1] }, { list: [1, undefined] })).toBe(false);
  expect(sayTheSame({ a: undefined }, { b: undefined })).toBe(false);
  expect(sayTheSame({ a: 1 }, { a: 1, b: null })).toBe(false);
  expect(sayTheSame([], {})).toBe(false);
  expect(sayTheSame({ goesAt: null }, { goesAt: {} })).toBe(false);
});

test('a time of day is told to the minute it is, and what is no plain thing is the same only as itself', () => {
  expect(sayTheSame({ at: '07:30' }, { at: '07:31' })).toBe(false);
  expect(sayTheSame({ at: 1.5 }, { at: 1.6 })).toBe(false);
  const [one, other] = [new Map([['a', 1]]), new Map([['a', 1]])];
  expect(sayTheSame({ one }, { one })).toBe(true);
  expect(sayTheSame({ one }, { one: other })).toBe(false);
  expect(sayTheSame({ says: () => 1 }, { says: () => 1 })).toBe(false);
});
