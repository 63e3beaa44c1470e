/** What a presenter or foot pedal can say with one key. */
export type Gesture = 'short' | 'long' | 'double';

/** Held longer than this is a long press; a second press within this is a double. Milliseconds, common practice. */
export const longPressMs = 600;
export const doublePressMs = 350;

/** A key going down or up, in milliseconds of any one clock. */
export interface KeyMove {
  move: 'down' | 'up';
  atMs: number;
}

/** A press being made out. `wait` says when to ask again if nothing else happens. */
export interface PedalState {
  downAtMs: number | null;
  /** A short press that may yet become a double. */
  shortAtMs: number | null;
  /** Already told: what comes until the key is up is the same press. */
  told: boolean;
}

export const idlePedal: PedalState = { downAtMs: null, shortAtMs: null, told: false };

export interface PedalStep {
  state: PedalState;
  gesture: Gesture | null;
  /** Milliseconds until {@link pedalTime} should be asked, or null. */
  waitMs: number | null;
}

/**
 * Takes in a key going down or up. A double is told at its second press, a long press while the key is still down, so
 * neither waits for anything; only a short press waits, to see that it is not the first half of a double.
 *
 * @example pedalMove(idlePedal, { move: 'down', atMs: 0 }).waitMs // 600
 */
export function pedalMove(state: PedalState, { move, atMs }: KeyMove): PedalStep {
  if (move === 'down') {
    // A key held down repeats; only the first counts.
    if (state.downAtMs !== null) return { state, gesture: null, waitMs: null };
    if (state.shortAtMs !== null && atMs - state.shortAtMs <= doublePressMs) {
      return { state: { downAtMs: atMs, shortAtMs: null, told: true }, gesture: 'double', waitMs: null };
    }
    return { state: { downAtMs: atMs, shortAtMs: null, told: false }, gesture: null, waitMs: longPressMs };
  }
  if (state.downAtMs === null) return { state, gesture: null, waitMs: null };
  if (state.told) return { state: idlePedal, gesture: null, waitMs: null };
  if (atMs - state.downAtMs >= longPressMs) return { state: idlePedal, gesture: 'long', waitMs: null };
  return { state: { downAtMs: null, shortAtMs: atMs, told: false }, gesture: null, waitMs: doublePressMs };
}

/**
 * Asks again after the time {@link pedalMove} said, when nothing else happened.
 *
 * @example pedalTime({ downAtMs: null, shortAtMs: 0, told: false }, 400).gesture // 'short'
 */
export function pedalTime(state: PedalState, atMs: number): PedalStep {
  if (state.downAtMs !== null && !state.told && atMs - state.downAtMs >= longPressMs) {
    return { state: { ...state, told: true }, gesture: 'long', waitMs: null };
  }
  if (state.shortAtMs !== null && atMs - state.shortAtMs >= doublePressMs) {
    return { state: idlePedal, gesture: 'short', waitMs: null };
  }
  return { state, gesture: null, waitMs: null };
}
