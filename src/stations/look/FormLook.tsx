'use client';

import { type FormProtocol, type ProtocolId, type Raw, toldForFloor } from '@/core/look';
import { dayInWords } from '@/core/record';
import { capital, listed } from '@/core/reasons';
import { Notice } from '@/parts/Notice';
import { type LookView } from '../view';
import { useAgain } from '../taking/again';
import { FormFields } from './FormFields';
import { LookError } from '../taking/LookError';
import { PositionChips } from '../taking/PositionChips';
import { TenCounter } from './TenCounter';
import { useLook } from '../taking/useLook';

/** What to do about something marked that is more than a finding. */
const warnings: Partial<Record<ProtocolId, (raw: never) => string | null>> = {
  twoHands: (raw: Raw<'twoHands'>) =>
    raw.bellyDrawsIn === 'yes'
      ? 'Try a smaller breath, inclined or sitting. If it stays at rest whatever you try, it is a red flag: mark it on Screen and refer.'
      : null,
  floor: (raw: Raw<'floor'>) =>
    raw.pain === 'yes' || raw.leaks === 'yes'
      ? 'Note it under conditions on Screen too, so that drills follow it. A pelvic-health clinician examines; here it is only asked.'
      : null,
  tenCount: () => 'A folk check of comfort: coughing or stopping early says nothing about the lungs.',
};

/** A protocol that is entered by its fields alone. */
export function FormLook({ view, protocol }: { view: LookView; protocol: FormProtocol }) {
  // What was told counts once: a second reading is asked afresh.
  const again = useAgain();
  const told = protocol === 'floor' && !again ? toldForFloor(view.known.profile) : null;
  const { raw, save, error } = useLook(
    view,
    protocol,
    told ? { start: told.values as Partial<Raw<FormProtocol>> } : {},
  );
  const warning = (warnings[protocol] as ((raw: unknown) => string | null) | undefined)?.(raw);
  return (
    <div className="space-y-5">
      <PositionChips
        view={view}
        protocol={protocol}
        value={raw.position}
        onChange={(position) => save({ ...raw, position })}
      />
      {told && told.told.length > 0 && (
        <p className="border-l-4 border-ink pl-3 text-ink2">
          {capital(
            listed(told.told.map(({ words, day }) => `${words} (told on Screen, ${dayInWords(day, view.today)})`)),
          )}
          . Filled in here; change it if it is different today.
        </p>
      )}
      {protocol === 'tenCount' && (
        <TenCounter onStopped={() => save({ ...raw, result: 'stopped before ten' } as Raw<FormProtocol>)} />
      )}
      <FormFields
        view={view}
        protocol={protocol}
        raw={raw}
        save={(next) => save(next as Raw<FormProtocol>)}
        columns={protocol === 'frontOn' || protocol === 'floor' || protocol === 'stack'}
      />
      {warning && (
        <Notice kind="caution" title="Mind">
          <p>{warning}</p>
        </Notice>
      )}
      <LookError error={error} />
    </div>
  );
}
