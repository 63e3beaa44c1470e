/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { CommandBox } from './CommandBox';
import { around } from '../around.fakes';

/** Answers of the server, given when the test says so. */
let answers: { words: string; give: (names: string[]) => Promise<void> }[] = [];
beforeEach(() => {
  answers = [];
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  Element.prototype.scrollIntoView = () => undefined;
  globalThis.fetch = ((url: string) =>
    new Promise((resolve) => {
      const words = new URL(url, 'http://here').searchParams.get('find')!;
      const give = (names: string[]) =>
        act(async () => {
          resolve({ json: async () => ({ clients: names.map((name) => ({ id: name, name })) }) });
          await new Promise((done) => setTimeout(done, 0));
        });
      answers.push({ words, give });
    })) as never;
});
afterEach(cleanup);

const key = (name: string, held: object = {}) =>
  fireEvent.keyDown(document.activeElement ?? document.body, { key: name, ...held });
const input = () => screen.findByPlaceholderText('A name, or where to go');
const enter = async () => fireEvent.keyDown(await input(), { key: 'Enter' });

test('what is typed before the box has come is in it', async () => {
  render(<CommandBox />);
  key('k', { ctrlKey: true });
  for (const letter of ['f', 'e', 'x', 'Backspace', 'n', 'w']) key(letter);
  const field = (await input()) as HTMLInputElement;
  expect(field.value).toBe('fenw');
  // The next letter comes after it, and does not take its place.
  await act(async () => {});
  expect([document.activeElement === field, field.selectionStart, field.selectionEnd]).toEqual([true, 4, 4]);
  await answers.at(-1)!.give(['Tamsin Fenwreath']);
  await enter();
  expect(around.went).toEqual(['/clients/Tamsin Fenwreath']);
});

test('what is typed while the box is open and something else has the focus is in it', async () => {
  render(<CommandBox />);
  key('k', { ctrlKey: true });
  const field = (await input()) as HTMLInputElement;
  field.blur();
  for (const letter of ['f', 'e', 'n', 'w']) fireEvent.keyDown(document.body, { key: letter });
  expect(field.value).toBe('fenw');
  expect(document.activeElement).toBe(field);
});

test('who is found is chosen when they come, though a place was first until then', async () => {
  render(<CommandBox />);
  key('k', { ctrlKey: true });
  fireEvent.change(await input(), { target: { value: 'to' } });
  await answers.at(-1)!.give(['Tobit Wrack']);
  await enter();
  expect(around.went).toEqual(['/clients/Tobit Wrack']);
});

test('nobody is added for a name that is still being looked for', async () => {
  render(<CommandBox />);
  key('k', { ctrlKey: true });
  fireEvent.change(await input(), { target: { value: 'fenw' } });
  await enter();
  expect(around.went).toEqual([]);
  await answers.at(-1)!.give([]);
  await enter();
  expect(around.went).toEqual(['/clients/new?name=fenw']);
});
