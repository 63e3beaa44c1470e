/** @jest-environment jsdom */
import { follow } from './follow';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** How often something was looked at in a second. */
function inASecond(look: jest.Mock): number {
  look.mockClear();
  jest.advanceTimersByTime(1000);
  return look.mock.calls.length;
}

test('words are looked after at once, and then some twenty times a second, whoever else follows', () => {
  const words = jest.fn();
  const others = [1, 2, 3].map(() => follow(() => undefined));
  const end = follow(words);
  expect(words).toHaveBeenCalledTimes(1);
  const looks = inASecond(words);
  expect(looks).toBeGreaterThanOrEqual(15);
  expect(looks).toBeLessThanOrEqual(25);
  for (const stop of [end, ...others]) stop();
});

test('what glides is moved with every frame; at rest it is only looked after, and words are never faster for it', () => {
  let moves = true;
  const level = jest.fn(() => moves);
  const words = jest.fn();
  const ends = [follow(level, { glides: true }), follow(words)];
  expect(inASecond(level)).toBeGreaterThanOrEqual(58);
  expect(inASecond(words)).toBeLessThanOrEqual(25);
  moves = false;
  inASecond(level);
  expect(inASecond(level)).toBeLessThanOrEqual(25);
  // It sets off: within a look it is moved with every frame again.
  moves = true;
  expect(inASecond(level)).toBeGreaterThanOrEqual(54);
  for (const end of ends) end();
});

test('what another one ends is not looked after once more', () => {
  const second = jest.fn();
  let end = () => {};
  const first = follow(() => end());
  end = follow(second);
  second.mockClear();
  jest.advanceTimersByTime(200);
  expect(second).not.toHaveBeenCalled();
  first();
});

test('no frame is asked for once nothing follows any more', () => {
  const ends = [follow(() => true, { glides: true }), follow(() => undefined)];
  jest.advanceTimersByTime(100);
  for (const end of ends) end();
  expect(jest.getTimerCount()).toBe(0);
});

test('what goes wrong in one is told, and the others are looked after all the same', () => {
  const words = jest.fn();
  let broken = false;
  const ends = [
    follow(() => {
      if (broken) throw new Error('no clock');
    }),
    follow(words),
  ];
  broken = true;
  words.mockClear();
  expect(() => jest.advanceTimersByTime(60)).toThrow('no clock');
  broken = false;
  expect(inASecond(words)).toBeGreaterThanOrEqual(15);
  for (const end of ends) end();
});

test('a clock that was set back stops nothing', () => {
  const words = jest.fn();
  const end = follow(words);
  jest.advanceTimersByTime(100);
  const now = jest.spyOn(performance, 'now').mockImplementation(() => Date.now() - 1e12);
  expect(inASecond(words)).toBeGreaterThanOrEqual(15);
  now.mockRestore();
  end();
});
