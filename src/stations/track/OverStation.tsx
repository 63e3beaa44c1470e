'use client';

import { useState } from 'react';
import { type Lift, type WeightUnit } from '@/core/load';
import { type LengthUnit } from '@/core/look';
import { dayInWords } from '@/core/record';
import { capital, commonPractice } from '@/core/reasons';
import {
  type Effect,
  type Followed,
  type MeasureId,
  type RingsOver,
  type Told,
  type WhatWorked as Lists,
  figuresOf,
  likeWithLike,
  measures,
  notComparedInWords,
  overInWords,
  trendOf,
} from '@/core/track';
import { Button, LinkButton } from '@/parts/Button';
import { NamedSelect } from '@/parts/Field';
import { Fence } from '@/parts/Fence';
import { EmptyState } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { OverTime } from '@/parts/figures/OverTime';
import { Outgoing } from '../Outgoing';
import { StationHead } from '../StationHead';
import { AtHome, type HomeKept } from './AtHome';
import { ToldOver } from './ToldOver';
import { TrackNav } from './TrackNav';
import { UnderLoad } from './UnderLoad';
import { WhatChanged } from './WhatChanged';
import { WhatWorked } from './WhatWorked';

/** Rows of a measure that are shown at once, the newest first. */
const rowsShown = 12;

export interface OverStationProps {
  clientId: string;
  /** Whether there is a visit today. */
  visit: boolean;
  name: string;
  today: string;
  /** The units lengths and weights are said in. */
  lengths: LengthUnit;
  weights: WeightUnit;
  /** Every measure that was taken, over all visits. */
  over: readonly Followed[];
  /** The one that leads the page until the coach chooses another. */
  lead: MeasureId | null;
  rings: RingsOver | null;
  told: readonly Told[];
  /** Sets under a load, oldest first. */
  lifts: readonly { day: string; lift: Lift }[];
  /** What the marker showed right after drills, for this client. */
  effects: readonly Effect[];
  /** Drills, positions and cues, by how often they went well. */
  worked: Lists;
  /** What the drills of both are called, by their ids. */
  names: Readonly<Record<string, string>>;
  /** What was asked at home, the newest first. */
  kept: readonly HomeKept[];
  /** A letter to their clinician, as it is written from the record. */
  letter: string | null;
}

/** Track, over visits: one measure with the maps, what was told and what was done at home on one line of time; what changed it; the rest. */
export function OverStation({
  clientId,
  visit,
  name,
  today,
  lengths,
  weights,
  over,
  lead,
  rings,
  told,
  lifts,
  effects,
  worked,
  names,
  kept,
  letter,
}: OverStationProps) {
  const [chosen, choose] = useState<MeasureId | null>(lead);
  const main = over.find(({ measure }) => measure === chosen) ?? over[0];
  const said = (day: string) => dayInWords(day, today);
  const seen = [told, kept, lifts, effects, worked.drills, worked.positions, worked.cues];
  if (!main && seen.every((list) => list.length === 0)) {
    return (
      <>
        <StationHead title="Over visits" line="What became of it, like with like.">
          <TrackNav clientId={clientId} on="visits" visit={visit} />
        </StationHead>
        <EmptyState as="h2" title="Nothing was measured yet, so there is nothing to follow.">
          <LinkButton href={`/clients/${clientId}/look`}>Go to Look</LinkButton>
        </EmptyState>
      </>
    );
  }
  const words = main
    ? overInWords(main, said, lengths)
    : { title: 'Over visits', line: told.length > 0 ? 'Told, and not measured yet.' : 'Not measured yet.' };
  const rest = over.filter(({ measure }) => measure !== main?.measure);
  return (
    <>
      <StationHead
        title={words.title}
        line={
          <>
            {words.line} {main?.change && <ProvenanceMark provenance={main.change.provenance} />}
          </>
        }
      >
        <TrackNav clientId={clientId} on="visits" visit={visit} />
      </StationHead>
      {main && (
        <Fence what="Over visits">
          <Lead
            main={main}
            over={over}
            choose={choose}
            said={said}
            lengths={lengths}
            rings={rings}
            told={told}
            kept={kept}
            today={today}
          />
        </Fence>
      )}
      <Fence what="What changed it">
        <WhatChanged effects={effects} names={names} />
      </Fence>
      <Fence what="What worked">
        <WhatWorked worked={worked} names={names} />
      </Fence>
      <Fence what="What they told">
        <ToldOver told={told} said={said} />
      </Fence>
      <Fence what="Under load">
        <UnderLoad lifts={lifts} weights={weights} said={said} />
      </Fence>
      {rest.length > 0 && (
        <section aria-labelledby="rest" className="mt-8 border-t border-ink pt-4">
          <h2 id="rest" className="text-lg">
            Measured besides
          </h2>
          <div className="mt-3 grid gap-x-10 gap-y-8 md:grid-cols-2">
            {rest.map((one) => (
              <Fence key={one.measure} what={measures[one.measure].name}>
                <MeasureOver followed={one} said={said} lengths={lengths} />
              </Fence>
            ))}
          </div>
        </section>
      )}
      <Fence what="At home">
        <AtHome kept={kept} today={today} />
      </Fence>
      {letter !== null && (
        <Fence what="The letter">
          <Outgoing title="A letter to their clinician" what="letter" keepAs={clientId} name={name} written={letter} />
        </Fence>
      )}
    </>
  );
}

/** What is drawn of a measure: like with like, in the unit it is said in, and what repeats differ by round the first. */
function drawn(followed: Followed, lengths: LengthUnit) {
  const { name, unit, digits, shown } = figuresOf(followed.measure, lengths);
  const { change } = followed;
  return {
    title: name,
    unit,
    digits,
    points: likeWithLike(followed).like.map(([day, value, , after]) => ({
      day,
      value: shown(value),
      after: after === null ? null : shown(after),
    })),
    band:
      change &&
      ([Math.max(0, change.before - change.noise), change.before + change.noise].map(shown) as [number, number]),
  };
}

/** The measure that leads, with everything that happened on the same days. */
function Lead({
  main,
  over,
  choose,
  said,
  lengths,
  rings,
  told,
  kept,
  today,
}: {
  main: Followed;
  over: readonly Followed[];
  choose: (measure: MeasureId) => void;
  said: (day: string) => string;
  lengths: LengthUnit;
  rings: RingsOver | null;
  told: readonly Told[];
  kept: readonly HomeKept[];
  today: string;
}) {
  const { unlike } = likeWithLike(main);
  const lane = (of: (one: Told) => number | null) =>
    told.flatMap((one): [string, string][] => {
      const value = of(one);
      return value === null ? [] : [[one.day, String(value)]];
    });
  const others = rings?.other ?? [];
  return (
    <section aria-label="Over visits" className="border-t border-ink pt-3">
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Drawn; the same in figures below">
        <OverTime
          {...drawn(main, lengths)}
          dayWords={(day) => (day === today ? 'today' : short(said(day)))}
          rings={rings?.like ?? []}
          lanes={[
            { name: 'complaint', values: lane(({ complaint }) => complaint) },
            { name: 'leaks, 7 days', values: lane(({ leaks }) => leaks) },
          ]}
          home={[...kept].reverse()}
        />
      </div>
      <Figures followed={main} said={said} lengths={lengths} />
      <p className="text-ink2">
        {notComparedInWords(unlike)}{' '}
        {others.length > 0 &&
          `Maps are those taken ${rings!.position}; not compared: ${others.map(({ day, position }) => `${said(day)}, ${position}`).join('; ')}.`}
      </p>
      {over.length > 1 && (
        <div className="mt-2 w-72">
          <NamedSelect
            label="Follow another measure here"
            value={main.measure}
            choices={over.map(({ measure }) => [measure, capital(measures[measure].name)])}
            onChange={(next) => next && choose(next)}
          />
        </div>
      )}
    </section>
  );
}

/** Months as three letters: dates stand under each other. */
const short = (words: string) => words.replace(/^(\d+ \w{3})\w*/, '$1');

interface MeasureProps {
  followed: Followed;
  said: (day: string) => string;
  lengths: LengthUnit;
}

/** What the band is, how steep it goes, and every value. */
function Figures({ followed, said, lengths }: MeasureProps) {
  const { measure, points, change } = followed;
  const [all, setAll] = useState(false);
  const { name, unit, said: figure } = figuresOf(measure, lengths);
  const trend = trendOf(likeWithLike(followed).like.map(([day, value]) => [day, value]));
  const signed = (value: number) => `${value < 0 ? '−' : '+'}${figure(Math.abs(value))}`;
  const newestFirst = [...points].reverse();
  const rows = all ? newestFirst : newestFirst.slice(0, rowsShown);
  return (
    <>
      {change && (
        <p className="text-ink2">
          The band: the first visit and what repeats differ by, {figure(change.before)} ±{figure(change.noise)}; inside
          it, no clear change.
          {trend && (
            <>
              {' '}
              The middle of all slopes: {signed(trend.perWeek)} {unit} a week ({signed(trend.low)} to{' '}
              {signed(trend.high)}). <ProvenanceMark provenance={commonPractice} />
            </>
          )}
        </p>
      )}
      <details className="mt-1">
        <summary className="flex min-h-11 cursor-pointer items-center text-ink2">
          {points.length === 1 ? 'The value' : `All ${points.length} values`}
        </summary>
        <table className="text-sm">
          <caption className="sr-only">{capital(name)} by visit, newest first</caption>
          <tbody>
            {rows.map(([day, value, position, after]) => (
              <tr key={day} className="border-t border-rule">
                <th scope="row" className="py-0.5 pr-5 text-left font-normal text-ink2">
                  {said(day)}
                </th>
                <td className="py-0.5 pr-5 text-right">
                  {figure(value)} {unit}
                </td>
                <td className="py-0.5 pr-5 text-ink2">{position}</td>
                <td className="py-0.5 text-ink2">{after !== null && `${figure(after)} after the work`}</td>
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
      </details>
    </>
  );
}

function MeasureOver({ followed, said, lengths }: MeasureProps) {
  const { name } = measures[followed.measure];
  const { like, unlike } = likeWithLike(followed);
  const { title, line } = overInWords(followed, said, lengths);
  return (
    <section aria-label={capital(name)}>
      <h3 className="text-base">{title}</h3>
      <p>{line}</p>
      {like.length > 1 && <OverTime small {...drawn(followed, lengths)} dayWords={(day) => short(said(day))} />}
      <Figures followed={followed} said={said} lengths={lengths} />
      {unlike.length > 0 && <p className="text-ink2">{notComparedInWords(unlike)}</p>}
    </section>
  );
}
