import { cache } from 'react';
import { findDrill } from '@/core/catalogue';
import {
  type Course,
  type Ladder,
  type Step,
  courseOf,
  firstStep,
  ladderOf,
  leadOf,
  reviewsOf,
  withReviews,
} from '@/core/course';
import { dayIn, dayInWords } from '@/core/record';
import { type Gates, flaggedConditions, refusalInWords, toldConditions } from '@/core/safety';
import { itemFrom, orderOfWorkFor, refitted, refusalsOf, startCadences } from '@/core/sequence';
import { type Followed, type Told, complaintChange, progressLetter } from '@/core/track';
import { type HomeKept } from '@/stations/track/AtHome';
import { bookingsOff, bookingsOfClient, homeOf, plansOf, readingsOf, theStore } from '@/store';
import { loadClient, loadCoached, loadFollowed, visitsOfClient } from './load';
import { loadOver } from './over';

/** Patterns as they were confirmed at the newest visit that was read. */
function confirmedLast(clientId: string): string[] {
  const ids = visitsOfClient(clientId)
    .slice(0, visitsRead)
    .map(({ id }) => id);
  const readings = readingsOf(theStore(), ids);
  const newest = ids.find((id) => readings.has(id));
  return newest === undefined ? [] : [...readings.get(newest)!.patterns];
}
/** A reading older than so many visits leads nothing any more. */
const visitsRead = 6;

/** Bookings that came to nothing are told as far back as this many. */
const mostMissed = 6;

/** What the next visits hold, as it stands on what was tried, what is booked and what is off limits today; null before anything was tried. */
const loadCourse = cache((clientId: string): Course | null => {
  const view = loadClient(clientId);
  if (!view) return null;
  const store = theStore();
  const { timeZone } = view.settings;
  const now = new Date().toISOString();
  const tried = leadOf(loadCoached(clientId).coached);
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
    confirmed: confirmedLast(clientId),
    begins: (pattern) => {
      const order = orderOfWorkFor(pattern, view.settings.homeSchool);
      const can = (drillId: string) => {
        const drill = findDrill(drillId);
        return drill !== undefined && canBeDone(firstStep(drill), view.gates);
      };
      return order[0]?.find(can) ?? null;
    },
  });
});

/** The course with the words to the clinician that are due: it asks for everything that was measured and told. */
export function loadCourseReviewed(clientId: string): Course | null {
  const course = loadCourse(clientId);
  const view = loadClient(clientId);
  if (!course || !view) return null;
  const { over } = loadFollowed(clientId);
  const { told } = loadOver(clientId);
  return withReviews(
    course,
    reviewsOf({
      today: view.today,
      days: visitsOfClient(clientId)
        .map(({ day }) => day)
        .reverse(),
      moved: course.moved,
      stopped: view.stopped.map(({ name }) => name),
      cautions: flaggedConditions(view.known.profile, view.today),
      anythingClear: over.some(({ change }) => change !== null && change.verdict !== 'no clear change'),
      complaint: complaintChange(told)?.verdict ?? null,
      told,
    }),
  );
}

/** Where a client stands on the ladder from the mat into life. */
export const loadLadder = cache((clientId: string): Ladder | null => {
  const view = loadClient(clientId);
  if (!view) return null;
  return ladderOf({
    visits: loadCoached(clientId).coached,
    conditions: toldConditions(view.known.profile.answers),
    off: (drillId) => {
      const drill = findDrill(drillId)!;
      if (canBeDone(firstStep(drill), view.gates)) return null;
      const item = itemFrom(drill, { id: 'rung' });
      return refusalInWords({ refusals: refusalsOf(item, view.gates) }) ?? 'Not today.';
    },
  });
});

/** The rung that comes next, for whoever has left the mat; null before that. */
export function loadRung(clientId: string): { drillId: string; name: string; number: number; of: number } | null {
  const ladder = loadLadder(clientId);
  if (!ladder || ladder.current === 0) return null;
  const { drillId, name } = ladder.rungs[ladder.current]!;
  return { drillId, name, number: ladder.current + 1, of: ladder.rungs.length };
}

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
    stopped: view.stopped.map(({ name }) => name),
    lengths: view.settings.lengthUnit,
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
