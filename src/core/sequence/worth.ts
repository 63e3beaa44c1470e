import { type Drill, asGood } from '../catalogue';
import { type ConditionId, conditionById, forms } from '../safety';
import { type AxisId, schools } from '../schools';
import { newThings } from './newThings';
import { type PlanItem } from './planSchema';
import { worth } from './rules';
import { type PlanContext, type Setting } from './setting';

/** A part of what a candidate is worth besides its gains, with why. */
export interface WorthPart {
  why: string;
  points: number;
}

/** What a condition asks for, whatever the breath looks like. Common practice, no published source. */
const pulls: Partial<Record<ConditionId, readonly string[]>> = {
  lung: ['lean-and-purse'],
  leaking: ['hips-turn-in', 'hips-turn-feet', 'own-hands-ribs', 'wall-sit-reach'],
  pregnancy: ['wall-sit-reach', 'own-hands-ribs', 'side-lying-open'],
  holdingFloor: ['childs-pose-back', 'figure-four'],
};

const pulledBy = ({ id }: Drill, { conditions = [] }: PlanContext): string[] =>
  conditions
    .filter((condition) => pulls[condition]?.includes(id))
    .map((condition) => `asked for by ${conditionById(condition).name}`);

/** What an item is worth besides its gains, part by part. */
export function worthParts(
  drill: Drill,
  item: Pick<PlanItem, 'props' | 'changes' | 'side' | 'sets'>,
  { request, context, history, known }: Setting,
  opens: boolean,
): WorthPart[] {
  const answers = drill.answers.filter((pattern) => context.confirmedPatterns.includes(pattern)).length;
  const teaches = schools[request.leadSchool].everyday;
  const fit = (Object.entries(teaches) as [AxisId, string][]).filter(
    ([axis, stance]) => drill.stances[axis]?.stance === stance,
  ).length;
  const substituted = item.props.filter((prop, i) => !asGood(prop, drill.props[i]!)).length;
  // A drill that needs no other form answers better than one that does; a pause left out costs nothing.
  const changed = item.changes.filter((change) => !change.startsWith(forms.noPause.says)).length;
  const own = history.get(drill.id);
  const landed = Math.min(3, drill.cues.filter(({ words }) => own?.landed.includes(words)).length);
  const { moves, sides, sets } = worth.attention;
  const attention =
    (drill.movement === 'none' ? 0 : moves) +
    (item.side === 'both' ? sides : 0) +
    (item.sets > 1 && drill.sets.start > 1 ? sets : 0);
  const parts: [string, number][] = [
    ['answers what was found', answers * worth.answer],
    [
      'is the usual first answer to what was found',
      context.confirmedPatterns.includes(drill.answers[0]!) ? worth.firstAnswer : 0,
    ],
    [`stands as ${schools[request.leadSchool].name} teaches`, fit * worth.schoolFit],
    ['opens the visit without answering what was found', answers === 0 && opens ? worth.opensOnly : 0],
    ...pulledBy(drill, context).map((why): [string, number] => [why, worth.pulled]),
    ['needs another form today', changed * worth.change],
    ['props to hand out', item.props.length * worth.prop],
    ['a substitute for a prop', substituted * worth.substitute],
    ['new things it asks for', newThings(drill, own !== undefined, known) * worth.newThing],
    ['attention it takes', attention],
    ['cues of it landed before', landed * worth.landed],
    ['went calmly last time', own?.outcomes.at(-1) === 'calm' ? worth.calm : 0],
    ['did not go calmly last time', own?.outcomes.at(-1) === 'not calm' ? worth.notCalm : 0],
    ['the marker was better right after it', Math.round(Math.max(0, own?.helped ?? 0) * worth.helped)],
    ['the marker was worse right after it', Math.round(Math.min(0, own?.helped ?? 0) * worth.worsened)],
  ];
  return parts.filter(([, points]) => points !== 0).map(([why, points]) => ({ why, points }));
}
