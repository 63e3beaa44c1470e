'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  type BreathAt,
  type RunEvent,
  type RunPerson,
  type RunPlace,
  type RunState,
  type RunTimeline,
  type StampedEvent,
  breathAt,
  breathGoesOn,
  breathsDone,
  cursorAt,
  eventDenied,
  eventsFromElsewhere,
  gapPause,
  goesBehind,
  locate,
  reduceRun,
  stateOf,
  timelineOf,
} from '@/core/coach';
import { type WeightUnit } from '@/core/load';
import { type RefusalCode, type StoredRun } from '@/core/record';
import { newId, useKeep, waitingPayloads } from '@/keep';
import { say } from '@/parts/say';
import { serverEvents, serverNews } from './askRun';
import { RunClock } from './runClock';

/** How often the page notes that it is alive; a longer silence becomes a pause. */
const aliveEveryMs = 500;

/** How often a window asks what was put into the run elsewhere, and told of those on it: one that only looks shows it. */
const askEveryMs = { writes: 3000, looks: 1500 } as const;
/** A page that was asked for anew and did not come is asked for again after this. */
const askAgainMs = 15_000;

export interface LiveRun {
  id: string;
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

/** What was told of those on a run when its page was made, and what to do once more was told. */
export interface WhatIsTold {
  told: string;
  onMore: () => void;
}

/**
 * A run as a fold over its events: those the server has, those still waiting in this browser, and those that happen now.
 * Each is written to the outbox before anything else happens, so a reload or a lost server comes back to the same second.
 */
export function useRun(
  run: StoredRun,
  weights: WeightUnit,
  people: readonly RunPerson[] = [],
  of: WhatIsTold | null = null,
): LiveRun {
  const [state, setState] = useState<RunState>(() => stateOf(run));
  const [writes, setWrites] = useState(false);
  const [ready, setReady] = useState(false);
  const clock = useRef<RunClock | null>(null);
  const latest = useRef(state);
  const mayWrite = useRef(false);
  const keep = useKeep();
  const on = useRef(people);
  useEffect(() => {
    on.current = people;
  });
  const opening = useRef(false);
  const overtaken = useRef<(refused: StampedEvent, code: RefusalCode) => Promise<void>>(async () => undefined);
  const timeline = useMemo(() => timelineOf(state.items), [state.items]);

  const nowMs = useCallback(() => (clock.current ??= new RunClock()).now(), []);

  const appendAt = useCallback(
    (event: RunEvent, atEpochMs: number): StampedEvent | null => {
      if (!mayWrite.current) return null;
      // What the server would refuse is not begun here: asked first, with the same rules.
      const denied = on.current.length > 0 ? eventDenied(latest.current, event, on.current, atEpochMs, weights) : null;
      if (denied) {
        say(denied.why);
        return null;
      }
      const stamped: StampedEvent = {
        id: newId(),
        seq: latest.current.nextSeq,
        atEpochMs: Math.max(0, Math.round(atEpochMs)),
        event,
      };
      latest.current = reduceRun(latest.current, stamped);
      setState(latest.current);
      void keep('run.append', { runId: run.id, events: [stamped] }).then((outcome) => {
        if (outcome.state !== 'refused') return;
        if (outcome.code !== 'overtaken') say(outcome.why);
        void overtaken.current(stamped, outcome.code);
      });
      return stamped;
    },
    [run.id, keep, weights],
  );

  /** Takes in what others put into the run. @returns whether it is still this window’s to write */
  const takeIn = useCallback(
    (theirs: readonly StampedEvent[]): boolean => {
      const { isNew, ours, events } = eventsFromElsewhere(latest.current.events, theirs);
      if (isNew) {
        latest.current = stateOf({ ...run, events });
        setState(latest.current);
      }
      if (!ours) {
        mayWrite.current = false;
        setWrites(false);
      }
      return ours;
    },
    [run],
  );

  /**
   * An event was refused. The run is what the server has of it. Where others wrote at this place first, it goes behind what they wrote:
   * as another event of this window where they only marked something, else as a mark alone, and this window only looks.
   */
  const overtakenBy = useCallback(
    async (refused: StampedEvent, code: RefusalCode) => {
      let theirs = await serverEvents(run.id);
      if (code !== 'overtaken') {
        if (!theirs) return;
        latest.current = stateOf({ ...run, events: theirs });
        setState(latest.current);
        return;
      }
      if (theirs && mayWrite.current && takeIn(theirs)) {
        if (latest.current.status !== 'ended' || goesBehind(refused.event)) appendAt(refused.event, refused.atEpochMs);
        return;
      }
      mayWrite.current = false;
      setWrites(false);
      // The other device goes on writing meanwhile, so the place behind its events may be taken again.
      for (let tries = 0; theirs && tries < 5; tries += 1) {
        latest.current = stateOf({ ...run, events: theirs });
        setState(latest.current);
        if (!goesBehind(refused.event)) return;
        const again = { ...refused, id: newId(), seq: latest.current.nextSeq };
        const { state: answer } = await keep('run.append', { runId: run.id, events: [again] });
        if (answer !== 'refused') return;
        theirs = await serverEvents(run.id);
      }
    },
    [run, keep, takeIn, appendAt],
  );
  useEffect(() => {
    overtaken.current = overtakenBy;
  }, [overtakenBy]);

  const append = useCallback((event: RunEvent) => appendAt(event, nowMs()), [appendAt, nowMs]);

  const place = useCallback(() => locate(timelineOf(latest.current.items), cursorAt(latest.current, nowMs())), [nowMs]);

  /** Brings in what waits in this browser, and takes the run back to where it was last seen. */
  const open = useCallback(async () => {
    opening.current = true;
    const waiting = (await waitingPayloads('run.append')).filter(({ runId }) => runId === run.id);
    const theirs = (await serverEvents(run.id)) ?? run.events;
    const known = new Map([...theirs, ...waiting.flatMap(({ events }) => events)].map((event) => [event.seq, event]));
    const others = latest.current.events.filter(({ seq }) => !known.has(seq));
    latest.current = stateOf({ ...run, events: [...known.values(), ...others] });
    setState(latest.current);
    const seen = Number(localStorage.getItem(seenKey(run.id)) ?? 0);
    const gap = gapPause(latest.current, Math.max(seen, latest.current.lastEpochMs ?? 0), Date.now());
    const left = latest.current.status === 'running' && !gap ? Math.max(seen, latest.current.lastEpochMs ?? 0) : null;
    if (gap) appendAt(gap.event, gap.atEpochMs);
    // Even a quick reload waits for a hand: nobody should be paced by a page that is still loading.
    else if (left !== null) appendAt({ type: 'pause', why: 'gap' }, left);
    opening.current = false;
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

  const more = useRef(of);
  const asked = useRef({ told: '', atMs: 0 });
  useEffect(() => {
    more.current = of;
  });
  const isOver = state.status === 'ended';
  // What another device puts into the run, and what is told of those on it elsewhere, an emergency above all: nobody tells this window.
  useEffect(() => {
    if (!ready || isOver) return;
    const look = async () => {
      const news = await serverNews(run.id);
      if (!news) return;
      const { told } = news;
      const isAsked = asked.current.told === told && Date.now() - asked.current.atMs < askAgainMs;
      if (more.current && told !== more.current.told && !isAsked) {
        asked.current = { told, atMs: Date.now() };
        more.current.onMore();
      }
      if (!news.last || latest.current.events.some(({ id }) => id === news.last?.id)) return;
      const theirs = await serverEvents(run.id);
      if (!theirs || opening.current) return;
      if (mayWrite.current) return void takeIn(theirs);
      if (theirs.length <= latest.current.events.length) return;
      latest.current = stateOf({ ...run, events: theirs });
      setState(latest.current);
    };
    const timer = setInterval(() => void look(), writes ? askEveryMs.writes : askEveryMs.looks);
    return () => clearInterval(timer);
  }, [writes, ready, isOver, run, takeIn]);

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

  return { id: run.id, state, timeline, writes, ready, nowMs, place, append, takeOver };
}

/** Marks each breath as it is done, and the end when the plan is through. Breaths that were jumped over are not done. */
export function useBreathMarks({ state, writes, ready, place, append }: LiveRun) {
  const { status, anchorEpochMs, cursorSeconds } = state;
  const before = useRef<BreathAt | null>(null);
  const goesOn = breathGoesOn(state);
  useEffect(() => {
    if (status !== 'running' || !writes || !ready) return;
    let last = goesOn ? before.current : null;
    let through = false;
    const look = () => {
      // The state that says it is over arrives a moment later: the last breath must not be marked again until then.
      if (through) return;
      const now = place();
      const current = breathAt(now);
      for (const done of breathsDone(last, current, now.over)) append(done);
      last = current;
      before.current = current;
      if (!now.over) return;
      through = true;
      append({ type: 'end', why: 'done' });
    };
    look();
    const timer = setInterval(look, 100);
    return () => clearInterval(timer);
  }, [status, anchorEpochMs, cursorSeconds, goesOn, writes, ready, place, append]);
}
