'use client';

import { memo, useRef, useState } from 'react';
import { type StationId, flaggedConditions, openStations, screeningAge, unansweredConditions } from '@/core/safety';
import { plannedInWords } from '@/core/record';
import { Beside, opener } from '@/parts/Beside';
import { SafetyLine } from '@/parts/shell/SafetyLine';
import { StationLine } from '@/parts/shell/StationLine';
import { sayTheSame } from './sayTheSame';
import { TouchChoice } from './TouchBadge';
import { useShown } from './useShown';
import { type ClientView, type PartOfVisit } from './view';

const stopWords = {
  emergency: 'Emergency sign logged today: stopped',
  'red flag': 'Red flag: no drills, refer',
  guardian: 'Guardian’s consent first',
  recount: 'Count the resting rate again',
} as const;

/** Limits and consent on every page of a client, as they stand this moment; consent can be changed where it is read. */
export function ClientSafety({ view: served }: { view: ClientView }) {
  const view = useShown(served);
  const { known, path, today, settings } = view;
  const age = screeningAge(known.profile, today, settings.limits);
  const [open, setOpen] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  return (
    <>
      <SafetyLine
        stop={path.state in stopWords ? stopWords[path.state as keyof typeof stopWords] : null}
        cautions={flaggedConditions(known.profile, today)}
        unasked={unansweredConditions(known.profile).length}
        stale={age.stale ? age.words : null}
        touch={known.profile.touch}
        consent={{ ref: anchor, ...opener(open, setOpen) }}
      />
      <Beside anchor={anchor} open={open} onOpenChange={setOpen} label="Consent to touch" className="z-40 p-4">
        <TouchChoice
          clientId={view.id}
          latest={known.latest.touch}
          touch={known.profile.touch}
          onDone={() => setOpen(false)}
        />
      </Beside>
    </>
  );
}

// Drawn anew where one opens, closes or is reached, not with every word that is said.
const Line = memo(StationLine, sayTheSame);

/** The stations of a client, open or closed as what was just said has it. */
export function ClientStations({
  view: served,
  recorded,
}: {
  /** With nothing in its visit but what was said since the page was made. */
  view: ClientView<PartOfVisit>;
  /** Stations with something in today's visit, as the page was made; what is said since comes from the view. */
  recorded: readonly StationId[];
}) {
  const { id, known, path, visit, today } = useShown(served);
  const reached: StationId[] = [
    ...(known.latest.redFlags && known.latest.redFlags.day >= today ? (['screen'] as const) : []),
    ...recorded,
    ...(visit && visit.looks.length > 0 ? (['look'] as const) : []),
    ...(visit?.reading ? (['read'] as const) : []),
    ...(visit?.plan ? (['sequence'] as const) : []),
    ...(visit && visit.runs.length > 0 ? (['coach'] as const) : []),
  ];
  return <Line clientId={id} open={openStations[path.state]} reached={reached} />;
}

/** What is planned, as it was edited since the page was made. */
export function PlannedSoFar({ view, words }: { view: ClientView<PartOfVisit>; words: string }) {
  const { visit } = useShown(view);
  return visit?.plan ? plannedInWords(visit.plan.plan.items) : words;
}
