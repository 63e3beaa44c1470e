/** What a real browser has and the test's one lacks: channels, locks, a server. For tests only. */

import { act } from '@testing-library/react';
import { type Outcome } from '@/core/record';
import { placed } from './placed.fixtures';

const said = new Map<string, unknown[]>();

/** What the outbox sent to the server of the test, oldest first. The outbox is the real one, in its way without a database. */
export const sent: { kind: string; payload: never }[] = [];
let outcome: Outcome = { state: 'saved', at: '2026-11-23T10:42:00.000Z' };

/** How the server answers every command from now on. */
export function answerWith(next: Outcome) {
  outcome = next;
}

/** How it answers the next command alone. */
export function answerOnce(next: Outcome) {
  once = next;
}
let once: Outcome | null = null;

function answer(): Outcome {
  const now = once ?? outcome;
  once = null;
  return now.state === 'refused' ? now : { ...now, place: (placed.count += 1) };
}

let gone = false;
let slowMs = 0;
/** Makes every answer of the server late by so much, of the test's own clock. */
export function serverSlow(ms: number) {
  slowMs = ms;
}
/** Takes the server away, or brings it back. */
export function serverGone(is: boolean) {
  gone = is;
}

/** Lets what was set going come to its end: the outbox writes down, sends and is answered in many small steps. */
export async function settled() {
  for (let step = 0; step < 80; step += 1) await Promise.resolve();
}

/** Does something on the page, with what it sets going, the outbox's answer included. */
export const doing = (work: () => unknown) =>
  act(async () => {
    work();
    await settled();
  });

/**
 * Lets time go by, a second at a time, so that the page draws itself anew in between as it would. Needs jest's fake timers.
 *
 * @param seconds any length; tests of a run of minutes stay quick
 */
export async function pass(seconds: number) {
  for (let left = Math.round(seconds * 1000); left > 0; left -= 1000) {
    await doing(() => jest.advanceTimersByTime(Math.min(1000, left)));
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

type LockWork = (lock: object | null) => unknown;

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
 * @param served what every request is answered with, or what one for an address is; without it there is no server
 */
export function browserFakes({ lockTaken = false, served = null as unknown } = {}) {
  said.clear();
  sent.length = 0;
  gone = false;
  slowMs = 0;
  outcome = { state: 'saved', at: '2026-11-23T10:42:00.000Z' };
  Object.assign(globalThis, {
    BroadcastChannel: FakeChannel,
    ResizeObserver: Unobserving,
    structuredClone: (value: unknown): unknown => JSON.parse(JSON.stringify(value)),
    fetch: (url: string, init?: { body: string }) => {
      if (gone) return Promise.reject(new TypeError('no server'));
      if (url === '/api/commands') {
        const { commands } = JSON.parse(init!.body) as { commands: typeof sent };
        sent.push(...commands);
        const answered = () => ({
          ok: true,
          status: 200,
          json: () => Promise.resolve({ outcomes: commands.map(answer) }),
        });
        if (slowMs === 0) return Promise.resolve(answered());
        return new Promise((answers) => setTimeout(() => answers(answered()), slowMs));
      }
      const body: unknown = typeof served === 'function' ? served(url) : served;
      return body === null
        ? Promise.reject(new TypeError('no server'))
        : Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(body) });
    },
  });
  window.matchMedia = (query) => Object.assign(new EventTarget(), { matches: false, media: query }) as MediaQueryList;
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: {
      // Asked for without options, as the outbox does, a lock is always had: there is one page in the test.
      request: (_: string, ...rest: [LockWork] | [{ steal?: boolean }, LockWork]) => {
        const [options, work] = rest.length === 1 ? [{ steal: true }, rest[0]] : rest;
        return Promise.resolve(work(lockTaken && !options.steal ? null : {}));
      },
    },
  });
}
