'use client';

import { type Remote } from 'comlink';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { type Drill } from '@/core/catalogue';
import { durationInWords } from '@/core/dose';
import { listed } from '@/core/reasons';
import { canBePriced, type Loss, type Plan, type PlanContext, leftOut, recheckSeconds } from '@/core/sequence';
import { newId, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { ProvenanceMark } from '@/parts/Provenance';
import { say } from '@/parts/say';
import { type PlanWorker } from '@/workers/plan.worker';
import { type ClientView } from '../view';

/**
 * Why the drills that are not in the plan are out: by which rule, or to which others they lost, with the exact price on demand. Drawn
 * where it is opened: until then nobody is asked.
 */
export function LeftOut({
  plan,
  view,
  drills,
  context,
  planner,
}: {
  plan: Plan;
  view: ClientView;
  drills: readonly Drill[];
  context: PlanContext;
  planner: () => Remote<PlanWorker>;
}) {
  const stopped = new Map(view.stopped.map(({ drillId, runId }) => [drillId, runId]));
  const locked = plan.items.filter((item) => item.locked);
  // A price is one of this plan: asked otherwise, or with other drills locked, it is another.
  const priced = JSON.stringify([plan.request, locked]);
  const [losses, setLosses] = useState<{ of: string; byDrill: Record<string, Loss> }>({ of: priced, byDrill: {} });
  const prices = losses.of === priced ? losses.byDrill : {};
  const told = useRefusals(plan, context, planner);
  if (!told) return <p role="status">The planner is asked why…</p>;
  const absent = leftOut(plan, drills, told);
  const [expected, others] = [true, false].map((so) =>
    absent.filter(({ drill }) => drill.answers.some((pattern) => context.confirmedPatterns.includes(pattern)) === so),
  );
  const price = async (drillId: string) => {
    const [loss] = await planner().prices([drillId], plan.request, context, locked);
    if (!loss) return;
    setLosses(({ of, byDrill }) => ({ of: priced, byDrill: { ...(of === priced ? byDrill : {}), [drillId]: loss } }));
  };
  const rows = (list: typeof absent) => (
    <ul>
      {list.map(({ drill: { id, name }, reason }) => (
        <li
          key={id}
          className="grid items-center gap-x-3 border-t border-rule py-1 sm:grid-cols-[15rem_minmax(0,1fr)_auto]"
        >
          <span className="font-semibold">{name}</span>
          <span>
            {reason.what} <ProvenanceMark provenance={reason.provenance} />
          </span>
          {prices[id] ? (
            <span className="text-ink2">{lossInWords(prices[id])}</span>
          ) : (
            canBePriced(reason) && (
              <Button look="quiet" onClick={() => void price(id)}>
                What would it cost?
              </Button>
            )
          )}
          {stopped.has(id) && <Reviewed drillId={id} runId={stopped.get(id)!} />}
        </li>
      ))}
    </ul>
  );
  return (
    <>
      {expected!.length > 0 && (
        <>
          <h3 className="text-base">They would answer what was found</h3>
          {rows(expected!)}
        </>
      )}
      <h3 className="mt-3 text-base">The others</h3>
      {rows(others!)}
      <p className="mt-2 text-sm text-ink2">
        {durationInWords(recheckSeconds)} of the minutes are kept for the recheck.
      </p>
    </>
  );
}

/**
 * Why drills are absent: as the planner told it when it made the plan, else asked anew, since it follows from the rest and is not
 * kept with the plan. Until that is answered what was told last stands; null where nothing was yet.
 */
function useRefusals(plan: Plan, context: PlanContext, planner: () => Remote<PlanWorker>): Plan['refusals'] | null {
  const told = plan.refusals.length > 0;
  const [known, setKnown] = useState(told ? plan.refusals : null);
  if (told && known !== plan.refusals) setKnown(plan.refusals);
  const { request } = plan;
  const latest = useRef({ plan, context });
  useEffect(() => {
    latest.current = { plan, context };
  });
  useEffect(() => {
    if (told) return;
    let over = false;
    const { plan: now, context: known } = latest.current;
    const locked = now.items.filter((item) => item.locked);
    void planner()
      .plan(request, known, { locked })
      .then(({ refusals }) => {
        if (!over) setKnown(refusals);
      });
    return () => {
      over = true;
    };
  }, [told, request, planner]);
  return known;
}

/** What only lost against others can be priced; what is off has no price. */
export function lossInWords({ part, pushesOut }: Loss): string {
  if (part === null) return 'No plan with it keeps all the rules.';
  const pushed = pushesOut.length > 0 ? `, and pushes out ${listed(pushesOut)}` : '';
  const cost =
    part < 0.005 ? 'Costs next to nothing' : `Costs ${Math.max(1, Math.round(part * 100))} % of the plan’s worth`;
  return `${cost}${pushed}.`;
}

/** A drill that ended in a stop comes back into plans when the coach says so. */
function Reviewed({ drillId, runId }: { drillId: string; runId: string }) {
  const router = useRouter();
  const keep = useKeep();
  const [error, setError] = useState<string | null>(null);
  const review = async () => {
    const events = await fetch(`/api/runs/${runId}`, { cache: 'no-store' })
      .then((answer) => (answer.ok ? (answer.json() as Promise<{ events: { seq: number }[] }>) : null))
      .catch(() => null);
    if (!events) return setError('The server did not answer. Try again.');
    const seq = Math.max(-1, ...events.events.map((event) => event.seq)) + 1;
    const outcome = await keep('run.append', {
      runId,
      events: [{ id: newId(), seq, atEpochMs: Date.now(), event: { type: 'reviewed', drillId, note: '' } }],
    });
    if (outcome.state === 'refused') return setError(outcome.why);
    setError(null);
    router.refresh();
    say('Reviewed. Plan anew to have it considered again.');
  };
  return (
    <span className="flex flex-wrap items-center gap-2">
      <Button look="quiet" onClick={() => void review()}>
        I have reviewed it
      </Button>
      {error && <span role="alert">{error}</span>}
    </span>
  );
}
