import { asPart } from '../reasons';
import { type Gates, checkComponents, refusalInWords } from '../safety';
import { type Beat, beatsOf, throughEffort } from './beats';
import { type PartBreath, breathOf } from './breath';
import { type Vec } from '../vector';
import { type Pull } from './mechanics';
import { type Movement, componentsUnder, findMovement, mirroredMovement } from './movements';
import { movementOf, stanceFaults } from './ownMovement';
import { type OwnMovement } from './schema';
import { type OneLift, mostRepetitions, oneLift, percentAt, repetitionsAt } from './repMax';
import { type StrategyId, middlePercent, stiffnessFor, strategyFor, withUpToPercent } from './strategy';

/** What is asked: which movement, loaded how. */
export interface LoadAsked {
  movementId: string;
  /** A movement of one's own, or one of the library that goes less or more far; null or left out for one as the library has it. */
  own?: OwnMovement | null;
  /** The hand of a one-sided load. */
  hand: Pull['hand'];
  /** The line of pull, where it was turned; else as the movement has it. */
  toward?: Vec | null;
  /** 0 for one's own weight alone. */
  kg: number;
  /** Possible with this load; null where nobody knows. */
  repetitions: number | null;
  /** 0 to 10, as they say it; null where it was not asked. */
  effort: number | null;
  /** The most they lift once, in kg, where it is known; it goes before what repetitions say. */
  mostKg?: number | null;
  /** Of both hands, the part of the load in the left one; even where it isn't said. */
  leftShare?: number;
  bodyKg: number;
}

/** What a caution asks of the breath under a load. */
export type LoadCaution = 'noHeldBreath' | 'outBeforeAndThrough' | 'outThrough';

export interface LoadAnswer {
  movement: Movement;
  parts: PartBreath[];
  strategy: StrategyId;
  nearBorder: boolean;
  beats: Beat[];
  stiffness: number;
  /** The most for one lift, and how much of it this is; null where it can't be told. */
  oneLift: OneLift | null;
  percent: { low: number; high: number } | null;
  /** How often the load can be lifted, where the most for one lift is known: by those that say fewest and most; else null. */
  possible: { fewest: number; most: number } | null;
  /** The heaviest with which the breath still goes with the movement, in kg; null where it can't be told. */
  breathesUpToKg: number | null;
  /** What a caution makes of it: no held breath, exhale through the effort. */
  cautions: { code: LoadCaution; why: string }[];
  /** Heavier than a caution allows: the load to go down to. */
  tooHeavy: boolean;
  /** Why it is off, with the nearest that is not; null where it may be done. */
  off: { why: string; instead: Movement | null } | null;
}

/**
 * What stands against a question, a sentence each; empty where it can be answered.
 *
 * @example loadFaults({ movementId: 'squat', hand: 'both', kg: -5, repetitions: null, effort: null, bodyKg: 70 })
 */
export function loadFaults(asked: LoadAsked): string[] {
  const { movementId, own = null, hand, kg, repetitions, effort, bodyKg, toward, leftShare, mostKg = null } = asked;
  if (!own && !findMovement(movementId)) return ['This movement is not in the library. Choose one from the list.'];
  const movement = movementOf({ movementId, own });
  const faults: string[] = movement.parts.flatMap(({ from, to }) => [...stanceFaults(from), ...stanceFaults(to)]);
  if (faults.length > 0) return [...new Set(faults)];
  if (movement.parts.some(({ seconds }) => !(seconds >= 0.5 && seconds <= 60)))
    faults.push('A part of a movement lasts from 0.5 to 60 s. Check its seconds.');
  if (leftShare !== undefined && !(leftShare >= 0 && leftShare <= 1))
    faults.push('Each hand holds a load from 0 up. Check both weights.');
  if (!Number.isFinite(kg) || kg < 0) faults.push('A load is a number from 0 up. Check the weight.');
  else if (kg > 500) faults.push('Nobody here lifts more than 500 kg. Check the weight and its unit.');
  else if (kg === 0 && movement.startKg > 0)
    faults.push(`${movement.name} without a load has nothing to breathe against. Say how heavy it is.`);
  if (repetitions !== null && (!Number.isInteger(repetitions) || repetitions < 1))
    faults.push('Repetitions are a whole number from 1 up.');
  else if (repetitions !== null && repetitions > mostRepetitions)
    faults.push(
      `Nothing follows from ${repetitions} repetitions: at most ${mostRepetitions}. With more than that it is light.`,
    );
  if (mostKg !== null && !(mostKg > 0)) faults.push('The most for one lift is a number above 0. Check it.');
  else if (mostKg !== null && mostKg < kg) faults.push('The most for one lift is less than this load. Check both.');
  if (effort !== null && !(effort >= 0 && effort <= 10)) faults.push('Effort goes from 0 to 10.');
  if (!(bodyKg >= 20 && bodyKg <= 300)) faults.push('A body weighs from 20 to 300 kg. Check it.');
  if (toward && !(Math.hypot(...toward) > 1e-6)) faults.push('A line of pull points somewhere. Turn the arrow again.');
  const oneSided = movement.pull.hand === 'left' || movement.pull.hand === 'right';
  if (oneSided && hand === 'both')
    faults.push(`${movement.name} is loaded on one side: choose the left or the right hand.`);
  return faults;
}

/**
 * How a movement is breathed under a load: each part, the strategy, air, stiffness, what a caution makes of it, and why.
 *
 * @throws {RangeError} for what {@link loadFaults} finds
 * @example loadAnswer(asked, gates).parts.map(({ breath }) => breath) // ['out', 'in']
 */
export function loadAnswer(asked: LoadAsked, gates: Gates | null): LoadAnswer {
  const [fault] = loadFaults(asked);
  if (fault) throw new RangeError(fault);
  const told = movementOf({ movementId: asked.movementId, own: asked.own ?? null });
  const oneSided = told.pull.hand === 'left' || told.pull.hand === 'right';
  const movement = oneSided && asked.hand !== 'none' && asked.hand !== told.pull.hand ? mirroredMovement(told) : told;
  const { kg, repetitions, effort, bodyKg, leftShare, mostKg = null } = asked;
  const pull: Pull = {
    ...movement.pull,
    toward: asked.toward ?? movement.pull.toward,
    kg,
    ...(leftShare === undefined ? {} : { leftShare }),
  };
  const known = kg > 0 && mostKg !== null ? { low: mostKg, high: mostKg, poor: false } : null;
  const most = known ?? (kg > 0 && repetitions !== null ? oneLift(kg, repetitions) : null);
  const share = known && (100 * kg) / known.low;
  const percent = share !== null ? { low: share, high: share } : repetitions === null ? null : percentAt(repetitions);
  const asks = strategyFor({
    percent,
    // What is known of one lift goes before a guess of how often.
    repetitions: known ? null : repetitions,
    effort,
    explosive: movement.explosive ?? false,
    steady: movement.steady ?? false,
  });
  const held = asks.id === 'keep' || asks.id === 'between';
  const cautions: LoadAnswer['cautions'] = [];
  const verdict = gates && checkComponents(gates, componentsUnder(movement, kg));
  const strain = gates && checkComponents(gates, ['strain']);
  const noHold = strain !== null && !strain.allowed;
  if (noHold) cautions.push({ code: 'noHeldBreath', why: asPart(strain.refusals[0]!.reason.what) });
  const through = verdict?.changes.find(({ form }) => form === 'exhaleFirst' || form === 'exhaleThrough') ?? null;
  if (through)
    cautions.push({
      code: through.form === 'exhaleFirst' ? 'outBeforeAndThrough' : 'outThrough',
      why: asPart(through.reason.what),
    });
  const derived = breathOf(movement.parts, pull, bodyKg);
  const parts = through ? derived.map(throughEffort) : derived;
  const strategy: StrategyId = held && noHold ? 'with' : asks.id;
  const middle = middlePercent({ percent, effort });
  const stiffness = stiffnessFor(strategy, strategy === asks.id ? middle : withUpToPercent);
  return {
    movement,
    parts,
    strategy,
    // Whoever may hold no breath is not told to try it.
    nearBorder: asks.nearBorder && !noHold,
    beats: beatsOf(parts, strategy, stiffness),
    stiffness,
    oneLift: most,
    possible: share === null ? null : repetitionsAt(share),
    percent,
    breathesUpToKg: most && (most.low * withUpToPercent) / 100,
    cautions,
    tooHeavy: held && noHold,
    off: verdict && !verdict.allowed ? offOf(verdict, movement, gates) : null,
  };
}

function offOf(verdict: ReturnType<typeof checkComponents>, movement: Movement, gates: Gates): LoadAnswer['off'] {
  let instead = movement.instead;
  const seen = new Set([movement.id]);
  // Each movement names its nearest; the first of them that may be done.
  while (instead !== null && !seen.has(instead)) {
    seen.add(instead);
    const other = findMovement(instead)!;
    // It is begun with its own load.
    if (checkComponents(gates, componentsUnder(other, other.startKg)).allowed)
      return { why: refusalInWords(verdict) ?? 'Not today.', instead: other };
    instead = other.instead;
  }
  return { why: refusalInWords(verdict) ?? 'Not today.', instead: null };
}
