'use client';

import { type ReactNode, useEffect, useMemo } from 'react';
import { openStations } from '@/core/safety';
import { Button } from '@/parts/Button';
import { useShield } from '@/parts/shield';
import { useGuard } from '@/parts/useGuard';
import { useKeptValue } from '@/parts/useKept';
import { PathStop } from '../PathStop';
import { type ClientView } from '../view';
import { type GroupMember } from './GroupTiles';
import { type LiveRun } from './useRun';

/** Somebody of a group who may not be coached any more, and how the others go on. */
export interface HeldMember {
  member: GroupMember;
  /** How many are left without them. */
  left: number;
  goOn: () => void;
  /** It comes by itself, under a finger that is about to press something else: nothing in it is pressed before it could be seen. */
  guard: ReturnType<typeof useGuard>;
}

const ways = { goOn: 0, end: 1 } as const;

const mayBeCoached = ({ path }: GroupMember) => openStations[path.state].includes('coach');

/**
 * Who of a group holds everybody: an emergency was logged of them, and nobody has said yet that they are looked after; or their way was
 * closed while they are still in the run. The pacer waits for as long.
 *
 * @param out who is out of the run for today
 */
export function useHeld(run: LiveRun, group: readonly GroupMember[], out: ReadonlySet<string>): HeldMember | null {
  const { state, append, writes, ready } = run;
  const [seen, setSeen] = useKeptValue<string[]>(`kokyu.run.${run.id}.lookedAfter`);
  const isOver = state.status === 'ended';
  const member = group.find((one) => {
    if (mayBeCoached(one)) return false;
    return one.path.state === 'emergency' ? !seen?.includes(one.clientId) : !isOver && !out.has(one.clientId);
  });
  const meaning = member?.clientId ?? '';
  const guard = useGuard(useMemo(() => ({ [ways.goOn]: meaning, [ways.end]: meaning }), [meaning]));
  useShield(member !== undefined);
  const holds = member !== undefined && state.status === 'running' && writes && ready;
  useEffect(() => {
    if (holds) append({ type: 'pause', why: 'by hand' });
  }, [holds, append]);
  if (!member) return null;
  const { clientId, path } = member;
  return {
    member,
    guard,
    left: group.filter((one) => one !== member && !out.has(one.clientId) && mayBeCoached(one)).length,
    goOn: () => {
      // Of an emergency the server has taken them out already.
      if (path.state === 'emergency') return setSeen([...(seen ?? []), clientId]);
      const note = path.reasons[0]?.what ?? '';
      append({ type: 'settled', symptoms: [], note, then: 'end', who: clientId });
    },
  };
}

/** Why a group's run waits, what to do, and how it goes on. */
export function Held({
  held: { member, left, goOn, guard },
  run,
  settings,
  children,
}: {
  held: HeldMember;
  run: LiveRun;
  settings: ClientView['settings'];
  children: ReactNode;
}) {
  const { clientId, name, path } = member;
  const isEmergency = path.state === 'emergency';
  const isOver = run.state.status === 'ended';
  const waysOn = (
    <>
      {(isOver || (left > 0 && (isEmergency || run.writes))) && (
        <Button onClick={guard(ways.goOn, goOn)}>
          {isOver
            ? 'They are looked after'
            : isEmergency
              ? 'They are looked after: the others can go on'
              : `Go on without ${name}`}
        </Button>
      )}
      {!isOver && run.writes && (
        <Button onClick={guard(ways.end, () => void run.append({ type: 'end', why: 'stopped' }))}>
          End the run for everybody
        </Button>
      )}
    </>
  );
  return (
    <main id="main" className="mx-auto max-w-5xl p-6">
      <PathStop view={{ id: clientId, path, settings }} name={name}>
        {!isEmergency && waysOn}
      </PathStop>
      {isEmergency && <div className="mt-5 flex flex-wrap gap-3">{waysOn}</div>}
      {!isOver && <p className="mt-4 text-ink2">The run waits for everybody. The others breathe normally.</p>}
      {children}
    </main>
  );
}
