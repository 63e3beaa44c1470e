import { type Lift } from './liftSchema';
import { findMovement } from './movements';
import { strategies } from './strategy';
import { type WeightUnit, weightInWords } from './weight';

/**
 * A set in one line.
 *
 * @example liftInWords(done, 'kg') // 'Squat, 40 kg × 8, effort 6 of 10: fill, stiffen, let go late; breath lost.'
 */
export function liftInWords(
  { movementId, name, hand, kg, repetitions, effort, strategy, breath, leaked }: Lift,
  weights: WeightUnit,
): string {
  const side = hand === 'left' || hand === 'right' ? `, ${hand}` : '';
  const load = kg === 0 ? `${repetitions} times` : `${weightInWords(kg, weights)} × ${repetitions}`;
  const hard = effort === null ? '' : `, effort ${effort} of 10`;
  return `${findMovement(movementId)?.name ?? name ?? movementId}${side}, ${load}${hard}: ${strategies[strategy].name}; breath ${breath}${leaked ? '; leaked' : ''}.`;
}

/** What sets of one movement show: with how much the breath still went along, and from how much on it did not. */
interface LiftsOver {
  movementId: string;
  name: string;
  /** Oldest first. */
  sets: { day: string; lift: Lift }[];
  /** Heaviest with which the breath went along and nothing leaked; null where none. */
  wentUpTo: number | null;
  /** Lightest at which it was lost or held, or something leaked. */
  failedFrom: number | null;
}

/**
 * Load against breath, a movement at a time, those done last first.
 *
 * @param sets oldest first
 * @example liftsOver([]) // []
 */
export function liftsOver(sets: readonly { day: string; lift: Lift }[]): LiftsOver[] {
  const byMovement = new Map<string, { day: string; lift: Lift }[]>();
  for (const one of sets) {
    const { movementId } = one.lift;
    byMovement.set(movementId, [...(byMovement.get(movementId) ?? []), one]);
  }
  const went = ({ lift }: { lift: Lift }) => lift.breath === 'went along' && !lift.leaked;
  const kgOf = (some: readonly { lift: Lift }[]) => some.map(({ lift }) => lift.kg);
  return [...byMovement]
    .map(([movementId, own]): LiftsOver => {
      const [fine, failed] = [kgOf(own.filter(went)), kgOf(own.filter((one) => !went(one)))];
      return {
        movementId,
        name: findMovement(movementId)?.name ?? own.findLast(({ lift }) => lift.name)?.lift.name ?? movementId,
        sets: own,
        wentUpTo: fine.length === 0 ? null : Math.max(...fine),
        failedFrom: failed.length === 0 ? null : Math.min(...failed),
      };
    })
    .sort((a, b) => (a.sets.at(-1)!.day < b.sets.at(-1)!.day ? 1 : -1));
}
