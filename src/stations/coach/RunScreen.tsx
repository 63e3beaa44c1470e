'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ArrowLeft, TriangleAlert, Volume2, VolumeX } from 'lucide-react';
import Link from 'next/link';
import { type Phase } from '@/core/cadence';
import { type FaultId, faults, positions, props } from '@/core/catalogue';
import { type StoredRun } from '@/core/record';
import { type PlanItem, drillOf, openedRegions } from '@/core/sequence';
import { type RegionId, unobserved } from '@/core/trunk';
import { newId } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { Ribbon } from '@/parts/figures/Ribbon';
import { Ring } from '@/parts/figures/Ring';
import { Tide } from '@/parts/figures/Tide';
import { SaveMark } from '@/parts/shell/SaveMark';
import { isTyping } from '@/parts/shell/keys';
import { planContext, usePlanner } from '../sequence/usePlan';
import { type ClientView } from '../view';
import { StopPanel } from './StopPanel';
import { Zone } from './Zone';
import { type LiveRun, useBreathMarks, useRun } from './useRun';
import { type Shown, useAwake, useShown } from './useShown';
import { useTones } from './useTones';

const touchWords = { yes: 'TOUCH: YES', 'own hands': 'OWN HANDS', no: 'NO TOUCH', unknown: 'ASK TO TOUCH' } as const;
const phaseWords: Record<Phase, string> = { inhale: 'IN', topPause: 'WAIT', exhale: 'OUT', bottomPause: 'WAIT' };
const phaseInk: Record<Phase, string> = {
  inhale: 'text-inhale',
  topPause: 'text-ink',
  exhale: 'text-exhale',
  bottomPause: 'text-ink',
};

/** How long the zones offer the likeliest faults after a mark. */
const namingMs = 6000;

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
            <Ring
              title="Part to open"
              className="mx-auto h-full max-h-72"
              first={unobserved()}
              tinted={Object.keys(openedRegions(drill, sideNow(run, item))) as RegionId[]}
              showLabels={false}
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

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

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

/** The middle of the screen: the phase and the count; between drills what comes next; tapping it waits and goes on. */
function Middle({
  run,
  shown,
  item,
  onPress,
  onBegin,
}: {
  run: LiveRun;
  shown: Shown;
  item: PlanItem;
  onPress: () => void;
  onBegin: () => void;
}) {
  const { state, place, ready, writes } = run;
  const drill = drillOf(item);
  const segment = run.timeline.segments[shown.segment]!;
  const stretches = segment.segment.kind === 'breaths' ? segment.segment.stretches : null;
  const askSeconds = useCallback(() => place().intoSeconds, [place]);

  if (state.status === 'ready') {
    return (
      <section className="flex min-w-0 flex-col justify-center gap-5">
        <p className="text-5xl leading-tight font-semibold lg:text-[4.2rem]">{capital(item.position)}</p>
        <p className="text-2xl">
          {drill.name}. {drill.setUp}
        </p>
        <div>
          <Button look="strong" className="min-h-16 px-8 text-2xl" disabled={!ready || !writes} onClick={onBegin}>
            Begin (Space)
          </Button>
        </div>
      </section>
    );
  }
  if (!stretches) {
    const rest = shown.kind === 'rest';
    return (
      <button type="button" onClick={onPress} className="flex min-w-0 flex-col justify-center gap-4 text-left">
        <span className="text-2xl text-ink2">
          {state.status === 'paused' ? 'waiting: tap to go on' : rest ? 'rest, then the next set' : drill.name}
        </span>
        <span className="text-5xl leading-none font-semibold lg:text-[4.5rem]">
          {rest
            ? 'Rest'
            : segment.segment.kind === 'change side'
              ? `Now the ${segment.segment.to} side`
              : capital(positions[item.position].name)}
        </span>
        <span className="text-2xl lg:text-3xl">
          {rest
            ? ''
            : [item.props.map((id) => props[id].name).join(', '), drill.setUp].filter((part) => part !== '').join('. ')}
        </span>
        <span className="text-7xl font-semibold tabular-nums">{shown.secondsLeft} s</span>
      </button>
    );
  }
  const phase = (shown.phase ?? 'inhale') as Phase;
  return (
    <button type="button" onClick={onPress} className="flex min-h-0 min-w-0 flex-col text-left">
      <span
        className={`text-8xl leading-none font-bold lg:text-[9rem] ${state.status === 'paused' ? 'text-ink2' : phaseInk[phase]}`}
        data-phase={phase}
      >
        {state.status === 'paused' ? 'WAITING' : phaseWords[phase]}
      </span>
      <span className="min-h-0 grow text-[7rem] leading-none font-bold lg:text-[15rem]" data-count>
        {state.status === 'paused' ? '' : shown.count}
        {state.status === 'paused' && (
          <span className="mt-6 block text-3xl font-semibold">
            {state.pausedBy === 'gap' ? 'Back where you left it. Tap, or Space, to go on.' : 'Tap, or Space, to go on.'}
          </span>
        )}
      </span>
      <Ribbon stretches={stretches} askSeconds={askSeconds} className="w-full shrink-0" />
    </button>
  );
}

function Counter({ shown, item }: { shown: Shown; item: PlanItem }) {
  const drill = drillOf(item);
  return (
    <div>
      <p className="flex items-baseline gap-3" data-breaths>
        <span className="text-7xl leading-none font-bold lg:text-8xl">{shown.breath || '–'}</span>
        <span className="text-4xl text-ink2 lg:text-5xl">/{item.breaths}</span>
      </p>
      <h1 className="mt-1 text-xl font-normal text-ink2" data-item={shown.item}>
        {drill.name}
        {item.sets > 1 ? `, ${item.sets} sets` : ''}
      </h1>
    </div>
  );
}

/** One cue at a time; whether it landed is one tap, and then the next is at hand. */
function useCues(run: LiveRun, item: PlanItem, index: number) {
  const { cues } = drillOf(item);
  const [at, setAt] = useState<Record<number, number>>({});
  const current = (at[index] ?? 0) % cues.length;
  const words = cues[current]!;
  const answered = run.state.events.some(
    ({ event }) => event.type === 'cue' && event.item === index && event.cue === words,
  );
  const { append } = run;
  return useMemo(
    () => ({
      words,
      answered,
      nextWords: cues[(current + 1) % cues.length]!,
      landed: (landed: 'yes' | 'partly' | 'no') => append({ type: 'cue', item: index, cue: words, landed }),
      next: () => setAt((all) => ({ ...all, [index]: current + 1 })),
    }),
    [words, answered, cues, current, append, index],
  );
}

/** A mark is stamped at once; for a few seconds the zones offer the likeliest names. */
function useNaming(run: LiveRun, index: number) {
  const { append, state } = run;
  const [marked, setMarked] = useState<{ id: string; item: number } | null>(null);
  const [named, setNamed] = useState<{ fault: FaultId; item: number } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => () => clearTimeout(timer.current ?? undefined), []);

  const mark = useCallback(() => {
    const stamped = append({ type: 'fault', item: index, fault: null });
    if (!stamped) return;
    setMarked({ id: stamped.id, item: index });
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(() => setMarked(null), namingMs);
  }, [append, index]);

  const name = useCallback(
    (fault: FaultId) => {
      if (!marked) return;
      append({ type: 'named', of: marked.id, fault });
      setNamed({ fault, item: marked.item });
      setMarked(null);
    },
    [append, marked],
  );

  const item = state.items[index];
  const likeliest = useMemo(() => (item ? drillOf(item).faults.slice(0, 4) : []), [item]);
  const again =
    named !== null &&
    state.events.filter(({ event }) => event.type === 'named' && event.fault === named.fault).length > 1;
  const correction =
    named && named.item === index ? (again ? faults[named.fault].fallback : faults[named.fault].correction) : null;
  return useMemo(
    () => ({ open: marked !== null, mark, name, likeliest, correction, named: named?.fault ?? null }),
    [marked, mark, name, likeliest, correction, named],
  );
}

/** The easier neighbour of the drill at hand, where gates and props allow it. */
function useEasier(view: ClientView, items: readonly PlanItem[], item: PlanItem) {
  const planner = usePlanner();
  const plan = view.visit?.plan?.plan ?? null;
  const drill = drillOf(item);
  const [found, setFound] = useState<{ for: string; name: string; item: Omit<PlanItem, 'id'> } | null>(null);
  const taken = items.map(({ drillId }) => drillId).join(' ');
  useEffect(() => {
    if (!plan || !drill.easier) return;
    let over = false;
    void planner()
      .alternatives(plan.request, planContext(view), taken.split(' '), drill.id)
      .then((list) => {
        const one = list.find(({ relation }) => relation === 'easier');
        if (!over && one) setFound({ for: drill.id, name: one.drill.name, item: one.item });
      });
    return () => {
      over = true;
    };
  }, [planner, plan, view, drill, taken]);
  const usable = found?.for === drill.id ? found : null;
  return useMemo(
    () => ({
      name: usable?.name ?? null,
      find: async (): Promise<PlanItem | null> => (usable ? { ...usable.item, id: newId() } : null),
    }),
    [usable],
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
