import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { type Outcome } from '@/core/record';
import type * as OutboxModule from './outbox';

/** A server that can be taken away, and remembers what it was sent. */
class FakeServer {
  up = true;
  seen: { id: string; kind: string; payload: { name?: string } }[] = [];
  requests = 0;
  answer: (name: string | undefined) => Outcome = () => ({ state: 'saved', at: '2026-11-23T10:42:00.000Z' });

  fetch = async (_url: string, init: { body: string }) => {
    this.requests += 1;
    if (!this.up) throw new TypeError('no server');
    const { commands } = JSON.parse(init.body) as { commands: FakeServer['seen'] };
    this.seen.push(...commands);
    if (this.turnsAway) {
      const answer = this.turnsAway(commands);
      if (answer) return { ok: false, status: answer.status, json: async () => answer.body ?? {} };
    }
    const outcomes = commands.map(({ payload }) => this.answer(payload.name));
    return { ok: true, status: 200, json: async () => ({ outcomes }) };
  };
  /** What stands in the way: a proxy, a full disk, a fault. Null lets a batch through. */
  turnsAway: ((batch: FakeServer['seen']) => { status: number; body?: object } | null) | null = null;
}

// A stand-in for the browser's database is slow on a busy machine.
jest.setTimeout(30_000);

const server = new FakeServer();
/** One holder at a time over all pages, as the browser's own locks are. */
const locks = {
  last: Promise.resolve(),
  request(_name: string, work: () => Promise<void>) {
    this.last = this.last.then(work);
    return this.last;
  },
};

type Outbox = typeof OutboxModule;
let outbox: Outbox;

/** A fresh page: the module begins anew, the browser's database stays. */
function openPage(): Outbox {
  jest.resetModules();
  // oxlint-disable-next-line typescript/no-require-imports
  return require('./outbox') as Outbox;
}

const client = (name: string) => ({
  clientId: '00000000-0000-4000-8000-000000000001',
  factId: '00000000-0000-4000-8000-000000000002',
  name,
});
const settled = () => new Promise((resolve) => setTimeout(resolve, 60));
const until = async (holds: () => boolean) => {
  for (let i = 0; i < 100 && !holds(); i += 1) await settled();
  expect(holds()).toBe(true);
};

beforeEach(async () => {
  Object.assign(globalThis, { fetch: server.fetch, navigator: { locks } });
  server.up = true;
  server.seen = [];
  server.requests = 0;
  server.answer = () => ({ state: 'saved', at: '2026-11-23T10:42:00.000Z' });
  server.turnsAway = null;
  outbox = openPage();
  await outbox.flush();
  server.seen = [];
});

test('what is said waits from that very moment: nothing tells of an earlier saving while it is written down', async () => {
  const told: number[] = [];
  await outbox.keep('client.create', client('first'));
  expect(outbox.keepState()).toMatchObject({ waiting: 0, lastSavedAt: '2026-11-23T10:42:00.000Z' });
  const off = outbox.onKeepState(() => told.push(outbox.keepState().waiting));
  const answered = outbox.keep('client.create', client('second'));
  expect(outbox.keepState().waiting).toBe(1);
  await answered;
  off();
  // Not for a moment was nothing waiting, until the server had it.
  expect(told[0]).toBe(1);
  expect(told.slice(told.indexOf(0)).filter((waiting) => waiting > 0)).toEqual([]);
  expect(told.at(-1)).toBe(0);
});

test('a command is sent, answered, and no longer waits', async () => {
  const outcome = await outbox.keep('client.create', client('Ned'));
  expect(outcome).toEqual({ state: 'saved', at: '2026-11-23T10:42:00.000Z' });
  expect(server.seen.map(({ kind, payload }) => [kind, payload.name])).toEqual([['client.create', 'Ned']]);
  await until(() => outbox.keepState().waiting === 0);
  expect(outbox.keepState()).toMatchObject({ reachable: true, lastSavedAt: '2026-11-23T10:42:00.000Z' });
});

test('while the server is away everything is kept in order, and told; back again, it is sent once each', async () => {
  server.up = false;
  const answers = ['a', 'b', 'c'].map((name) => outbox.keep('client.create', client(name)));
  await until(() => outbox.keepState().reachable === false);
  await until(() => outbox.keepState().waiting === 3);
  server.up = true;
  await Promise.all(answers);
  expect(server.seen.map(({ payload }) => payload.name)).toEqual(['a', 'b', 'c']);
  expect(new Set(server.seen.map(({ id }) => id)).size).toBe(3);
  await until(() => outbox.keepState().reachable && outbox.keepState().waiting === 0);
});

test('a closed tab loses nothing: the next page sends what the last one left, under the same ids', async () => {
  server.up = false;
  void outbox.keep('client.create', client('left behind'));
  await until(() => outbox.keepState().waiting === 1);
  expect(await outbox.waitingPayloads('client.create')).toEqual([client('left behind')]);
  expect(await outbox.waitingPayloads('visit.start')).toEqual([]);

  const next = openPage();
  server.up = true;
  await next.flush();
  await until(() => server.seen.length > 0);
  expect(server.seen[0]!.payload.name).toBe('left behind');
  expect(await next.waitingPayloads('client.create')).toEqual([]);
});

test('a refusal goes to the one who waits for it, and is not kept aside', async () => {
  server.answer = () => ({ state: 'refused', code: 'does not fit', why: 'A client needs a name.' });
  expect(await outbox.keep('client.create', client(''))).toEqual({
    state: 'refused',
    code: 'does not fit',
    why: 'A client needs a name.',
  });
  expect(await outbox.refusedEntries()).toEqual([]);
});

test('a refusal nobody waits for any more is kept aside with what was typed, until it was noted', async () => {
  // The page that typed it is closed: it hears nothing any more.
  const { BroadcastChannel } = globalThis;
  Object.assign(globalThis, { BroadcastChannel: undefined });
  server.up = false;
  void outbox.keep('client.create', client('typed long ago'));
  await until(() => outbox.keepState().waiting === 1);

  const next = openPage();
  server.answer = () => ({ state: 'refused', code: 'does not fit', why: 'No longer there.' });
  server.up = true;
  await next.flush();
  await settled();
  const [entry] = await next.refusedEntries();
  expect(entry).toMatchObject({ kind: 'client.create', why: 'No longer there.', payload: { name: 'typed long ago' } });
  await next.dropRefused(entry!.id);
  expect(await next.refusedEntries()).toEqual([]);
  Object.assign(globalThis, { BroadcastChannel });
});

test('whichever tab sends, the one that waits gets the answer', async () => {
  server.up = false;
  const answer = outbox.keep('client.create', client('typed here'));
  await until(() => outbox.keepState().waiting === 1);
  const other = openPage();
  server.up = true;
  await other.flush();
  expect(await answer).toMatchObject({ state: 'saved' });
});

test('listeners hear of every outcome until they leave', async () => {
  const heard: string[] = [];
  const leave = outbox.onOutcome(({ kind, outcome }) => heard.push(`${kind} ${outcome.state}`));
  await outbox.keep('client.create', client('Ned'));
  leave();
  await outbox.keep('client.create', client('Ada'));
  expect(heard).toEqual(['client.create saved']);
});

test('many at once go in batches and in order', async () => {
  server.up = false;
  const names = Array.from({ length: 60 }, (_, i) => `client ${i}`);
  const all = names.map((name) => outbox.keep('client.create', client(name)));
  await until(() => outbox.keepState().waiting >= 60);
  server.up = true;
  server.requests = 0;
  await Promise.all(all);
  expect(server.seen.map(({ payload }) => payload.name)).toEqual(names);
  expect(server.requests).toBeGreaterThanOrEqual(2);
});

const seenNames = () => server.seen.map(({ payload }) => payload.name);
const savedAnswer: Outcome = { state: 'saved', at: '2026-11-23T10:42:00.000Z' };

describe('what can’t be taken in', () => {
  test.each([413, 403, 400])(
    'one that is always turned away with %d is put aside with its words; the others go on',
    async (status) => {
      server.up = false;
      outbox.send('client.create', client('first'));
      outbox.send('client.create', client('too large'));
      outbox.send('client.create', client('last'));
      await until(() => outbox.keepState().waiting === 3);
      server.turnsAway = (batch) => (batch.some(({ payload }) => payload.name === 'too large') ? { status } : null);
      server.up = true;
      await outbox.flush();
      await until(() => outbox.keepState().waiting === 0);
      const [aside] = await outbox.refusedEntries();
      expect(aside).toMatchObject({ again: true, payload: { name: 'too large' } });
      expect(aside!.why).toContain(String(status));
      expect(seenNames()).toEqual(expect.arrayContaining(['first', 'last']));
      // Sent again once nothing stands in the way, it is taken in under the id it had.
      server.turnsAway = null;
      const before = server.seen.find(({ payload }) => payload.name === 'too large')!.id;
      await outbox.sendAgain(aside!);
      await until(() => outbox.keepState().waiting === 0);
      expect(server.seen.at(-1)).toMatchObject({ id: before, payload: { name: 'too large' } });
      expect(await outbox.refusedEntries()).toEqual([]);
    },
  );

  test('a full disk holds everything back and says so; nothing is put aside, and nothing is lost', async () => {
    server.turnsAway = () => ({ status: 503, body: { outcomes: [], cause: 'disk', why: 'The disk is full.' } });
    outbox.send('client.create', client('a'));
    outbox.send('client.create', client('b'));
    await until(() => outbox.keepState().trouble === 'The disk is full.');
    for (let tries = 0; tries < 10; tries += 1) await outbox.flush();
    expect(await outbox.refusedEntries()).toEqual([]);
    server.turnsAway = null;
    await outbox.flush();
    await until(() => outbox.keepState().waiting === 0);
    expect(outbox.keepState().trouble).toBeNull();
    expect(seenNames().slice(-2)).toEqual(['a', 'b']);
  });

  test('what was answered before a fault counts; the one the server fails on is tried some times, then put aside', async () => {
    server.up = false;
    for (const name of ['good', 'cursed', 'after']) outbox.send('client.create', client(name));
    await until(() => outbox.keepState().waiting === 3);
    server.turnsAway = (batch) => {
      const at = batch.findIndex(({ payload }) => payload.name === 'cursed');
      const outcomes = batch.slice(0, at).map(() => savedAnswer);
      return at < 0 ? null : { status: 503, body: { outcomes, cause: 'fault', why: 'The server failed on this.' } };
    };
    server.up = true;
    for (let tries = 0; tries < 8; tries += 1) await outbox.flush();
    await until(() => outbox.keepState().waiting === 0);
    expect((await outbox.refusedEntries()).map(({ payload }) => (payload as { name: string }).name)).toEqual([
      'cursed',
    ]);
    expect(seenNames().filter((name) => name === 'good')).toHaveLength(1);
    expect(seenNames()).toContain('after');
    await outbox.dropRefused((await outbox.refusedEntries())[0]!.id);
  });

  test.each([502, 500, 404, 429])(
    'an answer of %d is no answer: it is tried again for as long as it takes',
    async (status) => {
      server.turnsAway = () => ({ status });
      outbox.send('client.create', client('patient'));
      await until(() => outbox.keepState().reachable === false);
      for (let tries = 0; tries < 10; tries += 1) await outbox.flush();
      expect(outbox.keepState().waiting).toBe(1);
      server.turnsAway = null;
      await outbox.flush();
      await until(() => outbox.keepState().waiting === 0);
      expect(await outbox.refusedEntries()).toEqual([]);
    },
  );
});

test('a refusal of what nobody waits for is kept until it was read, with what was typed', async () => {
  server.answer = () => ({ state: 'refused', code: 'gone', why: 'No longer there.' });
  outbox.send('client.create', client('sent and left'));
  await until(() => server.seen.length > 0);
  await settled();
  const [entry] = await openPage().refusedEntries();
  expect(entry).toMatchObject({ why: 'No longer there.', payload: { name: 'sent and left' } });
  await outbox.dropRefused(entry!.id);
});

test('a refusal that comes when the part of the page that asked is gone is kept too', async () => {
  server.answer = () => ({ state: 'refused', code: 'gone', why: 'No longer there.' });
  await outbox.keep('client.create', client('asked and left'), () => false);
  const [entry] = await outbox.refusedEntries();
  expect(entry).toMatchObject({ payload: { name: 'asked and left' } });
  await outbox.dropRefused(entry!.id);
});

test('a browser that refuses to write falls back to memory, says so, and keeps the order', async () => {
  const { add } = IDBObjectStore.prototype;
  IDBObjectStore.prototype.add = () => {
    throw new DOMException('full', 'QuotaExceededError');
  };
  server.up = false;
  outbox.send('client.create', client('a'));
  await until(() => outbox.keepState().memoryOnly);
  IDBObjectStore.prototype.add = add;
  outbox.send('client.create', client('b'));
  outbox.send('client.create', client('c'));
  await until(() => outbox.keepState().waiting === 3);
  server.up = true;
  await outbox.flush();
  await until(() => outbox.keepState().waiting === 0);
  expect(seenNames()).toEqual(['a', 'b', 'c']);
  await until(() => !outbox.keepState().memoryOnly);
});

/** What a browser writes before it goes on, until the test is over. */
function storageOf(kept: Record<string, string>) {
  const storage = Object.defineProperties(kept, {
    getItem: { value: (key: string) => kept[key] ?? null },
    setItem: { value: (key: string, value: string) => void (kept[key] = value) },
    removeItem: { value: (key: string) => void delete kept[key] },
  });
  Object.assign(globalThis, { localStorage: storage });
  return () => void Reflect.deleteProperty(globalThis, 'localStorage');
}

/** A page that never comes to send anything: it went away, or another tab sends. */
function silentPage(): Outbox {
  const page = openPage();
  Object.assign(globalThis, { navigator: { locks: { request: () => new Promise(() => undefined) } } });
  return page;
}
const pagesSendAgain = () => Object.assign(globalThis, { navigator: { locks } });

/** The only tab there is: pages of other tests are gone, and hand it nothing. */
async function alone(work: () => Promise<void>) {
  const { BroadcastChannel: channel } = globalThis;
  Reflect.deleteProperty(globalThis, 'BroadcastChannel');
  try {
    await work();
  } finally {
    Object.assign(globalThis, { BroadcastChannel: channel });
  }
}

// Found by a reload that came quicker than the browser's database: what had been shown as said was gone.
test('a page that goes away before the database wrote loses nothing', () =>
  alone(async () => {
    const kept: Record<string, string> = {};
    const end = storageOf(kept);
    try {
      // Written where no other tab finds it, or that one would send it.
      globalThis.indexedDB = new IDBFactory();
      silentPage().send('client.create', client('typed and reloaded'));
      const putDown = { ...kept };
      await settled();
      // As it is where the page went away at once: put down, and nothing of it in the database.
      globalThis.indexedDB = new IDBFactory();
      Object.assign(kept, putDown);
      pagesSendAgain();
      const next = openPage();
      await next.flush();
      await until(() => seenNames().includes('typed and reloaded'));
      await until(() => Object.keys(kept).length === 0);
    } finally {
      end();
    }
  }));

test('what lies in the place of that and is no command is sent by nobody, and taken away', async () => {
  const kept: Record<string, string> = {};
  const end = storageOf(kept);
  const nonsense = [
    'null',
    '5',
    '{"id":"half',
    '{"id":"x"}',
    '{"kind":"client.create"}',
    '{"id":7,"kind":"client.create"}',
  ];
  nonsense.forEach((text, i) => (kept[`kokyu.unwritten.${i}`] = text));
  kept['kokyu.theme'] = 'dark';
  try {
    const page = openPage();
    await page.flush();
    await until(() => Object.keys(kept).length === 1);
    expect([server.seen, await page.waitingCount(), kept['kokyu.theme']]).toEqual([[], 0, 'dark']);
  } finally {
    end();
  }
});

test('what an earlier page left waiting is shown as said by the next one, once, and before what is said there', () =>
  alone(async () => {
    const earlier = silentPage();
    earlier.send('client.create', client('left waiting'));
    await until(() => earlier.keepState().waiting === 1);
    await settled();
    const next = openPage();
    next.send('client.create', client('said meanwhile'));
    next.onSaid(() => undefined);
    const names = () => next.saidNow().map(({ payload }) => (payload as { name: string }).name);
    await until(() => names().length > 1);
    await settled();
    expect(names()).toEqual(['left waiting', 'said meanwhile']);
    pagesSendAgain();
    await openPage().flush();
  }));

test('of a record that is written whole only the newest is remembered; what adds to others stays', () =>
  alone(async () => {
    const page = openPage();
    const visitId = '00000000-0000-4000-8000-000000000003';
    page.send('client.create', client('Ned'));
    for (const text of ['first', 'second', 'third']) page.send('note.save', { visitId, text, home: [], revision: 0 });
    page.send('client.create', client('Wenna'));
    const words = page
      .saidNow()
      .map(({ payload }) => ('text' in payload ? payload.text : (payload as { name: string }).name));
    expect(words).toEqual(['Ned', 'third', 'Wenna']);
    await until(() => page.keepState().waiting === 0);
  }));

// Found with an emergency logged on a page that was left at once: the live screen in the other tab never heard of it.
test('an answer is told in the very moment it is taken out of what waits: a page that goes away between took it along', async () => {
  const order: string[] = [];
  const own = IDBObjectStore.prototype.delete;
  IDBObjectStore.prototype.delete = function (key) {
    const request = own.call(this, key);
    order.push('asked to forget it');
    this.transaction.addEventListener('complete', () => order.push('forgotten'));
    return request;
  };
  try {
    const leave = outbox.onOutcome(() => order.push('told'));
    await outbox.keep('client.create', client('Ness'));
    leave();
    await until(() => order.length === 3);
  } finally {
    IDBObjectStore.prototype.delete = own;
  }
  expect(order).toEqual(['asked to forget it', 'told', 'forgotten']);
});

// Found with a client's window open beside: it had sent what the reloaded page was made without.
test('a tab that has just come is told what was said a moment ago', async () => {
  const [first, second] = [openPage(), openPage()];
  first.onSaid(() => undefined);
  first.send('client.create', client('said before'));
  await until(() => seenNames().includes('said before'));
  second.onSaid(() => undefined);
  await until(() => second.saidNow().some(({ payload }) => (payload as { name?: string }).name === 'said before'));
  const [said] = second.saidNow();
  await until(() => first.saidNow().some(({ id, place }) => id === said!.id && place !== null));
});

/** A page that leaves: what it hears of it, and what a browser's tab carries over to the next. */
function tab() {
  const kept = new Map<string, string>();
  const leaving: (() => void)[] = [];
  const sessionStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
  const addEventListener = (_: string, listener: () => void) => void leaving.push(listener);
  Object.assign(globalThis, { sessionStorage, addEventListener });
  const leave = () => leaving.splice(0).forEach((listener) => listener());
  const end = () => ['sessionStorage', 'addEventListener'].forEach((name) => Reflect.deleteProperty(globalThis, name));
  return { leave, end };
}

test.each([
  ['before the last answer came', -1000, true],
  ['once everything was answered', 1000, false],
])('a page that was asked for %s', async (_, msAfterAnswer, overtaken) => {
  const { leave, end } = tab();
  const asked = jest.spyOn(performance, 'timeOrigin', 'get');
  try {
    const before = openPage();
    expect(before.wasOvertaken()).toBe(false);
    await before.keep('client.create', client('Ned'));
    asked.mockReturnValue(Date.now() + msAfterAnswer);
    leave();
    expect(openPage().wasOvertaken()).toBe(overtaken);
    // Once: the page after that one was made with it.
    expect(openPage().wasOvertaken()).toBe(false);
  } finally {
    asked.mockRestore();
    end();
  }
});
