import { type PlanningProblem } from './problem';

/** Drills that come in with a must, so many at most are counted: each doubles the work. */
const mostCounted = 8;
const never = Number.POSITIVE_INFINITY;

/**
 * The fewest seconds in which the drills that must be in, with what they need before them, can be done at all: a bound from
 * below that keeps order, ends and changes of position and leaves the other rules aside.
 *
 * @returns seconds; infinite when not even that can be done
 * @example leastSeconds({ ...problem, musts: [] }) <= problem.mostSeconds // true; where anything fits
 */
export function leastSeconds({ items, musts, change, settleFirst, carryLast }: PlanningProblem): number {
  const bits = new Map<string, number>();
  const count = (drill: string) => {
    if (bits.has(drill) || bits.size >= mostCounted) return;
    bits.set(drill, bits.size);
    for (const need of items.find((item) => item.drill === drill)?.needs ?? []) count(need);
  };
  musts.forEach(count);
  const all = 2 ** bits.size - 1;
  const placeOf = new Map([...new Set(items.map(({ position }) => position))].map((name, i) => [name, i]));
  const places = placeOf.size;
  // least[done × places + place]: fewest seconds of a path so far that has done those and ends there.
  const least = new Float64Array((all + 1) * places).fill(never);
  const changes = new Map(
    [...placeOf.keys()].map((to) => [to, Float64Array.from(placeOf.keys(), (one) => change[one]![to]!.seconds)]),
  );
  let shortest = never;
  for (const { drill, position, stage, seconds, needs } of items) {
    const own = bits.has(drill) ? 1 << bits.get(drill)! : 0;
    const wanted = needs.reduce((sum, need) => sum | (bits.has(need) ? 1 << bits.get(need)! : 0), 0);
    const place = placeOf.get(position)!;
    const into = changes.get(position)!;
    const ends = carryLast && stage === 3;
    for (let done = all; done >= 0; done -= 1) {
      // What has no bit may stand anywhere; a counted one comes once, after what it needs.
      if (own !== 0 && ((done & own) !== 0 || (done & wanted) !== wanted)) continue;
      let before = done === 0 && (!settleFirst || stage === 0) ? 0 : never;
      for (let p = 0; p < places; p += 1) {
        const through = least[done * places + p]! + into[p]!;
        if (through < before) before = through;
      }
      const here = before + seconds;
      const then = done | own;
      if (then === all && (ends || !carryLast) && here < shortest) shortest = here;
      const at = then * places + place;
      if (!ends && here < least[at]!) least[at] = here;
    }
  }
  return shortest;
}
