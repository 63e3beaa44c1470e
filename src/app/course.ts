import { cache } from 'react';
import { findDrill } from '@/core/catalogue';
import { type Course, type Step, courseOf, leadOf } from '@/core/course';
import { dayIn, dayInWords } from '@/core/record';
import { type Gates } from '@/core/safety';
import { itemFrom, refitted, refusalsOf, startCadences } from '@/core/sequence';
import { type Followed, type Told, progressLetter } from '@/core/track';
import { type HomeKept } from '@/stations/track/AtHome';
import { bookingsOff, bookingsOfClient, homeOf, plansOf, theStore, visitDigestsOf } from '@/store';
import { loadClient, visitsOfClient } from './load';

/** Bookings that came to nothing are told as far back as this many. */
const mostMissed = 6;

/** What the next visits hold, as it stands on what was tried, what is booked and what is off limits today; null before anything was tried. */
export const loadCourse = cache((clientId: string): Course | null => {
  const view = loadClient(clientId);
  if (!view) return null;
  const store = theStore();
  const { timeZone } = view.settings;
  const now = new Date().toISOString();
  const tried = leadOf(visitDigestsOf(store, clientId));
  const home = visitsOfClient(clientId)
    .slice(0, 3)
    .map(({ id }) => homeOf(store, id))
    .find((one) => one !== null);
  return courseOf({
    tried,
    booked: bookingsOfClient(store, clientId, now).map((startsAt) => dayIn(startsAt, timeZone)),
    missed: bookingsOff(store, clientId, now, mostMissed)
      .filter(({ off }) => off?.how === 'did not come')
      .map(({ startsAt }) => dayIn(startsAt, timeZone)),
    allowed: (step) => canBeDone(step, view.gates),
    today: view.today,
    timesAtHome: home?.plan.goes.length ?? 0,
  });
});

/** What the course asks for at the visit that comes next; null before anything was tried. */
export function loadWish(clientId: string): { step: Step; number: number } | null {
  const course = loadCourse(clientId);
  const step = course?.steps[course.current];
  return course && step ? { step, number: course.current + 1 } : null;
}

/** A letter to a client's clinician, from what was recorded; null before a first visit. */
export function loadLetter(
  clientId: string,
  over: readonly Followed[],
  kept: readonly HomeKept[],
  told: readonly Told[],
): string | null {
  const view = loadClient(clientId);
  const visits = visitsOfClient(clientId);
  if (!view || visits.length === 0) return null;
  const plans = plansOf(
    theStore(),
    visits.slice(0, 4).map(({ id }) => id),
  );
  const newest = visits.find(({ id }) => plans.has(id));
  const said = (day: string) => dayInWords(day, view.today);
  return progressLetter({
    studio: view.settings.studioName,
    name: view.name,
    known: view.known,
    gates: view.gates,
    days: visits.map(({ day }) => day).reverse(),
    today: view.today,
    over,
    told,
    plan: newest ? plans.get(newest.id)!.plan : null,
    atHome: kept.map(({ day, told }) => `From ${said(day)}: ${told ?? 'no code came back yet.'}`),
    stopped: view.stopped.map(({ drillId }) => findDrill(drillId)?.name ?? drillId),
  });
}

/** Whether a client may do a step, in some form. */
function canBeDone({ drillId, position, breaths, exhaleSeconds }: Step, gates: Gates): boolean {
  const drill = findDrill(drillId);
  if (!drill) return false;
  const cadences = startCadences(drill).map((one) => ({ ...one, exhaleSeconds }));
  const item = itemFrom(drill, { id: 'step', position, breaths, cadences });
  return refusalsOf(item, gates).length === 0 || refitted(item, gates) !== null;
}
