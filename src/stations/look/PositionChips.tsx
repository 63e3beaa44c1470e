'use client';

import { type LookPosition, lookPositions } from '@/core/look';
import { ChoiceChips } from '@/parts/Chips';

/** The position a look was taken in: like is only compared with like. */
export function PositionChips({ value, onChange }: { value: LookPosition; onChange: (value: LookPosition) => void }) {
  return (
    <ChoiceChips
      label="Position"
      value={value}
      choices={lookPositions.map((position) => ({ value: position, label: position }))}
      onChange={onChange}
    />
  );
}
