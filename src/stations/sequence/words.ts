import { movementInWords, propsInWords } from '@/core/catalogue';
import { specOf } from '@/core/body';
import { cadencesInWords, doseInWords } from '@/core/coach';
import { type WeightUnit } from '@/core/load';
import {
  type Plan,
  type PlanItem,
  type BrokenRule,
  cueWords,
  drillOf,
  itemSegments,
  knownDrill,
  openedRegions,
} from '@/core/sequence';
import { type FloorStance } from '@/parts/figures/score/score.geometry';
import { type ScoreItem } from '@/parts/figures/score/ScoreBar';

/** Bars made before, by the item they were made of: an item that did not change keeps its bar, and is not drawn anew. */
const made = new WeakMap<PlanItem, { context: string; bar: ScoreItem }>();

/** The items of a plan as the score draws them; a drill that is gone is left out of the drawing, not of the plan. */
export function scoreItems(plan: Plan, problems: readonly BrokenRule[], weights: WeightUnit): ScoreItem[] {
  return plan.items.flatMap((item, index) => {
    if (!knownDrill(item)) return [];
    const own = problems.filter(({ itemId }) => itemId === item.id);
    const problem = own.some(({ level }) => level === 'off') ? 'off' : own.length > 0 ? 'mind' : null;
    const previous = plan.items[index - 1]?.position ?? null;
    // Everything a bar takes from outside its item.
    const context = `${previous} ${problem} ${weights}`;
    const known = made.get(item);
    if (known?.context === context) return [known.bar];
    const bar = barOf(item, previous, problem, weights);
    made.set(item, { context, bar });
    return [bar];
  });
}

function barOf(
  item: PlanItem,
  previous: PlanItem['position'] | null,
  problem: ScoreItem['problem'],
  weights: WeightUnit,
): ScoreItem {
  const drill = drillOf(item);
  return {
    id: item.id,
    name: drill.name,
    position: item.position,
    movement: movementInWords(drill),
    props: propsInWords(item.props),
    side: item.side,
    cadence: cadencesInWords(item),
    dose: doseInWords(item, weights),
    cue: cueWords(item)[0] ?? '',
    floor: (drill.stances.pelvicFloor?.stance as FloorStance | undefined) ?? null,
    tone: drill.stances.abdominalStrategy?.stance ?? null,
    opened: openedRegions(drill, item.side),
    figure: specOf(drill, item.position, item.side, item.props),
    segments: itemSegments(item, previous),
    locked: item.locked ?? false,
    contrast: item.contrast ?? false,
    problem,
  };
}
