'use client';

import { ageOn } from '@/core/safety';
import { LinkButton } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Fence } from '@/parts/Fence';
import { Field, TextInput } from '@/parts/Field';
import { useDraft } from '@/parts/useDraft';
import { BeginVisit } from '../BeginVisit';
import { EmergencyStop } from '../PathStop';
import { StationHead } from '../StationHead';
import { drawnAsShown } from '../useShown';
import { type ComingView } from '../diary/view';
import { type ClientView } from '../view';
import { ComplaintDetail } from './ComplaintDetail';
import { Conditions } from './Conditions';
import { FactText } from './FactText';
import { History } from './History';
import { LastVisit } from './LastVisit';
import { Limits } from './Limits';
import { Signs } from './Signs';
import { ToldSymptoms } from './ToldSymptoms';
import { WhatChanged } from './WhatChanged';
import { useFact } from '../useFact';

/** Screen: why they came, today's signs, what is off limits, consent to touch. */
export const ScreenStation = drawnAsShown(function ScreenStation({
  view,
  coming,
}: {
  view: ClientView<'gatesThen'>;
  coming: ComingView;
}) {
  if (view.path.state === 'emergency') return <EmergencyStop view={view} />;
  return (
    <>
      <StationHead title="Screen" line="What brings them, and what must be minded.">
        {view.visit ? (
          <LinkButton href={`/clients/${view.id}/look`} data-way-on>
            On to Look
          </LinkButton>
        ) : (
          <BeginVisit clientId={view.id} />
        )}
      </StationHead>
      <div className="space-y-8">
        <Fence what="Today’s signs">
          <Signs view={view} />
        </Fence>
        <Fence what="Last time">
          <LastVisit view={view} coming={coming} />
        </Fence>
        <Fence what="What changed">
          <WhatChanged view={view} />
        </Fence>
        <Fence what="Why they came">
          <Story view={view} />
        </Fence>
        <Fence what="Conditions">
          <Conditions view={view} />
        </Fence>
        <Fence what="What this means today">
          <Limits view={view} />
        </Fence>
        <Fence what="History">
          <History view={view} />
        </Fence>
        <div className="flex flex-wrap items-center gap-4 border-t border-ink pt-4">
          {view.visit ? (
            <LinkButton href={`/clients/${view.id}/look`} look="strong">
              On to Look
            </LinkButton>
          ) : (
            <BeginVisit clientId={view.id} />
          )}
        </div>
      </div>
    </>
  );
});

function Story({ view }: { view: ClientView }) {
  const { latest } = view.known;
  return (
    <section aria-labelledby="story" className="border-t border-ink pt-4">
      <h2 id="story" className="text-lg">
        Why they came
      </h2>
      <div className="mt-3 grid gap-4 md:grid-cols-2">
        <FactText
          clientId={view.id}
          factKey="complaint"
          label="Complaint, in their words"
          latest={latest.complaint}
          lines={3}
        />
        <FactText clientId={view.id} factKey="goal" label="Goal, in their words" latest={latest.goal} lines={3} />
        <FactText clientId={view.id} factKey="clinician" label="Licensed clinician" latest={latest.clinician} />
        <FactText clientId={view.id} factKey="medicines" label="Medicines" latest={latest.medicines} />
        <FactText clientId={view.id} factKey="name" label="Name" latest={latest.name} />
        <Birthday view={view} />
      </div>
      <div className="mt-4">
        <ComplaintDetail view={view} />
      </div>
      <div className="mt-4">
        <ToldSymptoms view={view} />
      </div>
      <div className="mt-4">
        <Touch view={view} />
      </div>
    </section>
  );
}

function Birthday({ view }: { view: ClientView }) {
  const { birthDay, guardianConsent } = view.known.profile;
  const { record, error } = useFact(view.id, 'birthDay', view.known.latest.birthDay);
  const guardian = useFact(view.id, 'guardian', view.known.latest.guardian, { shownHere: false });
  const { value, change, commit } = useDraft(birthDay ?? '', (day) => record(day === '' ? null : day), {
    waitMs: 1200,
  });
  const age = ageOn(birthDay, view.today);
  return (
    <div className="flex flex-wrap items-end gap-4">
      <Field label="Born" error={error} hint={age !== null ? `${age} years old` : undefined}>
        {(ids) => (
          <TextInput
            {...ids}
            type="date"
            value={value}
            onChange={(event) => change(event.target.value)}
            onBlur={commit}
          />
        )}
      </Field>
      {age !== null && age < 18 && (
        <ChoiceChips
          label="Guardian’s consent"
          value={guardianConsent ? 'given' : 'not yet'}
          choices={[
            { value: 'not yet', label: 'Not yet' },
            { value: 'given', label: 'Given' },
          ]}
          onChange={(next) => void guardian.record(next === 'given')}
        />
      )}
    </div>
  );
}

function Touch({ view }: { view: ClientView }) {
  const { record } = useFact(view.id, 'touch', view.known.latest.touch, { shownHere: false });
  return (
    <ChoiceChips
      label="Consent to hands-on contact; can be withdrawn at any time"
      value={view.known.profile.touch}
      choices={[
        { value: 'yes', label: 'Yes' },
        { value: 'own hands', label: 'Client’s own hands only' },
        { value: 'no', label: 'No' },
        { value: 'unknown', label: 'Not asked' },
      ]}
      onChange={(next) => void record(next)}
    />
  );
}
