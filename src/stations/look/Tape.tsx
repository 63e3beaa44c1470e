'use client';

import { useState } from 'react';
import { type TapeLevel, excursionOf, expansionBand, expansionProvenance, tapeLevels } from '@/core/look';
import { ChoiceChips } from '@/parts/Chips';
import { Notice } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { type LookView } from '../view';
import { Goes } from './Goes';
import { LookError } from '../taking/LookError';
import { PositionChips } from '../taking/PositionChips';
import { useLook } from '../taking/useLook';

const levelNames: Readonly<Record<TapeLevel, string>> = {
  armpit: 'Armpit',
  fourth: 'Fourth intercostal space',
  xiphoid: 'Xiphoid',
  waist: 'Waist',
};

/** Girth at four levels, full exhale and full inhale, three goes each; the fourth space is the one with a published edge. */
export function Tape({ view }: { view: LookView }) {
  const { raw, save, error } = useLook(view, 'tape', { start: { unit: view.settings.lengthUnit } });
  const [level, setLevel] = useState<TapeLevel>('fourth');
  const fourth = excursionOf(raw.levels.fourth ?? [], raw.paradoxical.includes('fourth'));
  const small = fourth && fourth.goes > 0 && expansionBand(fourth.meanCm) === 'markedly small';
  return (
    <div className="space-y-5">
      <PositionChips
        view={view}
        protocol="tape"
        value={raw.position}
        onChange={(position) => save({ ...raw, position })}
      />
      <ChoiceChips
        label="Level"
        value={level}
        choices={tapeLevels.map((id) => ({ value: id, label: levelNames[id] }))}
        onChange={setLevel}
      />
      <Goes
        key={level}
        label={levelNames[level]}
        goes={raw.levels[level] ?? []}
        unit={view.settings.lengthUnit}
        confirmed={raw.paradoxical.includes(level)}
        onChange={(goes) => save({ ...raw, unit: view.settings.lengthUnit, levels: { ...raw.levels, [level]: goes } })}
        onConfirm={(really) =>
          save({ ...raw, paradoxical: [...raw.paradoxical.filter((id) => id !== level), ...(really ? [level] : [])] })
        }
      />
      {level === 'fourth' && fourth && fourth.goes > 0 && (
        <p>
          {small
            ? 'Markedly small at this level.'
            : expansionBand(fourth.meanCm) === 'in between'
              ? 'Between the two published edges: nothing is said.'
              : 'Usual in healthy young adults; it falls with age.'}{' '}
          <ProvenanceMark provenance={expansionProvenance} />
        </p>
      )}
      <ChoiceChips
        label="Long morning stiffness?"
        value={raw.morningStiffness}
        choices={[
          { value: 'no', label: 'No' },
          { value: 'yes', label: 'Yes' },
          { value: 'not observed', label: 'Not asked' },
        ]}
        onChange={(morningStiffness) => save({ ...raw, morningStiffness })}
      />
      {small && raw.morningStiffness === 'yes' && (
        <Notice kind="stop" title="Small expansion with long morning stiffness is a red flag.">
          <p>Mark it on Screen and refer; no drills today.</p>
        </Notice>
      )}
      <LookError error={error} />
    </div>
  );
}
