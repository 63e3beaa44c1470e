import {
  type Evidence,
  type PatternScore,
  calibrationInWords,
  mayLead,
  pointsInWords,
  schoolReadings,
  strengthOf,
} from '@/core/read';
import { capital } from '@/core/reasons';
import { protocols } from '@/core/look';
import { schoolIds, schools } from '@/core/schools';
import { Link } from '@/parts/Link';
import { ProvenanceMark } from '@/parts/Provenance';
import { TapNote } from '@/parts/TapNote';

const link = 'underline decoration-rule underline-offset-4 hover:decoration-ink';

/** One pattern held against the findings: for, against, not looked for, and how the schools read it. */
export function PatternBlock({ score, clientId }: { score: PatternScore; clientId: string }) {
  const { pattern, pointsFor, pointsAgainst, balance, missing, side } = score;
  return (
    <section className="border-t border-ink py-4" aria-label={pattern.name}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-lg">
          {capital(pattern.name)}
          {side ? `, ${side}` : ''} <ProvenanceMark provenance={pattern.provenance} />{' '}
          {mayLead(score) && (
            <TapNote mark={strengthOf(score)} spoken=": how strong it is, show what it means" title="How strong">
              {calibrationInWords(strengthOf(score))}
            </TapNote>
          )}
        </h2>
        <p className="text-ink2">
          {pointsFor} for − {pointsAgainst} against = <span className="font-semibold text-ink">{balance}</span>;{' '}
          {missing.length} not looked for{' '}
          <TapNote mark="points" spoken=": show what a point means" title="Points">
            {pointsInWords(pattern)}
          </TapNote>
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
              <Link className={link} href={`/clients/${clientId}/look?protocol=${protocol}`}>
                {protocols[protocol].name}
              </Link>
            </span>
          ))}
        </p>
      )}
      <p className="mt-1 text-ink2">Usual first answer: {pattern.firstAnswer}</p>
      <Schools patternId={pattern.id} />
    </section>
  );
}

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
        {lines.map(({ finding, words, points, protocol }) => (
          <li key={finding} className="flex gap-2">
            <span className="w-8 shrink-0 text-right">
              {sign}
              {points}
            </span>
            <Link href={`/clients/${clientId}/look?protocol=${protocol}`} className={link}>
              {words}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** How each school would read the same, side by side, and where they part. */
function Schools({ patternId }: { patternId: string }) {
  const found = schoolReadings[patternId];
  if (!found) return null;
  return (
    <details className="mt-1">
      <summary className="flex min-h-11 cursor-pointer items-center text-ink2">
        How the schools read it: {found.disagreement}
      </summary>
      <dl className="grid gap-x-8 gap-y-2 md:grid-cols-2">
        {schoolIds.flatMap((id) => {
          const words = found.readings[id];
          return words === undefined
            ? []
            : [
                <div key={id} className="border-t border-rule pt-1">
                  <dt className="text-sm text-ink2">{capital(schools[id].name)}</dt>
                  <dd>{words}</dd>
                </div>,
              ];
        })}
      </dl>
    </details>
  );
}
