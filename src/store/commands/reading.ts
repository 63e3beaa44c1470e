import { judgements, readings } from '../schema';
import { type Doors, ofVisit } from './door';

type Readings = Pick<Doors, 'finding.judge' | 'reading.confirm'>;

/** The coach's word: on single findings, and on what all of them come to. Each is added; the newest counts. */
export const readingDoors: Readings = {
  'finding.judge': {
    whose: ofVisit(),
    station: 'read',
    gated: 'nothing',
    revision: 'none',
    signed: 'refuses',
    act: ({ judgementId, visitId, judgement }, { store, at }) => {
      store.insert(judgements).values({ id: judgementId, visitId, at, value: judgement }).run();
    },
  },

  'reading.confirm': {
    whose: ofVisit(),
    station: 'read',
    gated: 'nothing',
    revision: 'none',
    signed: 'refuses',
    act: ({ readingId, visitId, reading }, { store, at }) => {
      store.insert(readings).values({ id: readingId, visitId, at, value: reading }).run();
    },
  },
};
