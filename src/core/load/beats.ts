import { type PartBreath } from './breath';
import { type StrategyId, strategies } from './strategy';

/** What a stretch of a repetition is: the air before it, a part of the movement or how far into it, breaths between two repetitions. */
type BeatStage = 'fill' | 'part' | 'toHardPart' | 'pastIt' | 'between';

/** A stretch of one repetition as it is paced: air in, kept or out, how stiff, how long. */
export interface Beat {
  stage: BeatStage;
  /** Which of the movement's parts it belongs to, by its place; null where nothing moves. */
  part: number | null;
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
  const loose = strategies[strategy].pulse ? Math.min(stiffness, 20) : stiffness;
  const beat = (
    stage: BeatStage,
    part: number | null,
    breath: Beat['breath'],
    fill: number,
    seconds: number,
    stiff = stiffness,
  ): Beat => ({ stage, part, breath, fill, stiffness: stiff, seconds });
  if (strategy === 'steady') return [beat('part', 0, 'in', 0.35, 2), beat('part', 0, 'out', 0.1, 3)];
  if (strategy === 'with' || strategy === 'burst')
    return parts.map(({ breath, seconds, effort }, at) =>
      beat(
        'part',
        at,
        breath,
        breath === 'in' ? easyFill : 0.05,
        seconds,
        strategy === 'burst' && !effort ? loose : stiffness,
      ),
    );
  const begins = parts[0]!;
  const beats: Beat[] = [];
  const full = strategy === 'keep' ? fullFill : nearMostFill;
  // Where the repetition begins with the effort, the air comes first.
  if (begins.effort) beats.push(beat('fill', null, 'in', full, fillSeconds, loose));
  let past = false;
  parts.forEach(({ seconds, effort }, at) => {
    if (!effort)
      beats.push(
        strategy === 'keep' ? beat('part', at, 'in', full, seconds, loose) : beat('part', at, 'kept', full, seconds),
      );
    else if (strategy !== 'keep') beats.push(beat('part', at, 'kept', full, seconds));
    // What goes on right after the hard part is done with the air already going.
    else if (past) beats.push(beat('part', at, 'out', 0.15, seconds));
    else {
      beats.push(beat('toHardPart', at, 'kept', full, seconds * hardPart));
      beats.push(beat('pastIt', at, 'out', 0.15, seconds * (1 - hardPart)));
    }
    past = effort;
  });
  if (strategy === 'between') {
    beats.push(beat('between', null, 'out', 0.1, betweenSeconds / 2, loose));
    if (!begins.effort) beats.push(beat('between', null, 'in', full, betweenSeconds / 2, loose));
  }
  return beats;
}
