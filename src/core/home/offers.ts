import { type PropId, asGood, bodyProps, componentsOf, props, substituteFor } from '../catalogue';
import { type ItemSummary, outcomeOf } from '../coach';
import { isHold } from '../dose';
import { listed } from '../reasons';
import { type Component, type Gates, checkComponents, refusalInWords } from '../safety';
import { type PlanItem, cueWords, drillOf, inTodaysForm, knownDrill, refusalsOf } from '../sequence';
import { type HomeItem } from './practice';
import { feelOf } from './words';

/** Something that was done today and might go home. */
export interface HomeOffer {
  home: HomeItem;
  /** Why it is offered in this place, and what speaks against it, a few words each. */
  reasons: string[];
  /** Why it can't go home today; null when it can. */
  off: string | null;
  worth: number;
}

/** Something that went home and is off by what is known now: the item, its drill's name and why. */
export interface Withdrawn {
  id: string;
  name: string;
  why: string;
}

/** What each thing a log can say is worth in the order of the offers. Common practice is the order; the numbers are ours. */
const worths = { calm: 4, helped: 3, landed: 1, nothingNeeded: 1, notCalm: -3 } as const;

/** What nobody does alone before it was coached twice, beside holds: lungs filled or emptied to the end. Common practice. */
const neverAloneFirst: readonly Component[] = ['fullLung', 'emptyLung'];

/** What most homes have. Common practice, ours. */
export const usualAtHome: readonly PropId[] = [
  'towel',
  'pillow',
  'wall',
  'chair',
  'table',
  'bottle',
  'straw',
  ...bodyProps,
];

/**
 * What of a visit's drills might go home, the best first: what went calmly, moved the marker, needs nothing the client lacks and can be
 * done alone. What can't go says why.
 *
 * @param done the drills of today's runs, for this client
 * @param gates of today: in which form, or not at all
 * @param atHome props the client has
 * @param before drills done at an earlier visit
 * @example homeOffers(summary.items, gates, usualAtHome, []).at(0)?.reasons.at(0) // 'went calmly'
 */
export function homeOffers(
  done: readonly ItemSummary[],
  gates: Gates,
  atHome: readonly PropId[],
  before: readonly string[],
): HomeOffer[] {
  const newest = new Map<string, ItemSummary>();
  for (const one of done) {
    if (one.deliveredBreaths === 0 || !knownDrill(one.item)) continue;
    newest.set(`${one.item.drillId} ${one.item.position} ${one.item.side}`, one);
  }
  return [...newest.values()]
    .map((one) => offerOf(one, gates, atHome, before))
    .sort((a, b) => Number(a.off !== null) - Number(b.off !== null) || b.worth - a.worth);
}

function offerOf(one: ItemSummary, gates: Gates, atHome: readonly PropId[], before: readonly string[]): HomeOffer {
  const formed = inTodaysForm(one.item, gates);
  const used = withHomeProps(formed, gates, atHome);
  // At home one set is done at a time: the day has more than one.
  const item: PlanItem = { ...used.item, sets: 1, restSeconds: 0, reasons: [] };
  const landed = one.cues.filter((cue) => cue.landed === 'yes').at(-1)?.cue;
  const outcome = outcomeOf(one);
  const reasons: string[] = [];
  let worth = 0;
  const tell = (words: string, by: number) => {
    reasons.push(words);
    worth += by;
  };
  if (outcome === 'calm') tell('went calmly', worths.calm);
  if (outcome === 'not calm') tell('not calm yet', worths.notCalm);
  if (one.helped === 'better') tell('the marker was better right after it', worths.helped);
  if (landed) tell(`“${landed}” landed`, worths.landed);
  if (item.props.every((id) => bodyProps.includes(id))) tell('needs nothing', worths.nothingNeeded);
  else if (used.instead) tell(used.instead, 0);
  const cue = landed ?? cueWords(item)[0] ?? '';
  return {
    home: {
      id: item.id,
      item,
      cue,
      ...feelOf(
        item,
        one.faults.map(({ fault }) => fault),
      ),
    },
    reasons,
    worth,
    off: whyOff(one, item, gates, used.lacks, before),
  };
}

function whyOff(
  one: ItemSummary,
  item: PlanItem,
  gates: Gates,
  lacks: readonly PropId[],
  before: readonly string[],
): string | null {
  const refusals = refusalsOf(item, gates);
  if (refusals.length > 0) return refusalInWords({ refusals }) ?? 'Not today.';
  if (one.stopped) return 'It was stopped today.';
  if (one.helped === 'worse') return 'The marker was worse right after it.';
  // A breath kept against a load wants somebody by. Common practice.
  const strategy = knownDrill(item)?.load?.strategy;
  if (strategy === 'keep' || strategy === 'between') return 'Heavy sets stay in the room, with somebody by.';
  const contains = componentsOf(drillOf(item));
  const alone = item.cadences.some(isHold) || neverAloneFirst.some((one) => contains.includes(one));
  if (alone && !before.includes(item.drillId)) return 'Never alone the first time: coach it at one more visit.';
  if (lacks.length > 0) return `Needs ${listed(lacks.map((id) => props[id].name))} at home.`;
  return null;
}

/** An item with what the client has at home in the place of what it was done with, where that is as good or stands in for it. */
function withHomeProps(item: PlanItem, gates: Gates, atHome: readonly PropId[]) {
  const allowed = (prop: { components: Parameters<typeof checkComponents>[1] }) =>
    checkComponents(gates, prop.components).refusals.length === 0;
  const lacks: PropId[] = [];
  const swaps: string[] = [];
  const now = item.props.flatMap((id): PropId[] => {
    if (bodyProps.includes(id)) return [id];
    const found = substituteFor(id, [...atHome, ...bodyProps], allowed);
    if (!found) {
      lacks.push(id);
      return [id];
    }
    if (found !== id && !(asGood(found, id) && atHome.includes(id)))
      swaps.push(`${props[found].name} instead of ${props[id].name}`);
    return [found];
  });
  return { item: { ...item, props: now }, lacks, instead: swaps.length > 0 ? listed(swaps) : null };
}

/**
 * What of a plan for home is off by what is known now: a caution that came later takes it back everywhere.
 *
 * @example withdrawnOf(plan.items, gatesOfToday).length // 0
 */
export const withdrawnOf = (items: readonly HomeItem[], gates: Gates): Withdrawn[] =>
  items.flatMap(({ id, item }) => {
    if (!knownDrill(item)) return [{ id, name: drillOf(item).name, why: 'This drill is no longer in the catalogue.' }];
    const refusals = refusalsOf(item, gates);
    return refusals.length === 0
      ? []
      : [{ id, name: drillOf(item).name, why: refusalInWords({ refusals }) ?? 'Not today.' }];
  });
