import { type Vec } from '../vector';
import { type Moments, type Pull, type Stance, down, momentsOf, workBetween } from './mechanics';

/** What a part of a movement does to the ribs of the muscles that work. */
type Ribs = 'close' | 'open' | 'still';

/** Why a part is breathed as it is. */
export type BreathWhy = 'overhead' | 'side' | 'fold' | 'turn' | 'push' | 'effort';

/** One part of a repetition. */
export interface Part {
  name: string;
  from: Stance;
  to: Stance;
  seconds: number;
  /** Said where the stances can't tell: in a throw the speed is the work. */
  effort?: boolean;
}

/** How one part is breathed, and from what that follows. */
export interface PartBreath {
  name: string;
  seconds: number;
  breath: 'in' | 'out';
  ribs: Ribs;
  why: BreathWhy;
  /** The side of the trunk that works, where one does more than the other. */
  side: 'left' | 'right' | null;
  /** Muscles work against the load in this part; in the other they let it down. */
  effort: boolean;
  /** Something else in this part asks for the other breath. */
  against: BreathWhy | null;
}

/** An arm above this needs the opening of the upper back that comes with the inhale. Opinion of the trade. */
const overheadFrom = 140;
/** Less than this is no bend, turn or fold that ribs would feel, in degrees; less than this no moment worth a side, in newton metres. */
const leastBend = 4;
const leastMoment = 1;
/** How much each effect counts where several meet. Common practice is their order; the numbers are ours. */
const weights: Readonly<Record<Exclude<BreathWhy, 'effort'>, number>> = {
  overhead: 3,
  side: 2,
  fold: 2,
  turn: 2,
  push: 1,
};
/** Coming down again gives the opening back, and asks for less than going up did. */
const comingDown = 1;
/** Less than this is no effort, in joules. */
const leastWork = 1;

/** Halfway through a part. */
function halfway({ from, to }: Pick<Part, 'from' | 'to'>): Stance {
  const keys = Object.keys(from) as (keyof Stance)[];
  return Object.fromEntries(keys.map((key) => [key, (from[key] + to[key]) / 2])) as unknown as Stance;
}

/**
 * The side of the trunk that works against a load: the one the load would lengthen.
 *
 * @returns null where it draws to neither side
 * @source sign of the moment about the spine, derivable
 */
const workingSide = ({ bendsRight }: Moments): 'left' | 'right' | null =>
  Math.abs(bendsRight) < leastMoment ? null : bendsRight > 0 ? 'left' : 'right';

interface Effect {
  why: Exclude<BreathWhy, 'effort'>;
  ribs: 'close' | 'open';
  weight: number;
}

/** Whether a load draws along the way the hands push: only then does pushing or drawing in work against it. */
function loadsThePush(stance: Stance, toward: Vec): boolean {
  const raised = (stance.arm * Math.PI) / 180;
  return Math.abs(Math.sin(raised) * toward[0] - Math.cos(raised) * toward[2]) > 0.5;
}

/** Everything a part does to ribs. */
function effectsOf(part: Part, moments: Moments, toward: Vec): Effect[] {
  const { from, to } = part;
  const effects: Effect[] = [];
  const tell = (why: Effect['why'], closes: boolean, weight = weights[why]) =>
    effects.push({ why, ribs: closes ? 'close' : 'open', weight });
  const side = workingSide(moments);
  const bent = to.side - from.side;
  if (side && Math.abs(bent) >= leastBend) tell('side', side === 'left' ? bent > 0 : bent < 0);
  const folded = to.fold - from.fold;
  if (Math.abs(folded) >= leastBend) tell('fold', folded > 0);
  const turned = to.turn - from.turn;
  // Turned against what would turn it back, the muscles that turn shorten and draw the ribs together; let back, they give.
  if (Math.abs(turned) >= leastBend && Math.abs(moments.turnsLeft) >= leastMoment)
    tell('turn', Math.sign(turned) !== Math.sign(moments.turnsLeft));
  const high = Math.max(from.arm, to.arm) > overheadFrom;
  if (high && to.arm - from.arm >= leastBend) tell('overhead', false);
  if (high && from.arm - to.arm >= leastBend) tell('overhead', true, comingDown);
  const pushed = to.push - from.push;
  if (Math.abs(pushed) >= 0.1 && loadsThePush(halfway(part), toward)) tell('push', pushed > 0);
  return effects;
}

/**
 * How each part of a movement is breathed: out where the working muscles close the ribs, in where they open them; where they do neither,
 * out with the effort and in on the way back. The line of pull decides, not what it looks like.
 *
 * @param pull what the load draws toward, and how much
 * @param bodyKg of the person, for the work of moving themselves
 * @source rule: common practice, no published source; which side works: sign of the moment about the spine, derivable
 * @example breathOf(sideBend.parts, weightInLeft, 70).map(({ breath }) => breath) // ['out', 'in']
 */
export function breathOf(parts: readonly Part[], pull: Pull, bodyKg: number): PartBreath[] {
  const loaded = pull.kg > 0 && pull.hand !== 'none';
  const works = parts.map((part) => {
    const ofLoad = loaded ? workBetween(part.from, part.to, pull, 0) : 0;
    // A load says where the effort is; where it isn't moved, one's own weight does.
    return Math.abs(ofLoad) > leastWork ? ofLoad : workBetween(part.from, part.to, { ...pull, kg: 0 }, bodyKg);
  });
  return parts.map((part, at) => {
    // A load's own line of pull decides; without one, the weight of the trunk does.
    const moments = momentsOf(halfway(part), pull, !loaded);
    const effects = effectsOf(part, moments, loaded ? pull.toward : down);
    const sum = effects.reduce((all, { ribs, weight }) => all + (ribs === 'close' ? weight : -weight), 0);
    const heaviest = [...effects].sort((a, b) => b.weight - a.weight);
    const effort = part.effort ?? works[at]! > leastWork;
    const ribs: Ribs = sum > 0 ? 'close' : sum < 0 ? 'open' : 'still';
    const led = heaviest.find((one) => one.ribs === ribs);
    const against = heaviest.find((one) => ribs !== 'still' && one.ribs !== ribs);
    return {
      name: part.name,
      seconds: part.seconds,
      breath: ribs === 'still' ? (effort ? 'out' : 'in') : ribs === 'close' ? 'out' : 'in',
      ribs,
      why: led?.why ?? 'effort',
      side: workingSide(moments),
      effort,
      against: against?.why ?? null,
    };
  });
}
