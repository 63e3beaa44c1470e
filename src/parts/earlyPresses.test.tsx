/** @jest-environment jsdom */
import { Suspense, act, use, useLayoutEffect, useState, useSyncExternalStore } from 'react';
import { type Root, hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { holdEarlyPresses } from './earlyPresses';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

const pressed: string[] = [];
const never = () => () => {};
function Form() {
  // As much of the app: drawn once as the server had it, and once more at once as it is here.
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const [ticked, setTicked] = useState(false);
  const [count, setCount] = useState(0);
  const [name, setName] = useState('Ada');
  const [side, setSide] = useState('left');
  return (
    <form
      data-here={here}
      onSubmit={(event) => {
        event.preventDefault();
        pressed.push('sent');
      }}
    >
      <button type="button" onClick={() => setCount(count + 1)}>
        {`pressed ${count}`}
      </button>
      <button type="button" onClick={() => pressed.push('other')}>
        <span>Other</span>
      </button>
      <label>
        Hands on
        <input type="checkbox" checked={ticked} onChange={(event) => setTicked(event.target.checked)} />
      </label>
      <input
        aria-label="name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        onBlur={() => pressed.push(`left with ${name}`)}
      />
      <input type="file" onChange={(event) => pressed.push(`${event.target.files?.length} chosen`)} />
      <select aria-label="side" value={side} onChange={(event) => setSide(event.target.value)}>
        <option>left</option>
        <option>right</option>
      </select>
      <output>{`${name}, ${side}`}</output>
      <button>Send</button>
    </form>
  );
}

const drawn = () => {
  const box = document.createElement('div');
  box.innerHTML = renderToString(<Form />);
  document.body.replaceChildren(box);
  return box;
};
const listen = (box: Element) => act(async () => void hydrateRoot(box, <Form />));
const wait = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

beforeAll(() => {
  jest.useFakeTimers();
  // As the page has it: as text that knows nothing else.
  new Function(`(${String(holdEarlyPresses)})()`)();
});
beforeEach(() => pressed.splice(0));
afterAll(() => jest.useRealTimers());

test('what is pressed before the page listens is done once it does, in its order', async () => {
  const box = drawn();
  const [count, , send] = box.querySelectorAll('button');
  box.querySelector('span')!.click();
  count!.click();
  box.querySelector('input')!.click();
  send!.click();
  expect(box.querySelector('input')!.checked).toBe(false);
  await wait(1000);
  expect(pressed).toEqual([]);
  await listen(box);
  await wait(300);
  expect(pressed).toEqual(['other', 'sent']);
  expect(count!.textContent).toBe('pressed 1');
  expect(box.querySelector('input')!.checked).toBe(true);
  // From then on a press is a press.
  await act(async () => count!.click());
  expect(count!.textContent).toBe('pressed 2');
});

test('what is typed and chosen before the page listens stands once it does, and is what the page goes by', async () => {
  const box = drawn();
  const [name, side] = [box.querySelector<HTMLInputElement>('[aria-label=name]')!, box.querySelector('select')!];
  for (const value of ['Ada Q', 'Ada Quay']) {
    name.value = value;
    name.dispatchEvent(new Event('input', { bubbles: true }));
  }
  side.value = 'right';
  for (const kind of ['input', 'change']) side.dispatchEvent(new Event(kind, { bubbles: true }));
  for (const kind of ['input', 'change']) {
    box.querySelector('[type=file]')!.dispatchEvent(new Event(kind, { bubbles: true }));
  }
  await listen(box);
  await wait(300);
  expect(box.querySelector('output')!.textContent).toBe('Ada Quay, right');
  expect([name.value, side.value]).toEqual(['Ada Quay', 'right']);
  expect(pressed).toEqual(expect.arrayContaining(['left with Ada Quay', '0 chosen']));
});

test('what is done while a part of the page beside it has not come is done once it has', async () => {
  const Late = ({ until }: { until?: Promise<void> }) => {
    if (until) use(until);
    return <i />;
  };
  const page = (until?: Promise<void>) => (
    <Suspense>
      <Form />
      <Late until={until} />
    </Suspense>
  );
  const box = document.createElement('div');
  box.innerHTML = renderToString(page());
  document.body.replaceChildren(box);
  let come = () => {};
  const until = new Promise<void>((resolve) => (come = resolve));
  await act(async () => void hydrateRoot(box, page(until)));
  const [count, name] = [box.querySelector('button')!, box.querySelector<HTMLInputElement>('[aria-label=name]')!];
  // It has been begun with, and is let go of again.
  expect(Object.keys(count).some((key) => key.startsWith('__react'))).toBe(true);
  await act(async () => {
    count.click();
    name.value = 'Ada Quay';
    name.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await wait(300);
  expect(count.textContent).toBe('pressed 0');
  await act(async () => come());
  await wait(300);
  expect([count.textContent, box.querySelector('output')!.textContent]).toEqual(['pressed 1', 'Ada Quay, left']);
});

test('what is chosen in the very moment the page begins to listen stands', async () => {
  const box = drawn();
  const side = box.querySelector('select')!;
  await act(async () => {
    hydrateRoot(box, <Form />);
    side.value = 'right';
    for (const kind of ['input', 'change']) side.dispatchEvent(new Event(kind, { bubbles: true }));
  });
  await wait(300);
  expect([side.value, box.querySelector('output')!.textContent]).toEqual(['right', 'Ada, right']);
});

// Found with a field filled in the tenth of a second after its page had come: the new words stood in front of the old ones.
test('what stands in a field already is not written into it once more as it is taken over: the caret would go', async () => {
  const Area = () => {
    const [text, setText] = useState('Standing words');
    return <textarea value={text} onChange={(event) => setText(event.target.value)} />;
  };
  const box = document.createElement('div');
  box.innerHTML = renderToString(<Area />);
  document.body.replaceChildren(box);
  const area = box.querySelector('textarea')!;
  const written = jest.fn();
  // A browser puts the caret in front as its text is written.
  new MutationObserver(written).observe(area, { childList: true, characterData: true, subtree: true });
  await act(async () => void hydrateRoot(box, <Area />));
  expect(written).not.toHaveBeenCalled();
  area.defaultValue = 'Other words';
  await wait(0);
  expect(written).toHaveBeenCalled();
  expect(area.defaultValue).toBe('Other words');
});

test('a field left in the moment the page listens keeps what was typed before it did', async () => {
  const box = drawn();
  const name = box.querySelector<HTMLInputElement>('[aria-label=name]')!;
  name.value = 'Ada Quay';
  name.dispatchEvent(new Event('input', { bubbles: true }));
  await listen(box);
  await act(async () => void name.dispatchEvent(new Event('change', { bubbles: true })));
  await wait(300);
  expect([name.value, box.querySelector('output')!.textContent]).toEqual(['Ada Quay', 'Ada Quay, left']);
});

test('whoever types on while it is entered again keeps what they have typed', async () => {
  const box = drawn();
  const name = box.querySelector<HTMLInputElement>('[aria-label=name]')!;
  const type = (value: string) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(name, value);
    name.dispatchEvent(new Event('input', { bubbles: true }));
  };
  type('Ad');
  await listen(box);
  await wait(40);
  await act(async () => type('Ada Q'));
  await wait(500);
  expect([name.value, box.querySelector('output')!.textContent]).toEqual(['Ada Q', 'Ada Q, left']);
});

test('a double tap is one press; two presses are two', async () => {
  const box = drawn();
  const count = box.querySelector('button')!;
  count.click();
  await wait(100);
  count.click();
  await wait(800);
  count.click();
  await listen(box);
  await wait(300);
  expect(count.textContent).toBe('pressed 2');
});

// Found at the keyboard: a station’s number pressed as its page came was lost.
describe('a key that belongs to no field', () => {
  const keys: string[] = [];
  const hear = (event: KeyboardEvent) => void keys.push(`${event.ctrlKey ? 'ctrl+' : ''}${event.key}`);
  const Page = () => {
    useLayoutEffect(() => {
      window.addEventListener('keydown', hear);
      return () => window.removeEventListener('keydown', hear);
    }, []);
    return (
      <main id="main">
        <Form />
      </main>
    );
  };
  const shown = () => {
    keys.splice(0);
    const box = document.createElement('div');
    box.innerHTML = renderToString(<Page />);
    document.body.replaceChildren(box);
    return box;
  };
  const press = (on: Element, init: KeyboardEventInit) =>
    !on.dispatchEvent(new KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...init }));
  const come = async (box: Element) => {
    await act(async () => void (root = hydrateRoot(box, <Page />)));
    await wait(300);
  };
  let root: Root | null = null;
  afterEach(() => act(() => root?.unmount()));

  test('is heard once the page listens, in its order, and once', async () => {
    const box = shown();
    expect(press(document.body, { key: '4' })).toBe(true);
    press(document.body, { key: '?' });
    await come(box);
    expect(keys).toEqual(['4', '?']);
    press(document.body, { key: 'n' });
    expect(keys).toEqual(['4', '?', 'n']);
  });

  test('is the browser’s where it scrolls, presses or is its own, a field’s where it is typed, and nothing where its moment counts', async () => {
    const box = shown();
    const field = box.querySelector('[aria-label=name]')!;
    for (const key of ['Tab', 'Enter', ' ', 'ArrowDown', 'F5', 'Escape'])
      expect(press(document.body, { key })).toBe(false);
    expect(press(document.body, { key: 'r', ctrlKey: true })).toBe(false);
    expect(press(document.body, { key: '4', altKey: true })).toBe(false);
    expect(press(field, { key: '4' })).toBe(false);
    await come(box);
    expect(keys).toEqual([]);
  });

  test('calls for the find box, and what is typed for it meanwhile comes after it', async () => {
    const box = shown();
    expect(press(document.body, { key: 'k', ctrlKey: true })).toBe(true);
    for (const key of ['n', ' ', 'x', 'Backspace']) expect(press(document.body, { key })).toBe(true);
    // Where a field has the focus it is not typed into that.
    expect(press(box.querySelector('[aria-label=name]')!, { key: '4' })).toBe(true);
    for (const key of ['Enter', 'Escape', 'Tab']) expect(press(document.body, { key })).toBe(false);
    await come(box);
    expect(keys).toEqual(['ctrl+k', 'n', ' ', 'x', 'Backspace', '4']);
  });

  test('calls for a box that has its field at once: what is typed for it is in that, in its order', async () => {
    const box = shown();
    press(document.body, { key: 'k', ctrlKey: true });
    for (const key of ['n', 'x', 'Backspace', 'o']) press(document.body, { key });
    act(() => void (root = hydrateRoot(box, <Page />)));
    const field = box.querySelector<HTMLInputElement>('[aria-label=name]')!;
    window.addEventListener('keydown', () => field.focus(), { once: true });
    await wait(70);
    // Typed while those before it wait: after them.
    expect(press(field, { key: 'r' })).toBe(true);
    await wait(300);
    expect([keys, field.value]).toEqual([['ctrl+k'], 'Adanor']);
    expect(box.querySelector('output')!.textContent).toBe('Adanor, left');
    expect(press(field, { key: 'a' })).toBe(false);
  });
});

test('what has gone is not pressed, nor what was pressed long ago', async () => {
  const old = drawn();
  old.querySelector('button')!.click();
  const box = drawn();
  box.querySelector('button')!.click();
  await wait(16_000);
  await listen(box);
  await wait(300);
  expect(box.querySelector('button')!.textContent).toBe('pressed 0');
});
