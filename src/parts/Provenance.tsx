import { type Provenance, provenanceSentence } from '@/core/reasons';
import { TapNote } from './TapNote';

const marks = { published: 'pub', 'common practice': 'trade', 'set by you': 'you' } as const;

/** Where a figure or rule comes from: a short mark that opens its source on tap. */
export function ProvenanceMark({ provenance }: { provenance: Provenance }) {
  return (
    <TapNote mark={marks[provenance.kind]} spoken={`: ${provenance.kind}, show the source`} title="Source">
      {provenanceSentence(provenance)}
    </TapNote>
  );
}
