'use client';

import { useState } from 'react';
import { type IntentId, type Likely, type ReadingSnapshot, intentIds, intentInWords } from '@/core/read';
import { capital } from '@/core/reasons';
import { schools } from '@/core/schools';
import { newId, useKeep } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { WayOn } from '@/parts/WayOn';
import { ChoiceChips } from '@/parts/Chips';
import { Field, Select, TextArea } from '@/parts/Field';
import { say } from '@/parts/say';
import { type ClientView } from '../view';

/** An intent as it is being chosen. */
export interface IntentDraft {
  intent?: IntentId;
  side?: 'left' | 'right';
  ownLine?: string;
}

/** One intent for today, with a line of the coach's own; what is confirmed goes to Sequence with the findings. */
export function Confirm({
  view,
  likely,
  snapshot,
  changed,
  intent,
  draft,
  setDraft,
}: {
  view: ClientView;
  likely: Likely;
  snapshot: ReadingSnapshot;
  /** The reading is no longer the one that was confirmed. */
  changed: boolean;
  intent: IntentId;
  /** What was chosen and typed and is not confirmed yet. */
  draft: IntentDraft;
  setDraft: (draft: IntentDraft | null) => void;
}) {
  const visit = view.visit!;
  const before = visit.reading;
  const suggested = likely.shown[0] ?? null;
  const side = draft.side ?? before?.side ?? suggested?.side ?? null;
  const ownLine = draft.ownLine ?? before?.ownLine ?? '';
  const change = (part: IntentDraft) => setDraft({ ...draft, ...part });
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const needsSide = intent === 'openOneSide';
  const behind = likely.shown.filter(({ pattern }) => pattern.intent === intent);
  const lead = (behind[0] ?? suggested)?.pattern;

  const confirm = async () => {
    if (needsSide && !side) {
      setError('Which side should open? Choose left or right.');
      return;
    }
    // The page shows it as confirmed with the press; a refusal brings back what was typed.
    setDraft(null);
    const outcome = await keep('reading.confirm', {
      readingId: newId(),
      visitId: visit.id,
      reading: {
        intent,
        side: needsSide ? side : null,
        patterns: behind.map(({ pattern }) => pattern.id),
        ownLine,
        snapshot,
      },
    });
    setError(outcome.state === 'refused' ? outcome.why : null);
    if (outcome.state === 'refused') setDraft({ intent, ownLine, ...(side ? { side } : {}) });
    else say(`Intent confirmed: ${intentInWords(intent, side ?? undefined)}.`);
  };

  return (
    <>
      <section aria-labelledby="intent" className="mt-6 border-t-2 border-ink pt-4">
        <h2 id="intent" className="text-lg">
          One intent for today
        </h2>
        <div className="mt-3 grid gap-4 md:grid-cols-2">
          <Field
            label="Intent"
            hint={suggested ? `Suggested by “${suggested.pattern.name}”.` : 'Nothing suggested; choose one.'}
          >
            {(ids) => (
              <Select {...ids} value={intent} onChange={(event) => change({ intent: event.target.value as IntentId })}>
                {intentIds.map((id) => (
                  <option key={id} value={id}>
                    {intentInWords(id, side ?? undefined)}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          {needsSide && (
            <ChoiceChips
              label="Side to open (the client’s own)"
              value={side}
              choices={[
                { value: 'left', label: 'Left' },
                { value: 'right', label: 'Right' },
              ]}
              onChange={(next) => change({ side: next })}
            />
          )}
          <Field label="Your own line" hint="What you would tell a colleague.">
            {(ids) => (
              <TextArea
                {...ids}
                rows={2}
                value={ownLine}
                onChange={(event) => change({ ownLine: event.target.value })}
              />
            )}
          </Field>
        </div>
        {lead && (
          <p className="mt-3 text-ink2">
            {capital(schools[lead.answeredBy].name)} answers “{lead.name}” best: {lead.because}. The lead school is
            chosen in Sequence.
          </p>
        )}
        {error && (
          <p role="alert" className="mt-3 font-semibold">
            {error}
          </p>
        )}
      </section>
      <WayOn>
        {/* Pressed without scrolling to the choice, it must say what is confirmed. */}
        {!before && (
          <p className="grow text-right">{intentInWords(intent, needsSide ? (side ?? undefined) : undefined)}</p>
        )}
        <Button
          look={before && !changed ? 'plain' : 'strong'}
          {...(before && !changed ? {} : { 'data-way-on': true })}
          onClick={() => void confirm()}
        >
          {before ? 'Confirm again' : 'Confirm this intent'}
        </Button>
        {before && (
          <>
            <LinkButton
              href={`/clients/${view.id}/sequence`}
              look={changed ? 'plain' : 'strong'}
              {...(changed ? {} : { 'data-way-on': true })}
            >
              On to Sequence
            </LinkButton>
            <p className="text-ink2">Confirmed: {intentInWords(before.intent, before.side ?? undefined)}.</p>
          </>
        )}
      </WayOn>
    </>
  );
}
