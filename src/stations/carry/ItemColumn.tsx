'use client';

import { type HomeItem, habitIds, habits, homeWords } from '@/core/home';
import { type Phase, phaseLength } from '@/core/cadence';
import { type WeightUnit } from '@/core/load';
import { capital, often } from '@/core/reasons';
import { type Gates } from '@/core/safety';
import { drillOf, phaseLimits, withPhase } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { NamedSelect, TextInput } from '@/parts/Field';
import { Stepper } from '@/parts/Stepper';
import { useDraft } from '@/parts/useDraft';
import { ItemFigure } from '../ItemFigure';
import { type Home } from './useHome';

const phaseNames: Readonly<Record<Phase, string>> = {
  inhale: 'In',
  topPause: 'Pause',
  exhale: 'Out',
  bottomPause: 'Pause after',
};

/** Something that goes home: shown, its dose, when in the day, how it should feel. */
export function ItemColumn({
  one,
  number,
  home,
  gates,
  weights,
  why,
  week,
}: {
  one: HomeItem;
  number: number;
  home: Home;
  gates: Gates;
  weights: WeightUnit;
  /** Why it is offered, from today's log. */
  why: readonly string[];
  week?: number;
}) {
  const { item } = one;
  const drill = drillOf(item);
  const words = homeWords(item, weights);
  const times = home.plan.goes.filter(({ itemId }) => itemId === one.id).length;
  const limits = phaseLimits(drill, gates);
  const ladder = item.cadences.length > 1;
  return (
    <li className="min-w-0 border-t-2 border-ink pt-2" data-home-item={drill.id}>
      <h2 className="text-lg">
        {number} {words.name}
      </h2>
      <div className="mt-1 flex gap-3">
        <ItemFigure item={item} week={week} className="h-28 w-40 shrink-0" />
        <p className="min-w-0 text-ink2">
          {capital(`${item.position}${item.side === 'none' ? '' : `, ${item.side}`}`)}
          {why.length > 0 && `: ${why.join('; ')}`}.
        </p>
      </div>
      {item.changes.length > 0 && <p className="text-caution">▲ {item.changes.join('; ')}</p>}
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Stepper
          label={ladder ? 'Rungs' : 'Breaths'}
          value={item.breaths}
          min={1}
          max={ladder ? item.cadences.length : Math.max(drill.breaths.max, item.breaths)}
          onChange={(breaths) => home.changeItem(one.id, (now) => ({ ...now, item: { ...now.item, breaths } }))}
        />
        <div className="min-w-44 grow">
          <NamedSelect
            label="Spread over the day"
            value=""
            none={times === 0 ? 'choose when' : `${often(times)} a day; change`}
            choices={habitIds
              .filter((id) => id !== 'afterSitting' || home.plan.sits !== null)
              .map((id) => [id, habits[id].name])}
            onChange={(habit) => habit && home.spread(one.id, habit)}
          />
        </div>
      </div>
      {!ladder && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          {limits
            .filter(({ phase }) => phaseLength(item.cadences[0]!, phase) > 0)
            .map(({ phase, min, max }) => (
              <Stepper
                key={phase}
                narrow
                label={phaseNames[phase]}
                value={phaseLength(item.cadences[0]!, phase)}
                unit="s"
                min={min}
                max={max}
                step={0.5}
                onChange={(seconds) =>
                  home.changeItem(one.id, (now) => ({
                    ...now,
                    item: {
                      ...now.item,
                      cadences: [withPhase(now.item.cadences[0]!, phase, seconds, limits, false)],
                    },
                  }))
                }
              />
            ))}
        </div>
      )}
      <p className="mt-2">
        <strong>{words.dose}</strong>, {words.breath}
      </p>
      <Line
        label="Think"
        value={one.cue}
        most={120}
        onChange={(cue) => home.changeItem(one.id, (now) => ({ ...now, cue }))}
      />
      <Line
        label="Feels like"
        value={one.feels}
        most={160}
        onChange={(feels) => home.changeItem(one.id, (now) => ({ ...now, feels }))}
      />
      <Line
        label="Not meant"
        value={one.notMeant}
        most={160}
        onChange={(notMeant) => home.changeItem(one.id, (now) => ({ ...now, notMeant }))}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => home.addGo(one.id, home.plan.wakes)}>Add a time</Button>
        <Button onClick={() => home.takeOut(one.id)}>Take out</Button>
      </div>
    </li>
  );
}

function Line({
  label,
  value,
  most,
  onChange,
}: {
  label: string;
  value: string;
  most: number;
  onChange: (value: string) => void;
}) {
  const draft = useDraft(value, (next) => onChange(next));
  return (
    <label className="mt-1 flex items-center gap-2">
      <span className="w-20 shrink-0 text-sm text-ink2">{label}</span>
      <TextInput
        maxLength={most}
        value={draft.value}
        onChange={(event) => draft.change(event.target.value)}
        onBlur={draft.commit}
      />
    </label>
  );
}
