'use client';

import { timeIn } from '@/core/record';
import { useKeepState } from '@/keep';

/** A small word on how saving stands. */
export function SaveMark({ zone }: { zone: string }) {
  const { waiting, reachable, lastSavedAt, trouble } = useKeepState();
  const time = lastSavedAt ? timeIn(lastSavedAt, zone) : null;
  const held = !reachable || trouble !== null;
  const words = held
    ? `kept in this browser, waiting for the server (${waiting})`
    : waiting > 0
      ? 'saving…'
      : time
        ? `saved ${time}`
        : '';
  return (
    <span role="status" className={`text-sm ${held ? 'font-semibold text-caution' : 'text-ink2'}`}>
      {words}
    </span>
  );
}
