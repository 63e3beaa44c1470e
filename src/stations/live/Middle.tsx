'use client';

import { useCallback, useMemo } from 'react';
import { type Phase } from '@/core/cadence';
import { type FaultId, faults, positions, propsInWords } from '@/core/catalogue';
import { type CheckId, modeOf, stepAt } from '@/core/coach';
import { capital } from '@/core/reasons';
import { type PlanItem, drillOf, motionOf } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { Ribbon } from '@/parts/figures/Ribbon';
import { TrunkSection } from '@/parts/figures/trunk/TrunkSection';
import { useBreathShown } from './useBreathShown';
import { LoadSet, TappedSet } from './LoadSet';
import { ChecksAsked } from './Panels';
import { WaitingWords, phaseInk } from './phases';
import { Tick } from './Tick';
import { type Naming } from './useCoaching';
import { type LiveRun } from './useRun';
import { type ShownMoment } from './useMoment';

const phaseWords: Record<Phase, string> = { inhale: 'IN', topPause: 'WAIT', exhale: 'OUT', bottomPause: 'WAIT' };
interface Props {
  run: LiveRun;
  shown: ShownMoment;
  item: PlanItem;
  side: PlanItem['side'];
  naming: Naming;
  onPress: () => void;
  onBegin: () => void;
  onTalkOver: () => void;
  /** What is to be asked after an item, by what was told. */
  checksOf: (index: number) => CheckId[];
  /** Less height than usual: the tiles of a group stand above. */
  tight?: boolean;
}

/** The middle of the screen: the phase and the count; between drills what comes next; in a talk the trunk that teaches. */
export function Middle(props: Props) {
  const { run, shown, item, side, onPress, tight = false } = props;
  const { state, place } = run;
  const motion = useMemo(() => motionOf(drillOf(item), side), [item, side]);
  // For a frame after a swap the words lag behind the plan, which may have become shorter.
  const segment = run.timeline.segments[shown.segment] ?? place().timed;
  const stretches = segment.segment.kind === 'breaths' ? segment.segment.stretches : null;
  const askSeconds = useCallback(() => place().intoSeconds, [place]);
  const askCount = useCallback(() => {
    const { moment } = place();
    return moment ? String(Math.floor(moment.intoSeconds) + 1) : '';
  }, [place]);
  const { status } = state;
  const askBreath = useBreathShown(run, item);

  if (status === 'ready') return <Ready {...props} ask={askBreath} motion={motion} />;
  if (status === 'paused' && state.pausedBy === 'talk') return <Talk {...props} ask={askBreath} motion={motion} />;
  if (!stretches) return <Between {...props} ask={askBreath} motion={motion} />;

  if (modeOf(state, shown.item) === 'tapped') return <TappedSet {...{ shown, item, onPress, status }} />;
  if (drillOf(item).load && !tight) return <LoadSet {...{ run, shown, item, onPress }} />;

  const phase = (shown.phase ?? 'inhale') as Phase;
  const paused = status === 'paused';
  return (
    <button type="button" onClick={onPress} className="@container flex min-h-0 w-full min-w-0 flex-col gap-2 text-left">
      <span className="flex min-h-0 items-start justify-between gap-4">
        {paused ? (
          <WaitingWords pausedBy={state.pausedBy} phase={phase} />
        ) : (
          <span className="flex min-w-0 flex-wrap items-end gap-x-8 gap-y-1">
            <span
              className={`text-7xl leading-none font-bold upright:text-9xl lg:text-[min(9rem,17dvh)] ${phaseInk[phase]}`}
              data-phase={phase}
            >
              {phaseWords[phase]}
            </span>
            <Tick
              ask={askCount}
              className={`text-7xl leading-none font-bold upright:text-9xl ${tight ? 'lg:text-[min(9rem,15dvh)]' : 'lg:text-[min(11rem,20dvh)]'}`}
            />
          </span>
        )}
        <span className={`hidden shrink-0 ${tight ? '' : 'upright:block xl:block'}`}>
          <TrunkSection
            motion={motion}
            view="side"
            ask={askBreath}
            className="h-[min(12rem,22dvh)] w-auto upright:h-[min(12rem,15dvh)]"
          />
        </span>
      </span>
      <Now item={item} phase={phase} breath={shown.breath} tight={tight} />
      <Ribbon
        stretches={stretches}
        askSeconds={askSeconds}
        className="mt-auto w-full shrink-0 max-lg:hidden tall:block"
      />
    </button>
  );
}

/** What to do in this phase, and what floor and belly do meanwhile: read from across the room. */
function Now({ item, phase, breath, tight }: { item: PlanItem; phase: Phase; breath: number; tight: boolean }) {
  const drill = drillOf(item);
  const step = stepAt(drill, phase, breath);
  return (
    <span className="flex min-h-0 flex-col gap-2">
      {step && (
        <span
          className={`block leading-[1.08] font-semibold ${step.length > 60 ? 'text-2xl upright:text-[min(1.9rem,2.8dvh)] lg:text-[min(1.8rem,4dvh)] xl:text-[min(2.2rem,5dvh)]' : 'text-3xl upright:text-[min(2.6rem,3.6dvh)] lg:text-[min(2.2rem,5dvh)] xl:text-[min(2.8rem,6.2dvh)]'}`}
          data-step
        >
          {step}
        </span>
      )}
      {!tight && (
        <span
          className="block text-lg leading-tight upright:text-[min(1.5rem,2.1dvh)] lg:text-[min(1.3rem,3dvh)] xl:text-[min(1.6rem,3.6dvh)]"
          data-lines
        >
          <span className="block">
            <span className="text-ink2">Floor: </span>
            {drill.floorCue}
          </span>
          <span className="block">
            <span className="text-ink2">Belly: </span>
            {drill.abdominalCue}
          </span>
        </span>
      )}
    </span>
  );
}

type Inner = Props & {
  ask: Parameters<typeof TrunkSection>[0]['ask'];
  motion: Parameters<typeof TrunkSection>[0]['motion'];
};

function Ready({ run, item, onBegin, ask, motion }: Inner) {
  const drill = drillOf(item);
  return (
    <section className="grid min-h-0 min-w-0 items-center gap-5 upright:grid-cols-[minmax(0,1fr)_11rem] xl:grid-cols-[minmax(0,1fr)_11rem]">
      <div className="flex min-w-0 flex-col gap-5">
        <p className="text-4xl leading-tight font-semibold upright:text-6xl lg:text-[4.2rem]">
          {capital(item.position)}
        </p>
        <p className="text-lg upright:text-2xl lg:text-2xl">
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
      <div className="hidden upright:block xl:block">
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

function Between({ run, shown, item, naming, onPress, checksOf, tight = false, ask, motion }: Inner) {
  const { state, place } = run;
  const drill = drillOf(item);
  const { segment } = run.timeline.segments[shown.segment] ?? place().timed;
  const rest = shown.kind === 'rest';
  const stay = shown.kind === 'stay';
  const before = shown.kind === 'set-up' ? run.state.items[shown.item - 1] : undefined;
  // What a round changed is asked when it is over: in the rest, and once more when the next drill is set up.
  const asked = rest ? drill.afterSet : before ? drillOf(before).afterSet : null;
  // Leaks and the like are asked as soon as a set is over, in the rest or while the next drill is set up.
  const over = rest ? shown.item : shown.kind === 'set-up' ? shown.item - 1 : -1;
  // In a group it is about one person, and asked under Checks once they are chosen.
  const toAsk = !tight && over >= 0 && checksOf(over).length > 0 ? over : null;
  const throughout = drill.steps.find(({ phase }) => phase === 'throughout')?.words;
  const words = rest
    ? ''
    : stay
      ? `Floor: ${drill.floorCue} Belly: ${drill.abdominalCue}`
      : [capital(propsInWords(item.props)), drill.setUp, throughout ?? '']
          .filter((part) => part !== '')
          .map((part) => part.replace(/\.?$/, '.'))
          .join(' ');
  const askLeft = useCallback(() => `${Math.ceil(place().leftSeconds)} s`, [place]);
  const title =
    rest || segment.kind === 'rest'
      ? 'Rest'
      : stay
        ? 'Stay, and breathe'
        : segment.kind === 'change side'
          ? `Now the ${segment.to} side`
          : capital(positions[item.position].name);
  return (
    <section className="grid min-h-0 min-w-0 gap-4 upright:grid-cols-[minmax(0,1fr)_11rem] xl:grid-cols-[minmax(0,1fr)_11rem]">
      <div className="flex min-h-0 min-w-0 flex-col justify-center gap-4">
        <button type="button" onClick={onPress} className="flex min-w-0 flex-col gap-2 text-left lg:gap-4">
          <span className="text-lg text-ink2 lg:text-2xl">
            {state.status === 'paused'
              ? state.pausedBy === 'gap'
                ? 'Back where you left it. Tap, or Space, to go on.'
                : 'waiting: tap to go on'
              : rest
                ? `rest, then the next ${drill.setsAre.slice(0, -1)}`
                : stay
                  ? 'after the last repetition'
                  : 'set up'}
          </span>
          <span className="text-4xl leading-none font-semibold upright:text-6xl lg:text-[min(4.5rem,8dvh)]">
            {title}
          </span>
          <span
            className={`text-lg leading-snug upright:text-2xl ${words.length > 120 ? 'lg:text-2xl xl:text-[min(1.9rem,3.7dvh)]' : 'lg:text-3xl'}`}
          >
            {asked && (
              <span className="mb-2 block font-semibold" data-after-set>
                {before ? `${drillOf(before).name}: ` : ''}
                {asked}
              </span>
            )}
            {words}
          </span>
          <Tick
            ask={askLeft}
            className="text-5xl font-semibold tabular-nums upright:text-7xl lg:text-[min(4.5rem,8dvh)]"
          />
        </button>
        {toAsk !== null && run.writes && (
          <ChecksAsked run={run} index={toAsk} checks={checksOf(toAsk)} who={undefined} />
        )}
        <Unnamed run={run} naming={naming} />
      </div>
      <div className="hidden self-center upright:block xl:block">
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
