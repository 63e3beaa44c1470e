'use client';

import { Check, Minus, Plus, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { type FindingId, type JudgedFinding, type Judgement, findingTable, severityInWords } from '@/core/read';
import { protocols } from '@/core/look';
import { Link } from '@/parts/Link';

const icon = 'grid size-11 shrink-0 place-items-center rounded-one hover:bg-leaf disabled:text-line';

/** Every finding that was looked for, the marked ones first; each can be confirmed, changed by a step, or rejected. */
export function FindingsList({
  findings,
  clientId,
  judge,
}: {
  findings: readonly JudgedFinding[];
  clientId: string;
  judge: (judgement: Judgement) => void;
}) {
  const there = useSteadyOrder(findings.filter(({ severity, verdict }) => severity > 0 || verdict !== 'as read'));
  const explained = findings.filter((finding) => finding.explained && !there.includes(finding));
  const absent = findings.filter((finding) => !finding.explained && !there.includes(finding));
  return (
    <section aria-labelledby="findings" className="mt-6 border-t-2 border-ink pt-4">
      <h2 id="findings" className="text-lg">
        Findings
      </h2>
      <p className="text-ink2">
        They go to Sequence with the intent. A rejected one leaves the reading as if it had not been looked for.
      </p>
      <ul className="mt-2">
        {there.map((finding) => (
          <Row key={finding.id} finding={finding} clientId={clientId} judge={judge} />
        ))}
      </ul>
      {absent.length > 0 && (
        <p className="mt-3 text-ink2">
          Looked for and not there: {absent.map(({ id }) => findingTable[id].words).join('; ')}.
        </p>
      )}
      {explained.length > 0 && (
        <p className="mt-2 border-l-4 border-caution pl-3">
          Left out: {[...new Set(explained.map(({ words }) => words))].join('; ')}.
        </p>
      )}
    </section>
  );
}

/**
 * The marked ones first, as they were when the page was opened: a finding stays under the finger that changes it, and one that
 * comes later is put at the end.
 */
function useSteadyOrder(findings: readonly JudgedFinding[]): JudgedFinding[] {
  const [order, setOrder] = useState<readonly FindingId[]>(() =>
    [...findings].sort((a, b) => b.severity - a.severity).map(({ id }) => id),
  );
  const more = findings.map(({ id }) => id).filter((id) => !order.includes(id));
  if (more.length > 0) setOrder([...order, ...more]);
  return [...order, ...more].flatMap((id) => findings.find((finding) => finding.id === id) ?? []);
}

function Row({
  finding,
  clientId,
  judge,
}: {
  finding: JudgedFinding;
  clientId: string;
  judge: (judgement: Judgement) => void;
}) {
  const { id, severity, derived, verdict, words, record, protocol, alsoFrom } = finding;
  const rejected = verdict === 'rejected';
  const change = (to: number) =>
    judge(to === derived ? { finding: id, verdict: 'as read' } : { finding: id, verdict: 'changed', severity: to });
  const from = [record, ...alsoFrom].map(({ label }) => label);
  return (
    <li className="flex items-center gap-1 border-t border-rule">
      <div className="min-w-0 grow py-1 leading-tight">
        <Link
          href={`/clients/${clientId}/look?protocol=${protocol}`}
          className={`underline decoration-rule underline-offset-4 hover:decoration-ink ${rejected ? 'line-through' : ''}`}
        >
          {words}
        </Link>
        <span className="block text-sm text-ink2">
          {rejected ? 'rejected' : severityInWords(severity)}
          {verdict === 'changed' ? `, by you; read as ${severityInWords(derived)}` : ''}
          {verdict === 'confirmed' ? ', confirmed' : ''} ·{' '}
          {[...new Set(from)].map((name) => shortName(name)).join(', ')}
        </span>
      </div>
      <Tool name={`${words}: less marked`} disabled={rejected || severity <= 0} press={() => change(severity - 1)}>
        <Minus size={16} aria-hidden />
      </Tool>
      <Tool name={`${words}: more marked`} disabled={rejected || severity >= 3} press={() => change(severity + 1)}>
        <Plus size={16} aria-hidden />
      </Tool>
      <Tool
        name={`${words}: confirm`}
        pressed={verdict === 'confirmed'}
        press={() => judge({ finding: id, verdict: verdict === 'confirmed' ? 'as read' : 'confirmed' })}
      >
        <Check size={18} aria-hidden />
      </Tool>
      <Tool
        name={`${words}: reject`}
        pressed={rejected}
        press={() => judge({ finding: id, verdict: rejected ? 'as read' : 'rejected' })}
      >
        <X size={18} aria-hidden />
      </Tool>
    </li>
  );
}

const shortName = (label: string) =>
  Object.values(protocols)
    .find(({ name }) => name === label)
    ?.name.toLowerCase() ?? label;

function Tool({
  name,
  press,
  pressed,
  disabled = false,
  children,
}: {
  name: string;
  press: () => void;
  pressed?: boolean;
  disabled?: boolean;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className={`${icon} ${pressed ? 'bg-ink text-onink hover:bg-ink' : ''}`}
      aria-label={name}
      aria-pressed={pressed}
      disabled={disabled}
      onClick={press}
    >
      {children}
    </button>
  );
}
