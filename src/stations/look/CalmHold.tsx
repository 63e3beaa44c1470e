'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import {
  type HoldTry,
  calmHold,
  firstBreaths,
  holdBandProvenance,
  holdCounts,
  holdFeelings,
  mostHoldTries,
  restBetweenTriesSeconds,
} from '@/core/look';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { type ClientView } from '../view';
import { LookError } from './LookError';
import { PositionChips } from './PositionChips';
import { useLook } from './useLook';
import { useSpace } from './useSpace';

/** The calm exhale hold: no seconds while it lasts, no last best, at most three tries with a rest between. */
export function CalmHold({ view }: { view: ClientView }) {
  const { raw, save, error } = useLook(view, 'calmHold');
  const began = useRef<number | null>(null);
  const [holding, setHolding] = useState(false);
  const [measured, setMeasured] = useState<number | null>(null);
  const [feeling, setFeeling] = useState<HoldTry['feeling'] | null>(null);
  const [firstBreath, setFirstBreath] = useState<HoldTry['firstBreath'] | null>(null);
  const [restLeft, setRestLeft] = useState(0);
  const full = raw.tries.length >= mostHoldTries;

  const press = useCallback(() => {
    if (measured !== null || full || restLeft > 0) return;
    if (!holding) {
      began.current = performance.now();
      setHolding(true);
    } else {
      setMeasured(Math.round((performance.now() - began.current!) / 100) / 10);
      setHolding(false);
    }
  }, [holding, measured, full, restLeft]);

  useSpace(press);

  useEffect(() => {
    if (restLeft <= 0) return;
    const timer = setTimeout(() => setRestLeft((left) => left - 1), 1000);
    return () => clearTimeout(timer);
  }, [restLeft]);

  const record = () => {
    if (measured === null || !feeling || !firstBreath) return;
    save({ ...raw, tries: [...raw.tries, { seconds: measured, feeling, firstBreath }] });
    setMeasured(null);
    setFeeling(null);
    setFirstBreath(null);
    if (raw.tries.length + 1 < mostHoldTries) setRestLeft(restBetweenTriesSeconds);
  };

  const result = calmHold(raw.tries);
  return (
    <div className="grid gap-8 xl:grid-cols-2">
      <div>
        <PositionChips
          view={view}
          protocol="calmHold"
          value={raw.position}
          onChange={(position) => save({ ...raw, position })}
        />
        <div className="mt-5">
          {measured !== null ? (
            <div className="space-y-4 rounded-one border-2 border-ink p-5">
              <p className="text-3xl font-semibold">{measured.toFixed(1)} s</p>
              <ChoiceChips
                label="How it felt"
                value={feeling}
                choices={holdFeelings.map((value) => ({ value, label: value }))}
                onChange={setFeeling}
              />
              <ChoiceChips
                label="First breath back"
                value={firstBreath}
                choices={firstBreaths.map((value) => ({ value, label: value }))}
                onChange={setFirstBreath}
              />
              <div className="flex gap-2">
                <Button look="strong" disabled={!feeling || !firstBreath} onClick={record}>
                  Record this try
                </Button>
                <Button onClick={() => setMeasured(null)}>Leave it out</Button>
              </div>
            </div>
          ) : (
            <button
              type="button"
              disabled={full || restLeft > 0}
              onClick={press}
              className="grid h-56 w-full place-items-center rounded-one border-2 border-ink hover:bg-leaf disabled:border-rule"
            >
              {holding ? (
                <span className="px-6 text-center">
                  <span aria-hidden className="mb-5 block border-t-4 border-dotted border-ink" />
                  <span className="block text-2xl font-semibold">Breathe when you first want to</span>
                  <span className="block text-ink2">tap or Space at the first wish</span>
                </span>
              ) : (
                <span className="text-center">
                  <span className="block text-2xl font-semibold">
                    {full ? 'Three tries: enough for today' : restLeft > 0 ? `Rest, ${restLeft} s` : 'Start the hold'}
                  </span>
                  {!full && restLeft === 0 && <span className="block text-ink2">after an ordinary breath out</span>}
                </span>
              )}
            </button>
          )}
          {restLeft > 0 && measured === null && (
            <Button look="quiet" onClick={() => setRestLeft(0)}>
              They are ready sooner
            </Button>
          )}
        </div>
        <LookError error={error} />
      </div>
      <div>
        {!holding && raw.tries.length > 0 && (
          <>
            <p className="text-xl" role="status">
              {result.seconds === null
                ? 'No try was calm, so none counts. That is worth knowing too.'
                : `${Math.round(result.seconds)} s, the median of ${result.calmTries} calm ${result.calmTries === 1 ? 'try' : 'tries'}: ${result.band!.words}.`}{' '}
              <ProvenanceMark provenance={holdBandProvenance} />
            </p>
            <ul className="mt-3">
              {raw.tries.map((hold, i) => (
                <li key={i} className="flex flex-wrap items-center justify-between gap-3 border-t border-rule py-1">
                  <span className={holdCounts(hold) ? '' : 'text-ink2'}>
                    {hold.seconds.toFixed(1)} s, {hold.feeling}, {hold.firstBreath}
                    {holdCounts(hold) ? '' : ' (does not count)'}
                  </span>
                  <Button
                    look="quiet"
                    onClick={() => save({ ...raw, tries: raw.tries.filter((_, index) => index !== i) })}
                  >
                    Take out <span className="sr-only">try {i + 1}</span>
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
        <p className="mt-4 text-sm text-ink2">
          Seated or lying the first times. Never in water, driving, on stairs, or alone when light-headed. Praise calm,
          never length.
        </p>
      </div>
    </div>
  );
}
