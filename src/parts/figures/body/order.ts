/** A ball on the paper: where, how near to the viewer in metres, how large in centimetres. */
export interface Sample {
  x: number;
  y: number;
  near: number;
  radius: number;
}

/** How much one part lies before another: overlap times difference of depth over all places where they cover each other. */
function before(a: readonly Sample[], b: readonly Sample[]): number {
  let sum = 0;
  for (const one of a)
    for (const other of b) {
      const overlap = one.radius + other.radius - Math.hypot(one.x - other.x, one.y - other.y);
      if (overlap > 0) sum += overlap * (one.near - other.near);
    }
  return sum;
}

/** Places of parts from the furthest to the nearest; where they go round in a circle, the weakest order gives way. */
export function inOrder(parts: readonly (readonly Sample[])[]): number[] {
  const weight = parts.map((a, i) => parts.map((b, j) => (j > i ? before(a, b) : 0)));
  for (let i = 0; i < parts.length; i += 1) for (let j = 0; j < i; j += 1) weight[i]![j] = -weight[j]![i]!;
  const left = new Set(parts.map((_, at) => at));
  const order: number[] = [];
  while (left.size > 0) {
    let best = -1;
    let least = Infinity;
    for (const one of left) {
      // What it would wrongly be painted under, if it came now.
      let wrong = 0;
      for (const other of left) wrong += Math.max(0, weight[one]![other]!);
      if (wrong < least) {
        least = wrong;
        best = one;
      }
    }
    order.push(best);
    left.delete(best);
  }
  return order;
}
