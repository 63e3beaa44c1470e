import { type Component } from '../safety';

export interface Prop {
  id: string;
  name: string;
  /** Tried in this order when the prop is not at hand, or not allowed. */
  substitutes: readonly string[];
  components: readonly Component[];
}

const row = <Id extends string>(
  id: Id,
  name: string,
  substitutes: readonly string[] = [],
  components: readonly Component[] = [],
) => ({ id, name, substitutes, components });

/** The props and what can stand in for each. Common practice. */
export const propList = [
  row('band', 'wide resistance band', ['towel', 'freeBand'], ['latex']),
  row('towel', 'stiff bath towel'),
  row('freeBand', 'latex-free band'),
  // A towel gives no pull when its end is fixed: nothing but another band stands in for it.
  row('fixedBand', 'band fixed to something', ['band', 'freeBand'], ['latex']),
  row('ball', 'ball between the knees', ['pillow', 'block']),
  row('pillow', 'pillow'),
  row('block', 'block', ['bottle', 'pillow']),
  row('halfDome', 'half-dome', ['pillow']),
  row('straw', 'own straw', ['lips']),
  row('lips', 'pursed lips'),
  row('wall', 'free wall'),
  row('chair', 'chair or bench'),
  row('table', 'table or worktop', ['chair']),
  row('balloon', 'balloon', [], ['balloon', 'latex']),
  row('hiss', 'hiss'),
  row('twinBalls', 'twin balls in a sock', [], ['twinBalls', 'ribEdge']),
  row('weight', 'dumbbell or cable', ['bottle']),
  row('bottle', 'full water bottle', ['weight']),
  row('mirror', 'mirror or phone camera'),
] as const satisfies readonly Prop[];

export type PropId = (typeof propList)[number]['id'];
export const propIds = propList.map(({ id }) => id) as [PropId, ...PropId[]];
export const props = Object.fromEntries(propList.map((entry) => [entry.id, entry])) as unknown as Record<PropId, Prop>;

/**
 * Props by their names, as they are told on every page and paper; nothing for none.
 *
 * @example propsInWords(['towel', 'chair']) // 'stiff bath towel, chair or bench'
 */
export const propsInWords = (ids: readonly PropId[]): string => ids.map((id) => props[id].name).join(', ');

const alike: readonly PropId[] = ['band', 'towel', 'freeBand'];

/** Whether a prop is as good as another: some prefer the towel, since the body then has to do the stretching. */
export const asGood = (one: PropId, other: PropId): boolean =>
  one === other || (alike.includes(one) && alike.includes(other));

/** Always at hand. */
export const bodyProps: readonly PropId[] = ['lips', 'hiss'];

/**
 * What to use for a prop: itself when it is at hand and allowed, else the first substitute that is, else nothing.
 *
 * @param atHand props in the room
 * @param allowed says whether a prop's components are allowed for this client
 * @example substituteFor('band', ['towel'], () => true) // 'towel'
 */
export function substituteFor(
  prop: PropId,
  atHand: readonly PropId[],
  allowed: (candidate: Prop) => boolean,
): PropId | null {
  const candidates = [prop, ...(props[prop].substitutes as readonly PropId[])];
  return candidates.find((id) => (atHand.includes(id) || bodyProps.includes(id)) && allowed(props[id])) ?? null;
}
