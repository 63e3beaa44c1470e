'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { cadence, phaseAt, planBreaths } from '@/core/cadence';
import { type HoldTry, holdAdvice } from '@/core/look';
import { type OwnBreath, type OwnEntry, dayInWords, ownNoseSeconds } from '@/core/record';
import { newId, send, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';
import { Slider } from '@/parts/Slider';
import { say } from '@/parts/say';
import { useKept, useKeptValue } from '@/parts/useKept';
import { Tide } from '@/parts/figures/Tide';
import { AfterHold } from '../taking/AfterHold';

/** Quiet and a little longer out than in: between two clients nobody needs more. */
const quietMinute = planBreaths([{ cadence: cadence(4, 6), breaths: ownNoseSeconds / 10 }]);

/** The coach's own breath: a minute through the nose, a calm hold, a word on the voice. Kept apart from clients. */
export function OwnBreathPage({ entries, today }: { entries: readonly OwnEntry[]; today: string }) {
  const keep = useKeep();
  const add = useCallback(
    (entry: OwnBreath) => {
      const entryId = newId();
      void keep('own.add', { entryId, entry }).then((outcome) => {
        if (outcome.state === 'refused') say(outcome.why);
        else say('Kept.', () => send('own.retract', { entryId }));
      });
    },
    [keep],
  );
  const holds = entries.flatMap(({ entry }) => (entry.kind === 'hold' ? [[entry satisfies HoldTry]] : []));
  return (
    <div className="grid gap-10 lg:grid-cols-3">
      <NoseMinute onDone={(seconds) => add({ kind: 'nose', seconds })} />
      <OwnHold advice={holds.length > 0 ? holdAdvice(holds).words : null} onDone={add} />
      <Voice onDone={add} />
      <section aria-labelledby="lately" className="lg:col-span-3">
        <h2 id="lately" className="border-t border-ink pt-3 text-lg">
          Lately
        </h2>
        {entries.length === 0 ? (
          <p className="text-ink2">Nothing yet. A minute between two clients is enough.</p>
        ) : (
          <ul>
            {[...entries].reverse().map(({ id, day, entry }) => (
              <li key={id} className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-1.5">
                <span>
                  <span className="text-ink2">{dayInWords(day, today)}</span> {entryInWords(entry)}
                </span>
                <Button look="quiet" onClick={() => send('own.retract', { entryId: id })}>
                  Take out
                </Button>
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}

function entryInWords(entry: OwnBreath): string {
  if (entry.kind === 'nose') return `${Math.round(entry.seconds)} s through the nose`;
  if (entry.kind === 'hold') return `hold ${entry.seconds.toFixed(1)} s, ${entry.feeling}, ${entry.firstBreath}`;
  return `voice ${entry.load} of 10${entry.note ? `: ${entry.note}` : ''}`;
}

function NoseMinute({ onDone }: { onDone: (seconds: number) => void }) {
  const [since, setSince] = useState<number | null>(null);
  const done = useRef(onDone);
  useEffect(() => {
    done.current = onDone;
  });
  const ask = useCallback(
    () => (since === null ? null : phaseAt(quietMinute, (performance.now() - since) / 1000)),
    [since],
  );
  useEffect(() => {
    if (since === null) return;
    const timer = setTimeout(() => {
      setSince(null);
      done.current(ownNoseSeconds);
    }, ownNoseSeconds * 1000);
    return () => clearTimeout(timer);
  }, [since]);
  return (
    <section aria-labelledby="nose">
      <h2 id="nose" className="text-lg">
        A minute through the nose
      </h2>
      <p className="text-ink2">In 4, out 6; mouth closed, shoulders let down.</p>
      <Tide ask={ask} className="my-4 h-72 w-28" />
      {since === null ? (
        <Button look="strong" onClick={() => setSince(performance.now())}>
          Begin
        </Button>
      ) : (
        <Button
          onClick={() => {
            const seconds = Math.round((performance.now() - since) / 1000);
            setSince(null);
            if (seconds >= 10) onDone(seconds);
          }}
        >
          That is enough
        </Button>
      )}
    </section>
  );
}

function OwnHold({ advice, onDone }: { advice: string | null; onDone: (entry: OwnBreath) => void }) {
  const [since, setSince] = useState<number | null>(null);
  const [measured, setMeasured] = useKeptValue<Pick<HoldTry, 'seconds'>>('kokyu.own.hold');
  const press = () => {
    if (since === null) setSince(performance.now());
    else {
      setSince(null);
      setMeasured({ seconds: Math.min(300, Math.round((performance.now() - since) / 100) / 10) });
    }
  };
  return (
    <section aria-labelledby="hold">
      <h2 id="hold" className="text-lg">
        Calm exhale hold
      </h2>
      <p className="text-ink2">After an ordinary breath out; to the first wish to breathe, not further.</p>
      <div className="mt-4 space-y-4">
        {measured !== null ? (
          <AfterHold
            seconds={measured.seconds}
            recordWords="Keep it"
            onRecord={(feeling, firstBreath) => {
              onDone({ kind: 'hold', seconds: measured.seconds, feeling, firstBreath });
              setMeasured(null);
            }}
            onLeaveOut={() => setMeasured(null)}
          />
        ) : (
          <button
            type="button"
            onClick={press}
            className="grid h-40 w-full place-items-center rounded-one border-2 border-ink px-4 text-center text-xl font-semibold hover:bg-leaf"
          >
            {since === null ? 'Start the hold' : 'Breathe when you first want to'}
          </button>
        )}
        {since === null && measured === null && advice && <p className="text-ink2">{advice}</p>}
      </div>
    </section>
  );
}

function Voice({ onDone }: { onDone: (entry: OwnBreath) => void }) {
  const [load, setLoad] = useState<number | null>(null);
  const [note, type] = useKept('kokyu.own.voice');
  return (
    <section aria-labelledby="voice">
      <h2 id="voice" className="text-lg">
        Voice
      </h2>
      <p className="text-ink2">Coaches talk all day and breathe through the mouth doing it. How is it today?</p>
      <div className="mt-4 space-y-4">
        <Slider
          label="Voice load, of 10"
          value={load}
          min={0}
          max={10}
          step={1}
          low="rested"
          high="worn out"
          onChange={setLoad}
        />
        <Field label="A word on it, if you like">
          {(ids) => <TextInput {...ids} value={note} maxLength={500} onChange={(event) => type(event.target.value)} />}
        </Field>
        <Button
          disabled={load === null}
          onClick={() => {
            if (load === null) return;
            onDone({ kind: 'voice', load, note });
            setLoad(null);
            type('');
          }}
        >
          Keep it
        </Button>
      </div>
    </section>
  );
}
