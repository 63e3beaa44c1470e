import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { foldRun } from '@/core/coach';
import { quietRate } from '@/core/look';
import { chanceFrom } from '@/core/numbers';
import { minuteIn, placing } from '@/core/diary';
import { dayIn } from '@/core/record';
import { readFindings, likelyPatterns, scorePatterns } from '@/core/read';
import { checkComponents, evaluateGates, pregnancyWeek } from '@/core/safety';
import { itemComponents } from '@/core/sequence';
import {
  type Store,
  bookingsBetween,
  knownClientOf,
  openStore,
  readSettings,
  searchClients,
  visitRecord,
  visitsOf,
} from '@/store';
import { tapsAt } from './load';
import { demoAt } from './ready';
import { people } from './people';
import { scratchFolder } from '../scripts/scratch';

let now: number;
let folder: string;
let store: Store;

beforeAll(() => {
  folder = scratchFolder('demo');
  const path = join(folder, 'demo.db');
  now = demoAt(path);
  store = openStore(path);
});
afterAll(() => {
  store.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

const everyone = () => searchClients(store, '');
const today = () => dayIn(now, readSettings(store).timeZone);

describe('the demo studio', () => {
  test('has at least four invented clients with two to five visits each, all before today', () => {
    expect(everyone().length).toBe(people.length);
    expect(people.length).toBeGreaterThanOrEqual(4);
    for (const { id } of everyone()) {
      const days = visitsOf(store, id).map(({ day }) => day);
      expect(days.length).toBeGreaterThanOrEqual(2);
      expect(days.length).toBeLessThanOrEqual(5);
      expect(days.every((day) => day < today())).toBe(true);
    }
  });

  test('books its people for today, by the studio’s clock', () => {
    const { timeZone } = readSettings(store);
    const all = bookingsBetween(store, '0', '9999');
    const rows = all.filter(({ startsAt }) => dayIn(startsAt, timeZone) === today());
    expect(rows.map(({ name }) => name)).toEqual(people.filter((person) => person.today).map(({ name }) => name));
    // Nobody of those to come is in anybody's way, or at a closed door.
    for (const { id, clientId, startsAt, minutes, off } of all) {
      if (off || dayIn(startsAt, timeZone) <= today()) continue;
      const from = minuteIn(startsAt, timeZone);
      const wish = { day: dayIn(startsAt, timeZone), from, to: from + minutes, clientId, moving: id };
      const rooms = { zone: timeZone, hours: readSettings(store).hours, now: new Date(0).toISOString() };
      expect([startsAt, placing(wish, all, rooms).against]).toEqual([startsAt, []]);
    }
  });

  test('tells the weeks of pregnancy as of today', () => {
    const ilse = everyone().find(({ name }) => name.startsWith('Ilse'))!;
    expect(pregnancyWeek(knownClientOf(store, ilse.id).profile.answers.pregnancy, today())).toBe(29);
  });

  test('never coached anybody with what was off limits on the day', () => {
    for (const { id } of everyone()) {
      const { profile } = knownClientOf(store, id);
      for (const row of visitsOf(store, id)) {
        const gates = evaluateGates(profile, row.day);
        for (const { items, events } of visitRecord(store, row).runs) {
          expect(foldRun(items, events).status).toBe('ended');
          for (const item of items) expect(checkComponents(gates, itemComponents(item)).allowed).toBe(true);
        }
      }
    }
  });

  test('reads as it is told: the pattern named for each visit is among those its looks speak for', () => {
    for (const { id, name } of everyone()) {
      const person = people.find((one) => one.name === name)!;
      const visits = [...person.visits].sort((a, b) => a.daysAgo - b.daysAgo);
      visitsOf(store, id).forEach((row, i) => {
        const findings = readFindings(visitRecord(store, row).looks);
        const { shown } = likelyPatterns(scorePatterns(findings), findings);
        const named = visits[i]!.patterns;
        expect([name, row.day, shown.map(({ pattern }) => pattern.id)]).toEqual([
          name,
          row.day,
          expect.arrayContaining(named.slice(0, 1)),
        ]);
      });
    }
  });
});

describe('made-up taps and hours', () => {
  test.each([
    [12, 0.3],
    [20.6, 1.1],
    [25, 0],
  ])('taps at %d a minute keep the rate, over a minute or more', (rate, spread) => {
    const taps = tapsAt(rate, spread, chanceFrom(3).part);
    const counted = quietRate(taps);
    expect(counted.breathsPerMinute).toBeCloseTo(rate, 1);
    expect(counted.seconds).toBeGreaterThanOrEqual(60);
  });
});
