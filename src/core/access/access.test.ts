import fc from 'fast-check';
import {
  accessAskNames,
  accessAsks,
  afterFailure,
  asksOf,
  nameKey,
  passphraseSchema,
  plainCode,
  recoveryCode,
  standingOf,
  type Tries,
  waitMs,
  wantsAt,
} from '.';

const minute = 60_000;
const hour = 60 * minute;

describe('places', () => {
  test('what nobody named is closed to strangers', () => {
    for (const path of ['/', '/clients', '/api/clients', '/api/commands', '/run/x', '/settings', '/anything/new', '']) {
      expect(wantsAt(path)).toBe('signed in');
    }
  });

  test.each([
    '/sign-in/../clients',
    '/sign-in-and-more',
    '/api/alive/x',
    '/_next/data/x',
    '/check-in',
    '/api/accessible',
  ])('%s is no open place for looking like one', (path) => expect(wantsAt(path)).toBe('signed in'));

  test('whole studios are the owner’s', () => {
    expect(['/settings/records', '/api/copies', '/api/studio/export'].map(wantsAt)).toEqual([
      'owner',
      'owner',
      'owner',
    ]);
  });
});

describe('a session', () => {
  const times = { createdAtMs: 0, seenAtMs: 0, lockedAtMs: null };

  // OWASP ASVS 5.0, 7.3: an end by time and one by silence; how long is ours.
  test('locks by silence, ends by silence and by time', () => {
    expect(standingOf(times, 9 * minute, 10)).toBe('open');
    expect(standingOf(times, 10 * minute, 10)).toBe('locked');
    expect(standingOf(times, 4 * hour, 10)).toBe('over');
    expect(standingOf({ ...times, seenAtMs: 12 * hour - 1 }, 12 * hour - 1, 10)).toBe('open');
    expect(standingOf({ ...times, seenAtMs: 12 * hour }, 12 * hour, 10)).toBe('over');
    expect(standingOf({ ...times, lockedAtMs: 1 }, 2, 10)).toBe('locked');
  });

  test('whatever the clock says as it begins, and however long ago that was', () => {
    const began = Date.UTC(2026, 10, 30, 9);
    const at = (afterMs: number, rest: Partial<typeof times> = {}) =>
      standingOf({ createdAtMs: began, seenAtMs: began, lockedAtMs: null, ...rest }, began + afterMs, 10);
    expect([at(0), at(10 * minute - 1), at(10 * minute), at(4 * hour - 1), at(4 * hour)]).toEqual([
      'open',
      'open',
      'locked',
      'locked',
      'over',
    ]);
    expect([
      at(12 * hour - 1, { seenAtMs: began + 12 * hour - 2 }),
      at(12 * hour, { seenAtMs: began + 12 * hour }),
    ]).toEqual(['open', 'over']);
    // A clock that was set back opens nothing that was locked.
    expect([at(-hour), at(-hour, { lockedAtMs: began as never })]).toEqual(['open', 'locked']);
  });

  test('never opens by waiting: later it stands no better', () => {
    const order = ['open', 'locked', 'over'];
    fc.assert(
      fc.property(
        fc.nat(20 * hour),
        fc.nat(20 * hour),
        fc.nat(hour),
        fc.integer({ min: 1, max: 120 }),
        (a, b, seen, lock) => {
          const session = { ...times, seenAtMs: seen };
          const [early, late] = [Math.min(a, b), Math.max(a, b)];
          expect(order.indexOf(standingOf(session, late, lock))).toBeGreaterThanOrEqual(
            order.indexOf(standingOf(session, early, lock)),
          );
        },
      ),
    );
  });
});

describe('tries', () => {
  const failing = (times: number, everyMs: number) => {
    let [tries, at]: [Tries | undefined, number] = [undefined, 0];
    for (let i = 0; i < times; i += 1) {
      at += everyMs;
      tries = afterFailure(tries, at);
    }
    return { tries: tries!, at };
  };

  test('a few slips cost nothing; whoever goes on waits longer each time, and never for good', () => {
    expect([1, 2, 3, 4].map((times) => waitMs(failing(times, 1).tries, times))).toEqual([0, 0, 0, 0]);
    const waits = [5, 6, 7, 8].map((times) => {
      const { tries, at } = failing(times, 1);
      return waitMs(tries, at);
    });
    expect(waits).toEqual([2000, 4000, 8000, 16000]);
    const { tries, at } = failing(500, 1);
    expect(waitMs(tries, at)).toBe(15 * minute);
    expect(waitMs(tries, at + 15 * minute)).toBe(0);
  });

  test('an hour without a try forgets them, a minute less does not', () => {
    const began = Date.UTC(2026, 10, 30, 9);
    const tries = { failed: 30, lastAtMs: began };
    expect(waitMs(tries, began)).toBe(15 * minute);
    expect(waitMs(tries, began + minute)).toBe(14 * minute);
    expect(afterFailure(tries, began + hour - 1)).toEqual({ failed: 31, lastAtMs: began + hour - 1 });
    expect(afterFailure(tries, began + hour)).toEqual({ failed: 1, lastAtMs: began + hour });
    expect(waitMs({ failed: 4, lastAtMs: began }, began)).toBe(0);
  });

  test('in a day nobody tries more than a few hundred', () => {
    let [tries, at, made]: [Tries | undefined, number, number] = [undefined, 0, 0];
    while (at < 24 * hour) {
      tries = afterFailure(tries, at);
      made += 1;
      at += Math.max(500, waitMs(tries, at));
    }
    expect(made).toBeLessThan(200);
  });
});

test('a name is told apart by its letters, and by nothing else', () => {
  expect(nameKey('  WREN   Addo')).toBe(nameKey('Wren Addo'));
  expect(nameKey('Wren Addo')).not.toBe(nameKey('Wren Ado'));
});

test('a recovery code has no letters that are taken for one another, and every letter is as likely as another', () => {
  const counts = new Map<string, number>();
  const wrong: string[] = [];
  let seed = 7;
  const random = () => (seed = (seed * 48271) % 2147483647) & 255;
  for (let i = 0; i < 2000; i += 1) {
    const code = recoveryCode(Uint8Array.from({ length: 64 }, random));
    if (!/^([2-9A-Z]{4}-){5}[2-9A-Z]{4}$/.test(code) || /[01ILOU]/.test(code)) wrong.push(code);
    for (const letter of plainCode(code)) counts.set(letter, (counts.get(letter) ?? 0) + 1);
  }
  expect(wrong).toEqual([]);
  expect(counts.size).toBe(30);
  expect(Math.max(...counts.values()) / Math.min(...counts.values())).toBeLessThan(1.25);
  expect(() => recoveryCode(new Uint8Array(10))).toThrow(RangeError);
  expect(plainCode(' abcd-2345 ')).toBe('ABCD2345');
});

// OWASP ASVS 5.0, 6.2: long ones are taken whole, in any letters, and none is asked for digits or signs.
test('a passphrase is long and otherwise what somebody likes', () => {
  const fits = (text: string) => passphraseSchema.safeParse(text).success;
  expect(['heron lamp quiet', 'ääääääääääää', ' '.repeat(12), 'x'.repeat(200)].every(fits)).toBe(true);
  expect(['', 'elevenlongx', 'x'.repeat(201)].some(fits)).toBe(false);
});

test('everything that can be asked says by whom; what takes somebody in or out is the owner’s', () => {
  expect(Object.keys(asksOf).sort()).toEqual([...accessAskNames].sort());
  expect(asksOf.addCoach).toBe('owner');
  expect(asksOf.endCoach).toBe('owner');
  for (const ask of accessAskNames) expect(accessAsks[ask].safeParse(null).success).toBe(false);
});
