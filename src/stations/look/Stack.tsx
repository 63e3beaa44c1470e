'use client';

import { type Raw } from '@/core/look';
import { type LookView } from '../view';
import { FormFields } from './FormFields';
import { LookError } from '../taking/LookError';
import { PhotoAngles } from './PhotoAngles';
import { PositionChips } from '../taking/PositionChips';
import { useLook } from '../taking/useLook';

/** How ribs and pelvis are carried, by eye, and by three angles on a photo where one is wanted. */
export function Stack({ view }: { view: LookView }) {
  const { raw, save, error } = useLook(view, 'stack');
  const lung = view.known.profile.answers.lung?.value === 'yes';
  return (
    <div className="space-y-6">
      <PositionChips
        view={view}
        protocol="stack"
        value={raw.position}
        onChange={(position) => save({ ...raw, position })}
      />
      {lung && (
        <p className="border-l-4 border-caution pl-3">
          With asthma or COPD a barrel-shaped chest is not a flare to correct: note it, Read leaves it out.
        </p>
      )}
      <FormFields view={view} protocol="stack" raw={raw} save={(next) => save(next as Raw<'stack'>)} columns />
      <PhotoAngles clientId={view.id} photos={raw.photos} onChange={(photos) => save({ ...raw, photos })} />
      <LookError error={error} />
    </div>
  );
}
