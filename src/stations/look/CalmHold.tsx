'use client';

import { commonPractice, counted, listed } from '@/core/reasons';
import { Link } from '@/parts/Link';
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { type ClientFrame } from '@/core/coach';
import {
  type HoldTry,
  type LookRecord,
  calmHold,
  firstHoldPositions,
  harderHoldsFollow,
  holdAdvice,
  holdBandProvenance,
  holdCounts,
  mostHoldTries,
  restLeft,
} from '@/core/look';
import { Button } from '@/parts/Button';
import { useHydrated } from '@/parts/useHydrated';
import { ProvenanceMark } from '@/parts/Provenance';
import { useKeptValue } from '@/parts/useKept';
import { useClientWindow, useOpenClientWindow } from '../live/useClientWindow';
import { type ClientView } from '../view';
import { AfterHold } from '../taking/AfterHold';
import { LookError } from '../taking/LookError';
import { PositionChips } from '../taking/PositionChips';
import { allowedPositions, useLook } from '../taking/useLook';
import { useSpace } from './useSpace';

type Measured = Pick<HoldTry, 'seconds' | 'steps' | 'endedAt'>;

/** The calm exhale hold: no seconds while it lasts, no last best, at most three tries with a rest between. */
export function CalmHold({ view }: { view: ClientView<'looks' | 'holdsBefore'> }) {
  const { raw, save, error } = useLook(view, 'calmHold');
  const walking = raw.position === 'walking';
  const hold = useHold(walking);
  const left = useRestLeft(raw.tries);
  const [harder, setHarder] = useState(false);
  const later = useMemo(
    () =>
      harder || harderHoldsFollow(view.holdsBefore)
        ? []
        : allowedPositions(view, 'calmHold').filter((position) => !firstHoldPositions.includes(position)),
    [harder, view],
  );
  // A hold that was measured and not yet told of outlives a reload.
  const [measured, setMeasured] = useKeptValue<Measured>(`kokyu.hold.${view.visit!.id}`);
  const resting = left > 0;
  const full = raw.tries.length >= mostHoldTries;
  const canStart = measured === null && !full && !resting;

  const end = useCallback(() => setMeasured(hold.end()), [hold, setMeasured]);
  const press = useCallback(() => {
    if (hold.holding) {
      if (walking) hold.step();
      else end();
    } else if (canStart) hold.begin();
  }, [hold, walking, end, canStart]);
  useSpace(press);
  const listening = useHydrated();

  const frame = useCallback(
    (): ClientFrame => (hold.holding ? { kind: 'hold' } : { kind: 'rest', words: 'Rest' }),
    [hold.holding],
  );
  // A page left open in another tab must not talk over a run.
  useClientWindow(frame, epochNow, [hold.holding], useVisible());

  const record = (feeling: HoldTry['feeling'], firstBreath: HoldTry['firstBreath']) => {
    save({ ...raw, tries: [...raw.tries, { ...measured!, feeling, firstBreath }] });
    setMeasured(null);
  };

  return (
    <div className="grid gap-8 xl:grid-cols-2">
      <div>
        <PositionChips
          view={view}
          protocol="calmHold"
          value={raw.position}
          later={later}
          onChange={(position) => save({ ...raw, position })}
        />
        {later.length > 0 && (
          <p className="mt-1 text-sm text-ink2">
            Lying or seated the first times, so after two calm sessions come {listed(later)}.{' '}
            <Button look="quiet" className="!px-0 text-sm" onClick={() => setHarder(true)}>
              They have held calmly before: offer these
            </Button>
          </p>
        )}
        <div className="mt-5">
          {measured !== null ? (
            <AfterHold
              {...measured}
              recordWords="Record this try"
              onRecord={record}
              onLeaveOut={() => setMeasured(null)}
            />
          ) : hold.holding ? (
            <Holding walking={walking} onPress={press} onEnd={end} />
          ) : (
            <button
              type="button"
              disabled={!canStart || !listening}
              onClick={press}
              className="grid h-56 w-full place-items-center rounded-one border-2 border-ink hover:bg-leaf disabled:border-rule"
            >
              <span className="text-center">
                <span className="block text-2xl font-semibold">
                  {full ? 'Three tries: enough for today' : resting ? `Rest, ${left} s` : 'Start the hold'}
                </span>
                {canStart && (
                  <span className="block text-ink2">
                    {walking ? 'after an ordinary breath out, then tap each step' : 'after an ordinary breath out'}
                  </span>
                )}
              </span>
            </button>
          )}
        </div>
        <LookError error={error} />
      </div>
      <div>
        {!hold.holding && <Tries view={view} raw={raw} onSave={save} />}
        <ClientWindowButton />
        <p className="mt-4 text-sm text-ink2">
          Never in water, driving, on stairs, or alone when light-headed. Praise calm, never length.
        </p>
      </div>
    </div>
  );
}

const epochNow = () => Date.now();

const onVisibility = (listener: () => void) => {
  document.addEventListener('visibilitychange', listener);
  return () => document.removeEventListener('visibilitychange', listener);
};
const useVisible = () =>
  useSyncExternalStore(
    onVisibility,
    () => document.visibilityState === 'visible',
    () => true,
  );

function ClientWindowButton() {
  const open = useOpenClientWindow();
  return (
    <Button look="quiet" className="!px-0" onClick={open}>
      Open the client’s window
    </Button>
  );
}

/** A hold under way, and the steps tapped in it. */
function useHold(walking: boolean) {
  const began = useRef<number | null>(null);
  const steps = useRef(0);
  const [holding, setHolding] = useState(false);
  const begin = useCallback(() => {
    began.current = performance.now();
    steps.current = 0;
    setHolding(true);
  }, []);
  const step = useCallback(() => {
    steps.current += 1;
  }, []);
  const end = useCallback((): Measured => {
    const seconds = Math.round((performance.now() - began.current!) / 100) / 10;
    setHolding(false);
    return {
      seconds: Math.min(300, seconds),
      endedAt: new Date().toISOString(),
      ...(walking ? { steps: steps.current } : {}),
    };
  }, [walking]);
  return { holding, begin, step, end };
}

/** Seconds of rest still due, by the last try's own time: a reload doesn't shorten it. */
function useRestLeft(tries: readonly HoldTry[]) {
  const [left, setLeft] = useState(0);
  useEffect(() => {
    const look = () => setLeft(restLeft(tries, Date.now()));
    look();
    const timer = setInterval(look, 500);
    return () => clearInterval(timer);
  }, [tries]);
  return left;
}

function Holding({ walking, onPress, onEnd }: { walking: boolean; onPress: () => void; onEnd: () => void }) {
  return (
    <div className="space-y-3">
      <button
        type="button"
        onClick={onPress}
        className="grid h-56 w-full place-items-center rounded-one border-2 border-ink hover:bg-leaf"
      >
        <span className="px-6 text-center">
          <span aria-hidden className="mb-5 block border-t-4 border-dotted border-ink" />
          <span className="block text-2xl font-semibold">Breathe when you first want to</span>
          <span className="block text-ink2">
            {walking ? 'tap or Space at each step' : 'tap or Space at the first wish'}
          </span>
        </span>
      </button>
      {walking && (
        <Button look="strong" className="min-h-14 w-full text-xl" onClick={onEnd}>
          The first wish to breathe
        </Button>
      )}
    </div>
  );
}

type RawHold = LookRecord<'calmHold'>['raw'];

/** What the tries come to, and what may be practised from now on; never seen during a hold. */
function Tries({
  view,
  raw,
  onSave,
}: {
  view: ClientView<'looks' | 'holdsBefore'>;
  raw: RawHold;
  onSave: (raw: RawHold) => void;
}) {
  if (raw.tries.length === 0) return null;
  const result = calmHold(raw.tries);
  const sessions = [...view.holdsBefore.filter(({ position }) => position === raw.position), raw];
  const advice = holdAdvice(sessions.map(({ tries }) => tries));
  return (
    <>
      <p className="text-xl" role="status">
        {result.seconds === null
          ? 'No try was calm, so none counts. That is worth knowing too.'
          : `${Math.round(result.seconds)} s, ${result.steps === null ? '' : `${Math.round(result.steps)} steps, `}the median of ${counted(result.calmTries, 'calm try', 'calm tries')}: ${result.band!.words}.`}{' '}
        <ProvenanceMark provenance={holdBandProvenance} />
      </p>
      <p className="mt-1">
        {advice.words} <ProvenanceMark provenance={commonPractice} />
        {advice.atMostSeconds !== null && (
          <>
            {' '}
            <Link className="underline decoration-rule underline-offset-4" href="/catalogue/calm-hold-practice">
              The drill for it
            </Link>
          </>
        )}
      </p>
      <ul className="mt-3">
        {raw.tries.map((hold, i) => (
          <li key={i} className="flex flex-wrap items-center justify-between gap-3 border-t border-rule py-1">
            <span className={holdCounts(hold) ? '' : 'text-ink2'}>
              {hold.seconds.toFixed(1)} s{hold.steps === undefined ? '' : `, ${hold.steps} steps`}, {hold.feeling},{' '}
              {hold.firstBreath}
              {holdCounts(hold) ? '' : ' (does not count)'}
            </span>
            <Button look="quiet" onClick={() => onSave({ ...raw, tries: raw.tries.filter((_, index) => index !== i) })}>
              Take out <span className="sr-only">try {i + 1}</span>
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
