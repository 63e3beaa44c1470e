import type * as z from 'zod/mini';
import { type FactKey, factFits, factKeys, factSchemas, knownClient, redFlagIds } from '.';
import { generator, seeded } from '../fixtures/generate';
import { rounds } from '../../../scripts/rounds';

/** What a field may hold by a slip, by an older version, or by bad will: round every edge there is. */
const odd: readonly unknown[] = [
  ...[null, undefined, true, false, {}, [], ['pain'], ['nowhere'], [3]],
  ...[-1, 0, 1, 1.5, 7, 7.5, 8, 10, 10.5, 11, 42, 42.5, 43, NaN, Infinity, 2 ** 60, '3'],
  ...['', ' ', 'yes', 'nothing', 'left', 'abdomen', '\u200b', '  ab  ', ' a ', '  fine ', ' fine now '],
  ...['2026-11-27', '2026-02-30', '2026-2-3', '1899-12-31', '1900-01-01', '2200-01-01', '2200-01-02', '27.11.2026'],
  ...[119, 120, 121, 199, 200, 201, 299, 300, 301, 1999, 2000, 2001, 3999, 4000, 4001].map((n) => 'a'.repeat(n)),
  ' '.repeat(300) + 'Dr Fenn' + ' '.repeat(300),
];

/** The value itself put in place of another, and each of its fields, and one more or less in each of its lists. */
function* near(value: unknown): Generator<unknown> {
  yield value;
  yield* odd;
  if (Array.isArray(value)) yield* [value.slice(1), [...value, ...value, ...value], [...value, 'nowhere']];
  else if (typeof value === 'object' && value !== null) {
    for (const [field, held] of Object.entries(value)) {
      for (const other of near(held)) yield { ...value, [field]: other };
    }
  }
}

test.each(factKeys)('%s: taken for what it is exactly where the door takes it in', (key) => {
  const make = generator(factSchemas[key] as z.ZodMiniType, seeded(factKeys.indexOf(key) + 1));
  const seen = { true: 0, false: 0 };
  for (let n = 0; n < rounds(20); n += 1) {
    for (const value of near(make())) {
      const { success } = factSchemas[key].safeParse(value);
      seen[`${success}`] += 1;
      if (factFits(key, value) !== success) throw new Error(`${success} at the door: ${JSON.stringify(value)}`);
    }
  }
  expect(Math.min(seen.true, seen.false)).toBeGreaterThan(0);
});

test('nothing is asked under any other name', () => {
  for (const key of ['constructor', 'toString', '', 'notes'] as string[] as FactKey[]) {
    expect(factFits(key, 'yes')).toBe(false);
    expect(knownClient([{ id: 'a', key, value: 'yes', at: '2026-11-27T09:00:00.000Z', day: '2026-11-27' }])).toEqual(
      knownClient([]),
    );
  }
});

test('who cleared a sign, and a name, stand without the spaces round them, as they are kept', () => {
  const fact = (key: FactKey, value: unknown) => ({
    id: key,
    key,
    value,
    at: '2026-11-27T09:00:00.000Z',
    day: '2026-11-27',
  });
  const { profile, texts } = knownClient([
    fact('name', '  Ned Quillwater '),
    fact('redFlags', { present: [redFlagIds[0]] }),
    fact('redFlagClearance', { clinician: ' Dr Fenn ', reason: '  seen on Monday ' }),
  ]);
  expect(texts.name).toBe('Ned Quillwater');
  expect(profile.redFlags?.clearance).toMatchObject({ clinician: 'Dr Fenn', reason: 'seen on Monday' });
});
