import { type Drill, type PropId, findDrill, pauses } from '../catalogue';
import { type DrillHistory, isOwned } from './history';
import { newFromLevel } from './rules';

/** Props that are worked against or breathed through; the others only carry. */
const workedWith: readonly PropId[] = ['band', 'fixedBand', 'ball', 'weight', 'balloon', 'straw'];

/** Stances somebody has to learn, by axis; what lets go or moves by itself asks for nothing. */
const learned: Partial<Record<keyof Drill['stances'], readonly string[]>> = {
  abdominalStrategy: ['drawn-in hollow', 'low-to-high', 'opposition', 'brace matched to the load'],
  pelvicFloor: ['gentle lift on exhale', 'light hold through breaths'],
  chestOnInhale: ['isolated on purpose'],
};

/**
 * What a drill asks for besides breathing, each thing once: a movement, a pause, something done with belly, floor or chest, a
 * prop to work against, a cadence that climbs. Common practice; how it is counted is ours.
 *
 * @example thingsAsked(findDrill('squat-breath')!) // ['squat', 'brace matched to the load']
 */
export function thingsAsked(drill: Drill): readonly string[] {
  const known = remembered.get(drill) ?? workedOut(drill);
  remembered.set(drill, known);
  return known;
}
const remembered = new WeakMap<Drill, readonly string[]>();

function workedOut(drill: Drill): string[] {
  const stances = Object.entries(learned).flatMap(([axis, list]) => {
    const stance = drill.stances[axis as keyof Drill['stances']]?.stance;
    return stance !== undefined && list.includes(stance) ? [stance] : [];
  });
  return [
    ...(drill.movement === 'none' ? [] : [drill.movement]),
    ...(pauses(drill) ? ['a pause'] : []),
    ...(drill.breath.kind === 'ladder' ? ['a climb'] : []),
    ...stances,
    ...drill.props.filter((prop) => workedWith.includes(prop)),
  ];
}

/** Everything the drills a client owns have asked for. */
export const thingsKnown = (
  history: readonly DrillHistory[],
  find: (id: string) => Drill | undefined = findDrill,
): ReadonlySet<string> =>
  new Set(
    history.filter(isOwned).flatMap(({ drillId }) => {
      const drill = find(drillId);
      return drill ? thingsAsked(drill) : [];
    }),
  );

/**
 * How many new things a drill asks of a client; none of what was done before, however it went.
 *
 * @param known what the drills the client owns ask for, from {@link thingsKnown}
 */
export const newThings = (drill: Drill, doneBefore: boolean, known: ReadonlySet<string>): number =>
  doneBefore ? 0 : thingsAsked(drill).filter((thing) => !known.has(thing)).length;

/** Whether a drill has to be learned: it asks for something new and is hard to do, or for much at once. */
export const toLearn = ({ level }: Drill, things: number): boolean =>
  things >= muchAtOnce || (things > 0 && level >= newFromLevel);
const muchAtOnce = 3;
