import { loadMovements } from '../load';
import { type FigureSpec, figureOf, loadedOf, sides } from '.';

const specOf = (movement: (typeof loadMovements)[number]): FigureSpec => ({
  position: 'standing',
  loaded: loadedOf(movement, movement.parts[0]!.from, movement.parts[0]!.to, 'in'),
});
const standing = loadMovements.filter(({ ground }) => ground !== 'hands' && ground !== 'seat' && ground !== 'back');

const stepHigh = ({ parts }: (typeof loadMovements)[number]) =>
  Math.max(...parts.flatMap(({ from, to }) => [from.hips, to.hips])) - 0.9;

test.each(standing.map((movement) => [movement.id, movement] as const))(
  '%s: feet on the floor, no limb out of reach, nothing below the ground',
  (_id, movement) => {
    const { body, other } = figureOf(specOf(movement));
    for (const one of [body, other!]) {
      expect(one.missed.filter(({ by }) => by > 0.05)).toEqual([]);
      for (const side of sides) {
        // On the floor, or on the step.
        const high = [
          // Or on the toes, the heel lifted with the hips.
          0.07 + Math.max(0, (one === body ? movement.parts[0]!.to.hips : 0.9) - 0.9),
          0.07,
          0.07 + (movement.ground === 'step' ? stepHigh(movement) : movement.ground === 'split' ? 0.07 : 0),
        ];
        expect(high.some((at) => Math.abs(one.legs[side].ankle[2] - at) < 0.02)).toBe(true);
        expect(one.arms[side].palm[2]).toBeGreaterThan(0);
      }
    }
  },
);

test('a weight overhead is over the head, one that hangs is below the hip, and both are held', () => {
  const of = (id: string) => figureOf(specOf(loadMovements.find((one) => one.id === id)!)).body;
  const over = of('side-bend-overhead');
  expect(over.arms.left.palm[2]).toBeGreaterThan(over.head.at[2] + 0.1);
  expect([over.arms.left.grip, over.arms.right.grip]).toEqual([true, false]);
  const hangs = of('side-bend');
  expect(hangs.arms.left.palm[2]).toBeLessThan(hangs.arms.left.shoulder[2] - 0.5);
  // Bent to the right, the left shoulder is the higher one.
  expect(hangs.arms.left.shoulder[2]).toBeGreaterThan(hangs.arms.right.shoulder[2] + 0.03);
});
