import { eq } from 'drizzle-orm';
import { homeFaults, readCode, withdrawnOf } from '@/core/home';
import { homeOf } from '../home';
import { homePlans, homeReturns } from '../schema';
import { type Doors, Refusal, gone, nextRevision, ofVisit } from './door';

type Home = Pick<Doors, 'home.save' | 'home.hand' | 'home.returned'>;

/** What goes home with a visit, and what comes back. It may be made when the note is signed already. */
export const homeDoors: Home = {
  'home.save': {
    whose: ofVisit(),
    station: 'carry',
    // What is off may not come in; what was in before a caution was told is taken out by hand.
    gated: ({ visitId, plan }, moment, { clientIds: [clientId] }) => {
      const before = new Set(homeOf(moment.store, visitId)?.plan.items.map(({ id }) => id));
      const fresh = plan.items.filter(({ id }) => !before.has(id));
      const [off] = withdrawnOf(fresh, moment.gatesOf(clientId!));
      return off ? `${off.name}: ${off.why}` : null;
    },
    revision: ({ visitId, revision }, { store }) => {
      const existing = homeOf(store, visitId);
      return (
        existing && {
          seen: revision,
          now: existing.revision,
          theirs: { plan: existing.plan, revision: existing.revision + 1 },
          stale: { keepsBoth: 'What goes home was changed in another window meanwhile. Yours is saved.' },
        }
      );
    },
    signed: 'takes',
    act: ({ visitId, plan }, { store, at }) => {
      const revision = nextRevision(homeOf(store, visitId)?.revision);
      store
        .insert(homePlans)
        .values({ visitId, at, value: plan, revision })
        .onConflictDoUpdate({ target: homePlans.visitId, set: { at, value: plan, revision } })
        .run();
      return { revision };
    },
  },

  'home.hand': {
    whose: ofVisit(),
    station: 'carry',
    gated: ({ visitId }, moment, { clientIds: [clientId] }) => {
      const plan = homeOf(moment.store, visitId)?.plan;
      if (!plan) return null;
      const [off] = withdrawnOf(plan.items, moment.gatesOf(clientId!));
      if (off) return `${off.name} can’t go home: ${off.why}`;
      const { homeMinutes, homeBreaths } = moment.settings();
      return homeFaults(plan, { minutes: homeMinutes, breaths: homeBreaths })[0]?.what ?? null;
    },
    revision: 'none',
    signed: 'takes',
    act: ({ visitId }, { store, at }) => {
      const existing = homeOf(store, visitId);
      if (!existing) throw gone('plan for home');
      if (existing.handedAt === null)
        store.update(homePlans).set({ handedAt: at }).where(eq(homePlans.visitId, visitId)).run();
    },
  },

  'home.returned': {
    whose: ofVisit(),
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ returnId: id, visitId, code }, { store, at }) => {
      const read = readCode(code, visitId);
      if (!read.ok) throw new Refusal('does not fit', read.why);
      store.insert(homeReturns).values({ id, visitId, at, code }).run();
    },
  },
};
