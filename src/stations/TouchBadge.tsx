'use client';

import { type Fact, type TouchConsent } from '@/core/safety';
import { ChoiceChips } from '@/parts/Chips';
import { useFact } from './useFact';

const touchWords: Record<TouchConsent, string> = {
  yes: 'TOUCH: YES',
  'own hands': 'OWN HANDS',
  no: 'NO TOUCH',
  unknown: 'ASK TO TOUCH',
};

/** Consent to touch, always in sight; pressed, it can be changed, since it may be withdrawn at any time. */
export function TouchBadge({ touch, onPress }: { touch: TouchConsent; onPress: () => void }) {
  return (
    <button
      type="button"
      onClick={onPress}
      className="min-h-11 rounded-one border-2 border-ink px-3 py-1 text-2xl font-semibold whitespace-nowrap"
      aria-label={`Consent to touch: ${touchWords[touch].toLowerCase()}. Change it`}
    >
      {touchWords[touch]}
    </button>
  );
}

/** Consent in words, where nothing is to be pressed. */
export function TouchWords({ touch }: { touch: TouchConsent }) {
  return (
    <span className="rounded-one border-2 border-ink px-3 py-1 text-2xl font-semibold whitespace-nowrap">
      {touchWords[touch]}
    </span>
  );
}

export function TouchChoice({
  clientId,
  latest,
  touch,
  onDone,
}: {
  clientId: string;
  latest: Fact | undefined;
  touch: TouchConsent;
  onDone: () => void;
}) {
  // The choice closes with the press: a refusal is shown on whatever page is open.
  const { record } = useFact(clientId, 'touch', latest, { shownHere: false });
  return (
    <ChoiceChips
      apart
      label="Consent to touch, as it is now"
      value={touch}
      choices={[
        { value: 'yes', label: 'Yes' },
        { value: 'own hands', label: 'Client’s own hands only' },
        { value: 'no', label: 'No' },
      ]}
      onChange={(next) => {
        void record(next);
        onDone();
      }}
    />
  );
}
