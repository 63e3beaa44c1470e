'use client';

import { useCallback, useMemo } from 'react';
import { type Phase } from '@/core/cadence';
import { type FaultId, faults, positions, props } from '@/core/catalogue';
import { capital } from '@/core/reasons';
import { type PlanItem, drillOf } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { Ribbon } from '@/parts/figures/Ribbon';
import { TrunkSection } from '@/parts/figures/trunk/TrunkSection';
import { motionOf, teachingMoment } from '../teaching';
import { Tick } from './Tick';
import { type Naming } from './useCoaching';
import { type LiveRun } from './useRun';
import { type Shown } from './useShown';

const phaseWords: Record<Phase, string> = { inhale: 'IN', topPause: 'WAIT', exhale: 'OUT', bottomPause: 'WAIT' };
const phaseInk: Record<Phase, string> = {
  inhale: 'text-inhale',
  topPause: 'text-ink',
  exhale: 'text-exhale',
  bottomPause: 'text-ink',
};

interface Props {
  run: LiveRun;
  shown: Shown;
  item: PlanItem;
  side: PlanItem['side'];
  naming: Naming;
  onPress: () => void;
  onBegin: () => void;
  onTalkOver: () => void;
  /** Less height than usual: the tiles of a group stand above. */
  tight?: boolean;
}

/** The middle of the screen: the phase and the count; between drills what comes next; in a talk the trunk that teaches. */
export function Middle(props: Props) {
  const { run, shown, item, side, onPress, tight = false } = props;
  const { state, place, nowMs } = run;
  const motion = useMemo(() => motionOf(item, side), [item, side]);
  // For a frame after a swap the words lag behind the plan, which may have become shorter.
  const segment = run.timeline.segments[shown.segment] ?? place().timed;
  const stretches = segment.segment.kind === 'breaths' ? segment.segment.stretches : null;
  const askSeconds = useCallback(() => place().intoSeconds, [place]);
  const askCount = useCallback(() => {
    const { moment } = place();
    return moment ? String(Math.floor(moment.intoSeconds) + 1) : '';
  }, [place]);
  const { status } = state;
  /** The drill's own breath, round and round, while the pacer does not pace it. */
  const askBreath = useCallback(
    () => (status === 'running' && place().moment !== null ? place().moment : teachingMoment(item.cadences, nowMs())),
    [status, place, item, nowMs],
  );

  if (status === 'ready') return <Ready {...props} ask={askBreath} motion={motion} />;
  if (status === 'paused' && state.pausedBy === 'talk') return <Talk {...props} ask={askBreath} motion={motion} />;
  if (!stretches) return <Between {...props} ask={askBreath} motion={motion} />;

  const phase = (shown.phase ?? 'inhale') as Phase;
  const paused = status === 'paused';
  return (
    <button type="button" onClick={onPress} className="flex min-h-0 min-w-0 flex-col text-left">
      <span className="flex min-h-0 grow justify-between gap-4">
        <span className="flex min-w-0 flex-col">
          <span
            className={`text-7xl leading-none font-bold lg:text-[min(9rem,17dvh)] ${paused ? 'text-ink2 lg:!text-[min(7rem,14dvh)]' : phaseInk[phase]}`}
            data-phase={phase}
          >
            {paused ? 'WAITING' : phaseWords[phase]}
          </span>
          {paused ? (
            <span className="mt-6 block text-3xl font-semibold">
              {state.pausedBy === 'gap'
                ? 'Back where you left it. Tap, or Space, to go on.'
                : 'Tap, or Space, to go on.'}
            </span>
          ) : (
            <Tick
              ask={askCount}
              className={`min-h-0 text-7xl leading-none font-bold ${tight ? 'lg:text-[min(11rem,18dvh)]' : 'lg:text-[min(16.25rem,31dvh)]'}`}
            />
          )}
        </span>
        <span className="hidden min-h-0 w-56 shrink-0 self-center xl:block">
          <TrunkSection motion={motion} view="side" ask={askBreath} className="max-h-88 w-full" />
        </span>
      </span>
      <Ribbon stretches={stretches} askSeconds={askSeconds} className="w-full shrink-0" />
    </button>
  );
}

type Inner = Props & {
  ask: Parameters<typeof TrunkSection>[0]['ask'];
  motion: Parameters<typeof TrunkSection>[0]['motion'];
};

function Ready({ run, item, onBegin, ask, motion }: Inner) {
  const drill = drillOf(item);
  return (
    <section className="grid min-h-0 min-w-0 items-center gap-5 xl:grid-cols-[minmax(0,1fr)_11rem]">
      <div className="flex min-w-0 flex-col gap-5">
        <p className="text-5xl leading-tight font-semibold lg:text-[4.2rem]">{capital(item.position)}</p>
        <p className="text-2xl">
          {drill.name}. {drill.setUp}
        </p>
        <div>
          <Button
            look="strong"
            className="min-h-16 px-8 text-2xl"
            disabled={!run.ready || !run.writes}
            onClick={onBegin}
          >
            Begin (Space)
          </Button>
        </div>
      </div>
      <div className="hidden xl:block">
        <TrunkSection motion={motion} view="side" ask={ask} labels className="max-h-80 w-full" />
      </div>
    </section>
  );
}

/** While the pacer is held for teaching: both views, moving as this drill's breath moves, and what they show in words. */
function Talk({ onTalkOver, ask, motion }: Inner) {
  return (
    <section className="flex min-h-0 min-w-0 flex-col gap-3" aria-label="Talk" data-talk>
      <div className="flex min-h-0 grow justify-center gap-6">
        <TrunkSection motion={motion} view="side" ask={ask} labels className="h-full min-h-0 w-1/2" />
        <TrunkSection motion={motion} view="front" ask={ask} labels className="h-full min-h-0 w-1/2 max-sm:hidden" />
      </div>
      <p className="text-xl">{motion.words.join(' ')}</p>
      <div>
        <Button look="strong" className="min-h-14 px-6 text-xl" onClick={onTalkOver}>
          Go on where it was held (T)
        </Button>
      </div>
    </section>
  );
}

function Between({ run, shown, item, naming, onPress, ask, motion }: Inner) {
  const { state, place } = run;
  const drill = drillOf(item);
  const { segment } = run.timeline.segments[shown.segment] ?? place().timed;
  const rest = shown.kind === 'rest';
  const askLeft = useCallback(() => `${Math.ceil(place().leftSeconds)} s`, [place]);
  const title =
    rest || segment.kind === 'rest'
      ? 'Rest'
      : segment.kind === 'change side'
        ? `Now the ${segment.to} side`
        : capital(positions[item.position].name);
  return (
    <section className="grid min-h-0 min-w-0 gap-4 xl:grid-cols-[minmax(0,1fr)_11rem]">
      <div className="flex min-h-0 min-w-0 flex-col justify-center gap-4">
        <button type="button" onClick={onPress} className="flex min-w-0 flex-col gap-4 text-left">
          <span className="text-2xl text-ink2">
            {state.status === 'paused'
              ? state.pausedBy === 'gap'
                ? 'Back where you left it. Tap, or Space, to go on.'
                : 'waiting: tap to go on'
              : rest
                ? 'rest, then the next set'
                : 'set up'}
          </span>
          <span className="text-5xl leading-none font-semibold lg:text-[4.5rem]">{title}</span>
          <span className="text-2xl lg:text-3xl">
            {rest
              ? ''
              : [capital(item.props.map((id) => props[id].name).join(', ')), drill.setUp]
                  .filter((part) => part !== '')
                  .join('. ')}
          </span>
          <Tick ask={askLeft} className="text-7xl font-semibold tabular-nums" />
        </button>
        <Unnamed run={run} naming={naming} />
      </div>
      <div className="hidden self-center xl:block">
        {!rest && <TrunkSection motion={motion} view="front" ask={ask} labels className="max-h-80 w-full" />}
      </div>
    </section>
  );
}

/** Marks made without a name, asked about once the hands are free: one tap each. */
function Unnamed({ run, naming }: { run: LiveRun; naming: Naming }) {
  const [first, ...more] = naming.waiting;
  if (!first || !run.writes) return null;
  const drill = drillOf(run.state.items[first.item]!);
  return (
    <div className="border-t border-ink pt-2" data-panel>
      <p className="text-lg">
        What was the mark in breath {first.afterBreaths + 1} of {drill.name}?
        {more.length > 0 && ` ${more.length} more after it.`}
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        {naming
          .orderFor(first.item)
          .slice(0, 4)
          .map((fault: FaultId) => (
            <Button
              key={fault}
              className="!px-3 !font-normal"
              onClick={() => naming.nameOne(first.id, first.item, fault)}
            >
              {capital(faults[fault].words)}
            </Button>
          ))}
        <Button look="quiet" onClick={() => run.append({ type: 'undo', of: first.id })}>
          It was nothing
        </Button>
      </div>
    </div>
  );
}
