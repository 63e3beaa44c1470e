'use client';

import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { type Phase } from '@/core/cadence';
import { type Totals } from '@/core/dose';
import { capital } from '@/core/reasons';
import { intentInWords, leadSchoolFor } from '@/core/read';
import {
  type Alternative,
  type Plan,
  type PlanItem,
  type PlanRequest,
  type Problem,
  allDrills,
  checkPlan,
  drillOf,
  knownDrill,
  planTotals,
  weighPlan,
} from '@/core/sequence';
import { newId } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { EmptyState, Notice } from '@/parts/Notice';
import { say } from '@/parts/say';
import { isTyping } from '@/parts/shell/keys';
import { BeginVisit } from '../BeginVisit';
import { StationHead } from '../StationHead';
import { type ClientView } from '../view';
import { LeftOut, WhatWouldChange } from './Asking';
import { HandOn } from './HandOn';
import { ItemPanel } from './ItemPanel';
import { Offers } from './Offers';
import { PrintSheet } from './PrintSheet';
import { RequestBar } from './RequestBar';
import { ScoreEditor, type ScoreEdits } from './ScoreEditor';
import { measuredBreath, moved, planContext, usePlan, usePlanner, withBreaths } from './usePlan';
import { scoreItems } from './words';

export { cadencesInWords, doseInWords } from './words';

// What stands round the score is drawn anew after it, when nobody is pressing: an edit answers at once.
const Request = memo(RequestBar);
const Absent = memo(LeftOut);
const Changes = memo(WhatWouldChange);
const Handing = memo(HandOn);
const Printed = memo(PrintSheet);

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

/** Nodes for going on in the background where the first search was cut off. */
const deeperNodes = 1_000_000;

function Planning({ view }: { view: ClientView }) {
  const reading = view.visit!.reading!;
  const { plan, error, change, edit, undo, redo } = usePlan(view);
  const planner = usePlanner();
  const deeper = usePlanner();
  const context = useMemo(() => planContext(view), [view]);
  const measured = useMemo(() => measuredBreath(view), [view]);
  const drills = useMemo(() => allDrills(context), [context]);
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
  const [phase, setPhase] = useState<Phase | null>(null);
  const [zoom, setZoom] = useState<'whole' | 'close'>('whole');
  const [making, setMaking] = useState(false);
  const [offered, setOffered] = useState<{
    list: Alternative[];
    mode: 'swap' | 'add';
    at: number;
    title: string;
  } | null>(null);
  const [impossible, setImpossible] = useState<string | null>(null);
  const [pulled, setPulled] = useState<{ id: string; breaths: number } | null>(null);

  // While a bar is pulled everything answers as if it were let go there.
  const shown = useMemo<Plan | null>(
    () =>
      plan && pulled
        ? {
            ...plan,
            items: plan.items.map((item) => (item.id === pulled.id ? withBreaths(item, pulled.breaths) : item)),
          }
        : plan,
    [plan, pulled],
  );
  const problems = useMemo(
    () => (shown ? checkPlan(shown, view.gates, context.history) : []),
    [shown, view.gates, context.history],
  );
  const totals = useMemo(() => (shown ? planTotals(shown.items) : null), [shown]);
  const bars = useSteady(useMemo(() => (shown ? scoreItems(shown, problems) : []), [shown, problems]));
  const breathsOf = useMemo(() => new Map(shown?.items.map(({ id, breaths }) => [id, breaths])), [shown]);
  const selected = shown?.items.find(({ id }) => id === selectedId) ?? shown?.items[0] ?? null;
  const locked = useMemo(() => plan?.items.filter((item) => item.locked) ?? [], [plan]);
  const late = useDeferredValue(plan);

  const make = async (asked: PlanRequest) => {
    setMaking(true);
    const full = { ...asked, intent: reading.intent, side: reading.side };
    const next = await planner().plan(full, context, locked);
    setMaking(false);
    setOffered(null);
    setImpossible(next.impossible ?? null);
    if (next.items.length === 0 && plan && plan.items.length > 0) return;
    change(next);
    setSelectedId(next.items[0]?.id ?? null);
    if (!next.proven) {
      const better = await deeper().plan(full, context, locked, deeperNodes);
      if ((better.points ?? 0) > (next.points ?? 0)) {
        say('Going on in the background found a better plan.', () => change(next));
        change(better);
      } else if (better.proven) setProvenSince(next.points ?? 0);
    }
  };
  const [provenSince, setProvenSince] = useState<number | null>(null);

  const offer = useCallback(
    async (mode: 'swap' | 'add', id: string | null) => {
      if (!plan) return;
      const found = plan.items.findIndex((item) => item.id === id);
      // What is added goes before the last item where that carries the visit into the day.
      const last = plan.items.at(-1);
      const carries = last && knownDrill(last)?.family === 'carry';
      const at = mode === 'swap' ? found : plan.items.length - (carries ? 1 : 0);
      if (at < 0) return;
      const list = await planner().alternatives(plan.request, context, plan.items, at, mode);
      setOffered({
        list,
        mode,
        at,
        title: mode === 'swap' ? `Instead of ${drillOf(plan.items[at]!).name}` : 'Add a drill',
      });
    },
    [plan, planner, context],
  );

  const take = ({ item }: Alternative) => {
    if (!offered) return;
    const id = newId();
    edit((items) =>
      offered.mode === 'swap'
        ? items.map((old, i) => (i === offered.at ? { ...item, id } : old))
        : [...items.slice(0, offered.at), { ...item, id }, ...items.slice(offered.at)],
    );
    setSelectedId(id);
    setOffered(null);
  };

  // The same functions from one drawing to the next, so that what is handed them need not be drawn anew.
  const latest = useRef({ make, request, change, reading, refusals: plan?.refusals ?? [] });
  useEffect(() => {
    latest.current = { make, request, change, reading, refusals: plan?.refusals ?? [] };
  });
  const again = useCallback(() => void latest.current.make(latest.current.request), []);
  const takeRequest = useCallback((asked: PlanRequest) => {
    setRequest(asked);
    void latest.current.make(asked);
  }, []);
  const beginFrom = useCallback((items: PlanItem[]) => {
    const { intent, side } = latest.current.reading;
    latest.current.change({
      request: { ...latest.current.request, intent, side },
      proven: false,
      items,
      refusals: latest.current.refusals,
    });
    setSelectedId(items[0]?.id ?? null);
  }, []);

  const edits = useEdits({
    edit,
    select: setSelectedId,
    setPhase,
    preview: setPulled,
    swap: (id) => void offer('swap', id),
  });
  useUndoKeys(undo, redo);

  return (
    <>
      <div className="screen-only">
        <StationHead
          title={intentInWords(reading.intent, reading.side ?? undefined)}
          line={
            plan ? (
              <Worth plan={late ?? plan} context={context} provenSince={provenSince} />
            ) : (
              'Say what there is; the plan answers at once.'
            )
          }
        >
          {plan && plan.items.length > 0 && (
            <LinkButton href={`/clients/${view.id}/coach`} look="strong">
              On to Coach
            </LinkButton>
          )}
        </StationHead>
        <Request
          request={request}
          drills={drills}
          because={request.leadSchool === lead.school ? lead.because : null}
          onChange={setRequest}
          onMake={again}
          making={making}
          again={plan !== null}
          locked={locked.length}
          reads={plan !== null && (plan.request.intent !== reading.intent || plan.request.side !== reading.side)}
        />
        {(error || impossible) && (
          <p role="alert" className="my-3 font-semibold">
            {error ?? impossible}
          </p>
        )}
        {shown && totals && (
          <>
            <TotalsLine totals={totals.whole} changes={totals.positionChanges} minutes={shown.request.minutes} />
            <Problems problems={problems} onShow={setSelectedId} />
            <div className="mt-3">
              <ScoreEditor
                items={bars}
                breathsOf={breathsOf}
                selected={selected?.id ?? null}
                edits={edits}
                zoom={zoom}
              />
            </div>
            <div className="mt-2 flex flex-wrap items-center gap-2">
              <Button disabled={!undo} onClick={() => undo?.()}>
                Undo
              </Button>
              <Button disabled={!redo} onClick={() => redo?.()}>
                Redo
              </Button>
              <Button onClick={() => void offer('add', null)}>Add</Button>
              <ChoiceChips
                label="How close the score is drawn"
                hideLabel
                value={zoom}
                choices={[
                  { value: 'whole', label: 'Whole plan' },
                  { value: 'close', label: 'Each breath' },
                ]}
                onChange={setZoom}
              />
              <span className="ml-auto text-sm text-ink2 max-xl:hidden">
                drag a bar or Alt+← →; pull its end or + −; L lock, S swap, Delete, U undo
              </span>
            </div>
            {offered && (
              <Offers offers={offered.list} title={offered.title} onTake={take} onClose={() => setOffered(null)} />
            )}
            {selected && knownDrill(selected) && (
              <ItemPanel
                key={selected.id}
                view={view}
                plan={shown}
                item={selected}
                seconds={totals.perItem[shown.items.indexOf(selected)]!.seconds}
                measured={measured}
                phase={phase}
                clashes={
                  Boolean(selected.contrast) ||
                  problems.some(({ itemId, wayOut }) => itemId === selected.id && wayOut.includes('contrast'))
                }
                onPhase={setPhase}
                onMove={(to) => edits.place(selected.id, to)}
                onRemove={() => edits.takeOut(selected.id)}
                onSwap={() => void offer('swap', selected.id)}
                onLock={() => edits.lock(selected.id)}
                onChange={(turned) =>
                  edit((items) =>
                    items.map((item) => (item.id === selected.id ? { ...item, ...turned, byHand: true } : item)),
                  )
                }
              />
            )}
            {late && late.items.length > 0 && (
              <Changes
                key={late.request.minutes + late.request.leadSchool + late.request.propsAtHand.join()}
                plan={late}
                context={context}
                planner={planner}
                onTake={takeRequest}
              />
            )}
            {late && <Absent plan={late} view={view} drills={drills} context={context} planner={planner} />}
          </>
        )}
        <Handing view={view} plan={late} onItems={beginFrom} />
      </div>
      {late && late.items.length > 0 && <Printed plan={late} studio={view.settings.studioName} />}
    </>
  );
}

/** Edits that stay the same from one drawing to the next, so that only the bars that changed are drawn anew. */
function useEdits({
  edit,
  select,
  setPhase,
  preview,
  swap,
}: {
  edit: (make: (items: PlanItem[]) => PlanItem[]) => void;
  select: (id: string) => void;
  setPhase: (phase: Phase | null) => void;
  preview: (pulled: { id: string; breaths: number } | null) => void;
  swap: (id: string) => void;
}): ScoreEdits {
  const latest = useRef({ swap });
  useEffect(() => {
    latest.current = { swap };
  });
  return useMemo(() => {
    const one = (id: string, turn: (item: PlanItem) => PlanItem) =>
      edit((items) => items.map((item) => (item.id === id ? turn(item) : item)));
    return {
      select: (id) => {
        select(id);
        setPhase(null);
      },
      phase: (id, phase) => {
        select(id);
        setPhase(phase);
      },
      place: (id, to) => edit((items) => moved(items, id, to)),
      preview: (id, breaths) => preview(breaths === null ? null : { id, breaths }),
      breaths: (id, breaths) => one(id, (item) => withBreaths(item, breaths)),
      lock: (id) => one(id, (item) => ({ ...item, locked: !item.locked })),
      swap: (id) => {
        select(id);
        latest.current.swap(id);
      },
      takeOut: (id) => {
        edit((items) => items.filter((item) => item.id !== id));
        say('Taken out. Undo brings it back.');
      },
    };
  }, [edit, select, setPhase, preview]);
}

/** The same objects for bars that did not change, whatever else did. */
function useSteady<T extends { id: string }>(list: readonly T[]): readonly T[] {
  const [kept, setKept] = useState<ReadonlyMap<string, { text: string; value: T }>>(new Map());
  const [lastList, setLastList] = useState<readonly T[] | null>(null);
  if (lastList !== list) {
    setLastList(list);
    setKept(
      new Map(
        list.map((value) => {
          const text = JSON.stringify(value);
          const known = kept.get(value.id);
          return [value.id, known?.text === text ? known : { text, value }];
        }),
      ),
    );
  }
  return useMemo(() => list.map((value) => kept.get(value.id)?.value ?? value), [list, kept]);
}

function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null) {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (isTyping(event.target) && !(event.target as HTMLElement).matches('[role="slider"]')) return;
      const key = event.key.toLowerCase();
      const control = event.ctrlKey || event.metaKey;
      if ((key === 'u' && !control) || (key === 'z' && control && !event.shiftKey)) undo?.();
      else if ((key === 'z' && control && event.shiftKey) || (key === 'y' && control)) redo?.();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [undo, redo]);
}

const Worth = memo(WorthLine);

/** How good the plan is: the best there is, how much better one could be, or how a plan changed by hand compares. */
function WorthLine({
  plan,
  context,
  provenSince,
}: {
  plan: Plan;
  context: ReturnType<typeof planContext>;
  provenSince: number | null;
}) {
  const worth = useMemo(() => weighPlan(plan.items, plan.request, context).points, [plan, context]);
  const { points, proven, atMostBetter = 0, items, request } = plan;
  const begin = `${items.length} ${items.length === 1 ? 'drill' : 'drills'} for ${request.minutes} minutes. `;
  if (points === undefined) return <>{begin}Put together by you.</>;
  if (Math.abs(worth - points) > 0.5) {
    return (
      <>
        {begin}Changed by hand: worth {Math.round((100 * worth) / points)} % of the best the planner found.
      </>
    );
  }
  if (proven || provenSince === points) return <>{begin}Nothing better exists for these minutes, props and limits.</>;
  return (
    <>
      {begin}At most {Math.max(1, Math.ceil(atMostBetter * 100))} % better is possible; the search goes on.
    </>
  );
}

const figure = (value: string, unit: string) => (
  <div className="flex items-baseline gap-1.5">
    <dd className="order-1 text-2xl font-semibold">{value}</dd>
    <dt className="order-2 text-ink2">{unit}</dt>
  </div>
);

function TotalsLine({ totals, changes, minutes }: { totals: Totals; changes: number; minutes: number }) {
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-1 border-b border-rule py-2" aria-label="Totals" aria-live="polite">
      {figure((totals.seconds / 60).toFixed(1), `of ${minutes} min`)}
      {figure(String(totals.breaths), 'breaths')}
      {figure(totals.breathsPerMinute?.toFixed(1) ?? '–', 'a minute')}
      {figure(totals.exhaleShare === null ? '–' : `${Math.round(totals.exhaleShare * 100)} %`, 'exhale')}
      {figure(String(Math.round(totals.holdSeconds)), 's of holds')}
      {figure(String(changes), changes === 1 ? 'position change' : 'position changes')}
    </dl>
  );
}

/** What is off is shown whole; what is to be minded, as one line each. */
function Problems({ problems, onShow }: { problems: readonly Problem[]; onShow: (id: string) => void }) {
  const off = problems.filter(({ level }) => level === 'off');
  const mind = problems.filter(({ level }) => level === 'mind');
  const show = (itemId: string | null) =>
    itemId && (
      <Button look="quiet" onClick={() => onShow(itemId)}>
        Show it
      </Button>
    );
  return (
    <>
      {off.map(({ what, wayOut, itemId }, i) => (
        <div key={`${i}${what}`} className="mt-3">
          <Notice kind="stop" title={what}>
            <span className="flex flex-wrap items-center gap-3">
              {wayOut}
              {show(itemId)}
            </span>
          </Notice>
        </div>
      ))}
      {mind.length > 0 && (
        <ul aria-label="To be minded" className="mt-2 border-l-4 border-caution pl-3">
          {mind.map(({ what, wayOut, itemId }, i) => (
            <li key={`${i}${what}`} className="flex flex-wrap items-center gap-x-3">
              <span>
                <span className="font-semibold">▲ {capital(what)}</span> {wayOut}
              </span>
              {show(itemId)}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
