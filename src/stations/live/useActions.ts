'use client';

import { useCallback, useMemo, useState } from 'react';
import { type Gesture, type RemoteAct, lastMark, modeOf } from '@/core/coach';
import { faults } from '@/core/catalogue';
import { actFor, isControl, isTyping } from '@/parts/shell/keys';
import { useKeyDown } from '@/parts/shell/useKeyDown';
import { say } from '@/parts/say';
import { type Naming, type Neighbours, type useCues } from './useCoaching';
import { type LiveRun } from './useRun';

/** Names a mark is offered in the zones; what else there is comes after them. */
export const likeliest = 3;

/** What can be done while a run goes on, by finger, key or pedal. */
export function useActions(
  run: LiveRun,
  wake: () => void,
  { cues, naming, neighbours }: { cues: ReturnType<typeof useCues>; naming: Naming; neighbours: Neighbours },
  who: string | undefined,
) {
  const { state, append, timeline, place } = run;
  const { status } = state;

  const byTap = useCallback(() => {
    const { item, timed } = place();
    return status === 'running' && timed.segment.kind === 'breaths' && modeOf(state, item) === 'tapped';
  }, [place, status, state]);

  const waitOrGo = useCallback(() => {
    wake();
    if (status === 'ready') append({ type: 'start' });
    else if (status === 'running') append({ type: 'pause', why: 'by hand' });
    else if (status === 'paused') append({ type: 'resume' });
  }, [status, append, wake]);

  const talk = useCallback(() => {
    wake();
    if (status === 'paused' && state.pausedBy === 'talk') append({ type: 'resume' });
    else append({ type: 'pause', why: 'talk' });
  }, [status, state.pausedBy, append, wake]);

  // Where the run stood before it was sent on by hand: the way back for a finger that was too fast.
  const [leftAt, setLeftAt] = useState<{ seconds: number; timeline: unknown } | null>(null);
  const next = useCallback(() => {
    const now = place();
    const inSetUp = now.timed.segment.kind !== 'breaths';
    const toSeconds = inSetUp ? now.timed.endSeconds : (timeline.itemStarts[now.item + 1] ?? timeline.totalSeconds);
    setLeftAt({ seconds: now.timed.startSeconds + now.intoSeconds, timeline: timeline.itemStarts.join() });
    append({ type: 'jump', toSeconds, why: inSetUp ? 'ready' : 'next' });
  }, [place, timeline, append]);

  /** Back to where it was sent on from; null where it was not, or where what came before is another plan by now. */
  const undoSwap = neighbours.takeBack;
  const takeBack = useMemo(() => {
    if (undoSwap) return () => void undoSwap();
    if (leftAt === null || leftAt.timeline !== timeline.itemStarts.join()) return null;
    return () => {
      setLeftAt(null);
      append({ type: 'jump', toSeconds: leftAt.seconds, why: 'back' });
    };
  }, [leftAt, timeline, append, undoSwap]);

  const back = useCallback(() => {
    const toSeconds = timeline.itemStarts[place().item] ?? 0;
    append({ type: 'jump', toSeconds, why: 'back' });
  }, [place, timeline, append]);

  const tap = useCallback(() => {
    wake();
    append({ type: 'tap', item: place().item });
  }, [append, place, wake]);

  const stop = useCallback(() => {
    append({ type: 'stop', item: place().item, ...(who ? { who } : {}) });
  }, [append, place, who]);

  const undo = useCallback(() => {
    const mark = lastMark(state);
    if (!mark) return;
    append({ type: 'undo', of: mark.id });
    naming.close();
    const { event } = mark;
    const what =
      event.type === 'fault' && event.fault ? faults[event.fault].words : event.type === 'fault' ? 'mark' : event.type;
    say(`Taken back: ${what}.`);
  }, [state, append, naming]);

  const breathing = useCallback(() => place().timed.segment.kind === 'breaths', [place]);

  /** The large middle of the screen: a repetition that is waited for is done, else wait or go on. */
  const middle = useCallback(() => (byTap() ? tap() : waitOrGo()), [byTap, tap, waitOrGo]);

  /** Space taps the breath where the pacer follows or waits for it, and waits or goes on elsewhere. */
  const space = useCallback(() => {
    if (byTap() || (status === 'running' && breathing() && modeOf(state, place().item) === 'follow')) tap();
    else waitOrGo();
  }, [byTap, status, breathing, state, place, tap, waitOrGo]);

  const press = useCallback(
    (gesture: Gesture) => {
      if (status === 'ready') return waitOrGo();
      if (gesture === 'double') return stop();
      if (gesture === 'long') return void naming.mark();
      if (status === 'paused') return waitOrGo();
      return breathing() ? tap() : next();
    },
    [status, waitOrGo, stop, naming, breathing, tap, next],
  );

  /** While the zones are the likeliest names of a mark, their places are the keys 1 to 4. */
  const nameByPlace = useCallback(
    (place: number) => {
      if (!naming.open || naming.all) return;
      const fault = naming.order[place];
      if (place < likeliest && fault) naming.name(fault);
      else naming.showAll();
    },
    [naming],
  );

  const keys = useMemo(
    () => ({
      space,
      tap,
      talk,
      fault: naming.mark,
      name: (digit: string) => nameByPlace(Number(digit) - 1),
      cue: () => (naming.remedy ? naming.drop() : cues.landed('yes')),
      next,
      back,
      undo,
      easier: () => void neighbours.takeEasier(),
      another: () => void neighbours.takeAnother(),
      harder: () => void (neighbours.readiness.met && neighbours.takeHarder()),
      stop,
    }),
    [nameByPlace, space, tap, talk, naming, cues, next, undo, back, neighbours, stop],
  );

  return { waitOrGo, middle, talk, next, back, takeBack, tap, stop, undo, press, keys };
}
export type Actions = ReturnType<typeof useActions>;

/** What each act of a remote does. It was asked before whether it still means what it meant. */
export const pressed: Readonly<
  Record<
    Exclude<RemoteAct, 'name'>,
    (actions: Actions, by: { cues: ReturnType<typeof useCues>; naming: Naming; neighbours: Neighbours }) => void
  >
> = {
  begin: ({ waitOrGo }) => waitOrGo(),
  wait: ({ waitOrGo }) => waitOrGo(),
  'go on': ({ waitOrGo }) => waitOrGo(),
  tap: ({ tap }) => tap(),
  talk: ({ talk }) => talk(),
  fault: (_, { naming }) => naming.mark(),
  cue: (_, { cues }) => (cues.answer === null ? void cues.landed('yes') : cues.next()),
  easier: (_, { neighbours }) => void neighbours.takeEasier(),
  next: ({ next }) => next(),
  back: ({ takeBack, back }) => (takeBack ?? back)(),
  undo: ({ undo }) => undo(),
  stop: ({ stop }) => stop(),
};

type RunKeys = Parameters<typeof actFor<'run'>>[1];

/** Listens to the keys of the run; never while something is typed, nor to what a focused control of a panel answers to itself. */
export function useKeys(keys: RunKeys, may: (press: string) => boolean) {
  useKeyDown((event) => {
    if (isTyping(event.target) || event.repeat) return;
    const action = actFor('run', keys)(event);
    if (!action || !may(event.key)) return;
    const panel = event.target instanceof HTMLElement && event.target.closest('[data-panel]') !== null;
    const pressesIt = isControl(event.target) && (event.key === ' ' || event.key === 'Enter');
    if (panel && (pressesIt || event.key.startsWith('Arrow'))) return;
    event.preventDefault();
    action();
  });
}
