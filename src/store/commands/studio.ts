import { and, eq, isNull, sql } from 'drizzle-orm';
import { type Drill, drillSchema } from '@/core/catalogue';
import { drillFaults } from '@/core/formats';
import { type Settings } from '@/core/record';
import { type Store } from '../file';
import { placePhoto } from '../photos';
import { readableTables } from '../records';
import { ownBreath, ownDrills, photos, setAsides } from '../schema';
import { changeSettings } from '../settings';
import { type Door, type Doors, Refusal, clientOrRefuse, gone, ofClient } from './door';

/** What a command of the studio's own has in common with the others of its kind: it belongs to no client, and nothing of it is gated. */
export const studios = {
  whose: 'studio',
  station: 'whatever the path',
  gated: 'nothing',
  revision: 'none',
  signed: 'takes',
} as const;

/** Refuses drills that name what is not there, or hide a hold: the first fault in one sentence. */
function refuseFaults(drills: readonly Drill[], store: Store) {
  const own = store
    .select()
    .from(ownDrills)
    .where(isNull(ownDrills.retractedAt))
    .all()
    .flatMap(({ value }) => drillSchema.safeParse(value).data ?? []);
  const known = new Map([...own, ...drills].map((drill) => [drill.id, drill]));
  for (const drill of drills) {
    const [fault] = drillFaults(drill, known);
    if (fault) throw new Refusal('does not fit', `${drill.name}: ${fault.what}`);
  }
}

const storedDrill = (store: Store, drillId: string) =>
  store.select().from(ownDrills).where(eq(ownDrills.id, drillId)).get();

type Drills = Pick<Doors, 'drill.save' | 'drill.remove' | 'drill.restore' | 'drills.import'>;

/** Drills of the coach's own. */
export const drillDoors: Drills = {
  'drill.save': {
    ...studios,
    revision: ({ drill, revision }, { store }) => {
      const existing = storedDrill(store, drill.id);
      if (!existing || existing.retractedAt !== null) return null;
      return {
        seen: revision,
        now: existing.revision,
        theirs: { drill: existing.value, revision: existing.revision + 1 },
        stale: { keepsBoth: 'This drill was changed in another window meanwhile. Yours is saved.' },
      };
    },
    act: ({ drill }, { store, at }) => {
      refuseFaults([drill], store);
      const existing = storedDrill(store, drill.id);
      const revision = (existing?.revision ?? 0) + 1;
      store
        .insert(ownDrills)
        .values({ id: drill.id, at, value: drill, revision })
        .onConflictDoUpdate({ target: ownDrills.id, set: { at, value: drill, revision, retractedAt: null } })
        .run();
      return { revision };
    },
  },

  'drill.remove': {
    ...studios,
    act: ({ drillId }, { store, at }) => {
      if (!storedDrill(store, drillId)) throw gone('drill');
      store.update(ownDrills).set({ retractedAt: at }).where(eq(ownDrills.id, drillId)).run();
    },
  },

  'drill.restore': {
    ...studios,
    act: ({ drillId }, { store }) => {
      store.update(ownDrills).set({ retractedAt: null }).where(eq(ownDrills.id, drillId)).run();
    },
  },

  'drills.import': {
    ...studios,
    act: ({ drills }, { store, at }) => {
      refuseFaults(drills, store);
      for (const drill of drills) {
        store
          .insert(ownDrills)
          .values({ id: drill.id, at, value: drill, revision: 1 })
          .onConflictDoUpdate({
            target: ownDrills.id,
            set: { at, value: drill, revision: sql`${ownDrills.revision} + 1`, retractedAt: null },
          })
          .run();
      }
    },
  },
};

/** The coach's own practice. It has no client. */
export const ownBreathDoors: Pick<Doors, 'own.add' | 'own.retract'> = {
  'own.add': {
    ...studios,
    act: ({ entryId, entry }, { store, at, day, by }) => {
      store.insert(ownBreath).values({ id: entryId, at, day, value: entry, coachId: by.coachId }).run();
    },
  },
  'own.retract': {
    ...studios,
    act: ({ entryId }, { store, at, by }) => {
      const there = store.select().from(ownBreath).where(eq(ownBreath.id, entryId)).get();
      // Nobody's but theirs, the owner of the studio among them.
      if (!there || there.coachId !== by.coachId) throw gone('entry');
      store.update(ownBreath).set({ retractedAt: at }).where(eq(ownBreath.id, entryId)).run();
    },
  },
};

/** Pictures: checked and written beside their place before; row and file come into being together. */
export const photoDoors: Pick<Doors, 'photo.add'> = {
  'photo.add': {
    ...studios,
    whose: ofClient(),
    act: ({ photoId, clientId }, { store, at, drafts }) => {
      clientOrRefuse(store, clientId);
      const draft = drafts.get(photoId);
      if (!draft) throw new Refusal('does not fit', 'This picture could not be read. Choose it again.');
      store.insert(photos).values({ id: photoId, clientId, at }).run();
      placePhoto(store, photoId, draft);
    },
  },
};

const asideDoor = <K extends 'record.setAside' | 'record.bringBack'>(act: Door<K>['act']): Door<K> =>
  ({
    ...studios,
    act: (payload, moment) => {
      if (!readableTables.includes(payload.table)) throw gone('record');
      return act(payload, moment);
    },
  }) satisfies Door<K>;

/** What whoever coaches sets for the room they stand in; the rest holds for everybody's clients, and its owner sets it. */
const anyCoachSets = [
  'noticeSeen',
  'pedalKeys',
  'toneVolume',
  'noiseVolume',
  'voiceVolume',
  'soundLatencyMs',
  'clientCount',
] as const satisfies readonly (keyof Settings)[];

/** What is set once for the studio, and records that are told of no longer. */
export const settingDoors: Pick<Doors, 'settings.change' | 'record.setAside' | 'record.bringBack'> = {
  'settings.change': {
    ...studios,
    gated: (changes, { by }) =>
      by.role === 'owner' || Object.keys(changes).every((key) => (anyCoachSets as readonly string[]).includes(key))
        ? null
        : 'Only the owner of the studio changes this.',
    act: (changes, { store }) => changeSettings(store, changes),
  },
  'record.setAside': asideDoor(({ table, recordId }, { store, at }) => {
    store.insert(setAsides).values({ table, recordId, at }).onConflictDoNothing().run();
  }),
  'record.bringBack': asideDoor(({ table, recordId }, { store }) => {
    store
      .delete(setAsides)
      .where(and(eq(setAsides.table, table), eq(setAsides.recordId, recordId)))
      .run();
  }),
};
