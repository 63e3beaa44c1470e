'use client';

import { findDrill } from '@/core/catalogue';
import { patterns } from '@/core/read';
import { type Course, type Ladder, courseInWords, movedInWords, stepInWords } from '@/core/course';
import { commonPractice, often } from '@/core/reasons';
import { dayInWords } from '@/core/record';
import { LinkButton } from '@/parts/Button';
import { EmptyState } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { StationHead } from '../StationHead';
import { CourseBand } from './CourseBand';
import { LadderStair } from './LadderStair';
import { TrackNav } from './TrackNav';

const patternName = (id: string) => patterns.find((one) => one.id === id)?.name ?? id;

/** The course: steps with their criterion, what was tried and kept, and what the visits ahead would be if every step is kept. */
export function CourseStation({
  clientId,
  visit,
  today,
  course,
  ladder,
}: {
  clientId: string;
  /** Whether there is a visit today. */
  visit: boolean;
  today: string;
  course: Course | null;
  ladder: Ladder | null;
}) {
  if (!course) {
    return (
      <>
        <StationHead title="Course" line="What the next visits hold, once something was coached.">
          <TrackNav clientId={clientId} on="course" visit={visit} />
        </StationHead>
        <EmptyState as="h2" title="Nothing was coached yet, so there is no course.">
          <LinkButton href={`/clients/${clientId}/coach`}>Go to Coach</LinkButton>
        </EmptyState>
        {ladder && <LadderStair {...{ ladder, clientId, today }} />}
      </>
    );
  }
  const said = (day: string) => dayInWords(day, today);
  const last = course.past.at(-1);
  const next = course.steps[course.current]!;
  return (
    <>
      <StationHead
        title={courseInWords(course, said)}
        line={`${last ? `${last.clean} of ${last.done} breaths clean on ${said(last.day)}${last.why ? `: ${last.why}` : ''}. ` : ''}Next: ${stepInWords(next)}.`}
      >
        <TrackNav clientId={clientId} on="course" visit={visit} />
      </StationHead>
      <p className="text-ink2">
        Up: 80 % of breaths clean, effort 3 of 10 at most, calm. Back: twice not. One thing changes at a time. Nothing
        ahead is a promise. <ProvenanceMark provenance={commonPractice} />
      </p>
      {course.lead && (
        <p className="mt-1">
          Leads: <strong>{patternName(course.lead.pattern)}</strong>
          {course.lead.then.length > 0 &&
            `; after it ${course.lead.then
              .map(
                ({ pattern, drillId }) =>
                  `${patternName(pattern)}${drillId ? `, begun with ${findDrill(drillId)?.name ?? drillId}` : ''}`,
              )
              .join('; ')}`}
          .
        </p>
      )}
      <CourseBand course={course} today={today} />
      <div className="mt-6 grid gap-x-10 gap-y-4 md:grid-cols-2">
        <section aria-labelledby="moved">
          <h2 id="moved" className="text-lg">
            What moved, and why
          </h2>
          {course.moved.length === 0 ? (
            <p className="text-ink2">Nothing yet: the first step is being worked on.</p>
          ) : (
            <ol className="mt-1">
              {[...course.moved].reverse().map((one) => (
                <li
                  key={`${one.day} ${one.from} ${one.to}`}
                  className={`border-b border-rule py-1.5 ${one.why ? 'text-caution' : ''}`}
                >
                  {one.why && '▲ '}
                  {movedInWords(one, said)}
                </li>
              ))}
            </ol>
          )}
          {course.missed.length > 0 && (
            <p className="mt-2 text-ink2">
              Booked and not come: {course.missed.map(said).join(', ')}. The course waited.
            </p>
          )}
        </section>
        <div className="space-y-4">
          {course.reviews.length > 0 && (
            <section aria-labelledby="reviews">
              <h2 id="reviews" className="text-lg">
                A word with the clinician
              </h2>
              <ul className="mt-1">
                {course.reviews.map(({ due, why }) => (
                  <li key={why} className="border-b border-rule py-1.5">
                    <strong>{due <= today ? '▲ Due now' : `By ${said(due)}`}</strong>: {why}
                  </li>
                ))}
              </ul>
              <p className="mt-1 text-ink2">
                A letter is written from the record under Over visits. <ProvenanceMark provenance={commonPractice} />
              </p>
            </section>
          )}
          <section aria-labelledby="ahead">
            <h2 id="ahead" className="text-lg">
              The visits ahead, if every step is kept
            </h2>
            <ol className="mt-1">
              {course.ahead.map((visit) => (
                <li key={visit.day} className="border-b border-rule py-1.5">
                  <strong>
                    {visit.booked ? '' : 'about '}
                    {said(visit.day)}
                  </strong>
                  {visit.booked ? '' : ', not booked'}: step {visit.step + 1}, {stepInWords(course.steps[visit.step]!)}.
                  Look again: {visit.look.join(', ')}. At home{' '}
                  {visit.timesAtHome === 0 ? 'nothing more' : `${often(visit.timesAtHome)} a day at most`}.
                </li>
              ))}
            </ol>
          </section>
        </div>
      </div>
      {ladder && <LadderStair {...{ ladder, clientId, today }} />}
    </>
  );
}
