'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
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
import { type ClientView, type LookView } from '../view';
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
 * A look being taken: what is on the screen is the record as this browser last left it, in whichever tab. A look half done stays;
 * one begun again is a new record beside the old one.
 */
export function useLook<P extends ProtocolId>(view: LookView, protocol: P, options: Options<P> = {}) {
  const visit = view.visit!;
  const { moment = 'before' } = options;
  const again = useAgain() && moment === 'before';
  const [begun, setBegun] = useState<{ id: string | null } | null>(null);
  const [turnedAway, setTurnedAway] = useState<Raw<P> | null>(null);
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const taken = allOf(visit.looks, protocol, moment);
  const [blank] = useState(() => {
    // A second reading is taken where the first was, a later visit's where the one before was: like is only compared with like.
    const allowed = allowedPositions(view, protocol);
    const before = view.remembered?.positions[protocol];
    const position =
      (again ? taken.at(-1)?.raw.position : undefined) ?? (before && allowed.includes(before) ? before : allowed[0]);
    return blankRaw(protocol, {
      ...(position ? { position } : {}),
      ...(again ? { again } : {}),
      ...options.start,
    } as Partial<Raw<P>>);
  });
  const found =
    options.pick === undefined
      ? (taken.filter(({ raw }) => (raw.again === true) === again).at(-1) ?? null)
      : options.pick;
  const id = begun ? begun.id : (found?.id ?? null);
  const record = (visit.looks.find((look) => look.id === id) ?? null) as (LookRecord<P> & { revision: number }) | null;
  // What newer versions of a protocol ask in addition is not observed in an older record. What was refused stays to be put right.
  const raw: Raw<P> = turnedAway ?? (record ? { ...blank, ...record.raw } : blank);

  // Saved twice before the page is drawn again, the second stands on the first.
  const last = useRef({ id, revision: record?.revision ?? 0, takenAt: record?.takenAt ?? null });
  useEffect(() => {
    last.current = { id, revision: record?.revision ?? 0, takenAt: record?.takenAt ?? null };
  }, [id, record?.revision, record?.takenAt]);

  const save = useCallback(
    (next: Raw<P>) => {
      const now = last.current;
      if (now.id === null) {
        now.id = newId();
        setBegun({ id: now.id });
      }
      now.takenAt ??= new Date().toISOString();
      const { revision } = now;
      // The outbox keeps the order, so the revision the server will give is known before it answers.
      now.revision += 1;
      setTurnedAway(null);
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
        if (outcome.state === 'refused') setTurnedAway(next);
      });
    },
    [visit.id, protocol, moment, keep],
  );

  const beginAgain = useCallback(() => {
    setBegun({ id: null });
    setTurnedAway(null);
    setError(null);
  }, []);

  return { raw, save, error, beginAgain };
}
