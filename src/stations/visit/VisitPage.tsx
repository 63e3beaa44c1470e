'use client';

import { timeIn } from '@/core/diary';
import { type ItemSummary, stateOf, summariseRun } from '@/core/coach';
import { cycleSeconds } from '@/core/cadence';
import { durationInWords } from '@/core/dose';
import { faults } from '@/core/catalogue';
import { baseMap } from '@/core/look';
import { intentInWords, severityInWords } from '@/core/read';
import { capital, withoutStop } from '@/core/reasons';
import { type LengthUnit } from '@/core/look';
import { type VisitRecord, type VisitRow, dayInWords, shownWith, weekdayName } from '@/core/record';
import { drillOf } from '@/core/sequence';
import { type Repeats, changeOf, foundIn, mapChanges, markerBeforeAfter, notePage } from '@/core/track';
import { useSaid } from '@/keep';
import { LinkButton } from '@/parts/Button';
import { PlannedDone } from '@/parts/figures/PlannedDone';
import { Ring, RingLegend } from '@/parts/figures/Ring';
import { BeginVisit } from '../BeginVisit';
import { ChangeLine } from '../ChangeLine';
import { StationHead } from '../StationHead';
import { Close } from '../Close';
import { Outgoing } from '../Outgoing';
import { type ClientView, type PartOfVisit } from '../view';

/** A visit by itself: what was found, planned and done in it, its note. Unsigned, it is ended and signed here, on any day. */
export function VisitPage({
  view: served,
  place,
  visits,
  before,
  after,
  repeats,
}: {
  view: ClientView<PartOfVisit>;
  place: number;
  visits: number;
  before: VisitRow | null;
  after: VisitRow | null;
  repeats: Repeats;
}) {
  const said = useSaid();
  const visitId = served.visit!.id;
  // What is said today of somebody is not what was known on that day: only what is about the visit itself is laid over it.
  const own = said.filter(({ payload }) => (payload as { visitId?: string }).visitId === visitId);
  const view = shownWith(served, own);
  const visit = view.visit!;
  const { today, settings } = view;
  const base = `/clients/${view.id}`;
  const isToday = visit.day === today;
  const found = foundIn(visit, view.known.profile.answers);
  return (
    <>
      <StationHead title={`${weekdayName(visit.day)} ${dayInWords(visit.day, today)}`} line={inOneSentence(visit)}>
        {before && <LinkButton href={`${base}/visit/${before.id}`}>← {dayInWords(before.day, today)}</LinkButton>}
        {after && <LinkButton href={`${base}/visit/${after.id}`}>{dayInWords(after.day, today)} →</LinkButton>}
      </StationHead>
      <p className="-mt-3 mb-5 text-ink2">
        Visit {place} of {visits}. {standing(visit, settings.timeZone)}
      </p>
      {visit.runs.map((run, at) => (
        <section
          key={run.id}
          aria-label={`Planned and given${visit.runs.length > 1 ? `, run ${at + 1} of ${visit.runs.length}` : ''}`}
          className="border-t border-ink pt-4 pb-5"
        >
          <Done items={summariseRun(stateOf(run), visit.clientId).items} />
        </section>
      ))}
      <Maps visit={visit} repeats={repeats} lengths={view.settings.lengthUnit} />
      <section aria-labelledby="found" className="mt-6 border-t border-ink pt-4">
        <h2 id="found" className="text-lg">
          What was found
        </h2>
        {visit.reading && (
          <p className="mt-1">
            Intent: {intentInWords(visit.reading.intent, visit.reading.side ?? undefined)}.{' '}
            {visit.reading.ownLine && <span className="text-ink2">“{visit.reading.ownLine}”</span>}
          </p>
        )}
        {found.length === 0 ? (
          <p className="mt-1 text-ink2">Nothing marked was found, or nothing was looked at.</p>
        ) : (
          <ul className="mt-2 grid gap-x-8 md:grid-cols-2">
            {found.map(({ id, words, severity }) => (
              <li key={id} className="flex justify-between gap-4 border-t border-rule py-1">
                <span>{capital(words)}</span>
                <span className="shrink-0 text-ink2">{severityInWords(severity)}</span>
              </li>
            ))}
          </ul>
        )}
        {visit.plan && visit.runs.length === 0 && (
          <p className="mt-3">
            Planned and not done: {visit.plan.plan.items.map((item) => drillOf(item).name).join(', ')}.
          </p>
        )}
      </section>
      <Close view={view} repeats={repeats} title={visit.note?.signedAt ? 'Note, as signed' : 'Note'} />
      {visit.note && (
        <div className="mt-4">
          <Outgoing
            title="The note as a page, to print or send"
            what="note"
            keepAs={visit.id}
            name={view.name}
            written={notePage(
              { studio: settings.studioName, name: view.name, day: visit.day, ...visit.note },
              settings.timeZone,
            )}
          />
        </div>
      )}
      {isToday && visit.endedAt !== null && after === null && (
        <div className="mt-6 border-t border-rule pt-4">
          <BeginVisit clientId={view.id} look="plain" words="Begin another visit today" />
        </div>
      )}
    </>
  );
}

function inOneSentence(visit: VisitRecord): string {
  const items = visit.runs.flatMap((run) => summariseRun(stateOf(run), visit.clientId).items);
  const [given, planned] = [
    items.reduce((sum, { deliveredBreaths }) => sum + deliveredBreaths, 0),
    items.reduce((sum, { plannedBreaths }) => sum + plannedBreaths, 0),
  ];
  const seconds = items.reduce((sum, { deliveredSeconds }) => sum + deliveredSeconds, 0);
  const done = planned > 0 ? `${given} of ${planned} planned breaths, in ${durationInWords(seconds)}` : null;
  const [first] = mapChanges(visit);
  if (first && done) return `${withoutStop(first)}, in ${done}.`;
  if (done) return `${done}.`;
  return visit.looks.length > 0 ? 'Looked at; nothing was coached.' : 'Nothing was looked at or coached.';
}

function standing({ note, endedAt }: VisitRecord, zone: string): string {
  if (note?.signedAt) return `Signed ${timeIn(note.signedAt, zone)}: later words are dated additions.`;
  return endedAt ? 'Ended, not signed yet.' : 'Still open.';
}

function Maps({ visit, repeats, lengths }: { visit: VisitRecord; repeats: Repeats; lengths: LengthUnit }) {
  const before = baseMap(visit.looks, 'before');
  const after = baseMap(visit.looks, 'after');
  const marker = markerBeforeAfter(visit.looks);
  const change = marker && changeOf(marker.measure, marker.before, marker.after, repeats[marker.measure] ?? []);
  if (!before && !change) return null;
  return (
    <section aria-label="Maps" className="border-t border-ink pt-4">
      {before && (
        <div className="grid gap-8 sm:grid-cols-2">
          <figure className="max-w-80">
            <figcaption className="font-semibold">Found, {before.raw.position}: quiet, deep</figcaption>
            <Ring
              title="Found: quiet and deep"
              first={before.raw.quiet}
              second={before.raw.deep}
              neck={before.raw.neckQuiet}
              names={['quiet', 'deep adds']}
            />
            <RingLegend names={['quiet', 'deep adds']} />
          </figure>
          {after && before.raw.position === after.raw.position && (
            <figure className="max-w-80">
              <figcaption className="font-semibold">Deep: before, after</figcaption>
              <Ring
                title="Deep breaths, before and after the drills"
                first={before.raw.deep}
                second={after.raw.deep}
                neck={after.raw.neckDeep}
                names={['before', 'more after']}
              />
              <RingLegend names={['before', 'more after']} />
            </figure>
          )}
        </div>
      )}
      {mapChanges(visit).map((sentence) => (
        <p key={sentence} className="mt-1">
          {sentence}
        </p>
      ))}
      {change && <ChangeLine change={change} lengths={lengths} />}
    </section>
  );
}

const faultWords = ({ faults: marked }: ItemSummary) =>
  marked.map(
    ({ fault, times }) => `${faults[fault as keyof typeof faults]?.words ?? fault}${times > 1 ? ` × ${times}` : ''}`,
  );

function Done({ items }: { items: readonly ItemSummary[] }) {
  return (
    <PlannedDone
      title={`Planned and given, drill by drill: ${items
        .map(
          ({ item, deliveredBreaths, plannedBreaths }) =>
            `${drillOf(item).name} ${deliveredBreaths} of ${plannedBreaths}`,
        )
        .join('; ')}`}
      drills={items.map((one) => {
        const { item, plannedSeconds, plannedBreaths, deliveredBreaths, cues, stopped, swapped } = one;
        const [breath] = item.cadences;
        const landed = cues.filter(({ landed: how }) => how === 'yes').map(({ cue }) => `“${cue}” landed`);
        const words = [
          ...(swapped ? [`swapped: ${swapped}`] : []),
          ...faultWords(one),
          ...landed,
          ...(stopped ? ['stopped'] : []),
        ];
        return {
          name: drillOf(item).name,
          seconds: Math.max(1, plannedSeconds),
          setUpSeconds: Math.min(item.setUpSeconds, plannedSeconds / 2),
          planned: plannedBreaths,
          given: Math.min(plannedBreaths, deliveredBreaths),
          inhalePart: breath ? breath.inhaleSeconds / cycleSeconds(breath) : 0.4,
          words: words.join('; '),
        };
      })}
    />
  );
}
