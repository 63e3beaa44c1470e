import { type Drill } from '../catalogue';
import { refusalInWords } from '../safety';
import { candidateOf, compareOrder, itemByHand } from './candidates';
import { type PlanItem, type PlanRequest } from './planSchema';
import { knownDrill } from './plan';
import { type PlanContext, settingOf } from './setting';

/** A drill that was put into a plan, at its place; or why it can't be. */
type PutIn = { items: PlanItem[]; item: PlanItem } | { refused: string };

/**
 * Puts a drill into a plan by hand, in the forms somebody needs today, before the first that comes after it in a plan's order. What
 * stands there stays as it is.
 *
 * @param id of the new item
 * @param rest what is otherwise than the drill begins with
 * @example 'items' in putIn(findDrill('chair-rise')!, request, context, [], 'one') // true
 */
export function putIn(
  drill: Drill,
  request: PlanRequest,
  context: PlanContext,
  items: readonly PlanItem[],
  id: string,
  rest: Partial<Pick<PlanItem, 'kg' | 'breaths' | 'sets' | 'side'>> = {},
): PutIn {
  const setting = settingOf(request, context);
  const made = itemByHand(drill, setting);
  if ('refused' in made) return { refused: refusalInWords({ refusals: [made.refused] }) ?? 'Not today.' };
  const item: PlanItem = { ...made.item, ...rest, id, reasons: [], byHand: true };
  const own = candidateOf(drill, item, setting, 'kept');
  const at = items.findIndex((other) => {
    const theirs = knownDrill(other);
    return theirs !== undefined && compareOrder(candidateOf(theirs, other, setting, 'kept'), own) > 0;
  });
  return { items: at < 0 ? [...items, item] : [...items.slice(0, at), item, ...items.slice(at)], item };
}
