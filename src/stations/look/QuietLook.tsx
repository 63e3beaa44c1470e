'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type Raw, fewestTaps, quietRate, rateBand, rateBandProvenance, settleDoubt } from '@/core/look';
import { type VisitRecord } from '@/core/record';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { isControl, isTyping } from '@/parts/shell/keys';
import { PositionChips } from './PositionChips';
import { useLook } from './useLook';

const blank: Raw<'quietLook'> = {
  position: 'hook-lying',
  taps: [],
  starts: 'not observed',
  route: 'not observed',
  sound: 'not observed',
  seen: [],
};

/** Seconds after which the rate may lock or unlock drills. */
const longEnough = 60;

export function QuietLook({ visit }: { visit: VisitRecord }) {
  const { raw, save, error, beginAgain } = useLook(visit, 'quietLook', 'before', blank);
  const firstTap = useRef<number | null>(null);
  const [counting, setCounting] = useState(false);
  const over = raw.taps.length > 0 && !counting;

  const tap = useCallback(() => {
    if (over) return;
    const now = performance.now();
    firstTap.current ??= now;
    setCounting(true);
    save({ ...raw, taps: [...raw.taps, Math.round((now - firstTap.current) / 10) / 100] });
  }, [over, raw, save]);

  const undoTap = useCallback(() => {
    if (raw.taps.length === 0) return;
    if (raw.taps.length === 1) firstTap.current = null;
    save({ ...raw, taps: raw.taps.slice(0, -1) });
  }, [raw, save]);

  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.repeat) return;
      if (event.key === ' ' && !isControl(event.target)) {
        event.preventDefault();
        tap();
      }
      if (event.key.toLowerCase() === 'u' && !event.ctrlKey && !event.metaKey) undoTap();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [tap, undoTap]);

  const countAgain = () => {
    firstTap.current = null;
    setCounting(false);
    beginAgain();
  };

  return (
    <div className="grid gap-8 xl:grid-cols-[1fr_1fr]">
      <div>
        <button
          type="button"
          disabled={over}
          onPointerDown={(event) => {
            event.preventDefault();
            tap();
          }}
          onKeyDown={(event) => {
            if (event.key !== ' ' && event.key !== 'Enter') return;
            event.preventDefault();
            if (!event.repeat) tap();
          }}
          className="grid h-64 w-full touch-manipulation place-items-center rounded-one border-2 border-ink select-none hover:bg-leaf active:bg-inhalew disabled:border-rule"
        >
          <span className="text-center">
            <span className="block text-3xl font-semibold">{over ? 'Counted' : 'Tap each inhale'}</span>
            <span className="block text-ink2">{over ? 'count again for a new record' : 'here, or with Space'}</span>
            <span className="mt-3 block text-xl">
              {raw.taps.length} {raw.taps.length === 1 ? 'tap' : 'taps'}
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
        {error && (
          <p role="alert" className="mt-2 font-semibold">
            {error}
          </p>
        )}
      </div>
      <div className="space-y-5">
        <Result raw={raw} settle={(taps) => save({ ...raw, taps })} counting={counting} />
        <PositionChips value={raw.position} onChange={(position) => save({ ...raw, position })} />
        <ChoiceChips
          label="Where it starts"
          value={raw.starts}
          choices={[
            { value: 'belly', label: 'Belly' },
            { value: 'ribs', label: 'Ribs' },
            { value: 'chest', label: 'Chest' },
            { value: 'not observed', label: 'Not seen' },
          ]}
          onChange={(starts) => save({ ...raw, starts })}
        />
        <div className="flex flex-wrap gap-6">
          <ChoiceChips
            label="Through"
            value={raw.route}
            choices={[
              { value: 'nose', label: 'Nose' },
              { value: 'mouth', label: 'Mouth' },
              { value: 'both', label: 'Both' },
              { value: 'not observed', label: 'Not seen' },
            ]}
            onChange={(route) => save({ ...raw, route })}
          />
          <ChoiceChips
            label="Sound"
            value={raw.sound}
            choices={[
              { value: 'silent', label: 'Silent' },
              { value: 'audible', label: 'Audible' },
              { value: 'not observed', label: 'Not heard for' },
            ]}
            onChange={(sound) => save({ ...raw, sound })}
          />
        </div>
        <TickChips
          label="Also seen"
          values={raw.seen}
          choices={[
            { value: 'sighs', label: 'Sighs' },
            { value: 'yawns', label: 'Yawns' },
            { value: 'pauses', label: 'Pauses' },
            { value: 'shoulders', label: 'Shoulders rise' },
          ]}
          onChange={(seen) => save({ ...raw, seen })}
        />
      </div>
    </div>
  );
}

function Result({
  raw,
  settle,
  counting,
}: {
  raw: Raw<'quietLook'>;
  settle: (taps: number[]) => void;
  counting: boolean;
}) {
  if (raw.taps.length < fewestTaps) {
    const more = fewestTaps - raw.taps.length;
    return (
      <p className="text-lg text-ink2" role="status">
        {raw.taps.length === 0
          ? 'The rate comes after four taps; a minute or more makes it worth keeping.'
          : `${more} more ${more === 1 ? 'tap' : 'taps'} for a rate.`}
      </p>
    );
  }
  const rate = quietRate(raw.taps);
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
            <span>
              {doubt.kind === 'double'
                ? `Tap ${doubt.tap + 1} came only ${doubt.intervalSeconds.toFixed(1)} s after the one before.`
                : `${doubt.intervalSeconds.toFixed(1)} s before tap ${doubt.tap + 1}: was a breath missed?`}
            </span>
            <Button onClick={() => settle(settleDoubt(raw.taps, doubt))}>
              {doubt.kind === 'double' ? 'Drop it: a double tap' : 'Put one in: it was missed'}
            </Button>
          </p>
        ))}
    </div>
  );
}
