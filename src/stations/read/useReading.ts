'use client';

import { useMemo, useState } from 'react';
import { type Judgement, type ReadingSnapshot, patterns, readVisit, readingChanges } from '@/core/read';
import { newId, useKeep } from '@/keep';
import { type ClientView } from '../view';

const patternNames = Object.fromEntries(patterns.map(({ id, name }) => [id, name]));

/** The reading of today's looks as the coach left the findings: derived anew at every change, never stored. */
export function useReading(view: ClientView<'looks' | 'judgements'>) {
  const visit = view.visit!;
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const { answers } = view.known.profile;

  const { looks, judgements } = visit;
  const reading = useMemo(() => readVisit({ looks, judgements }, answers), [looks, judgements, answers]);

  const before: ReadingSnapshot | null = visit.reading?.snapshot ?? null;
  const changes = before ? readingChanges(before, reading.snapshot, patternNames) : [];

  const judge = (judgement: Judgement) =>
    void keep('finding.judge', { judgementId: newId(), visitId: visit.id, judgement }).then((outcome) =>
      setError(outcome.state === 'refused' ? outcome.why : null),
    );

  return { ...reading, changes, judge, error };
}
