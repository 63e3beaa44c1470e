'use client';

import { type Raw } from '@/core/look';
import { type VisitRecord } from '@/core/record';
import { ChoiceChips } from '@/parts/Chips';
import { PositionChips } from './PositionChips';
import { useLook } from './useLook';

const blank: Raw<'twoHands'> = {
  position: 'hook-lying',
  leads: 'not observed',
  movesMore: 'not observed',
  bellyDrawsIn: 'not observed',
  deepLeads: 'not observed',
};

const leads = [
  { value: 'belly', label: 'Belly hand' },
  { value: 'together', label: 'Together' },
  { value: 'chest', label: 'Chest hand' },
  { value: 'not observed', label: 'Not seen' },
] as const;

export function TwoHands({ visit }: { visit: VisitRecord }) {
  const { raw, save, error } = useLook(visit, 'twoHands', 'before', blank);
  return (
    <div className="space-y-6">
      <PositionChips value={raw.position} onChange={(position) => save({ ...raw, position })} />
      <ChoiceChips
        label="Five quiet breaths: which hand leads?"
        value={raw.leads}
        choices={leads}
        onChange={(next) => save({ ...raw, leads: next })}
      />
      <ChoiceChips
        label="Which moves more?"
        value={raw.movesMore}
        choices={[
          { value: 'belly', label: 'Belly' },
          { value: 'even', label: 'Even' },
          { value: 'chest', label: 'Chest' },
          { value: 'not observed', label: 'Not seen' },
        ]}
        onChange={(movesMore) => save({ ...raw, movesMore })}
      />
      <ChoiceChips
        label="Does the belly draw in on the inhale?"
        value={raw.bellyDrawsIn}
        choices={[
          { value: 'no', label: 'No' },
          { value: 'yes', label: 'Yes, it draws in' },
          { value: 'not observed', label: 'Not seen' },
        ]}
        onChange={(bellyDrawsIn) => save({ ...raw, bellyDrawsIn })}
      />
      <ChoiceChips
        label="One or two deeper breaths: which hand leads?"
        value={raw.deepLeads}
        choices={leads}
        onChange={(deepLeads) => save({ ...raw, deepLeads })}
      />
      {raw.bellyDrawsIn === 'yes' && (
        <p className="border-l-4 border-caution pl-3">
          Try a smaller breath, inclined or sitting. If it stays at rest whatever you try, it is a red flag: mark it on
          Screen and refer.
        </p>
      )}
      {error && (
        <p role="alert" className="font-semibold">
          {error}
        </p>
      )}
    </div>
  );
}
