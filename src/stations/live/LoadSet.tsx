'use client';

import { useCallback, useMemo } from 'react';
import { type Phase } from '@/core/cadence';
import { countedAt, stepAt } from '@/core/coach';
import { type WeightUnit, partAt, repetitionOf, wayOf, weightInWords } from '@/core/load';
import { capital } from '@/core/reasons';
import { type PlanItem, drillOf, weightOf } from '@/core/sequence';
import { Ribbon } from '@/parts/figures/Ribbon';
import { WaitingWords, phaseInk } from './phases';
import { Tick } from './Tick';
import { type LiveRun } from './useRun';
import { type ShownMoment } from './useMoment';

const phaseWords: Record<Phase, string> = { inhale: 'IN', topPause: 'KEEP', exhale: 'OUT', bottomPause: 'WAIT' };
const handOf = (side: PlanItem['side'] | null) => (side === 'left' || side === 'right' ? side : 'none');

/** As large as there is room for: by the letters it has, and beside the count, which takes up to a third, by its longest word. */
const sized = (words: string) => {
  const [letters, word] = [words.length, Math.max(...words.split(' ').map(({ length }) => length))];
  return {
    fontSize: `min(7.5rem, var(--high, 13.8dvh), ${(108 / Math.max(4, letters)).toFixed(1)}cqw, calc((100cqw - min(10rem, 36cqw)) / ${(0.85 * Math.max(4, word)).toFixed(2)}))`,
  };
};

/** A set paced by the clock: the movement's word over the breath's, one count, and how the movement goes over the breath. */
export function LoadSet({
  run,
  shown,
  item,
  onPress,
}: {
  run: LiveRun;
  shown: ShownMoment;
  item: PlanItem;
  onPress: () => void;
}) {
  const { state, place, timeline } = run;
  const drill = drillOf(item);
  const repetition = useMemo(() => repetitionOf(drill.load!, handOf(shown.side)), [drill.load, shown.side]);
  const { breaths } = timeline.segments[shown.segment] ?? place().timed;
  const way = useMemo(() => wayOf(repetition, breaths?.cadences ?? []), [repetition, breaths]);
  const stretches = useMemo(() => (breaths?.cadences ?? []).map((cadence) => ({ cadence, breaths: 1 })), [breaths]);
  const phase = (shown.phase ?? 'inhale') as Phase;
  const longest = repetition.movement.parts.map(({ name }) => name).reduce((a, b) => (b.length > a.length ? b : a));
  const askSeconds = useCallback(() => place().intoSeconds, [place]);
  const askPart = useCallback(() => {
    const { moment } = place();
    return moment
      ? (partAt(repetition, moment.phase, moment.intoSeconds / moment.phaseSeconds) ?? '').toUpperCase()
      : '';
  }, [place, repetition]);
  const askCount = useCallback(() => {
    const { moment } = place();
    return moment ? String(Math.floor(moment.intoSeconds) + 1) : '';
  }, [place]);
  const askOf = useCallback(() => {
    const { moment } = place();
    return moment ? `of ${Math.max(1, Math.round(moment.phaseSeconds))} s` : '';
  }, [place]);
  const step = stepAt(drill, phase, shown.breath);
  const paused = state.status === 'paused';
  return (
    <button
      type="button"
      onClick={onPress}
      className="@container flex min-h-0 w-full min-w-0 flex-col gap-2 text-left upright:[--high:9dvh]"
    >
      {paused ? (
        <WaitingWords pausedBy={state.pausedBy} phase={phase} />
      ) : (
        <span className="grid shrink-0 grid-cols-[minmax(0,1fr)_auto] items-center gap-4">
          <span className="flex min-w-0 flex-col leading-none font-bold">
            <span style={sized(longest)} className="min-h-[1em] break-words" data-part>
              <Tick ask={askPart} />
            </span>
            <span style={sized(phaseWords.topPause)} className={phaseInk[phase]} data-phase={phase}>
              {phaseWords[phase]}
            </span>
          </span>
          <span className="flex flex-col items-center pr-2 upright:pr-6 lg:pr-10">
            <Tick
              ask={askCount}
              className="text-8xl leading-none font-bold tabular-nums upright:text-[min(11rem,13dvh)] lg:text-[min(14rem,25dvh,38cqw)]"
            />
            <Tick ask={askOf} className="text-lg text-ink2 upright:text-2xl lg:text-2xl" />
          </span>
        </span>
      )}
      {step && (
        <span
          className="block text-2xl leading-tight font-semibold upright:text-[min(2.6rem,3.4dvh)] xl:text-[min(2.2rem,5dvh)]"
          data-step
        >
          {step}
        </span>
      )}
      <span className="mt-auto block max-lg:hidden tall:block">
        <span className="block text-base text-ink2">{capital(drill.name)}: the movement over the breath</span>
        <Ribbon {...{ stretches, askSeconds, way }} className="w-full shrink-0" />
      </span>
    </button>
  );
}

/** A set near the most: nothing is paced. What a repetition is made of, and each waits for its tap. */
export function TappedSet({
  shown,
  item,
  onPress,
  status,
}: {
  shown: ShownMoment;
  item: PlanItem;
  onPress: () => void;
  status: string;
}) {
  const drill = drillOf(item);
  const { at, of, what } = countedAt(drill, shown.breath, shown.of || item.breaths);
  return (
    <button
      type="button"
      onClick={onPress}
      className="flex min-h-0 w-full min-w-0 flex-col gap-4 text-left"
      data-tapped
    >
      <span className="text-lg text-ink2 lg:text-2xl">
        {status === 'paused'
          ? 'waiting: tap to go on'
          : `at their own pace; tap when the ${what} is done (Space, B or the pedal)`}
      </span>
      <span className="text-5xl leading-none font-bold lg:text-[min(5.5rem,12dvh)]">
        {capital(what)} {at}
        <span className="text-ink2"> of {of}</span>
      </span>
      <ol className="flex flex-col gap-2 text-2xl leading-tight font-semibold lg:text-[min(2.4rem,5.4dvh)]">
        {drill.steps
          .filter(({ phase }) => phase !== 'throughout')
          .map(({ phase, words }) => (
            <li key={phase + words} className="flex gap-4">
              <span className={`w-28 shrink-0 lg:w-36 ${phaseInk[phase as Phase]}`}>{phaseWords[phase as Phase]}</span>
              <span className="font-normal">{words}</span>
            </li>
          ))}
      </ol>
    </button>
  );
}

/** What is held, and in which hand; nothing where nothing is. */
export function heldInWords(item: PlanItem, side: PlanItem['side'] | null, weights: WeightUnit): string | null {
  const kg = weightOf(item);
  if (kg === null) return null;
  const hand = side === 'left' || side === 'right' ? `${side}, ` : '';
  return `${hand}${weightInWords(kg, weights)}`;
}

/** A stroke for every repetition, by fives: done, under way, to come. */
export function Tally({ at, of }: { at: number; of: number }) {
  const gap = 14;
  const x = (one: number) => 4 + one * gap + Math.floor(one / 5) * gap;
  const width = x(of);
  return (
    <svg
      viewBox={`0 0 ${Math.max(width, 200)} 40`}
      className="mt-1 h-8 w-full max-lg:hidden upright:block"
      preserveAspectRatio="xMinYMid meet"
      aria-hidden
    >
      {Array.from({ length: of }, (_, one) => {
        const done = one < at - 1;
        const now = one === at - 1;
        return (
          <line
            key={one}
            x1={x(one)}
            x2={x(one)}
            y1={now ? 18 : 2}
            y2="38"
            stroke={done || now ? 'var(--ink)' : 'var(--rule)'}
            strokeWidth={done ? 5 : now ? 6 : 2.5}
          />
        );
      })}
    </svg>
  );
}
