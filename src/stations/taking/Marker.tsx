'use client';

import {
  type LookPosition,
  type LookRecord,
  type MarkerMeasure,
  type Raw,
  markerIn,
  markerMeasureIds,
  markerMeasures,
  markerPositions,
  newest,
  testVerdict,
} from '@/core/look';
import { capital } from '@/core/reasons';
import { ChoiceChips } from '@/parts/Chips';
import { Slider } from '@/parts/Slider';
import { type LookView } from '../view';
import { LookError } from './LookError';
import { PositionChips } from './PositionChips';
import { allowedPositions, useLook } from './useLook';

/** Today's own marker, taken twice with the same words; afterwards the same one again. */
export function Marker({ view, moment = 'before' }: { view: LookView; moment?: LookRecord['moment'] }) {
  const first = moment === 'after' ? newest(view.visit!.looks, 'marker', 'before') : null;
  const places = allowedPositions(view, 'marker');
  const placesOf = (id: MarkerMeasure) => markerPositions(id).filter((position) => places.includes(position));
  const allowed = markerMeasureIds.filter(
    (id) => testVerdict(view.gates, markerMeasures[id].components).allowed && placesOf(id).length > 0,
  );
  const remembered = view.remembered?.marker ?? null;
  /** A measure where its words say it is asked: in the position there is, where that is one of them. */
  const placed = (measure: MarkerMeasure, position: LookPosition | undefined) => {
    const [usual] = placesOf(measure);
    return position && placesOf(measure).includes(position) ? { position } : usual ? { position: usual } : {};
  };
  const begunWith = (measure: MarkerMeasure) => ({ measure, ...placed(measure, view.remembered?.positions.marker) });
  const start: Partial<Raw<'marker'>> = first
    ? { measure: first.raw.measure, position: first.raw.position }
    : begunWith(remembered && allowed.includes(remembered) ? remembered : (allowed[0] ?? 'hipRotation'));
  const lengths = view.settings.lengthUnit;
  const { raw, save, error } = useLook(view, 'marker', { moment, start });
  const { ask, low, high } = markerMeasures[raw.measure];
  const { unit, min, max, step, shown, kept } = markerIn(raw.measure, lengths);
  const set = (index: 0 | 1, value: number) => {
    const readings = [...raw.readings];
    readings[index] = kept(value);
    save({ ...raw, unit: lengths, readings: readings.filter((reading) => reading !== undefined) });
  };
  return (
    <div className="max-w-2xl space-y-5">
      {moment === 'before' && (
        <ChoiceChips
          apart
          label="What to compare by"
          value={raw.measure}
          choices={[...new Set([...allowed, raw.measure])].map((id) => ({
            value: id,
            label: capital(markerMeasures[id].name),
          }))}
          onChange={(measure: MarkerMeasure) =>
            save({ ...raw, measure, ...placed(measure, raw.position), readings: [] })
          }
        />
      )}
      <PositionChips
        view={view}
        protocol="marker"
        among={markerPositions(raw.measure)}
        value={raw.position}
        onChange={(position) => save({ ...raw, position })}
      />
      <p className="text-ink2">{ask}</p>
      {([0, 1] as const).map((index) =>
        index === 1 && raw.readings.length === 0 ? null : (
          <Slider
            key={index}
            label={`${index === 0 ? 'First asking' : 'Asked again'}, ${unit}`}
            value={raw.readings[index] === undefined ? null : shown(raw.readings[index])}
            min={min}
            max={max}
            step={step}
            low={low}
            high={high}
            onChange={(value) => set(index, value)}
          />
        ),
      )}
      <LookError error={error} />
    </div>
  );
}
