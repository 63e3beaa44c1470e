/** What a real browser has and the test's one lacks: channels, locks, a server. For tests only. */

import { act } from '@testing-library/react';

const said = new Map<string, unknown[]>();

/**
 * Lets time go by, a second at a time, so that the page draws itself anew in between as it would. Needs jest's fake timers.
 *
 * @param seconds any length; tests of a run of minutes stay quick
 */
export async function pass(seconds: number) {
  for (let left = Math.round(seconds * 1000); left > 0; left -= 1000) {
    await act(async () => void jest.advanceTimersByTime(Math.min(1000, left)));
  }
}

/** What was said on a channel so far, oldest first. */
export const heard = <T>(channel: string): T[] => (said.get(channel) ?? []) as T[];

const listeners = new Map<string, Set<FakeChannel>>();

/** A channel that hands its messages to the others of its name at once. */
class FakeChannel {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  constructor(readonly name: string) {
    listeners.set(name, (listeners.get(name) ?? new Set()).add(this));
  }
  postMessage(data: unknown) {
    said.set(this.name, [...(said.get(this.name) ?? []), data]);
    for (const other of listeners.get(this.name) ?? []) if (other !== this) other.onmessage?.({ data });
  }
  close() {
    listeners.get(this.name)?.delete(this);
  }
}

class Unobserving {
  observe() {}
  unobserve() {}
  disconnect() {}
}

/** Says something on a channel, as another window would. */
export function sayOn(channel: string, data: unknown) {
  const from = new FakeChannel(channel);
  from.postMessage(data);
  from.close();
}

/**
 * Puts the missing things into the page of the test.
 *
 * @param lockTaken another window holds every lock until it is stolen
 * @param served what every request is answered with; without it there is no server
 */
export function browserFakes({ lockTaken = false, served = null as unknown } = {}) {
  said.clear();
  Object.assign(globalThis, {
    BroadcastChannel: FakeChannel,
    ResizeObserver: Unobserving,
    structuredClone: (value: unknown): unknown => JSON.parse(JSON.stringify(value)),
    fetch: () =>
      served === null
        ? Promise.reject(new TypeError('no server'))
        : Promise.resolve({ ok: true, json: () => Promise.resolve(served) }),
  });
  window.matchMedia = (query) => Object.assign(new EventTarget(), { matches: false, media: query }) as MediaQueryList;
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: {
      request: (_: string, { steal = false }: { steal?: boolean }, work: (lock: object | null) => unknown) =>
        Promise.resolve(work(lockTaken && !steal ? null : {})),
    },
  });
}
