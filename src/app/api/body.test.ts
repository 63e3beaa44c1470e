import { readBody } from './body';

/** A request that is sent piece by piece, and how much of it was taken. */
function sending(pieces: number, pieceBytes: number) {
  let sent = 0;
  const body = new ReadableStream<Uint8Array>(
    {
      pull(controller) {
        if (sent === pieces) return controller.close();
        sent += 1;
        controller.enqueue(new Uint8Array(pieceBytes).fill(0x61));
      },
    },
    { highWaterMark: 0 },
  );
  const request = new Request('http://127.0.0.1/', { method: 'POST', body, duplex: 'half' } as RequestInit);
  return { request, taken: () => sent * pieceBytes };
}

test('a body as long as it may be is read', async () => {
  expect(await readBody(sending(10, 10).request, 100)).toBe('a'.repeat(100));
});

test('one that is too long is heard out, so that its sender can hear why it was not taken', async () => {
  const { request, taken } = sending(15, 10);
  expect(await readBody(request, 100)).toBeNull();
  expect(taken()).toBe(150);
});

test('one that does not end is cut off', async () => {
  const { request, taken } = sending(1_000, 10);
  expect(await readBody(request, 100)).toBeNull();
  expect(taken()).toBeLessThan(400);
});

test('what says itself how much too long it is is not even begun', async () => {
  const { request, taken } = sending(1_000, 10);
  request.headers.set('content-length', '10000');
  expect(await readBody(request, 100)).toBeNull();
  expect(taken()).toBe(0);
});
