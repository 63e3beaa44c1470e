import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import {
  copiesOf,
  copyFailed,
  copyOfDay,
  copyToSecond,
  openStore,
  restore,
  seal,
  secondFailed,
  secondPlace,
  setSeal,
  setSecondPlace,
} from '..';
import { timesToDrop } from './copies';

const day = 86_400_000;
const from = Date.UTC(2025, 0, 15, 9);
const iso = (ms: number) => new Date(ms).toISOString();

describe('which copies are kept', () => {
  test('after two years of one a day: the last fourteen days and one of each of the last twelve months', () => {
    let kept: string[] = [];
    for (let n = 0; n < 730; n += 1) {
      kept.push(iso(from + n * day));
      const drop = new Set(timesToDrop(kept));
      kept = kept.filter((at) => !drop.has(at));
    }
    const last = from + 729 * day;
    const days = kept.map((at) => at.slice(0, 10));
    for (let back = 0; back < 14; back += 1) expect(days).toContain(iso(last - back * day).slice(0, 10));
    const months = [...new Set(kept.map((at) => at.slice(0, 7)))];
    expect(months).toHaveLength(12);
    // Of a month that is over its last copy is kept.
    expect(days).toContain('2026-11-30');
    expect(kept.length).toBeLessThanOrEqual(14 + 12);
  });

  test('whatever there is: the newest stays, nothing goes twice, and clearing again clears nothing', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: from, max: from + 900 * day }), { minLength: 1, maxLength: 80 }),
        (times) => {
          const all = times.map(iso);
          const drop = timesToDrop(all);
          const kept = [...new Set(all)].filter((at) => !drop.includes(at));
          expect(kept).toContain([...all].sort().at(-1));
          expect(new Set(drop).size).toBe(drop.length);
          expect(timesToDrop(kept)).toEqual([]);
          expect(kept.length).toBeLessThanOrEqual(26);
        },
      ),
    );
  });
});

describe('today’s copy', () => {
  const folder = mkdtempSync(join(tmpdir(), 'kokyu-copies-'));
  const path = join(folder, 'studio.db');
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  test('is made once, opened to check it, and an older one that need not be kept goes only then', () => {
    openStore(path).$client.close();
    const first = copyOfDay(path, from)!;
    expect(first.clients).toBe(0);
    expect(copyOfDay(path, from + 3 * 3_600_000)).toBeNull();
    // A clock set back makes one more rather than none.
    expect(copyOfDay(path, from - day)).not.toBeNull();
    for (let n = 1; n < 20; n += 1) copyOfDay(path, from + n * day);
    const times = copiesOf(path).map(({ at }) => at.slice(0, 10));
    expect(times[0]).toBe('2025-02-03');
    expect(times).toHaveLength(14);
    expect(times.at(-1)).toBe('2025-01-21');
    for (const one of copiesOf(path)) openStore(join(one.folder, 'studio.db')).$client.close();
  });

  test('that can’t be made is noted with why, leaves nothing half made, and the next that can takes the note away', () => {
    const good = readFileSync(path);
    writeFileSync(path, Buffer.concat([good.subarray(0, 4096), Buffer.alloc(8192, 7)]));
    expect(() => copyOfDay(path, from + 40 * day)).toThrow();
    expect(copyFailed(path)).toMatchObject({ at: iso(from + 40 * day), why: expect.stringMatching(/\.$/) });
    expect(readdirSync(join(folder, 'backups', 'daily')).filter((name) => name.endsWith('.part'))).toEqual([]);
    expect(copiesOf(path)).toHaveLength(14);
    writeFileSync(path, good);
    expect(copyOfDay(path, from + 41 * day)).not.toBeNull();
    expect(copyFailed(path)).toBeNull();
    expect(existsSync(join(folder, 'backups', 'daily', 'failed.json'))).toBe(false);
  });
});

describe('the second place', () => {
  let folder: string;
  let path: string;
  let stick: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'kokyu-second-'));
    path = join(folder, 'here', 'studio.db');
    stick = join(folder, 'stick');
    openStore(path).$client.close();
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
  });
  afterEach(() => {
    jest.restoreAllMocks();
    rmSync(folder, { recursive: true, force: true });
  });
  const copied = (at: number) => copyToSecond(path, copyOfDay(path, at)!, at);
  const there = () => readdirSync(stick).filter((name) => !name.endsWith('.json'));

  test('takes every copy, whole, and is cleared by the same rule; what was set before stays when it is set again', () => {
    expect(copied(from)).toBeNull();
    setSecondPlace(path, stick);
    for (let n = 1; n < 40; n += 1) expect(copied(from + n * day)).toBe(true);
    expect(there().length).toBeLessThanOrEqual(26);
    expect(there()).toContain(
      readdirSync(join(folder, 'here', 'backups', 'daily'))
        .sort()
        .at(-1),
    );
    const back = join(folder, 'back', 'studio.db');
    restore(back, join(stick, there().at(-1)!), from);
    openStore(back).$client.close();
    setSecondPlace(path, stick);
    setSecondPlace(path, null);
    expect([secondPlace(path), copied(from + 41 * day)]).toEqual([null, null]);
    expect(there().length).toBeGreaterThan(0);
  });

  test('a locked copy stays locked there', async () => {
    setSecondPlace(path, stick);
    await setSeal(path, 'lock keeper of the weir', 1);
    const made = copyOfDay(path, from)!;
    await seal(path, made.folder);
    expect(copyToSecond(path, made, from)).toBe(true);
    expect(readdirSync(join(stick, there()[0]!)).sort()).toEqual(['backup.json', 'copy.zip.age', 'key.age']);
  });

  test('gone, or another in its place, it is told of, and the copy here is as it was; back again, the note goes', () => {
    setSecondPlace(path, stick);
    rmSync(stick, { recursive: true });
    expect(copied(from)).toBe(false);
    expect(secondFailed(path)?.why).toMatch(/took no copy/);
    // A stick of the same name, with something else on it.
    mkdirSync(stick);
    expect(copied(from + day)).toBe(false);
    expect([copiesOf(path).length, there()]).toEqual([2, []]);
    setSecondPlace(path, stick);
    expect([copied(from + 2 * day), secondFailed(path)]).toEqual([true, null]);
  });

  test.each([
    ['a name without a root', () => 'backups', 'from its root'],
    ['where the studio lies', () => join(folder, 'here', 'more'), 'on another disk'],
    [
      'a folder with something in it',
      () => (writeFileSync(join(folder, 'notes.txt'), 'x'), folder),
      'something in this folder',
    ],
    ['a file', () => (writeFileSync(join(folder, 'file'), 'x'), join(folder, 'file')), 'Nothing can be written'],
  ])('%s is refused with one sentence, and nothing is set', (_, where, why) => {
    expect(() => setSecondPlace(path, where())).toThrow(why);
    expect(secondPlace(path)).toBeNull();
  });

  test('two studios never clear away each other’s copies', () => {
    setSecondPlace(path, stick);
    const other = join(folder, 'other', 'studio.db');
    openStore(other).$client.close();
    expect(() => setSecondPlace(other, stick)).toThrow('Copies of another studio');
  });
});
