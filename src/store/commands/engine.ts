import { eq } from 'drizzle-orm';
import { inEnglish, lowered } from '@/core/reasons';
import {
  type CommandKind,
  type Outcome,
  type Payload,
  commandSchemas,
  commandWords,
  dayIn,
  envelopeSchema,
  firstSentence,
} from '@/core/record';
import { openStations } from '@/core/safety';
import { note } from '../access';
import { type Store, afterWriting, mustBeInPlace, nextPlace, placeNow } from '../file';
import { taken } from '../schema';
import { readSettings } from '../settings';
import { isSigned } from '../visits';
import { type Door, type Doors, Moment, Refusal, type Scope, type Seen, clientOrRefuse, gone } from './door';

const refused = ({ code, message }: Refusal): Outcome => ({ state: 'refused', code, why: message });

/** Holds a command against its door, in the order in which it is told: whose, signed, open today, gated. */
function passDoor<K extends CommandKind>(
  door: Door<K>,
  payload: Payload<K>,
  moment: Moment,
): { clash: Seen | null; about: readonly string[] } {
  const scope: Scope = door.whose === 'studio' ? { clientIds: [], visits: [] } : door.whose(payload, moment);
  for (const clientId of scope.clientIds) {
    // Another coach's client is told of no more than one who never was.
    if (!moment.by.sees(clientId)) throw gone('client');
    clientOrRefuse(moment.store, clientId);
  }
  for (const visit of scope.visits) {
    const signed = isSigned(moment.store, visit.id);
    if (signed && door.signed === 'refuses') {
      throw new Refusal('signed', 'This visit is signed and stays as it is. Write an addition to its note instead.');
    }
    if (!signed && door.signed === 'must be') {
      throw new Refusal('stale', 'The note is not signed yet: write in the note itself.');
    }
    if (door.station === 'whatever the path') continue;
    const path = moment.pathOf(visit);
    if (!openStations[path.state].includes(door.station)) {
      const why = path.reasons[0]?.what ?? 'the way is closed';
      throw new Refusal('closed', `Not today: ${why} Nothing was recorded.`);
    }
  }
  const why = door.gated === 'nothing' ? null : door.gated(payload, moment, scope);
  if (why !== null) throw new Refusal('gated', why);
  const seen = door.revision === 'none' ? null : door.revision(payload, moment);
  const about = scope.clientIds;
  if (!seen || seen.seen === seen.now) return { clash: null, about };
  if ('refuses' in seen.stale) throw new Refusal('stale', seen.stale.refuses);
  return { clash: seen, about };
}

/** Leaves in the trail that somebody recorded something, of whom and of what kind, and never what. */
function leaveTrail(kind: CommandKind, about: readonly string[], payload: unknown, { store, epochMs, by }: Moment) {
  if (remembersItself.includes(kind)) return;
  const told = { nowMs: epochMs, coachId: by.coachId, what: trailWords(kind) };
  const people = kind === 'client.create' ? [(payload as Payload<'client.create'>).clientId] : about;
  if (people.length === 0) note(store, told);
  for (const clientId of people) note(store, { ...told, clientId });
}

const trailWords = (kind: CommandKind) => `recorded: ${lowered(commandWords[kind])}`;

/** Events of runs say by their place whether they were taken in; they need no entry of their own. */
const remembersItself: readonly CommandKind[] = ['run.append'];

/** The answer a command got, when it was taken in before. */
function answeredBefore(store: Store, id: string): Outcome | null {
  const row = store.select().from(taken).where(eq(taken.id, id)).get();
  if (!row) return null;
  const at = new Date(row.atEpochMs).toISOString();
  const answer = { at, place: placeNow(store), ...(row.revision === null ? {} : { revision: row.revision }) };
  return row.why === null
    ? { state: 'saved', ...answer }
    : { state: 'conflict', why: row.why, ...answer, theirs: null };
}

/** Carries out one command inside a transaction. A refusal is an answer; anything else is thrown. */
function carryOutOne(doors: Doors, input: unknown, moment: Moment): Outcome {
  const envelope = envelopeSchema.safeParse(input);
  if (!envelope.success) {
    return refused(new Refusal('not understood', 'This was not understood. Reload the page and try again.'));
  }
  const { id, kind, payload } = envelope.data;
  const { store, epochMs, at } = moment;
  const before = answeredBefore(store, id);
  if (before) return before;
  const parsed = commandSchemas[kind].safeParse(payload, inEnglish);
  if (!parsed.success) return refused(new Refusal('does not fit', firstSentence(parsed.error)));
  try {
    // What a refused command wrote is taken back; what others of the same request wrote stays.
    return store.$client.transaction((): Outcome => {
      const door = doors[kind] as Door<CommandKind>;
      const { clash, about } = passDoor(door, parsed.data as never, moment);
      const { revision } = door.act(parsed.data as never, moment) ?? {};
      leaveTrail(kind, about, parsed.data, moment);
      const answer = { at, place: nextPlace(store), ...(revision === undefined ? {} : { revision }) };
      const why = clash && 'keepsBoth' in clash.stale ? clash.stale.keepsBoth : null;
      if (!remembersItself.includes(kind)) {
        store
          .insert(taken)
          .values({ id, atEpochMs: epochMs, revision: revision ?? null, why })
          .run();
      }
      return why === null
        ? { state: 'saved', ...answer }
        : { state: 'conflict', why, ...answer, theirs: clash!.theirs };
    })();
  } catch (error) {
    // A refusal is not remembered: what stood in its way may be gone when it is sent again on purpose.
    if (error instanceof Refusal) return refused(error);
    if ((error as { code?: string }).code === 'SQLITE_CONSTRAINT_PRIMARYKEY' || isUnique(error)) {
      return refused(new Refusal('known already', 'This was recorded already. Reload the page to see it.'));
    }
    throw error;
  }
}

const isUnique = (error: unknown) => (error as { code?: string }).code === 'SQLITE_CONSTRAINT_UNIQUE';

/** Trouble of the disk or of the file as a whole: nothing can be taken in until it is over. */
export function isDiskTrouble(error: unknown): boolean {
  const code = (error as { code?: unknown } | null)?.code;
  return (
    typeof code === 'string' &&
    /^(SQLITE_(BUSY|FULL|IOERR|LOCKED|READONLY|CANTOPEN|CORRUPT|NOTADB|NOMEM|PROTOCOL)|E[A-Z]+$)/.test(code)
  );
}

/** What became of several commands: an answer each, as far as it went, and what stood in the way of the rest. */
export interface Carried {
  outcomes: Outcome[];
  /** Nothing was answered for the commands after the last outcome: they are to be sent again. */
  failed: unknown;
}

/**
 * Carries out commands in order, each once: an id that was taken in before is answered as it was then and changes nothing. All of
 * them come to the disk together, so a batch costs one write. What is no reasoned refusal is no answer: it ends the batch.
 *
 * @param inputs anything that came in from outside
 * @param nowEpochMs the server's clock
 * @throws {FileGone} when the file is no longer where it was; then nothing counts as taken in
 */
export function carryOutAll(
  doors: Doors,
  store: Store,
  inputs: readonly unknown[],
  nowEpochMs: number,
  drafts?: ReadonlyMap<string, string>,
): Carried {
  mustBeInPlace(store);
  const outcomes: Outcome[] = [];
  let failed: unknown = null;
  const afterwards: (() => void)[] = [];
  store.$client
    .transaction(() => {
      for (const input of inputs) {
        // Settings and people may change from one command to the next: each has a moment of its own.
        const { timeZone } = readSettings(store);
        const moment = new Moment(store, nowEpochMs, dayIn(nowEpochMs, timeZone), timeZone, drafts);
        try {
          outcomes.push(carryOutOne(doors, input, moment));
          afterwards.push(...moment.afterwards);
        } catch (error) {
          if (isDiskTrouble(error)) throw error;
          failed = error;
          return;
        }
      }
      mustBeInPlace(store);
    })
    // Taking the write lock at once, a busy file makes it wait instead of failing half-way.
    .immediate();
  // Replaced between the check and the commit: then the answer would be a promise about a file that is gone.
  mustBeInPlace(store);
  for (const done of afterwards) done();
  afterWriting(store);
  return { outcomes, failed };
}
