import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { v7 as uuid } from 'uuid';
import { type CommandKind, type Outcome, type Payload } from '@/core/record';

/**
 * The durable outbox: a command is written down in the browser first, then sent until the server has it. A closed tab, a
 * reload or a dead server between the two loses nothing, and the command's id makes sending twice harmless.
 */
interface Waiting {
  id: string;
  kind: CommandKind;
  payload: unknown;
}

interface OutboxSchema extends DBSchema {
  waiting: { key: number; value: Waiting };
  refused: { key: string; value: Waiting & { why: string } };
}

export type KeepState = {
  waiting: number;
  /** False after a try that found no server, until one gets through. */
  reachable: boolean;
  lastSavedAt: string | null;
};

type Listener = (event: { kind: CommandKind; payload: unknown; outcome: Outcome }) => void;

const batchSize = 50;
/** A batch is closed once it holds this much: a picture travels alone or nearly so. */
const batchCharacters = 1_000_000;
const retryMs = [500, 1000, 2000, 4000] as const;

let state: KeepState = { waiting: 0, reachable: true, lastSavedAt: null };
const stateListeners = new Set<() => void>();
const outcomeListeners = new Set<Listener>();
const waiters = new Map<string, (outcome: Outcome) => void>();
let database: Promise<IDBPDatabase<OutboxSchema> | null> | null = null;
/** Used when the browser has no IndexedDB (a private window may not): still sent, but not across a closed tab. */
const memory: Waiting[] = [];
let tries = 0;
let flushing: Promise<void> | null = null;
let again = false;
let timer: ReturnType<typeof setTimeout> | null = null;

function openOutbox() {
  database ??= openDB<OutboxSchema>('kokyu-outbox', 1, {
    upgrade(db) {
      db.createObjectStore('waiting', { autoIncrement: true });
      db.createObjectStore('refused', { keyPath: 'id' });
    },
  }).catch(() => null);
  return database;
}

function setState(change: Partial<KeepState>) {
  state = { ...state, ...change };
  for (const listener of stateListeners) listener();
}

export const keepState = () => state;

export function onKeepState(listener: () => void): () => void {
  stateListeners.add(listener);
  return () => stateListeners.delete(listener);
}

/** Hears of every command that got its answer while this page is open. */
export function onOutcome(listener: Listener): () => void {
  outcomeListeners.add(listener);
  return () => outcomeListeners.delete(listener);
}

/** A fresh id for a record or a command: sortable by time. */
export const newId = () => uuid();

/**
 * Writes a command down and sends it.
 *
 * @returns what became of it; settles only when the server has answered
 */
export async function keep<K extends CommandKind>(kind: K, payload: Payload<K>): Promise<Outcome> {
  const command: Waiting = { id: newId(), kind, payload };
  otherTabs();
  const answer = new Promise<Outcome>((resolve) => waiters.set(command.id, resolve));
  const db = await openOutbox();
  if (db) await db.add('waiting', command);
  else memory.push(command);
  setState({ waiting: state.waiting + 1 });
  void flush();
  return answer;
}

/** Sends what waits, oldest first. One tab at a time sends, so that the order holds. */
export function flush(): Promise<void> {
  if (flushing) {
    again = true;
    return flushing;
  }
  flushing = withLock(sendAll).finally(() => {
    flushing = null;
    if (again) {
      again = false;
      void flush();
    }
  });
  return flushing;
}

async function withLock(work: () => Promise<void>): Promise<void> {
  if (!navigator.locks) return work();
  await navigator.locks.request('kokyu-outbox', work);
}

async function sendAll(): Promise<void> {
  for (;;) {
    const batch = await oldest();
    setState({ waiting: await countWaiting() });
    if (batch.length === 0) return;
    const outcomes = await send(batch.map(({ command }) => command));
    if (!outcomes) {
      setState({ reachable: false });
      const wait = retryMs[Math.min(tries, retryMs.length - 1)]!;
      tries += 1;
      if (timer) clearTimeout(timer);
      timer = setTimeout(() => void flush(), wait);
      return;
    }
    tries = 0;
    setState({ reachable: true });
    for (const [i, { key, command }] of batch.entries()) await settle(key, command, outcomes[i]!);
  }
}

async function oldest(): Promise<{ key: number; command: Waiting }[]> {
  const db = await openOutbox();
  if (!db) return memory.slice(0, 1).map((command, key) => ({ key, command }));
  const found: { key: number; command: Waiting }[] = [];
  let characters = 0;
  let cursor = await db.transaction('waiting').store.openCursor();
  while (cursor && found.length < batchSize) {
    characters += JSON.stringify(cursor.value).length;
    if (found.length > 0 && characters > batchCharacters) break;
    found.push({ key: cursor.key, command: cursor.value });
    cursor = await cursor.continue();
  }
  return found;
}

async function countWaiting(): Promise<number> {
  const db = await openOutbox();
  return db ? db.count('waiting') : memory.length;
}

async function send(batch: readonly Waiting[]): Promise<Outcome[] | null> {
  try {
    const response = await fetch('/api/commands', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ commands: batch }),
    });
    if (!response.ok) return null;
    const { outcomes } = (await response.json()) as { outcomes: Outcome[] };
    return outcomes.length === batch.length ? outcomes : null;
  } catch {
    return null;
  }
}

async function settle(key: number, command: Waiting, outcome: Outcome) {
  const db = await openOutbox();
  const wasRefused = outcome.state === 'refused';
  if (db) {
    // A refused command that nobody on a page is waiting for is kept aside, with what was typed in it.
    if (wasRefused && !waiters.has(command.id)) await db.put('refused', { ...command, why: outcome.why });
    await db.delete('waiting', key);
  } else {
    memory.splice(memory.indexOf(command), 1);
  }
  setState({
    waiting: Math.max(0, state.waiting - 1),
    ...(outcome.state === 'refused' ? {} : { lastSavedAt: outcome.at }),
  });
  hear({ command, outcome });
  otherTabs()?.postMessage({ command, outcome } satisfies Settled);
}

interface Settled {
  command: Waiting;
  outcome: Outcome;
}

function hear({ command, outcome }: Settled) {
  waiters.get(command.id)?.(outcome);
  waiters.delete(command.id);
  for (const listener of outcomeListeners) listener({ kind: command.kind, payload: command.payload, outcome });
}

let channel: BroadcastChannel | null = null;

/** Whichever tab sends, the one that waits for the answer gets it. */
function otherTabs(): BroadcastChannel | null {
  if (typeof BroadcastChannel === 'undefined') return null;
  if (!channel) {
    channel = new BroadcastChannel('kokyu-outbox');
    channel.onmessage = ({ data }: MessageEvent<Settled>) => {
      if (waiters.has(data.command.id) && data.outcome.state === 'refused') void dropRefused(data.command.id);
      if (data.outcome.state !== 'refused') setState({ lastSavedAt: data.outcome.at });
      void countWaiting().then((waiting) => setState({ waiting, reachable: true }));
      hear(data);
    };
    (channel as { unref?: () => void }).unref?.();
  }
  return channel;
}

/** Payloads of one kind that are written down here and not yet with the server, oldest first. */
export async function waitingPayloads<K extends CommandKind>(kind: K): Promise<Payload<K>[]> {
  const db = await openOutbox();
  const all = db ? await db.getAll('waiting') : memory;
  return all.filter((command) => command.kind === kind).map((command) => command.payload as Payload<K>);
}

/** Entries of an earlier page that the server refused, for showing what was typed. */
export async function refusedEntries() {
  const db = await openOutbox();
  return db ? db.getAll('refused') : [];
}

export async function dropRefused(id: string) {
  await (await openOutbox())?.delete('refused', id);
}
