import * as z from 'zod/mini';
import { protocol, type Followed } from '../define';
import { lengthUnits } from '../length';
import { type Marker, type MarkerMeasure, markerIn, markerMeasureIds, markerMeasures, markerSetUp } from '../markers';
import { anywhere } from '../positions';

interface Marked {
  measure: MarkerMeasure;
  readings: readonly number[];
}

/** Each measure is followed by itself. */
const follows = Object.fromEntries(
  markerMeasureIds.map((id): [MarkerMeasure, Followed<Marked>] => {
    const { name, unit, inInches, typicalError }: Marker = markerMeasures[id];
    const goes = ({ measure, readings }: Marked) => (measure === id ? readings : []);
    return [id, { name, unit, inInches, digits: 1, typicalError, goes }];
  }),
) as Record<MarkerMeasure, Followed<Marked>>;

export const marker = protocol({
  name: 'Today’s marker',
  minutes: 0.7,
  positions: anywhere,
  setUp: markerSetUp,
  means: 'Whether today’s work changed something. Within noise it is called no clear change.',
  kept: {
    measure: z._default(z.enum(markerMeasureIds), 'ease'),
    /** Two readings with the same words; 0 to 10 for ease, else in the measure's unit. */
    readings: z.array(z.number()).check(z.maxLength(2)),
    /** The unit a length was read in; it is stored in centimetres. */
    unit: z.optional(z.enum(lengthUnits)),
  },
  blank: { readings: [] },
  refuses: ({ measure, readings }) => {
    const { min, max } = markerMeasures[measure];
    return readings.every((value) => value >= min && value <= max)
      ? null
      : 'This reading lies outside what can be measured. Check the number.';
  },
  contains: ({ measure, readings }) => (readings.length > 0 ? markerMeasures[measure].components : []),
  tells: ({ measure, readings, unit: lengths = 'cm' }) => {
    if (readings.length === 0) return null;
    const { unit, shown } = markerIn(measure, lengths);
    const mean = readings.reduce((sum, value) => sum + value, 0) / readings.length;
    return `${markerMeasures[measure].name} ${shown(mean).toFixed(1)} ${unit}`;
  },
  follows,
});
