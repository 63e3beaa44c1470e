import { randomUUID } from 'node:crypto';
import * as z from 'zod/mini';
import { type AccessAsk, type Asked, accessAskNames, accessAsks, asksOf } from '@/core/access';
import { firstSentence } from '@/core/record';
import { inEnglish } from '@/core/reasons';
import {
  AccessRefusal,
  type Asker,
  type Session,
  addCoach,
  anotherCode,
  asker,
  askerOf,
  beginSession,
  carryOut,
  changePassphrase,
  coachBy,
  endCheckIns,
  endCoach,
  endPairs,
  endSession,
  handOver,
  hasCoaches,
  isTheirs,
  lockSession,
  makeCheckIn,
  makePair,
  readSettings,
  recover,
  seen,
  setUp,
  share,
  unlockSession,
  unshare,
  wholeStore,
} from '@/store';
import { cookieOf, noCookie, wordIn } from '../../cookie';
import { sendAway } from '../../paired';
import { sessionOf } from '../../session';
import { answer } from '../answer';
import { readJson } from '../body';
import { isSameOrigin } from '../sameOrigin';
import { deviceName } from './device';
import { tooEasy } from './strength';
import { noteFailure, noteSuccess, signInKeys, waitWords } from './tries';

const bodySchema = z.object({ ask: z.enum(accessAskNames) });
const mostBytes = 10_000;

/** Who and what is asked from where. */
interface From {
  store: ReturnType<typeof wholeStore>;
  nowMs: number;
  address: string;
  secure: boolean;
  device: string;
  session: Session | null;
  by: Asker | null;
}

const refuse = (why: string, status = 400) => answer({ why }, status);
const mismatch = () => refuse('Name and passphrase don’t go together.', 403);
const wrong = () => refuse('This is not your passphrase.', 403);

/** Signs somebody in: what is asked besides comes with the answer. */
function signedIn({ store, device, secure, nowMs, session }: From, coachId: string, more: object = {}) {
  // Another word with every way in: one that was known before opens nothing.
  if (session) endSession(store, session, session.sessionId, nowMs);
  const word = beginSession(store, coachId, device, nowMs);
  return answer({ done: true, ...more }, 200, { 'set-cookie': cookieOf(word, secure) });
}

/** Holds a passphrase against slowness first. A try counts as failed until it is not: many sent at once wait for one another. */
async function tried<T>(from: From, name: string, work: () => Promise<T | null>): Promise<T | Response | null> {
  const keys = signInKeys(name, from.address);
  const wait = waitWords(keys, from.nowMs);
  if (wait) return refuse(wait, 429);
  noteFailure(keys, from.nowMs);
  const found = await work();
  if (found !== null) noteSuccess(keys);
  return found;
}

const easy = (from: From, passphrase: string, ...names: string[]) => {
  const why = tooEasy(passphrase, [...names, readSettings(from.store).studioName, 'kokyu', 'breath']);
  return why && refuse(why);
};

/** What somebody does who still has the passphrase another one set. */
const beforeOwnPassphrase: readonly AccessAsk[] = ['change', 'signOut', 'lock', 'unlock', 'seen'];

type Answers = { [K in AccessAsk]: (asked: Asked<K>, from: From) => Promise<Response> | Response };

const done = () => answer({ done: true });

const answers: Answers = {
  setUp: async (asked, from) => {
    const why = easy(from, asked.passphrase, asked.name);
    if (why) return why;
    const { coachId, code } = await setUp(from.store, asked, from.nowMs);
    return signedIn(from, coachId, { code });
  },
  leaveOpen: (_, { store, nowMs }) => {
    if (hasCoaches(store)) return refuse('This studio has a passphrase already.');
    carryOut(store, { id: randomUUID(), kind: 'settings.change', payload: { leftOpen: true } }, nowMs);
    return done();
  },
  signIn: async ({ name, passphrase }, from) => {
    const coachId = await tried(from, name, () => coachBy(from.store, name, passphrase));
    if (coachId instanceof Response) return coachId;
    return coachId === null ? mismatch() : signedIn(from, coachId);
  },
  recover: async (asked, from) => {
    const why = easy(from, asked.passphrase, asked.name);
    if (why) return why;
    const found = await tried(from, asked.name, () => recover(from.store, asked, from.nowMs));
    if (found instanceof Response) return found;
    return found === null
      ? refuse('Name and code don’t go together, or the code was used before.', 403)
      : signedIn(from, found.coachId, { code: found.code });
  },
  unlock: async ({ passphrase }, from) => {
    const { name, coachId, sessionId } = from.session!;
    const found = await tried(from, name, async () => (await isTheirs(from.store, coachId, passphrase)) || null);
    if (found instanceof Response) return found;
    if (found === null) return wrong();
    unlockSession(from.store, sessionId, from.nowMs);
    return done();
  },
  signOut: ({ forget }, { store, session, nowMs, secure }) => {
    endSession(store, session!, session!.sessionId, nowMs);
    return answer({ done: true }, 200, {
      'set-cookie': noCookie(secure),
      // What was said and has not come here yet waits in the browser for whoever said it.
      'clear-site-data': forget ? '"cache", "storage"' : '"cache"',
    });
  },
  lock: (_, { store, session, nowMs }) => {
    lockSession(store, session!.sessionId, nowMs);
    return done();
  },
  seen: (_, { store, session, nowMs }) => {
    seen(store, session!.sessionId, nowMs);
    return done();
  },
  change: async (asked, from) => {
    if (asked.passphrase === asked.now) return refuse('This is the one you have. Choose another.');
    const why = easy(from, asked.passphrase, from.by!.name ?? '');
    if (why) return why;
    const changed = await tried(
      from,
      from.by!.name ?? '',
      async () => (await changePassphrase(from.store, from.by!, asked, from.nowMs)) || null,
    );
    if (changed instanceof Response) return changed;
    return changed === null ? wrong() : done();
  },
  newCode: async ({ passphrase }, from) => {
    const code = await tried(from, from.by!.name ?? '', () =>
      anotherCode(from.store, from.by!, passphrase, from.nowMs),
    );
    if (code instanceof Response) return code;
    return code === null ? wrong() : answer({ done: true, code });
  },
  endSession: ({ sessionId }, { store, by, nowMs }) =>
    endSession(store, { coachId: by!.coachId!, role: by!.role }, sessionId, nowMs)
      ? done()
      : refuse('This session is over already.', 404),
  addCoach: async (asked, from) => {
    const why = easy(from, asked.passphrase, asked.name);
    if (why) return why;
    const { code } = await addCoach(from.store, from.by!, asked, from.nowMs);
    return answer({ done: true, code });
  },
  endCoach: (asked, { store, by, nowMs }) => {
    endCoach(store, by!, asked, nowMs);
    return done();
  },
  share: (asked, { store, by, nowMs }) => {
    share(store, by!, asked, nowMs);
    return done();
  },
  unshare: (asked, { store, by, nowMs }) => {
    unshare(store, by!, asked, nowMs);
    return done();
  },
  handOver: (asked, { store, by, nowMs }) => {
    handOver(store, by!, asked, nowMs);
    return done();
  },
  checkIn: ({ visitId }, { store, by, nowMs }) => answer({ done: true, code: makeCheckIn(store, by!, visitId, nowMs) }),
  endCheckIn: ({ visitId }, { store, by, nowMs }) => {
    endCheckIns(store, by!, visitId, nowMs);
    return done();
  },
  pair: (asked, { store, by, nowMs }) => answer({ done: true, code: makePair(store, by!, asked, nowMs) }),
  endPairs: (asked, { store, by, nowMs }) => {
    endPairs(store, by!, asked, nowMs);
    sendAway(asked.runId, asked.pairId);
    return done();
  },
};

/** Everything about who may come in. It asks for itself who asks: signing in and unlocking are done by nobody yet. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return refuse('Only the app’s own pages may ask this.', 403);
  if (!request.headers.get('content-type')?.startsWith('application/json')) return refuse('This is sent as JSON.', 415);
  const body = await readJson(request, mostBytes);
  const known = bodySchema.safeParse(body);
  if (!known.success) return refuse('This was not understood.');
  const { ask } = known.data;
  const from = fromOf(request);
  const may = asksOf[ask];
  if (may === 'whoever works here' && !hasCoaches(from.store)) from.by = asker();
  else if (may !== 'nobody') {
    if (!from.session) return refuse('Sign in first.', 401);
    if (may !== 'locked' && !from.by) return refuse('Kokyu is locked. Type your passphrase to go on.', 423);
    if (from.session.mustChange && !beforeOwnPassphrase.includes(ask)) {
      return refuse('Set a passphrase of your own first.', 403);
    }
    if (may === 'owner' && from.by?.role !== 'owner') return refuse('Only the owner of the studio does this.', 403);
  }
  const asked = accessAsks[ask].safeParse(body, inEnglish);
  if (!asked.success) return refuse(firstSentence(asked.error));
  try {
    return await (answers[ask] as (asked: unknown, from: From) => Promise<Response> | Response)(asked.data, from);
  } catch (error) {
    if (error instanceof AccessRefusal) return refuse(error.message, 409);
    console.error(error);
    return refuse('The server failed on this. Nothing was changed.', 503);
  }
}

function fromOf(request: Request): From {
  const store = wholeStore();
  const nowMs = Date.now();
  const secure = request.headers.get('x-kokyu-secure') === 'yes';
  const session = sessionOf(wordIn(request.headers.get('cookie') ?? undefined, secure));
  return {
    store,
    nowMs,
    // Written by the door over whatever was sent.
    address: request.headers.get('x-kokyu-from') ?? '',
    secure,
    device: deviceName(request),
    session,
    by: session?.standing === 'open' ? askerOf(store, session) : null,
  };
}
