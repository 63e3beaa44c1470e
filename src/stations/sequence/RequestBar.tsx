'use client';

import { memo } from 'react';
import { type Drill, type PropId, bodyProps, positionIds, propList } from '@/core/catalogue';
import { type PlanRequest, talkOf } from '@/core/sequence';
import { schoolIds, schools } from '@/core/schools';
import { Button } from '@/parts/Button';
import { TickChips } from '@/parts/Chips';
import { NamedSelect } from '@/parts/Field';
import { Stepper } from '@/parts/Stepper';

const offeredProps = propList.filter(({ id }) => !bodyProps.includes(id));

const namesOf = (drills: readonly Drill[]) => new Map(drills.map(({ id, name }) => [id, name]));

/** What there is: minutes, props, the lead school; what is to be avoided, what must be in and what must not. */
export function RequestBar({
  request,
  drills,
  because,
  booking,
  onChange,
  onMake,
  making,
  again,
  locked,
  reads,
}: {
  request: PlanRequest;
  drills: readonly Drill[];
  because: string | null;
  /** What was noted with today's booking. */
  booking: string;
  onChange: (request: PlanRequest) => void;
  onMake: () => void;
  making: boolean;
  again: boolean;
  locked: number;
  /** The reading says something else than the plan was made for. */
  reads: boolean;
}) {
  const names = namesOf(drills);
  const inputs = <Inputs request={request} drills={drills} because={because} booking={booking} onChange={onChange} />;
  const wishes = [
    ...((request.avoidPositions ?? []).length > 0 ? [`without ${request.avoidPositions!.join(', ')}`] : []),
    ...(request.musts ?? []).map((id) => `with ${names.get(id) ?? id}`),
    ...(request.nevers ?? []).map((id) => `not ${names.get(id) ?? id}`),
  ];
  const said = [
    `${request.minutes} min`,
    offeredProps
      .filter(({ id }) => request.propsAtHand.includes(id))
      .map(({ id, name }) => (id === 'halfDome' || id === 'twinBalls' ? name : id))
      .join(', ') || 'no props',
    schools[request.leadSchool].name,
    ...wishes,
  ].join(' · ');
  const words = making
    ? 'Planning…'
    : !again
      ? 'Make the plan'
      : locked > 0
        ? `Plan anew round ${locked} locked`
        : 'Plan anew';
  return (
    <section aria-label="What there is" className="flex flex-wrap items-start gap-x-6 border-y border-rule py-1">
      {again ? (
        <details className="min-w-0 grow">
          <summary className="flex min-h-11 cursor-pointer items-center text-ink2">
            <span className="underline decoration-rule underline-offset-4">{said}</span>
          </summary>
          {inputs}
        </details>
      ) : (
        <div className="grow">{inputs}</div>
      )}
      <div className={`flex flex-wrap items-center gap-4 py-1 ${again ? '' : 'order-first w-full pt-3'}`}>
        {reads && <p className="text-caution">The intent changed since this plan was made.</p>}
        <Button
          look={again ? 'plain' : 'strong'}
          disabled={making}
          {...(again ? {} : { 'data-way-on': true })}
          onClick={onMake}
        >
          {words}
        </Button>
      </div>
    </section>
  );
}

/** What can be said of it. None of it changes where a drill is locked or a plan is being made. */
const Inputs = memo(function Inputs({
  request,
  drills,
  because,
  booking,
  onChange,
}: {
  request: PlanRequest;
  drills: readonly Drill[];
  because: string | null;
  booking: string;
  onChange: (request: PlanRequest) => void;
}) {
  const names = namesOf(drills);
  const sorted = [...drills].sort((a, b) => a.name.localeCompare(b.name));
  return (
    <div className="flex flex-wrap items-end gap-x-7 gap-y-3 py-3">
      <Stepper
        label="Minutes"
        value={request.minutes}
        unit="min"
        min={5}
        max={60}
        step={1}
        onChange={(minutes) => onChange({ ...request, minutes })}
      />
      <Stepper
        label="Talk and correction, a drill"
        value={talkOf(request)}
        unit="s"
        min={0}
        max={180}
        step={10}
        onChange={(talkSeconds) => onChange({ ...request, talkSeconds })}
      />
      <TickChips
        label="Props at hand"
        values={request.propsAtHand}
        choices={offeredProps.map(({ id, name }) => ({ value: id as PropId, label: name }))}
        onChange={(propsAtHand) => onChange({ ...request, propsAtHand })}
      />
      <div className="w-56">
        <NamedSelect
          label="Lead school"
          value={request.leadSchool}
          choices={schoolIds.map((id) => [id, schools[id].name] as const)}
          onChange={(leadSchool) => leadSchool && onChange({ ...request, leadSchool })}
        />
      </div>
      {booking && <p className="w-full border-l-4 border-caution pl-3">Noted with the booking: {booking}</p>}
      {because && <p className="w-full text-sm text-ink2">Lead school offered {because}.</p>}
      <details className="w-full">
        <summary className="flex min-h-11 cursor-pointer items-center text-ink2">
          Avoid a position, ask for a drill, or keep one out
        </summary>
        <div className="grid gap-4 pb-2">
          <TickChips
            label="Positions to avoid today"
            values={request.avoidPositions ?? []}
            choices={positionIds.map((id) => ({ value: id, label: id }))}
            onChange={(avoidPositions) => onChange({ ...request, avoidPositions })}
          />
          <div className="flex flex-wrap gap-6">
            {(['musts', 'nevers'] as const).map((key) => (
              <Named
                key={key}
                label={key === 'musts' ? 'Must be in' : 'Must not be in'}
                chosen={request[key] ?? []}
                names={names}
                choices={sorted}
                onChange={(ids) => onChange({ ...request, [key]: ids })}
              />
            ))}
          </div>
        </div>
      </details>
    </div>
  );
});

/** A few drills by name. */
function Named({
  label,
  chosen,
  names,
  choices,
  onChange,
}: {
  label: string;
  chosen: readonly string[];
  names: ReadonlyMap<string, string>;
  choices: readonly Drill[];
  onChange: (ids: string[]) => void;
}) {
  return (
    <div className="w-72">
      <NamedSelect
        label={label}
        value=""
        none="choose a drill"
        choices={choices.filter(({ id }) => !chosen.includes(id)).map(({ id, name }) => [id, name] as const)}
        onChange={(id) => id && onChange([...chosen, id])}
      />
      <ul className="mt-1">
        {chosen.map((id) => (
          <li key={id} className="flex items-center justify-between gap-2">
            {names.get(id) ?? id}
            <Button look="quiet" onClick={() => onChange(chosen.filter((other) => other !== id))}>
              Take off <span className="sr-only">{names.get(id) ?? id}</span>
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
