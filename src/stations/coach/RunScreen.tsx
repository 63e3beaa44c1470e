'use client';

import { capital } from '@/core/reasons';
import { useCallback, useEffect, useState } from 'react';
import { ArrowLeft, TriangleAlert, Volume2, VolumeX } from 'lucide-react';
import Link from 'next/link';
import { faults } from '@/core/catalogue';
import { type StoredRun } from '@/core/record';
import { type PlanItem, drillOf, openedRegions } from '@/core/sequence';
import { Button, LinkButton } from '@/parts/Button';
import { Mannequin, partsToTint } from '@/parts/figures/mannequin/Mannequin';
import { Tide } from '@/parts/figures/Tide';
import { SaveMark } from '@/parts/shell/SaveMark';
import { isTyping } from '@/parts/shell/keys';
import { type ClientView } from '../view';
import { Middle } from './Middle';
import { StopPanel } from './StopPanel';
import { Zone } from './Zone';
import { useCues, useEasier, useNaming } from './useCoaching';
import { type LiveRun, useBreathMarks, useRun } from './useRun';
import { type Shown, useAwake, useShown } from './useShown';
import { useTones } from './useTones';

const touchWords = { yes: 'TOUCH: YES', 'own hands': 'OWN HANDS', no: 'NO TOUCH', unknown: 'ASK TO TOUCH' } as const;
/** The live screen: read at three metres, worked with one finger, every press kept before anything else happens. */
export function RunScreen({ view, stored }: { view: ClientView; stored: StoredRun }) {
  const run = useRun(stored);
  const { state, append, writes, ready, timeline } = run;
  const shown = useShown(run);
  const [muted, setMuted] = useState(false);
  const { wake } = useTones(run, muted ? 0 : view.settings.toneVolume);
  useBreathMarks(run);
  useAwake(state.status === 'running');

  const item = state.items[shown.item] ?? state.items[0]!;
  const drill = drillOf(item);
  const cues = useCues(run, item, shown.item);
  const easier = useEasier(view, state.items, item);
  const naming = useNaming(run, shown.item);

  const begin = useCallback(() => {
    wake();
    append({ type: 'start' });
  }, [wake, append]);

  const waitOrGo = useCallback(() => {
    wake();
    if (state.status === 'ready') append({ type: 'start' });
    else if (state.status === 'running') append({ type: 'pause', why: 'by hand' });
    else if (state.status === 'paused') append({ type: 'resume' });
  }, [state.status, append, wake]);

  const next = useCallback(() => {
    const now = run.place();
    const inSetUp = now.timed.segment.kind !== 'breaths';
    const toSeconds = inSetUp ? now.timed.endSeconds : (timeline.itemStarts[now.item + 1] ?? timeline.totalSeconds);
    append({ type: 'jump', toSeconds, why: inSetUp ? 'ready' : 'next' });
  }, [run, timeline, append]);

  const back = useCallback(() => {
    const toSeconds = timeline.itemStarts[run.place().item] ?? 0;
    append({ type: 'jump', toSeconds, why: 'back' });
  }, [run, timeline, append]);

  const takeEasier = useCallback(async () => {
    const index = run.place().item;
    const swap = await easier.find();
    if (swap) append({ type: 'swap', item: index, to: swap });
  }, [run, easier, append]);

  const stop = useCallback(() => append({ type: 'stop', item: run.place().item }), [append, run]);
  const live = state.status === 'running' || state.status === 'paused';

  useEffect(() => {
    const keys: Record<string, () => void> = {
      ' ': waitOrGo,
      f: naming.mark,
      c: () => cues.landed('yes'),
      n: next,
      ArrowRight: next,
      ArrowLeft: back,
      e: () => void takeEasier(),
      Escape: stop,
    };
    const listen = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      const action = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (!action || !writes || !ready) return;
      if (!live && !(event.key === ' ' && state.status === 'ready')) return;
      event.preventDefault();
      action();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [waitOrGo, naming, cues, next, back, takeEasier, stop, live, writes, ready, state.status]);

  if (state.status === 'stopped') {
    return (
      <main className="h-dvh">
        <StopPanel
          emergencyNumber={view.settings.emergencyNumber}
          hasEasier={easier.name !== null}
          onSettled={(event) => {
            append(event);
            if (event.then === 'easier') void takeEasier();
          }}
        />
      </main>
    );
  }
  if (state.status === 'ended') return <Over view={view} />;

  const watch = view.gates.watch.map(({ sign }) => sign);
  return (
    <main className="grid h-dvh grid-rows-[auto_1fr_auto] overflow-hidden" aria-label="Coaching">
      <header className="flex min-h-16 flex-wrap items-center justify-between gap-x-5 border-b border-rule px-4">
        <div className="flex items-center gap-3">
          <span className="rounded-one border-2 border-ink px-3 py-1 text-2xl font-semibold">
            {touchWords[view.known.profile.touch]}
          </span>
          <Link
            href={`/clients/${view.id}/coach`}
            className="grid size-11 place-items-center"
            aria-label="Back to the client"
          >
            <ArrowLeft size={22} aria-hidden />
          </Link>
        </div>
        {watch.length > 0 && (
          <p className="flex min-w-0 items-center gap-2 text-2xl font-semibold text-caution">
            <TriangleAlert size={26} aria-hidden className="shrink-0" />
            <span className="truncate">{watch.slice(0, 2).join(', ')}? stop</span>
          </p>
        )}
        <div className="flex items-center gap-3">
          <SaveMark zone={view.settings.timeZone} />
          <button
            type="button"
            className="grid size-11 place-items-center"
            aria-label={muted ? 'Sound on' : 'Sound off'}
            onClick={() => setMuted(!muted)}
          >
            {muted ? <VolumeX size={24} aria-hidden /> : <Volume2 size={24} aria-hidden />}
          </button>
          <span className="text-3xl font-semibold tabular-nums">{shown.minutesLeft} min</span>
        </div>
      </header>

      <div className="grid min-h-0 grid-cols-[72px_minmax(0,1fr)] gap-4 p-3 lg:grid-cols-[160px_minmax(0,1fr)_minmax(17rem,26rem)] lg:gap-7">
        <TideOf run={run} />
        <Middle run={run} shown={shown} item={item} onPress={waitOrGo} onBegin={begin} />
        <aside className="flex min-h-0 flex-col max-lg:col-span-2" aria-label="This drill">
          <Counter shown={shown} item={item} />
          <figure className="my-3 min-h-0 grow max-lg:hidden" aria-hidden>
            <Mannequin
              className="mx-auto h-full max-h-72 w-full"
              position={item.position}
              movement={drill.movement}
              props={item.props}
              side={sideNow(run, item) === 'right' ? 'right' : 'left'}
              tinted={partsToTint(openedRegions(drill, sideNow(run, item)))}
            />
          </figure>
          <p className="text-4xl leading-[1.08] font-semibold lg:text-[3.1rem]" aria-live="polite">
            {naming.correction ?? cues.words}
          </p>
          {naming.correction && (
            <p className="mt-1 text-xl text-ink2">for: {naming.named && faults[naming.named].words}</p>
          )}
        </aside>
      </div>

      <footer className="grid grid-cols-2 gap-2.5 p-3 pt-0 sm:grid-cols-5 lg:h-36">
        {naming.open ? (
          naming.likeliest.map((fault) => (
            <Zone key={fault} title={capital(faults[fault].words)} hint="name it" onPress={() => naming.name(fault)} />
          ))
        ) : (
          <>
            <Zone title="Fault" hint="F · stamps the time" disabled={!live || !writes} onPress={naming.mark} />
            <Zone
              title={cues.answered ? 'Next cue' : 'Cue landed'}
              hint={cues.answered ? cues.nextWords : 'C'}
              disabled={!live || !writes}
              onPress={() => (cues.answered ? cues.next() : cues.landed('yes'))}
            />
            <Zone
              title="Easier"
              hint={easier.name ?? 'no easier one here'}
              disabled={!live || !writes || easier.name === null}
              onPress={() => void takeEasier()}
            />
            <Zone
              title={shown.kind === 'set-up' ? 'Ready' : 'Next'}
              hint={shown.kind === 'set-up' ? 'begin at once' : nextName(state.items, shown.item)}
              disabled={!live || !writes}
              onPress={next}
            />
          </>
        )}
        <Zone title="■ Stop" hint="Esc" stop disabled={!live || !writes} onPress={stop} />
      </footer>
      {!writes && ready && (
        <div className="fixed inset-x-0 top-16 z-30 border-b border-caution bg-cautionw px-5 py-3" role="alert">
          This run is being coached in another window; this one only looks.{' '}
          <Button look="quiet" onClick={run.takeOver}>
            Coach it here instead
          </Button>
        </div>
      )}
    </main>
  );
}

const nextName = (items: readonly PlanItem[], index: number) => {
  const following = items[index + 1];
  return following ? drillOf(following).name : 'the end';
};

function sideNow(run: LiveRun, item: PlanItem): PlanItem['side'] {
  const { segment } = run.place().timed;
  return segment.kind === 'breaths' && segment.side
    ? segment.side
    : segment.kind === 'change side'
      ? segment.to
      : item.side;
}

function TideOf({ run }: { run: LiveRun }) {
  const { place, state } = run;
  const ask = useCallback(() => (state.status === 'ready' ? null : place().moment), [place, state.status]);
  return <Tide ask={ask} className="h-full min-h-0 w-full" />;
}

function Counter({ shown, item }: { shown: Shown; item: PlanItem }) {
  const drill = drillOf(item);
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-3" data-breaths>
        <span className="text-7xl leading-none font-bold lg:text-8xl">{shown.breath || '–'}</span>
        <span className="text-4xl text-ink2 lg:text-5xl">/{item.breaths}</span>
        {shown.side && <span className="text-5xl leading-none font-bold lg:text-7xl">{shown.side}</span>}
      </p>
      <h1 className="mt-2 text-2xl font-normal text-ink2" data-item={shown.item}>
        {drill.name}
        {item.sets > 1 && (shown.set > 0 ? `, set ${shown.set} of ${item.sets}` : `, ${item.sets} sets`)}
      </h1>
    </div>
  );
}

function Over({ view }: { view: ClientView }) {
  return (
    <main className="grid h-dvh place-items-center p-6 text-center">
      <div>
        <h1 className="text-6xl">Done</h1>
        <p className="mt-3 text-2xl">Recheck now: same position, same words.</p>
        <div className="mt-8 flex justify-center gap-3">
          <LinkButton href={`/clients/${view.id}/coach`} look="strong" className="min-h-14 px-6 text-xl">
            Go to the recheck
          </LinkButton>
        </div>
      </div>
    </main>
  );
}
