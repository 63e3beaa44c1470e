import { eq } from 'drizzle-orm';
import { itemOff } from '@/core/coach';
import { type PlanItem, knownDrill } from '@/core/sequence';
import { plans, templates } from '../schema';
import { planOf } from '../visits';
import { type Doors, nextRevision, ofVisit } from './door';

type Plans = Pick<Doors, 'plan.save' | 'template.save' | 'template.remove' | 'template.restore'>;

const asWritten = (item: PlanItem) => JSON.stringify({ ...item, reasons: [], cues: [], locked: false });

/** Plans of visits, and plans without anything of a client to begin another from. */
export const planDoors: Plans = {
  'plan.save': {
    whose: ofVisit(),
    station: 'sequence',
    // What is off may not come in. What was in before a caution was told may still be there while it is being mended, item by item.
    gated: ({ visitId, plan }, moment, { clientIds: [clientId] }) => {
      const before = new Set(planOf(moment.store, visitId)?.plan.items.map(asWritten));
      const gates = moment.gatesOf(clientId!);
      for (const item of plan.items) {
        const why = before.has(asWritten(item)) ? null : knownDrill(item) ? itemOff(item, gates) : noSuchDrill;
        if (why !== null) return why;
      }
      return null;
    },
    revision: ({ visitId, revision }, { store }) => {
      const existing = planOf(store, visitId);
      return (
        existing && {
          seen: revision,
          now: existing.revision,
          theirs: { plan: existing.plan, revision: existing.revision + 1 },
          stale: {
            keepsBoth:
              'This plan was changed in another window meanwhile. Yours is saved; undo there would bring the other back.',
          },
        }
      );
    },
    signed: 'refuses',
    act: ({ planId, visitId, plan }, { store, at }) => {
      // Why other drills are absent follows from the rest and is worked out when it is asked for.
      const value = { ...plan, refusals: [] };
      const existing = store.select().from(plans).where(eq(plans.visitId, visitId)).get();
      if (!existing) {
        store.insert(plans).values({ id: planId, visitId, at, value, revision: 1 }).run();
        return { revision: 1 };
      }
      const revision = nextRevision(existing.revision);
      store.update(plans).set({ at, value, revision }).where(eq(plans.visitId, visitId)).run();
      return { revision };
    },
  },

  'template.save': {
    whose: 'studio',
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ templateId, name, template }, { store, at }) => {
      store
        .insert(templates)
        .values({ id: templateId, at, name, value: template })
        .onConflictDoUpdate({ target: templates.id, set: { at, name, value: template } })
        .run();
    },
  },

  'template.remove': {
    whose: 'studio',
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ templateId }, { store, at }) => {
      store.update(templates).set({ retractedAt: at }).where(eq(templates.id, templateId)).run();
    },
  },

  'template.restore': {
    whose: 'studio',
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'takes',
    act: ({ templateId }, { store }) => {
      store.update(templates).set({ retractedAt: null }).where(eq(templates.id, templateId)).run();
    },
  },
};

const noSuchDrill = 'This drill is not in the catalogue. Take it out of the plan.';
