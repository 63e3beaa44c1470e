import { OctagonX, TriangleAlert } from 'lucide-react';
import { type ComponentProps } from 'react';
import { type TouchConsent } from '@/core/safety';

const touchWords: Record<TouchConsent, string> = {
  yes: 'Touch: yes',
  'own hands': 'Touch: own hands only',
  no: 'Touch: no',
  unknown: 'Touch: ask first',
};

/** Flags and consent in words, on every screen of a client. */
export function SafetyLine({
  stop,
  cautions,
  unasked,
  stale = null,
  touch,
  consent,
}: {
  /** A sentence when the way is closed today. */
  stop: string | null;
  cautions: readonly string[];
  unasked: number;
  /** A sentence when the answers have grown old. */
  stale?: string | null;
  touch: TouchConsent;
  /** What its button does: it opens the choice of consent. */
  consent: ComponentProps<'button'>;
}) {
  return (
    <div className="flex min-w-0 flex-wrap items-center gap-2" aria-label="Limits and consent" role="group">
      {stop && (
        <span className="inline-flex items-center gap-1.5 rounded-one border border-stop bg-stop px-2.5 py-1 text-sm font-semibold text-onstop">
          <OctagonX size={15} aria-hidden />
          {stop}
        </span>
      )}
      {cautions.length > 0 && (
        <span className="inline-flex min-w-0 items-center gap-1.5 rounded-one border border-caution bg-cautionw px-2.5 py-1 text-sm font-semibold text-caution">
          <TriangleAlert size={15} aria-hidden className="shrink-0" />
          <span>{cautions.join(' · ')}</span>
        </span>
      )}
      {unasked > 0 && (
        <span className="inline-flex items-center rounded-one border border-dashed border-caution px-2.5 py-1 text-sm text-caution">
          {unasked} not asked yet
        </span>
      )}
      {stale && (
        <span className="inline-flex items-center rounded-one border border-dashed border-caution px-2.5 py-1 text-sm text-caution">
          {stale}
        </span>
      )}
      <button
        {...consent}
        className="inline-flex min-h-11 items-center rounded-one border border-ink px-2.5 py-1 text-sm hover:bg-leaf"
      >
        {touchWords[touch]}
        <span className="sr-only">. Change it</span>
      </button>
    </div>
  );
}
