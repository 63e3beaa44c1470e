import { type Component, type Gates, checkComponents, refusalInWords } from '../safety';
import { type PlanItem, itemComponents, knownDrill } from '../sequence';

/** Most people on one plan. */
export const mostInGroup = 6;

/** How one person of a group does the drill under way. */
export type GroupForm =
  | { kind: 'same' }
  /** Another form, in words. */
  | { kind: 'changed'; words: string[] }
  /** Not this drill: why, and the smallest change that would allow it. */
  | { kind: 'not'; why: string; instead: string };

/**
 * How a person does an item, by their own limits of the day.
 *
 * @example groupForm(gates, item).kind // 'same'
 */
export function groupForm(gates: Gates, item: PlanItem): GroupForm {
  const drill = knownDrill(item);
  if (!drill) return { kind: 'not', why: 'This drill is no longer in the catalogue.', instead: 'quiet breathing' };
  const components: Component[] = itemComponents(item);
  const verdict = checkComponents(gates, components);
  if (!verdict.allowed) {
    return {
      kind: 'not',
      why: refusalInWords(verdict) ?? 'Not today.',
      instead: verdict.smallestChange ?? 'quiet breathing',
    };
  }
  const words = [...new Set(verdict.changes.map(({ to }) => to).filter((to): to is string => Boolean(to)))];
  return words.length > 0 ? { kind: 'changed', words } : { kind: 'same' };
}
