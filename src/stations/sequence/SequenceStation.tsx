'use client';

import dynamic from 'next/dynamic';
import { Link } from '@/parts/Link';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { type Phase } from '@/core/cadence';
import { intentInWords, leadSchoolFor } from '@/core/read';
import {
  type Alternative,
  type Plan,
  type PlanItem,
  type PlanRequest,
  allDrills,
  checkPlan,
  drillOf,
  inTodaysForm,
  knownDrill,
  leftOut,
  planTotals,
  talkOf,
} from '@/core/sequence';
import { counted } from '@/core/reasons';
import { openStations } from '@/core/safety';
import { newId } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { Fence } from '@/parts/Fence';
import { Fold } from '@/parts/Fold';
import { ChoiceChips } from '@/parts/Chips';
import { EmptyState } from '@/parts/Notice';
import { say } from '@/parts/say';
import { keyGroups } from '@/parts/shell/keys';
import { useKeptValue } from '@/parts/useKept';
import { BeginVisit } from '../BeginVisit';
import { PathStop } from '../PathStop';
import { StationHead } from '../StationHead';
import { drawnAsShown } from '../useShown';
import { type ClientView } from '../view';
import { CourseWish, type NextRung, RungWish, type Wish } from './CourseWish';
import { RequestBar } from './RequestBar';
import { Problems, TotalsLine } from './PlanLines';
import { firstRequest } from '../firstRequest';
import { shownWeek } from '../shownWeek';
import { useEdits, useUndoKeys } from './useEdits';
import { useMeasuredBreath, usePlan, usePlanContext, usePlanner, withBreaths } from '../usePlan';
import { scoreItems } from './words';
import { patiently } from '@/parts/patiently';

// The score and what stands under it are worked on by hand, which weighs as much as the page: the page listens before they do, and what
// the server drew of them stands until then. Where there is no plan yet they are fetched all the same, to be there once there is one.
const ScoreEditor = memo(
  dynamic(() => patiently(() => import('./ScoreEditor')).then(({ ScoreEditor }) => ScoreEditor), {
    loading: () => <p className="min-h-72 text-ink2">The score …</p>,
  }),
);
const ItemPanel = memo(
  dynamic(() => patiently(() => import('./ItemPanel')).then(({ ItemPanel }) => ItemPanel), {
    loading: () => <div className="min-h-96" />,
  }),
);

// What the plan is worth, which the planner's own tables tell.
const Worth = memo(
  dynamic(() => patiently(() => import('./WorthLine')).then(({ WorthLine }) => WorthLine), {
    loading: () => <>Worth …</>,
  }),
);

// What stands further down is fetched once the score is there: nobody begins with it. What is folded up has its line from the start.
const Coming = () => <p className="text-ink2">Coming …</p>;
const Absent = memo(
  dynamic(() => patiently(() => import('./Asking')).then(({ LeftOut }) => LeftOut), { ssr: false, loading: Coming }),
);
const Changes = memo(
  dynamic(() => patiently(() => import('./WhatWouldChange')).then(({ WhatWouldChange }) => WhatWouldChange), {
    ssr: false,
    loading: Coming,
  }),
);
const Handing = memo(dynamic(() => patiently(() => import('./HandOn')).then(({ HandOn }) => HandOn), { ssr: false }));
const Printed = memo(
  dynamic(() => patiently(() => import('./PrintSheet')).then(({ PrintSheet }) => PrintSheet), { ssr: false }),
);
const Offers = dynamic(() => patiently(() => import('./Offers')).then(({ Offers }) => Offers), { ssr: false });

// What stands round the score is drawn anew after it, when nobody is pressing: an edit answers at once.
const Request = memo(RequestBar);

const HowClose = memo(function HowClose({
  zoom,
  onChange,
}: {
  zoom: 'whole' | 'close';
  onChange: (zoom: 'whole' | 'close') => void;
}) {
  return (
    <ChoiceChips
      label="How close the score is drawn"
      hideLabel
      value={zoom}
      choices={[
        { value: 'whole', label: 'Whole plan' },
        { value: 'close', label: 'Each breath' },
      ]}
      onChange={onChange}
    />
  );
});

const { bar, anywhere } = keyGroups;
const keysInShort =
  `drag a bar or ${bar.keys.earlier.written}, ${bar.keys.later.written}; ` +
  `pull its end or ${bar.keys.more.written} ${bar.keys.fewer.written}; ` +
  `${bar.keys.lock.written} lock, ${bar.keys.swap.written} swap, ${bar.keys.takeOut.written}; all: ${anywhere.keys.help.written}`;

/** Sequence: drills for the intent, in an order that fits the time, with a reason for each and for each that is absent. */
export const SequenceStation = drawnAsShown(function SequenceStation({
  view,
  wish = null,
  rung = null,
}: {
  view: ClientView<'looks' | 'plan' | 'planning'>;
  /** What the course asks of today; null where there is none, or it was coached already. */
  wish?: Wish | null;
  /** The rung of the ladder that comes next; null where none is asked for. */
  rung?: NextRung | null;
}) {
  const { visit } = view;
  // Closed by what was just said, whatever the page was made with.
  if (!openStations[view.path.state].includes('sequence')) return <PathStop view={view} />;
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
  return <Planning view={view} wish={wish} rung={rung} />;
});

/** Nodes for going on in the background where the first search was cut off. */
const deeperNodes = 1_000_000;

function Planning({
  view,
  wish,
  rung,
}: {
  view: ClientView<'looks' | 'plan' | 'planning'>;
  wish: Wish | null;
  rung: NextRung | null;
}) {
  const reading = view.visit!.reading!;
  const { plan, error, change, edit, undo, redo } = usePlan(view);
  const planner = usePlanner();
  const deeper = usePlanner();
  const context = usePlanContext(view);
  const measured = useMeasuredBreath(view);
  const drills = useMemo(() => allDrills(context), [context]);
  const lead = leadSchoolFor(reading.patterns, view.settings.homeSchool);
  // Chosen and not planned with yet, it is kept here: it survives leaving the page.
  const [asked, setRequest] = useKeptValue<PlanRequest>(`kokyu.request.${view.visit!.id}`);
  const usual = useMemo(() => firstRequest(view, lead.school), [view, lead.school]);
  const request = asked ?? plan?.request ?? usual;
  const [selectedId, setSelectedId] = useState<string | null>(plan?.items[0]?.id ?? null);
  const [phase, setPhase] = useState<Phase | null>(null);
  const [zoom, setZoom] = useState<'whole' | 'close'>('whole');
  const [making, setMaking] = useState(false);
  const [offered, setOffered] = useState<{
    list: Alternative[];
    mode: 'swap' | 'add';
    /** The item that goes, or before which the new one comes; null adds at the end. A place would be wrong after a move. */
    of: string | null;
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
  const { history, ownDrills } = context;
  const { weightUnit } = view.settings;
  const problems = useMemo(
    () => (shown ? checkPlan(shown, view.gates, { history, ownDrills }) : []),
    [shown, view.gates, history, ownDrills],
  );
  const totals = useMemo(() => (shown ? planTotals(shown.items) : null), [shown]);
  const bars = useMemo(() => (shown ? scoreItems(shown, problems, weightUnit) : []), [shown, problems, weightUnit]);
  const breathsOf = useMemo(() => new Map(shown?.items.map(({ id, breaths }) => [id, breaths])), [shown]);
  const selected = shown?.items.find(({ id }) => id === selectedId) ?? shown?.items[0] ?? null;
  const place = shown && selected ? shown.items.indexOf(selected) : -1;
  const locked = useMemo(() => plan?.items.filter((item) => item.locked) ?? [], [plan]);
  const late = useDeferredValue(plan);

  const make = async (asked: PlanRequest, beside?: PlanRequest) => {
    setMaking(true);
    const full = { ...asked, intent: reading.intent, side: reading.side };
    const next = await planner()
      .plan(full, context, beside ? { locked, beside } : { locked })
      .finally(() => setMaking(false));
    setOffered(null);
    setImpossible(next.impossible ?? null);
    if (next.items.length === 0 && plan && plan.items.length > 0) return;
    change(next);
    // The plan holds what it was asked with from now on.
    setRequest(null);
    setSelectedId(next.items[0]?.id ?? null);
    if (!next.proven) {
      const better = await deeper().plan(full, context, { locked, nodes: deeperNodes });
      // What was edited or planned anew meanwhile is the coach's: it is not overwritten.
      if (latest.current.plan !== next) return;
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
        of: plan.items[at]?.id ?? null,
        title: mode === 'swap' ? `Instead of ${drillOf(plan.items[at]!).name}` : 'Add a drill',
      });
    },
    [plan, planner, context],
  );

  const take = ({ item }: Alternative) => {
    if (!offered) return;
    const id = newId();
    edit((items) => {
      const found = items.findIndex((old) => old.id === offered.of);
      const at = found < 0 ? items.length : found;
      const after = items.slice(offered.mode === 'swap' && found >= 0 ? at + 1 : at);
      return [...items.slice(0, at), { ...item, id }, ...after];
    });
    setSelectedId(id);
    setOffered(null);
  };

  // The same functions from one drawing to the next, so that what is handed them need not be drawn anew.
  const latest = useRef({ make, request, change, reading, plan, gates: view.gates });
  useEffect(() => {
    latest.current = { make, request, change, reading, plan, gates: view.gates };
  });
  const again = useCallback(() => void latest.current.make(latest.current.request), []);
  const takeRequest = useCallback(
    (next: PlanRequest, beside?: PlanRequest) => {
      setRequest(next);
      void latest.current.make(next, beside);
    },
    [setRequest],
  );
  const beginFrom = useCallback((items: PlanItem[]) => {
    const { intent, side } = latest.current.reading;
    latest.current.change({
      request: { ...latest.current.request, intent, side },
      proven: false,
      // What was planned for another day or another person is taken in the forms this one asks for.
      items: items.map((item) => inTodaysForm(item, latest.current.gates)),
      refusals: latest.current.plan?.refusals ?? [],
    });
    setSelectedId(items[0]?.id ?? null);
  }, []);

  const put = async (drillId: string) => {
    if (!plan) return null;
    const made = await planner().putIn(drillId, plan.request, context, plan.items);
    if ('refused' in made) return made.refused;
    const after = made.items[made.items.indexOf(made.item) + 1]?.id;
    let there = made.item.id;
    edit((items) => {
      // Pressed twice, it is in once; what was edited meanwhile stands.
      const before = items.find((item) => item.drillId === drillId);
      if (before) {
        there = before.id;
        return items;
      }
      const found = items.findIndex(({ id }) => id === after);
      const at = found < 0 ? items.length : found;
      return [...items.slice(0, at), made.item, ...items.slice(at)];
    });
    setSelectedId(there);
    return null;
  };

  const takeFix = (fix: PlanItem) => edit((items) => items.map((item) => (item.id === fix.id ? fix : item)));

  const edits = useEdits({
    edit,
    select: setSelectedId,
    setPhase,
    preview: setPulled,
    swap: (id) => void offer('swap', id),
  });
  useUndoKeys(undo, redo);
  useEffect(
    () =>
      void patiently(() =>
        Promise.all([
          import('./ScoreEditor'),
          import('./ItemPanel'),
          import('./WorthLine'),
          import('./WhatWouldChange'),
          import('./Asking'),
        ]),
      ),
    [],
  );

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
            <LinkButton href={`/clients/${view.id}/coach`} look="strong" data-way-on>
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
          booking={view.planning.booking?.note ?? ''}
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
            <TotalsLine
              totals={totals.whole}
              changes={totals.positionChanges}
              minutes={shown.request.minutes}
              talkSeconds={shown.items.length * talkOf(shown.request)}
            />
            {wish && (
              <CourseWish
                wish={wish}
                items={shown.items}
                onAsk={(drillId) =>
                  takeRequest({ ...request, musts: [...new Set([...(request.musts ?? []), drillId])] })
                }
              />
            )}
            {rung && <RungWish rung={rung} items={shown.items} onPut={put} />}
            {(shown.notes ?? []).map((note) => (
              <p key={note} className="mt-2 border-l-4 border-ink pl-3">
                {note}
              </p>
            ))}
            <Problems problems={problems} onShow={setSelectedId} onFix={takeFix} />
            <div className="mt-3">
              <Fence what="The score">
                <ScoreEditor
                  items={bars}
                  breathsOf={breathsOf}
                  selected={selected?.id ?? null}
                  edits={edits}
                  zoom={zoom}
                />
              </Fence>
            </div>
            <div className="mt-2 flex flex-wrap items-center gap-2">
              <Button disabled={!undo} onClick={() => undo?.()}>
                Undo
              </Button>
              <Button disabled={!redo} onClick={() => redo?.()}>
                Redo
              </Button>
              <Button onClick={() => void offer('add', null)}>Add</Button>
              <HowClose zoom={zoom} onChange={setZoom} />
              <span className="ml-auto text-sm text-ink2 max-xl:hidden">{keysInShort}</span>
            </div>
            {offered && (
              <Offers offers={offered.list} title={offered.title} onTake={take} onClose={() => setOffered(null)} />
            )}
            {selected && knownDrill(selected) && (
              <ItemPanel
                key={selected.id}
                clientId={view.id}
                gates={view.gates}
                week={shownWeek(view).week}
                item={selected}
                index={place}
                count={shown.items.length}
                seconds={totals.perItem[place]!.seconds}
                measured={measured}
                phase={phase}
                clashes={
                  Boolean(selected.contrast) ||
                  problems.some(({ itemId, code }) => itemId === selected.id && code === 'contradicts')
                }
                edits={edits}
                onPhase={setPhase}
              />
            )}
            {late && late.items.length > 0 && (
              <Fold
                key={late.request.minutes + late.request.leadSchool + late.request.propsAtHand.join()}
                title="What would change if…"
                titleClass="font-semibold"
                className="mt-4 border-t border-rule pt-3"
              >
                <Changes plan={late} context={context} planner={planner} onTake={takeRequest} />
              </Fold>
            )}
            {late && (
              <Fold
                title={`Left out: ${counted(leftOut(late, drills, []).length, 'drill')}, each with its reason`}
                titleClass="font-semibold"
                className="mt-3 border-t border-rule pt-3"
              >
                <Fence what="What was left out">
                  <Absent plan={late} view={view} drills={drills} context={context} planner={planner} />
                </Fence>
              </Fold>
            )}
          </>
        )}
        <p className="border-t border-rule pt-3">
          <Link href={`/clients/${view.id}/sequence/load`} className="font-semibold underline">
            Breath under load
          </Link>
          <span className="text-ink2">: when to breathe in a lift, a carry, a bend with a weight.</span>
        </p>
        <Handing view={view} plan={late} onItems={beginFrom} />
      </div>
      {late && late.items.length > 0 && <Printed plan={late} settings={view.settings} />}
    </>
  );
}
