'use client';

import { type LookPosition, type ProtocolId, protocols } from '@/core/look';
import { ChoiceChips } from '@/parts/Chips';
import { type ClientView } from '../view';
import { useAgain } from './again';
import { allowedPositions } from './useLook';

/** The position a look was taken in: like is only compared with like. Positions that are off today are not offered. */
export function PositionChips({
  view,
  protocol,
  value,
  among = protocols[protocol].positions,
  later = [],
  onChange,
}: {
  view: ClientView;
  protocol: ProtocolId;
  value: LookPosition;
  /** Of the protocol’s positions those that go with what is looked at. */
  among?: readonly LookPosition[];
  /** Not off, but not yet: offered only once they have been asked for. */
  later?: readonly LookPosition[];
  onChange: (value: LookPosition) => void;
}) {
  const again = useAgain();
  const allowed = allowedPositions(view, protocol).filter((position) => among.includes(position));
  // A second reading is taken where the first was: like is only compared with like.
  if (again) return <p className="text-ink2">Position: {value}, as the first time.</p>;
  const off = among.filter((position) => !allowed.includes(position));
  const shown = [...new Set([...allowed.filter((position) => !later.includes(position)), value])];
  if (shown.length < 2 && off.length === 0) return null;
  return (
    <div>
      <ChoiceChips
        label="Position"
        apart={shown.length > 4}
        value={value}
        choices={shown.map((position) => ({ value: position, label: position }))}
        onChange={onChange}
      />
      {off.length > 0 && <p className="mt-1 text-sm text-ink2">Off today: {off.join(', ')}.</p>}
    </div>
  );
}
