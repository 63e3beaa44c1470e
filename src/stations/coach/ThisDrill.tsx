'use client';

import { type ReactNode, memo } from 'react';
import { modeOf } from '@/core/coach';
import { type PlanItem, drillOf, openedRegions } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { LateMannequin } from '@/parts/figures/mannequin/LateMannequin';
import { partsToTint } from '@/parts/figures/mannequin/Mannequin';
import { type Naming, type useCues } from './useCoaching';
import { type LiveRun } from './useRun';
import { type Shown } from './useShown';

const answers = [
  ['yes', 'Landed'],
  ['partly', 'Partly'],
  ['no', 'No'],
] as const;

/** The right of the screen: breaths and side, the figure (or the panel that is open), one cue and how it landed. */
export function ThisDrill({
  run,
  shown,
  item,
  side,
  cues,
  naming,
  panel,
  whole = false,
}: {
  run: LiveRun;
  shown: Shown;
  item: PlanItem;
  side: PlanItem['side'];
  cues: ReturnType<typeof useCues>;
  naming: Naming;
  panel: ReactNode;
  /** The panel needs the whole height: the breaths are only read out meanwhile. */
  whole?: boolean;
}) {
  const live = run.state.status === 'running' || run.state.status === 'paused';
  return (
    <aside className="flex min-h-0 flex-col max-lg:col-span-2" aria-label="This drill">
      <div className={whole ? 'sr-only' : ''}>
        <Counter run={run} shown={shown} item={item} />
      </div>
      {panel ?? (
        <>
          <Figure item={item} side={side} />
          <p className="text-4xl leading-[1.06] font-semibold lg:text-[2.9rem]" aria-live="polite" data-cue>
            {naming.remedy?.words ?? cues.words}
          </p>
          {naming.remedy ? (
            <p className="mt-1 text-xl text-ink2">
              {naming.remedy.step === 'fallback' ? 'still ' : 'for '}
              {naming.named}
            </p>
          ) : (
            <div className="mt-2 flex flex-wrap items-center gap-2" role="group" aria-label="Did the cue land?">
              {answers.map(([value, label]) => (
                <Button
                  key={value}
                  className={`!px-3 ${cues.answer === value ? '!bg-ink !text-onink' : '!font-normal'}`}
                  aria-pressed={cues.answer === value}
                  disabled={!live || !run.writes}
                  onClick={() => cues.landed(value)}
                >
                  {label}
                </Button>
              ))}
              <Button look="quiet" className="!px-1" onClick={cues.next}>
                Another cue
              </Button>
            </div>
          )}
        </>
      )}
    </aside>
  );
}

/** The pose: drawn anew only for another drill or side, not with every count. */
const Figure = memo(function Figure({ item, side }: { item: PlanItem; side: PlanItem['side'] }) {
  const drill = drillOf(item);
  return (
    <figure className="my-2 min-h-0 grow max-lg:hidden" aria-hidden>
      <LateMannequin
        className="mx-auto h-full max-h-64 w-full"
        position={item.position}
        movement={drill.movement}
        props={item.props}
        side={side === 'right' ? 'right' : 'left'}
        tinted={partsToTint(openedRegions(drill, side))}
      />
    </figure>
  );
});

function Counter({ run, shown, item }: { run: LiveRun; shown: Shown; item: PlanItem }) {
  const mode = modeOf(run.state, shown.item);
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-3" data-breaths>
        <span className="text-6xl leading-none font-bold lg:text-8xl">{shown.breath || '–'}</span>
        <span className="text-4xl text-ink2 lg:text-5xl">/{shown.of || item.breaths}</span>
        {shown.side && <span className="text-5xl leading-none font-bold lg:text-7xl">{shown.side}</span>}
      </p>
      <h1 className="mt-2 text-2xl leading-tight font-normal text-ink2" data-item={shown.item}>
        {drillOf(item).name}
        {item.sets > 1 && (shown.set > 0 ? `, set ${shown.set} of ${item.sets}` : `, ${item.sets} sets`)}
        {mode !== 'fixed' && `, ${mode === 'follow' ? 'following' : 'ramp'}`}
      </h1>
    </div>
  );
}
