import { type LengthUnit } from '@/core/look';
import { type Change, changeInWords, figuresOf } from '@/core/track';
import { ProvenanceMark } from '@/parts/Provenance';

/** A change in words, with the noise it is held against. */
export function ChangeLine({ change, lengths }: { change: Change; lengths: LengthUnit }) {
  const { noise, ownNoise, provenance, measure } = change;
  const { unit, shown } = figuresOf(measure, lengths);
  return (
    <p className="mt-3 text-lg" role="status">
      {changeInWords(change, lengths)}{' '}
      <span className="text-base text-ink2">
        Noise up to {shown(noise).toFixed(1)} {unit},{' '}
        {ownNoise ? 'the usual one blended with this client’s own repeats' : 'the usual one'}.
      </span>{' '}
      <ProvenanceMark provenance={provenance} />
    </p>
  );
}
