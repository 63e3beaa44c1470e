import { cookies } from 'next/headers';
import { cache } from 'react';
import { dayIn } from '@/core/record';
import { type LookRecord, cautionsSeen, countsAmong, isOf } from '@/core/look';
import { freeFindings, readFindings } from '@/core/read';
import { evaluateGates, pathState } from '@/core/safety';
import { type Followed, type Repeats, followed, followedProtocols, repeatsOf } from '@/core/track';
import { type ClientView, type Planning, type Unreadable } from '@/stations/view';
import {
  countFacts,
  factsOf,
  findClient,
  historyAndFaults,
  knownClientOf,
  looksOf,
  looksOfClient,
  notSetAside,
  ownDrillsOf,
  placeNow,
  readSettings,
  stoppedDrills,
  templatesOf,
  theStore,
  visitOfDay,
  visitRecord,
  visitsOf,
} from '@/store';

export const loadSettings = cache(() => readSettings(theStore()));

export async function loadTheme(): Promise<'light' | 'dark'> {
  return (await cookies()).get('theme')?.value === 'dark' ? 'dark' : 'light';
}

export const todayIn = (zone: string) => dayIn(Date.now(), zone);

/** Protocols in which something marked was found. */
const markedIn = (looks: readonly LookRecord[]) => [
  ...new Set(
    readFindings(looks).flatMap(({ id, severity, protocol }) =>
      severity >= 2 && !freeFindings.includes(id) ? [protocol] : [],
    ),
  ),
];

/** Earlier holds that what may be practised now follows from. */
const holdsKept = 12;

/** The newest calm holds among looks, oldest first. */
const holdsOf = (looks: readonly LookRecord[]) =>
  looks.flatMap((look) => (isOf(look, 'calmHold') && look.raw.tries.length > 0 ? [look.raw] : [])).slice(-holdsKept);

/** Entries of a client's history that are shown at once. */
const historyShown = 40;

/** What the visits of a client are, and what in them can't be read. Read once a request. */
const loadVisits = cache((clientId: string) => {
  const aside: Unreadable[] = [];
  return { visits: visitsOf(theStore(), clientId, aside), aside };
});

/** Everything the stations of a client show, or null for an id nobody has. Read once a request. */
export const loadClient = cache((clientId: string): ClientView | null => {
  const store = theStore();
  const asOf = placeNow(store);
  const aside: Unreadable[] = [];
  const client = findClient(store, clientId, aside);
  if (!client) return null;
  const settings = loadSettings();
  const today = todayIn(settings.timeZone);
  const known = knownClientOf(store, clientId, { aside });
  const row = visitOfDay(store, clientId, today);
  const visit = row ? visitRecord(store, row, aside) : null;
  const { visits, aside: visitsAside } = loadVisits(clientId);
  const earlier = visits.filter(({ id }) => id !== row?.id);
  const last = earlier[0] ?? null;
  const floorLooks = looksOfClient(store, clientId, ['floor']);
  const counts = visit ? countsAmong(visit.looks) : [];
  const thenKnown = last && knownClientOf(store, clientId, { untilDay: last.day });
  return {
    id: clientId,
    name: client.name,
    today,
    settings,
    known,
    gates: evaluateGates(known.profile, today, settings.limits, cautionsSeen(floorLooks)),
    path: pathState(known.profile, today, counts),
    gating: { floors: floorLooks, counts },
    asOf,
    visit,
    stopped: stoppedDrills(store, clientId),
    last,
    visitCount: visits.length,
    holdsBefore: holdsOf(
      looksOf(
        store,
        earlier.map(({ id }) => id),
        { protocols: ['calmHold'] },
      ),
    ),
    markedLast: last ? markedIn(looksOf(store, [last.id], { aside })) : [],
    history: null,
    unreadable: notSetAside(store, [...aside, ...visitsAside]),
    gatesThen:
      last && thenKnown
        ? evaluateGates(
            thenKnown.profile,
            last.day,
            settings.limits,
            cautionsSeen(floorLooks.filter(({ visitId }) => visitId !== row?.id)),
          )
        : null,
    planning: null,
  };
});

/**
 * A client as a station shows them: what it doesn't show is not sent along.
 *
 * @param keep what of the visit the station shows, besides the visit itself
 */
export function viewFor(
  view: ClientView,
  keep: readonly ('looks' | 'runs' | 'plan' | 'judgements' | 'gatesThen' | 'holds')[],
): ClientView {
  const has = (part: (typeof keep)[number]) => keep.includes(part);
  const { visit } = view;
  return {
    ...view,
    visit: visit && {
      ...visit,
      looks: has('looks') ? visit.looks : [],
      runs: has('runs') ? visit.runs : [],
      plan: has('plan') ? visit.plan : null,
      judgements: has('judgements') ? visit.judgements : [],
    },
    gatesThen: has('gatesThen') ? view.gatesThen : null,
    holdsBefore: has('holds') ? view.holdsBefore : [],
    unreadable: [],
  };
}

/** A client with what was said of them, newest last, as much as is shown at once. */
export function loadForScreen(clientId: string): ClientView | null {
  const view = loadClient(clientId);
  if (!view) return null;
  const store = theStore();
  const facts = factsOf(store, clientId, { most: historyShown });
  return { ...viewFor(view, ['gatesThen']), history: { facts, ...countFacts(store, clientId) } };
}

/** What planning needs besides, and what in it can't be read: how drills went before, the coach's own drills, the templates. */
const loadPlanning = cache((clientId: string): { planning: Planning; aside: Unreadable[] } => {
  const store = theStore();
  const aside: Unreadable[] = [];
  const planning = {
    ...historyAndFaults(store, clientId, aside),
    ownDrills: ownDrillsOf(store, aside).map(({ drill }) => drill),
    templates: templatesOf(store, aside),
  };
  return { planning, aside: notSetAside(store, aside) };
});

/** A client with what planning needs. */
export function loadForPlanning(clientId: string): ClientView | null {
  const view = loadClient(clientId);
  return view && { ...view, planning: loadPlanning(clientId).planning };
}

/** What in planning can't be read: it is told of where plans are made. */
export const planningAside = (clientId: string): Unreadable[] => loadPlanning(clientId).aside;

/** What is followed over all visits of a client, and their own repeat-to-repeat noise. */
export const loadFollowed = cache((clientId: string): { over: Followed[]; repeats: Repeats; aside: Unreadable[] } => {
  const store = theStore();
  const { visits } = loadVisits(clientId);
  const days = new Map(visits.map(({ id, day }) => [id, day]));
  const aside: Unreadable[] = [];
  const looks = looksOf(store, [...days.keys()], { protocols: followedProtocols, aside });
  return { over: followed(looks, (id) => days.get(id)), repeats: repeatsOf(looks), aside: notSetAside(store, aside) };
});
