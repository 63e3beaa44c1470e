import { type Cadence } from '../cadence';
import { type Drill, type PositionId, type PropId, type Range, remade } from '../catalogue';
import { asPart } from '../reasons';
import { type FormId, type Gate, type Gates, checkComponents, forms, waysOut } from '../safety';
import { type PlanItem } from './planSchema';
import { itemComponents, plainDrill, startCadences, startStay } from './plan';

/** How a drill stands with somebody's limits: in these forms, for these reasons, or not at all. */
export type Fit = { forms: FormId[]; because: Gate[] } | { refused: Gate };

/** What of an item decides how it stands. */
export type Standing = Pick<PlanItem, 'drillId' | 'position' | 'props' | 'cadences' | 'forms'> &
  Partial<Pick<PlanItem, 'own' | 'side' | 'breaths' | 'sets' | 'staySeconds'>>;

/**
 * What speaks against an item as it is: what is blocked, and what would have to be done in a form that it is not in.
 *
 * @example refusalsOf(item, gates).length // 1; the pause has to go
 */
export function refusalsOf(item: Standing, gates: Gates): Gate[] {
  const { refusals, changes } = checkComponents(gates, itemComponents(item));
  return [...refusals, ...changes.filter(({ form }) => !item.forms?.includes(form!))];
}

/**
 * The forms in which a drill may be done by somebody today in a position with its props: the smallest change that takes out
 * what is blocked, and the form each caution asks for. Where a form would leave nothing of the drill, or what is blocked is
 * in the position or can't be taken out, it is off.
 *
 * @param side which side is worked, where there are two
 * @example fitOf(findDrill('exhale-restore')!, { position: '90/90', props: [], side: 'none' }, gates) // { forms: ['noPause'], … }; after a birth
 */
export function fitOf(drill: Drill, place: Place, gates: Gates): Fit {
  // Asked again and again of the same limits: by every variant of a plan, and by every drill that could stand in.
  let ofGates = known.get(gates);
  if (!ofGates) known.set(gates, (ofGates = new WeakMap()));
  let ofDrill = ofGates.get(drill);
  if (!ofDrill) ofGates.set(drill, (ofDrill = new Map()));
  const key = `${place.position} ${place.side} ${place.props.join(' ')}`;
  let fit = ofDrill.get(key);
  if (!fit) ofDrill.set(key, (fit = workedOut(drill, place, gates)));
  return fit;
}

interface Place {
  position: PositionId;
  props: readonly PropId[];
  side: PlanItem['side'];
}
const known = new WeakMap<Gates, WeakMap<Drill, Map<string, Fit>>>();

function workedOut(drill: Drill, { position, props, side }: Place, gates: Gates): Fit {
  const taken: FormId[] = [];
  const because: Gate[] = [];
  // Every round takes a form that was not taken yet, so the rounds end.
  for (;;) {
    const now = remade(drill, taken, position);
    if (!now) return { refused: because.at(-1)! };
    const item = { ...startItem(drill, now), position, props: [...props], side, forms: [...taken] };
    const [against] = refusalsOf(item, gates);
    if (!against) return { forms: taken, because };
    const form = against.level === 'change' ? against.form! : waysOut[against.component];
    if (form === undefined || taken.includes(form)) return { refused: against };
    taken.push(form);
    because.push(against);
  }
}

/** An item as it is where it may be done so today, else as it may be done; as it is where it may not be done at all. */
export const inTodaysForm = (item: PlanItem, gates: Gates): PlanItem =>
  refusalsOf(item, gates).length === 0 ? item : (refitted(item, gates) ?? item);

const within = ({ min, max }: Range, value: number) => Math.min(max, Math.max(min, value));

/**
 * An item as it may be done today: in the forms that today asks for, its dose as near to what it was as they allow; in its own
 * position, else in the first of the drill's that is open. Null when nothing of it may be done.
 *
 * @example refitted(item, gates)?.forms // ['noPause']
 */
export function refitted(item: PlanItem, gates: Gates): PlanItem | null {
  const plain = plainDrill(item);
  if (!plain) return null;
  const places = [item.position, ...plain.positions.filter((position) => position !== item.position)];
  const sides = item.side === 'both' ? (['both', 'left', 'right'] as const) : [item.side];
  for (const position of places) {
    for (const side of sides) {
      const fit = fitOf(plain, { position, props: item.props, side }, gates);
      if ('refused' in fit) continue;
      const now = remade(plain, fit.forms, position)!;
      const next: PlanItem = {
        ...item,
        position,
        side,
        forms: fit.forms,
        cadences: cadencesWithin(now, item.cadences),
        breaths: within(now.breaths, item.breaths),
        sets: within(now.sets, item.sets),
        staySeconds: now.stay ? within(now.stay, item.staySeconds ?? now.stay.start) : undefined,
        changes: formsInWords(fit),
        cues: item.cues?.filter((words) => now.cues.some((cue) => cue.words === words)) ?? [],
      };
      // A dose that grew by hand may say more than the drill does: then the one it starts with.
      if (refusalsOf(next, gates).length === 0) return next;
      const least = { ...next, cadences: startCadences(now), breaths: now.breaths.start, sets: now.sets.start };
      if (refusalsOf(least, gates).length === 0) return least;
    }
  }
  return null;
}

function cadencesWithin(drill: Drill, cadences: readonly Cadence[]): Cadence[] {
  const { breath } = drill;
  if (breath.kind === 'ladder' || cadences.length > 1) return startCadences(drill);
  return cadences.map((one) => ({
    inhaleSeconds: within(breath.inhale, one.inhaleSeconds),
    topPauseSeconds: within(breath.topPause, one.topPauseSeconds),
    exhaleSeconds: within(breath.exhale, one.exhaleSeconds),
    bottomPauseSeconds: within(breath.bottomPause, one.bottomPauseSeconds),
  }));
}

const startItem = (drill: Drill, now: Drill) => ({
  drillId: drill.id,
  own: drill,
  cadences: startCadences(now),
  breaths: now.breaths.start,
  sets: now.sets.start,
  ...startStay(now),
});

/** The forms of a fit in words, each with why. @example formsInWords(fit) // ['no pause, straight on (recent birth)'] */
export const formsInWords = ({ because }: { because: readonly Gate[] }): string[] => [
  ...new Set(
    because.map((gate) => {
      const form = gate.level === 'change' ? gate.form! : waysOut[gate.component]!;
      return `${forms[form].says} (${asPart(gate.reason.what)})`;
    }),
  ),
];
