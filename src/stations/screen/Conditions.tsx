'use client';

import { memo, useState } from 'react';
import {
  type Answer,
  type AnswerDetail,
  type AnswerValue,
  type Condition,
  type ConditionId,
  type Fact,
  type FactKey,
  conditionGroups,
  conditionList,
  gateTable,
  pregnancyWeek,
  screeningAge,
  surgerySites,
} from '@/core/safety';
import { capital } from '@/core/reasons';
import { dayInWords } from '@/core/record';
import { newId, send } from '@/keep';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Field, TextInput } from '@/parts/Field';
import { say } from '@/parts/say';
import { useDraft } from '@/parts/useDraft';
import { sayTheSame } from '../sayTheSame';
import { type ClientView } from '../view';
import { useFact } from '../useFact';

/** The conditions, group by group; what is left can be answered "no" in one tap a group. */
export function Conditions({ view }: { view: ClientView }) {
  return (
    <section aria-labelledby="conditions" className="border-t border-ink pt-4">
      <h2 id="conditions" className="text-lg">
        Conditions
      </h2>
      <p className="text-ink2">What is not asked stays unknown, and keeps the high-risk things off until it is.</p>
      <GoneThrough view={view} />
      <div className="mt-3 grid gap-x-10 gap-y-6 xl:grid-cols-2">
        {conditionGroups.map((group) => (
          <Group key={group} view={view} group={group} />
        ))}
      </div>
    </section>
  );
}

/** Answers grow old: they are asked again, or found to stand, in one tap. */
function GoneThrough({ view }: { view: ClientView }) {
  const { record } = useFact(view.id, 'screened', view.known.latest.screened, { shownHere: false });
  const age = screeningAge(view.known.profile, view.today, view.settings.limits);
  if (age.oldest === null || age.days === 0) return null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <p className={age.stale ? 'border-l-4 border-caution pl-3 font-semibold' : 'text-ink2'}>
        Oldest answer from {dayInWords(age.oldest, view.today)}
        {age.stale ? `: older than ${age.limitDays} days. Go through them again.` : '.'}
      </p>
      <Button onClick={() => void record(true)}>Gone through: all still stand</Button>
    </div>
  );
}

function Group({ view, group }: { view: ClientView; group: string }) {
  const rows = conditionList.filter((condition) => condition.group === group);
  const open = rows.filter(({ id }) => (view.known.profile.answers[id]?.value ?? 'unknown') === 'unknown');
  const answerRest = () => {
    const factIds = open.map(({ id }) => {
      const factId = newId();
      const key: FactKey = `answer:${id}`;
      const basedOn = view.known.latest[key]?.id ?? null;
      send('fact.add', { factId, clientId: view.id, key, value: { value: 'no' }, basedOn });
      return factId;
    });
    say(`${factIds.length} answered “no”.`, () => {
      for (const factId of factIds) send('fact.retract', { factId });
    });
  };
  return (
    <div>
      <div className="flex min-h-11 items-center justify-between gap-3">
        <h3 className="text-base">{group}</h3>
        {open.length > 0 && (
          <Button look="quiet" onClick={answerRest}>
            {open.length === rows.length ? 'All of these: no' : `The other ${open.length}: no`}
          </Button>
        )}
      </div>
      <ul>
        {rows.map((condition) => (
          <Row
            key={condition.id}
            clientId={view.id}
            today={view.today}
            condition={condition}
            answer={view.known.profile.answers[condition.id]}
            latest={view.known.latest[`answer:${condition.id}`]}
          />
        ))}
      </ul>
    </div>
  );
}

const choices: readonly { value: AnswerValue; label: string }[] = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
  { value: 'unknown', label: '?' },
];

/** There are many of them: one answered draws no other anew. */
const Row = memo(function Row({
  clientId,
  today,
  condition,
  answer,
  latest,
}: {
  clientId: string;
  today: string;
  condition: Condition & { id: ConditionId };
  answer: Answer | undefined;
  latest: Fact | undefined;
}) {
  const { record, error } = useFact(clientId, `answer:${condition.id}`, latest);
  const value = answer?.value ?? 'unknown';
  // The view holds what was said here at once: a second detail is added to the first, whatever the server has by then.
  const add = (detail: AnswerDetail) => record({ value: 'yes', ...answer?.detail, ...detail });
  return (
    <li className="border-t border-rule py-2">
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <span className={value === 'unknown' ? '' : value === 'yes' ? 'font-semibold' : 'text-ink2'}>
          {condition.question}
        </span>
        <ChoiceChips
          label={condition.question}
          hideLabel
          value={value}
          choices={choices.map((choice) =>
            choice.value === 'unknown' ? { ...choice, label: <span aria-label="Unknown">?</span> } : choice,
          )}
          onChange={(next) => void record({ value: next, ...(next === 'yes' ? answer?.detail : {}) })}
        />
      </div>
      {value === 'yes' && condition.detail !== 'none' && (
        <Detail condition={condition} answer={answer!} today={today} save={add} />
      )}
      {value === 'yes' && <Notes condition={condition.id} answer={answer!} save={add} />}
      {error && (
        <p role="alert" className="mt-1 text-sm font-semibold text-stop dark:text-ink">
          {error}
        </p>
      )}
    </li>
  );
}, sayTheSame);

/** A note to an answer, and a clinician's word where one can lift a limit. */
function Notes({
  condition,
  answer,
  save,
}: {
  condition: ConditionId;
  answer: Answer;
  save: (detail: AnswerDetail) => unknown;
}) {
  const { detail } = answer;
  const clearable = gateTable.some((row) => row.condition === condition && row.clearable.length > 0);
  return (
    <div className="flex flex-wrap gap-x-4">
      <DetailInput
        label="Note"
        type="text"
        initial={detail.note ?? ''}
        save={(text) => save({ note: text.trim() === '' ? undefined : text })}
      />
      {clearable && (
        <DetailInput
          label="Cleared by (licensed clinician)"
          type="text"
          initial={detail.clearedBy ?? ''}
          save={(text) => save({ clearedBy: text.trim() === '' ? undefined : text })}
          hint="Lifts what only a clinician can lift; it is watched then."
        />
      )}
    </div>
  );
}

function Detail({
  condition,
  answer,
  today,
  save,
}: {
  condition: Condition;
  answer: Answer;
  today: string;
  save: (detail: AnswerDetail) => unknown;
}) {
  const { detail } = answer;
  if (condition.detail === 'pregnancy week') {
    const week = pregnancyWeek(answer, today);
    return (
      <div className="flex flex-wrap gap-x-4">
        <DetailInput
          label="Due date"
          type="date"
          initial={detail.dueDate ?? ''}
          save={(text) => save({ dueDate: text === '' ? undefined : text })}
          hint={detail.dueDate && week !== null ? `Week ${week} today.` : 'Or the week:'}
        />
        {!detail.dueDate && (
          <DetailInput
            label="Week of pregnancy today"
            type="number"
            initial={String(week ?? '')}
            save={(text) => save({ weekOnDay: text === '' ? undefined : Number(text) })}
            hint="Limits change by themselves as the weeks pass."
          />
        )}
      </div>
    );
  }
  if (condition.detail === 'operation' || condition.detail === 'birth') {
    return (
      <div className="flex flex-wrap items-end gap-4">
        <DetailInput
          label={condition.detail === 'birth' ? 'Day of the birth' : 'Day of the operation'}
          type="date"
          initial={detail.date ?? ''}
          save={(text) => save({ date: text === '' ? undefined : text })}
        />
        {condition.detail === 'operation' && (
          <ChoiceChips
            label="Where"
            value={detail.site ?? null}
            choices={surgerySites.map((value) => ({ value, label: capital(value) }))}
            onChange={(site) => save({ site })}
          />
        )}
        {condition.detail === 'operation' && detail.site === 'chest' && (
          <Side side={detail.side} onChange={(side) => save({ side })} />
        )}
        {condition.detail === 'birth' && (
          <ChoiceChips
            label="Kind of birth"
            value={detail.caesarean === undefined ? null : detail.caesarean ? 'caesarean' : 'vaginal'}
            choices={[
              { value: 'vaginal', label: 'Vaginal' },
              { value: 'caesarean', label: 'Caesarean' },
            ]}
            onChange={(kind) => save({ caesarean: kind === 'caesarean' })}
          />
        )}
      </div>
    );
  }
  return (
    <div className="mt-1">
      <Side side={detail.side} onChange={(side) => save({ side })} />
    </div>
  );
}

function Side({
  side,
  onChange,
}: {
  side: AnswerDetail['side'];
  onChange: (side: NonNullable<AnswerDetail['side']>) => void;
}) {
  return (
    <ChoiceChips
      label="Side"
      hideLabel
      value={side ?? null}
      choices={[
        { value: 'left', label: 'Left' },
        { value: 'right', label: 'Right' },
        { value: 'both', label: 'Both' },
      ]}
      onChange={onChange}
    />
  );
}

function DetailInput({
  label,
  type,
  initial,
  save,
  hint,
}: {
  label: string;
  type: 'number' | 'date' | 'text';
  initial: string;
  save: (text: string) => unknown;
  hint?: string;
}) {
  const { value, change, commit } = useDraft(initial, save, { waitMs: 900 });
  const [error, setError] = useState<string | null>(null);
  return (
    <div className="mt-1 max-w-72">
      <Field label={label} hint={hint} error={error}>
        {(ids) => (
          <TextInput
            {...ids}
            type={type}
            value={value}
            onChange={(event) => {
              setError(event.target.validity.badInput ? 'This can’t be read. Write a plain number or date.' : null);
              change(event.target.value);
            }}
            onBlur={commit}
          />
        )}
      </Field>
    </div>
  );
}
