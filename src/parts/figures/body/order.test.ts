import { inOrder } from './order';

const ball = (x: number, near: number) => [{ x, y: 0, near, radius: 10 }];

test('parts come from the furthest to the nearest', () => {
  expect(inOrder([ball(0, 0.3), ball(5, 0.1), ball(10, 0.2)])).toEqual([1, 2, 0]);
});

test('what can’t be measured is drawn somewhere, once, and the drawing ends', () => {
  const order = inOrder([ball(0, NaN), ball(5, 0.1), ball(NaN, 0.2), ball(Infinity, 0.4)]);
  expect([...order].sort()).toEqual([0, 1, 2, 3]);
});
