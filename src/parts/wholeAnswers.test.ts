import { takeAnswersWhole } from './wholeAnswers';

const before = globalThis.fetch;
let answers: Response[];
beforeEach(() => {
  answers = [];
  globalThis.window = globalThis as never;
  globalThis.fetch = () => Promise.resolve(answers.shift()!);
  takeAnswersWhole();
});
afterEach(() => {
  globalThis.fetch = before;
  delete (globalThis as { window?: unknown }).window;
});

/** An answer in two pieces, the second of which comes or does not. */
const inPieces = (type: string, second: 'comes' | 'breaks off') => {
  let piece = 0;
  const body = new ReadableStream<Uint8Array>({
    pull(into) {
      piece += 1;
      if (piece === 1) into.enqueue(new TextEncoder().encode('one '));
      else if (second === 'comes') {
        into.enqueue(new TextEncoder().encode('two'));
        into.close();
      } else into.error(new TypeError('network error'));
    },
  });
  const answer = new Response(body, { status: 202, headers: { 'content-type': type, 'x-more': 'kept' } });
  return Object.defineProperties(answer, { url: { value: 'http://here/there' }, redirected: { value: true } });
};

test('what a page is drawn with is handed on whole, with where it came from', async () => {
  answers.push(inPieces('text/x-component; charset=utf-8', 'comes'));
  const answer = await fetch('/');
  const { status, url, redirected, headers } = answer;
  expect([status, headers.get('x-more'), url, redirected, await answer.text()]).toEqual([
    202,
    'kept',
    'http://here/there',
    true,
    'one two',
  ]);
});

test('broken off, it did not come', async () => {
  answers.push(inPieces('text/x-component', 'breaks off'));
  await expect(fetch('/')).rejects.toThrow('network error');
});

describe('asked for while the session is locked', () => {
  const locked = () => new Response('{}', { status: 423 });
  const told: string[] = [];
  let covers = true;
  const heard = new EventTarget();
  beforeEach(() => {
    told.length = 0;
    covers = true;
    Object.assign(globalThis, {
      addEventListener: heard.addEventListener.bind(heard),
      dispatchEvent: (event: Event) => {
        told.push(event.type);
        if (covers && event.type === 'kokyu:shut') event.preventDefault();
        return heard.dispatchEvent(event);
      },
    });
  });
  const page = { headers: { rsc: '1' } };

  test('a page waits until it is opened, and is asked for again', async () => {
    answers.push(locked(), locked(), inPieces('text/x-component', 'comes'));
    let come = '';
    void fetch('/', page).then(async (answer) => (come = await answer.text()));
    for (let i = 0; i < 2; i += 1) {
      await new Promise((resolve) => setTimeout(resolve, 5));
      expect([come, answers.length]).toEqual(['', 2 - i]);
      window.dispatchEvent(new Event('kokyu:open'));
    }
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect([come, told]).toEqual(['one two', ['kokyu:shut', 'kokyu:open', 'kokyu:shut', 'kokyu:open']]);
  });

  test('where nothing covers the page, and for anything else, the answer is handed on', async () => {
    covers = false;
    const given = [locked(), locked(), locked()] as const;
    answers.push(...given);
    expect(await fetch('/', page)).toBe(given[0]);
    covers = true;
    expect(await fetch('/api/clients')).toBe(given[1]);
    expect(await fetch('/', { ...page, method: 'HEAD' })).toBe(given[2]);
  });
});

test('any other answer is handed on as it comes: lines that tell how far something is are read one by one', async () => {
  for (const given of [inPieces('application/x-ndjson', 'breaks off'), new Response(null, { status: 204 })]) {
    answers.push(given);
    expect(await fetch('/')).toBe(given);
  }
});
