import { type PartBreath } from './breath';
import { type StrategyId, strategies } from './strategy';

/** A stretch of one repetition as it is paced: air in, kept or out, how stiff, how long. */
export interface Beat {
  part: string;
  breath: 'in' | 'kept' | 'out';
  /** 0 to 1: how full at its end. */
  fill: number;
  /** Percent of the most. */
  stiffness: number;
  seconds: number;
}

/** Out with every effort, whatever the ribs do: a caution goes before them. */
export const throughEffort = (part: PartBreath): PartBreath => ({
  ...part,
  breath: part.effort ? 'out' : 'in',
  why: 'effort',
});

/** Seconds of filling before a repetition, and of the breaths between two. Common practice; the numbers ours. */
const fillSeconds = 2;
const betweenSeconds = 4;
/** Part of the effort up to the hard part: a third. Common practice has no figure; ours. */
const hardPart = 1 / 3;
/** How full: an easy breath, a full one, and the part of it that is kept near the most. */
const easyFill = 0.5;
const fullFill = 0.9;
const nearMostFill = 0.7;

/** One repetition as it is paced. */
export function beatsOf(parts: readonly PartBreath[], strategy: StrategyId, stiffness: number): Beat[] {
  const beat = (part: string, breath: Beat['breath'], fill: number, seconds: number, stiff = stiffness): Beat => ({
    part,
    breath,
    fill,
    stiffness: stiff,
    seconds,
  });
  if (strategy === 'steady') {
    const name = parts[0]!.name;
    return [beat(name, 'in', 0.35, 2), beat(name, 'out', 0.1, 3)];
  }
  const loose = strategies[strategy].pulse ? Math.min(stiffness, 20) : stiffness;
  if (strategy === 'with' || strategy === 'burst')
    return parts.map(({ name, breath, seconds, effort }) =>
      beat(
        name,
        breath,
        breath === 'in' ? easyFill : 0.05,
        seconds,
        strategy === 'burst' && !effort ? loose : stiffness,
      ),
    );
  const first = parts[0]!;
  const beats: Beat[] = [];
  const full = strategy === 'keep' ? fullFill : nearMostFill;
  // Where the repetition begins with the effort, the air comes first.
  if (first.effort) beats.push(beat('first', 'in', full, fillSeconds, loose));
  let past = false;
  for (const { name, seconds, effort } of parts) {
    if (!effort)
      beats.push(
        beat(name, strategy === 'keep' ? 'in' : 'kept', full, seconds, strategy === 'keep' ? loose : stiffness),
      );
    else if (strategy !== 'keep') beats.push(beat(name, 'kept', full, seconds));
    // What goes on right after the hard part is done with the air already going.
    else if (past) beats.push(beat(name, 'out', 0.15, seconds));
    else {
      beats.push(beat(`${name}, to the hard part`, 'kept', full, seconds * hardPart));
      beats.push(beat(`${name}, past it`, 'out', 0.15, seconds * (1 - hardPart)));
    }
    past = effort;
  }
  if (strategy === 'between') {
    beats.push(beat('between', 'out', 0.1, betweenSeconds / 2, loose));
    if (!first.effort) beats.push(beat('between', 'in', full, betweenSeconds / 2, loose));
  }
  return beats;
}
