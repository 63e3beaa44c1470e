import { and, eq } from 'drizzle-orm';
import { lifts } from '../schema';
import { type Doors, ofVisit } from './door';

type Lifting = Pick<Doors, 'lift.log' | 'lift.takeBack'>;

/** Sets under a load. What was done is taken down whatever is off limits: a record that can't say so would be a worse one. */
export const liftDoors: Lifting = {
  'lift.log': {
    whose: ofVisit(),
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ liftId: id, visitId, lift }, { store, at }) => {
      store.insert(lifts).values({ id, visitId, at, value: lift }).run();
    },
  },

  'lift.takeBack': {
    whose: ofVisit(),
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ liftId, visitId }, { store, at }) => {
      store
        .update(lifts)
        .set({ retractedAt: at })
        .where(and(eq(lifts.id, liftId), eq(lifts.visitId, visitId)))
        .run();
    },
  },
};
