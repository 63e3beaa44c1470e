import { eq } from 'drizzle-orm';
import { type Store } from '../file';
import { noteAdditions, visitNotes, visits } from '../schema';
import { findVisit, noteOf } from '../visits';
import { type Doors, type Moment, type Seen, ofVisit } from './door';

type Notes = Pick<Doors, 'note.save' | 'note.sign' | 'note.add'>;

function draftSeen(
  { visitId, revision }: { visitId: string; revision: number },
  { store }: Moment,
  stale: Seen['stale'],
) {
  const before = noteOf(store, visitId);
  if (!before) return null;
  const { text, home } = before;
  return { seen: revision, now: before.revision, theirs: { text, home, revision: before.revision + 1 }, stale };
}

function write(store: Store, visitId: string, row: Omit<typeof visitNotes.$inferInsert, 'visitId' | 'revision'>) {
  const revision = (noteOf(store, visitId)?.revision ?? 0) + 1;
  store
    .insert(visitNotes)
    .values({ visitId, ...row, revision })
    .onConflictDoUpdate({ target: visitNotes.visitId, set: { ...row, revision } })
    .run();
  return { revision };
}

/** The note of a visit: a draft until it is signed, with dated additions after that. */
export const noteDoors: Notes = {
  'note.save': {
    whose: ofVisit(),
    station: 'whatever the path',
    gated: 'nothing',
    revision: (payload, moment) =>
      draftSeen(payload, moment, { keepsBoth: 'This note was changed in another window meanwhile. Yours is saved.' }),
    signed: 'refuses',
    act: ({ visitId, text, home }, { store, at }) => write(store, visitId, { at, text, home }),
  },

  'note.sign': {
    whose: ofVisit(),
    station: 'whatever the path',
    gated: 'nothing',
    // A signature is for good: words written elsewhere meanwhile are read first.
    revision: (payload, moment) =>
      draftSeen(payload, moment, {
        refuses: 'This note was changed in another window meanwhile. Read it there, then sign.',
      }),
    signed: 'refuses',
    act: ({ visitId, text, home }, { store, at }) => {
      const written = write(store, visitId, { at, text, home, signedAt: at });
      if (!findVisit(store, visitId)?.endedAt) {
        store.update(visits).set({ endedAt: at }).where(eq(visits.id, visitId)).run();
      }
      return written;
    },
  },

  'note.add': {
    whose: ofVisit(),
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'must be',
    act: ({ additionId, visitId, text }, { store, at }) => {
      store.insert(noteAdditions).values({ id: additionId, visitId, at, text }).run();
    },
  },
};
