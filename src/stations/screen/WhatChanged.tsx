'use client';

import { useState } from 'react';
import { dayInWords } from '@/core/record';
import { type Gate, components, forms, gateChanges } from '@/core/safety';
import { capital } from '@/core/reasons';
import { Button } from '@/parts/Button';
import { useHydrated } from '@/parts/useHydrated';
import { type ClientView } from '../view';
import { useFact } from '../useFact';

/**
 * The twenty seconds that open every visit after the first: what changed? And what the passing of time or a new answer has
 * put off limits since.
 */
export function WhatChanged({ view }: { view: ClientView<'gatesThen'> }) {
  const { record, error } = useFact(view.id, 'whatChanged', view.known.latest.whatChanged);
  const { last } = view;
  const [showSomething, setShowSomething] = useState(false);
  // A press on a page that does not listen yet would be lost without a word.
  const listening = useHydrated();
  if (!last || !view.gatesThen) return null;
  const { blocked, changed, freed } = gateChanges(view.gatesThen, view.gates);
  const answered = view.known.profile.whatChanged;
  const today = answered && answered.day >= view.today ? answered.changed : null;
  return (
    <section aria-labelledby="changed" className="border-t border-ink pt-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <h2 id="changed" className="text-lg">
            What changed since {dayInWords(last.day, view.today)}?
          </h2>
          <p className="text-ink2">
            {today === 'nothing'
              ? 'Asked today: nothing changed.'
              : today === 'something'
                ? 'Asked today: something did. Change the answers below; each keeps its day.'
                : 'Health, medicines, pain, pregnancy, operations, falls. Twenty seconds.'}
          </p>
        </div>
        <div className="flex gap-2">
          {today !== 'nothing' && (
            <Button
              look={today ? 'plain' : 'strong'}
              disabled={!listening}
              onClick={() => void record({ changed: 'nothing' })}
            >
              Nothing changed
            </Button>
          )}
          {today !== 'something' && (
            <Button
              disabled={!listening}
              onClick={() => {
                setShowSomething(true);
                void record({ changed: 'something' });
              }}
            >
              Something did
            </Button>
          )}
        </div>
      </div>
      {(showSomething || today === 'something') && (
        <p className="mt-2 border-l-4 border-caution pl-3">
          Write what it is under complaint or medicines, and set the conditions it touches.
        </p>
      )}
      {error && (
        <p role="alert" className="mt-2 font-semibold">
          {error}
        </p>
      )}
      <Differences title="Newly off since then" gates={blocked} />
      <Differences title="Newly in another form" gates={changed} />
      <Differences title="No longer off" gates={freed} />
    </section>
  );
}

function Differences({ title, gates }: { title: string; gates: readonly Gate[] }) {
  if (gates.length === 0) return null;
  const byReason = new Map<string, Gate[]>();
  for (const gate of gates) byReason.set(gate.reason.what, [...(byReason.get(gate.reason.what) ?? []), gate]);
  return (
    <div className="mt-3">
      <h3 className="text-base">{title}</h3>
      <ul>
        {[...byReason].map(([why, list]) => (
          <li key={why} className="border-t border-rule py-1.5">
            <span className="font-semibold">{why}: </span>
            {capital(
              list
                .map(({ component, form }) => components[component] + (form ? ` → ${forms[form].says}` : ''))
                .join(', '),
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
