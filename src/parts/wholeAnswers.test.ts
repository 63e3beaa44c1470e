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

test('any other answer is handed on as it comes: lines that tell how far something is are read one by one', async () => {
  for (const given of [inPieces('application/x-ndjson', 'breaks off'), new Response(null, { status: 204 })]) {
    answers.push(given);
    expect(await fetch('/')).toBe(given);
  }
});
