'use client';

import { type ReactNode } from 'react';
import { type FormField, type FormProtocol, forms, nothingElse, testVerdict } from '@/core/look';
import { refusalInWords } from '@/core/safety';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { say } from '@/parts/say';
import { Slider } from '@/parts/Slider';
import { type ClientView } from '../view';
import { SecondsTimer } from './SecondsTimer';

type Values = Record<string, unknown>;

/** Parts of a form that are not a group of their own, by what they are gated by. */
const partWords: Readonly<Record<string, string>> = { march: 'the march' };

/** The fields of a protocol, one under the other, under their headings; what is off today says so in its place. */
export function FormFields({
  view,
  protocol,
  raw,
  save,
  columns = false,
}: {
  view: ClientView;
  protocol: FormProtocol;
  raw: Values;
  save: (raw: Values) => void;
  columns?: boolean;
}) {
  const fields = forms[protocol].filter(({ when }) => !when || raw[when.key] === when.is);
  const groups = [...new Set(fields.map(({ group }) => group))];
  const rest = nothingElse(protocol, raw, ({ components = [] }) => testVerdict(view.gates, components).allowed);
  const fill = ({ part, raw: filled }: (typeof rest)[number]) => (
    <Button
      key={part}
      onClick={() => {
        save(filled);
        say('Filled in: nothing else to note.', () => save(raw));
      }}
    >
      Nothing else to note{part !== '' && partWords[part] ? `: ${partWords[part]}` : ''}
    </Button>
  );
  return (
    <>
      <div className={columns ? 'grid gap-x-10 gap-y-5 xl:grid-cols-2' : 'space-y-5'}>
        {groups.map((group) => {
          const rows = fields
            .filter((field) => field.group === group)
            .map((field) => (
              <FieldRow
                key={field.key}
                view={view}
                field={field}
                value={raw[field.key]}
                onChange={(value) => save({ ...raw, [field.key]: value })}
              />
            ));
          return group === undefined ? (
            rows
          ) : (
            <section key={group} aria-label={group} className="space-y-3">
              <h2 className="border-b border-rule pb-1 text-base">{group}</h2>
              {rows}
              {rest.filter((one) => one.group === group).map(fill)}
            </section>
          );
        })}
      </div>
      <div className="mt-4 flex flex-wrap gap-2 empty:hidden">
        {rest.filter(({ group }) => group === null).map(fill)}
      </div>
    </>
  );
}

function FieldRow({
  view,
  field,
  value,
  onChange,
}: {
  view: ClientView;
  field: FormField;
  value: unknown;
  onChange: (value: unknown) => void;
}): ReactNode {
  const verdict = testVerdict(view.gates, field.components ?? []);
  if (!verdict.allowed) {
    return (
      <p className="text-ink2">
        {field.question} <span className="font-semibold text-caution">{refusalInWords(verdict)}</span>
      </p>
    );
  }
  switch (field.kind) {
    case 'choice':
      return (
        <ChoiceChips
          label={field.question}
          value={value as string}
          choices={field.choices.map(([key, label]) => ({ value: key, label }))}
          onChange={onChange}
        />
      );
    case 'ticks':
      return <Ticks field={field} value={value as string[] | null} onChange={onChange} />;
    case 'grade':
      return (
        <ChoiceChips
          label={field.question}
          value={value === null ? 'x' : String(value)}
          choices={[
            ...field.words.map((words, grade) => ({ value: String(grade), label: words })),
            { value: 'x', label: 'Not seen' },
          ]}
          onChange={(next) => onChange(next === 'x' ? null : Number(next))}
        />
      );
    case 'scale':
      return (
        <div className="max-w-md">
          <Slider
            label={field.question}
            value={value as number | null}
            min={0}
            max={10}
            step={1}
            low={field.low}
            high={field.high}
            onChange={onChange}
          />
        </div>
      );
    case 'seconds':
      return <SecondsTimer label={field.question} values={value as number[]} onChange={onChange} />;
  }
}

/** Ticks of what was seen; where nothing seen is a finding of its own, it has a chip too. */
function Ticks({
  field,
  value,
  onChange,
}: {
  field: Extract<FormField, { kind: 'ticks' }>;
  value: string[] | null;
  onChange: (value: string[] | null) => void;
}) {
  const none = field.none;
  const choices = field.choices.map(([key, label]) => ({ value: key, label }));
  if (none === undefined) {
    return <TickChips label={field.question} values={value ?? []} choices={choices} onChange={onChange} />;
  }
  return (
    <TickChips
      label={field.question}
      values={value === null ? [] : value.length === 0 ? ['none'] : value}
      choices={[{ value: 'none', label: none }, ...choices]}
      onChange={(next) => {
        const before = value === null ? [] : value.length === 0 ? ['none'] : value;
        const added = next.find((key) => !before.includes(key));
        if (added === 'none') onChange([]);
        else if (next.length === 0) onChange(null);
        else onChange(next.filter((key) => key !== 'none'));
      }}
    />
  );
}
