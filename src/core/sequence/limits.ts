import { type Cadence, type Phase, phaseLength, phases } from '../cadence';
import { type Drill } from '../catalogue';
import { naturalPauseSeconds } from '../dose';
import { type Reason } from '../reasons';
import { type Gates, checkComponents } from '../safety';

/** How long a phase may be in a drill for a client today, and what made it shorter than the drill allows. */
export interface PhaseLimit {
  phase: Phase;
  min: number;
  start: number;
  max: number;
  because: Reason | null;
}

/** Phases of a ladder or a climb, which has no range of its own. */
const freePhase = { min: 0.5, start: 4, max: 12 };
const noPause = { min: 0, start: 0, max: 0 };

/**
 * The range of each phase of a drill, with pauses held to natural ones where holds are off.
 *
 * @example phaseLimits(drill, gates).find(({ phase }) => phase === 'bottomPause')?.max // 1; holds are off
 */
export function phaseLimits(drill: Drill, gates: Gates): PhaseLimit[] {
  const { breath } = drill;
  const hold = checkComponents(gates, ['hold']);
  const steady =
    breath.kind === 'steady'
      ? { inhale: breath.inhale, topPause: breath.topPause, exhale: breath.exhale, bottomPause: breath.bottomPause }
      : { inhale: freePhase, topPause: noPause, exhale: freePhase, bottomPause: noPause };
  return phases.map((phase) => {
    const { min, start, max } = steady[phase];
    const pause = phase === 'topPause' || phase === 'bottomPause';
    if (!pause || hold.allowed || max <= naturalPauseSeconds) return { phase, min, start, max, because: null };
    const most = Math.max(min, naturalPauseSeconds);
    return { phase, min, start: Math.min(start, most), max: most, because: hold.refusals[0]!.reason };
  });
}

const keys = {
  inhale: 'inhaleSeconds',
  topPause: 'topPauseSeconds',
  exhale: 'exhaleSeconds',
  bottomPause: 'bottomPauseSeconds',
} as const;

/**
 * A cadence with one phase changed. Linked, in and out keep their ratio as far as the other's range allows; halves of a
 * second.
 *
 * @example withPhase(cadence(4, 6), 'inhale', 5, limits, true).exhaleSeconds // 7.5
 */
export function withPhase(
  breath: Cadence,
  phase: Phase,
  seconds: number,
  limits: readonly PhaseLimit[],
  linked: boolean,
): Cadence {
  const within = (which: Phase, value: number) => {
    const { min, max } = limits.find((limit) => limit.phase === which)!;
    return Math.min(max, Math.max(min, Math.round(value * 2) / 2));
  };
  const next = { ...breath, [keys[phase]]: within(phase, seconds) };
  if (!linked || (phase !== 'inhale' && phase !== 'exhale')) return next;
  const other: Phase = phase === 'inhale' ? 'exhale' : 'inhale';
  const ratio = phaseLength(breath, other) / phaseLength(breath, phase);
  return { ...next, [keys[other]]: within(other, next[keys[phase]] * ratio) };
}
