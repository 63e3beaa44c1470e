'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { baseMap } from '@/core/look';
import { dayInWords } from '@/core/record';
import { capital, commonPractice } from '@/core/reasons';
import {
  type Effect,
  type Followed,
  type Repeats,
  changeOf,
  markerBeforeAfter,
  measures,
  ringChangeInWords,
  trendOf,
} from '@/core/track';
import { Button, LinkButton } from '@/parts/Button';
import { Fence } from '@/parts/Fence';
import { EmptyState } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { Ring, RingLegend } from '@/parts/figures/Ring';
import { ChangeLine } from '../ChangeLine';
import { StationHead } from '../StationHead';
import { AtHome, type HomeKept } from './AtHome';
import { Letter } from './Letter';
import { TrackNav } from './TrackNav';
import { WhatChanged } from './WhatChanged';
import { useShown } from '../useShown';
import { type ClientView } from '../view';
import { patiently } from '@/parts/patiently';

// Drawing lines weighs as much as the rest of the page: they follow once it stands.
const LineChart = dynamic(
  () => patiently(() => import('@/parts/figures/LineChart')).then(({ LineChart }) => LineChart),
  {
    ssr: false,
    loading: () => <div className="h-48" />,
  },
);

/** Rows of a measure that are shown at once, the newest first. */
const rowsShown = 12;

/** Track: what changed today, and over visits; like with like, and no change called clear that is within noise. */
export function TrackStation({
  view: served,
  over,
  repeats,
  effects = [],
  kept = [],
  letter = null,
}: {
  view: ClientView;
  /** Every measure that was taken, over all visits. */
  over: readonly Followed[];
  repeats: Repeats;
  /** What the marker showed right after drills, for this client. */
  effects?: readonly Effect[];
  /** What was asked at home, the newest first. */
  kept?: readonly HomeKept[];
  /** A letter to their clinician, as it is written from the record. */
  letter?: string | null;
}) {
  const view = useShown(served);
  if (over.length === 0 && !view.visit) {
    return (
      <EmptyState title="Nothing was measured yet, so there is nothing to follow.">
        <LinkButton href={`/clients/${view.id}/look`}>Go to Look</LinkButton>
      </EmptyState>
    );
  }
  const { visitCount } = view;
  return (
    <div>
      <StationHead
        title="Track"
        line={`${visitCount} ${visitCount === 1 ? 'visit' : 'visits'}. A change counts when it is larger than repeat-to-repeat noise.`}
      >
        <TrackNav clientId={view.id} on="visits" />
      </StationHead>
      <Fence what="What changed today">
        <TodayChange view={view} repeats={repeats} />
      </Fence>
      <section aria-labelledby="over" className="mt-8 border-t border-ink pt-4">
        <h2 id="over" className="text-lg">
          Over visits
        </h2>
        <div className="mt-3 grid gap-8 md:grid-cols-2">
          {over.map((one) => (
            <Fence key={one.measure} what={measures[one.measure].name}>
              <MeasureOver today={view.today} followed={one} />
            </Fence>
          ))}
        </div>
      </section>
      <Fence what="What changed it">
        <WhatChanged effects={effects} />
      </Fence>
      <Fence what="At home">
        <AtHome kept={kept} today={view.today} />
      </Fence>
      {letter !== null && (
        <Fence what="The letter">
          <Letter clientId={view.id} name={view.name} written={letter} />
        </Fence>
      )}
    </div>
  );
}

function TodayChange({ view, repeats }: { view: ClientView; repeats: Repeats }) {
  const looks = view.visit?.looks ?? [];
  const before = baseMap(looks, 'before');
  const after = baseMap(looks, 'after');
  const marker = markerBeforeAfter(looks);
  const change = marker && changeOf(marker.measure, marker.before, marker.after, repeats[marker.measure] ?? []);
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

function MeasureOver({ today, followed }: { today: string; followed: Followed }) {
  const { measure, points, change } = followed;
  const [all, setAll] = useState(false);
  const { name, unit, digits } = measures[measure];
  const [lastDay, lastValue, lastPosition] = points.at(-1)!;
  const like = points.filter(([, , position]) => position === lastPosition);
  const [firstDay, firstValue] = like[0]!;
  const said = (day: string) => dayInWords(day, today);
  const trend = trendOf(like.map(([day, value]) => [day, value]));
  const signed = (value: number) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;
  const title = capital(name);
  const newestFirst = [...points].reverse();
  const rows = all ? newestFirst : newestFirst.slice(0, rowsShown);
  return (
    <section aria-label={title}>
      <h3 className="text-base">
        {title}, {lastPosition}
      </h3>
      {like.length > 1 && (
        <LineChart
          title={title}
          unit={unit}
          labels={like.map(([day]) => said(day))}
          values={like.map(([, value]) => value)}
          band={change && [Math.max(0, change.before - change.noise), change.before + change.noise]}
        />
      )}
      {change ? (
        <p className="mt-1">
          {firstValue.toFixed(digits)} on {said(firstDay)}, {lastValue.toFixed(digits)} {unit} on {said(lastDay)}:{' '}
          {change.verdict === 'no clear change' ? change.verdict : `clearly ${change.verdict}`}. Shaded: the first visit
          and what repeats differ by, ±{change.noise.toFixed(digits)}. <ProvenanceMark provenance={change.provenance} />
        </p>
      ) : (
        <p className="mt-1">
          {lastValue.toFixed(digits)} {unit} on {said(lastDay)}; one visit is no line yet.
        </p>
      )}
      {trend && (
        <p className="text-ink2">
          The middle of all slopes: {signed(trend.perWeek)} {unit} a week ({signed(trend.low)} to {signed(trend.high)}).{' '}
          <ProvenanceMark provenance={commonPractice} />
        </p>
      )}
      <table className="mt-2 text-sm">
        <caption className="sr-only">{title} by visit, newest first</caption>
        <tbody>
          {rows.map(([day, value, position]) => (
            <tr key={day} className="border-t border-rule">
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
      {rows.length < points.length && (
        <Button look="quiet" onClick={() => setAll(true)}>
          Show all {points.length}
          <span className="sr-only"> of {name}</span>
        </Button>
      )}
    </section>
  );
}
