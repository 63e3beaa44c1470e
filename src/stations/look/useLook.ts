'use client';

import { useCallback, useRef, useState } from 'react';
import { positions } from '@/core/catalogue';
import {
  type LookPosition,
  type LookRecord,
  type ProtocolId,
  type Raw,
  allOf,
  blankRaw,
  protocols,
  testVerdict,
} from '@/core/look';
import { newId, useKeep } from '@/keep';
import { type ClientView } from '../view';
import { useAgain } from './again';

/** The positions of a protocol this client may take today. */
export function allowedPositions(view: ClientView, protocol: ProtocolId): LookPosition[] {
  return protocols[protocol].positions.filter(
    (position) => testVerdict(view.gates, positions[position].components).allowed,
  );
}

interface Options<P extends ProtocolId> {
  moment?: LookRecord['moment'];
  /** Which record is gone on with; the newest unless said otherwise. */
  pick?: LookRecord<P> | null;
  /** Values a new record starts with. */
  start?: Partial<Raw<P>>;
}

/**
 * A look being taken: its raw values on the screen, saved at every change. A look half done stays; one begun again is a
 * new record beside the old one.
 */
export function useLook<P extends ProtocolId>(view: ClientView, protocol: P, options: Options<P> = {}) {
  const visit = view.visit!;
  const { moment = 'before' } = options;
  const again = useAgain() && moment === 'before';
  const [taken] = useState(() => allOf(visit.looks, protocol, moment));
  const [initial] = useState(() =>
    options.pick === undefined
      ? (taken.filter(({ raw }) => (raw.again === true) === again).at(-1) ?? null)
      : options.pick,
  );
  const [blank] = useState(() => {
    // A second reading is taken where the first was: like is only compared with like.
    const position = (again ? taken.at(-1)?.raw.position : undefined) ?? allowedPositions(view, protocol)[0];
    return blankRaw(protocol, {
      ...(position ? { position } : {}),
      ...(again ? { again } : {}),
      ...options.start,
    } as Partial<Raw<P>>);
  });
  // What newer versions of a protocol ask in addition is not observed in an older record.
  const [raw, setRaw] = useState<Raw<P>>(initial ? { ...blank, ...initial.raw } : blank);
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
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
        if (outcome.state === 'conflict') now.revision = outcome.revision ?? now.revision;
        // What was refused did not move the record on: the next change stands on the one before it.
        if (outcome.state === 'refused') now.revision = Math.max(0, now.revision - 1);
      });
    },
    [visit.id, protocol, moment, keep],
  );

  const beginAgain = useCallback(() => {
    record.current = { id: null, revision: 0, takenAt: null };
    setRaw(blank);
    setError(null);
  }, [blank]);

  return { raw, save, error, beginAgain };
}
