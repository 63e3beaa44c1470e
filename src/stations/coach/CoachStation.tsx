'use client';

import { counted } from '@/core/reasons';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { memo, useState } from 'react';
import { cadencesInWords, doseInWords, stateOf } from '@/core/coach';
import { durationInWords } from '@/core/dose';
import { markerMeasureIds, markerMeasures, markerSetUp, newest, testVerdict } from '@/core/look';
import { type StoredRun } from '@/core/record';
import { checkPlan, drillOf, planTotals } from '@/core/sequence';
import { type Repeats } from '@/core/track';
import { newId, useKeep } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { Fence } from '@/parts/Fence';
import { EmptyState, Notice } from '@/parts/Notice';
import { WayOn } from '@/parts/WayOn';
import { ItemFigure } from '../ItemFigure';
import { PathStop } from '../PathStop';
import { shownWeek } from '../shownWeek';
import { StationHead } from '../StationHead';
import { useShown } from '../useShown';
import { type ClientView, type PartOfVisit } from '../view';
import { closeRun } from '../live/closeRun';
import { patiently } from '@/parts/patiently';

// A look loads every look there is, and what stands there after a run is no burden before it. Each keeps what the server drew of it until
// its script has come, whatever changes round it meanwhile: hence the memo, with the place it waits in inside it.
const coming = (what: string, room = '') => <p className={`text-ink2 ${room}`}>{what} …</p>;
const Marker = memo(
  dynamic(() => patiently(() => import('../taking/Marker')).then(({ Marker }) => Marker), {
    loading: () => coming('The marker', 'min-h-60'),
  }),
);
const Recheck = memo(
  dynamic(() => patiently(() => import('./Recheck')).then(({ Recheck }) => Recheck), {
    loading: () => coming('The recheck'),
  }),
);
const RunSummary = memo(
  dynamic(() => patiently(() => import('./RunSummary')).then(({ RunSummary }) => RunSummary), {
    loading: () => coming('What was done'),
  }),
);
const Close = memo(
  dynamic(() => patiently(() => import('../Close')).then(({ Close }) => Close), {
    loading: () => coming('The close'),
  }),
);

const noRepeats: Repeats = {};

/** Coach: the plan ready to run, the marker before it, and the recheck after it. */
export function CoachStation({
  view: served,
  repeats = noRepeats,
}: {
  view: ClientView<PartOfVisit>;
  /** Repeats of all visits, for the client's own noise. */
  repeats?: Repeats;
}) {
  const view = useShown(served);
  const { visit } = view;
  const plan = visit?.plan?.plan.items.length ? visit.plan.plan : null;
  // Somebody who took part in a group has a run without a plan of their own.
  if (!visit || (!plan && visit.runs.length === 0)) {
    return (
      <EmptyState title="There is no plan to coach yet.">
        <LinkButton href={`/clients/${view.id}/sequence`} look="strong">
          Go to Sequence
        </LinkButton>
      </EmptyState>
    );
  }
  const runs = visit.runs.map((run) => ({ run, state: stateOf(run) }));
  const open = runs.find(({ state }) => state.status !== 'ended');
  const done = runs.filter(({ state }) => state.status === 'ended');
  const signed = Boolean(visit.note?.signedAt);
  return (
    <>
      <StationHead
        title="Coach"
        line={
          plan
            ? `${counted(plan.items.length, 'drill')}, ${durationInWords(planTotals(plan.items).whole.seconds)} with the recheck.`
            : 'In a group, on another’s plan.'
        }
      >
        {done.length > 0 && !open && !signed && <LinkButton href="#close">Close</LinkButton>}
        {done.length > 0 && (
          <LinkButton href={`/clients/${view.id}/track`} look={open ? 'plain' : 'strong'}>
            On to Track
          </LinkButton>
        )}
      </StationHead>
      {signed ? null : view.path.state !== 'open' ? (
        <PathStop view={view} as="h2" />
      ) : open && !served.visit?.runs.some(({ id }) => id === open.run.id) ? (
        <p role="status">Opening the run…</p>
      ) : open ? (
        <OpenRun view={view} run={open.run} />
      ) : (
        plan && <StartRun view={view} again={done.length > 0} />
      )}
      {done.length > 0 && !signed && (
        <Fence what="The recheck">
          <Recheck view={view} repeats={repeats} />
        </Fence>
      )}
      {done.length > 0 && !open && (
        <Fence what="The close">
          <Close view={view} repeats={repeats} />
        </Fence>
      )}
      {done.map(({ run }) => (
        <Fence key={run.id} what="What was done">
          <RunSummary run={run} who={visit.clientId} />
        </Fence>
      ))}
    </>
  );
}

function OpenRun({ view, run }: { view: ClientView; run: StoredRun }) {
  const close = () => closeRun(run.id, Math.max(-1, ...run.events.map((event) => event.seq)) + 1);
  return (
    <Notice title="A run is open.">
      <p>It waits where it was left{view.visit?.endedAt ? ', though the visit was ended' : ''}.</p>
      <div className="mt-3 flex flex-wrap gap-3">
        <LinkButton href={`/run/${run.id}`} look="strong">
          Go back to it
        </LinkButton>
        <Button onClick={close}>Close it with what was done</Button>
      </div>
    </Notice>
  );
}

function StartRun({ view, again }: { view: ClientView<'looks' | 'plan'>; again: boolean }) {
  const router = useRouter();
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const visit = view.visit!;
  const plan = visit.plan!.plan;
  const off = checkPlan(plan, view.gates).filter(({ level }) => level === 'off');
  const markerAllowed = markerMeasureIds.some((id) => testVerdict(view.gates, markerMeasures[id].components).allowed);
  const hasMarker = newest(visit.looks, 'marker', 'before') !== null;
  const hasMap = newest(visit.looks, 'regionMap', 'before') !== null;

  const start = async () => {
    const runId = newId();
    const outcome = await keep('run.create', { runId, visitId: visit.id, items: plan.items });
    if (outcome.state === 'refused') setError(outcome.why);
    else router.push(`/run/${runId}`);
  };

  return (
    <>
      <ol className="border-t border-ink" data-plan>
        {plan.items.map((item, i) => (
          <li key={item.id} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1">
            <span className="w-6 text-right text-ink2">{i + 1}</span>
            <ItemFigure item={item} {...shownWeek(view)} className="h-16 w-24 shrink-0" />
            <span className="min-w-60 font-semibold">{drillOf(item).name}</span>
            <span className="text-ink2">
              {item.position}, {doseInWords(item, view.settings.weightUnit)}, {cadencesInWords(item)}
            </span>
            {item.changes.length > 0 && <span className="text-caution">{item.changes.join('; ')}</span>}
          </li>
        ))}
      </ol>
      {off.map((problem) => (
        <div key={problem.what} className="mt-3">
          <Notice kind="stop" title={problem.what}>
            {problem.wayOut}
          </Notice>
        </div>
      ))}
      {!again && markerAllowed && (
        <section aria-labelledby="marker" className="mt-6 border-t border-ink pt-4">
          <h2 id="marker" className="text-lg">
            Today’s marker, before
          </h2>
          <p className="mb-4 text-ink2">{markerSetUp}</p>
          <Marker view={view} />
        </section>
      )}
      {error && (
        <p role="alert" className="mt-4 font-semibold">
          {error}
        </p>
      )}
      <WayOn>
        {!again && !(hasMarker && hasMap) && (
          <p className="text-ink2">
            {!hasMap ? 'Without a region map before, the ring can’t be compared after. ' : ''}
            {!hasMarker && markerAllowed ? 'Ask the marker first, so that there is something to recheck.' : ''}
          </p>
        )}
        <Button
          look={again ? 'plain' : 'strong'}
          className="min-h-14 px-6 text-xl"
          disabled={off.length > 0}
          data-way-on
          onClick={() => void start()}
        >
          {again ? 'Run the plan again' : 'Open the run'}
        </Button>
      </WayOn>
    </>
  );
}
