import { type Press, actFor, keyGroups } from './keys';

const press = (key: string, held: Partial<Press> = {}): Press => ({
  key,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  shiftKey: false,
  ...held,
});

describe('keys, by what somebody does with their hands', () => {
  const done: string[] = [];
  const doing = (what: string) => (by: string) => void done.push(`${what} ${by}`);
  const score = actFor('score', { undo: doing('undo'), redo: doing('redo') });
  beforeEach(() => (done.length = 0));

  // Common practice of editors: Ctrl or the command key with Z undoes, with Shift or with Y it is done again.
  test.each<[Press, string | null]>([
    [press('u'), 'undo'],
    [press('U', { shiftKey: true }), 'undo'],
    [press('z', { ctrlKey: true }), 'undo'],
    [press('z', { metaKey: true }), 'undo'],
    [press('Z', { ctrlKey: true, shiftKey: true }), 'redo'],
    [press('y', { ctrlKey: true }), 'redo'],
    [press('z'), null],
    [press('u', { ctrlKey: true }), null],
    [press('u', { altKey: true }), null],
  ])('%j does %p', (pressed, wanted) => {
    score(pressed)?.();
    expect(done.map((line) => line.split(' ')[0])).toEqual(wanted === null ? [] : [wanted]);
  });

  test('a browser’s own keys stay its own: nothing of a run answers to a letter with Ctrl', () => {
    const on = Object.fromEntries(Object.keys(keyGroups.run.keys).map((name) => [name, doing(name)]));
    const run = actFor('run', on as never);
    for (const key of 'abcdefghijklmnopqrstuvwxyz0123456789'.split('')) {
      expect(run(press(key, { ctrlKey: true }))).toBeUndefined();
    }
    run(press('3'))?.();
    expect(done).toEqual(['name 3']);
  });

  test('what can’t be done just now leaves the press to the page', () => {
    expect(actFor('lifted', { put: undefined, leave: undefined })(press('Enter'))).toBeUndefined();
  });
});

test('no press means two things in one place', () => {
  for (const { heading, keys } of Object.values(keyGroups)) {
    const presses = Object.values(keys).flatMap((one) => one.presses as readonly string[]);
    expect([heading, new Set(presses).size]).toEqual([heading, presses.length]);
  }
});

test('a digit that is written stands in the presses it means', () => {
  const [first, last] = keyGroups.client.keys.station.written.split(' – ').map(Number);
  const digits = Array.from({ length: last! - first! + 1 }, (_, i) => String(first! + i));
  expect([...keyGroups.client.keys.station.presses]).toEqual(digits);
});
