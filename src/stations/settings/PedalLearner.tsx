'use client';

import { useState } from 'react';
import { type Gesture } from '@/core/coach';
import { send } from '@/keep';
import { Button } from '@/parts/Button';
import { useKeyDown } from '@/parts/shell/useKeyDown';
import { usePedal } from '../live/usePedal';

const keyWords: Record<string, string> = {
  ' ': 'Space',
  PageDown: 'Page down',
  PageUp: 'Page up',
  ArrowRight: 'Right arrow',
  ArrowLeft: 'Left arrow',
  ArrowUp: 'Up arrow',
  ArrowDown: 'Down arrow',
  Enter: 'Enter',
};
const inWords = (key: string) => keyWords[key] ?? key;
const mostKeys = 6;

const gestureWords: Record<Gesture, string> = {
  short: 'short: tap a breath, or next between drills',
  long: 'long: mark a fault',
  double: 'double: stop',
};

/** Teaches Kokyu which keys a presenter or pedal sends: press it, and it is learnt. */
export function PedalLearner({ keys: saved }: { keys: readonly string[] }) {
  const [keys, setKeys] = useState<readonly string[]>(saved);
  const [learning, setLearning] = useState(false);
  const [heard, setHeard] = useState<{ gesture: Gesture; n: number } | null>(null);
  usePedal(keys, (gesture) => setHeard((before) => ({ gesture, n: (before?.n ?? 0) + 1 })), !learning);

  const change = (next: readonly string[]) => {
    setKeys(next);
    send('settings.change', { pedalKeys: [...next] });
  };
  useKeyDown(
    (event) => {
      event.preventDefault();
      event.stopImmediatePropagation();
      setLearning(false);
      // Tab and Escape must keep what they do, or nobody could leave.
      if (event.key === 'Tab' || event.key === 'Escape' || keys.includes(event.key)) return;
      change([...keys, event.key].slice(-mostKeys));
    },
    { first: true, active: learning },
  );

  return (
    <div className="max-w-xl space-y-5">
      <p>
        A presenter or foot pedal is a keyboard with few keys. Press <b>Learn a key</b>, then the pedal once. In a run a
        short press taps a breath or goes on, a long one marks a fault, a double one stops.
      </p>
      <ul className="border-t border-rule">
        {keys.map((key) => (
          <li key={key} className="flex items-center justify-between border-b border-rule py-1.5">
            <span className="text-lg font-semibold">{inWords(key)}</span>
            <Button look="quiet" onClick={() => change(keys.filter((other) => other !== key))}>
              Forget <span className="sr-only">{inWords(key)}</span>
            </Button>
          </li>
        ))}
        {keys.length === 0 && <li className="border-b border-rule py-2 text-ink2">No key is learnt.</li>}
      </ul>
      <Button look="strong" onClick={() => setLearning(true)}>
        {learning ? 'Press the pedal now' : 'Learn a key'}
      </Button>
      <section aria-label="Try it" className="border-t border-ink pt-3">
        <h2 className="text-lg">Try it</h2>
        <p className="text-2xl" role="status">
          {heard ? `${gestureWords[heard.gesture]} (${heard.n})` : 'Press a learnt key: short, long, twice.'}
        </p>
      </section>
    </div>
  );
}
