import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { copiesOf, copyFailed, copyOfDay, openStore } from '..';
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
