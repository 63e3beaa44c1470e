'use client';

import { ArrowLeft, ArrowRight } from 'lucide-react';
import { type Remote } from 'comlink';
import { useState } from 'react';
import { type Cadence } from '@/core/cadence';
import { positions, props } from '@/core/catalogue';
import { durationInWords } from '@/core/dose';
import { type Alternative, type Plan, type PlanContext, type PlanItem, drillOf, openedRegions } from '@/core/sequence';
import { unobserved, type RegionId } from '@/core/trunk';
import { newId } from '@/keep';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { ReasonList } from '@/parts/ReasonList';
import { Stepper } from '@/parts/Stepper';
import { say } from '@/parts/say';
import { Ring } from '@/parts/figures/Ring';
import { type PlanWorker } from '@/workers/plan.worker';
import { type ClientView } from '../view';

/** One item of the plan: why it is there, and everything about it that can be turned by hand. */
export function ItemEditor({
  view,
  plan,
  item,
  seconds,
  context,
  planner,
  onMove,
  onRemove,
  onReplace,
  onAdd,
}: {
  view: ClientView;
  plan: Plan;
  item: PlanItem;
  seconds: number;
  context: PlanContext;
  planner: () => Remote<PlanWorker>;
  onMove: (index: number, by: -1 | 1) => void;
  onRemove: (id: string) => void;
  onReplace: (id: string, next: PlanItem) => void;
  onAdd: (item: PlanItem) => void;
}) {
  const [offered, setOffered] = useState<{ list: Alternative[]; for: 'swap' | 'add' } | null>(null);
  const drill = drillOf(item);
  const index = plan.items.indexOf(item);
  const edit = (change: Partial<PlanItem>) => onReplace(item.id, { ...item, ...change, byHand: true });

  const offer = async (what: 'swap' | 'add') => {
    const taken = plan.items.map(({ drillId }) => drillId);
    const list = await planner().alternatives(plan.request, context, taken, what === 'swap' ? drill.id : null);
    setOffered({ list, for: what });
  };
  const take = ({ item: next }: Alternative) => {
    if (offered?.for === 'add') onAdd({ ...next, id: newId() });
    else onReplace(item.id, { ...next, id: item.id });
    setOffered(null);
  };

  return (
    <section aria-label={drill.name} className="mt-4 grid gap-6 border-t-2 border-ink pt-4 xl:grid-cols-[1fr_15rem]">
      <div>
        <div className="flex flex-wrap items-start justify-between gap-3">
          <div>
            <h2 className="text-xl">
              {index + 1}. {drill.name}
            </h2>
            <p className="text-ink2">
              {drill.purpose} {durationInWords(seconds)} with set-up.
            </p>
          </div>
          <div className="flex flex-wrap gap-2">
            <Button disabled={index === 0} onClick={() => onMove(index, -1)}>
              <ArrowLeft size={18} aria-hidden /> Earlier
            </Button>
            <Button disabled={index === plan.items.length - 1} onClick={() => onMove(index, 1)}>
              Later <ArrowRight size={18} aria-hidden />
            </Button>
            <Button onClick={() => void offer('swap')}>Swap</Button>
            <Button onClick={() => void offer('add')}>Add</Button>
            <Button
              onClick={() => {
                onRemove(item.id);
                say(`${drill.name} taken out. Undo brings it back.`);
              }}
            >
              Take out
            </Button>
          </div>
        </div>

        {offered && (
          <Offers
            offers={offered.list}
            title={offered.for === 'swap' ? `Instead of ${drill.name}` : 'Add at the end'}
            onTake={take}
            onClose={() => setOffered(null)}
          />
        )}

        <div className="mt-4 flex flex-wrap gap-x-7 gap-y-4">
          {drill.breath.kind === 'steady' ? (
            <>
              <Stepper
                label="Breaths"
                value={item.breaths}
                min={1}
                max={60}
                onChange={(breaths) => edit({ breaths })}
              />
              <CadenceSteppers cadence={item.cadences[0]!} onChange={(cadence) => edit({ cadences: [cadence] })} />
            </>
          ) : (
            <p className="self-center">The count climbs by itself: {item.cadences.length} rungs.</p>
          )}
          <Stepper label="Sets" value={item.sets} min={1} max={10} onChange={(sets) => edit({ sets })} />
          {drill.sides !== 'none' && (
            <ChoiceChips
              label="Side (the client’s own)"
              value={item.side}
              choices={[
                { value: 'left', label: 'Left' },
                { value: 'right', label: 'Right' },
                { value: 'both', label: 'Both' },
              ]}
              onChange={(side) => edit({ side })}
            />
          )}
          {drill.positions.length > 1 && (
            <ChoiceChips
              label="Position"
              value={item.position}
              choices={drill.positions.map((position) => ({ value: position, label: position }))}
              onChange={(position) => edit({ position })}
            />
          )}
        </div>

        <div className="mt-5 grid gap-x-8 gap-y-4 md:grid-cols-2">
          <div>
            <h3 className="text-base">Why</h3>
            {item.reasons.length > 0 ? (
              <ReasonList reasons={item.reasons} linkTo={() => `/clients/${view.id}/screen`} />
            ) : (
              <p className="text-ink2">Chosen by you.</p>
            )}
          </div>
          <div>
            <h3 className="text-base">How</h3>
            <p>
              {positions[item.position].setUp} {drill.setUp}
            </p>
            <ul className="mt-1">
              {drill.steps.map((step) => (
                <li key={step.phase + step.words}>
                  <span className="text-ink2">{stepNames[step.phase]}: </span>
                  {step.words}
                </li>
              ))}
              <li>
                <span className="text-ink2">Pelvic floor: </span>
                {drill.floorCue}
              </li>
              <li>
                <span className="text-ink2">Abdominals: </span>
                {drill.abdominalCue}
              </li>
              {item.props.length > 0 && (
                <li>
                  <span className="text-ink2">Props: </span>
                  {item.props.map((id) => props[id].name).join(', ')}
                </li>
              )}
            </ul>
          </div>
        </div>
      </div>
      <figure className="mx-auto w-56">
        <Ring
          title={`Parts to open: ${drill.name}`}
          first={unobserved()}
          tinted={Object.keys(openedRegions(drill, item.side)) as RegionId[]}
          showLabels={false}
        />
        <figcaption className="text-center text-sm text-ink2">where the breath should go</figcaption>
      </figure>
    </section>
  );
}

const stepNames = {
  throughout: 'Throughout',
  inhale: 'In',
  topPause: 'Pause',
  exhale: 'Out',
  bottomPause: 'Pause',
} as const;

function CadenceSteppers({ cadence, onChange }: { cadence: Cadence; onChange: (cadence: Cadence) => void }) {
  const rows = [
    ['inhaleSeconds', 'In', 1],
    ['topPauseSeconds', 'Pause', 0],
    ['exhaleSeconds', 'Out', 1],
    ['bottomPauseSeconds', 'Pause after', 0],
  ] as const;
  return rows.map(([key, label, min]) => (
    <Stepper
      key={key}
      label={label}
      value={cadence[key]}
      unit="s"
      min={min}
      max={15}
      step={0.5}
      onChange={(value) => onChange({ ...cadence, [key]: value })}
    />
  ));
}

function Offers({
  offers,
  title,
  onTake,
  onClose,
}: {
  offers: readonly Alternative[];
  title: string;
  onTake: (alternative: Alternative) => void;
  onClose: () => void;
}) {
  return (
    <div className="mt-3 rounded-one border border-ink p-3" role="region" aria-label={title}>
      <div className="flex items-center justify-between">
        <h3 className="text-base">{title}</h3>
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
      </div>
      {offers.length === 0 && <p className="text-ink2">Nothing else is allowed with these props and limits.</p>}
      <ul className="max-h-72 overflow-auto">
        {offers.map((alternative) => (
          <li key={alternative.drill.id} className="border-t border-rule">
            <button
              type="button"
              onClick={() => onTake(alternative)}
              className="flex min-h-11 w-full flex-wrap items-baseline gap-x-3 px-1 py-1.5 text-left hover:bg-leaf"
            >
              <span className="font-semibold">{alternative.drill.name}</span>
              {alternative.relation !== 'other' && <span className="text-sm">{alternative.relation} neighbour</span>}
              <span className="text-ink2">
                {alternative.item.position}. {alternative.drill.purpose}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
