import { isHold } from '../dose';
import { type WeightUnit, weightInWords } from '../load';
import { type Gates, checkComponents, refusalInWords } from '../safety';
import { type PlanItem, knownDrill, planTotals, refusalsOf, weightOf } from '../sequence';
import { type RunEvent } from './events';
import { groupForm } from './group';
import { type RunState, placeAt, restingIn } from './run';
import { locate, timelineOf } from './timeline';

/** One of those on a run, as far as letting an event in is concerned. Whose plan it is comes first. */
export interface RunPerson {
  clientId: string;
  name: string;
  gates: Gates;
  /** Why they may not be coached now, in one sentence; null when they may. */
  closed: string | null;
}

/** Why an event is not let in. */
export interface Denial {
  code: 'not of this run' | 'over' | 'closed' | 'gated' | 'too much';
  why: string;
}

/** Events that set the run going or change what is done. Everything else tells of what has happened, and is always taken in. */
export const steering: readonly RunEvent['type'][] = ['start', 'resume', 'jump', 'swap', 'adjust', 'pace'];

/**
 * Why an event may not happen in a run, or null when it may: it names an item or a person that is not of the run; the run is over or
 * stopped; somebody in it may not be coached any more; the item it leads to is off for somebody who does not sit it out; or it
 * brings more holds than a session may have. The page asks before it acts, the server before it writes.
 *
 * @param state the run as it stands before the event
 * @param people everybody on it, with today's limits
 * @param atEpochMs when it happened
 * @param weights what a weight is told in
 * @source caps and limits: common practice, the caution table
 * @example eventDenied(state, { type: 'resume' }, [{ ...ada, closed: 'Emergency sign logged today.' }], now, 'kg')?.code // 'closed'
 */
export function eventDenied(
  state: RunState,
  event: RunEvent,
  people: readonly RunPerson[],
  atEpochMs: number,
  weights: WeightUnit,
): Denial | null {
  const foreign = foreignTo(
    event,
    state.items.length,
    people.map(({ clientId }) => clientId),
  );
  if (foreign) return { code: 'not of this run', why: foreign };
  if (!steering.includes(event.type)) return null;
  if (state.status === 'ended') return { code: 'over', why: 'This run is over. Open a new one to go on.' };
  if (state.status === 'stopped') return { code: 'over', why: 'It was stopped: say how it goes on first.' };
  const { out } = restingIn(state);
  const present = people.filter(({ clientId }) => !out.has(clientId));
  const of = ({ name }: RunPerson, why: string) => (people.length > 1 ? `${name}: ${why}` : why);
  for (const person of present) {
    if (person.closed !== null) return { code: 'closed', why: of(person, person.closed) };
  }
  const after = itemsAfter(state, event);
  for (const index of ledTo(state, event, atEpochMs)) {
    const item = after[index];
    if (!item) continue;
    const away = 'sitOut' in event && event.sitOut ? event.sitOut : (state.sitOut[index] ?? []);
    for (const person of present) {
      if (away.includes(person.clientId)) continue;
      // The plan stands in the forms of whoever it was made for; everybody else does it in a form of their own.
      const why =
        tooHeavyFor(event, state.opened[index], person.gates, weights) ??
        (person === people[0] ? itemOff(item, person.gates) : offInGroup(item, person.gates));
      if (why !== null) return { code: 'gated', why: of(person, why) };
    }
  }
  const much = tooMuch(state.items, after, Math.min(...people.map(({ gates }) => gates.holdSeconds)));
  return much ? { code: 'too much', why: much } : null;
}

/** Who may hold no breath lifts no more than was planned: nobody has worked out whether the breath still goes with it. */
function tooHeavyFor(event: RunEvent, planned: PlanItem | undefined, gates: Gates, weights: WeightUnit): string | null {
  if (event.type !== 'adjust' || event.kg === undefined || !planned) return null;
  const most = weightOf(planned);
  if (most === null || event.kg <= most || checkComponents(gates, ['strain']).allowed) return null;
  return `No held breath, so no more than the ${weightInWords(most, weights)} that were planned. Work a heavier one out under Breath under load.`;
}

/** Why an item is off for a person, in one sentence; null when it may be done. @example itemOff(item, gates) // null */
export function itemOff(item: PlanItem, gates: Gates): string | null {
  const drill = knownDrill(item);
  if (!drill) return 'This drill is not in the catalogue.';
  const refusal = refusalInWords({ refusals: refusalsOf(item, gates) });
  return refusal && `${drill.name}: ${refusal}`;
}

function offInGroup(item: PlanItem, gates: Gates): string | null {
  const form = groupForm(gates, item);
  return form.kind === 'not' ? `${knownDrill(item)?.name ?? 'This drill'}: ${form.why}` : null;
}

/**
 * What an event names that is not of its run, in one sentence; null when all of it is. The run needn't be folded for it.
 *
 * @param itemCount drills of the run; swaps don't change how many
 * @param clientIds everybody on it
 * @example foreignTo({ type: 'tap', item: 7 }, 2, [ada.clientId]) // 'This run has no such drill.'
 */
export function foreignTo(event: RunEvent, itemCount: number, clientIds: readonly string[]): string | null {
  if ('item' in event && event.item >= itemCount) return 'This run has no such drill.';
  const named = [...('who' in event && event.who ? [event.who] : []), ...(('sitOut' in event && event.sitOut) || [])];
  return named.every((id) => clientIds.includes(id)) ? null : 'This person is not on the run.';
}

function itemsAfter(state: RunState, event: RunEvent): readonly PlanItem[] {
  if (event.type !== 'swap' && event.type !== 'adjust') return state.items;
  return state.items.map((item, index) => {
    if (index !== event.item) return item;
    return event.type === 'swap'
      ? event.to
      : {
          ...item,
          cadences: event.cadences,
          breaths: event.breaths,
          sets: event.sets,
          ...(event.kg === undefined ? {} : { kg: event.kg }),
        };
  });
}

/** The items an event leads to: all of them at the start, else the one that goes on or is begun. */
function ledTo(state: RunState, event: RunEvent, atEpochMs: number): number[] {
  switch (event.type) {
    case 'start':
      return state.items.map((_, index) => index);
    case 'resume':
      return [placeAt(state, atEpochMs).item];
    case 'jump':
      return [locate(timelineOf(state.items), event.toSeconds).item];
    case 'swap':
    case 'adjust':
    case 'pace':
      return [event.item];
    default:
      return [];
  }
}

/** Holds beyond what a session may have, when a change brings them; what was there before it is not its fault. */
function tooMuch(before: readonly PlanItem[], after: readonly PlanItem[], most: number): string | null {
  if (before === after) return null;
  const holds = (items: readonly PlanItem[]) => planTotals(items).whole.holdSeconds;
  const seconds = holds(after);
  if (seconds > most && seconds > holds(before)) {
    return `That makes ${Math.round(seconds)} s of holds; the cap is ${most} s. Fewer breaths or a shorter pause.`;
  }
  const pairs = (items: readonly PlanItem[]) =>
    items.filter((item, i) => i > 0 && item.cadences.some(isHold) && items[i - 1]!.cadences.some(isHold)).length;
  return pairs(after) > pairs(before)
    ? 'That makes two holds back to back. Put something without a pause between.'
    : null;
}
