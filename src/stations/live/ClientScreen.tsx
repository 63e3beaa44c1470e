'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type Phase, type PhaseMoment, phaseAt, planBreaths } from '@/core/cadence';
import { type ClientFrame, clientMessageSchema, silentAfterMs } from '@/core/coach';
import { BreathingBody } from '@/parts/figures/body/BreathingBody';
import { Tide } from '@/parts/figures/Tide';
import { follow } from '@/parts/follow';
import { type Listen, onThisMachine } from './listening';
import { RunClock } from './runClock';
import { useAwake } from './useMoment';
import { useSame } from './useSame';

const blank: ClientFrame = { kind: 'rest', words: 'Rest' };
const phaseWords: Record<Phase, string> = { inhale: 'In', topPause: 'Wait', exhale: 'Out', bottomPause: 'Wait' };
const phaseInk: Record<Phase, string> = {
  inhale: 'text-inhale',
  topPause: 'text-ink',
  exhale: 'text-exhale',
  bottomPause: 'text-ink',
};

/**
 * The client's own window: the tide, one large word, a count and one plain cue, by the coach's clock. Blank paper while the
 * coach looks; nothing moving in a hold or after a stop.
 */
export function ClientScreen({ listen = onThisMachine }: { listen?: Listen }) {
  const [frame, setFrame] = useState<ClientFrame>(blank);
  const clock = useRef<RunClock | null>(null);
  const heardAt = useRef(0);

  useEffect(() => {
    const own = (clock.current ??= new RunClock());
    const leave = listen((data) => {
      const message = clientMessageSchema.safeParse(data);
      if (!message.success) return;
      heardAt.current = performance.now();
      own.follow(message.data.sentAtMs);
      setFrame((before) =>
        JSON.stringify(before) === JSON.stringify(message.data.frame) ? before : message.data.frame,
      );
    });
    const timer = setInterval(() => {
      if (performance.now() - heardAt.current > silentAfterMs) setFrame(blank);
    }, 1000);
    return () => {
      clearInterval(timer);
      leave();
    };
  }, [listen]);

  const nowMs = useCallback(() => (clock.current ??= new RunClock()).now(), []);
  useAwake(frame.kind === 'breathing');

  if (frame.kind === 'breathing') return <Breathing frame={frame} nowMs={nowMs} />;
  return (
    <main id="main" className="grid h-dvh place-items-center p-6 text-center" data-client={frame.kind}>
      {frame.kind === 'rest' && <h1 className="text-6xl font-normal">{frame.words}</h1>}
      {frame.kind === 'stopped' && <h1 className="text-7xl lg:text-8xl">Breathe normally</h1>}
      {frame.kind === 'hold' && (
        <div className="w-full max-w-3xl">
          <div aria-hidden className="mb-10 border-t-8 border-dotted border-ink" />
          <h1 className="text-5xl leading-tight lg:text-6xl">Breathe when you first want to</h1>
        </div>
      )}
    </main>
  );
}

type BreathingFrame = Extract<ClientFrame, { kind: 'breathing' }>;

function Breathing({ frame, nowMs }: { frame: BreathingFrame; nowMs: () => number }) {
  const latest = useRef(frame);
  const ask = useCallback((): PhaseMoment => {
    const { cadences, startEpochMs, stillAtSeconds } = latest.current;
    const plan = planBreaths(cadences.map((cadence) => ({ cadence, breaths: 1 })));
    return phaseAt(plan, stillAtSeconds ?? (nowMs() - startEpochMs) / 1000);
  }, [nowMs]);
  const [shown, setShown] = useState<{ phase: Phase; count: number } | null>(null);

  useEffect(() => {
    latest.current = frame;
  }, [frame]);
  useEffect(() => {
    let key = '';
    return follow(() => {
      const moment = ask();
      const next = { phase: moment.phase, count: Math.floor(moment.intoSeconds) + 1 };
      const nextKey = `${next.phase} ${next.count}`;
      if (nextKey === key) return;
      key = nextKey;
      setShown(next);
    });
  }, [ask]);

  const waits = frame.stillAtSeconds !== null;
  // The same figure in every frame is the same to the page: it is laid out once a drill.
  const figure = useSame(frame.figure);
  return (
    <main
      id="main"
      className="grid h-dvh grid-cols-[minmax(72px,30vw)_minmax(0,1fr)] gap-6 p-4 sm:gap-[5vw] sm:p-8 upright:grid-cols-[24vw_minmax(0,1fr)]"
      data-client="breathing"
    >
      <Tide ask={ask} className="h-full min-h-0 w-full" />
      <div className="flex min-w-0 flex-col justify-center gap-4">
        <h1
          className={`text-[20vw] leading-none font-bold lg:text-[max(12.5rem,18vw)] ${waits || !shown ? 'text-ink2' : phaseInk[shown.phase]}`}
          data-client-phase={shown?.phase ?? 'none'}
        >
          {waits ? 'Wait' : shown ? phaseWords[shown.phase] : ''}
        </h1>
        {frame.showCount && !waits && (
          <p className="text-[16vw] leading-none font-semibold lg:text-[max(9rem,13vw)]" aria-hidden>
            {shown?.count}
          </p>
        )}
        <div className="flex min-h-0 items-end justify-between gap-6 upright:flex-col-reverse upright:items-start">
          <p className="text-3xl leading-tight upright:text-5xl lg:text-[max(3rem,4.5vw)]">{frame.cue}</p>
          {figure && (
            <BreathingBody
              spec={figure.spec}
              opened={figure.opened}
              motion={figure.motion}
              ask={ask}
              className="h-[30vh] w-[34vw] shrink-0 max-sm:hidden upright:w-full"
            />
          )}
        </div>
      </div>
    </main>
  );
}
