import { type Gates, refusalInWords } from '../safety';
import { type PlanItem, drillOf, plainDrill, refitted, refusalsOf } from '../sequence';

/** Most people on one plan. */
export const mostInGroup = 6;

/** How one person of a group does the drill under way. */
export type GroupForm =
  | { kind: 'same' }
  /** Another form: in words, and what is done and said in it. */
  | { kind: 'changed'; words: string[]; item: PlanItem }
  /** Not this drill, why, and what is done meanwhile where there is a drill for it. */
  | { kind: 'not'; why: string; instead: string; item: PlanItem | null };

/**
 * How a person does an item, by their own limits of the day: in the position of the group, in a form of their own where they
 * need one. The forms of whoever the plan was made for are not theirs.
 *
 * @example groupForm(gates, item).kind // 'same'
 */
export function groupForm(gates: Gates, item: PlanItem): GroupForm {
  if (!plainDrill(item)) {
    return { kind: 'not', why: 'This drill is no longer in the catalogue.', instead: 'quiet breathing', item: null };
  }
  const against = refusalsOf(item, gates);
  if (against.length === 0) return { kind: 'same' };
  const theirs = refitted(item, gates);
  if (theirs && theirs.position === item.position && theirs.side === item.side) {
    return { kind: 'changed', words: [...theirs.changes], item: theirs };
  }
  return {
    kind: 'not',
    why: refusalInWords({ refusals: against }) ?? 'Not today.',
    instead: theirs ? `${drillOf(theirs).name} in ${theirs.position}` : 'quiet breathing',
    item: theirs,
  };
}

/** Items of a plan that somebody in a group sits out, by their index: those they can't do in its position in any form. */
export const itemsOff = (items: readonly PlanItem[], gates: Gates): number[] =>
  items.flatMap((item, index) => (groupForm(gates, item).kind === 'not' ? [index] : []));

/**
 * What an event that brings another item says of a group: who of them, but for the one whose plan it is, sits it out by their own limits.
 *
 * @param leaderId whose plan it is
 * @param group everybody on the plan; empty where there is only one
 * @example sitOutOf('ada', [], item) // {}
 */
export function sitOutOf(
  leaderId: string,
  group: readonly { clientId: string; gates: Gates }[],
  item: PlanItem,
): { sitOut?: string[] } {
  const out = group.flatMap(({ clientId, gates }) =>
    clientId !== leaderId && groupForm(gates, item).kind === 'not' ? [clientId] : [],
  );
  return group.length > 0 ? { sitOut: out } : {};
}
