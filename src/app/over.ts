import { findDrill } from '@/core/catalogue';
import { type CheckId } from '@/core/coach';
import { daysKept, toldInWords } from '@/core/home';
import { type Lift } from '@/core/load';
import { addDays, dayIn } from '@/core/record';
import {
  type Effect,
  type RingsOver,
  type Told,
  type WhatWorked,
  ringsOver,
  toldOver,
  whatChanged,
  whatWorked,
} from '@/core/track';
import { type HomeKept } from '@/stations/track/AtHome';
import {
  type Unreadable,
  helpedSeen,
  homeOf,
  liftsOf,
  looksOf,
  notSetAside,
  ownDrillsOf,
  ownNamesOf,
  returnsOf,
  stopSymptomsOf,
  theStore,
  toldFactsOf,
} from '@/store';
import { loadClient, loadCoached, visitsOfClient } from './load';

/** Visits whose home practice is told of. */
const mostKept = 8;
/** The newest visits whose region maps are shown; older ones stand on the pages of their visits. */
const mostMapped = 24;

/** What was found by asking after a drill, as it stands in the diary of what was told. */
const symptomOf: Readonly<Partial<Record<CheckId, string>>> = {
  leak: 'leaked',
  heaviness: 'heaviness',
  doming: 'doming',
};

/** What Track tells over visits besides measures. */
export interface OverVisits {
  rings: RingsOver | null;
  told: Told[];
  effects: Effect[];
  worked: WhatWorked;
  /** What the drills of both are called, by their ids. */
  names: Record<string, string>;
  kept: HomeKept[];
  lifts: { day: string; lift: Lift }[];
  aside: Unreadable[];
}

/** What changed the marker, what was told, what was done at home of what was asked, and the region maps, over all visits. */
export function loadOver(clientId: string): OverVisits {
  const store = theStore();
  const view = loadClient(clientId);
  const zone = view?.settings.timeZone ?? 'UTC';
  const visits = visitsOfClient(clientId);
  const days = new Map(visits.map(({ id, day }) => [id, day]));
  const aside: Unreadable[] = [];
  const home: { day: string; signs: readonly string[] }[] = [];
  const kept = visits.slice(0, mostKept).flatMap(({ id, day }, at): HomeKept[] => {
    const one = homeOf(store, id, aside);
    if (!one || one.handedAt === null) return [];
    const { plan } = one;
    const last = returnsOf(store, id, plan.items.length, aside).at(-1);
    if (last) home.push({ day: dayIn(last.at, zone), signs: last.told.signs });
    const done = last ? daysKept(last.told, plan.days) : null;
    const end = addDays(day, plan.days);
    const next = visits[at - 1]?.day ?? view?.today ?? end;
    return [
      {
        day,
        until: next < end ? next : end,
        days: plan.days,
        times: plan.goes.length,
        done: done && done.whole + done.some,
        told: last ? toldInWords(last.told, plan.days) : null,
      },
    ];
  });
  const mapped = visits.slice(0, mostMapped).map(({ id }) => id);
  const maps = looksOf(store, mapped, { protocols: ['regionMap'], aside });
  const { coached, aside: notCoached } = loadCoached(clientId);
  aside.push(...notCoached);
  // Sets that were logged by hand, and those that were coached.
  const logged = liftsOf(store, [...days.keys()], aside);
  const lifted = [
    ...logged.map(({ visitId, lift }) => ({ visitId, lift })),
    ...coached.flatMap(({ visitId, drills }) => drills.flatMap(({ lift }) => (lift ? [{ visitId, lift }] : []))),
  ].sort((a, b) => ((days.get(a.visitId) ?? '') < (days.get(b.visitId) ?? '') ? -1 : 1));
  const checked = coached.flatMap(({ visitId, drills }) => {
    const symptoms = drills.flatMap(({ checked: asked }) => asked?.found ?? []).flatMap((one) => symptomOf[one] ?? []);
    return symptoms.length > 0 ? [{ visitId, symptoms: [...new Set(symptoms)] }] : [];
  });
  // Asked of every client, so that one seen seldom leans on what the drill shows with others.
  const effects = whatChanged(helpedSeen(store), clientId);
  const worked = whatWorked(coached.map(({ drills }) => drills));
  // One that was only swapped in stands in no run's plan.
  const inCatalogue = ownDrillsOf(store).map(({ drill }) => [drill.id, drill.name] as const);
  const own = new Map([...inCatalogue, ...ownNamesOf(store, clientId)]);
  const drillIds = [...effects.map(({ drillId }) => drillId), ...worked.drills.map(({ what }) => what)];
  return {
    rings: ringsOver(maps, (id) => days.get(id)),
    told: toldOver({
      facts: toldFactsOf(store, clientId),
      home,
      runs: [
        ...stopSymptomsOf(store, clientId),
        ...logged
          .filter(({ lift }) => lift.leaked)
          .map(({ visitId }) => ({ visitId, symptoms: ['leaked under a load'] })),
        ...checked,
      ].flatMap(({ visitId, symptoms }) => {
        const day = days.get(visitId);
        return day ? [{ day, symptoms }] : [];
      }),
    }),
    effects,
    worked,
    names: Object.fromEntries(drillIds.map((id) => [id, findDrill(id)?.name ?? own.get(id) ?? id])),
    kept,
    lifts: lifted.map(({ visitId, lift }) => ({ day: days.get(visitId)!, lift })),
    aside: notSetAside(store, aside),
  };
}
