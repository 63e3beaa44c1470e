'use client';

import { useRef, useState } from 'react';
import {
  type LiftBreath,
  type LoadAnswer,
  type LoadAsked,
  type StoredLift,
  type WeightUnit,
  liftBreaths,
  liftInWords,
} from '@/core/load';
import { capital } from '@/core/reasons';
import { newId, send, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { say } from '@/parts/say';
import { type Made, madeAt } from '@/parts/useGuard';

/** A second tap within so long, for the same load, is the same set. Ours. */
const sameSetMs = 600;

/** The log of sets: what was done with the load as it stands above, in one press; the last first, each can be taken back. */
export function LiftLog({
  visitId,
  lifts,
  unit,
  answer,
  asked,
  repetitions,
}: {
  visitId: string;
  /** Of this visit, oldest first. */
  lifts: readonly StoredLift[];
  /** What weights are typed in here: what was done is said so, too. */
  unit: WeightUnit;
  answer: LoadAnswer | null;
  asked: LoadAsked;
  repetitions: number;
}) {
  const keep = useKeep();
  const last = useRef({ set: '', at: 0 });
  const [breath, setBreath] = useState<LiftBreath>('went along');
  const [leaked, setLeaked] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const log = async (event: Made) => {
    if (!answer) return;
    // By what is lifted: how the breath was is reset by the first tap.
    const set = JSON.stringify([asked, repetitions]);
    const at = madeAt(event);
    if (last.current.set === set && at - last.current.at < sameSetMs) return;
    last.current = { set, at };
    const liftId = newId();
    const lift = {
      movementId: answer.movement.id,
      ...(asked.own ? { name: answer.movement.name } : {}),
      hand: answer.movement.pull.hand,
      kg: asked.kg,
      repetitions,
      effort: asked.effort,
      strategy: answer.strategy,
      breath,
      leaked,
    };
    // What comes next begins with nothing said: a slip must not be carried on.
    setBreath('went along');
    setLeaked(false);
    const outcome = await keep('lift.log', { liftId, visitId, lift });
    setError(outcome.state === 'refused' ? outcome.why : null);
  };
  const takeBack = async ({ id, lift }: StoredLift) => {
    const outcome = await keep('lift.takeBack', { liftId: id, visitId });
    if (outcome.state === 'refused') return setError(outcome.why);
    say('Taken out of the log.', () => send('lift.log', { liftId: newId(), visitId, lift }));
  };
  return (
    <section aria-labelledby="log" className="mt-4 border-t border-ink pt-3">
      <h2 id="log" className="text-lg">
        Done
      </h2>
      <div className="mt-1 flex flex-wrap items-end gap-4">
        <ChoiceChips
          label="The breath"
          value={breath}
          choices={liftBreaths.map((value) => ({ value, label: capital(value) }))}
          onChange={setBreath}
        />
        <TickChips
          label="And besides"
          hideLabel
          values={leaked ? ['leaked'] : []}
          choices={[{ value: 'leaked', label: 'Leaked' }]}
          onChange={(next) => setLeaked(next.length > 0)}
        />
        <Button look="strong" disabled={!answer} onClick={(event) => void log(event)}>
          {repetitions === 1 ? 'Log this one' : `Log this set of ${repetitions}`}
        </Button>
      </div>
      {leaked && (
        <p className="mt-2 border-l-4 border-caution pl-3">
          ▲ A leak: stop, step back, lighter. Ask about leaks on Screen.
        </p>
      )}
      {error && (
        <p role="alert" className="mt-2 font-semibold">
          {error}
        </p>
      )}
      {lifts.length > 0 && (
        <ol className="mt-2" reversed>
          {[...lifts].reverse().map((one) => (
            <li key={one.id} className="flex flex-wrap items-center justify-between gap-3 border-t border-rule py-1">
              <span>{liftInWords(one.lift, unit)}</span>
              <Button look="quiet" onClick={() => void takeBack(one)}>
                Take back
                <span className="sr-only">: {liftInWords(one.lift, unit)}</span>
              </Button>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
