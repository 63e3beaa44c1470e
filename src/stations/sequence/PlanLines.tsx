'use client';

import { type Totals } from '@/core/dose';
import { capital } from '@/core/reasons';
import { type PlanItem, type BrokenRule } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { Notice } from '@/parts/Notice';

const figure = (value: string, unit: string) => (
  <div className="flex items-baseline gap-1.5">
    <dd className="order-1 text-2xl font-semibold">{value}</dd>
    <dt className="order-2 text-ink2">{unit}</dt>
  </div>
);

export function TotalsLine({
  totals,
  changes,
  minutes,
  talkSeconds,
}: {
  totals: Totals;
  changes: number;
  minutes: number;
  /** Allowed for talk and correction beside the drills. */
  talkSeconds: number;
}) {
  const spare = minutes * 60 - totals.seconds - talkSeconds;
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-1 border-b border-rule py-2" aria-label="Totals" aria-live="polite">
      {figure((totals.seconds / 60).toFixed(1), `of ${minutes} min`)}
      {figure((talkSeconds / 60).toFixed(1), 'min to talk and correct')}
      {spare >= 30 && figure((spare / 60).toFixed(1), 'min to spare')}
      {figure(String(totals.breaths), 'breaths')}
      {figure(totals.breathsPerMinute?.toFixed(1) ?? '–', 'a minute')}
      {figure(totals.exhaleShare === null ? '–' : `${Math.round(totals.exhaleShare * 100)} %`, 'exhale')}
      {figure(String(Math.round(totals.holdSeconds)), 's of holds')}
      {figure(String(changes), changes === 1 ? 'position change' : 'position changes')}
    </dl>
  );
}

/** What is off is shown whole; what is to be minded, as one line each. */
export function Problems({
  problems,
  onShow,
  onFix,
}: {
  problems: readonly BrokenRule[];
  onShow: (id: string) => void;
  /** Puts an item, as it may be done today, in its place. */
  onFix: (item: PlanItem) => void;
}) {
  const off = problems.filter(({ level }) => level === 'off');
  const mind = problems.filter(({ level }) => level === 'mind');
  const show = (itemId: string | null) =>
    itemId && (
      <Button look="quiet" onClick={() => onShow(itemId)}>
        Show it
      </Button>
    );
  return (
    <>
      {off.map(({ what, wayOut, itemId, fix }, i) => (
        <div key={`${i}${what}`} className="mt-3">
          <Notice kind="stop" title={what}>
            <span className="flex flex-wrap items-center gap-3">
              {wayOut}
              {fix && <Button onClick={() => onFix(fix)}>Do it so</Button>}
              {show(itemId)}
            </span>
          </Notice>
        </div>
      ))}
      {mind.length > 0 && (
        <ul aria-label="To be minded" className="mt-2 border-l-4 border-caution pl-3">
          {mind.map(({ what, wayOut, itemId }, i) => (
            <li key={`${i}${what}`} className="flex flex-wrap items-center gap-x-3">
              <span>
                <span className="font-semibold">▲ {capital(what)}</span> {wayOut}
              </span>
              {show(itemId)}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
