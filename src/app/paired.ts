import { type PairKind } from '@/core/access';
import { type PairedMessage, type RemotePress, pairedMessageSchema, silentAfterMs } from '@/core/coach';
import { type Asker, type Pair, asker, askerOf, hasCoaches, pairBy, pairsOf, wholeStore } from '@/store';
import { wordIn } from './cookie';
import { sessionOf } from './session';

/** Takes one event of a stream. */
type Hear = (event: string, data: object) => void;

interface Device extends Pair {
  hear: Hear;
}

/**
 * A run that is coached while other devices go along with it. Nothing of it is kept: what is told is passed on at once or not at all, so
 * that a press never comes to a run that has moved on.
 */
interface Room {
  last: PairedMessage | null;
  lastAtMs: number;
  devices: Set<Device>;
  /** The page that coaches it; a second one of the same run only looks, and hears nothing. */
  coach: Hear | null;
}

/** Kept for the whole process: the app is built in several parts, and each has modules of its own. */
const key = Symbol.for('kokyu.paired');
const held = globalThis as { [key]?: Map<string, Room> };
const rooms = (held[key] ??= new Map<string, Room>());

function roomOf(runId: string): Room {
  const room = rooms.get(runId) ?? { last: null, lastAtMs: 0, devices: new Set(), coach: null };
  rooms.set(runId, room);
  return room;
}

function tidy(runId: string) {
  const room = rooms.get(runId);
  if (room && room.devices.size === 0 && !room.coach) rooms.delete(runId);
}

/** What a device of a kind is shown, and nothing else of it. */
const shownTo = (kind: PairKind, message: PairedMessage): object =>
  kind === 'screen' ? message.screen : { remote: message.remote };

/** Devices that go along with a run, and whether each is heard just now. */
export function devicesOf(runId: string) {
  const here = new Set([...(rooms.get(runId)?.devices ?? [])].map(({ pairId }) => pairId));
  return pairsOf(wholeStore(), runId, Date.now()).map((pair) => ({ ...pair, here: here.has(pair.id) }));
}

/** Tells the live screen who goes along just now. */
function tellCoach(runId: string) {
  rooms.get(runId)?.coach?.('devices', { devices: devicesOf(runId) });
}

/** What the live screen shows, passed on to every device of its run. */
export function tell(given: unknown): PairedMessage | null {
  const message = pairedMessageSchema.safeParse(given);
  if (!message.success) return null;
  const room = roomOf(message.data.runId);
  room.last = message.data;
  room.lastAtMs = Date.now();
  for (const { kind, hear } of room.devices) hear('frame', shownTo(kind, message.data));
  tidy(message.data.runId);
  return message.data;
}

/** A device goes along with its run. @returns leaves it again */
export function follow(pair: Pair, hear: Hear): () => void {
  const room = roomOf(pair.runId);
  const device = { ...pair, hear };
  room.devices.add(device);
  if (room.last && Date.now() - room.lastAtMs < silentAfterMs) hear('frame', shownTo(pair.kind, room.last));
  tellCoach(pair.runId);
  return () => {
    room.devices.delete(device);
    tellCoach(pair.runId);
    tidy(pair.runId);
  };
}

/** The live screen hears what remotes press. The newest that asks has the say. @returns stops */
export function heed(runId: string, hear: Hear): () => void {
  const room = roomOf(runId);
  room.coach = hear;
  tellCoach(runId);
  return () => {
    if (room.coach === hear) room.coach = null;
    tidy(runId);
  };
}

/** A press, to the live screen. @returns whether there is one that hears it */
export function press({ runId }: Pair, pressed: RemotePress): boolean {
  const coach = rooms.get(runId)?.coach;
  coach?.('press', { ...pressed, serverMs: Date.now() });
  return Boolean(coach);
}

/** Devices of a run that go along no longer are told so. */
export function sendAway(runId: string, pairId: string | null) {
  const room = rooms.get(runId);
  for (const device of [...(room?.devices ?? [])]) {
    if (pairId !== null && device.pairId !== pairId) continue;
    device.hear('over', {});
    room!.devices.delete(device);
  }
  tellCoach(runId);
  tidy(runId);
}

/** Somebody who coaches: signed in, their page locked or not, since a run goes on under the lock; null for nobody. */
export function coachOf(request: Request): Asker | null {
  const store = wholeStore();
  if (!hasCoaches(store)) return asker();
  const session = sessionOf(wordIn(request.headers.get('cookie') ?? undefined, isSecure(request)));
  return session && !session.mustChange ? askerOf(store, session) : null;
}

/** The device a request comes from, as long as it goes along with a run. */
export function deviceOf(request: Request, kind: PairKind): Pair | null {
  const word = wordIn(request.headers.get('cookie') ?? undefined, isSecure(request), kind);
  const pair = word === null ? null : pairBy(wholeStore(), word, Date.now());
  return pair?.kind === kind ? pair : null;
}

export const isSecure = (request: Request) => request.headers.get('x-kokyu-secure') === 'yes';
