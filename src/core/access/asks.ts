import * as z from 'zod/mini';
import { coachNameSchema, passphraseSchema } from './words';

const id = z.uuid();
/** A passphrase as it was typed by whoever says they know it: whether it does is found out by comparing. */
const said = z.string().check(z.minLength(1, 'Type the passphrase.'), z.maxLength(200));
const code = z.string().check(z.minLength(1, 'Type the code.'), z.maxLength(80));

/** What another device can be for one run: a second screen that shows what the client’s window shows, or a remote in the coach’s hand. */
export const pairKinds = ['screen', 'remote'] as const;
export type PairKind = (typeof pairKinds)[number];

/**
 * Everything that can be done about who may come in. None of it goes through the outbox: a passphrase must never be written down in
 * a browser.
 */
export const accessAsks = {
  /** Of a studio without a passphrase: the first coach, who owns it. */
  setUp: z.object({ name: coachNameSchema, passphrase: passphraseSchema }),
  /** It stays without one, on this machine. */
  leaveOpen: z.object({}),
  signIn: z.object({ name: z.string().check(z.maxLength(200)), passphrase: said }),
  unlock: z.object({ passphrase: said }),
  /** With the printed code, which is used up by it. */
  recover: z.object({ name: z.string().check(z.maxLength(200)), code, passphrase: passphraseSchema }),
  /** `forget`: nothing waits in the browser any more, so that it may forget what it kept. */
  signOut: z.object({ forget: z.boolean() }),
  lock: z.object({}),
  /** Somebody is still there. */
  seen: z.object({}),
  change: z.object({ now: said, passphrase: passphraseSchema }),
  newCode: z.object({ passphrase: said }),
  endSession: z.object({ sessionId: id }),
  addCoach: z.object({ name: coachNameSchema, passphrase: passphraseSchema }),
  /** They come in no longer; what they recorded stays. Their clients go to somebody first. */
  endCoach: z.object({ coachId: id, handTo: id }),
  share: z.object({ clientId: id, coachId: id }),
  unshare: z.object({ clientId: id, coachId: id }),
  handOver: z.object({ clientId: id, coachId: id }),
  /** A link by which the client of a visit says how it goes at home; the one before opens nothing any more. */
  checkIn: z.object({ visitId: id }),
  endCheckIn: z.object({ visitId: id }),
  /** A code by which one more device shows or steers a run. */
  pair: z.object({ runId: id, kind: z.enum(pairKinds) }),
  endPairs: z.object({ runId: id, pairId: z.nullable(id) }),
} as const;

export type AccessAsk = keyof typeof accessAsks;
export type Asked<K extends AccessAsk> = z.infer<(typeof accessAsks)[K]>;
export const accessAskNames = Object.keys(accessAsks) as [AccessAsk, ...AccessAsk[]];

/**
 * What can be asked by whom: nobody signed in, somebody whose session is locked, anybody signed in, the owner; and what belongs to the work,
 * by anybody where there is no passphrase.
 */
export const asksOf: Readonly<Record<AccessAsk, 'nobody' | 'locked' | 'signed in' | 'owner' | 'whoever works here'>> = {
  setUp: 'nobody',
  leaveOpen: 'nobody',
  signIn: 'nobody',
  recover: 'nobody',
  unlock: 'locked',
  signOut: 'locked',
  lock: 'locked',
  seen: 'signed in',
  change: 'signed in',
  newCode: 'signed in',
  endSession: 'signed in',
  addCoach: 'owner',
  endCoach: 'owner',
  share: 'signed in',
  unshare: 'signed in',
  handOver: 'signed in',
  checkIn: 'whoever works here',
  endCheckIn: 'whoever works here',
  pair: 'whoever works here',
  endPairs: 'whoever works here',
};
