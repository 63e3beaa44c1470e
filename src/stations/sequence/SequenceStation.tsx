'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { bodyProps, findDrill, propList, type PropId } from '@/core/catalogue';
import { cadenceInWords } from '@/core/cadence';
import { durationInWords, type Totals } from '@/core/dose';
import { intentInWords, leadSchoolFor } from '@/core/read';
import { type SchoolId, schoolIds, schools } from '@/core/schools';
import {
  type Plan,
  type PlanItem,
  type PlanRequest,
  type Problem,
  checkPlan,
  drillOf,
  itemSegments,
  planTotals,
} from '@/core/sequence';
import { keep, newId } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { TickChips } from '@/parts/Chips';
import { Field, Select } from '@/parts/Field';
import { EmptyState, Notice } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { Stepper } from '@/parts/Stepper';
import { Score } from '@/parts/figures/Score';
import { say } from '@/parts/say';
import { isTyping } from '@/parts/shell/keys';
import { BeginVisit } from '../BeginVisit';
import { StationHead } from '../StationHead';
import { type ClientView } from '../view';
import { ItemEditor } from './ItemEditor';
import { planContext, usePlan, usePlanner } from './usePlan';

const offeredProps = propList.filter(({ id }) => !bodyProps.includes(id));

/** Sequence: drills for the intent, in an order that fits the time, with a reason for each and for each that is absent. */
export function SequenceStation({ view }: { view: ClientView }) {
  const { visit } = view;
  if (!visit) {
    return (
      <EmptyState title="Today’s visit has not begun.">
        <BeginVisit clientId={view.id} />
      </EmptyState>
    );
  }
  if (!visit.reading) {
    return (
      <EmptyState title="A plan answers an intent. Confirm one first.">
        <LinkButton href={`/clients/${view.id}/read`} look="strong">
          Go to Read
        </LinkButton>
      </EmptyState>
    );
  }
  return <Planning view={view} />;
}

function Planning({ view }: { view: ClientView }) {
  const reading = view.visit!.reading!;
  const { plan, error, change, move, remove, replace, add, undo, redo } = usePlan(view);
  const planner = usePlanner();
  const context = useMemo(() => planContext(view), [view]);
  const lead = leadSchoolFor(reading.patterns, view.settings.homeSchool);
  const [request, setRequest] = useState<PlanRequest>(
    plan?.request ?? {
      intent: reading.intent,
      side: reading.side,
      minutes: view.settings.defaultMinutes,
      propsAtHand: ['towel', 'pillow', 'wall', 'chair'],
      leadSchool: lead.school,
    },
  );
  const [selectedId, setSelectedId] = useState<string | null>(plan?.items[0]?.id ?? null);
  const [making, setMaking] = useState(false);
  const problems = useMemo(() => (plan ? checkPlan(plan, view.gates) : []), [plan, view.gates]);
  const totals = useMemo(() => (plan ? planTotals(plan.items) : null), [plan]);
  const selected = plan?.items.find(({ id }) => id === selectedId) ?? plan?.items[0] ?? null;

  const make = async (asked: PlanRequest) => {
    setMaking(true);
    const next = await planner().plan({ ...asked, intent: reading.intent, side: reading.side }, context);
    setMaking(false);
    change(next);
    setSelectedId(next.items[0]?.id ?? null);
  };

  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.key.toLowerCase() !== 'u' || event.ctrlKey || event.metaKey) return;
      undo?.();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [undo]);

  return (
    <>
      <StationHead
        title={intentInWords(reading.intent, reading.side ?? undefined)}
        line={
          plan
            ? `${plan.items.length} drills for ${plan.request.minutes} minutes. ${
                plan.proven
                  ? 'Nothing better exists for these minutes, props and limits.'
                  : 'A good plan; the search was cut off before it could prove that nothing better exists.'
              }`
            : 'Say what there is; the plan answers at once.'
        }
      >
        {plan && plan.items.length > 0 && (
          <LinkButton href={`/clients/${view.id}/coach`} look="strong">
            On to Coach
          </LinkButton>
        )}
      </StationHead>
      <RequestBar
        request={request}
        because={request.leadSchool === lead.school ? lead.because : null}
        onChange={setRequest}
        onMake={() => void make(request)}
        making={making}
        again={plan !== null}
        reads={plan !== null && (plan.request.intent !== reading.intent || plan.request.side !== reading.side)}
      />
      {error && (
        <p role="alert" className="my-3 font-semibold">
          {error}
        </p>
      )}
      {plan && totals && (
        <>
          <TotalsLine totals={totals.whole} changes={totals.positionChanges} />
          {problems.map((problem) => (
            <ProblemLine key={problem.what} problem={problem} onShow={setSelectedId} />
          ))}
          <div className="my-4 overflow-x-auto">
            <Score items={scoreItems(plan)} selected={selected?.id ?? null} onSelect={setSelectedId} />
          </div>
          <div className="flex gap-2">
            <Button disabled={!undo} onClick={() => undo?.()}>
              Undo
            </Button>
            <Button disabled={!redo} onClick={() => redo?.()}>
              Redo
            </Button>
          </div>
          {selected && (
            <ItemEditor
              key={selected.id}
              view={view}
              plan={plan}
              item={selected}
              seconds={totals.perItem[plan.items.indexOf(selected)]!.seconds}
              context={context}
              planner={planner}
              onMove={move}
              onRemove={remove}
              onReplace={replace}
              onAdd={(item) => {
                add(item);
                setSelectedId(item.id);
              }}
            />
          )}
          <Refusals plan={plan} view={view} />
        </>
      )}
    </>
  );
}

function RequestBar({
  request,
  because,
  onChange,
  onMake,
  making,
  again,
  reads,
}: {
  request: PlanRequest;
  /** Why this lead school was offered. */
  because: string | null;
  onChange: (request: PlanRequest) => void;
  onMake: () => void;
  making: boolean;
  again: boolean;
  reads: boolean;
}) {
  const inputs = (
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
      <TickChips
        label="Props at hand"
        values={request.propsAtHand}
        choices={offeredProps.map(({ id, name }) => ({ value: id as PropId, label: name }))}
        onChange={(propsAtHand) => onChange({ ...request, propsAtHand })}
      />
      <div className="w-56">
        <Field label="Lead school">
          {(ids) => (
            <Select
              {...ids}
              value={request.leadSchool}
              onChange={(event) => onChange({ ...request, leadSchool: event.target.value as SchoolId })}
            >
              {schoolIds.map((id) => (
                <option key={id} value={id}>
                  {schools[id].name}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </div>
      {because && <p className="w-full text-sm text-ink2">Lead school offered {because}.</p>}
    </div>
  );
  const said = [
    `${request.minutes} min`,
    offeredProps
      .filter(({ id }) => request.propsAtHand.includes(id))
      .map(({ id }) => id)
      .join(', ') || 'no props',
    schools[request.leadSchool].name,
  ].join(' · ');
  return (
    <section aria-label="What there is" className="flex flex-wrap items-start gap-x-6 border-y border-rule py-1">
      {again ? (
        <details className="grow">
          <summary className="flex min-h-11 cursor-pointer items-center text-ink2">
            <span className="underline decoration-rule underline-offset-4">{said}</span>
          </summary>
          {inputs}
        </details>
      ) : (
        <div className="grow">{inputs}</div>
      )}
      <div className="flex flex-wrap items-center gap-4 py-1">
        {reads && <p className="text-caution">The intent changed since this plan was made.</p>}
        <Button look={again ? 'plain' : 'strong'} disabled={making} onClick={onMake}>
          {making ? 'Planning…' : again ? 'Plan anew' : 'Make the plan'}
        </Button>
      </div>
    </section>
  );
}

const figure = (value: string, unit: string) => (
  <div className="flex items-baseline gap-1.5">
    <dd className="order-1 text-2xl font-semibold">{value}</dd>
    <dt className="order-2 text-ink2">{unit}</dt>
  </div>
);

function TotalsLine({ totals, changes }: { totals: Totals; changes: number }) {
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-1 border-b border-rule py-3" aria-label="Totals">
      {figure((totals.seconds / 60).toFixed(1), 'min')}
      {figure(String(totals.breaths), 'breaths')}
      {figure(totals.breathsPerMinute?.toFixed(1) ?? '–', 'a minute')}
      {figure(totals.exhaleShare === null ? '–' : `${Math.round(totals.exhaleShare * 100)} %`, 'exhale')}
      {figure(String(Math.round(totals.holdSeconds)), 's of holds')}
      {figure(String(changes), changes === 1 ? 'position change' : 'position changes')}
    </dl>
  );
}

function ProblemLine({ problem, onShow }: { problem: Problem; onShow: (id: string) => void }) {
  const { level, what, wayOut, itemId } = problem;
  return (
    <div className="mt-3">
      <Notice kind={level === 'off' ? 'stop' : 'caution'} title={what}>
        <span className="flex flex-wrap items-center gap-3">
          {wayOut}
          {itemId && (
            <Button look="quiet" onClick={() => onShow(itemId)}>
              Show it
            </Button>
          )}
        </span>
      </Notice>
    </div>
  );
}

/** A dose in short: breaths, sets, sides. */
export function doseInWords(item: PlanItem): string {
  const sets = item.sets > 1 ? `${item.sets} × ` : '';
  const side = item.side === 'none' ? '' : item.side === 'both' ? ', each side' : `, ${item.side}`;
  return `${sets}${item.breaths} breaths${side}`;
}

export const cadencesInWords = (item: PlanItem) =>
  item.cadences.length > 1 ? `ladder of ${item.cadences.length}` : cadenceInWords(item.cadences[0]!);

function scoreItems(plan: Plan) {
  return plan.items
    .filter(({ drillId }) => findDrill(drillId))
    .map((item) => {
      const index = plan.items.indexOf(item);
      const drill = drillOf(item);
      return {
        id: item.id,
        name: drill.name,
        position: item.position,
        cadence: cadencesInWords(item),
        dose: doseInWords(item),
        floor: drill.floorCue,
        segments: itemSegments(item, plan.items[index - 1]?.position ?? null),
      };
    });
}

function Refusals({ plan, view }: { plan: Plan; view: ClientView }) {
  const stopped = new Map(view.stopped.map(({ drillId, runId }) => [drillId, runId]));
  if (plan.refusals.length === 0) return null;
  return (
    <details className="mt-6 border-t border-rule pt-3">
      <summary className="min-h-11 cursor-pointer font-semibold">
        Left out: {plan.refusals.length} drills, each with its reason
      </summary>
      <ul>
        {plan.refusals.map(({ drillId, reason }) => (
          <li key={drillId} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1.5">
            <span className="min-w-56 font-semibold">{findDrill(drillId)?.name ?? drillId}</span>
            <span>{reason.what}</span>
            <ProvenanceMark provenance={reason.provenance} />
            {stopped.has(drillId) && <Reviewed drillId={drillId} runId={stopped.get(drillId)!} />}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-ink2">
        Lengths are the drills’ start doses: {durationInWords(60)} is kept for the recheck.
      </p>
    </details>
  );
}

/** A drill that ended in a stop comes back into plans when the coach says so. */
function Reviewed({ drillId, runId }: { drillId: string; runId: string }) {
  const router = useRouter();
  const review = async () => {
    const response = await fetch(`/api/runs/${runId}`);
    const { events } = (await response.json()) as { events: { seq: number }[] };
    const seq = Math.max(-1, ...events.map((event) => event.seq)) + 1;
    await keep('run.append', {
      runId,
      events: [{ id: newId(), seq, atEpochMs: Date.now(), event: { type: 'reviewed', drillId, note: '' } }],
    });
    router.refresh();
    say('Reviewed. Plan anew to have it considered again.');
  };
  return (
    <Button look="quiet" onClick={() => void review()}>
      I have reviewed it
    </Button>
  );
}
