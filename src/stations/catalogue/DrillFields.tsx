'use client';

import { type Cue, type Drill } from '@/core/catalogue';
import { listed } from '@/core/reasons';
import { components } from '@/core/safety';
import { type AxisId } from '@/core/schools';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { Field, NamedSelect, Select, TextArea, TextInput } from '@/parts/Field';
import { Stepper } from '@/parts/Stepper';
import { containedOf } from './drillFacts';
import { type Choices, type DrillField, axisName, axisStances, phaseNames, rowClass, withStance } from './drillForm';
import { CueRow, ErrorLine, Gains, RangeRow } from './DrillRows';

/** What every field works on. */
interface Form {
  draft: Drill;
  set: (change: Partial<Drill>) => void;
  faultOf: (...parts: (keyof Drill)[]) => string | null;
  /** The other drills, by name. */
  others: Choices;
}

/** Fields of a drill, one under the other, as their table says. */
export const DrillFields = ({ fields, form }: { fields: readonly DrillField[]; form: Form }) =>
  fields.map((field, i) => <OneField key={i} field={field} form={form} />);

function OneField({ field, form }: { field: DrillField; form: Form }) {
  const { draft, set, faultOf, others } = form;
  switch (field.kind) {
    case 'row':
      return (
        <div className={rowClass[field.as]}>
          <DrillFields fields={field.fields} form={form} />
        </div>
      );
    case 'text': {
      const Input = field.long ? TextArea : TextInput;
      return (
        <Field label={field.label} error={faultOf(field.key)}>
          {(ids) => (
            <Input {...ids} value={draft[field.key]} onChange={(event) => set({ [field.key]: event.target.value })} />
          )}
        </Field>
      );
    }
    case 'remark':
      return (
        <Field label={field.label}>
          {(ids) => (
            <TextInput
              {...ids}
              maxLength={field.most}
              value={field.value(draft)}
              onChange={(event) => set(field.change(event.target.value, draft))}
            />
          )}
        </Field>
      );
    case 'select':
      return (
        <NamedSelect
          label={field.label}
          error={field.faults ? faultOf(field.faults) : null}
          value={field.value(draft)}
          {...(field.none === undefined ? {} : { none: field.none })}
          choices={field.choices === 'drills' ? others : field.choices}
          onChange={(value) => (value || field.none !== undefined) && set(field.change(value, draft))}
        />
      );
    case 'ticks':
      return (
        <>
          <TickChips
            label={field.label}
            values={draft[field.key] as readonly string[]}
            choices={field.choices.map(([value, label]) => ({ value, label }))}
            onChange={(values) => set({ [field.key]: values })}
          />
          {field.told && <Besides draft={draft} />}
          <ErrorLine words={faultOf(field.key)} />
        </>
      );
    case 'number':
      return (
        <Stepper
          label={field.label}
          value={field.value(draft)}
          unit={field.unit ?? ''}
          min={field.from}
          max={field.to}
          step={field.step ?? 1}
          onChange={(value) => set(field.change(value, draft))}
        />
      );
    case 'chips':
      return (
        <ChoiceChips
          label={field.label}
          value={field.value(draft)}
          choices={field.choices.map(([value, label]) => ({ value, label }))}
          onChange={(value) => set(field.change(value, draft))}
        />
      );
    case 'range': {
      const value = field.value(draft);
      return (
        value && (
          <RangeRow
            label={field.label}
            value={value}
            step={field.step}
            onChange={(next) => set(field.change(next, draft))}
          />
        )
      );
    }
    case 'ladder':
      return (
        draft.breath.kind === 'ladder' && (
          <p>A ladder of {draft.breath.rungs.length} rungs, as in the drill it was copied from.</p>
        )
      );
    case 'faults':
      return <ErrorLine words={faultOf(...field.of)} />;
    case 'gains':
      return (
        <Gains
          names={field.names}
          values={draft[field.key] as Record<string, number>}
          onChange={(values) => set({ [field.key]: values })}
        />
      );
    case 'stance':
      return <StanceRow axis={field.axis} draft={draft} set={set} />;
    case 'steps':
      return <Steps draft={draft} set={set} words={faultOf('steps')} />;
    case 'cues':
      return <Cues draft={draft} set={set} words={faultOf('cues')} />;
  }
}

/** What a drill contains that nobody has to tick. */
function Besides({ draft }: Pick<Form, 'draft'>) {
  const derived = containedOf({ ...draft, components: [] });
  return (
    <p className="text-sm text-ink2">
      {derived.length > 0
        ? `Besides, from its movement, breath, props and stances: ${listed(derived.map((id) => components[id]))}.`
        : 'Its positions are gated too, whatever is ticked here.'}
    </p>
  );
}

function StanceRow({ axis, draft, set }: Pick<Form, 'draft' | 'set'> & { axis: AxisId }) {
  const before = draft.stances[axis];
  return (
    <div className="flex items-end gap-3">
      <div className="grow">
        <NamedSelect
          label={axisName(axis)}
          value={before?.stance ?? ''}
          none="no stance"
          choices={axisStances(axis)}
          onChange={(stance) =>
            set(withStance(draft, axis, stance ? { stance, scope: before?.scope ?? 'this drill' } : null))
          }
        />
      </div>
      <label className="flex min-h-11 items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="size-5 accent-ink"
          disabled={!before}
          checked={before?.scope === 'everyday rule'}
          onChange={({ target }) =>
            before &&
            set(withStance(draft, axis, { ...before, scope: target.checked ? 'everyday rule' : 'this drill' }))
          }
        />
        every day<span className="sr-only">: {axisName(axis)}</span>
      </label>
    </div>
  );
}

const replaced = <T,>(list: readonly T[], at: number, value: T): T[] => list.map((old, i) => (i === at ? value : old));
const without = <T,>(list: readonly T[], at: number): T[] => list.filter((_, i) => i !== at);

type ListProps = Pick<Form, 'draft' | 'set'> & { words: string | null };

function Steps({ draft: { steps }, set, words }: ListProps) {
  const change = (at: number, part: Partial<Drill['steps'][number]>) =>
    set({ steps: replaced(steps, at, { ...steps[at]!, ...part }) });
  return (
    <>
      {steps.map((step, i) => (
        <div key={i} className="flex flex-wrap items-end gap-3">
          <div className="w-44">
            <Field label={`Step ${i + 1}, when`}>
              {(ids) => (
                <Select
                  {...ids}
                  value={step.phase}
                  onChange={(event) => change(i, { phase: event.target.value as typeof step.phase })}
                >
                  {Object.entries(phaseNames).map(([id, name]) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          </div>
          <div className="min-w-64 grow">
            <Field label={`Step ${i + 1}, what`}>
              {(ids) => (
                <TextInput {...ids} value={step.words} onChange={(event) => change(i, { words: event.target.value })} />
              )}
            </Field>
          </div>
          <Button look="quiet" onClick={() => set({ steps: without(steps, i) })}>
            Take off <span className="sr-only">step {i + 1}</span>
          </Button>
        </div>
      ))}
      <ErrorLine words={words} />
      <div>
        <Button onClick={() => set({ steps: [...steps, { phase: 'throughout', words: '' }] })}>Add a step</Button>
      </div>
    </>
  );
}

const noCue: Cue = { words: '', kind: 'instruction', care: null, stance: null };
const mostCues = 8;

function Cues({ draft: { cues }, set, words }: ListProps) {
  return (
    <>
      {cues.map((cue, i) => (
        <CueRow
          key={i}
          cue={cue}
          index={i}
          onChange={(next) => set({ cues: replaced(cues, i, next) })}
          onRemove={() => set({ cues: without(cues, i) })}
        />
      ))}
      <ErrorLine words={words} />
      <div>
        <Button disabled={cues.length >= mostCues} onClick={() => set({ cues: [...cues, noCue] })}>
          Add a cue
        </Button>
      </div>
    </>
  );
}
