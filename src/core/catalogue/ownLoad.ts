import { type DrillLoad, movementOf } from '../load';
import { type Drill, drillSchema } from './schema';
import { loadDrill, loadedDrill } from './underLoad';

/**
 * A drill of one's own from a movement and how it is loaded: steps, breath, dose, cues and what it contains all follow from the rule. It goes
 * into plans, runs and what is done at home like any other.
 *
 * @param id of the drill
 * @throws {RangeError} for what makes no drill, in one sentence
 * @example drillUnderLoad('own-squat', { movementId: 'squat', own: null, toward: null, kg: 8, strategy: 'with', through: false }).steps[0]?.phase // 'inhale'
 */
export function drillUnderLoad(id: string, load: DrillLoad): Drill {
  const checked = drillSchema.safeParse(loadedDrill(id, load));
  if (!checked.success) throw new RangeError(checked.error.issues[0]?.message ?? 'This makes no drill.');
  return checked.data;
}

/** A short name for whatever differs: the same load has the same drill at every visit, and what became of it adds up. */
function shortName(text: string): string {
  let sum = 5381;
  for (let at = 0; at < text.length; at += 1) sum = (sum * 33 + text.charCodeAt(at)) % 0xffffffff;
  return sum.toString(36);
}

/**
 * The drill of a load: the catalogue's own where the movement is loaded as the library has it, else one that stands in the plan whole.
 * Another weight is the same drill.
 *
 * @throws {RangeError} for what makes no drill
 * @example drillOfLoad({ movementId: 'squat', own: null, toward: null, kg: 40, strategy: 'keep', through: false }).id // 'load-squat-keep'
 */
export function drillOfLoad(load: DrillLoad): Drill {
  const { movementId, own, toward, leftShare, strategy, through, kg } = load;
  const asTold = !own && !toward && leftShare === undefined && kg > 0 === movementOf(load).startKg > 0;
  if (asTold) return loadDrill(`load-${movementId}-${strategy}${through ? '-out' : ''}`)!;
  const name = shortName(JSON.stringify([own, toward, leftShare, through, kg > 0]));
  return drillUnderLoad(`own-${movementId}-${strategy}-${name}`, load);
}
