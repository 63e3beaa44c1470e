'use client';

import { useCallback, useRef, useState } from 'react';
import { type LookRecord, type ProtocolId, type Raw, newest } from '@/core/look';
import { type VisitRecord } from '@/core/record';
import { keep, newId } from '@/keep';

/**
 * A look being taken: its raw values on the screen, saved at every change. A look half done stays; one begun again is a
 * new record beside the old one.
 */
export function useLook<P extends ProtocolId>(
  visit: VisitRecord,
  protocol: P,
  moment: LookRecord['moment'],
  blank: Raw<P>,
) {
  const [initial] = useState(() => newest(visit.looks, protocol, moment));
  const [raw, setRaw] = useState<Raw<P>>(initial?.raw ?? blank);
  const [error, setError] = useState<string | null>(null);
  const record = useRef<{ id: string | null; revision: number; takenAt: string | null }>({
    id: initial?.id ?? null,
    revision: visit.looks.find(({ id }) => id === initial?.id)?.revision ?? 0,
    takenAt: initial?.takenAt ?? null,
  });

  const save = useCallback(
    (next: Raw<P>) => {
      setRaw(next);
      const now = record.current;
      now.id ??= newId();
      now.takenAt ??= new Date().toISOString();
      const revision = now.revision;
      // The outbox keeps the order, so the revision the server will give is known before it answers.
      now.revision += 1;
      void keep('look.save', {
        lookId: now.id,
        visitId: visit.id,
        protocol,
        moment,
        takenAt: now.takenAt,
        raw: next,
        revision,
      }).then((outcome) => {
        setError(outcome.state === 'refused' ? outcome.why : null);
        if (outcome.state === 'conflict') now.revision = (outcome.theirs as { revision: number }).revision;
      });
    },
    [visit.id, protocol, moment],
  );

  const beginAgain = useCallback(() => {
    record.current = { id: null, revision: 0, takenAt: null };
    setRaw(blank);
    setError(null);
  }, [blank]);

  return { raw, save, error, beginAgain };
}
