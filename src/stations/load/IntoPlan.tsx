'use client';

import { useRef, useState } from 'react';
import { drillOfLoad } from '@/core/catalogue';
import { type DrillLoad } from '@/core/load';
import { leadSchoolFor } from '@/core/read';
import { knownDrill, putIn } from '@/core/sequence';
import { newId } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { say } from '@/parts/say';
import { firstRequest } from '../firstRequest';
import { usePlan, usePlanContext } from '../usePlan';
import { type ClientView } from '../view';

/** A set as it stands above, put into today's plan: it is sequenced, coached and taken home from there like any other drill. */
export function IntoPlan({
  view,
  load,
  sets,
  times,
}: {
  view: ClientView<'looks' | 'plan' | 'planning'>;
  load: DrillLoad | null;
  sets: number;
  times: number;
}) {
  const { plan, change, error } = usePlan(view);
  const context = usePlanContext(view);
  const [refused, setRefused] = useState<string | null>(null);
  const last = useRef<{ asItStood: string; before: typeof plan; itemId: string } | null>(null);
  const reading = view.visit?.reading ?? null;
  if (!view.visit || !reading)
    return (
      <p className="text-ink2">
        It goes into a plan once an intent is chosen in Read. A set can be logged without one.
      </p>
    );
  const put = () => {
    if (!load) return;
    // However slowly it is pressed again, a set as it stands goes in once, for as long as it is in the plan.
    const asItStands = JSON.stringify([load, sets, times]);
    const stillIn = plan === last.current?.before || plan?.items.some(({ id }) => id === last.current?.itemId);
    if (asItStands === last.current?.asItStood && stillIn) return;
    const request =
      plan?.request ?? firstRequest(view, leadSchoolFor(reading.patterns, view.settings.homeSchool).school);
    const drill = drillOfLoad(load);
    const within = ({ min, max }: { min: number; max: number }, value: number) => Math.min(max, Math.max(min, value));
    const made = putIn(drill, request, context, plan?.items ?? [], newId(), {
      ...(load.kg > 0 ? { kg: load.kg } : {}),
      ...(load.strategy === 'steady' ? {} : { breaths: within(drill.breaths, times), sets: within(drill.sets, sets) }),
    });
    if ('refused' in made) return setRefused(made.refused);
    setRefused(null);
    last.current = { asItStood: asItStands, before: plan, itemId: made.item.id };
    // Whoever puts it in has the weight at hand.
    const asked = { ...request, propsAtHand: [...new Set([...request.propsAtHand, ...made.item.props])] };
    change({ ...(plan ?? { proven: false, refusals: [] }), request: asked, items: made.items });
    say(`${drill.name} is in today’s plan.`);
  };
  const inPlan = (plan?.items ?? []).flatMap((item) => {
    const drill = knownDrill(item);
    return drill?.load ? [drill.name] : [];
  });
  return (
    <div>
      <div className="flex flex-wrap items-center gap-3">
        <Button look="strong" disabled={!load} onClick={put}>
          Put it into today’s plan
        </Button>
        {inPlan.length > 0 && (
          <LinkButton href={`/clients/${view.id}/sequence`} look="quiet">
            {`In the plan: ${inPlan.join(', ')}`}
          </LinkButton>
        )}
      </div>
      {(refused ?? error) && (
        <p role="alert" className="mt-2 font-semibold">
          {refused ?? error}
        </p>
      )}
    </div>
  );
}
