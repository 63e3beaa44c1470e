'use client';

import { useId, useState } from 'react';
import {
  type Cadence,
  type MeasuredBreath,
  type Phase,
  breathsPerMinute,
  climb,
  comfortOf,
  cycleSeconds,
  exhaleShare,
  ladder,
  phaseLength,
  phases,
} from '@/core/cadence';
import { type Drill } from '@/core/catalogue';
import { lowered } from '@/core/reasons';
import { type Gates } from '@/core/safety';
import { type PlanItem, phaseLimits, withPhase } from '@/core/sequence';
import { TickChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { Stepper } from '@/parts/Stepper';

const words: Record<Phase, string> = { inhale: 'In', topPause: 'Pause', exhale: 'Out', bottomPause: 'Pause after' };

/** One breath of an item, large: tap a phase to change its seconds, within what the drill and the day allow. */
export function BreathEditor({
  drill,
  item,
  gates,
  measured,
  phase,
  onPhase,
  onChange,
}: {
  drill: Drill;
  item: PlanItem;
  gates: Gates;
  measured: MeasuredBreath;
  phase: Phase | null;
  onPhase: (phase: Phase) => void;
  onChange: (change: Pick<PlanItem, 'cadences'> & Partial<Pick<PlanItem, 'breaths'>>) => void;
}) {
  const [linked, setLinked] = useState(false);
  const limits = phaseLimits(drill, gates);
  const first = item.cadences[0]!;
  const slowest = item.cadences.at(-1)!;
  const isLadder = drill.breath.kind === 'ladder';
  const climbs = !isLadder && item.cadences.length > 1;
  const offered = limits.filter(({ max, phase: own }) => max > 0 || phaseLength(first, own) > 0);
  const comfort = comfortOf(slowest, measured);
  const most = limits.find(({ phase: own }) => own === 'exhale')!.max;

  const setPhase = (which: Phase, seconds: number) => {
    const next = withPhase(first, which, seconds, limits, linked);
    onChange({ cadences: climbs ? climb(next, item.cadences.length, 1, most) : [next] });
  };

  return (
    <section aria-label="One breath">
      <OneBreath breath={first} phase={phase} onPhase={onPhase} fixed={isLadder} />
      <p className="mt-1 text-ink2">
        <span className="font-semibold text-ink">{breathsPerMinute(first).toFixed(1)}</span> a minute, a breath of{' '}
        {cycleSeconds(first)} s, {Math.round(exhaleShare(first) * 100)} % exhale
        {item.cadences.length > 1 && `; the last ${breathsPerMinute(slowest).toFixed(1)} a minute`}
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-3">
        {isLadder ? (
          <Stepper
            label="Rungs"
            value={item.cadences.length}
            min={2}
            max={8}
            onChange={(rungs) => onChange({ cadences: ladder(rungs), breaths: rungs })}
          />
        ) : (
          offered.map(({ phase: own, min, max, because }) => (
            <div
              key={own}
              className={own === phase ? 'border-b-2 border-ink pb-1' : 'border-b-2 border-transparent pb-1'}
            >
              <Stepper
                label={words[own]}
                value={phaseLength(first, own)}
                unit="s"
                min={min}
                max={max}
                step={0.5}
                onChange={(seconds) => setPhase(own, seconds)}
              />
              <p className="mt-0.5 text-sm text-ink2">
                {min} to {max} s
                {because && (
                  <>
                    , held off: {lowered(because.what)} <ProvenanceMark provenance={because.provenance} />
                  </>
                )}
              </p>
            </div>
          ))
        )}
        {!isLadder && (
          <TickChips
            label="How it changes"
            values={[...(linked ? (['linked'] as const) : []), ...(climbs ? (['climbs'] as const) : [])]}
            choices={[
              { value: 'linked', label: 'In and out linked' },
              { value: 'climbs', label: 'Exhale grows a count each breath' },
            ]}
            onChange={(values) => {
              setLinked(values.includes('linked'));
              if (values.includes('climbs') === climbs) return;
              const rungs = Math.max(2, Math.min(12, Math.floor(most - first.exhaleSeconds) + 1));
              if (climbs) onChange({ cadences: [first], breaths: drill.breaths.start });
              else onChange({ cadences: climb(first, rungs, 1, most), breaths: rungs });
            }}
          />
        )}
      </div>
      {comfort.map((sentence) => (
        <p key={sentence} className="mt-2 font-semibold text-caution">
          ▲ {sentence}
        </p>
      ))}
    </section>
  );
}

/** The breath as a shape: the inhale rises, the exhale falls, pauses are dotted; each phase is a button. */
function OneBreath({
  breath,
  phase,
  onPhase,
  fixed,
}: {
  breath: Cadence;
  phase: Phase | null;
  onPhase: (phase: Phase) => void;
  fixed: boolean;
}) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const shapes: Record<Phase, string> = {
    inhale: '0,100 100,0 100,100',
    topPause: '',
    exhale: '0,0 100,100 0,100',
    bottomPause: '',
  };
  return (
    <div
      className="flex h-20 max-w-xl items-stretch border-b border-rule"
      role="group"
      aria-label="Phases of the breath"
    >
      {phases
        .filter((own) => phaseLength(breath, own) > 0)
        .map((own) => {
          const seconds = phaseLength(breath, own);
          const pause = shapes[own] === '';
          return (
            <button
              key={own}
              type="button"
              disabled={fixed}
              aria-pressed={phase === own}
              aria-label={`${words[own]}, ${seconds} s`}
              onClick={() => onPhase(own)}
              style={{ flexGrow: seconds, flexBasis: 44 }}
              className={`relative min-w-11 ${phase === own ? 'outline-2 -outline-offset-1 outline-ink' : ''} disabled:cursor-default`}
            >
              <svg viewBox="0 0 100 100" preserveAspectRatio="none" className="absolute inset-0 size-full" aria-hidden>
                <defs>
                  <pattern
                    id={`${id}${own}`}
                    width="5"
                    height="8"
                    patternUnits="userSpaceOnUse"
                    patternTransform="rotate(-38)"
                  >
                    <rect width="5" height="8" fill="var(--exhalew)" />
                    <rect width="2" height="8" fill="var(--exhale)" />
                  </pattern>
                </defs>
                {pause ? (
                  <line
                    x1="4"
                    x2="96"
                    y1={own === 'topPause' ? 3 : 97}
                    y2={own === 'topPause' ? 3 : 97}
                    stroke="var(--ink)"
                    strokeWidth="3"
                    strokeDasharray="0.1 6"
                    strokeLinecap="round"
                    vectorEffect="non-scaling-stroke"
                  />
                ) : (
                  <polygon points={shapes[own]} fill={own === 'inhale' ? 'var(--inhale)' : `url(#${id}${own})`} />
                )}
              </svg>
              <span
                className={`absolute bottom-1 rounded-one bg-paper px-1.5 text-sm font-semibold ${own === 'inhale' ? 'right-1' : 'left-1'}`}
              >
                {seconds} s
              </span>
            </button>
          );
        })}
    </div>
  );
}
