import { type Drill } from '../catalogue';
import { isHold, segmentsOf, totalsOf } from '../dose';
import { intents } from '../read';
import { likenessOf } from './alike';
import { type Step } from './choiceRules';
import { isOwned } from './history';
import { newThings, toLearn } from './newThings';
import { type PlanItem, type PlanRequest } from './planSchema';
import { type Setting } from './setting';

/** What the rules on choices look at in an item, whoever made it. Its seconds are without the change into its position. */
export function stepOf(
  drill: Drill,
  item: Omit<PlanItem, 'id' | 'reasons' | 'byHand'>,
  { request, history, known }: Pick<Setting, 'request' | 'history' | 'known'>,
): Step {
  const own = history.get(drill.id);
  const stage = stageOf(drill, request);
  const { seconds, holdSeconds } = totalsOf(segmentsOf(item));
  return {
    drill: drill.id,
    position: item.position,
    stage,
    level: drill.level,
    seconds,
    holdSeconds,
    isNew: toLearn(drill, newThings(drill, own !== undefined, known)),
    holds: item.cadences.some(isHold),
    // The day is carried into as it is, however the visit went.
    alike: stage === 3 ? null : likenessOf(drill, item),
    needs: drill.prerequisites.filter((id) => !isOwned(own) && !isOwned(history.get(id))),
  };
}

/** A drill a visit can open with: it brings somebody to rest, or is gentle and still and does so a little. */
export function settles({ skills: { settle = 0 }, level, movement, family }: Drill): boolean {
  const still = movement === 'none' && family !== 'exhale';
  return settle >= 3 || (still && ((settle >= 2 && level <= 2) || (settle >= 1 && level === 1)));
}

/** 0 settles, 1 exhale first where the intent asks for it, 2 the work, 3 carries it into the day. */
function stageOf(drill: Drill, { intent }: PlanRequest): Step['stage'] {
  if (drill.family === 'carry') return 3;
  // What opens the ribs waits for the exhale, however gentle it is.
  if (settles(drill) && !(intents[intent].exhaleFirst && drill.family === 'open')) return 0;
  return intents[intent].exhaleFirst && (drill.skills.exhale ?? 0) >= 3 ? 1 : 2;
}
