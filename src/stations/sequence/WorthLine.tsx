'use client';

import { counted } from '@/core/reasons';
import { useMemo } from 'react';
import { type Plan, weighPlan } from '@/core/sequence';
import { type planContext } from '../usePlan';

/** How good the plan is: the best there is, how much better one could be, or how a plan changed by hand compares. */
export function WorthLine({
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
  const begin = `${counted(items.length, 'drill')} for ${request.minutes} minutes. `;
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
