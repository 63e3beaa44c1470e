'use client';

import { useState } from 'react';
import { counted } from '@/core/reasons';
import { type Alternative } from '@/core/sequence';
import { Button } from '@/parts/Button';
import { TextInput } from '@/parts/Field';
import { specOf } from '@/core/body';
import { BodyFigure } from '@/parts/figures/body/BodyFigure';

/** What an alternative costs, in words. */
export function priceInWords({ worth, seconds, changes }: Pick<Alternative, 'worth' | 'seconds' | 'changes'>): string {
  const difference = Math.round((worth - 1) * 100);
  const parts = [
    difference === 0 ? 'worth the same' : difference > 0 ? `worth ${difference} % more` : `worth ${-difference} % less`,
    ...(Math.abs(seconds) >= 5
      ? [seconds > 0 ? `${Math.round(seconds)} s longer` : `${Math.round(-seconds)} s shorter`]
      : []),
    ...(changes !== 0 ? [`${counted(Math.abs(changes), 'change')} of position ${changes > 0 ? 'more' : 'fewer'}`] : []),
  ];
  return parts.join(', ');
}

/** Drills that could stand in a place, ranked, each with its price. */
export function Offers({
  offers,
  title,
  onTake,
  onClose,
}: {
  offers: readonly Alternative[];
  title: string;
  onTake: (alternative: Alternative) => void;
  onClose: () => void;
}) {
  const [words, setWords] = useState('');
  const asked = words.trim().toLowerCase();
  const shown = offers.filter(({ drill, item }) =>
    `${drill.name} ${drill.purpose} ${item.position}`.toLowerCase().includes(asked),
  );
  return (
    <div className="mt-3 rounded-one border border-ink p-3" role="region" aria-label={title}>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3 className="text-base">{title}</h3>
        <div className="flex items-center gap-2">
          <TextInput
            className="w-56"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            aria-label="Find among these"
            placeholder="Find among these"
          />
          <Button look="quiet" className="whitespace-nowrap" onClick={onClose}>
            Leave it
          </Button>
        </div>
      </div>
      {shown.length === 0 && (
        <p className="mt-2 text-ink2">
          {offers.length === 0
            ? 'Nothing else is allowed with these props and limits.'
            : `Nothing among these called “${words}”.`}
        </p>
      )}
      <ul className="mt-2 max-h-80 overflow-auto" tabIndex={-1}>
        {shown.map((alternative) => (
          <li key={alternative.drill.id} className="border-t border-rule">
            <button
              type="button"
              onClick={() => onTake(alternative)}
              className="flex min-h-14 w-full items-center gap-3 px-1 py-1 text-left hover:bg-leaf"
            >
              <BodyFigure
                className="h-12 w-20 shrink-0"
                small
                spec={specOf(
                  alternative.drill,
                  alternative.item.position,
                  alternative.item.side,
                  alternative.item.props,
                )}
              />
              <span className="grow">
                <span className="font-semibold">{alternative.drill.name}</span>
                {alternative.relation !== 'other' && (
                  <span className="text-sm">
                    {' '}
                    · {alternative.relation === 'another way' ? 'another way' : `${alternative.relation} neighbour`}
                  </span>
                )}
                <span className="block text-ink2">
                  {alternative.item.position}. {alternative.drill.purpose}
                </span>
              </span>
              <span className="w-56 shrink-0 text-right text-sm">
                {priceInWords(alternative)}
                {alternative.breaks && <span className="block text-caution">▲ {alternative.breaks}</span>}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
