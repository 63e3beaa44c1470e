/** @jest-environment jsdom */
import { keepPlace } from './steady';

let laidOut: () => void = () => undefined;
globalThis.ResizeObserver = class {
  constructor(told: ResizeObserverCallback) {
    laidOut = () => told([], this);
  }
  observe() {}
  unobserve() {}
  disconnect() {}
};

let now = 0;
/** Where the pressed thing stands in the page, and how far that is scrolled. */
let [inPage, scrolled, furthest] = [0, 0, 0];
Object.defineProperty(document.documentElement, 'scrollTop', { get: () => scrolled });
window.scrollBy = ((by: ScrollToOptions) => {
  scrolled = Math.min(furthest, Math.max(0, scrolled + by.top!));
}) as typeof window.scrollBy;

document.body.innerHTML = '<header><button>Find</button></header><main><button>More</button><div>Text</div></main>';
const [find, more] = document.querySelectorAll('button');
for (const one of [find!, more!]) one.getBoundingClientRect = () => ({ top: inPage - scrolled }) as DOMRect;

beforeAll(keepPlace);
beforeEach(() => {
  jest.spyOn(performance, 'now').mockImplementation(() => now);
  now += 60_000;
  [inPage, scrolled, furthest] = [400, 100, 2000];
});

const point = (type: string, on: Element, init: MouseEventInit) =>
  on.dispatchEvent(new MouseEvent(type, { bubbles: true, ...init }));
const press = (on: Element = more!) => point('pointerdown', on, { clientX: 50, clientY: 310 });
/** Something comes in above, or goes. */
function movesBy(px: number) {
  inPage += px;
  laidOut();
  // A browser tells of its own scrolling a picture later.
  document.dispatchEvent(new Event('scroll'));
  return inPage - scrolled;
}

test('what was pressed stays where it is, as often as something comes in above it or goes', () => {
  press();
  expect([movesBy(60), movesBy(30), movesBy(-60)]).toEqual([300, 300, 300]);
});

test('that is so at once, before the page is laid out for the eye: the next press may come sooner', async () => {
  press();
  inPage += 44;
  document.querySelector('main div')!.textContent = 'Too long';
  await Promise.resolve();
  expect(inPage - scrolled).toBe(300);
});

test('what moves long after a press, or half a page away, is left where it goes', () => {
  press();
  now += 1900;
  expect(movesBy(20)).toBe(300);
  now += 200;
  expect(movesBy(20)).toBe(320);
  press();
  expect(movesBy(window.innerHeight)).toBe(320 + window.innerHeight);
  // It is let go of then.
  expect(movesBy(20)).toBe(340 + window.innerHeight);
});

test('a page that is scrolled by hand, or to what has the focus, is not scrolled back', async () => {
  press();
  scrolled = 0;
  document.dispatchEvent(new Event('scroll'));
  expect(movesBy(20)).toBe(420);
  // A list in the page.
  press();
  const main = more!.parentElement!;
  main.scrollTop = 30;
  main.dispatchEvent(new Event('scroll'));
  expect(movesBy(20)).toBe(440);
  // Scrolled and changed in one go: the page is told of the change first.
  press();
  scrolled = 80;
  main.append('Seen');
  await Promise.resolve();
  expect(scrolled).toBe(80);
  expect(movesBy(20)).toBe(380);
});

test('where the browser holds it itself it is not held twice', () => {
  press();
  inPage += 50;
  scrolled += 50;
  expect(movesBy(0)).toBe(inPage - scrolled);
  expect(inPage - scrolled).toBe(300);
  expect(movesBy(20)).toBe(300);
});

test('what is dragged goes with the hand, and the page stays', () => {
  press();
  point('pointermove', more!, { clientX: 55, clientY: 312, buttons: 1 });
  expect(movesBy(20)).toBe(300);
  // Moved on with nothing pressed: to the next press.
  point('pointermove', more!, { clientX: 90, clientY: 380 });
  expect(movesBy(20)).toBe(300);
  point('pointermove', more!, { clientX: 50, clientY: 330, buttons: 1 });
  expect(movesBy(20)).toBe(320);
});

test('a press on the page’s head, or on nothing, holds nothing', () => {
  press(find);
  expect(movesBy(20)).toBe(320);
  press(document.querySelector('main div')!);
  expect(movesBy(20)).toBe(340);
});

test('where the page goes no further it moves, and is held there', () => {
  furthest = 110;
  press();
  expect(movesBy(60)).toBe(350);
  furthest = 2000;
  expect(movesBy(60)).toBe(350);
});
