import { type Drill, type PositionId, findDrill, placeInOrder } from '../catalogue';
import { type CheckId, calmPart } from '../coach';
import { type Lift } from '../load';
import { addDays, daysBetween } from '../record/day';
import { type NotKept, notKeptBy } from './criteria';
import { type Review } from './reviews';
import { type Step, firstStep, stepsFrom } from './steps';

/** How the lead drill went at a visit. */
export interface Tried {
  visitId: string;
  /** yyyy-mm-dd */
  day: string;
  drillId: string;
  position: PositionId;
  breaths: number;
  exhaleSeconds: number;
  outcome: 'calm' | 'not calm' | null;
  delivered: number;
  /** Breaths with a marked fault. */
  marked: number;
  effort: number | null;
}

/** One visit of a course that lies behind. */
interface PastVisit {
  day: string;
  visitId: string;
  /** Which step was tried, from 0. */
  step: number;
  /** Breaths without a mark, of those done. */
  clean: number;
  done: number;
  kept: boolean;
  why: NotKept | null;
  /** It was the second time in a row: the course goes one step back. */
  back: boolean;
}

/** A visit that lies ahead: only what is booked, or what the usual gap would make it. */
interface AheadVisit {
  day: string;
  booked: boolean;
  /** The step it would be, if every step before it is kept. */
  step: number;
  look: string[];
  /** Times a day asked at home from then on, at most. */
  timesAtHome: number;
}

export interface Course {
  steps: Step[];
  past: PastVisit[];
  /** The step that is worked on now. */
  current: number;
  /** A day on which somebody was booked and did not come. */
  missed: string[];
  ahead: AheadVisit[];
  /** What moved and why, the newest last. */
  moved: Moved[];
  /** Which pattern the lead drill answers, and which come after it, each with the drill it begins with; null where none was confirmed. */
  lead: { pattern: string; then: readonly { pattern: string; drillId: string | null }[] } | null;
  reviews: readonly Review[];
}

/** A step up, or back after two tries that did not keep it. */
export interface Moved {
  day: string;
  from: number;
  to: number;
  why: NotKept | null;
}

/** Visits ahead that are drawn at most. */
const mostAhead = 6;
/** Days between visits where neither bookings nor visits say. Common practice: once a week. */
const usualGapDays = 7;
/** A region map is graded again at every so-many-th visit. Common practice, ours. */
const mapEvery = 2;

/** The highest of some steps that a try was at least as much as: the same drill, no easier position, no fewer breaths, no shorter exhale. */
function reachedBy({ drillId, position, breaths, exhaleSeconds }: Tried, steps: readonly Step[]): number {
  const at = steps.findLastIndex(
    (step) =>
      step.drillId === drillId &&
      placeInOrder(position) >= placeInOrder(step.position) &&
      breaths >= step.breaths &&
      exhaleSeconds >= step.exhaleSeconds,
  );
  return Math.max(0, at);
}

/** Which pattern leads: of those confirmed, the first that the drill answers, else the first of all. */
function leadFrom(
  confirmed: readonly string[],
  drill: Drill,
  begins: (pattern: string) => string | null,
): Course['lead'] {
  const pattern = confirmed.find((id) => drill.answers.some((one) => one === id)) ?? confirmed[0];
  if (pattern === undefined) return null;
  const then = confirmed.filter((id) => id !== pattern).map((id) => ({ pattern: id, drillId: begins(id) }));
  return { pattern, then };
}

/**
 * Lays a course out: what was tried and kept, where it stands, and what the visits ahead would be if every step is kept. Nothing in it is
 * a promise: it moves with every visit. A step that was not kept twice in a row goes one back.
 *
 * @param tried the lead drill at each visit, oldest first
 * @param booked days that are booked, missed days somebody did not come
 * @param allowed whether a step may be done by this client
 * @param today yyyy-mm-dd
 * @param timesAtHome what is asked of a day at home now
 * @returns null before anything was tried
 * @example courseOf({ tried: [], booked: [], missed: [], allowed: () => true, today: '2026-11-23', timesAtHome: 2 }) // null
 */
export function courseOf({
  tried,
  booked,
  missed,
  allowed,
  today,
  timesAtHome,
  confirmed = [],
  begins = () => null,
}: {
  tried: readonly Tried[];
  booked: readonly string[];
  missed: readonly string[];
  allowed: (step: Step) => boolean;
  today: string;
  timesAtHome: number;
  /** Patterns that were confirmed last, in their order. */
  confirmed?: readonly string[];
  /** The drill a pattern is begun with for this client. */
  begins?: (pattern: string) => string | null;
}): Course | null {
  const first = tried[0];
  const drill = first && findDrill(first.drillId);
  if (!first || !drill) return null;
  const steps = stepsFrom(firstStep(drill, first), allowed);
  const past: PastVisit[] = [];
  const moved: Moved[] = [];
  let current = 0;
  let failed = 0;
  for (const one of tried) {
    const step = reachedBy(one, steps.slice(0, current + 1));
    const why = notKeptBy(one);
    const kept = why === null;
    // Too little to say is neither: what was not kept before it and after it is twice in a row.
    const fails = why !== null && why !== 'too little done';
    failed = kept ? 0 : failed + Number(fails);
    const back = fails && failed === 2;
    past.push({
      day: one.day,
      visitId: one.visitId,
      step,
      clean: Math.max(0, one.delivered - one.marked),
      done: one.delivered,
      kept,
      why,
      back,
    });
    // An easier step done well again proves nothing about the one that is worked on.
    if (kept && step === current && current < steps.length - 1) {
      moved.push({ day: one.day, from: current, to: current + 1, why: null });
      current += 1;
    } else if (back) {
      const to = Math.max(0, step - 1);
      moved.push({ day: one.day, from: step, to, why });
      current = to;
      failed = 0;
    }
  }
  return {
    steps,
    past,
    current,
    missed: [...missed],
    ahead: aheadOf(steps, past, current, booked, today, timesAtHome),
    moved,
    lead: leadFrom(confirmed, drill, begins),
    reviews: [],
  };
}

function aheadOf(
  steps: readonly Step[],
  past: readonly PastVisit[],
  current: number,
  booked: readonly string[],
  today: string,
  timesAtHome: number,
): AheadVisit[] {
  const days = booked.filter((day) => day > today).slice(0, mostAhead);
  const needed = Math.min(mostAhead, Math.max(1, steps.length - current));
  const gap = gapOf(past.map(({ day }) => day));
  while (days.length < needed) days.push(addDays(days.at(-1) ?? today, gap));
  return days.slice(0, needed).map((day, at) => {
    const step = Math.min(steps.length - 1, current + at);
    const visit = past.length + at + 1;
    const last = at === needed - 1;
    return {
      day,
      booked: booked.includes(day),
      step,
      look: ['marker', ...(last ? ['the whole first look'] : visit % mapEvery === 0 ? ['region map'] : [])],
      // What is owned needs less: a third less a visit, nothing once the last step is reached.
      timesAtHome: last ? 0 : Math.max(1, Math.round((timesAtHome * (needed - at)) / needed)),
    };
  });
}

/**
 * A course with the words to the clinician that are due, each at the first visit that is not before its day.
 *
 * @example withReviews(course, []).reviews // []
 */
export function withReviews(course: Course, reviews: readonly Review[]): Course {
  const at = new Set(reviews.flatMap(({ due }) => course.ahead.find(({ day }) => day >= due)?.day ?? []));
  const ahead = course.ahead.map((visit) =>
    at.has(visit.day) ? { ...visit, look: [...visit.look, 'a word with the clinician'] } : visit,
  );
  return { ...course, ahead, reviews };
}

/** The middle gap between visits, in days, from a day to six weeks. */
function gapOf(days: readonly string[]): number {
  const gaps = days
    .slice(1)
    .map((day, at) => daysBetween(days[at]!, day))
    .filter((gap) => gap > 0)
    .sort((a, b) => a - b);
  const middle = gaps[Math.floor(gaps.length / 2)] ?? usualGapDays;
  return Math.max(1, Math.min(42, middle));
}

/**
 * A step in words.
 *
 * @example stepInWords(steps[0]) // 'Two-hand belly breath, hook-lying, 10 breaths, 6 s out'
 */
export function stepInWords({ drillId, position, breaths, exhaleSeconds }: Step): string {
  return `${findDrill(drillId)?.name ?? drillId}, ${position}, ${breaths} breaths, ${exhaleSeconds} s out`;
}

/**
 * Where a plan departs from what the course asks for today, in words; null where it holds it as asked.
 *
 * @param items of the plan
 * @example departureOf(steps[0], []) // 'not in this plan'
 */
export function departureOf(
  step: Step,
  items: readonly {
    drillId: string;
    position: PositionId;
    breaths: number;
    cadences: readonly { exhaleSeconds: number }[];
  }[],
): string | null {
  const there = items.find(({ drillId }) => drillId === step.drillId);
  if (!there) return 'not in this plan';
  const other: string[] = [];
  if (there.position !== step.position) other.push(`in ${there.position}`);
  if (there.breaths !== step.breaths) other.push(`with ${there.breaths} breaths`);
  if (there.cadences.length === 1 && there.cadences[0]!.exhaleSeconds !== step.exhaleSeconds)
    other.push(`with ${there.cadences[0]!.exhaleSeconds} s out`);
  return other.length === 0 ? null : `in this plan ${other.join(', ')}`;
}

const changeWords: Readonly<Record<Step['change'], string>> = {
  start: 'start',
  dose: 'dose up',
  exhale: 'exhale longer',
  position: 'position up',
  drill: 'harder drill',
};

/**
 * What a step changes, and by what it is kept.
 *
 * @example criterionInWords(steps[1]) // 'dose up; 12 of 15 clean'
 */
export const criterionInWords = ({ change, breaths }: Step): string =>
  `${changeWords[change]}; ${Math.ceil(breaths * calmPart)} of ${breaths} clean`;

/**
 * Where a course stands, in one sentence.
 *
 * @example courseInWords(course, (day) => day) // 'Step 1 of 6 is worked on.'
 */
export function courseInWords({ current, steps, past, ahead }: Course, dayWords: (day: string) => string): string {
  const last = past.at(-1);
  const next = ahead[0];
  const when = next ? `${next.booked ? 'on' : 'about'} ${dayWords(next.day)}` : 'at the next visit';
  if (last?.kept && last.step < current) return `Step ${last.step + 1} is kept; step ${current + 1} ${when}.`;
  if (last?.back) return `Back to step ${current + 1} ${when}.`;
  if (current === steps.length - 1 && last?.kept) return `The last of ${steps.length} steps is kept.`;
  return `Step ${current + 1} of ${steps.length} is worked on.`;
}

/**
 * What moved, in a sentence.
 *
 * @example movedInWords({ day: '2026-11-23', from: 1, to: 0, why: 'too many marks' }, (day) => day) // '2026-11-23: step 2 was not kept twice (too many marks); back to step 1.'
 */
export function movedInWords({ day, from, to, why }: Moved, dayWords: (day: string) => string): string {
  if (why === null) return `${dayWords(day)}: step ${from + 1} is kept, step ${to + 1} next.`;
  return from === to
    ? `${dayWords(day)}: step ${from + 1} was not kept twice (${why}); it stays; make it smaller.`
    : `${dayWords(day)}: step ${from + 1} was not kept twice (${why}); back to step ${to + 1}.`;
}

/** What a client's runs came to at one visit. */
interface VisitDigest {
  visitId: string;
  day: string;
  drills: readonly {
    drillId: string;
    position: string;
    breaths: number;
    exhaleSeconds: number | null;
    outcome: 'calm' | 'not calm' | null;
    delivered: number;
    faults: Readonly<Record<string, number>>;
    effort: number | null;
    checked: { asked: readonly CheckId[]; found: readonly CheckId[] } | null;
    /** The set as it was lifted, where it was a movement under a load. */
    lift: Lift | null;
  }[];
}

/** What begins and ends every plan tells little of where a course goes. */
const besides: readonly string[] = ['carry', 'settle'];

/**
 * The drill a course goes by, and how it went at each visit: the one that was tried at most visits, the newer where two were tried as often;
 * what only settles at the beginning or carries over at the end counts where there is nothing else.
 *
 * @param visits oldest first
 * @example leadOf([]) // []
 */
export function leadOf(visits: readonly VisitDigest[]): Tried[] {
  const often = new Map<string, { days: number; newest: string }>();
  for (const { day, drills } of visits)
    for (const drillId of new Set(drills.filter(({ delivered }) => delivered > 0).map((one) => one.drillId)))
      often.set(drillId, { days: (often.get(drillId)?.days ?? 0) + 1, newest: day });
  const aside = (drillId: string) => Number(besides.includes(findDrill(drillId)!.family));
  const lead = [...often]
    .filter(([drillId]) => findDrill(drillId))
    .sort(
      ([one, a], [other, b]) => aside(one) - aside(other) || b.days - a.days || (a.newest < b.newest ? 1 : -1),
    )[0]?.[0];
  if (!lead) return [];
  const chain = new Set(stepsFrom(firstStep(findDrill(lead)!), () => true).map(({ drillId }) => drillId));
  return visits.flatMap(({ visitId, day, drills }): Tried[] => {
    const one = drills.findLast(({ drillId, delivered }) => chain.has(drillId) && delivered > 0);
    const drill = one && findDrill(one.drillId);
    if (!one || !drill) return [];
    return [
      {
        visitId,
        day,
        drillId: one.drillId,
        position: drill.positions.find((id) => id === one.position) ?? drill.positions[0]!,
        breaths: one.breaths,
        exhaleSeconds: one.exhaleSeconds ?? firstStep(drill).exhaleSeconds,
        outcome: one.outcome,
        delivered: one.delivered,
        marked: Object.values(one.faults).reduce((sum, times) => sum + times, 0),
        effort: one.effort,
      },
    ];
  });
}
