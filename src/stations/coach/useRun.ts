'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  type RunEvent,
  type RunPlace,
  type RunState,
  type RunTimeline,
  type StampedEvent,
  cursorAt,
  foldRun,
  gapPause,
  locate,
  reduceRun,
  timelineOf,
} from '@/core/coach';
import { type StoredRun } from '@/core/record';
import { keep, newId, waitingPayloads } from '@/keep';

/** How often the page notes that it is alive; a longer silence becomes a pause. */
const aliveEveryMs = 500;

/** One clock for everything in a run: the monotonic one, anchored to the epoch so that it can be shared and kept. */
class RunClock {
  private anchor = Date.now() - performance.now();

  now(): number {
    return this.anchor + performance.now();
  }

  /** The wall clock has moved away from the monotonic one: a sleep. Returns by how many milliseconds. */
  drift(): number {
    return Date.now() - this.now();
  }

  anchorAnew() {
    this.anchor = Date.now() - performance.now();
  }
}

export interface LiveRun {
  state: RunState;
  timeline: RunTimeline;
  /** Whether this window writes the run; another one does otherwise. */
  writes: boolean;
  ready: boolean;
  nowMs: () => number;
  place: () => RunPlace;
  append: (event: RunEvent) => StampedEvent | null;
  takeOver: () => void;
}

const seenKey = (runId: string) => `kokyu.run.${runId}.seen`;

/**
 * A run as a fold over its events: those the server has, those still waiting in this browser, and those that happen now.
 * Each is written to the outbox before anything else happens, so a reload or a lost server comes back to the same second.
 */
export function useRun(run: StoredRun): LiveRun {
  const [state, setState] = useState<RunState>(() => foldRun(run.items, run.events));
  const [writes, setWrites] = useState(false);
  const [ready, setReady] = useState(false);
  const clock = useRef<RunClock | null>(null);
  const latest = useRef(state);
  const mayWrite = useRef(false);
  const timeline = useMemo(() => timelineOf(state.items), [state.items]);

  const nowMs = useCallback(() => (clock.current ??= new RunClock()).now(), []);

  const appendAt = useCallback(
    (event: RunEvent, atEpochMs: number): StampedEvent | null => {
      if (!mayWrite.current) return null;
      const stamped: StampedEvent = {
        id: newId(),
        seq: latest.current.nextSeq,
        atEpochMs: Math.max(0, Math.round(atEpochMs)),
        event,
      };
      latest.current = reduceRun(latest.current, stamped);
      setState(latest.current);
      void keep('run.append', { runId: run.id, events: [stamped] });
      return stamped;
    },
    [run.id],
  );

  const append = useCallback((event: RunEvent) => appendAt(event, nowMs()), [appendAt, nowMs]);

  const place = useCallback(() => locate(timelineOf(latest.current.items), cursorAt(latest.current, nowMs())), [nowMs]);

  /** Brings in what waits in this browser, and takes the run back to where it was last seen. */
  const open = useCallback(async () => {
    const waiting = (await waitingPayloads('run.append')).filter(({ runId }) => runId === run.id);
    const known = new Map(
      [...run.events, ...waiting.flatMap(({ events }) => events)].map((event) => [event.seq, event]),
    );
    latest.current = foldRun(run.items, [
      ...known.values(),
      ...latest.current.events.filter(({ seq }) => !known.has(seq)),
    ]);
    setState(latest.current);
    const seen = Number(localStorage.getItem(seenKey(run.id)) ?? 0);
    const gap = gapPause(latest.current, Math.max(seen, latest.current.lastEpochMs ?? 0), Date.now());
    const left = latest.current.status === 'running' && !gap ? Math.max(seen, latest.current.lastEpochMs ?? 0) : null;
    if (gap) appendAt(gap.event, gap.atEpochMs);
    // Even a quick reload waits for a hand: nobody should be paced by a page that is still loading.
    else if (left !== null) appendAt({ type: 'pause', why: 'gap' }, left);
    setReady(true);
  }, [run, appendAt]);

  const hold = useCallback(
    (steal: boolean) => {
      let release: () => void = () => undefined;
      const begin = () => {
        mayWrite.current = true;
        setWrites(true);
        void open();
      };
      if (!navigator.locks) {
        begin();
        return release;
      }
      navigator.locks
        .request(`kokyu-run-${run.id}`, steal ? { steal: true } : { ifAvailable: true }, (lock) => {
          if (!lock) {
            setReady(true);
            return undefined;
          }
          begin();
          return new Promise<void>((resolve) => {
            release = resolve;
          });
        })
        .catch(() => {
          // Another window took the run over: this one only looks from now on.
          mayWrite.current = false;
          setWrites(false);
        });
      return () => {
        mayWrite.current = false;
        release();
      };
    },
    [run.id, open],
  );

  // The run is opened once; server refreshes afterwards only repeat what this window wrote.
  const releaseRef = useRef<(() => void) | null>(null);
  const holdOnce = useRef(hold);
  useEffect(() => {
    const first = holdOnce.current;
    releaseRef.current = first(false);
    return () => releaseRef.current?.();
  }, []);

  useEffect(() => {
    const timer = setInterval(() => {
      if (!mayWrite.current || latest.current.status !== 'running') return;
      const wall = Date.now();
      const seen = Number(localStorage.getItem(seenKey(run.id)) ?? wall);
      const gap = gapPause(latest.current, seen, wall);
      if (gap) {
        appendAt(gap.event, gap.atEpochMs);
        clock.current?.anchorAnew();
        return;
      }
      localStorage.setItem(seenKey(run.id), String(wall));
    }, aliveEveryMs);
    return () => clearInterval(timer);
  }, [run.id, appendAt]);

  // Whatever sets the run going sets the mark too, so that an old one is not taken for a gap.
  useEffect(() => {
    if (state.status === 'running' && mayWrite.current) {
      localStorage.setItem(seenKey(run.id), String(Date.now()));
      if (Math.abs(clock.current?.drift() ?? 0) > 1000) clock.current?.anchorAnew();
    }
  }, [state.status, run.id]);

  const takeOver = useCallback(() => {
    releaseRef.current = hold(true);
  }, [hold]);

  return { state, timeline, writes, ready, nowMs, place, append, takeOver };
}

interface BreathAt {
  segmentStart: number;
  item: number;
  set: number;
  /** The breath under way, or −1 in a piece that is not breathed. */
  breath: number;
  /** Breaths of the piece. */
  of: number;
}

/** Marks each breath as it is done, and the end when the plan is through. Breaths that were jumped over are not done. */
export function useBreathMarks({ state, writes, ready, place, append }: LiveRun) {
  const { status, anchorEpochMs, cursorSeconds } = state;
  useEffect(() => {
    if (status !== 'running' || !writes || !ready) return;
    // A jump, a wait or a swap moves the clock's anchor and with it starts this anew, without a breath before it.
    let last: BreathAt | null = null;
    const look = () => {
      const now = place();
      const { timed } = now;
      const current: BreathAt = {
        segmentStart: timed.startSeconds,
        item: now.item,
        set: timed.segment.kind === 'breaths' ? timed.segment.set : 0,
        breath: now.moment?.breath ?? -1,
        of: timed.breaths?.cadences.length ?? 0,
      };
      if (last && last.breath >= 0) {
        const samePiece = last.segmentStart === current.segmentStart;
        const doneTo = samePiece && !now.over ? current.breath : last.of;
        for (let breath = last.breath; breath < doneTo; breath += 1) {
          append({ type: 'breath', item: last.item, set: last.set, breath });
        }
      }
      last = current;
      if (now.over) append({ type: 'end', why: 'done' });
    };
    look();
    const timer = setInterval(look, 100);
    return () => clearInterval(timer);
  }, [status, anchorEpochMs, cursorSeconds, writes, ready, place, append]);
}
