import { type Drill, asGood } from '../catalogue';
import { type ConditionId, conditionById } from '../safety';
import { schools } from '../schools';
import { newThings } from './newThings';
import { type PlanItem } from './planSchema';
import { worth } from './rules';
import { axesShared } from './schoolFit';
import { type PlanContext, type Setting } from './setting';

/** What may count for or against a candidate besides its gains. */
const counts = {
  answers: 'answers what was found',
  firstAnswer: 'is the usual first answer to what was found',
  school: 'stands as the lead school teaches',
  opensOnly: 'opens the visit without answering what was found',
  pulled: 'asked for by a condition',
  otherwise: 'needs another form today',
  props: 'props to hand out',
  substitute: 'a substitute for a prop',
  newThings: 'new things it asks for',
  attention: 'attention it takes',
  landed: 'cues of it landed before',
  calm: 'went calmly last time',
  notCalm: 'did not go calmly last time',
  helped: 'the marker was better right after it',
  worsened: 'the marker was worse right after it',
} as const;

/** A part of what a candidate is worth besides its gains, with why. */
export interface WorthPart {
  code: keyof typeof counts;
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

const pulledBy = ({ id }: Drill, { conditions = [] }: PlanContext): ConditionId[] =>
  conditions.filter((condition) => pulls[condition]?.includes(id));

/**
 * What an item is worth besides its gains, part by part.
 *
 * @param how whether the drill settles, and whether a caution leaves only one of its sides
 */
export function worthParts(
  drill: Drill,
  item: Pick<PlanItem, 'props' | 'forms' | 'side' | 'sets'>,
  { request, context, history, known }: Setting,
  { settles, oneSideOff }: { settles: boolean; oneSideOff: boolean },
): WorthPart[] {
  const answers = drill.answers.filter((pattern) => context.confirmedPatterns.includes(pattern)).length;
  const substituted = item.props.filter((prop, i) => !asGood(prop, drill.props[i]!)).length;
  // A drill that needs no other form answers better than one that does; a pause left out costs nothing. So does one that can be done on both sides.
  const changed = (item.forms ?? []).filter((form) => form !== 'noPause').length + (oneSideOff ? 1 : 0);
  const own = history.get(drill.id);
  const landed = Math.min(3, drill.cues.filter(({ words }) => own?.landed.includes(words)).length);
  const { moves, sides, sets } = worth.attention;
  const attention =
    (drill.movement === 'none' ? 0 : moves) +
    (item.side === 'both' ? sides : 0) +
    (item.sets > 1 && drill.sets.start > 1 ? sets : 0);
  const part = (code: WorthPart['code'], points: number, why: string = counts[code]): WorthPart => ({
    code,
    why,
    points,
  });
  return [
    part('answers', answers * worth.answer),
    part('firstAnswer', context.confirmedPatterns.includes(drill.answers[0]!) ? worth.firstAnswer : 0),
    part(
      'school',
      axesShared(drill, request.leadSchool) * worth.schoolFit,
      `stands as ${schools[request.leadSchool].name} teaches`,
    ),
    part('opensOnly', answers === 0 && settles ? worth.opensOnly : 0),
    ...pulledBy(drill, context).map((id) => part('pulled', worth.pulled, `asked for by ${conditionById(id).name}`)),
    part('otherwise', changed * worth.change),
    part('props', item.props.length * worth.prop),
    part('substitute', substituted * worth.substitute),
    part('newThings', newThings(drill, own !== undefined, known) * worth.newThing),
    part('attention', attention),
    part('landed', landed * worth.landed),
    part('calm', own?.outcomes.at(-1) === 'calm' ? worth.calm : 0),
    part('notCalm', own?.outcomes.at(-1) === 'not calm' ? worth.notCalm : 0),
    part('helped', Math.round(Math.max(0, own?.helped ?? 0) * worth.helped)),
    part('worsened', Math.round(Math.min(0, own?.helped ?? 0) * worth.worsened)),
  ].filter(({ points }) => points !== 0);
}
