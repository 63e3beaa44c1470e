'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { dropRefused, onOutcome, refusedEntries, useFlushing } from '@/keep';
import { Button } from '../Button';
import { Notice } from '../Notice';
import { say } from '../say';

type Entry = Awaited<ReturnType<typeof refusedEntries>>[number];

/**
 * Keeps the page and what was recorded in step: sends what waits, shows the server's view again once something was saved,
 * and tells of entries that were refused while nobody was looking.
 */
export function Keeping() {
  const router = useRouter();
  // The client's own window shows nothing of what is recorded.
  const path = usePathname();
  const silent = path === '/client-window';
  // The live screen knows its own events; any other page that sends what a run left behind has to show it.
  const live = path.startsWith('/run/');
  const [refused, setRefused] = useState<Entry[]>([]);
  useFlushing();
  useEffect(() => {
    if (silent) return;
    let timer: ReturnType<typeof setTimeout> | null = null;
    // A refresh that finds no server would take the page away with what is being typed: ask first, and try again later.
    const refresh = async () => {
      const answered = await fetch('/api/clients?find=%00', { cache: 'no-store' }).then(
        () => true,
        () => false,
      );
      if (answered) router.refresh();
      else timer = setTimeout(() => void refresh(), 1000);
    };
    const stop = onOutcome(({ kind, outcome }) => {
      if (outcome.state === 'conflict') say(outcome.why);
      if (outcome.state === 'refused') void refusedEntries().then(setRefused);
      else if (kind !== 'run.append' || !live) {
        if (timer) clearTimeout(timer);
        // While parts are graded or a plan is edited tap after tap the page already shows it: its view may follow a little later.
        const following = kind === 'look.save' || kind === 'plan.save';
        timer = setTimeout(() => void refresh(), following ? 700 : 120);
      }
    });
    void refusedEntries().then(setRefused);
    return () => {
      stop();
      if (timer) clearTimeout(timer);
    };
  }, [router, silent, live]);

  if (silent) return null;
  return refused.map((entry) => (
    <div key={entry.id} className="screen-only mx-4 my-2">
      <Notice kind="caution" title="An earlier entry could not be saved">
        <p>{entry.why}</p>
        <pre className="my-2 max-h-40 overflow-auto font-mono text-sm whitespace-pre-wrap">
          {JSON.stringify(entry.payload, null, 1)}
        </pre>
        <Button
          onClick={() =>
            void dropRefused(entry.id).then(() => setRefused((list) => list.filter(({ id }) => id !== entry.id)))
          }
        >
          I have noted it
        </Button>
      </Notice>
    </div>
  ));
}
