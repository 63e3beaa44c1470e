import * as z from 'zod/mini';
import {
  addDays,
  commandKinds,
  commandSchemas,
  commandWords,
  dayIn,
  dayInWords,
  firstSentence,
  isZone,
  parseRaw,
  settingsSchema,
  workingDay,
  typedWords,
  defaultSettings,
} from '.';

describe('days', () => {
  test('a day depends on the zone, also across a change of clocks', () => {
    expect(dayIn('2026-11-23T23:30:00Z', 'Europe/Berlin')).toBe('2026-11-24');
    expect(dayIn('2026-11-23T23:30:00Z', 'America/New_York')).toBe('2026-11-23');
    expect(dayIn('2026-03-29T00:59:00Z', 'Europe/London')).toBe('2026-03-29');
    expect(() => dayIn('2026-11-23T23:30:00Z', 'Mars/Olympus')).toThrow(RangeError);
    expect(isZone('Mars/Olympus')).toBe(false);
  });

  test('a visit goes on past midnight on its own day while it is open, and for six hours at most', () => {
    const visit = { day: '2026-11-23', startedAt: '2026-11-23T22:00:00Z', endedAt: null };
    const at = (time: string, of: Parameters<typeof workingDay>[0] = visit) =>
      workingDay(of, time.slice(0, 10), Date.parse(time));
    expect(at('2026-11-23T23:59:00Z')).toBe('2026-11-23');
    expect(at('2026-11-24T03:59:59Z')).toBe('2026-11-23');
    expect(at('2026-11-24T04:00:00Z')).toBe('2026-11-24');
    expect(at('2026-11-24T00:30:00Z', { ...visit, endedAt: '2026-11-24T00:10:00Z' })).toBe('2026-11-24');
    expect(at('2026-11-24T00:30:00Z', null)).toBe('2026-11-24');
    // One that is of a later day than today, by a clock set back, is not worked on.
    expect(at('2026-11-22T22:30:00Z')).toBe('2026-11-22');
  });

  test('days move over months and leap years', () => {
    expect(addDays('2026-02-28', 1)).toBe('2026-03-01');
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2026-01-01', -1)).toBe('2025-12-31');
  });

  test('are said with the year only where it is another one', () => {
    expect(dayInWords('2026-10-19', '2026-11-23')).toBe('19 October');
    expect(dayInWords('2025-12-31', '2026-11-23')).toBe('31 December 2025');
  });
});

test('what was typed is told part by part, without what nobody typed; every kind has its words', () => {
  expect(Object.keys(commandWords).sort()).toEqual([...commandKinds].sort());
  expect(typedWords({ clientId: 'x', factId: 'y', name: 'Ilse', basedOn: null })).toEqual(['name: Ilse']);
  expect(typedWords({ lookId: 'x', raw: { taps: [0, 4], position: 'sitting' }, revision: 3 })).toEqual([
    'raw taps: 0, 4',
    'raw position: sitting',
  ]);
  expect(typedWords({ items: [{ id: 'a', breaths: 8 }] })).toEqual(['items 1 breaths: 8']);
  expect(typedWords({ firstBreath: 'noseQuiet', note: 'saw McBride', list: ['quietLook', 'tape'] })).toEqual([
    'first breath: nose quiet',
    'note: saw McBride',
    'list: quiet look, tape',
  ]);
  expect(typedWords(null)).toEqual([]);
});

describe('what comes in is checked', () => {
  test('the defaults are valid settings', () => {
    expect(settingsSchema.parse(defaultSettings)).toEqual(defaultSettings);
  });

  test('the first thing that is wrong is said in one sentence, with its place where the rule has no words', () => {
    const own = z.object({ name: z.string().check(z.minLength(1, 'A name is needed.')) }).safeParse({ name: '' });
    expect(firstSentence(own.error!)).toBe('A name is needed.');
    const plain = z.object({ minutes: z.number() }).safeParse({ minutes: 'x' });
    expect(firstSentence(plain.error!)).toMatch(/^minutes: .*\.$/);
  });

  test('plans with no breath, absurd doses or a made-up position are refused', () => {
    const item = {
      id: 'a',
      drillId: 'quiet-nose',
      position: 'sitting',
      props: [],
      side: 'none',
      cadences: [{ inhaleSeconds: 3, topPauseSeconds: 0, exhaleSeconds: 4, bottomPauseSeconds: 0 }],
      breaths: 10,
      sets: 1,
      restSeconds: 0,
      setUpSeconds: 10,
      changes: [],
      reasons: [],
      byHand: false,
    };
    const run = (change: object) =>
      commandSchemas['run.create'].safeParse({
        runId: '00000000-0000-4000-8000-000000000001',
        visitId: '00000000-0000-4000-8000-000000000002',
        items: [{ ...item, ...change }],
      }).success;
    expect(run({})).toBe(true);
    expect(run({ cadences: [] })).toBe(false);
    expect(run({ breaths: 1e9 })).toBe(false);
    expect(run({ breaths: -1 })).toBe(false);
    expect(run({ position: 'in the sea' })).toBe(false);
    expect(run({ cadences: [{ ...item.cadences[0], exhaleSeconds: Number.NaN }] })).toBe(false);
  });

  test('raw looks are checked by their protocol', () => {
    expect(parseRaw('marker', { position: 'sitting', readings: [4, 5] }).success).toBe(true);
    expect(parseRaw('marker', { position: 'sitting', readings: [40] }).success).toBe(false);
  });
});
