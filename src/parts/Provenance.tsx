'use client';

import { Popover } from 'radix-ui';
import { type Provenance, provenanceSentence } from '@/core/reasons';

const marks = { published: 'pub', 'common practice': 'trade', 'set by you': 'you' } as const;

/** Where a figure or rule comes from: a short mark that opens its source on tap. */
export function ProvenanceMark({ provenance }: { provenance: Provenance }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="inline-flex min-h-6 min-w-6 items-center rounded-one border border-rule px-1.5 align-baseline text-xs leading-5 text-ink2 hover:border-ink hover:text-ink">
        {marks[provenance.kind]}
        <span className="sr-only">: {provenance.kind}, show the source</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          aria-label="Source"
          className="z-50 max-w-sm rounded-one border border-ink bg-paper p-3 text-sm text-ink"
        >
          {provenanceSentence(provenance)}
          <Popover.Arrow className="fill-ink" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
