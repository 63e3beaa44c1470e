import { randomUUID } from 'node:crypto';
import { and, asc, eq, gt, inArray, isNull, lt } from 'drizzle-orm';
import { type PairKind, codeWithinMs, pairKinds, pairedForMs } from '@/core/access';
import { type Store, afterWriting, mustBeInPlace } from '../file';
import { endOf, findRun } from '../runs';
import { pairs, runEvents, runs, visits } from '../schema';
import { AccessRefusal } from './coaches';
import { digestOf, newWord } from './secrets';
import { note } from './trail';
import { type Asker } from './who';

/** A device that goes along with a run. */
export interface Pair {
  pairId: string;
  runId: string;
  kind: PairKind;
}

const isKind = (kind: string): kind is PairKind => (pairKinds as readonly string[]).includes(kind);

/** Whether a run can still go on: it is there and not over. Asked without reading all of it. */
function goesOn(store: Store, runId: string): boolean {
  if (!store.select({ id: runs.id }).from(runs).where(eq(runs.id, runId)).get()) return false;
  const ends = store
    .select()
    .from(runEvents)
    .where(and(eq(runEvents.runId, runId), inArray(runEvents.type, ['end', 'settled'])))
    .limit(1)
    .get();
  // A stop may be settled and gone on from: then the run itself says.
  return !ends || endOf(findRun(store, runId)?.events ?? []) === null;
}

/** Whose run it is, for somebody who may coach it. */
export function runFor(store: Store, by: Pick<Asker, 'sees'>, runId: string): { visitId: string; clientId: string } {
  const found = store
    .select({ visitId: runs.visitId, clientId: visits.clientId })
    .from(runs)
    .innerJoin(visits, eq(visits.id, runs.visitId))
    .where(eq(runs.id, runId))
    .get();
  if (!found || !by.sees(found.clientId)) throw new AccessRefusal('This run is no longer there. Reload the page.');
  return found;
}

/** A code for one more device. @returns the word in it: told once, kept nowhere, and used up by the first device that reads it */
export function makePair(
  store: Store,
  by: Asker,
  { runId, kind }: { runId: string; kind: PairKind },
  nowMs: number,
): string {
  const { visitId, clientId } = runFor(store, by, runId);
  if (!goesOn(store, runId)) throw new AccessRefusal('This run is over.');
  const word = newWord();
  mustBeInPlace(store);
  store.$client
    .transaction(() => {
      // What was over long ago tells nobody anything.
      store
        .delete(pairs)
        .where(lt(pairs.madeAtMs, nowMs - 2 * pairedForMs))
        .run();
      // A code that was shown and not read opens nothing once another is shown.
      store
        .update(pairs)
        .set({ endedAtMs: nowMs })
        .where(and(eq(pairs.runId, runId), eq(pairs.kind, kind), isNull(pairs.wordDigest), isNull(pairs.endedAtMs)))
        .run();
      store
        .insert(pairs)
        .values({ id: randomUUID(), visitId, runId, kind, codeDigest: digestOf(word), madeAtMs: nowMs })
        .run();
      const what = kind === 'screen' ? 'made a code for a second screen' : 'made a code for a remote';
      note(store, { nowMs, coachId: by.coachId, what, clientId });
    })
    .immediate();
  afterWriting(store);
  return word;
}

/** A device shows the code it read. @returns what it is for now, and the word it is known by from now on; null for a code that opens nothing */
export function claimPair(
  store: Store,
  code: string,
  device: string,
  nowMs: number,
): { kind: PairKind; word: string } | null {
  mustBeInPlace(store);
  const word = newWord();
  const found = store.$client
    .transaction(() => {
      const row = store
        .select()
        .from(pairs)
        .where(
          and(
            eq(pairs.codeDigest, digestOf(code)),
            isNull(pairs.wordDigest),
            isNull(pairs.endedAtMs),
            gt(pairs.madeAtMs, nowMs - codeWithinMs),
          ),
        )
        .get();
      if (!row || !isKind(row.kind) || !goesOn(store, row.runId)) return null;
      store
        .update(pairs)
        .set({ wordDigest: digestOf(word), device })
        .where(eq(pairs.id, row.id))
        .run();
      return row.kind;
    })
    .immediate();
  afterWriting(store);
  return found && { kind: found, word };
}

/** The device of a word, as long as its run goes on and nobody ended it; null otherwise. */
export function pairBy(store: Store, word: string, nowMs: number): Pair | null {
  const row = store
    .select()
    .from(pairs)
    .where(and(eq(pairs.wordDigest, digestOf(word)), isNull(pairs.endedAtMs), gt(pairs.madeAtMs, nowMs - pairedForMs)))
    .get();
  if (!row || !isKind(row.kind) || !goesOn(store, row.runId)) return null;
  return { pairId: row.id, runId: row.runId, kind: row.kind };
}

/** Devices that go along with a run. */
export const pairsOf = (store: Store, runId: string, nowMs: number): { id: string; kind: PairKind; device: string }[] =>
  store
    .select()
    .from(pairs)
    .where(and(eq(pairs.runId, runId), isNull(pairs.endedAtMs), gt(pairs.madeAtMs, nowMs - pairedForMs)))
    .orderBy(asc(pairs.madeAtMs))
    .all()
    .flatMap(({ id, kind, wordDigest, device }) =>
      wordDigest !== null && isKind(kind) ? [{ id, kind, device: device ?? '' }] : [],
    );

/** One device of a run, or all of them, go along no longer; codes not read yet open nothing. */
export function endPairs(
  store: Store,
  by: Pick<Asker, 'sees' | 'coachId'>,
  { runId, pairId }: { runId: string; pairId: string | null },
  nowMs: number,
) {
  const { clientId } = runFor(store, by, runId);
  mustBeInPlace(store);
  store.$client
    .transaction(() => {
      const { changes } = store
        .update(pairs)
        .set({ endedAtMs: nowMs })
        .where(and(eq(pairs.runId, runId), isNull(pairs.endedAtMs), ...(pairId === null ? [] : [eq(pairs.id, pairId)])))
        .run();
      if (changes > 0) note(store, { nowMs, coachId: by.coachId, what: 'ended other devices of a run', clientId });
    })
    .immediate();
  afterWriting(store);
}
