import 'fake-indexeddb/auto';
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
    const outcomes = commands.map(({ payload }) => this.answer(payload.name));
    return { ok: true, json: async () => ({ outcomes }) };
  };
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
  // eslint-disable-next-line @typescript-eslint/no-require-imports
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
  outbox = openPage();
  await outbox.flush();
  server.seen = [];
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
  server.answer = () => ({ state: 'refused', why: 'A client needs a name.' });
  expect(await outbox.keep('client.create', client(''))).toEqual({ state: 'refused', why: 'A client needs a name.' });
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
  server.answer = () => ({ state: 'refused', why: 'No longer there.' });
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
