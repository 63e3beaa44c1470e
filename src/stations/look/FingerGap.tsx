'use client';

import { ChoiceChips } from '@/parts/Chips';
import { type LookView } from '../view';
import { Goes } from './Goes';
import { LookError } from '../taking/LookError';
import { PositionChips } from '../taking/PositionChips';
import { useLook } from '../taking/useLook';

/** The gap between the fingertips at the lower ribs, at the end of the exhale and of the inhale. */
export function FingerGap({ view }: { view: LookView }) {
  const { raw, save, error } = useLook(view, 'fingerGap', { start: { unit: view.settings.lengthUnit } });
  return (
    <div className="space-y-5">
      <PositionChips
        view={view}
        protocol="fingerGap"
        value={raw.position}
        onChange={(position) => save({ ...raw, position })}
      />
      <Goes
        label="Finger gap"
        goes={raw.goes}
        unit={view.settings.lengthUnit}
        onChange={(goes) => save({ ...raw, unit: view.settings.lengthUnit, goes })}
      />
      <ChoiceChips
        label="Do the shoulders shrug?"
        value={raw.shrugs}
        choices={[
          { value: 'no', label: 'No' },
          { value: 'yes', label: 'Yes' },
          { value: 'not observed', label: 'Not seen' },
        ]}
        onChange={(shrugs) => save({ ...raw, shrugs })}
      />
      {raw.shrugs === 'yes' && (
        <p className="border-l-4 border-caution pl-3">Slide the hands lower and take it again.</p>
      )}
      <LookError error={error} />
    </div>
  );
}
