import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { type CommandKind, type Outcome, type Payload, type Said, wholeRecordOf } from '@/core/record';
import { newId } from './ids';
import { tellShut } from './presence';

/**
 * The durable outbox: a command is written down in the browser first, then sent until the server has it. A closed tab, a
 * reload or a dead server between the two loses nothing, and the command's id makes sending twice harmless.
 */
interface Waiting {
  id: string;
  kind: CommandKind;
  payload: unknown;
  /** When it was said, UTC, ISO; what an earlier version wrote down has none. */
  at?: string;
  /** Who said it: sent as theirs and nobody else's. Null or absent while nobody had a name here. */
  by?: string | null;
}

/** Something that was not taken in, with what was typed and the reason. */
export interface Refused extends Waiting {
  why: string;
  /** It was put aside without an answer of ours (a proxy, a fault): sending it again may go through. */
  again?: boolean;
}

interface OutboxSchema extends DBSchema {
  waiting: { key: number; value: Waiting };
  refused: { key: string; value: Refused };
}

export type KeepState = {
  waiting: number;
  /** False after a try that found no server, until one gets through. */
  reachable: boolean;
  lastSavedAt: string | null;
  /** What the server says stands in the way while it can take nothing in, a full disk for example. */
  trouble: string | null;
  /** The browser refuses to keep things: what waits is lost with the tab. */
  memoryOnly: boolean;
};

type Listener = (event: { kind: CommandKind; payload: unknown; outcome: Outcome }) => void;

/** Who works in this browser now. What another coach left waiting in it waits for them, and is shown to nobody else. */
let writer: string | null = null;

export function setWriter(coachId: string | null) {
  writer = coachId;
}

const isOurs = ({ by }: Waiting) => by === undefined || by === null || by === writer;

const batchSize = 50;
/** A batch is closed once it holds this much: a picture travels alone or nearly so. */
const batchCharacters = 1_000_000;
const retryMs = [500, 1000, 2000, 4000] as const;

export const freshKeepState: KeepState = {
  waiting: 0,
  reachable: true,
  lastSavedAt: null,
  trouble: null,
  memoryOnly: false,
};
let state = freshKeepState;
const stateListeners = new Set<() => void>();
const outcomeListeners = new Set<Listener>();
interface Waiter {
  answer: (outcome: Outcome) => void;
  /** Whether whoever asked is still there to show a refusal. */
  here: () => boolean;
}
const waiters = new Map<string, Waiter>();
let database: Promise<IDBPDatabase<OutboxSchema> | null> | null = null;
/** Used when the browser has no IndexedDB, or refuses to write to it: still sent, but not across a closed tab. */
const memory: Waiting[] = [];
const memoryRefused: Refused[] = [];
/** How often the server failed on a command that it ought to have answered. */
const faults = new Map<string, number>();
/** After this many the command is put aside, so that it doesn't keep back all that came after it. */
const mostFaults = 6;
/** After a batch was turned away as a whole, what is in it is sent one by one. */
let oneByOne = false;
let tries = 0;
let flushing: Promise<void> | null = null;
let again = false;
let timer: ReturnType<typeof setTimeout> | null = null;

function openOutbox() {
  // A browser without one throws at once instead of answering no: both come to the same here.
  database ??= Promise.resolve()
    .then(() =>
      openDB<OutboxSchema>('kokyu-outbox', 1, {
        upgrade(db) {
          db.createObjectStore('waiting', { autoIncrement: true });
          db.createObjectStore('refused', { keyPath: 'id' });
        },
      }),
    )
    .then(takeUpUnwritten)
    .catch(() => null);
  return database;
}

/**
 * The database writes in its own time, and a page that goes away takes with it what was not written yet. So each command is put
 * down at once, in the one place a browser writes before going on, until the database or the server has it.
 */
const unwritten = 'kokyu.unwritten.';
/** Longer ones, as plans with all their reasons, would fill that place; a plan can be made again. */
const mostUnwritten = 200_000;

function putDown(command: Waiting) {
  if (typeof localStorage === 'undefined' || command.kind === 'photo.add') return;
  const text = JSON.stringify(command);
  if (text.length > mostUnwritten) return;
  try {
    localStorage.setItem(unwritten + command.id, text);
  } catch {
    // Full or forbidden: then the database has to do.
  }
}

function isWritten({ id }: Waiting) {
  ownUnwritten.delete(id);
  if (typeof localStorage !== 'undefined') localStorage.removeItem(unwritten + id);
}

/** What an earlier page put down and did not get into the database, oldest first. */
async function takeUpUnwritten(db: IDBPDatabase<OutboxSchema>) {
  if (typeof localStorage === 'undefined') return db;
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(unwritten));
  // Ids sort by time. One that another tab is writing at this moment is written twice, which changes nothing.
  for (const key of keys.sort()) {
    const command = commandIn(localStorage.getItem(key));
    if (command && ownUnwritten.has(command.id)) continue;
    try {
      if (command) await db.add('waiting', command);
      localStorage.removeItem(key);
    } catch {
      // It stays where it is for the next page.
    }
  }
  return db;
}
/** Of this page: they are on their way into the database. */
const ownUnwritten = new Set<string>();

function commandIn(text: string | null): Waiting | null {
  try {
    const command = JSON.parse(text ?? 'null') as Waiting | null;
    return typeof command?.id === 'string' && typeof command.kind === 'string' ? command : null;
  } catch {
    return null;
  }
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

/** One and the same as long as nothing was said: a page is drawn anew where what it was made with is another. */
export const nothingSaid: readonly Said[] = [];

/**
 * What was said in this browser, in any of its tabs: it stays here after the server took it in, since a page made before that may
 * be shown again. Refused, it is forgotten.
 */
let said = nothingSaid;
const saidListeners = new Set<() => void>();
/** So many that the server has are remembered. */
const mostRemembered = 400;
let recalling = false;
let recalled = false;
/** Answered while what waits was still being read: not to be taken for waiting. */
const answeredEarly = new Set<string>();

function setSaid(next: readonly Said[]) {
  said = next;
  for (const listener of saidListeners) listener();
}

/** Remembers what was said, at once and before anything is written down: the page shows it with the next picture. */
function remember(command: Waiting) {
  if (ofNoUse.includes(command.kind) || said.some(({ id }) => id === command.id)) return;
  const { at = new Date().toISOString() } = command;
  const entry = { ...command, at, place: null } as Said;
  const whole = wholeRecordOf(entry);
  const kept = whole === null ? said : said.filter((one) => wholeRecordOf(one) !== whole);
  const taken = kept.filter((one) => one.place !== null);
  const old = taken.length > mostRemembered ? taken[0] : null;
  setSaid([...kept.filter((one) => one !== old), entry]);
}

/** When the server last answered, by this machine's clock. */
let answeredAtMs = 0;

function place({ id }: Waiting, outcome: Outcome) {
  answeredAtMs = Date.now();
  if (!recalled) answeredEarly.add(id);
  if (!said.some((one) => one.id === id)) return;
  if (outcome.state === 'refused') setSaid(said.filter((one) => one.id !== id));
  // An answer without a place comes from a server that was updated meanwhile: its next page will have it.
  else setSaid(said.map((one) => (one.id === id ? { ...one, place: outcome.place ?? 0 } : one)));
}

/**
 * Where a page that goes away leaves what the server took in last: the page that is being made at this moment may have been asked
 * for a moment before that, and would never show it.
 */
const leftBehind = 'kokyu.said';
interface Left {
  taken: Said[];
  answeredAtMs: number;
}
/** Whether something was taken in after this page had been asked for, while the one before it still stood. */
let overtaken = false;

function leaveBehind() {
  const taken = said.filter(({ place }) => place !== null).slice(-mostRecent);
  try {
    if (answeredAtMs > 0) sessionStorage.setItem(leftBehind, JSON.stringify({ taken, answeredAtMs } satisfies Left));
  } catch {
    // Too much, or forbidden: the next page shows it with the next thing said.
  }
}

function takeUpLeft() {
  try {
    const left = sessionStorage.getItem(leftBehind);
    sessionStorage.removeItem(leftBehind);
    if (left === null) return;
    const { taken, answeredAtMs: lastMs } = JSON.parse(left) as Left;
    overtaken = lastMs >= performance.timeOrigin;
    takeRecent(taken);
  } catch {
    // Nothing that can be read was left.
  }
}

/** By the time it was said: what waits may be older or newer than what is remembered. */
const addInOrder = (more: readonly Said[]) =>
  setSaid([...said, ...more].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0)));

/** What an earlier page wrote down and the server has not taken in yet. */
async function recall() {
  if (recalling) return;
  recalling = true;
  if (typeof sessionStorage !== 'undefined') {
    takeUpLeft();
    addEventListener('pagehide', leaveBehind);
  }
  const db = await openOutbox();
  const left = (db ? await db.getAll('waiting') : []).filter(isOurs);
  recalled = true;
  const known = new Set([...answeredEarly, ...said.map(({ id }) => id)]);
  const before = left.filter(({ id, kind }) => !known.has(id) && !ofNoUse.includes(kind));
  if (before.length > 0)
    addInOrder(before.map((one) => ({ at: new Date().toISOString(), ...one, place: null }) as Said));
}

/**
 * What another tab remembers: a page that was made a moment before something was taken in, and was not listening yet when that was
 * told, would otherwise never show it.
 */
function takeRecent(recent: readonly Said[]) {
  const known = new Set(said.map(({ id }) => id));
  const missing = recent.filter(({ id }) => !known.has(id));
  if (missing.length > 0) addInOrder(missing);
}

export const saidNow = () => said;

/** Whether this page was asked for before the last thing said was taken in: what it can't lay over, it doesn't show. Told once. */
export function wasOvertaken(): boolean {
  void recall();
  const was = overtaken;
  overtaken = false;
  return was;
}

export function onSaid(listener: () => void): () => void {
  otherTabs();
  void recall();
  saidListeners.add(listener);
  return () => saidListeners.delete(listener);
}

/** Hears of every command that got its answer while this page is open. */
export function onOutcome(listener: Listener): () => void {
  outcomeListeners.add(listener);
  return () => outcomeListeners.delete(listener);
}

/**
 * Writes a command down and sends it. What becomes of it must be looked at, since a refusal is shown by whoever asked; for what
 * nobody waits for there is {@link send}. Lint holds both.
 *
 * @param here whether whoever asked is still there; when not, a refusal is shown on whatever page is open
 * @returns what became of it; settles only when the server has answered
 */
export async function keep<K extends CommandKind>(
  kind: K,
  payload: Payload<K>,
  here: () => boolean = () => true,
): Promise<Outcome> {
  const command = commandOf(kind, payload);
  const answer = new Promise<Outcome>((resolve) => waiters.set(command.id, { answer: resolve, here }));
  await writeDown(command);
  void flush();
  return answer;
}

/** Writes a command down and sends it; a refusal is shown on whatever page is open, with what was typed, until it was read. */
export function send<K extends CommandKind>(kind: K, payload: Payload<K>): void {
  void writeDown(commandOf(kind, payload)).then(flush);
}

/** A command with its id, remembered here and told to the other tabs. */
function commandOf<K extends CommandKind>(kind: K, payload: Payload<K>): Waiting {
  const command: Waiting = { id: newId(), kind, payload, at: new Date().toISOString(), by: writer };
  ownUnwritten.add(command.id);
  onTheWay.add(command.id);
  countStored(stored);
  putDown(command);
  remember(command);
  if (!ofNoUse.includes(kind)) otherTabs()?.postMessage({ said: command } satisfies Heard);
  return command;
}
/** Too large, or of no use to a page. */
const ofNoUse: readonly CommandKind[] = ['photo.add', 'run.append'];

/** Into the browser's database; where that refuses, into memory, and everything after it too, so that the order stays. */
async function writeDown(command: Waiting) {
  const db = memory.length > 0 ? null : await openOutbox();
  try {
    if (!db) throw new Error('no database');
    await db.add('waiting', command);
    isWritten(command);
  } catch {
    memory.push(command);
    setState({ memoryOnly: true });
  }
  onTheWay.delete(command.id);
  countStored(stored + 1);
}

/** Said, and not written down yet: it waits from the very moment it is said, or the page would tell of an earlier saving. */
const onTheWay = new Set<string>();
/** How many wait where they are kept. */
let stored = 0;

function countStored(count: number, more: Partial<KeepState> = {}) {
  stored = count;
  setState({ ...more, waiting: stored + onTheWay.size });
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
    countStored(await countWaiting());
    if (batch.length === 0) {
      if (memory.length === 0 && state.memoryOnly && (await openOutbox())) setState({ memoryOnly: false });
      return;
    }
    const answer = await post(batch.map(({ command }) => command));
    for (const [i, outcome] of answer.outcomes.entries()) {
      const { key, command } = batch[i]!;
      faults.delete(command.id);
      await settle(key, command, outcome);
    }
    const next = batch[answer.outcomes.length];
    setState({ reachable: answer.kind !== 'nobody', trouble: answer.kind === 'trouble' ? answer.why : null });
    if (!next) {
      oneByOne = false;
      tries = 0;
      continue;
    }
    if (answer.kind === 'turned away' && batch.length > 1) {
      oneByOne = true;
      continue;
    }
    if (answer.kind === 'turned away' || (answer.kind === 'fault' && tooOften(next.command))) {
      await putAside(next, answer.why);
      oneByOne = false;
      continue;
    }
    if (answer.outcomes.length > 0) tries = 0;
    const wait = retryMs[Math.min(tries, retryMs.length - 1)]!;
    tries += 1;
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void flush(), wait);
    return;
  }
}

function tooOften({ id }: Waiting): boolean {
  const times = (faults.get(id) ?? 0) + 1;
  faults.set(id, times);
  return times >= mostFaults;
}

async function oldest(): Promise<{ key: number; command: Waiting }[]> {
  const db = await openOutbox();
  const most = oneByOne ? 1 : batchSize;
  const found: { key: number; command: Waiting }[] = [];
  let characters = 0;
  let cursor = db ? await db.transaction('waiting').store.openCursor() : null;
  while (cursor && found.length < most) {
    if (!isOurs(cursor.value)) {
      cursor = await cursor.continue();
      continue;
    }
    characters += JSON.stringify(cursor.value).length;
    if (found.length > 0 && characters > batchCharacters) break;
    found.push({ key: cursor.key, command: cursor.value });
    cursor = await cursor.continue();
  }
  // What had to stay in memory came after all that was written down.
  return found.length > 0 ? found : memory.slice(0, 1).map((command) => ({ key: inMemory, command }));
}

const inMemory = -1;

async function countWaiting(): Promise<number> {
  const db = await openOutbox();
  if (!db) return memory.length;
  const inDatabase = writer === null ? await db.count('waiting') : (await db.getAll('waiting')).filter(isOurs).length;
  return inDatabase + memory.length;
}

/** How much of what was said here has not reached the server. */
export const waitingCount = async (): Promise<number> => onTheWay.size + (await countWaiting());

/** What came back for a batch: answers as far as it went, and what stood in the way of the rest. */
type Answer = { outcomes: Outcome[] } & (
  | { kind: 'answered'; why: '' }
  /** No server, or one that is starting or overloaded. */
  | { kind: 'nobody'; why: '' }
  /** The server can take nothing in for now. */
  | { kind: 'trouble'; why: string }
  /** The server failed on the command after the answered ones. */
  | { kind: 'fault'; why: string }
  /** Sending it again as it is would be turned away again: too large, or a proxy that forbids it. */
  | { kind: 'turned away'; why: string }
);

/** Answers that say that this very request will never do. */
const never = [400, 403, 405, 406, 409, 410, 411, 413, 414, 415, 422, 431, 451];

interface Body {
  outcomes: Outcome[];
  cause?: 'disk' | 'fault';
  why?: string;
}

/** What the server says, or null where something else answered. By hand: a checker would be most of what every page loads. */
function bodyOf(answer: unknown): Body | null {
  const { outcomes, cause, why } = (answer ?? {}) as { [K in keyof Body]?: unknown };
  const whole = Array.isArray(outcomes) && outcomes.every((one) => typeof (one as Outcome | null)?.state === 'string');
  if (!whole) return null;
  return {
    outcomes: outcomes as Outcome[],
    ...(cause === 'disk' || cause === 'fault' ? { cause } : {}),
    ...(typeof why === 'string' ? { why } : {}),
  };
}

async function post(batch: readonly Waiting[]): Promise<Answer> {
  const nobody: Answer = { kind: 'nobody', outcomes: [], why: '' };
  try {
    const response = await fetch('/api/commands', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ commands: batch }),
    });
    const body = bodyOf(await response.json().catch(() => null));
    const words = body?.why ?? '';
    tellShut(response.status);
    if (response.ok) return body?.outcomes.length === batch.length ? { ...body, kind: 'answered', why: '' } : nobody;
    if (never.includes(response.status)) {
      return {
        kind: 'turned away',
        outcomes: [],
        why: `It was turned away on its way to the server (${response.status}). ${words}`.trim(),
      };
    }
    if (!body?.cause || body.outcomes.length > batch.length) return nobody;
    return body.cause === 'disk'
      ? { kind: 'trouble', outcomes: body.outcomes, why: words }
      : { kind: 'fault', outcomes: body.outcomes, why: words };
  } catch {
    return nobody;
  }
}

/**
 * Takes a command out of what waits and tells every tab of its outcome before anything can come between: of what no longer waits no
 * later page would tell.
 */
async function takeOut(key: number, command: Waiting, outcome: Outcome) {
  isWritten(command);
  const db = key === inMemory ? null : await openOutbox();
  if (key === inMemory) memory.splice(memory.indexOf(command), 1);
  const gone = db?.delete('waiting', key);
  countStored(Math.max(0, stored - 1), outcome.state === 'refused' ? {} : { lastSavedAt: outcome.at });
  tellOf({ command, outcome });
  await gone;
}

async function keepRefused(entry: Refused) {
  const db = await openOutbox();
  try {
    if (!db) throw new Error('no database');
    await db.put('refused', entry);
  } catch {
    memoryRefused.push(entry);
  }
}

/** Puts a command aside that can't be sent, with its words, so that those after it go on. */
async function putAside({ key, command }: { key: number; command: Waiting }, why: string) {
  await keepRefused({ ...command, why, again: true });
  faults.delete(command.id);
  await takeOut(key, command, { state: 'refused', code: 'not understood', why });
}

async function settle(key: number, command: Waiting, outcome: Outcome) {
  const waiter = waiters.get(command.id);
  // A refusal that nobody is there to show any more is kept aside, with what was typed in it, before anything else happens.
  if (outcome.state === 'refused' && !waiter?.here()) await keepRefused({ ...command, why: outcome.why });
  await takeOut(key, command, outcome);
}

function tellOf(settled: Settled) {
  hear(settled);
  otherTabs()?.postMessage(settled satisfies Heard);
}

interface Settled {
  command: Waiting;
  outcome: Outcome;
}
/** What tabs tell one another. */
type Heard = Settled | { said: Waiting } | { hello: true } | { recent: readonly Said[] };
/** So much of what was said is handed to a tab that has just come. */
const mostRecent = 60;

function hear({ command, outcome }: Settled) {
  place(command, outcome);
  waiters.get(command.id)?.answer(outcome);
  waiters.delete(command.id);
  for (const listener of outcomeListeners) listener({ kind: command.kind, payload: command.payload, outcome });
}

let channel: BroadcastChannel | null = null;

/** Whichever tab sends, the one that waits for the answer gets it. */
function otherTabs(): BroadcastChannel | null {
  if (typeof BroadcastChannel === 'undefined') return null;
  if (!channel) {
    channel = new BroadcastChannel('kokyu-outbox');
    channel.onmessage = ({ data }: MessageEvent<Heard>) => {
      if ('said' in data) return remember(data.said);
      if ('recent' in data) return takeRecent(data.recent);
      if ('hello' in data) {
        if (said.length > 0) channel?.postMessage({ recent: said.slice(-mostRecent) } satisfies Heard);
        return;
      }
      if (waiters.get(data.command.id)?.here() && data.outcome.state === 'refused') void dropRefused(data.command.id);
      if (data.outcome.state !== 'refused') setState({ lastSavedAt: data.outcome.at });
      void countWaiting().then((count) => countStored(count, { reachable: true }));
      hear(data);
    };
    (channel as { unref?: () => void }).unref?.();
    channel.postMessage({ hello: true } satisfies Heard);
  }
  return channel;
}

/** Payloads of one kind that are written down here and not yet with the server, oldest first. */
export async function waitingPayloads<K extends CommandKind>(kind: K): Promise<Payload<K>[]> {
  const db = await openOutbox();
  const all = [...(db ? await db.getAll('waiting') : []), ...memory];
  return all.filter((command) => command.kind === kind).map((command) => command.payload as Payload<K>);
}

/** Entries that were not taken in and have not been read yet, for showing what was typed. */
export async function refusedEntries(): Promise<Refused[]> {
  const db = await openOutbox();
  return [...(db ? await db.getAll('refused') : []), ...memoryRefused].filter(isOurs);
}

export async function dropRefused(id: string) {
  const at = memoryRefused.findIndex((entry) => entry.id === id);
  if (at >= 0) memoryRefused.splice(at, 1);
  await (await openOutbox())?.delete('refused', id);
}

/** Sends an entry that was put aside once more, under the id it has. */
export async function sendAgain({ id, kind, payload, at, by }: Refused) {
  const command: Waiting = { id, kind, payload, ...(at ? { at } : {}), ...(by ? { by } : {}) };
  remember(command);
  await writeDown(command);
  await dropRefused(id);
  void flush();
}
