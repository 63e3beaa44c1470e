'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type MainAct, type RemoteAct, type RemoteFrame, remoteFrameSchema } from '@/core/coach';
import { newId } from '@/keep';
import { useGuard } from '@/parts/useGuard';
import { fromLiveScreen } from './listening';
import { Told } from './Told';
import { useAwake } from './useMoment';
import { Zone } from './Zone';

/** Nothing heard for this long: what stands here may not be so any more. */
const staleMs = 3500;
/** A press that was not taken within this long was not taken. */
const answerMs = 1800;

const mainWords: Readonly<Record<MainAct, { title: string; hint: string }>> = {
  begin: { title: 'Begin', hint: 'the first breath' },
  wait: { title: 'Wait', hint: 'holds the breath where it is' },
  'go on': { title: 'Go on', hint: 'from where it waits' },
  tap: { title: 'Tap', hint: 'one breath, one repetition' },
};

const notTaken = 'Not taken. Look at the live screen.';

/** Presses on their way, each with what is done when it does not arrive. */
class Waiting {
  private readonly timers = new Map<string, ReturnType<typeof setTimeout>>();

  add(id: string, onLate: () => void) {
    this.timers.set(id, setTimeout(onLate, answerMs));
  }

  /** @returns whether it was still waited for */
  over(id: string): boolean {
    clearTimeout(this.timers.get(id));
    return this.timers.delete(id);
  }

  clear() {
    for (const id of this.timers.keys()) this.over(id);
  }
}

/** A phone in the coach’s hand: every press goes to the live screen, and is told when it has not arrived. */
export function RemoteScreen() {
  const [frame, setFrame] = useState<RemoteFrame | null>(null);
  const [over, setOver] = useState(false);
  const [stale, setStale] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const heardAt = useRef(0);
  const [waiting] = useState(() => new Waiting());

  useEffect(() => {
    const leave = fromLiveScreen(
      'remote',
      (data) => {
        const told = remoteFrameSchema.safeParse((data as { remote?: unknown } | null)?.remote);
        if (!told.success) return;
        heardAt.current = performance.now();
        setStale(false);
        setFrame(told.data);
        if (told.data.taken.map((id) => waiting.over(id)).includes(true)) setSaid(null);
      },
      () => setOver(true),
    );
    const timer = setInterval(() => {
      if (heardAt.current > 0 && performance.now() - heardAt.current > staleMs) setStale(true);
    }, 500);
    return () => {
      clearInterval(timer);
      leave();
      waiting.clear();
    };
  }, [waiting]);
  useAwake(!over);

  const press = useCallback(
    (act: RemoteAct, place?: number) => {
      const id = newId();
      const fail = (why: string) => {
        waiting.over(id);
        setSaid(why);
      };
      // Felt through a sleeve: the eyes stay on the client.
      navigator.vibrate?.(25);
      waiting.add(id, () => fail(notTaken));
      fetch('/api/paired/press', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id, act, at: frame?.at ?? 0, ...(place === undefined ? {} : { place }) }),
        signal: AbortSignal.timeout(answerMs),
      })
        .then(async (response) => {
          if (response.ok) return;
          const { why, over: ended } = (await response.json()) as { why?: string; over?: boolean };
          if (ended) setOver(true);
          else fail(why ?? notTaken);
        })
        .catch(() => fail('The server does not answer. Go to the live screen.'));
    },
    [frame?.at, waiting],
  );

  if (over || frame?.status === 'ended') return <Told>This run is over, and the remote with it.</Told>;
  if (!frame) return <Told>Waiting for the live screen</Told>;
  return <Places {...{ frame, stale, said, press }} />;
}

/** What can be pressed just now. */
function Places({
  frame,
  stale,
  said,
  press,
}: {
  frame: RemoteFrame;
  stale: boolean;
  said: string | null;
  press: (act: RemoteAct, place?: number) => void;
}) {
  const [main, names, at] = [String(frame.main), String(frame.names), String(frame.at)];
  // A place that means something else by now is not pressed by a finger that was on its way.
  const guard = useGuard(
    useMemo(() => ({ 0: main, 1: names, 2: names, 3: names, 4: `${names} ${at}` }), [main, names, at]),
  );

  const runs = frame.status === 'running' || frame.status === 'paused';
  const off = stale || !runs;
  return (
    <main id="main" className="flex h-dvh flex-col gap-2 p-3" aria-label="Remote">
      <header className="flex items-start justify-between gap-3">
        <h1 className="text-2xl leading-tight font-semibold">
          {frame.between && frame.status !== 'ready' ? <span className="font-normal">Set up: </span> : null}
          {frame.drill}
        </h1>
        <span className="shrink-0 text-xl font-semibold tabular-nums">{frame.minutesLeft} min</span>
      </header>
      <p className="text-lg leading-snug text-ink2">{frame.cue}</p>
      <p role="status" className="min-h-7 font-semibold text-caution">
        {stale ? 'The live screen does not answer. Go to it.' : said}
      </p>
      {frame.status === 'stopped' ? (
        <p className="grid grow place-items-center text-center text-3xl" data-remote-stopped>
          Stopped. Breathe normally. Go on from the live screen.
        </p>
      ) : (
        <button
          type="button"
          disabled={frame.main === null || stale}
          onClick={guard(0, () => frame.main && press(frame.main))}
          className="flex min-h-40 grow flex-col items-center justify-center rounded-one border-2 border-ink disabled:border-rule disabled:text-ink2"
        >
          {frame.main && (
            <>
              <span className="text-5xl font-semibold">{mainWords[frame.main].title}</span>
              <span className="mt-2 text-lg text-ink2">{mainWords[frame.main].hint}</span>
            </>
          )}
        </button>
      )}
      <div className="grid grid-cols-2 gap-2" role="group" aria-label="While it runs">
        {frame.names.length > 0 ? (
          <>
            {frame.names.map((name, place) => (
              <Zone
                key={name}
                title={name}
                hint="name it"
                disabled={off}
                onPress={guard(place + 1, () => press('name', place))}
              />
            ))}
            <Zone title="Undo" hint="takes the mark back" disabled={off} onPress={guard(4, () => press('undo'))} />
          </>
        ) : (
          <>
            <Zone title="Fault" hint="stamps the time" disabled={off} onPress={guard(1, () => press('fault'))} />
            <Zone
              title={frame.landed ? 'Next cue' : 'Cue landed'}
              hint={frame.landed ? 'another word for it' : 'it shows'}
              disabled={off}
              onPress={guard(2, () => press('cue'))}
            />
            <Zone
              title="Easier"
              hint={frame.easier ?? 'no easier one here'}
              disabled={off || frame.easier === null}
              onPress={guard(3, () => press('easier'))}
            />
            <Zone
              title={frame.between ? 'Ready' : 'Next'}
              hint={frame.between ? 'begin at once' : frame.next}
              disabled={off}
              onPress={guard(4, () => press('next'))}
            />
          </>
        )}
        <Zone title="Back" hint="to where it was" disabled={off} onPress={guard(5, () => press('back'))} />
        <Zone
          title={frame.talk ? 'Talk over' : 'Talk'}
          hint={frame.talk ? 'breathe on' : 'waits while you teach'}
          disabled={off}
          onPress={guard(6, () => press('talk'))}
        />
      </div>
      {/* Never greyed out by a bad network: it is tried, and told when it has not arrived. */}
      <Zone title="■ Stop" hint="everybody breathes normally" stop disabled={!runs} onPress={() => press('stop')} />
    </main>
  );
}
