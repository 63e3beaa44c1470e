'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useOffline } from 'next/offline';
import { type ReactNode, useEffect, useState } from 'react';
import {
  type Refused,
  dropRefused,
  onOutcome,
  refusedEntries,
  sendAgain,
  useFlushing,
  useKeepState,
  wasOvertaken,
} from '@/keep';
import { type CommandKind, commandWords, laidOver, typedWords } from '@/core/record';
import { Button } from '../Button';
import { Notice } from '../Notice';
import { say } from '../say';

/** How long after the last press a view that the page has overtaken is fetched. */
const followingMs = 700;
/** How long a page waits for a server that is away before it says so: a network that changes is away for a moment. */
const waitsMs = 1000;

/**
 * Keeps the page and what was recorded in step: sends what waits, shows the server's view again once something was saved,
 * and tells of entries that were refused while nobody was looking.
 */
export function Keeping() {
  const router = useRouter();
  const path = usePathname();
  // The live screen knows its own events; any other page that sends what a run left behind has to show it.
  const live = path.startsWith('/run/');
  // Only a page of a client lays over what was said of them.
  const ofClient = path.startsWith('/clients/');
  const [refused, setRefused] = useState<Refused[]>([]);
  useFlushing();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    /** Something waits that the page can't show by itself: pressing on does not put it off. */
    let soon = false;
    // A refresh that finds no server would take the page away with what is being typed: ask first, and try again later.
    const refresh = async () => {
      soon = false;
      const answered = await fetch('/api/alive', { cache: 'no-store' })
        .then((answer) => answer.json())
        .then(
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
        // What the page shows by itself it is given anew only once the pressing is over.
        const following = ofClient && (laidOver as readonly CommandKind[]).includes(kind);
        if (following && soon) return;
        if (timer) clearTimeout(timer);
        soon = !following;
        timer = setTimeout(() => void refresh(), following ? followingMs : 120);
      }
    });
    if (wasOvertaken()) timer = setTimeout(() => void refresh(), 120);
    void refusedEntries().then(setRefused);
    return () => {
      stop();
      if (timer) clearTimeout(timer);
    };
  }, [router, live, ofClient]);

  const { memoryOnly, trouble } = useKeepState();
  // A page asked of a server that is away waits for it, and this one stays.
  const waits = useOffline();
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(
      () =>
        say(
          'The server can’t be reached just now. What you recorded is kept; a page you ask for comes once it answers.',
        ),
      waitsMs,
    );
    return () => clearTimeout(timer);
  }, [waits]);
  const gone = (id: string) => setRefused((list) => list.filter((entry) => entry.id !== id));
  return (
    <>
      {trouble !== null && (
        <Told kind="stop" title="The server can’t take anything in">
          <p>{trouble} What you record is kept in this browser and sent when it can be.</p>
        </Told>
      )}
      {memoryOnly && (
        <Told kind="caution" title="This browser refuses to keep what you record">
          <p>Its storage is full or switched off. Leave this page open until everything is saved.</p>
        </Told>
      )}
      {refused.map((entry) => (
        <Told
          key={entry.id}
          kind="caution"
          title={`${commandWords[entry.kind]}: ${entry.again ? 'it could not be sent' : 'it was not saved'}`}
        >
          <p>{entry.why}</p>
          <ul className="my-2 max-h-40 overflow-auto" tabIndex={0} aria-label="What was entered">
            {typedWords(entry.payload).map((line, i) => (
              <li key={i} className="whitespace-pre-wrap">
                {line}
              </li>
            ))}
          </ul>
          <div className="flex flex-wrap gap-2">
            {entry.again && (
              <Button onClick={() => void sendAgain(entry).then(() => gone(entry.id))}>Send it again</Button>
            )}
            <Button onClick={() => void dropRefused(entry.id).then(() => gone(entry.id))}>I have noted it</Button>
          </div>
        </Told>
      ))}
    </>
  );
}

function Told({ kind, title, children }: { kind: 'caution' | 'stop'; title: string; children: ReactNode }) {
  return (
    <div className="screen-only mx-4 my-2">
      <Notice kind={kind} title={title}>
        {children}
      </Notice>
    </div>
  );
}
