'use client';

import { useCallback, useRef, useState } from 'react';
import {
  type Raw,
  type TapDoubt,
  fewestTaps,
  mergedTaps,
  rateBand,
  rateBandProvenance,
  rateOf,
  settleDoubt,
} from '@/core/look';
import { counted } from '@/core/reasons';
import { Button } from '@/parts/Button';
import { ProvenanceMark } from '@/parts/Provenance';
import { useHydrated } from '@/parts/useHydrated';
import { type LookView } from '../view';
import { FormFields } from './FormFields';
import { LookError } from '../taking/LookError';
import { PositionChips } from '../taking/PositionChips';
import { useLook } from '../taking/useLook';
import { useSpace } from './useSpace';

/** Seconds after which the rate may lock or unlock drills. */
const longEnough = 60;

/** The resting rate by taps, before the client knows that it is watched, and what is seen meanwhile. */
export function QuietLook({ view }: { view: LookView }) {
  const { raw, save, error, beginAgain } = useLook(view, 'quietLook');
  const firstTap = useRef<number | null>(null);
  const [counting, setCounting] = useState(false);
  const over = raw.taps.length > 0 && !counting;
  // A tap that nobody hears yet must not look as if it counted.
  const listening = useHydrated();

  const tap = useCallback(() => {
    if (over) return;
    const now = performance.now();
    firstTap.current ??= now;
    setCounting(true);
    // Two fingers, or one that bounced, are one tap.
    const taps = mergedTaps([...raw.taps, Math.round((now - firstTap.current) / 10) / 100]);
    if (taps.length > raw.taps.length) save({ ...raw, taps });
  }, [over, raw, save]);

  const undoTap = useCallback(() => {
    if (raw.taps.length === 0) return;
    if (raw.taps.length === 1) firstTap.current = null;
    save({ ...raw, taps: raw.taps.slice(0, -1) });
  }, [raw, save]);

  useSpace(tap, undoTap);

  const countAgain = () => {
    firstTap.current = null;
    setCounting(false);
    beginAgain();
  };

  return (
    <div className="grid gap-x-6 gap-y-8 lg:grid-cols-2 xl:gap-x-8">
      <div>
        <button
          type="button"
          disabled={over || !listening}
          onPointerDown={(event) => {
            event.preventDefault();
            tap();
          }}
          onKeyDown={(event) => {
            if (event.key !== ' ' && event.key !== 'Enter') return;
            event.preventDefault();
            if (!event.repeat) tap();
          }}
          className="grid h-56 w-full touch-manipulation place-items-center rounded-one border-2 border-ink select-none hover:bg-leaf active:bg-inhalew disabled:border-rule"
        >
          <span className="text-center">
            <span className="block text-3xl font-semibold">{over ? 'Counted' : 'Tap each inhale'}</span>
            <span className="block text-ink2">{over ? 'count again for a new record' : 'here, or with Space'}</span>
            <span className="mt-3 block text-xl">
              {counted(raw.taps.length, 'tap')}
              {raw.taps.length > 1 && `, ${Math.round(raw.taps.at(-1)!)} s`}
            </span>
          </span>
        </button>
        <div className="mt-3 flex flex-wrap gap-2">
          {counting && (
            <Button look="strong" disabled={raw.taps.length < fewestTaps} onClick={() => setCounting(false)}>
              Done counting
            </Button>
          )}
          <Button disabled={raw.taps.length === 0} onClick={undoTap}>
            Take back the last tap (U)
          </Button>
          <Button disabled={raw.taps.length === 0} onClick={countAgain}>
            Count again
          </Button>
        </div>
        <LookError error={error} />
        <div className="mt-4">
          <Result raw={raw} settle={(taps) => save({ ...raw, taps })} counting={counting} />
        </div>
      </div>
      <div className="space-y-5">
        <PositionChips
          view={view}
          protocol="quietLook"
          value={raw.position}
          onChange={(position) => save({ ...raw, position })}
        />
        <FormFields view={view} protocol="quietLook" raw={raw} save={(next) => save(next as Raw<'quietLook'>)} />
      </div>
    </div>
  );
}

const doubtWords: Readonly<Record<TapDoubt['kind'], { says: (doubt: TapDoubt) => string; way: string }>> = {
  double: {
    says: ({ tap, intervalSeconds }) =>
      `Tap ${tap + 1} came only ${intervalSeconds.toFixed(1)} s after the one before.`,
    way: 'Drop it: a double tap',
  },
  missed: {
    says: ({ tap, intervalSeconds }) => `${intervalSeconds.toFixed(1)} s before tap ${tap + 1}: was a breath missed?`,
    way: 'Put one in: it was missed',
  },
  gap: {
    says: ({ tap, intervalSeconds }) =>
      `${Math.round(intervalSeconds)} s before tap ${tap + 1}: the count was broken off.`,
    way: 'Keep the longer stretch',
  },
};

function Result({
  raw,
  settle,
  counting,
}: {
  raw: Raw<'quietLook'>;
  settle: (taps: number[]) => void;
  counting: boolean;
}) {
  const rate = rateOf(raw.taps);
  if (!rate) {
    const more = Math.max(1, fewestTaps - raw.taps.length);
    return (
      <p className="text-lg text-ink2" role="status">
        {raw.taps.length === 0
          ? 'The rate comes after four taps; a minute or more makes it worth keeping.'
          : `${counted(more, 'more tap')} for a rate.`}
      </p>
    );
  }
  const band = rateBand(rate.breathsPerMinute);
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-3" role={counting ? undefined : 'status'}>
        <span className="text-5xl font-semibold">{rate.breathsPerMinute.toFixed(1)}</span>
        <span className="text-xl">a minute, {band.words}</span>
        <ProvenanceMark provenance={rateBandProvenance} />
      </p>
      <p className="text-ink2">
        {rate.breaths} breaths of {rate.breathSeconds.toFixed(1)} s, give or take {rate.spreadSeconds.toFixed(1)} s from
        breath to breath
        {rate.seconds < longEnough ? `; ${Math.ceil(longEnough - rate.seconds)} s short of a full minute` : ''}.
      </p>
      {!counting &&
        rate.doubts.map((doubt) => (
          <p key={`${doubt.kind}${doubt.tap}`} className="mt-2 flex flex-wrap items-center gap-3">
            <span>{doubtWords[doubt.kind].says(doubt)}</span>
            <Button onClick={() => settle(settleDoubt(raw.taps, doubt))}>{doubtWords[doubt.kind].way}</Button>
          </p>
        ))}
    </div>
  );
}
