'use client';

import { counted } from '@/core/reasons';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { groupForm, itemsOff, mostInGroup } from '@/core/coach';
import { durationInWords } from '@/core/dose';
import { type Gates } from '@/core/safety';
import { type PlanItem, drillOf, planTotals } from '@/core/sequence';
import { newId, useKeep } from '@/keep';
import { Button, LinkButton } from '@/parts/Button';
import { NamedSelect } from '@/parts/Field';
import { EmptyState } from '@/parts/Notice';
import { formInWords } from '../live/GroupTiles';

/** Somebody who is here today and may be coached. */
export interface GroupCandidate {
  clientId: string;
  visitId: string;
  name: string;
  gates: Gates;
  /** Their own plan of today, which the group may follow; empty without one. */
  items: PlanItem[];
}

/** Brings up to six people onto one plan: whose plan, who is on it, and what each does otherwise, before it begins. */
export function GroupStart({
  candidates,
  closed,
}: {
  candidates: readonly GroupCandidate[];
  closed: readonly string[];
}) {
  const router = useRouter();
  const planners = candidates.filter(({ items }) => items.length > 0);
  const [leaderId, setLeaderId] = useState(planners[0]?.clientId ?? '');
  const [others, setOthers] = useState<string[]>([]);
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const leader = candidates.find(({ clientId }) => clientId === leaderId) ?? null;
  if (candidates.length < 2 || !leader) {
    return (
      <EmptyState as="h2" title="A group needs two people who are here, screened, and one of them with a plan.">
        <LinkButton href="/">Go to Today</LinkButton>
      </EmptyState>
    );
  }
  const members = [leader, ...candidates.filter(({ clientId }) => others.includes(clientId) && clientId !== leaderId)];
  const full = members.length >= mostInGroup;
  const open = async () => {
    const runId = newId();
    const outcome = await keep('run.create', {
      runId,
      visitId: leader.visitId,
      items: leader.items,
      members: members.map(({ clientId, visitId, gates }) => ({
        clientId,
        visitId,
        // What is off for somebody but the one whose plan it is, they sit out; it is not counted as done by them.
        sitsOut: clientId === leaderId ? [] : itemsOff(leader.items, gates),
      })),
    });
    if (outcome.state === 'refused') setError(outcome.why);
    else router.push(`/run/${runId}`);
  };
  return (
    <div className="space-y-6">
      <div className="max-w-md">
        <NamedSelect
          label="Whose plan"
          value={leaderId}
          choices={planners.map(({ clientId, name, items }) => [
            clientId,
            `${name}: ${counted(items.length, 'drill')}, ${durationInWords(planTotals(items).whole.seconds)}`,
          ])}
          onChange={(next) => next && setLeaderId(next)}
        />
      </div>
      <fieldset>
        <legend className="text-sm text-ink2">Who is on it, at most {mostInGroup}</legend>
        <div className="mt-1 flex flex-wrap gap-2">
          {candidates
            .filter(({ clientId }) => clientId !== leaderId)
            .map(({ clientId, name }) => {
              const on = others.includes(clientId);
              return (
                <Button
                  key={clientId}
                  aria-pressed={on}
                  className={on ? '!bg-ink !text-onink' : '!font-normal'}
                  disabled={!on && full}
                  onClick={() => setOthers(on ? others.filter((id) => id !== clientId) : [...others, clientId])}
                >
                  {name}
                </Button>
              );
            })}
        </div>
      </fieldset>
      {closed.length > 0 && <p className="text-caution">Not today, or not screened yet: {closed.join(', ')}.</p>}
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead className="text-sm text-ink2">
            <tr className="border-b border-ink">
              <th className="py-1 pr-4 font-normal">Drill</th>
              {members.map(({ clientId, name }) => (
                <th key={clientId} scope="col" className="py-1 pr-4 font-normal">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {leader.items.map((item) => (
              <tr key={item.id} className="border-b border-rule align-top">
                <th scope="row" className="py-1.5 pr-4 font-semibold">
                  {drillOf(item).name}
                  <span className="block font-normal text-ink2">{item.position}</span>
                </th>
                {members.map(({ clientId, gates }) => {
                  const form = groupForm(gates, item);
                  return (
                    <td key={clientId} className={`py-1.5 pr-4 ${form.kind === 'same' ? 'text-ink2' : 'text-caution'}`}>
                      {formInWords(form)}
                      {form.kind === 'not' && <span className="block text-sm">{form.why}</span>}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {error && (
        <p role="alert" className="font-semibold">
          {error}
        </p>
      )}
      <Button look="strong" className="min-h-14 px-6 text-xl" disabled={members.length < 2} onClick={() => void open()}>
        Open the run for {members.length}
      </Button>
    </div>
  );
}
