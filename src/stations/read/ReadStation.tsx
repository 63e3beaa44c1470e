'use client';

import { useMemo, useState } from 'react';
import {
  type Evidence,
  type IntentId,
  type PatternScore,
  intentIds,
  intentInWords,
  likelyPatterns,
  readFindings,
  scorePatterns,
} from '@/core/read';
import { schools } from '@/core/schools';
import { newest, protocols } from '@/core/look';
import { keep, newId } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Field, Select, TextArea } from '@/parts/Field';
import { EmptyState, Notice } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { say } from '@/parts/say';
import { Ring, RingLegend } from '@/parts/figures/Ring';
import { BeginVisit } from '../BeginVisit';
import { StationHead } from '../StationHead';
import { type ClientView } from '../view';

/** Read: findings become patterns, for and against in the open; the coach confirms one intent. */
export function ReadStation({ view }: { view: ClientView }) {
  const { visit } = view;
  const scores = useMemo(() => scorePatterns(readFindings(visit?.looks ?? [])), [visit?.looks]);
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
  const { shown, tie } = likelyPatterns(scores);
  const rest = scores.filter((score) => !shown.includes(score));
  const map = newest(visit.looks, 'regionMap', 'before');
  return (
    <>
      <StationHead
        title="Read"
        line={`What the looks speak for and against. Read by “${schools.openAllRegions.name}”, since it can hold the others as special cases.`}
      />
      <div className="grid gap-8 xl:grid-cols-[minmax(0,1fr)_20rem]">
        <div>
          {tie && (
            <Notice title={`“${shown[0]!.pattern.name}” and “${shown[1]!.pattern.name}” are too close to call.`}>
              <p>One more finding could change their order. Both are shown; the choice is yours.</p>
            </Notice>
          )}
          {shown.length === 0 && (
            <Notice title="No pattern stands out from what was seen.">
              <p>That is a finding too. Look further, or choose an intent by your own judgement.</p>
            </Notice>
          )}
          {shown.map((score) => (
            <PatternBlock key={score.pattern.id} score={score} clientId={view.id} />
          ))}
          <details className="mt-4 border-t border-rule pt-3">
            <summary className="min-h-11 cursor-pointer font-semibold">
              {rest.length} other patterns, with what speaks against them
            </summary>
            {rest.map((score) => (
              <PatternBlock key={score.pattern.id} score={score} clientId={view.id} />
            ))}
          </details>
        </div>
        <div>
          {map && (
            <figure>
              <Ring title="Region map" first={map.raw.quiet} second={map.raw.deep} neck={map.raw.neckDeep} />
              <figcaption className="mt-2">
                <RingLegend />
              </figcaption>
            </figure>
          )}
        </div>
      </div>
      <Confirm view={view} scores={scores} suggested={shown[0] ?? null} />
    </>
  );
}

function PatternBlock({ score, clientId }: { score: PatternScore; clientId: string }) {
  const { pattern, pointsFor, pointsAgainst, missing, side } = score;
  return (
    <section className="border-t border-ink py-4" aria-label={pattern.name}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-lg">
          {pattern.name}
          {side ? `, ${side}` : ''} <ProvenanceMark provenance={pattern.provenance} />
        </h2>
        <p className="text-ink2">
          {pointsFor} for, {pointsAgainst} against, {missing.length} not looked for
        </p>
      </div>
      <div className="mt-2 grid gap-x-8 gap-y-2 md:grid-cols-2">
        <EvidenceList title="For" lines={score.evidenceFor} sign="+" clientId={clientId} />
        <EvidenceList title="Against" lines={score.evidenceAgainst} sign="−" clientId={clientId} />
      </div>
      {missing.length > 0 && (
        <p className="mt-2 text-ink2">
          Would settle more:{' '}
          {[...new Set(missing.map(({ protocol }) => protocol))].map((protocol, i) => (
            <span key={protocol}>
              {i > 0 && ', '}
              <a
                className="underline decoration-rule underline-offset-4 hover:text-ink"
                href={`/clients/${clientId}/look?protocol=${protocol}`}
              >
                {protocols[protocol].name}
              </a>
            </span>
          ))}
        </p>
      )}
      <p className="mt-1 text-ink2">Usual first answer: {pattern.firstAnswer}</p>
    </section>
  );
}

const protocolOfLabel = new Map(Object.values(protocols).map(({ name, id }) => [name, id]));

function EvidenceList({
  title,
  lines,
  sign,
  clientId,
}: {
  title: string;
  lines: readonly Evidence[];
  sign: string;
  clientId: string;
}) {
  return (
    <div>
      <h3 className="text-sm text-ink2">{title}</h3>
      {lines.length === 0 && <p className="text-ink2">nothing</p>}
      <ul>
        {lines.map(({ finding, words, points, record }) => (
          <li key={finding} className="flex gap-2">
            <span className="w-8 shrink-0 text-right">
              {sign}
              {points}
            </span>
            <a
              href={`/clients/${clientId}/look?protocol=${protocolOfLabel.get(record.label)}`}
              className="underline decoration-rule underline-offset-4 hover:decoration-ink"
            >
              {words}
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Confirm({
  view,
  scores,
  suggested,
}: {
  view: ClientView;
  scores: readonly PatternScore[];
  suggested: PatternScore | null;
}) {
  const visit = view.visit!;
  const before = visit.reading;
  const [intent, setIntent] = useState<IntentId>(before?.intent ?? suggested?.pattern.intent ?? 'keepItVaried');
  const [side, setSide] = useState<'left' | 'right' | null>(before?.side ?? suggested?.side ?? null);
  const [ownLine, setOwnLine] = useState(before?.ownLine ?? '');
  const [error, setError] = useState<string | null>(null);
  const likely = likelyPatterns(scores).shown;
  const needsSide = intent === 'openOneSide';

  const confirm = async () => {
    if (needsSide && !side) {
      setError('Which side should open? Choose left or right.');
      return;
    }
    const patterns = likely.filter(({ pattern }) => pattern.intent === intent).map(({ pattern }) => pattern.id);
    const outcome = await keep('reading.confirm', {
      readingId: newId(),
      visitId: visit.id,
      reading: { intent, side: needsSide ? side : null, patterns, ownLine },
    });
    if (outcome.state === 'refused') setError(outcome.why);
    else {
      setError(null);
      say(`Intent confirmed: ${intentInWords(intent, side ?? undefined)}.`);
    }
  };

  return (
    <section aria-labelledby="intent" className="mt-6 border-t-2 border-ink pt-4">
      <h2 id="intent" className="text-lg">
        One intent for today
      </h2>
      <div className="mt-3 grid gap-4 md:grid-cols-2">
        <Field
          label="Intent"
          hint={suggested ? `Suggested by “${suggested.pattern.name}”.` : 'Nothing suggested; choose one.'}
        >
          {(ids) => (
            <Select {...ids} value={intent} onChange={(event) => setIntent(event.target.value as IntentId)}>
              {intentIds.map((id) => (
                <option key={id} value={id}>
                  {intentInWords(id, side ?? undefined)}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {needsSide && (
          <ChoiceChips
            label="Side to open (the client’s own)"
            value={side}
            choices={[
              { value: 'left', label: 'Left' },
              { value: 'right', label: 'Right' },
            ]}
            onChange={setSide}
          />
        )}
        <Field label="Your own line" hint="What you would tell a colleague.">
          {(ids) => <TextArea {...ids} rows={2} value={ownLine} onChange={(event) => setOwnLine(event.target.value)} />}
        </Field>
      </div>
      {error && (
        <p role="alert" className="mt-3 font-semibold">
          {error}
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <Button look={before ? 'plain' : 'strong'} onClick={() => void confirm()}>
          {before ? 'Confirm again' : 'Confirm this intent'}
        </Button>
        {before && (
          <>
            <LinkButton href={`/clients/${view.id}/sequence`} look="strong">
              On to Sequence
            </LinkButton>
            <p className="text-ink2">Confirmed: {intentInWords(before.intent, before.side ?? undefined)}.</p>
          </>
        )}
      </div>
    </section>
  );
}
