import { eq } from 'drizzle-orm';
import { positions } from '@/core/catalogue';
import { type Raw, rawComponents, testVerdict, versionOf } from '@/core/look';
import { type Payload, firstSentence, parseRaw } from '@/core/record';
import { refusalInWords } from '@/core/safety';
import { type Store } from '../file';
import { looks } from '../schema';
import { type Doors, Refusal, gone, nextRevision, scopeOf, visitOrRefuse } from './door';

type Looks = Pick<Doors, 'look.save' | 'look.retract'>;

const storedLook = (store: Store, lookId: string) => store.select().from(looks).where(eq(looks.id, lookId)).get();

function rawOrRefuse({ protocol, raw }: Payload<'look.save'>) {
  const parsed = parseRaw(protocol, raw);
  if (!parsed.success) throw new Refusal('does not fit', firstSentence(parsed.error));
  return parsed.data as Raw<typeof protocol>;
}

/** Looks: raw records of a visit, gated by what was taken in them. */
export const lookDoors: Looks = {
  'look.save': {
    // The visit it was first written in stays its visit: under another's id it would reach into a visit that may be signed.
    whose: ({ lookId, visitId }, { store }) => {
      const existing = storedLook(store, lookId);
      if (existing && existing.visitId !== visitId) throw gone('look');
      return scopeOf([visitOrRefuse(store, visitId)]);
    },
    station: 'look',
    gated: (payload, moment, { clientIds: [clientId] }) => {
      const taken = rawOrRefuse(payload);
      const contained = [...rawComponents(payload.protocol, taken), ...positions[taken.position].components];
      const verdict = testVerdict(moment.gatesOf(clientId!), contained);
      return verdict.allowed ? null : refusalInWords(verdict);
    },
    revision: ({ lookId, revision }, { store }) => {
      const existing = storedLook(store, lookId);
      return (
        (existing && {
          seen: revision,
          now: existing.revision,
          theirs: { raw: existing.raw, revision: existing.revision + 1 },
          stale: {
            keepsBoth:
              'This look was changed in another window meanwhile. Yours is saved; the other is kept beside it.',
          },
        }) ??
        null
      );
    },
    signed: 'refuses',
    act: (payload, { store }) => {
      const { lookId, visitId, protocol, moment, takenAt, revision } = payload;
      const raw = rawOrRefuse(payload);
      const existing = storedLook(store, lookId);
      if (!existing) {
        const version = versionOf(protocol);
        store.insert(looks).values({ id: lookId, visitId, protocol, version, moment, takenAt, raw, revision: 1 }).run();
        return { revision: 1 };
      }
      // Another window wrote this look meanwhile: theirs stays under a new id, ours takes the place, nothing is lost.
      if (existing.revision !== revision) {
        store
          .insert(looks)
          .values({ ...existing, id: crypto.randomUUID() })
          .run();
      }
      const next = nextRevision(existing.revision);
      store.update(looks).set({ raw, takenAt, revision: next }).where(eq(looks.id, lookId)).run();
      return { revision: next };
    },
  },

  'look.retract': {
    whose: ({ lookId }, { store }) => {
      const look = storedLook(store, lookId);
      if (!look) throw gone('look');
      return scopeOf([visitOrRefuse(store, look.visitId)]);
    },
    station: 'whatever the path',
    gated: 'nothing',
    revision: 'none',
    signed: 'refuses',
    act: ({ lookId }, { store, at }) => {
      store.update(looks).set({ retractedAt: at }).where(eq(looks.id, lookId)).run();
    },
  },
};
