import { countsAmong } from '@/core/look';
import { type DayVisit, type LastLook, aroundDays, rechecksDue, type RecheckDue } from '@/core/diary';
import { protocols } from '@/core/look';
import { intentInWords, markedIn } from '@/core/read';
import { counted } from '@/core/reasons';
import { addDays, dayIn } from '@/core/record';
import { withdrawnOf } from '@/core/home';
import { evaluateGates, flaggedConditions, pathState } from '@/core/safety';
import { lastTimeOf, needsToday } from '@/core/track';
import { type ComingView, type DiaryView, type Expecting } from '@/stations/diary/view';
import {
  type Unreadable,
  allVisitsOfDay,
  bookingsBetween,
  bookingsOff,
  cautionsSeenOf,
  handedHomesOf,
  homeToldOf,
  returnsOf,
  judgementsOf,
  knownClientsOf,
  lastVisits,
  lookedAtBetween,
  looksOf,
  nextBookings,
  nextNotesOf,
  notSetAside,
  placeNow,
  stoppedDrillsOf,
  theStore,
  visitRecord,
  waitingList,
} from '@/store';
import { loadClient, loadFollowed, loadSettings, todayIn, visitsOfClient } from './load';

/** What was put away so long ago can't be brought back with one press any more. */
const broughtBackMs = 86_400_000;

/**
 * Bookings of some days, with what is known of those who come.
 *
 * @param day the day for which is told what they need: the one shown, or today
 */
export function loadDiary(first: string, last: string, day: string, aside: Unreadable[]): DiaryView {
  const store = theStore();
  const asOf = placeNow(store);
  const settings = loadSettings();
  const now = new Date().toISOString();
  const goneSince = new Date(Date.now() - broughtBackMs).toISOString();
  const { from, to } = aroundDays(first, last);
  const within = (instant: string) => {
    const on = dayIn(instant, settings.timeZone);
    return on >= first && on <= last;
  };
  const bookings = bookingsBetween(store, from, to, aside).filter(({ startsAt }) => within(startsAt));
  const ids = [...new Set(bookings.map(({ clientId }) => clientId))];
  return {
    diary: {
      bookings,
      waiting: waitingList(store, goneSince, aside),
      notes: nextNotesOf(store, ids, goneSince, aside),
      asOf,
    },
    settings: { timeZone: settings.timeZone, hours: settings.hours },
    today: todayIn(settings.timeZone),
    now,
    expecting: expectingOf(ids, day),
  };
}

/** What is known of clients on a day. What is asked of everybody is asked at once; what can't be made of one is told in their place. */
function expectingOf(ids: readonly string[], day: string): Record<string, Expecting> {
  const store = theStore();
  const asides = new Map<string, Unreadable[]>(ids.map((id) => [id, []]));
  const known = knownClientsOf(store, ids, { aside: (id) => asides.get(id) ?? [] });
  const last = lastVisits(store, ids, day);
  const visits = allVisitsOfDay(store, ids, day);
  const counts = looksOf(
    store,
    [...visits.values()].flatMap((list) => list.map(({ id }) => id)),
    { protocols: ['quietLook'] },
  );
  const stopped = stoppedDrillsOf(store, ids);
  const homes = handedHomesOf(
    store,
    [...last.values(), ...[...visits.values()].flat()].map(({ id }) => id),
  );
  const { limits } = loadSettings();
  const expecting = (clientId: string): Expecting => {
    const ofDay = visits.get(clientId) ?? [];
    const newest = ofDay.find(({ endedAt }) => endedAt === null) ?? ofDay.at(-1) ?? null;
    const dayVisits: DayVisit[] = ofDay.map(({ id, startedAt, endedAt }) => ({ id, startedAt, endedAt }));
    try {
      const client = known.get(clientId)!;
      const before = last.get(clientId);
      const path = pathState(
        client.profile,
        day,
        newest ? countsAmong(counts.filter(({ visitId }) => visitId === newest.id)) : [],
      );
      const bad = notSetAside(store, asides.get(clientId) ?? []).length;
      const reading = before?.reading ?? null;
      const home = (newest && homes.get(newest.id)) ?? (before && homes.get(before.id));
      return {
        cautions: flaggedConditions(client.profile, day),
        closed: path.state === 'emergency' || path.state === 'red flag',
        aim: reading ? intentInWords(reading.intent, reading.side ?? undefined) : null,
        needs: [
          ...needsToday({
            known: client,
            path,
            today: day,
            last: before ? { day: before.day, intent: reading?.intent ?? null, side: reading?.side ?? null } : null,
            visit: newest === null ? 'none' : newest.endedAt ? 'ended' : 'open',
            stoppedDrills: stopped.get(clientId)?.length ?? 0,
            takenBack: home
              ? withdrawnOf(
                  home.items,
                  evaluateGates(client.profile, day, limits, cautionsSeenOf(store, clientId)),
                ).map(({ name }) => name)
              : [],
          }),
          ...(bad > 0 ? [`${counted(bad, 'answer')} can’t be read: open them to see which.`] : []),
        ],
        visits: dayVisits,
      };
    } catch (error) {
      console.error(error);
      return {
        cautions: [],
        closed: false,
        aim: null,
        needs: ['Something recorded here can’t be read: open them to see what.'],
        visits: dayVisits,
      };
    }
  };
  return Object.fromEntries(ids.map((id) => [id, expecting(id)]));
}

/** Who was last seen longer ago than so many days has left, as far as rechecks go. */
const leftAfterDays = 182;
/** So many are told at once. */
const mostDue = 12;

/** Who is to be looked at again and was not, the longest overdue first. */
export function loadRechecks(): RecheckDue[] {
  const store = theStore();
  const { timeZone, recheckDays } = loadSettings();
  const today = todayIn(timeZone);
  const seen = lookedAtBetween(store, addDays(today, -leftAfterDays), addDays(today, -recheckDays)).slice(0, mostDue);
  const looks = looksOf(
    store,
    seen.map(({ visitId }) => visitId),
  );
  const next = nextBookings(
    store,
    seen.map(({ clientId }) => clientId),
    new Date().toISOString(),
  );
  const last = seen.map(({ clientId, name, visitId, day }): LastLook => {
    const its = looks.filter((look) => look.visitId === visitId);
    const found = markedIn({ looks: its, judgements: judgementsOf(store, visitId, []) }, {});
    const [what] = [...found, ...its.map(({ protocol }) => protocol)];
    return { clientId, name, day, what: what ? protocols[what].name.toLowerCase() : 'look' };
  });
  const days = new Map([...next].map(([id, startsAt]) => [id, dayIn(startsAt, timeZone)]));
  return rechecksDue(last, days, today, recheckDays);
}

/** So many bookings that came to nothing are told. */
const mostOff = 3;

/** What is to be in mind as a client comes: the visit before, what was noted for this one, when they come next. */
export function loadComing(clientId: string): ComingView | null {
  const store = theStore();
  const asOf = placeNow(store);
  const view = loadClient(clientId);
  if (!view) return null;
  const now = new Date();
  const { timeZone, lengthUnit } = view.settings;
  const last = visitsOfClient(clientId).find(({ id }) => id !== view.visit?.id) ?? null;
  const record = last && visitRecord(store, last);
  const next = nextBookings(store, [clientId], now.toISOString()).get(clientId) ?? null;
  return {
    last: record && lastTimeOf(record, loadFollowed(clientId).repeats, lengthUnit),
    told: last ? homeToldOf(store, last.id) : {},
    home: record?.home?.plan ?? null,
    withdrawn: record?.home ? withdrawnOf(record.home.plan.items, view.gates) : [],
    returned: record?.home ? returnsOf(store, record.id, record.home.plan.items.length).map(({ told }) => told) : [],
    diary: {
      bookings: [],
      waiting: [],
      notes: nextNotesOf(store, [clientId], new Date(now.getTime() - broughtBackMs).toISOString()),
      asOf,
    },
    next,
    off: bookingsOff(store, clientId, now.toISOString(), mostOff).map(({ startsAt, off }) => ({
      day: dayIn(startsAt, timeZone),
      how: off!.how,
      reason: off!.reason,
    })),
  };
}
