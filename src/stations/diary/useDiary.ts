'use client';

import { useEffect, useMemo, useState } from 'react';
import { type Diary, type Rooms, diaryWith } from '@/core/diary';
import { dayIn } from '@/core/record';
import { useSaid } from '@/keep';
import { namesOf, rememberName } from './names';
import { type DiaryView } from './view';

/** The diary as the person in front of the page has left it. */
export function useDiary(served: Diary): Diary {
  const said = useSaid();
  return useMemo(() => {
    for (const { clientId, name } of [...served.bookings, ...served.waiting]) rememberName(clientId, name);
    return diaryWith(served, said, namesOf(said));
  }, [served, said]);
}

const everyMs = 20_000;

/** The rooms at this moment: the time moves on while the page is open. */
export function useRooms({ settings, now: made }: Pick<DiaryView, 'settings' | 'now'>): Rooms {
  const [now, setNow] = useState(made);
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date().toISOString()), everyMs);
    return () => clearInterval(timer);
  }, []);
  const at = now > made ? now : made;
  return useMemo(() => ({ zone: settings.timeZone, hours: settings.hours, now: at }), [settings, at]);
}

/** Calls back when the studio's day is no longer the one a page was made on: a page left open overnight turns over. */
export function useTurnOver(today: string, zone: string, turn: () => void) {
  useEffect(() => {
    const look = () => {
      if (dayIn(Date.now(), zone) === today) return;
      // Without a server the page would be gone, with what is typed on it: it is asked again a little later.
      fetch('/api/alive', { cache: 'no-store' })
        .then((answer) => answer.json())
        .then(turn, () => undefined);
    };
    const timer = setInterval(look, everyMs);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [today, zone, turn]);
}
