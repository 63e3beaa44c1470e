import { type Change, measures } from '@/core/track';
import { ProvenanceMark } from '@/parts/Provenance';

/** A change in words, with the noise it is held against. */
export function ChangeLine({ change }: { change: Change }) {
  const { words, noise, ownNoise, provenance, measure } = change;
  return (
    <p className="mt-3 text-lg" role="status">
      {words}{' '}
      <span className="text-base text-ink2">
        Noise up to {noise.toFixed(1)} {measures[measure].unit},{' '}
        {ownNoise ? 'the usual one blended with this client’s own repeats' : 'the usual one'}.
      </span>{' '}
      <ProvenanceMark provenance={provenance} />
    </p>
  );
}
