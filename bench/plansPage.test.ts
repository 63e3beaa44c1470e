import { readFileSync } from 'node:fs';
import { constructed } from '../demo/constructed';
import { judgements } from './judgements';
import { plansPage } from './plansPage';

test('the page of plans shows the plans as they are made now (npm run bench -- --plans writes it)', () => {
  const lines = (text: string) => text.split('\n').map((line) => line.trim());
  expect(lines(readFileSync('docs/plans-reviewed.md', 'utf8'))).toEqual(lines(plansPage()));
});

test('everybody on it was judged by hand', () => {
  const people = constructed.filter(({ tie }) => !tie).map(({ id }) => id);
  expect(Object.keys(judgements).sort()).toEqual([...people].sort());
});
