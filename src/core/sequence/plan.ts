import { type Cadence, cycleSeconds } from '../cadence';
import {
  type Drill,
  type PositionId,
  type PropId,
  changeSeconds,
  componentsOf,
  drills,
  findDrill,
  inProps,
  pauses,
  positions,
  props,
  remade,
  startCadence,
} from '../catalogue';
import { type Dose, type Segment, type Totals, isHold, segmentsOf, totalsOf } from '../dose';
import { type Component, type FormId, componentIds } from '../safety';
import { type PlanItem } from './planSchema';

/** Time kept at the end of every plan for rechecking the marker. */
export const recheckSeconds = 60;

type Named = Pick<PlanItem, 'drillId'> & {
  own?: Drill | undefined;
  forms?: readonly FormId[] | undefined;
  position?: PositionId;
  cadences?: readonly Cadence[];
  props?: readonly PropId[];
  staySeconds?: number | undefined;
};

/** The drill of an item as the catalogue has it, in no form; undefined when it no longer has it. */
export const plainDrill = (item: Named): Drill | undefined => item.own ?? findDrill(item.drillId);

/**
 * The drill of an item in the forms it is done in, or undefined when the catalogue no longer has it. Whoever takes its pauses
 * or its stay out by hand has it without the words for them.
 */
export function knownDrill(item: Named): Drill | undefined {
  const plain = plainDrill(item);
  if (!plain || !item.position) return plain;
  const dropped: FormId[] = [
    ...(item.cadences && pauses(plain) && !item.cadences.some(isHold) ? (['noPause'] as const) : []),
    ...(item.cadences && plain.stay && !item.staySeconds ? (['noStay'] as const) : []),
  ];
  const wanted = [...(item.forms ?? []), ...dropped];
  const now = remade(plain, wanted, item.position) ?? remade(plain, item.forms ?? [], item.position) ?? plain;
  return item.props ? inProps(now, item.props) : now;
}

/**
 * The drill of an item; for one the catalogue no longer has, a stand-in that says so. An old record may name what is gone, and must
 * be shown all the same. The stand-in contains everything that is ever gated, so nothing lets it into a plan.
 *
 * @example drillOf({ drillId: 'quiet-nose' }).name // 'Quiet nose breath'
 */
export const drillOf = (item: Named): Drill => knownDrill(item) ?? missingDrill(item.drillId);

function missingDrill(id: string): Drill {
  return {
    ...findDrill('quiet-nose')!,
    id,
    name: `Drill no longer in the catalogue (${id.slice(0, 40)})`,
    purpose: 'It was there when this was recorded.',
    setUp: 'Nothing is known of it any more.',
    steps: [{ phase: 'throughout', words: 'Breathe as you like.' }],
    components: [...componentIds],
    opens: {},
    skills: {},
    easier: null,
    harder: null,
  };
}

/** An item's pieces of time, with the change from the position before it. */
export function itemSegments(item: PlanItem, previous: PositionId | null): Segment[] {
  const dose: Dose = item;
  return segmentsOf(dose, changeSeconds(previous, item.position));
}

/** Totals of each item and of the plan; the plan adds the recheck. */
export function planTotals(items: readonly PlanItem[]): {
  perItem: Totals[];
  whole: Totals;
  positionChanges: number;
  baseChanges: number;
} {
  const segments = items.map((item, i) => itemSegments(item, items[i - 1]?.position ?? null));
  const whole = totalsOf(segments.flat());
  const pairs = items.slice(1).map((item, i) => [items[i]!.position, item.position] as const);
  return {
    perItem: segments.map(totalsOf),
    whole: { ...whole, seconds: whole.seconds + (items.length > 0 ? recheckSeconds : 0) },
    positionChanges: pairs.filter(([from, to]) => from !== to).length,
    baseChanges: pairs.filter(([from, to]) => positions[from].base !== positions[to].base).length,
  };
}

/** Lying on one side: the other one may still be open. */
const lyingOn = { left: 'lyingOnLeft', right: 'lyingOnRight' } as const;
export const isOfOneSide = (component: Component): boolean => component === lyingOn.left || component === lyingOn.right;

/** Standing work this long is long. Common practice, ours. */
const longStandingSeconds = 90;

/**
 * Everything an item contains that may be gated: of the drill in its forms, its position and which side is down, its props, its
 * pauses, and how long it keeps somebody standing. A pause that was dropped takes the hold with it.
 *
 * @example itemComponents({ ...item, position: 'hook-lying' }).includes('flatSupine') // true
 */
export function itemComponents(
  item: Named &
    Pick<PlanItem, 'position' | 'props' | 'cadences'> &
    Partial<Pick<PlanItem, 'side' | 'breaths' | 'sets' | 'staySeconds'>>,
): Component[] {
  const { position, cadences, side, breaths = 0, sets = 1 } = item;
  const own = componentsOf(drillOf(item)).filter((component) => component !== 'hold');
  const found = new Set<Component>([
    ...own,
    ...positions[position].components,
    ...item.props.flatMap((id) => props[id].components as readonly Component[]),
  ]);
  if (cadences.some(isHold)) found.add('hold');
  if (position === 'side-lying' || position === 'side plank') {
    // The side that is up is the one worked; where none is, either may be down.
    if (side !== 'left') found.add(lyingOn.left);
    if (side !== 'right') found.add(lyingOn.right);
  }
  if (positions[position].base === 'standing') {
    const each = cadences.reduce((sum, one) => sum + cycleSeconds(one), 0) * (cadences.length > 1 ? 1 : breaths);
    if (each * sets * (side === 'both' ? 2 : 1) > longStandingSeconds) found.add('longStanding');
  }
  return [...found];
}

/** How long a drill stays after a set as it begins, as an item holds it. */
export const startStay = ({ stay }: Drill): Pick<PlanItem, 'staySeconds'> =>
  stay && stay.start > 0 ? { staySeconds: stay.start } : {};

/**
 * The weight an item is done with, in kg; null where none is held.
 *
 * @example weightOf(itemFrom(findDrill('press-breath')!, { id: 'one', kg: 3 })) // 3
 */
export function weightOf(item: PlanItem): number | null {
  const { load, props } = drillOf(item);
  if (!load) return null;
  return item.kg ?? (props.includes('weight') && load.kg > 0 ? load.kg : null);
}

/**
 * All drills a plan may choose from. A drill of the coach's own takes the place of a built-in one of the same id.
 *
 * @example allDrills({}).some(({ id }) => id === 'quiet-nose') // true
 */
export function allDrills({ ownDrills = [] }: { ownDrills?: readonly Drill[] | undefined }): Drill[] {
  const taken = new Set(ownDrills.map(({ id }) => id));
  return [...drills.filter(({ id }) => !taken.has(id)), ...ownDrills];
}

/** The cadences a drill starts with: one, or the rungs of its ladder. */
export const startCadences = (drill: Drill): Cadence[] =>
  drill.breath.kind === 'ladder' ? [...drill.breath.rungs] : [startCadence(drill)];

/**
 * A drill as an item of its own, as it is begun: its first position, its props, its starting dose, one set.
 *
 * @param rest what is otherwise
 * @example itemFrom(findDrill('two-hand-belly')!, { id: 'one', breaths: 4 }).breaths // 4
 */
export const itemFrom = (drill: Drill, rest: Partial<PlanItem> & Pick<PlanItem, 'id'>): PlanItem => ({
  drillId: drill.id,
  position: drill.positions[0]!,
  props: drill.props,
  side: drill.sides === 'none' ? 'none' : 'left',
  cadences: startCadences(drill),
  breaths: drill.breaths.start,
  sets: 1,
  restSeconds: 0,
  setUpSeconds: drill.setUpSeconds,
  changes: [],
  reasons: [],
  byHand: false,
  ...rest,
});

/** The cues of an item in the order they are offered: those chosen for this client first, then what else the drill has. */
export function cueWords(item: PlanItem): string[] {
  const chosen = item.cues ?? [];
  return [
    ...chosen,
    ...drillOf(item)
      .cues.map(({ words }) => words)
      .filter((words) => !chosen.includes(words)),
  ];
}
