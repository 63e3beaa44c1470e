'use client';

import { type ReactNode, useCallback } from 'react';
import { type ClientFigure, countedAt, modeOf } from '@/core/coach';
import { type WeightUnit } from '@/core/load';
import { capital } from '@/core/reasons';
import { type PlanItem, drillOf } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { BreathingBody } from '@/parts/figures/body/BreathingBody';
import { Tally, heldInWords } from './LoadSet';
import { Tick } from './Tick';
import { useBreathShown } from './useBreathShown';
import { type Naming, type Neighbours, type useCues } from './useCoaching';
import { type LiveRun } from './useRun';
import { type ShownMoment } from './useMoment';

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
  weights,
  cues,
  naming,
  neighbours,
  panel,
  figure,
  whole = false,
}: {
  run: LiveRun;
  shown: ShownMoment;
  item: PlanItem;
  weights: WeightUnit;
  cues: ReturnType<typeof useCues>;
  naming: Naming;
  neighbours: Neighbours;
  panel: ReactNode;
  figure: ClientFigure;
  /** The panel needs the whole height: the breaths are only read out meanwhile. */
  whole?: boolean;
}) {
  const live = run.state.status === 'running' || run.state.status === 'paused';
  return (
    <aside
      className={`flex min-h-0 flex-col max-lg:col-span-2 ${panel ? '' : 'upright:grid upright:grid-cols-[minmax(0,1fr)_minmax(0,22rem)] upright:gap-x-6'}`}
      aria-label="This drill"
    >
      <div className={whole ? 'sr-only' : ''}>
        <Counter run={run} shown={shown} item={item} weights={weights} />
      </div>
      {panel ?? (
        <>
          <Figure run={run} item={item} figure={figure} />
          <p
            className="text-3xl leading-[1.06] font-semibold sm:text-4xl upright:text-[2.9rem] lg:text-[2.9rem]"
            aria-live="polite"
            data-cue
          >
            {naming.remedy?.words ?? cues.words}
          </p>
          {naming.remedy ? (
            <p className="mt-1 text-xl text-ink2">
              {naming.remedy.step === 'fallback' ? 'still ' : 'for '}
              {naming.named}
            </p>
          ) : (
            <div
              className="mt-2 flex flex-wrap items-center gap-x-2 max-lg:mt-1"
              role="group"
              aria-label="Did the cue land?"
            >
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
              {neighbours.another && (
                <Button look="quiet" className="!px-1" disabled={!live || !run.writes} onClick={neighbours.takeAnother}>
                  Another way: {neighbours.another}
                </Button>
              )}
            </div>
          )}
        </>
      )}
    </aside>
  );
}

/** The body in this drill, breathing with the run, as the client's window shows it too. */
function Figure({ run, item, figure }: { run: LiveRun; item: PlanItem; figure: ClientFigure }) {
  const ask = useBreathShown(run, item);
  return (
    <figure
      className="my-2 min-h-0 grow max-lg:hidden upright:block upright:col-start-2 upright:row-span-3 upright:row-start-1 upright:h-[min(15rem,20dvh)]"
      aria-hidden
    >
      <BreathingBody
        className="mx-auto h-full max-h-64 w-full"
        spec={figure.spec}
        opened={figure.opened}
        motion={figure.motion}
        ask={ask}
      />
    </figure>
  );
}

function Counter({
  run,
  shown,
  item,
  weights,
}: {
  run: LiveRun;
  shown: ShownMoment;
  item: PlanItem;
  weights: WeightUnit;
}) {
  const mode = modeOf(run.state, shown.item);
  const drill = drillOf(item);
  const counted = countedAt(drill, shown.breath, shown.of || item.breaths);
  const one = drill.setsAre.slice(0, -1);
  const held = drill.load ? heldInWords(item, shown.side, weights) : null;
  const { place } = run;
  const askLeft = useCallback(() => `${Math.ceil(place().leftSeconds)} s`, [place]);
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-3" data-breaths>
        <span className="text-5xl leading-none font-bold upright:text-7xl lg:text-8xl">{counted.at || '–'}</span>
        <span className="text-3xl text-ink2 upright:text-5xl lg:text-5xl">/{counted.of}</span>
        {held ? (
          <span className="text-2xl leading-none font-bold upright:text-4xl lg:text-4xl" data-held>
            {held}
          </span>
        ) : (
          (counted.foot ?? shown.side) && (
            <span className="text-4xl leading-none font-bold upright:text-6xl lg:text-7xl">
              {counted.foot ? `${counted.foot} foot` : shown.side}
            </span>
          )
        )}
      </p>
      {drill.load && counted.what === 'repetition' && shown.of > 0 && (
        <>
          <Tally at={counted.at} of={counted.of} />
          {mode === 'fixed' && item.side === 'both' && shown.side === 'left' && (
            <p className="text-base text-ink2 max-lg:hidden">
              <Tick ask={askLeft} /> left on this side, then the right.
            </p>
          )}
        </>
      )}
      <h1 className="mt-2 text-xl leading-tight max-lg:mt-0 lg:text-2xl font-normal text-ink2" data-item={shown.item}>
        {drill.name}
        {counted.what === 'repetition' && ', repetitions'}
        {item.sets > 1 && (shown.set > 0 ? `, ${one} ${shown.set} of ${item.sets}` : `, ${item.sets} ${drill.setsAre}`)}
        {mode !== 'fixed' && `, ${mode === 'follow' ? 'following' : mode === 'tapped' ? 'by taps' : 'ramp'}`}
      </h1>
      {item.changes.length > 0 && (
        <p className="mt-1 text-base leading-tight font-semibold text-caution lg:text-lg" data-forms>
          ▲ {capital(item.changes.join('; '))}
        </p>
      )}
    </div>
  );
}
