'use client';

import { useState } from 'react';
import { addDays, weekdayAndDay } from '@/core/record';
import { type CheckIn, type HomeReturn, doneLevels, feltLevels, homeSigns } from '@/core/home';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { useHydrated } from '@/parts/useHydrated';

type Done = (typeof doneLevels)[number];
type Felt = (typeof feltLevels)[number];
type Sign = (typeof homeSigns)[number];

const doneWords: Readonly<Record<Done, string>> = { none: 'Not today', some: 'Some of it', all: 'All of it' };
const signWords: Readonly<Record<Sign, string>> = {
  dizzy: 'Dizzy',
  tingling: 'Tingling',
  headache: 'Headache',
  pain: 'Pain',
  leaking: 'Leaked',
};

interface Said {
  done: Done[];
  felt: Felt[];
  signs: Sign[];
}

const dated = (from: string, day: number) => weekdayAndDay(addDays(from, day));

/** Where what was ticked stays until it was sent: a phone loses its network, and its tabs. Two people may share a phone: each link has its own. */
const keptAt = (word: string, day: number) => `kokyu.home.${word.slice(-8)}.${day}`;

function keptHere(word: string, day: number): Said | null {
  try {
    return JSON.parse(localStorage.getItem(keptAt(word, day)) ?? 'null') as Said | null;
  } catch {
    return null;
  }
}

function keepHere(word: string, day: number, said: Said | null) {
  try {
    if (said) localStorage.setItem(keptAt(word, day), JSON.stringify(said));
    else localStorage.removeItem(keptAt(word, day));
  } catch {
    // A phone that keeps nothing still sends.
  }
}

/** How it goes at home, told by whoever does it, on their own phone. */
export function CheckInPage(props: {
  word: string;
  from: string;
  days: number;
  /** Which day of the plan it is; null before and after. */
  today: number | null;
  begun: boolean;
  items: readonly { id: string; name: string; dose: string; off: boolean }[];
  told: HomeReturn | null;
  stop: string;
  notice: string;
}) {
  const { from, days, today, begun, notice } = props;
  const last = today ?? (begun ? days - 1 : null);
  const [day, setDay] = useState(last);
  const listening = useHydrated();
  if (day === null || last === null) {
    return (
      <Frame title="It has not begun yet" notice={notice}>
        <p>Your days begin on {dated(from, 0)}. Come back then.</p>
      </Frame>
    );
  }
  return (
    <Frame title={dated(from, day)} notice={notice}>
      <nav aria-label="Days" className="mb-4 flex gap-2">
        <Button disabled={!listening || day === 0} onClick={() => setDay(day - 1)}>
          Day before
        </Button>
        <Button disabled={!listening || day >= last} onClick={() => setDay(day + 1)}>
          Day after
        </Button>
      </nav>
      {listening && <OneDay key={day} {...props} day={day} />}
    </Frame>
  );
}

function OneDay({ word, day, items, told, stop }: Parameters<typeof CheckInPage>[0] & { day: number }) {
  const [said, setSaid] = useState<Said>(
    () =>
      keptHere(word, day) ?? {
        done: items.map((_, i) => told?.done[day]?.[i] ?? 'none'),
        felt: items.map((_, i) => told?.felt[i] ?? 'not said'),
        signs: [],
      },
  );
  const [state, setState] = useState<'open' | 'sending' | 'sent'>('open');
  const [why, setWhy] = useState<string | null>(null);
  const change = (next: Partial<Said>) => {
    const now = { ...said, ...next };
    setSaid(now);
    setState('open');
    keepHere(word, day, now);
  };
  const at = <T,>(list: readonly T[], i: number, value: T) => list.map((one, j) => (j === i ? value : one));
  const sendIt = async () => {
    setState('sending');
    setWhy(null);
    try {
      const response = await fetch('/api/check-in', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ word, said: { day, ...said } satisfies CheckIn }),
      });
      if (response.ok) {
        keepHere(word, day, null);
        return setState('sent');
      }
      setWhy(((await response.json()) as { why?: string }).why ?? 'It was not taken in. Try again in a moment.');
    } catch {
      setWhy('It was not sent: there is no connection. It is kept on this phone; send it again later.');
    }
    setState('open');
  };
  return (
    <>
      <ol className="space-y-5">
        {items.map(({ id, name, dose, off }, i) => (
          <li key={id} className="border-t border-ink pt-3">
            <h2 className="text-lg">{name}</h2>
            {off ? (
              <p className="font-semibold">Leave this one out until you have spoken with your coach.</p>
            ) : (
              <>
                <p className="mb-2 text-ink2">{dose}</p>
                <div className="space-y-3">
                  <ChoiceChips
                    label="Done that day"
                    value={said.done[i] ?? 'none'}
                    choices={doneLevels.map((value) => ({ value, label: doneWords[value] }))}
                    onChange={(next) => change({ done: at(said.done, i, next) })}
                  />
                  <ChoiceChips
                    label="Over the days it feels"
                    value={said.felt[i] === 'not said' ? null : (said.felt[i] ?? null)}
                    choices={feltLevels.slice(1).map((value) => ({ value, label: value }))}
                    onChange={(next) => change({ felt: at(said.felt, i, next) })}
                  />
                </div>
              </>
            )}
          </li>
        ))}
      </ol>
      <div className="mt-5 border-t border-ink pt-3">
        <TickChips
          label="Did any of this happen? Tick what did."
          values={said.signs}
          choices={homeSigns.map((value) => ({ value, label: signWords[value] }))}
          onChange={(next) => change({ signs: next })}
        />
        {said.signs.length > 0 && <p className="mt-2 font-semibold">{stop}</p>}
      </div>
      {why && (
        <p role="alert" className="mt-4 font-semibold">
          {why}
        </p>
      )}
      <div className="mt-5 flex flex-wrap items-center gap-4">
        <Button
          look="strong"
          className="min-h-14 px-6 text-lg"
          disabled={state === 'sending'}
          onClick={() => void sendIt()}
        >
          {state === 'sending' ? 'Sending…' : 'Send it'}
        </Button>
        <p role="status">{state === 'sent' ? 'Sent. Your coach sees it before you come.' : ''}</p>
      </div>
    </>
  );
}

const Frame = ({ title, notice, children }: { title: string; notice?: string; children: React.ReactNode }) => (
  <main id="main" className="mx-auto max-w-md px-4 py-6">
    <p className="text-sm text-ink2">How it goes at home</p>
    <h1 className="mb-3 text-2xl">{title}</h1>
    {children}
    {notice && <p className="mt-8 border-t border-rule pt-3 text-sm text-ink2">{notice}</p>}
  </main>
);

/** Whatever the reason a link leads nowhere, it says the same. */
export const LinkOver = () => (
  <Frame title="This link is over">
    <p>Ask your coach for another.</p>
  </Frame>
);
