'use client';

import { useKeepState } from '@/keep';

/** A small word on how saving stands. */
export function SaveMark({ zone }: { zone: string }) {
  const { waiting, reachable, lastSavedAt, trouble } = useKeepState();
  const time = lastSavedAt
    ? new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(
        new Date(lastSavedAt),
      )
    : null;
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
