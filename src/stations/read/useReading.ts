'use client';

import { useMemo, useState } from 'react';
import {
  type Judgement,
  type ReadingSnapshot,
  judgeFindings,
  likelyPatterns,
  patterns,
  readFindings,
  readingChanges,
  scorePatterns,
  snapshotOf,
} from '@/core/read';
import { newId, useKeep } from '@/keep';
import { type ClientView } from '../view';

const patternNames = Object.fromEntries(patterns.map(({ id, name }) => [id, name]));

/** The reading of today's looks as the coach left the findings: derived anew at every change, never stored. */
export function useReading(view: ClientView) {
  const visit = view.visit!;
  const [made, setMade] = useState<Judgement[]>([]);
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const { answers } = view.known.profile;

  const reading = useMemo(() => {
    const { all, read } = judgeFindings(readFindings(visit.looks, answers), [...visit.judgements, ...made]);
    const scores = scorePatterns(read);
    const likely = likelyPatterns(scores, read);
    return { all, read, scores, likely, snapshot: snapshotOf(read, likely.shown) };
  }, [visit.looks, visit.judgements, answers, made]);

  const before: ReadingSnapshot | null = visit.reading?.snapshot ?? null;
  const changes = before ? readingChanges(before, reading.snapshot, patternNames) : [];

  const judge = (judgement: Judgement) => {
    setMade((list) => [...list, judgement]);
    void keep('finding.judge', { judgementId: newId(), visitId: visit.id, judgement }).then((outcome) => {
      if (outcome.state !== 'refused') return setError(null);
      setError(outcome.why);
      setMade((list) => list.filter((one) => one !== judgement));
    });
  };

  return { ...reading, changes, judge, error };
}
