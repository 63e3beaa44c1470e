'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { faults, type FaultId } from '@/core/catalogue';
import { cadencesInWords, doseInWords, type RunState, stateOf, summariseRun } from '@/core/coach';
import { durationInWords } from '@/core/dose';
import { baseMap, newest, protocols, testVerdict } from '@/core/look';
import { type StoredRun } from '@/core/record';
import { checkPlan, drillOf, planTotals } from '@/core/sequence';
import { type Repeats, changeOf, markerBeforeAfter } from '@/core/track';
import { newId, useKeep } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { Fence } from '@/parts/Fence';
import { EmptyState, Notice } from '@/parts/Notice';
import { WayOn } from '@/parts/WayOn';
import { ChangeLine } from '../ChangeLine';
import { PathStop } from '../PathStop';
import { StationHead } from '../StationHead';
import { Gated } from '../taking/Gated';
import { Marker } from '../taking/Marker';
import { RegionMap } from '../taking/RegionMap';
import { useShown } from '../useShown';
import { type ClientView } from '../view';
import { Close } from '../Close';
import { closeRun } from '../live/closeRun';

/** Coach: the plan ready to run, the marker before it, and the recheck after it. */
export function CoachStation({
  view: served,
  repeats = {},
}: {
  view: ClientView;
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
            ? `${plan.items.length} drills, ${durationInWords(planTotals(plan.items).whole.seconds)} with the recheck.`
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
      {done.map(({ run, state }) => (
        <Fence key={run.id} what="What was done">
          <RunSummary state={state} who={visit.clientId} />
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

function StartRun({ view, again }: { view: ClientView; again: boolean }) {
  const router = useRouter();
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const visit = view.visit!;
  const plan = visit.plan!.plan;
  const off = checkPlan(plan, view.gates).filter(({ level }) => level === 'off');
  const markerAllowed = testVerdict(view.gates, protocols.marker.components).allowed;
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
          <li key={item.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-2">
            <span className="w-6 text-right text-ink2">{i + 1}</span>
            <span className="min-w-60 font-semibold">{drillOf(item).name}</span>
            <span className="text-ink2">
              {item.position}, {doseInWords(item)}, {cadencesInWords(item)}
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
          <p className="mb-4 text-ink2">{protocols.marker.setUp}</p>
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

function Recheck({ view, repeats }: { view: ClientView; repeats: Repeats }) {
  const visit = view.visit!;
  const before = baseMap(visit.looks, 'before');
  return (
    <section aria-labelledby="recheck" className="mt-7 border-t-2 border-ink pt-4">
      <h2 id="recheck" className="text-lg">
        Recheck
      </h2>
      <p className="mb-4 text-ink2">
        Same words, same position{before ? `: ${before.raw.position}` : ''}. The first map is not shown, so that the eye
        is fresh.
      </p>
      <Gated view={view} id="marker">
        <Marker view={view} moment="after" />
        <MarkerChange view={view} repeats={repeats} />
      </Gated>
      <MapAgain view={view} />
    </section>
  );
}

/** The map once more, folded up until it is wanted or begun: the marker is asked of everybody, the map of few. */
function MapAgain({ view }: { view: ClientView }) {
  const begun = baseMap(view.visit!.looks, 'after') !== null;
  const [open, setOpen] = useState(begun);
  return (
    <div className="mt-4">
      {open || begun ? (
        <RegionMap view={view} moment="after" />
      ) : (
        <Button onClick={() => setOpen(true)}>Map it again</Button>
      )}
    </div>
  );
}

/** What the marker says now, against the client's own noise. */
function MarkerChange({ view, repeats }: { view: ClientView; repeats: Repeats }) {
  const marker = markerBeforeAfter(view.visit!.looks);
  if (!marker) return null;
  return <ChangeLine change={changeOf(marker.measure, marker.before, marker.after, repeats[marker.measure] ?? [])} />;
}

/** The length of a breath as it was planned; paced otherwise or tapped along only where it was. */
function cyclesInWords({ planned, paced, tapped }: ReturnType<typeof summariseRun>['items'][number]['cycles']): string {
  const seconds = (cycle: number) => `${cycle.toFixed(1)} s`;
  const others = [
    paced !== null && (planned === null || Math.abs(paced - planned) >= 0.05) ? `paced ${seconds(paced)}` : '',
    tapped === null ? '' : `tapped ${seconds(tapped)}`,
  ].filter((part) => part !== '');
  return [planned === null ? '–' : seconds(planned), ...others].join(', ');
}

function RunSummary({ state, who }: { state: RunState; who: string }) {
  const { items, plannedSeconds, activeSeconds, symptoms, settledSeconds, notes } = summariseRun(state, who);
  return (
    <section aria-label="What was done" className="mt-7 border-t border-ink pt-4">
      <h2 className="text-lg">
        What was done, {durationInWords(activeSeconds)}
        <span className="font-normal text-ink2"> of {durationInWords(plannedSeconds)} planned</span>
      </h2>
      {symptoms.length > 0 && (
        <p className="text-caution">
          Stopped for: {symptoms.join(', ')}.
          {settledSeconds.length > 0 && ` Settled after ${durationInWords(Math.max(...settledSeconds))}.`}
        </p>
      )}
      {notes.length > 0 && <p>Noted: {notes.join('; ')}.</p>}
      <table className="mt-2 w-full text-left">
        <thead className="text-sm text-ink2">
          <tr>
            <th className="py-1 font-normal">Drill</th>
            <th className="py-1 text-right font-normal">Breaths done / planned</th>
            <th className="py-1 pl-6 text-right font-normal">Length of a breath</th>
            <th className="py-1 pl-6 font-normal">Faults</th>
            <th className="py-1 pl-6 font-normal">Cues that landed</th>
          </tr>
        </thead>
        <tbody>
          {items.map(({ item, plannedBreaths, deliveredBreaths, cycles, faults: list, cues, stopped, swapped }) => (
            <tr key={item.id} className="border-t border-rule">
              <td className="py-1.5">
                {drillOf(item).name}
                {stopped ? ' (stopped)' : ''}
                {swapped ? ' (changed for another)' : ''}
              </td>
              <td className="py-1.5 text-right">
                {deliveredBreaths} / {plannedBreaths}
              </td>
              <td className="py-1.5 pl-6 text-right tabular-nums">{cyclesInWords(cycles)}</td>
              <td className="py-1.5 pl-6">
                {list
                  .map(
                    ({ fault, times }) =>
                      `${faults[fault as FaultId]?.words ?? fault}${times > 1 ? ` × ${times}` : ''}`,
                  )
                  .join(', ') || '–'}
              </td>
              <td className="py-1.5 pl-6">
                {cues
                  .filter(({ landed }) => landed === 'yes')
                  .map(({ cue }) => `“${cue}”`)
                  .join(', ') || '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
