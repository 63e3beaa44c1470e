import { type Drill } from '../catalogue';
import { nextBreaths } from '../dose';

/** How a drill went for this client before, newest time last. */
export interface DrillHistory {
  drillId: string;
  /** Calm: at least 80 % of the breaths without a marked fault, most of them done, no stop. Common practice. */
  outcomes: readonly ('calm' | 'not calm')[];
  breaths: number;
  sets: number;
  /** Cues that landed, and cues that did not. */
  landed: readonly string[];
  missed: readonly string[];
  /** What the marker showed right after it, from −1 worse to 1 better, drawn toward what it shows with everybody; left out where nobody asked. */
  helped?: number;
}

/** Whether a drill is owned: it went calmly the last time. What it prepares may then come without it. */
export const isOwned = (history: DrillHistory | undefined) => history?.outcomes.at(-1) === 'calm';

/**
 * The breaths a set to prescribe now: one step up after a calm time, one step back after two that were not, else as it was.
 * Change one thing at a time. Common practice.
 *
 * @example prescribedBreaths(drill, undefined) === drill.breaths.start // true
 */
export function prescribedBreaths(drill: Drill, history: DrillHistory | undefined): number {
  if (!history || drill.breath.kind === 'ladder') return drill.breaths.start;
  const [before, last] =
    history.outcomes.slice(-2).length === 2 ? history.outcomes.slice(-2) : [null, history.outcomes.at(-1)];
  if (last === 'calm') return nextBreaths(drill.breaths, history.breaths, 1);
  if (before === 'not calm' && last === 'not calm') return nextBreaths(drill.breaths, history.breaths, -1);
  return Math.min(drill.breaths.max, Math.max(drill.breaths.min, history.breaths));
}
