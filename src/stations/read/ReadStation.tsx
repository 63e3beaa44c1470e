'use client';

import { useMemo } from 'react';
import { baseMap } from '@/core/look';
import { evenId, wantedRegions } from '@/core/read';
import { listed } from '@/core/reasons';
import { schools } from '@/core/schools';
import { LinkButton } from '@/parts/Button';
import { Fold } from '@/parts/Fold';
import { EmptyState, Notice } from '@/parts/Notice';
import { useKeptValue } from '@/parts/useKept';
import { BeginVisit } from '../BeginVisit';
import { PathStop } from '../PathStop';
import { StationHead } from '../StationHead';
import { openStations } from '@/core/safety';
import { drawnAsShown } from '../useShown';
import { type ClientView } from '../view';
import { Confirm, type IntentDraft } from './Confirm';
import { FindingsList } from './FindingsList';
import { PatternBlock } from './PatternBlock';
import { Even, NotLookedFor, Settle } from './Settle';
import { WhatIf } from './WhatIf';
import { useReading } from './useReading';

/** Read: findings become patterns, for and against in the open; the coach confirms one intent. */
export const ReadStation = drawnAsShown(function ReadStation({ view }: { view: ClientView<'looks' | 'judgements'> }) {
  const { visit } = view;
  // Closed by what was just said, whatever the page was made with.
  if (!openStations[view.path.state].includes('read')) return <PathStop view={view} />;
  if (!visit) {
    return (
      <EmptyState title="Today’s visit has not begun.">
        <BeginVisit clientId={view.id} />
      </EmptyState>
    );
  }
  if (visit.looks.length === 0) {
    return (
      <EmptyState title="Nothing was looked at today, so there is nothing to read.">
        <LinkButton href={`/clients/${view.id}/look`} look="strong">
          Go to Look
        </LinkButton>
      </EmptyState>
    );
  }
  return <Reading view={view} />;
});

function Reading({ view }: { view: ClientView<'looks' | 'judgements'> }) {
  const { all, scores, likely, snapshot, changes, judge, error } = useReading(view);
  const { shown, hinted, tie, notLookedFor } = likely;
  const even = shown[0]?.pattern.id === evenId;
  const visit = view.visit!;
  // Chosen and not yet confirmed, it is kept here: it survives leaving the page.
  const [draft, setDraft] = useKeptValue<IntentDraft>(`kokyu.intent.${visit.id}`);
  const intent = draft?.intent ?? visit.reading?.intent ?? shown[0]?.pattern.intent ?? 'keepItVaried';
  const side = shown[0]?.side ?? visit.reading?.side ?? 'left';
  const wanted = useMemo(() => wantedRegions(intent, side), [intent, side]);
  const rest = scores.filter(
    (score) => !shown.includes(score) && !hinted.includes(score) && score.pattern.id !== evenId,
  );
  const map = baseMap(visit.looks, 'before');
  return (
    <>
      <StationHead
        title="Read"
        line={`What the looks speak for and against. Read by “${schools.openAllRegions.name}”, since it can hold the others as special cases.`}
      >
        <LinkButton href="#intent">To the intent</LinkButton>
      </StationHead>
      {changes.length > 0 && (
        <div className="mb-5">
          <Notice title="The reading is no longer the one you confirmed.">
            <ul>
              {changes.map((change) => (
                <li key={change}>{change}</li>
              ))}
            </ul>
          </Notice>
        </div>
      )}
      <div className="grid gap-8 xl:grid-cols-[minmax(0,1fr)_19rem]">
        <div>
          {tie && (
            <Notice title={`“${shown[0]!.pattern.name}” and “${shown[1]!.pattern.name}” are too close to call.`}>
              <p>Both are shown; the choice is yours.</p>
            </Notice>
          )}
          {shown.length === 0 && (
            <Notice title="Not enough was looked at to say anything.">
              <p>A region map and two more looks, and it can be read. Or choose an intent by your own judgement.</p>
            </Notice>
          )}
          {even && <Even view={view} />}
          {!even && shown.map((score) => <PatternBlock key={score.pattern.id} score={score} clientId={view.id} />)}
          <Settle view={view} likely={likely} />
          <NotLookedFor view={view} patterns={notLookedFor} />
          {hinted.length > 0 && (
            <Fold
              title={`Hinted at, not enough to lead: ${listed(hinted.map(({ pattern }) => pattern.name))}`}
              className="border-t border-ink py-2"
              titleClass="font-semibold"
            >
              {hinted.map((score) => (
                <PatternBlock key={score.pattern.id} score={score} clientId={view.id} />
              ))}
            </Fold>
          )}
          <Fold
            title={`${rest.length} other patterns, with what speaks against them`}
            className="border-t border-ink py-2"
            titleClass="font-semibold"
          >
            {rest.map((score) => (
              <PatternBlock key={score.pattern.id} score={score} clientId={view.id} />
            ))}
          </Fold>
          <Confirm
            view={view}
            likely={likely}
            snapshot={snapshot}
            changed={changes.length > 0}
            intent={intent}
            draft={draft ?? {}}
            setDraft={setDraft}
          />
          <FindingsList findings={all} clientId={view.id} judge={judge} />
          {error && (
            <p role="alert" className="mt-2 font-semibold">
              {error}
            </p>
          )}
        </div>
        <div>{map && <WhatIf view={view} map={map} wanted={wanted} />}</div>
      </div>
    </>
  );
}
