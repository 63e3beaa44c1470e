import { eq } from 'drizzle-orm';
import { takenUpAgain } from '../clients';
import { visits } from '../schema';
import { openVisitOf } from '../visits';
import { type Doors, ofClient, ofVisit } from './door';

type Visits = Pick<Doors, 'visit.start' | 'visit.lookList' | 'visit.end'>;

/** Visits: one open one a client and day, however many devices begin it. */
export const visitDoors: Visits = {
  'visit.start': {
    whose: ofClient(),
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ visitId, clientId }, { store, at, day, zone }) => {
      // Begun on another device meanwhile: that one is today's visit.
      if (openVisitOf(store, clientId, day)) return;
      takenUpAgain(store, clientId);
      store.insert(visits).values({ id: visitId, clientId, startedAt: at, day, zone }).run();
    },
  },

  'visit.lookList': {
    whose: ofVisit(),
    station: 'look',
    gated: 'nothing',
    revision: 'none',
    signed: 'refuses',
    act: ({ visitId, list }, { store }) => {
      store.update(visits).set({ lookList: list }).where(eq(visits.id, visitId)).run();
    },
  },

  'visit.end': {
    whose: ofVisit(),
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'refuses',
    act: ({ visitId }, { store, at }) => {
      store.update(visits).set({ endedAt: at }).where(eq(visits.id, visitId)).run();
    },
  },
};
