import { readFileSync } from 'node:fs';
import { ofAFew, ofAFewAt } from './reading';

test('what the app says a lead is worth is of the reading as it is now (npm run bench -- --reading writes it, in some minutes)', () => {
  expect(JSON.parse(readFileSync(ofAFewAt, 'utf8'))).toEqual(ofAFew());
});
