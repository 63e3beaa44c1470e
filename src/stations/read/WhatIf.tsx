'use client';

import { type Remote, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import { type PositionId, positionIds, positions } from '@/core/catalogue';
import { type LookRecord, bestGrades, testVerdict } from '@/core/look';
import { listed } from '@/core/reasons';
import { positionEffects, seenEffects } from '@/core/sequence';
import {
  type RegionId,
  type TrunkEffect,
  awareness,
  estimateTrunk,
  predictShares,
  regionIds,
  regions,
  sharesAsGrades,
} from '@/core/trunk';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { Field, Select } from '@/parts/Field';
import { Ring, RingLegend } from '@/parts/figures/Ring';
import { type TrunkWorker } from '@/workers/trunk.worker';
import { type ClientView } from '../view';

const extras = ['band round the ribs', 'wall behind the back', 'light front tension'] as const;
const carriages = ['slouched', 'arched', 'left side open in a bend', 'right side open in a bend'] as const;
const upright: readonly PositionId[] = ['sitting', 'standing', 'standing at a wall'];

/**
 * Tries a set-up on the client's trunk as it was seen: the predicted ring over the seen one. A teaching model that ranks
 * set-ups; it measures nothing.
 */
export function WhatIf({
  view,
  map,
  wanted,
}: {
  view: ClientView;
  map: LookRecord<'regionMap'>;
  wanted: Partial<Record<RegionId, number>>;
}) {
  const seen = useMemo(() => bestGrades(map.raw), [map.raw]);
  const pregnant = view.known.profile.answers.pregnancy?.value === 'yes';
  const always: readonly TrunkEffect[] = useMemo(() => (pregnant ? ['late pregnancy'] : []), [pregnant]);
  const trunk = useMemo(
    () => estimateTrunk(seen, [...seenEffects(map.raw.position), ...always]),
    [seen, map.raw.position, always],
  );
  const allowed = useMemo(
    () => positionIds.filter((id) => testVerdict(view.gates, positions[id].components).allowed),
    [view.gates],
  );
  const [chosen, setPosition] = useState<PositionId | null>(null);
  const [extra, setExtra] = useState<(typeof extras)[number][]>([]);
  const [carriage, setCarriage] = useState<(typeof carriages)[number] | 'none'>('none');
  const [up, setUp] = useState<'left' | 'right'>('left');
  const best = useBestPositions(trunk.yields, allowed, always, wanted);
  const position = chosen ?? best[0]?.id ?? 'sitting';

  const effects: TrunkEffect[] = [
    ...positionEffects(position, position === 'side-lying' ? up : 'none'),
    ...always,
    ...extra,
    ...(carriage !== 'none' && upright.includes(position) ? [carriage] : []),
  ];
  const predicted = sharesAsGrades(predictShares(trunk.yields, effects), trunk.size);
  const more = regionIds.filter((id) => seen[id] !== null && predicted[id] - seen[id] >= 0.4);
  const less = regionIds.filter((id) => seen[id] !== null && seen[id] - predicted[id] >= 0.4);
  const felt = awareness(effects);
  const clearer = regionIds.filter((id) => felt[id] >= 1.5);
  const names = (ids: readonly RegionId[]) => listed(ids.map((id) => regions[id].name));

  return (
    <section aria-labelledby="what-if" className="border-t border-ink pt-4">
      <h2 id="what-if" className="text-lg">
        What if
      </h2>
      <p className="text-sm text-ink2">A teaching model: it ranks set-ups, it measures nothing.</p>
      <div className="mt-3">
        <Field label="Position">
          {(ids) => (
            <Select {...ids} value={position} onChange={(event) => setPosition(event.target.value as PositionId)}>
              {allowed.map((id) => (
                <option key={id} value={id}>
                  {id}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </div>
      <figure className="mt-3">
        <Ring
          title="Seen, and predicted for this set-up"
          first={seen}
          second={predicted}
          names={['seen', 'predicted']}
        />
        <figcaption className="mt-1">
          <RingLegend names={['seen', 'predicted more']} short />
        </figcaption>
      </figure>
      <div role="status" className="mt-2 space-y-1">
        {more.length > 0 && <p>More at the {names(more)}.</p>}
        {less.length > 0 && <p>Less at the {names(less)}.</p>}
        {more.length + less.length === 0 && <p>Much as it was seen.</p>}
        {clearer.length > 0 && <p>Felt more clearly at the {names(clearer)}.</p>}
        {trunk.assumed.length > 0 && (
          <p className="text-sm text-ink2">Taken as even, not seen: {names(trunk.assumed)}.</p>
        )}
      </div>
      <div className="mt-3 space-y-3">
        {position === 'side-lying' && (
          <ChoiceChips
            label="Side that is up"
            value={up}
            choices={[
              { value: 'left', label: 'Left' },
              { value: 'right', label: 'Right' },
            ]}
            onChange={setUp}
          />
        )}
        <TickChips
          label="With"
          values={extra}
          choices={extras.map((value) => ({ value, label: value }))}
          onChange={setExtra}
        />
        {upright.includes(position) && (
          <Field label="Carriage">
            {(ids) => (
              <Select
                {...ids}
                value={carriage}
                onChange={(event) => setCarriage(event.target.value as typeof carriage)}
              >
                <option value="none">as it comes</option>
                {carriages.map((id) => (
                  <option key={id} value={id}>
                    {id}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
      </div>
      {best.length > 0 && (
        <p className="mt-2 text-sm text-ink2">
          For this intent most goes there in:{' '}
          {best.map(({ id }, i) => (
            <span key={id}>
              {i > 0 && ', '}
              <button
                type="button"
                className="min-h-6 text-ink underline decoration-rule underline-offset-4"
                onClick={() => setPosition(id)}
              >
                {id}
              </button>
            </span>
          ))}
          .
        </p>
      )}
    </section>
  );
}

/** The three positions that send most to the wanted parts, swept in the worker. */
function useBestPositions(
  yields: ReturnType<typeof estimateTrunk>['yields'],
  allowed: readonly PositionId[],
  always: readonly TrunkEffect[],
  wanted: Partial<Record<RegionId, number>>,
) {
  const [best, setBest] = useState<{ id: PositionId; gain: number }[]>([]);
  const remote = useRef<Remote<TrunkWorker> | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/trunk.worker.ts', import.meta.url), { type: 'module' });
    remote.current = wrap<TrunkWorker>(worker);
    return () => worker.terminate();
  }, []);
  useEffect(() => {
    let stale = false;
    const setUps = allowed.map((id) => ({ id, effects: [...positionEffects(id, 'none'), ...always] }));
    void remote.current?.rankSetUps(yields, setUps, wanted).then((ranked) => {
      if (!stale) setBest(ranked.slice(0, 3) as { id: PositionId; gain: number }[]);
    });
    return () => {
      stale = true;
    };
  }, [yields, allowed, always, wanted]);
  return best;
}
