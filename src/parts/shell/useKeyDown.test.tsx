/** @jest-environment jsdom */
import { useState } from 'react';
import { createRoot } from 'react-dom/client';
import { useKeyDown } from './useKeyDown';

const heard: string[] = [];
let turn: (side: string) => void;
function Side() {
  const [side, setSide] = useState('left');
  turn = setSide;
  useKeyDown((event) => heard.push(`${event.key} ${side}`), { up: side === 'both' });
  return <output>{side}</output>;
}
const press = (key: string, kind = 'keydown') => window.dispatchEvent(new KeyboardEvent(kind, { key }));
/** The moment something new is drawn, before anything else happens. */
const drawn = (box: Element) =>
  new Promise<void>((resolve) => {
    const watching = new MutationObserver(() => {
      watching.disconnect();
      resolve();
    });
    watching.observe(box, { childList: true, subtree: true, characterData: true });
  });

test('a key pressed in the very moment something is drawn finds it so; gone, it is not heard', async () => {
  const box = document.body.appendChild(document.createElement('div'));
  const root = createRoot(box);
  let now = drawn(box);
  root.render(<Side />);
  await now;
  press('a');
  expect(heard).toEqual(['a left']);
  now = drawn(box);
  setTimeout(() => turn('right'));
  await now;
  press('b');
  press('b', 'keyup');
  expect(heard).toEqual(['a left', 'b right']);
  now = drawn(box);
  setTimeout(() => turn('both'));
  await now;
  press('c');
  press('c', 'keyup');
  expect(heard.slice(2)).toEqual(['c both', 'c both']);
  now = drawn(box);
  root.unmount();
  await now;
  press('d');
  expect(heard).toHaveLength(4);
});
