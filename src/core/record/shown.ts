import { type LookRecord, cautionsSeen, countsAmong, versionOf } from '../look';
import {
  type CountedRate,
  type Fact,
  type FactKey,
  type Gates,
  type KnownClient,
  type PathState,
  type SignsAnswer,
  evaluateGates,
  knownClient,
  pathState,
} from '../safety';
import { type CommandKind, type Payload } from './commands';
import { dayIn } from './day';
import { type Said, type laidOver, saidSince } from './said';
import { type Settings } from './settings';
import { type StoredLook, type VisitRecord, newVisit } from './visit';

/** What of a client a page shows, as far as commands change it. */
export interface Recorded {
  id: string;
  name: string;
  today: string;
  settings: Settings;
  known: KnownClient;
  gates: Gates;
  path: PathState;
  visit: VisitRecord | null;
  /** Facts of the client as far as they are shown, oldest first; null where none are. */
  history: { facts: Fact[]; entries: number; days: number } | null;
  /** What was said of touch on the day of the visit, oldest first, after what stood when it began. */
  consent: readonly Fact[];
  /** Looks that gate, of all visits, and the counts of the resting rate of this one: gates and path follow from them. */
  gating: { floors: readonly StoredLook[]; counts: readonly CountedRate[] };
  /** The server had taken in this many commands when the page was made. */
  asOf: number;
}

type Handler<K extends CommandKind> = <R extends Recorded>(shown: R, payload: Payload<K>, said: Said) => R;

const onVisit = <R extends Recorded>(shown: R, visitId: string, change: (visit: VisitRecord) => VisitRecord): R =>
  shown.visit?.id === visitId ? { ...shown, visit: change(shown.visit) } : shown;

/** The list with an entry put in the place of the one of its id, or added. */
const withEntry = <T extends { id: string }>(list: readonly T[], entry: T): T[] =>
  list.some(({ id }) => id === entry.id)
    ? list.map((other) => (other.id === entry.id ? entry : other))
    : [...list, entry];

const factOf = ({ payload: { factId, key, value }, at }: Said<'fact.add'>, zone: string): Fact => ({
  id: factId,
  key,
  value,
  at,
  day: dayIn(Date.parse(at), zone),
});

type History = Pick<NonNullable<Recorded['history']>, 'facts' | 'entries'>;

/** Of these the newest fact is not all that counts: a sign once present stays open until it is cleared. */
const signsBy = {
  emergency: ['emergency', 'emergencyClearance'],
  redFlags: ['redFlags', 'redFlagClearance'],
} as const satisfies Readonly<Record<string, readonly FactKey[]>>;

/**
 * What is known without some facts: of their keys the ones before count again, as far as the page knows them. Signs stay as they are
 * where none of theirs is gone.
 */
function without(known: KnownClient, gone: ReadonlySet<string>, { facts, entries }: History): KnownClient {
  const taken = [...Object.values(known.latest), ...facts].filter(({ id }) => gone.has(id));
  const keys = new Set(taken.map(({ key }) => key));
  if (keys.size === 0) return known;
  const signs = Object.keys(signsBy) as (keyof typeof signsBy)[];
  const fallen = signs.filter((sign) => signsBy[sign].some((key) => keys.has(key)));
  const touched = (key: FactKey) =>
    keys.has(key) || fallen.some((sign) => (signsBy[sign] as readonly FactKey[]).includes(key));
  const kept = [
    ...Object.values(known.latest).filter((fact) => !touched(fact.key)),
    ...facts.filter((fact) => touched(fact.key) && !gone.has(fact.id)),
  ];
  const again = knownClient(kept.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0)));
  const profile = { ...again.profile };
  for (const sign of signs) {
    const before = known.profile[sign];
    if (!fallen.includes(sign)) profile[sign] = before;
    else if (before && facts.length < entries) profile[sign] = stillOpen(before, again.profile[sign], taken);
  }
  return { ...again, profile };
}

/** Signs once some facts are gone, where the page does not know all: what none of those told may have been told long ago, and stays open. */
function stillOpen(before: SignsAnswer, again: SignsAnswer | null, taken: readonly Fact[]): SignsAnswer | null {
  const { clearance, ...open } = before;
  if (clearance && !taken.some(({ id }) => id === clearance.recordId)) return again;
  const told = new Set(taken.flatMap(({ value }) => (value as { present?: readonly string[] } | null)?.present ?? []));
  const older = open.present.filter((id) => !told.has(id) && !again?.present.includes(id));
  return older.length === 0 ? again : { ...open, present: [...(again?.present ?? []), ...older] };
}

const handlers: { [K in (typeof laidOver)[number]]: Handler<K> } = {
  'fact.add': (shown, payload, said) => {
    if (payload.clientId !== shown.id || shown.known.latest[payload.key]?.id === payload.factId) return shown;
    const fact = factOf(said as Said<'fact.add'>, shown.settings.timeZone);
    const known = knownClient([fact], shown.known);
    const { history } = shown;
    return {
      ...shown,
      known,
      name: known.texts.name || shown.name,
      history: history && { ...history, entries: history.entries + 1, facts: withEntry(history.facts, fact) },
      consent: fact.key === 'touch' ? withEntry(shown.consent, fact) : shown.consent,
    };
  },
  'visit.start': (shown, { visitId, clientId }, { at }) => {
    if (clientId !== shown.id || (shown.visit && shown.visit.endedAt === null)) return shown;
    const day = dayIn(Date.parse(at), shown.settings.timeZone);
    const visit = newVisit({ id: visitId, clientId, startedAt: at, day, endedAt: null });
    return shown.visit?.id === visitId ? shown : { ...shown, visit };
  },
  'visit.end': (shown, { visitId }, { at }) =>
    onVisit(shown, visitId, (visit) => ({ ...visit, endedAt: visit.endedAt ?? at })),
  'look.save': (shown, { lookId, visitId, protocol, moment, takenAt, raw, revision }) => {
    if (shown.visit?.id !== visitId) return shown;
    const before = shown.visit.looks.find(({ id }) => id === lookId);
    const look = {
      id: lookId,
      visitId,
      protocol,
      version: versionOf(protocol),
      moment,
      takenAt,
      raw,
      revision: Math.max(before?.revision ?? 0, revision) + 1,
    } as LookRecord as StoredLook;
    const { floors, counts } = shown.gating;
    return onVisit(
      {
        ...shown,
        gating: {
          floors: protocol === 'floor' ? withEntry(floors, look) : floors,
          counts: withCounts(counts, look),
        },
      },
      visitId,
      (visit) => ({ ...visit, looks: withEntry(visit.looks, look) }),
    );
  },
  'look.retract': (shown, { lookId }) => {
    const { floors, counts } = shown.gating;
    return {
      ...shown,
      gating: {
        floors: floors.filter(({ id }) => id !== lookId),
        counts: counts.filter(({ recordId }) => recordId !== lookId),
      },
      visit: shown.visit && { ...shown.visit, looks: shown.visit.looks.filter(({ id }) => id !== lookId) },
    };
  },
  'visit.lookList': (shown, { visitId, list }) => onVisit(shown, visitId, (visit) => ({ ...visit, lookList: list })),
  'finding.judge': (shown, { visitId, judgement }) =>
    onVisit(shown, visitId, (visit) => ({ ...visit, judgements: [...visit.judgements, judgement] })),
  'reading.confirm': (shown, { readingId, visitId, reading }, { at }) =>
    onVisit(shown, visitId, (visit) => ({ ...visit, reading: { ...reading, id: readingId, at } })),
  'plan.save': (shown, { planId, visitId, plan, revision }, { at }) =>
    onVisit(shown, visitId, (visit) => ({
      ...visit,
      plan: { id: planId, at, plan, revision: Math.max(visit.plan?.revision ?? 0, revision) + 1 },
    })),
  'run.create': (shown, { runId, visitId, items, members = [] }, { at }) =>
    onVisit(shown, visitId, (visit) =>
      visit.runs.some(({ id }) => id === runId)
        ? visit
        : { ...visit, runs: [...visit.runs, { id: runId, visitId, at, items, events: [], members }] },
    ),
  'note.save': (shown, { visitId, text, home, revision }, { at }) =>
    onVisit(shown, visitId, (visit) => ({
      ...visit,
      note: {
        additions: [],
        signedAt: null,
        ...visit.note,
        text,
        home,
        at,
        revision: Math.max(visit.note?.revision ?? 0, revision) + 1,
      },
    })),
  'note.sign': (shown, { visitId, text, home, revision }, { at }) =>
    onVisit(shown, visitId, (visit) => ({
      ...visit,
      endedAt: visit.endedAt ?? at,
      note: { additions: [], ...visit.note, text, home, at, signedAt: at, revision: revision + 1 },
    })),
  'note.add': (shown, { additionId, visitId, text }, { at }) =>
    onVisit(shown, visitId, (visit) => ({
      ...visit,
      note: visit.note && { ...visit.note, additions: withEntry(visit.note.additions, { id: additionId, at, text }) },
    })),
  'home.save': (shown, { visitId, plan, revision }, { at }) =>
    onVisit(shown, visitId, (visit) => ({
      ...visit,
      home: {
        visitId,
        at,
        plan,
        handedAt: visit.home?.handedAt ?? null,
        revision: Math.max(visit.home?.revision ?? 0, revision) + 1,
      },
    })),
  'home.hand': (shown, { visitId }, { at }) =>
    onVisit(shown, visitId, (visit) => ({
      ...visit,
      home: visit.home && { ...visit.home, handedAt: visit.home.handedAt ?? at },
    })),
  'lift.log': (shown, { liftId, visitId, lift }, { at }) =>
    onVisit(shown, visitId, (visit) => ({
      ...visit,
      lifts: withEntry(visit.lifts, { id: liftId, visitId, at, lift }),
    })),
  'lift.takeBack': (shown, { liftId, visitId }) =>
    onVisit(shown, visitId, (visit) => ({ ...visit, lifts: visit.lifts.filter(({ id }) => id !== liftId) })),
  'settings.change': (shown, changes) => ({ ...shown, settings: withChanges(shown.settings, changes) }),
};

function withCounts(counts: readonly CountedRate[], look: StoredLook): CountedRate[] {
  const others = counts.filter(({ recordId }) => recordId !== look.id);
  return [...others, ...countsAmong([look])];
}

const withChanges = (settings: Settings, changes: Partial<Settings>): Settings => ({
  ...settings,
  ...(Object.fromEntries(Object.entries(changes).filter(([, value]) => value !== undefined)) as Partial<Settings>),
});

/**
 * A client as the person in front of the page has left them: what the server showed, with everything that was written down in
 * this browser since, in its order, and what follows from it. What the person pressed is what is seen, whatever the server
 * does; a view made earlier never takes it away.
 *
 * @param served as the page was made
 * @param said everything written down in this browser that is not known to be refused, oldest first
 * @example shownWith(served, []) === served // true
 */
export function shownWith<R extends Recorded>(served: R, said: readonly Said[]): R {
  const since = saidSince(said, served.asOf);
  if (since.length === 0) return served;
  const gone = new Set(
    since.flatMap(({ kind, payload }) =>
      kind === 'fact.retract' ? [(payload as Payload<'fact.retract'>).factId] : [],
    ),
  );
  let shown = served;
  if (gone.size > 0) {
    const history = served.history ?? { facts: [], entries: Object.keys(served.known.latest).length };
    const known = without(served.known, gone, history);
    const left = history.facts.filter(({ id }) => !gone.has(id));
    shown = { ...shown, known, history: shown.history && { ...shown.history, facts: left } };
  }
  for (const one of since) {
    // Said and taken back before anybody was told: it never was.
    if (one.kind === 'fact.add' && gone.has((one.payload as Payload<'fact.add'>).factId)) continue;
    const handler = (handlers as { [K in CommandKind]?: Handler<never> })[one.kind] as Handler<CommandKind> | undefined;
    if (handler) shown = handler(shown, one.payload, one);
  }
  if (shown === served) return served;
  const { known, gating, settings, today, visit } = shown;
  if (known === served.known && gating === served.gating && settings === served.settings) return shown;
  return {
    ...shown,
    gates: evaluateGates(known.profile, today, settings.limits, cautionsSeen(gating.floors)),
    path: pathState(known.profile, today, visit ? gating.counts : []),
  };
}

/** Settings as this browser has left them. */
export function settingsWith(served: Settings, asOf: number, said: readonly Said[]): Settings {
  return saidSince(said, asOf).reduce(
    (settings, { kind, payload }) =>
      kind === 'settings.change' ? withChanges(settings, payload as Partial<Settings>) : settings,
    served,
  );
}
