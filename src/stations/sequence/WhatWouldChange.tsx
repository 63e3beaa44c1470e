'use client';

import { type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { type Plan, type PlanContext, type PlanRequest, type SmallPlan, type WhatIf } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { SmallScore, type SmallBar } from '@/parts/figures/SmallScore';
import { type PlanWorker } from '@/workers/plan.worker';

const kinds = {
  minutes: 'Other minutes',
  prop: 'One prop more or less',
  school: 'Another school in the lead; worth is not compared',
} as const;

/** The longest of the rows fills so many pixels. */
const longestRow = 470;

/**
 * What other minutes, one prop more or less, or another lead school would do, each as a small score beside today's. Drawn where it is
 * opened: until then nothing is planned.
 */
export function WhatWouldChange({
  plan,
  context,
  planner,
  onTake,
}: {
  plan: Plan;
  context: PlanContext;
  planner: () => Remote<PlanWorker>;
  /** Another wish, and the one it was shown beside. */
  onTake: (request: PlanRequest, beside: PlanRequest) => void;
}) {
  const [found, setFound] = useState<{ of: string; today: SmallPlan; variants: WhatIf[] } | null>(null);
  const asked = JSON.stringify(plan.request);
  const known = found?.of === asked;
  const latest = useRef({ request: plan.request, context });
  useEffect(() => {
    latest.current = { request: plan.request, context };
  });
  useEffect(() => {
    if (known) return;
    let over = false;
    const { request, context: now } = latest.current;
    void planner()
      .whatIf(request, now)
      .then((answer) => {
        if (!over) setFound({ of: asked, ...answer });
      });
    return () => {
      over = true;
    };
  }, [known, asked, planner]);
  if (!known) return <p role="status">Each is planned anew…</p>;
  if (found.variants.length === 0) {
    return <p className="text-ink2">Nothing: neither minutes, props nor school would change this plan.</p>;
  }
  const take = (request: PlanRequest) => onTake(request, plan.request);
  // It is the planner's own that the others are beside, whatever was changed by hand since.
  const asPlanned = drillsOf(found.today) === drillsOf(plan);
  return <Rows {...found} name={asPlanned ? 'Today’s plan' : 'As the planner has it'} onTake={take} />;
}

const drillsOf = ({ items }: { items: readonly { drillId: string }[] }) => items.map(({ drillId }) => drillId).join();

function Rows({
  name,
  today,
  variants,
  onTake,
}: {
  /** Of what the others stand beside. */
  name: string;
  today: SmallPlan;
  variants: readonly WhatIf[];
  onTake: (request: PlanRequest) => void;
}) {
  const secondsOf = ({ items }: SmallPlan) => items.reduce((sum, { seconds }) => sum + seconds, 0);
  const longest = Math.max(...[today, ...variants].map(secondsOf), 60);
  const pixelsAMinute = longestRow / (longest / 60);
  const numbers = new Map(today.items.map(({ drillId }, i) => [drillId, i + 1]));
  const barsOf = ({ items }: SmallPlan): SmallBar[] =>
    items.map(({ drillId, name, seconds, inhalePart }) => ({
      name,
      seconds,
      inhalePart,
      number: numbers.get(drillId) ?? null,
    }));
  const numbered = (names: readonly string[]) =>
    today.items
      .filter(({ name }) => names.includes(name))
      .map(({ drillId, name }) => `${numbers.get(drillId)} ${name}`);
  return (
    <div>
      <div className="grid grid-cols-1 items-center gap-x-4 border-b-2 border-ink py-2 lg:grid-cols-[11rem_minmax(0,1fr)_6rem_7.5rem]">
        <p className="font-semibold">{name}</p>
        <div>
          <SmallScore bars={barsOf(today)} pixelsAMinute={pixelsAMinute} title={name} />
          <p className="text-sm">{today.items.map((item, i) => `${i + 1} ${item.name}`).join(' · ')}</p>
        </div>
        <p className="text-lg font-semibold">{today.minutes.toFixed(1)} min</p>
      </div>
      {(Object.keys(kinds) as WhatIf['kind'][]).map((kind) => {
        const rows = variants.filter((row) => row.kind === kind);
        if (rows.length === 0) return null;
        return (
          <section key={kind} aria-label={kinds[kind]}>
            <h3 className="mt-3 text-sm text-ink2">{kinds[kind]}</h3>
            <ul>
              {rows.map((row) => (
                <li
                  key={row.change}
                  className="grid grid-cols-1 items-center gap-x-4 border-t border-rule py-1 lg:grid-cols-[11rem_minmax(0,1fr)_6rem_7.5rem]"
                >
                  <span className="font-semibold">{row.change}</span>
                  <span>
                    <SmallScore bars={barsOf(row)} pixelsAMinute={pixelsAMinute} title={`Plan ${row.change}`} />
                    {row.comesIn.length > 0 && (
                      <span className="block text-sm font-semibold">
                        {row.comesIn.map((name) => `+ ${name}`).join(' · ')}
                      </span>
                    )}
                    {row.goesOut.length > 0 && (
                      <span className="block text-sm text-ink2">
                        − <s>{numbered(row.goesOut).join(', ')}</s>
                        <span className="sr-only"> out</span>
                      </span>
                    )}
                  </span>
                  <span>
                    <span className="block font-semibold">{row.minutes.toFixed(1)} min</span>
                    {row.worth !== null && <Worth part={row.worth} />}
                  </span>
                  <Button aria-label={`Take this: ${row.change}`} onClick={() => onTake(row.request)}>
                    Take this
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      <p className="mt-2 text-sm text-ink2">
        One breath stands for a set, as long as the set. Boxed comes in, struck goes out; the upright mark is what the
        first row is worth.
      </p>
    </div>
  );
}

/** Worth as a short line against today's mark. */
function Worth({ part }: { part: number }) {
  const wide = 80;
  const today = wide * 0.75;
  return (
    <>
      <svg width={wide} height={12} aria-hidden className="block">
        <line x1={0} x2={wide} y1={6} y2={6} className="stroke-rule" strokeWidth={2} />
        <line x1={0} x2={Math.min(wide, today * part)} y1={6} y2={6} className="stroke-ink" strokeWidth={5} />
        <line x1={today} x2={today} y1={0} y2={12} className="stroke-ink" strokeWidth={2} />
      </svg>
      <span className="text-sm text-ink2">worth {part.toFixed(2)}</span>
    </>
  );
}
