import { type Drill, type PositionId, findDrill, placeInOrder } from '../catalogue';
import { nextBreaths } from '../dose';
import { startCadences } from '../sequence';

/** One step of a course: one drill in one way. */
export interface Step {
  drillId: string;
  position: PositionId;
  breaths: number;
  /** Of the first breath of a set. */
  exhaleSeconds: number;
  /** What is other than in the step before: one thing, never two. */
  change: 'start' | 'dose' | 'exhale' | 'position' | 'drill';
}

/** Steps a course is laid out for at once: further ahead nobody can see. */
const mostSteps = 6;

/** How one step may follow another, in the order in which they are tried. Common practice: dose, exhale, position, then the harder drill. */
const ways: readonly ((step: Step, drill: Drill) => Step | null)[] = [
  (step, drill) => {
    const breaths = nextBreaths(drill.breaths, step.breaths, 1);
    return breaths > step.breaths ? { ...step, breaths, change: 'dose' } : null;
  },
  (step, drill) => {
    if (drill.breath.kind === 'ladder') return null;
    const exhaleSeconds = step.exhaleSeconds + 1;
    return exhaleSeconds <= drill.breath.exhale.max ? { ...step, exhaleSeconds, change: 'exhale' } : null;
  },
  (step, drill) => {
    const next = [...drill.positions]
      .sort((a, b) => placeInOrder(a) - placeInOrder(b))
      .find((position) => placeInOrder(position) > placeInOrder(step.position));
    return next ? { ...step, position: next, change: 'position' } : null;
  },
  (_step, drill) => {
    const harder = drill.harder ? findDrill(drill.harder) : undefined;
    return harder ? { ...firstStep(harder), change: 'drill' } : null;
  },
];

/** The step a drill is begun with. */
export const firstStep = (
  drill: Drill,
  from: Partial<Pick<Step, 'position' | 'breaths' | 'exhaleSeconds'>> = {},
): Step => ({
  drillId: drill.id,
  position: from.position && drill.positions.includes(from.position) ? from.position : drill.positions[0]!,
  breaths: from.breaths ?? drill.breaths.start,
  exhaleSeconds: from.exhaleSeconds ?? startCadences(drill)[0]!.exhaleSeconds,
  change: 'start',
});

/**
 * The steps of a course from a first one on. One thing changes at a time, and no kind of change follows itself while another can be made.
 *
 * @param allowed whether a step may be done by this client: what a caution puts off is stepped over
 * @example stepsFrom(firstStep(findDrill('two-hand-belly')!), () => true).length > 2 // true
 */
export function stepsFrom(first: Step, allowed: (step: Step) => boolean): Step[] {
  const steps: Step[] = [first];
  let turn = 0;
  while (steps.length < mostSteps) {
    const last = steps.at(-1)!;
    const drill = findDrill(last.drillId);
    if (!drill) break;
    let next: Step | null = null;
    for (let tried = 0; tried < ways.length && !next; tried += 1) {
      const found = ways[(turn + tried) % ways.length]!(last, drill);
      if (found && allowed(found) && !steps.some((one) => same(one, found))) {
        next = found;
        turn = (turn + tried + 1) % ways.length;
      }
    }
    if (!next) break;
    steps.push(next);
  }
  return steps;
}

const same = (a: Step, b: Step) =>
  a.drillId === b.drillId &&
  a.position === b.position &&
  a.breaths === b.breaths &&
  a.exhaleSeconds === b.exhaleSeconds;
