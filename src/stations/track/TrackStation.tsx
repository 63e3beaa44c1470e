'use client';

import { type LookRecord, baseMap } from '@/core/look';
import { type VisitRow, dayInWords } from '@/core/record';
import { commonPractice } from '@/core/reasons';
import {
  type Measure,
  type MeasureId,
  type Point,
  changeOf,
  markerBeforeAfter,
  measureIds,
  measures,
  repeatPairs,
  ringChangeInWords,
  seriesOf,
} from '@/core/track';
import { LinkButton } from '@/parts/Button';
import { EmptyState } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { LineChart } from '@/parts/figures/LineChart';
import { Ring, RingLegend } from '@/parts/figures/Ring';
import { ChangeLine } from '../ChangeLine';
import { StationHead } from '../StationHead';
import { type ClientView } from '../view';

/** Track: what changed today, and over visits; like with like, and no change called clear that is within noise. */
export function TrackStation({
  view,
  looks,
  visits,
}: {
  view: ClientView;
  /** Looks of all visits. */
  looks: readonly LookRecord[];
  visits: readonly VisitRow[];
}) {
  const days = new Map(visits.map(({ id, day }) => [id, day]));
  const over = measureIds.map((measure) => ({
    measure,
    points: seriesOf(measure, looks, (id) => days.get(id)),
    pairs: repeatPairs(looks, measure),
  }));
  const any = over.some(({ points }) => points.length > 0);
  if (!any && !view.visit) {
    return (
      <EmptyState title="Nothing was measured yet, so there is nothing to follow.">
        <LinkButton href={`/clients/${view.id}/look`}>Go to Look</LinkButton>
      </EmptyState>
    );
  }
  return (
    <>
      <StationHead
        title="Track"
        line={`${visits.length} ${visits.length === 1 ? 'visit' : 'visits'}. A change counts when it is larger than repeat-to-repeat noise.`}
      />
      <TodayChange view={view} looks={looks} />
      <section aria-labelledby="over" className="mt-8 border-t border-ink pt-4">
        <h2 id="over" className="text-lg">
          Over visits
        </h2>
        <div className="mt-3 grid gap-8 md:grid-cols-2">
          {over
            .filter(({ points }) => points.length > 0)
            .map(({ measure, points, pairs }) => (
              <MeasureOver key={measure} today={view.today} measure={measure} points={points} pairs={pairs} />
            ))}
        </div>
      </section>
    </>
  );
}

function TodayChange({ view, looks: all }: { view: ClientView; looks: readonly LookRecord[] }) {
  const looks = view.visit?.looks ?? [];
  const before = baseMap(looks, 'before');
  const after = baseMap(looks, 'after');
  const marker = markerBeforeAfter(looks);
  const change = marker && changeOf(marker.measure, marker.before, marker.after, repeatPairs(all, marker.measure));
  return (
    <section aria-labelledby="today" className="border-t border-ink pt-4">
      <h2 id="today" className="text-lg">
        Today
      </h2>
      {!before || !after ? (
        <p className="mt-2 text-ink2">
          {view.visit
            ? 'Once the region map is graded again after the drills, before and after lie over each other here.'
            : 'No visit today.'}
        </p>
      ) : (
        <div className="mt-3 grid gap-8 md:grid-cols-[minmax(0,26rem)_1fr]">
          <figure>
            <Ring
              title="Deep breaths, before and after the drills"
              first={before.raw.deep}
              second={after.raw.deep}
              neck={after.raw.neckDeep}
              names={['before', 'after']}
            />
            <figcaption className="mt-2">
              <RingLegend names={['before', 'more after']} />
            </figcaption>
          </figure>
          <div className="space-y-2 text-lg" role="status">
            {before.raw.position !== after.raw.position ? (
              <p>
                The maps were taken {before.raw.position} and {after.raw.position}: not like with like, so no change is
                called.
              </p>
            ) : (
              <>
                <p className="text-base text-ink2">Deep breaths</p>
                {ringChangeInWords(before.raw.deep, after.raw.deep).map((sentence) => (
                  <p key={sentence}>{sentence}</p>
                ))}
                <p className="pt-2 text-base text-ink2">Quiet breaths</p>
                {ringChangeInWords(before.raw.quiet, after.raw.quiet).map((sentence) => (
                  <p key={sentence}>{sentence}</p>
                ))}
                <p className="text-base text-ink2">
                  A single step of a grade is never called clear. <ProvenanceMark provenance={commonPractice} />
                </p>
              </>
            )}
          </div>
        </div>
      )}
      {change && <ChangeLine change={change} />}
    </section>
  );
}

function MeasureOver({
  today,
  measure,
  points,
  pairs,
}: {
  today: string;
  measure: MeasureId;
  points: readonly Point[];
  pairs: readonly [number, number][];
}) {
  const { name, unit, digits }: Measure = measures[measure];
  const last = points.at(-1)!;
  const like = points.filter(({ position }) => position === last.position);
  const first = like[0]!;
  const said = (day: string) => dayInWords(day, today);
  const change = like.length > 1 ? changeOf(measure, first.value, last.value, pairs) : null;
  const title = name.charAt(0).toUpperCase() + name.slice(1);
  return (
    <section aria-label={title}>
      <h3 className="text-base">
        {title}, {last.position}
      </h3>
      {like.length > 1 && (
        <LineChart
          title={title}
          unit={unit}
          labels={like.map(({ day }) => said(day))}
          values={like.map(({ value }) => value)}
        />
      )}
      {change ? (
        <p className="mt-1">
          {first.value.toFixed(digits)} on {said(first.day)}, {last.value.toFixed(digits)} {unit} on {said(last.day)}:{' '}
          {change.verdict === 'no clear change' ? change.verdict : `clearly ${change.verdict}`}.{' '}
          <ProvenanceMark provenance={change.provenance} />
        </p>
      ) : (
        <p className="mt-1">
          {last.value.toFixed(digits)} {unit} on {said(last.day)}; one visit is no line yet.
        </p>
      )}
      <table className="mt-2 text-sm">
        <caption className="sr-only">{title} by visit</caption>
        <tbody>
          {points.map(({ day, value, position, recordId }) => (
            <tr key={recordId} className="border-t border-rule">
              <th scope="row" className="py-0.5 pr-5 text-left font-normal text-ink2">
                {said(day)}
              </th>
              <td className="py-0.5 pr-5 text-right">
                {value.toFixed(digits)} {unit}
              </td>
              <td className="py-0.5 text-ink2">{position}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
