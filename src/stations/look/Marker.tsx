'use client';

import { type LookRecord, type Raw } from '@/core/look';
import { type VisitRecord } from '@/core/record';
import { Slider } from '@/parts/Slider';
import { PositionChips } from './PositionChips';
import { useLook } from './useLook';

const blank: Raw<'marker'> = { position: 'hook-lying', readings: [] };

/** Ease of a deep breath, asked twice with the same words. */
export function Marker({ visit, moment = 'before' }: { visit: VisitRecord; moment?: LookRecord['moment'] }) {
  const { raw, save, error } = useLook(visit, 'marker', moment, blank);
  const set = (index: 0 | 1, value: number) => {
    const readings = [...raw.readings];
    readings[index] = value;
    save({ ...raw, readings: readings.filter((reading) => reading !== undefined) });
  };
  return (
    <div className="max-w-xl space-y-6">
      <PositionChips value={raw.position} onChange={(position) => save({ ...raw, position })} />
      {([0, 1] as const).map((index) =>
        index === 1 && raw.readings.length === 0 ? null : (
          <Slider
            key={index}
            label={index === 0 ? 'First asking' : 'Asked again'}
            value={raw.readings[index] ?? null}
            min={0}
            max={10}
            step={0.5}
            low="not at all"
            high="freely"
            onChange={(value) => set(index, value)}
          />
        ),
      )}
      {error && (
        <p role="alert" className="font-semibold">
          {error}
        </p>
      )}
    </div>
  );
}
