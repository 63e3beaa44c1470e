import { type PositionId, findDrill } from '../catalogue';
import { type CheckId, calmPart, checksFor, mostEffort } from '../coach';
import { counted, listed } from '../reasons';
import { type NotKept, notKeptBy } from './criteria';
import { type ConditionId } from '../safety';

/** How a drill went at a visit, as far as the ladder asks. */
interface RungTry {
  drillId: string;
  position: string;
  outcome: 'calm' | 'not calm' | null;
  delivered: number;
  faults: Readonly<Record<string, number>>;
  effort: number | null;
  checked: { asked: readonly CheckId[]; found: readonly CheckId[] } | null;
}

/** One rung: what is done on it, and what counts as having done it. */
interface Rung {
  drillId: string;
  name: string;
  /** Another drill counts too: the breath that was found lying is whatever drill it was found with. */
  counts?: (one: Pick<RungTry, 'drillId' | 'position'>) => boolean;
}

const lying: readonly PositionId[] = [
  'crossed-leg tuck',
  'propped',
  'legs on a chair',
  'hook-lying',
  '90/90',
  'side-lying',
];

/** From the mat into life, each rung a drill of the catalogue. Common practice, no published source. */
const rungs: readonly Rung[] = [
  {
    drillId: 'two-hand-belly',
    name: 'lying',
    counts: ({ position }) => (lying as readonly string[]).includes(position),
  },
  { drillId: 'carry-sitting', name: 'sitting' },
  { drillId: 'carry-standing', name: 'standing' },
  { drillId: 'carry-walking', name: 'walking' },
  { drillId: 'chair-rise', name: 'chair rise' },
  { drillId: 'carry-stairs', name: 'stairs' },
  { drillId: 'carry-hinge', name: 'hinge, by day' },
  { drillId: 'carry-lift', name: 'a light lift' },
  { drillId: 'carry-impact', name: 'a landing' },
];

/** Why a rung is not kept. */
type NotHeld = Exclude<NotKept, 'too little done'> | 'not asked' | CheckId;

/** What became of a try: kept, not kept, or too little to say. */
interface Held {
  day: string;
  visitId: string;
  kept: boolean;
  why: NotHeld | null;
  /** The second time in a row: one rung back. */
  back: boolean;
}

interface LadderRung {
  drillId: string;
  name: string;
  /** What must be asked on it of this person. */
  checks: CheckId[];
  /** Why it may not be done today, in one sentence; it is stepped over. */
  off: string | null;
  tries: Held[];
  kept: boolean;
}

export interface Ladder {
  rungs: LadderRung[];
  /** The rung that is worked on now. */
  current: number;
  /** A step up, or back; the newest last. */
  moved: { day: string; from: number; to: number; why: NotHeld | null }[];
}

const marksOf = ({ faults }: RungTry) => Object.values(faults).reduce((sum, times) => sum + times, 0);

/** Whether a try keeps its rung: as every step of a course, and nothing leaked, pressed or domed where that must be asked. Common practice. */
function heldBy(one: RungTry, checks: readonly CheckId[]): { kept: boolean; why: NotHeld | null } | null {
  const [found] = one.checked?.found ?? [];
  if (found) return { kept: false, why: found };
  const why = notKeptBy({ ...one, marked: marksOf(one) });
  if (why === 'too little done') return null;
  if (why !== null) return { kept: false, why };
  return checks.every((check) => one.checked?.asked.includes(check))
    ? { kept: true, why: null }
    : { kept: false, why: 'not asked' };
}

/** What was not asked proves nothing, nor is it a failure; what does not hold by day is given time, and the rung stays. */
const stays: readonly NotHeld[] = ['not asked', 'not kept by day'];

/**
 * Where somebody stands on the ladder from the mat into life. A rung is kept at one visit and the next begun; not kept at two in a row it
 * goes one back, and begins again there. A rung kept higher up is kept, and what is off today is stepped over.
 *
 * @param visits what was done, oldest first
 * @param conditions what was told: it decides what must be asked
 * @param off why a drill may not be done today; null where it may
 * @source criteria: common practice, no published source
 * @example ladderOf({ visits: [], conditions: [], off: () => null }).rungs[0]?.name // 'lying'
 */
export function ladderOf({
  visits,
  conditions,
  off,
}: {
  visits: readonly { visitId: string; day: string; drills: readonly RungTry[] }[];
  conditions: readonly ConditionId[];
  off: (drillId: string) => string | null;
}): Ladder {
  const list = rungs.map(({ drillId, name }): LadderRung => {
    const drill = findDrill(drillId)!;
    return { drillId, name, checks: checksFor(drill, conditions), off: off(drillId), tries: [], kept: false };
  });
  const next = (from: number) => {
    let to = Math.min(list.length - 1, from);
    while (to < list.length - 1 && list[to]!.off !== null) to += 1;
    return to;
  };
  const moved: Ladder['moved'] = [];
  let current = next(0);
  let failed = 0;
  for (const { visitId, day, drills } of byVisit(visits)) {
    // Of each rung the last try of a visit counts; from below upward, so that one visit may keep more than one.
    list.forEach((rung, at) => {
      const { counts } = rungs[at]!;
      const one = drills.findLast(
        (drill) => drill.delivered > 0 && (drill.drillId === rung.drillId || (counts?.(drill) ?? false)),
      );
      const held = one && heldBy(one, rung.checks);
      if (!held) return;
      const fails = !held.kept && !stays.includes(held.why!) && at === current;
      failed = held.kept && at >= current ? 0 : failed + Number(fails);
      const back = fails && failed === 2;
      rung.tries.push({ day, visitId, ...held, back });
      if (held.kept) rung.kept = true;
      const to = held.kept && at >= current ? next(at + 1) : back ? backFrom(list, current) : current;
      if (to !== current) moved.push({ day, from: current, to, why: held.why });
      if (back) {
        failed = 0;
        // It is kept anew before the next is tried again.
        list[to]!.kept = false;
        rung.kept = false;
      }
      current = to;
    });
  }
  return { rungs: list, current, moved };
}

/** Several runs of one visit are one try. */
function byVisit<V extends { visitId: string; day: string; drills: readonly RungTry[] }>(visits: readonly V[]) {
  const all = new Map<string, { visitId: string; day: string; drills: readonly RungTry[] }>();
  for (const { visitId, day, drills } of visits)
    all.set(visitId, { visitId, day, drills: [...(all.get(visitId)?.drills ?? []), ...drills] });
  return all.values();
}

/** The rung below that may be done; where none may, it stays and is made smaller. */
function backFrom(list: readonly LadderRung[], from: number): number {
  for (let to = from - 1; to >= 0; to -= 1) if (list[to]!.off === null) return to;
  return from;
}

const asked: Readonly<Record<CheckId, string>> = {
  leak: 'no leak',
  heaviness: 'no heaviness',
  doming: 'no doming',
  'not kept by day': 'kept through the day',
};

/**
 * What keeps a rung, in words.
 *
 * @example rungCriterion({ checks: ['leak'] }) // '80 % of breaths clean, effort 3 of 10 at most, calm, no leak'
 */
export const rungCriterion = ({ checks }: Pick<LadderRung, 'checks'>): string =>
  [
    `${Math.round(calmPart * 100)} % of breaths clean`,
    `effort ${mostEffort} of 10 at most`,
    'calm',
    ...checks.map((check) => asked[check]),
  ].join(', ');

/**
 * What moved on the ladder, in a sentence.
 *
 * @example climbInWords(ladder, { day: '2026-11-23', from: 4, to: 3, why: 'leak' }, (day) => day) // '2026-11-23: chair rise was not kept twice (leak); back to walking.'
 */
export function climbInWords(
  { rungs: list }: Pick<Ladder, 'rungs'>,
  { day, from, to, why }: Ladder['moved'][number],
  dayWords: (day: string) => string,
): string {
  const [left, came] = [list[from]!.name, list[to]!.name];
  return why === null
    ? `${dayWords(day)}: ${left} is kept, ${came} next.`
    : `${dayWords(day)}: ${left} was not kept twice (${why}); back to ${came}.`;
}

/**
 * Where somebody stands, in one sentence.
 *
 * @example ladderInWords(ladderOf({ visits: [], conditions: [], off: () => null })) // 'Now lying; 8 rungs above it.'
 */
export function ladderInWords({ rungs: list, current }: Ladder): string {
  const here = list[current]!;
  const above = list.length - 1 - current;
  const last = here.tries.at(-1);
  if (above === 0 && here.kept) return 'The whole ladder is kept.';
  const ask =
    last?.why === 'not asked'
      ? ` It was done, and not asked: ${listed(here.checks.map((check) => asked[check]))}?`
      : '';
  return `Now ${here.name}; ${above === 0 ? 'it is the last rung' : `${counted(above, 'rung')} above it`}.${ask}`;
}
