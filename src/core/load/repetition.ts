import { type Cadence, type Phase, phases as breathPhases, shortestPhaseSeconds } from '../cadence';
import { type Vec } from '../vector';
import { beatsOf, throughEffort } from './beats';
import { type PartBreath, breathOf } from './breath';
import { type Stance, ordinaryBodyKg } from './mechanics';
import { type Movement, mirroredMovement } from './movements';
import { movementOf } from './ownMovement';
import { type DrillLoad } from './schema';
import { stiffnessFor } from './strategy';

/** A part of the movement within a phase of the breath. */
interface PartInPhase {
  /** Which of the movement's parts it is, by its place; null while nothing moves. */
  part: number | null;
  /** How much of the phase it takes; those of a phase come to 1. */
  share: number;
  /** How far the movement has gone at its beginning and at its end: 0 where it starts, 1 at its far end. */
  from: number;
  to: number;
}

/** One repetition laid over one breath, which begins with the inhale. */
export interface Repetition {
  movement: Movement;
  parts: PartBreath[];
  /** The way the load draws, for the hand it is in. */
  toward: Vec;
  cadence: Cadence;
  phases: Readonly<Record<Phase, readonly PartInPhase[]>>;
}

/** Breathed in or out where the movement leaves no time for it. Common practice; the seconds ours. */
const breathBetween = 2;

const far = (a: Stance, b: Stance): number =>
  // Degrees and metres on one scale: a metre of the hips or a whole push is as much as a hundred degrees.
  Math.hypot(a.side - b.side, a.fold - b.fold, a.turn - b.turn, a.lean - b.lean, a.arm - b.arm) +
  100 * (Math.abs(a.push - b.push) + Math.abs(a.hips - b.hips));

/** How far the movement has gone at the ends of each of its parts, 0 to 1. */
function levelsOf({ parts }: Movement): { from: number; to: number }[] {
  const start = parts[0]!.from;
  const most = Math.max(...parts.map(({ to }) => far(start, to)), 1e-9);
  return parts.map(({ from, to }) => ({ from: far(start, from) / most, to: far(start, to) / most }));
}

const phaseOf = { in: 'inhale', kept: 'topPause', out: 'exhale' } as const;

/**
 * A repetition of a loaded drill over one breath: which part of the movement goes with which phase, and how long both take. What of it is
 * breathed the same way is one phase; where the movement leaves no time to breathe in or out, it waits for the breath.
 *
 * @param hand which hand is loaded, where one is: the other way round from how the movement is told, sides and turns are mirrored
 * @source rule: common practice, no published source
 * @example repetitionOf(squat, 'both').phases.exhale[0]?.part // 1
 */
export function repetitionOf(load: DrillLoad, hand: 'left' | 'right' | 'both' | 'none'): Repetition {
  const told = movementOf(load);
  const oneSided = told.pull.hand === 'left' || told.pull.hand === 'right';
  const turned = oneSided && (hand === 'left' || hand === 'right') && hand !== told.pull.hand;
  const movement = turned ? mirroredMovement(told) : told;
  const { toward } = load;
  const way = toward && (turned ? ([toward[0], -toward[1], toward[2]] as const) : toward);
  const pull = {
    ...movement.pull,
    toward: way ?? movement.pull.toward,
    kg: load.kg,
    ...(load.leftShare === undefined ? {} : { leftShare: load.leftShare }),
  };
  const derived = breathOf(movement.parts, pull, ordinaryBodyKg);
  const parts = load.through ? derived.map(throughEffort) : derived;
  const beats = beatsOf(parts, load.strategy, stiffnessFor(load.strategy, null));
  // The way back fills: filling up on its own comes only where there is no way back to do it on.
  const fills = beats.some(({ stage, breath }) => breath === 'in' && stage !== 'fill');
  const cycle = beats.filter(({ stage }) => !(fills && stage === 'fill'));
  const begins = cycle.findIndex(({ breath }, at) => breath === 'in' && cycle.at(at - 1)!.breath !== 'in');
  const turnedRound = begins < 0 ? cycle : [...cycle.slice(begins), ...cycle.slice(0, begins)];
  const levels = levelsOf(movement);
  const seconds: Record<Phase, number> = { inhale: 0, topPause: 0, exhale: 0, bottomPause: 0 };
  const within: Record<Phase, { part: number | null; seconds: number; from: number; to: number }[]> = {
    inhale: [],
    topPause: [],
    exhale: [],
    bottomPause: [],
  };
  let level = 0;
  for (const beat of turnedRound) {
    const ends = beat.part === null ? null : levels[beat.part]!;
    const before = seconds[phaseOf[beat.breath]];
    seconds[phaseOf[beat.breath]] = before + beat.seconds;
    // A part over two phases is parted by time.
    const all = turnedRound.filter(({ part }) => part === beat.part);
    const whole = all.reduce((sum, one) => sum + one.seconds, 0);
    const done = all.slice(0, all.indexOf(beat)).reduce((sum, one) => sum + one.seconds, 0);
    const at = (of: number) => (ends ? ends.from + (ends.to - ends.from) * (of / whole) : level);
    const [from, to] = [at(done), at(done + beat.seconds)];
    level = to;
    within[phaseOf[beat.breath]].push({ part: beat.part, seconds: beat.seconds, from, to });
  }
  for (const phase of ['inhale', 'exhale'] as const)
    if (seconds[phase] === 0) {
      seconds[phase] = breathBetween;
      const rest = phase === 'inhale' ? 0 : level;
      within[phase].push({ part: null, seconds: breathBetween, from: rest, to: rest });
    }
  const shared = (phase: Phase): PartInPhase[] =>
    within[phase].map(({ seconds: own, ...one }) => ({ ...one, share: own / seconds[phase] }));
  return {
    movement,
    parts,
    toward: pull.toward,
    cadence: {
      inhaleSeconds: Math.max(shortestPhaseSeconds, seconds.inhale),
      topPauseSeconds: seconds.topPause,
      exhaleSeconds: Math.max(shortestPhaseSeconds, seconds.exhale),
      bottomPauseSeconds: 0,
    },
    phases: {
      inhale: shared('inhale'),
      topPause: shared('topPause'),
      exhale: shared('exhale'),
      bottomPause: [],
    },
  };
}

/**
 * The part of the movement at a moment of the breath, in its own word; null while nothing moves.
 *
 * @param gone how much of the phase has gone, 0 to 1
 * @example partAt(repetitionOf(floorRise, 'none'), 'exhale', 0.9) // 'stand'
 */
export function partAt({ phases, movement }: Repetition, phase: Phase, gone: number): string | null {
  const nameOf = (part: number | null | undefined) => (typeof part === 'number' ? movement.parts[part]!.name : null);
  let end = 0;
  for (const { part, share } of phases[phase]) {
    end += share;
    if (gone < end - 1e-9) return nameOf(part);
  }
  return nameOf(phases[phase].at(-1)?.part);
}

/**
 * The way of the movement over a number of breaths as they are given: corners to draw a line through, in seconds from the first breath.
 *
 * @param cadences one a breath; phases may be longer or shorter than the movement has them
 * @example wayOf(repetitionOf(squat, 'both'), [cadence(3, 2)]).map(({ at }) => at) // [0, 3, 5]
 */
export function wayOf({ phases }: Repetition, cadences: readonly Cadence[]): { at: number; level: number }[] {
  const corners: { at: number; level: number }[] = [];
  let at = 0;
  for (const breath of cadences)
    for (const phase of breathPhases)
      for (const { share, from, to } of phases[phase]) {
        if (corners.length === 0) corners.push({ at, level: from });
        at += breath[`${phase}Seconds`] * share;
        corners.push({ at, level: to });
      }
  return corners;
}
