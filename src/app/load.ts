import { cookies } from 'next/headers';
import { cache } from 'react';
import { aroundDays } from '@/core/diary';
import { type DateManner, type VisitRecord, type VisitRow, dayIn, workingDay } from '@/core/record';
import { type LookRecord, cautionsSeen, countsAmong, isOf, rememberedOf } from '@/core/look';
import { markedIn } from '@/core/read';
import { evaluateGates, pathState } from '@/core/safety';
import {
  type Followed,
  type MeasureId,
  type Repeats,
  followed,
  followedProtocols,
  leadingMeasure,
  repeatsOf,
} from '@/core/track';
import {
  type ClientView,
  type Part,
  type PartOfVisit,
  type PartsBeside,
  type Planning,
  type Unreadable,
  type WholeClient,
} from '@/stations/view';
import {
  asker,
  bookingsBetween,
  consentOn,
  countFacts,
  factsOf,
  findClient,
  historyAndFaults,
  knownClientOf,
  judgementsOf,
  looksOf,
  looksOfClient,
  notSetAside,
  noteOpened,
  ownDrillsOf,
  placeNow,
  plansOf,
  readSettings,
  stoppedDrills,
  templatesOf,
  theStore,
  visitDigestsOf,
  visitOfDay,
  visitRecord,
  visitsOf,
  wholeStore,
} from '@/store';

export const loadSettings = cache(() => readSettings(theStore()));

/** What every page is drawn in, a stranger’s too: light or dark as this browser was switched, else as the studio is set; how days are said. */
export const loadLook = cache(async (): Promise<{ theme: 'light' | 'dark'; manner: DateManner }> => {
  const { theme, dateLanguage, weekStart } = readSettings(wholeStore());
  const chosen = (await cookies()).get('theme')?.value;
  return {
    theme: chosen === 'dark' || chosen === 'light' ? chosen : theme,
    manner: { dateLanguage, weekStart },
  };
});

export const todayIn = (zone: string) => dayIn(Date.now(), zone);

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

/** Visits of a client, the newest first. */
export const visitsOfClient = (clientId: string): VisitRow[] => loadVisits(clientId).visits;

/** Everything the stations of a client show, or null for an id nobody has. Read once a request. */
export const loadClient = cache((clientId: string): WholeClient | null => {
  const store = theStore();
  const asOf = placeNow(store);
  const aside: Unreadable[] = [];
  const client = findClient(store, clientId, aside);
  if (!client) return null;
  noteOpened(wholeStore(), asker().coachId, clientId, Date.now());
  const settings = loadSettings();
  const now = Date.now();
  const calendarDay = dayIn(now, settings.timeZone);
  const { visits, aside: visitsAside } = loadVisits(clientId);
  const going = visits.find(({ endedAt }) => endedAt === null) ?? null;
  // Begun before midnight and still going, it is the visit that is worked on.
  const today = workingDay(going, calendarDay, now);
  const known = knownClientOf(store, clientId, { aside });
  const row = today === calendarDay ? visitOfDay(store, clientId, today) : going;
  const visit = row ? visitRecord(store, row, aside) : null;
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
    consent: consentOn(store, clientId, row?.day ?? today),
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
    markedLast: last
      ? markedIn(
          { looks: looksOf(store, [last.id], { aside }), judgements: judgementsOf(store, last.id, aside) },
          known.profile.answers,
        )
      : [],
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
  };
});

/** What a look begins with is taken from so many visits before. */
const visitsRemembered = 4;

/** A client as Look shows them, with what is remembered of the visits before. */
export function loadForLook(clientId: string): ClientView<'looks' | 'holdsBefore' | 'remembered'> | null {
  const view = loadClient(clientId);
  if (!view) return null;
  const store = theStore();
  const earlier = loadVisits(clientId).visits.filter(({ id }) => id !== view.visit?.id);
  const looks = looksOf(
    store,
    earlier.slice(0, visitsRemembered).map(({ id }) => id),
  );
  const list = earlier[0] ? visitRecord(store, earlier[0]).lookList : null;
  return viewFor({ ...view, remembered: rememberedOf(looks, list) }, ['looks', 'holdsBefore', 'remembered']);
}

/** Of a visit what a station may do without, as it is before anything was recorded. */
const emptyVisit: Pick<VisitRecord, PartOfVisit> = { looks: [], judgements: [], plan: null, runs: [] };
const partsBeside: readonly (keyof PartsBeside)[] = ['gatesThen', 'holdsBefore', 'planning', 'remembered'];

/**
 * A client as a station shows them: what it does not name is not sent along, and can't be read there. Of the visit it stands empty, so that
 * what is said of it in the browser has a place to be laid over.
 *
 * @param keep what the station shows, besides what every one does
 */
export function viewFor<P extends Part>(
  view: WholeClient & Pick<PartsBeside, Extract<P, keyof PartsBeside>>,
  keep: readonly P[],
): ClientView<P> {
  const left = (part: string) => !(keep as readonly string[]).includes(part);
  const only = (from: object, wanted: (key: string) => boolean) =>
    Object.fromEntries(Object.entries(from).filter(([key]) => wanted(key)));
  const away: readonly string[] = ['unreadable', ...partsBeside.filter(left)];
  return {
    ...only(view, (key) => !away.includes(key)),
    visit: view.visit && { ...view.visit, ...only(emptyVisit, left) },
  } as ClientView<P>;
}

/** A client with nothing in their visit, for what only shows what was said since the page was made. */
export const viewForSaid = (view: WholeClient): ClientView<PartOfVisit> =>
  viewFor(view, []) as ClientView as ClientView<PartOfVisit>;

/** A visit of a client by itself, as it stands on its own day: its page, where it is read, ended, signed and added to. */
export interface VisitView {
  view: ClientView<PartOfVisit>;
  /** Its place among all, the first being 1, and how many there are. */
  place: number;
  visits: number;
  before: VisitRow | null;
  after: VisitRow | null;
}

export function loadVisit(clientId: string, visitId: string): VisitView | null {
  const now = loadClient(clientId);
  const store = theStore();
  const { visits } = loadVisits(clientId);
  const at = visits.findIndex(({ id }) => id === visitId);
  if (!now || at < 0) return null;
  const row = visits[at]!;
  const visit = visitRecord(store, row);
  const { day } = row;
  const known = day === now.today ? now.known : knownClientOf(store, clientId, { untilDay: day });
  const floors = looksOfClient(store, clientId, ['floor']).filter(
    (look) => look.takenAt <= (row.endedAt ?? new Date().toISOString()),
  );
  const then: WholeClient = {
    ...now,
    visit,
    known,
    gates: evaluateGates(known.profile, day, now.settings.limits, cautionsSeen(floors)),
    consent: consentOn(store, clientId, day),
    gating: { floors, counts: countsAmong(visit.looks) },
  };
  return {
    view: viewFor(then, ['looks', 'judgements', 'plan', 'runs']),
    place: visits.length - at,
    visits: visits.length,
    before: visits[at + 1] ?? null,
    after: visits[at - 1] ?? null,
  };
}

/** A client with what was said of them, newest last, as much as is shown at once. */
export function loadForScreen(clientId: string): ClientView<'gatesThen'> | null {
  const view = loadClient(clientId);
  if (!view) return null;
  const store = theStore();
  const facts = factsOf(store, clientId, { most: historyShown });
  return { ...viewFor(view, ['gatesThen']), history: { facts, ...countFacts(store, clientId) } };
}

/** What the newest plan before today's visit was asked with, and today's booking. */
function lastAsked(clientId: string): Pick<Planning, 'lastRequest' | 'booking'> {
  const store = theStore();
  const { timeZone } = loadSettings();
  const view = loadClient(clientId);
  const earlier = loadVisits(clientId).visits.filter(({ id }) => id !== view?.visit?.id);
  const plans = plansOf(
    store,
    earlier.slice(0, visitsLookedBack).map(({ id }) => id),
  );
  const newest = earlier.find(({ id }) => plans.has(id));
  const today = view?.today ?? todayIn(timeZone);
  const { from, to } = aroundDays(today, today);
  const booked = bookingsBetween(store, from, to).findLast(
    (row) =>
      row.clientId === clientId &&
      row.off === null &&
      dayIn(row.startsAt, timeZone) === today &&
      Date.parse(row.startsAt) - Date.now() < soonMs,
  );
  return {
    lastRequest: newest ? plans.get(newest.id)!.plan.request : null,
    booking: booked ? { minutes: booked.minutes, note: booked.note } : null,
  };
}
/** Of several bookings today, the visit is that of the last that began or soon begins. */
const soonMs = 2 * 3_600_000;
/** A plan older than so many visits says little of what is at hand now. */
const visitsLookedBack = 4;

/** What planning needs besides, and what in it can't be read: how drills went before, the coach's own drills, the templates. */
const loadPlanning = cache((clientId: string): { planning: Planning; aside: Unreadable[] } => {
  const store = theStore();
  const aside: Unreadable[] = [];
  const planning = {
    ...historyAndFaults(store, clientId, aside),
    ownDrills: ownDrillsOf(store, aside).map(({ drill }) => drill),
    templates: templatesOf(store, aside),
    ...lastAsked(clientId),
  };
  return { planning, aside: notSetAside(store, aside) };
});

/** A client with what planning needs. */
export function loadForPlanning(clientId: string): (WholeClient & Pick<PartsBeside, 'planning'>) | null {
  const view = loadClient(clientId);
  return view && { ...view, planning: loadPlanning(clientId).planning };
}

/** What in planning can't be read: it is told of where plans are made. */
export const planningAside = (clientId: string): Unreadable[] => loadPlanning(clientId).aside;

/** What is followed over all visits of a client, and their own repeat-to-repeat noise. */
export const loadFollowed = cache(
  (clientId: string): { over: Followed[]; lead: MeasureId | null; repeats: Repeats; aside: Unreadable[] } => {
    const store = theStore();
    const { visits } = loadVisits(clientId);
    const days = new Map(visits.map(({ id, day }) => [id, day]));
    const aside: Unreadable[] = [];
    const looks = looksOf(store, [...days.keys()], { protocols: followedProtocols, aside });
    const over = followed(looks, (id) => days.get(id));
    return { over, lead: leadingMeasure(over, looks), repeats: repeatsOf(looks), aside: notSetAside(store, aside) };
  },
);

/** What a client's runs came to, and what of them can't be read: several things of one page lean on it. Read once a request. */
export const loadCoached = cache((clientId: string) => {
  const aside: Unreadable[] = [];
  return { coached: visitDigestsOf(theStore(), clientId, aside), aside };
});
