'use client';

import { useEffect, useRef, useState } from 'react';
import { outcomeOf, stateOf, summariseRun } from '@/core/coach';
import { homeDrills, mostItems } from '@/core/home';
import { type StoredNote, momentInWords } from '@/core/record';
import { drillOf } from '@/core/sequence';
import { type Repeats, drillName, visitNote, withHome } from '@/core/track';
import { newId, useKeep } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { TickChips } from '@/parts/Chips';
import { Field, TextArea } from '@/parts/Field';
import { useDraft } from '@/parts/useDraft';
import { useKept } from '@/parts/useKept';
import { ForNextTime } from './ForNextTime';
import { type ClientView, type PartOfVisit } from './view';

/** The sixty-second close: the note is written from the log; the coach reads it, edits it and signs. */
export function Close({
  view,
  repeats,
  title = 'Close',
}: {
  view: ClientView<PartOfVisit>;
  repeats: Repeats;
  title?: string;
}) {
  const visit = view.visit!;
  return (
    <section aria-labelledby="close" className="mt-7 border-t-2 border-ink pt-4">
      <h2 id="close" className="text-lg">
        {title}
      </h2>
      {visit.note?.signedAt ? (
        <Signed note={visit.note} visitId={visit.id} zone={view.settings.timeZone} />
      ) : (
        <Draft view={view} repeats={repeats} />
      )}
      <ForNextTime clientId={view.id} />
    </section>
  );
}

function Draft({ view, repeats }: { view: ClientView<PartOfVisit>; repeats: Repeats }) {
  const visit = view.visit!;
  const saved = visit.note;
  const laidOut = visit.home?.plan.items.length ? visit.home.plan : null;
  // Once it is laid out by the day, what goes home is that.
  const home = laidOut ? homeDrills(laidOut) : (saved?.home ?? []);
  // What was written here is in the view at once, with the revision the server will give it.
  const revision = useRef(saved?.revision ?? 0);
  useEffect(() => {
    revision.current = saved?.revision ?? 0;
  }, [saved?.revision]);
  const keep = useKeep();
  const [error, setError] = useState<string | null>(null);
  const nameOf = (id: string) => drillName(visit, id);
  const { consent, settings } = view;
  const fresh = visitNote(view.known, view.gates, visit, repeats, home.map(nameOf), {
    lengths: settings.lengthUnit,
    weights: settings.weightUnit,
    consent,
    zone: settings.timeZone,
  });

  const save = (text: string, goesHome = home) => {
    const based = revision.current;
    revision.current += 1;
    return keep('note.save', { visitId: visit.id, text, home: goesHome, revision: based }).then((outcome) => {
      if (outcome.state !== 'conflict') setError(outcome.state === 'refused' ? outcome.why : null);
      return outcome.state === 'refused' ? null : outcome;
    });
  };
  const { value, change, commit, replace } = useDraft<string | null>(
    saved && saved.text !== '' && saved.text !== fresh ? saved.text : null,
    (text) => (text === null ? undefined : save(text)),
  );
  /** Until the first change the note follows the log; from then on it is the coach's. */
  const text = value ?? fresh;

  const sign = async () => {
    commit();
    const outcome = await keep('note.sign', { visitId: visit.id, text, home, revision: revision.current });
    setError(outcome.state === 'refused' ? outcome.why : null);
  };
  const done = visit.runs.flatMap((run) => summariseRun(stateOf(run), visit.clientId).items);
  const choices = [
    ...new Map(
      done
        .filter(({ stopped, deliveredBreaths }) => !stopped && deliveredBreaths > 0)
        .map((one) => [one.item.drillId, one]),
    ).values(),
  ];

  return (
    <div className="max-w-3xl space-y-4">
      <p className="text-ink2">Written from what was recorded. Read it, change what is not so, sign.</p>
      {laidOut ? (
        <p>
          <strong>Goes home:</strong> {laidOut.items.map(({ item }) => drillOf(item).name).join(', ')}.
        </p>
      ) : choices.length === 0 ? (
        <p className="text-ink2">No drill was done that could go home.</p>
      ) : (
        <TickChips
          label={`What goes home (at most ${mostItems}); calm ones are marked`}
          values={home}
          choices={choices.map((one) => ({
            value: one.item.drillId,
            label: `${drillOf(one.item).name}${outcomeOf(one) === 'calm' ? ', calm' : ''}`,
          }))}
          onChange={(next) => {
            const three = next.slice(-mostItems);
            // Choosing alone doesn't make the note the coach's: without words of its own it follows the log.
            if (value === null) return void save('', three);
            const written = withHome(value, three.map(nameOf));
            replace(written);
            void save(written, three);
          }}
        />
      )}
      {choices.length > 0 && (
        <LinkButton href={`/clients/${view.id}/carry`}>
          {laidOut ? 'Change it, hand it over' : 'Lay it out by the day, hand it over'}
        </LinkButton>
      )}
      <Field label="The note of this visit" error={error}>
        {(ids) => (
          <TextArea
            {...ids}
            rows={Math.min(18, Math.max(8, text.split('\n').length + 2))}
            maxLength={8000}
            value={text}
            onChange={(event) => change(event.target.value)}
            onBlur={commit}
          />
        )}
      </Field>
      <div className="flex flex-wrap items-center gap-4">
        <Button look="strong" onClick={() => void sign()}>
          Sign and end the visit
        </Button>
        {value !== null && value !== fresh && (
          <Button
            look="quiet"
            onClick={() => {
              replace(null);
              void save('');
            }}
          >
            Write it anew from the log
          </Button>
        )}
        <p className="text-sm text-ink2">Signed, the visit stays as it is; later words are dated additions.</p>
      </div>
    </div>
  );
}

function Signed({ note, visitId, zone }: { note: StoredNote; visitId: string; zone: string }) {
  const [text, type] = useKept(`kokyu.addition.${visitId}`);
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const add = async () => {
    // The words leave the box at once, or a reload before the answer would offer them for adding a second time.
    type('');
    setError(null);
    const outcome = await keep('note.add', { additionId: newId(), visitId, text });
    if (outcome.state === 'refused') {
      setError(outcome.why);
      type(text);
    }
  };
  return (
    <div className="max-w-3xl space-y-4">
      <p className="text-ink2">Signed {momentInWords(note.signedAt!, zone)}.</p>
      <p className="border-l-4 border-ink pl-4 whitespace-pre-line">{note.text}</p>
      {note.additions.map(({ id, at, text: words }) => (
        <p key={id} className="border-l-4 border-rule pl-4 whitespace-pre-line">
          <span className="block text-sm text-ink2">Added {momentInWords(at, zone)}</span>
          {words}
        </p>
      ))}
      <Field label="An addition" error={error}>
        {(ids) => (
          <TextArea {...ids} rows={2} maxLength={8000} value={text} onChange={(event) => type(event.target.value)} />
        )}
      </Field>
      <Button disabled={text.trim() === ''} onClick={() => void add()}>
        Add it with today’s date
      </Button>
    </div>
  );
}
