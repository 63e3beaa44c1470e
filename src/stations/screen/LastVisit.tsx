'use client';

import { Link } from '@/parts/Link';
import { diaryWith, timeIn, weekdayName } from '@/core/diary';
import { type HomeAnswer, type Payload, type Said, dayIn, dayInWords, homeAnswers, saidSince } from '@/core/record';
import { newId, send, useSaid } from '@/keep';
import { ChoiceChips } from '@/parts/Chips';
import { Fold } from '@/parts/Fold';
import { NextNotes } from '../diary/NextNotes';
import { type ComingView } from '../diary/view';
import { type ClientView } from '../view';
import { FromHome } from './FromHome';

/** What is to be in mind as somebody comes again: what was noted for this time, and the visit before in a few lines. */
export function LastVisit({ view, coming }: { view: ClientView; coming: ComingView }) {
  const said = useSaid();
  const notes = diaryWith(coming.diary, said, () => view.name).notes.filter(
    ({ clientId, done }) => clientId === view.id && !done,
  );
  const told = { ...coming.told, ...toldSince(said, coming) };
  const { last, next, off } = coming;
  const zone = view.settings.timeZone;
  if (!last && notes.length === 0) return null;
  return (
    <section aria-labelledby="lasttime" className="border-t border-ink pt-4">
      <h2 id="lasttime" className="text-lg">
        {last ? (
          <Link href={`/clients/${view.id}/visit/${last.visitId}`} className="hover:underline">
            Last time, {dayInWords(last.day, view.today)}
          </Link>
        ) : (
          'For this time'
        )}
      </h2>
      <NextNotes notes={notes} />
      {last && (
        <dl className="mt-1 grid gap-x-4 gap-y-1 sm:grid-cols-[7rem_1fr]">
          <Line what="Intent">
            {last.aim && `${last.aim}.`} {last.ownLine && <span className="text-ink2">“{last.ownLine}”</span>}
          </Line>
          <Line what="Marker">{last.marker}</Line>
          <Line what="Where, with">{[last.position ?? [], last.props].flat().join(', ')}</Line>
          {last.home.map(({ drillId, name }) => (
            <Line key={drillId} what="Went home">
              <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
                <span>{name}</span>
                <ChoiceChips
                  label={`Done at home: ${name}`}
                  hideLabel
                  value={told[drillId] ?? null}
                  choices={homeAnswers.map((value) => ({ value, label: value }))}
                  onChange={(answer) =>
                    send('home.told', { answerId: newId(), visitId: last.visitId, drillId, answer })
                  }
                />
              </div>
            </Line>
          ))}
        </dl>
      )}
      {last && coming.home && (
        <FromHome
          visitId={last.visitId}
          plan={coming.home}
          withdrawn={coming.withdrawn}
          returned={coming.returned}
          view={view}
        />
      )}
      {last?.note && (
        <Fold title={last.signed ? 'The note, as signed' : 'The note, not signed yet'}>
          <p className="border-l-4 border-rule pl-4 whitespace-pre-line">{last.note}</p>
        </Fold>
      )}
      {(next !== null || off.length > 0) && (
        <p className="mt-1 text-ink2">
          {next !== null &&
            `Booked next for ${weekdayName(dayIn(next, zone))} ${dayInWords(dayIn(next, zone), view.today)}, ${timeIn(next, zone)}. `}
          {off.map(({ day, how, reason }) => `${dayInWords(day, view.today)}: ${how}${reason && `, ${reason}`}. `)}
        </p>
      )}
    </section>
  );
}

function Line({ what, children }: { what: string; children: React.ReactNode }) {
  if (!children) return null;
  return (
    <>
      <dt className="self-center text-ink2">{what}</dt>
      <dd>{children}</dd>
    </>
  );
}

const toldSince = (said: readonly Said[], { last, diary }: ComingView): Record<string, HomeAnswer> =>
  Object.fromEntries(
    saidSince(said, diary.asOf).flatMap(({ kind, payload }) => {
      if (kind !== 'home.told') return [];
      const { visitId, drillId, answer } = payload as Payload<'home.told'>;
      return visitId === last?.visitId ? [[drillId, answer] as const] : [];
    }),
  );
