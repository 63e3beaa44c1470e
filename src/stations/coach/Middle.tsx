'use client';

import { capital } from '@/core/reasons';
import { useCallback } from 'react';
import { type Phase } from '@/core/cadence';
import { positions, props } from '@/core/catalogue';
import { type PlanItem, drillOf } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { Ribbon } from '@/parts/figures/Ribbon';
import { type LiveRun } from './useRun';
import { type Shown } from './useShown';

const phaseWords: Record<Phase, string> = { inhale: 'IN', topPause: 'WAIT', exhale: 'OUT', bottomPause: 'WAIT' };
const phaseInk: Record<Phase, string> = {
  inhale: 'text-inhale',
  topPause: 'text-ink',
  exhale: 'text-exhale',
  bottomPause: 'text-ink',
};

/** The middle of the screen: the phase and the count; between drills what comes next; tapping it waits and goes on. */
export function Middle({
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
  // For a frame after a swap the words lag behind the plan, which may have become shorter.
  const segment = run.timeline.segments[shown.segment] ?? place().timed;
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
