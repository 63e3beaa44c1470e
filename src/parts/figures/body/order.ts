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
      // Most don't come near each other: that is asked first, and without a root.
      const reach = one.radius + other.radius;
      const [dx, dy] = [one.x - other.x, one.y - other.y];
      if (dx > reach || dx < -reach || dy > reach || dy < -reach) continue;
      const square = dx * dx + dy * dy;
      if (square < reach * reach) sum += (reach - Math.sqrt(square)) * (one.near - other.near);
    }
  return sum;
}

/** The box a part lies in on the paper. */
const boxOf = (samples: readonly Sample[]) => ({
  left: Math.min(...samples.map(({ x, radius }) => x - radius)),
  right: Math.max(...samples.map(({ x, radius }) => x + radius)),
  top: Math.min(...samples.map(({ y, radius }) => y - radius)),
  bottom: Math.max(...samples.map(({ y, radius }) => y + radius)),
});

/** Places of parts from the furthest to the nearest; where they go round in a circle, the weakest order gives way. */
export function inOrder(parts: readonly (readonly Sample[])[]): number[] {
  const boxes = parts.map(boxOf);
  const meet = (i: number, j: number) => {
    const [a, b] = [boxes[i]!, boxes[j]!];
    return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
  };
  const weight = parts.map((a, i) => parts.map((b, j) => (j > i && meet(i, j) ? before(a, b) : 0)));
  for (let i = 0; i < parts.length; i += 1) for (let j = 0; j < i; j += 1) weight[i]![j] = -weight[j]![i]!;
  const left = new Set(parts.map((_, at) => at));
  const order: number[] = [];
  while (left.size > 0) {
    // One comes in every turn, whatever the measures are: a figure drawn wrong is seen, one that never ends takes the page with it.
    let [best] = left as Iterable<number> as [number];
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
