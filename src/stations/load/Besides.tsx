'use client';

import { useMemo } from 'react';
import { type LoadAnswer, type LoadAsked, type Movement, breathInWords, findMovement, loadAnswer } from '@/core/load';
import { capital } from '@/core/reasons';
import { type Gates } from '@/core/safety';
import { Button } from '@/parts/Button';
import { Notice } from '@/parts/Notice';
import { LateLoadFigure } from '@/parts/figures/load/LateLoadFigure';

/** Why a movement is off, and the nearest that is not. */
export function Off({ off, choose }: { off: NonNullable<LoadAnswer['off']>; choose: (id: string) => void }) {
  return (
    <div className="mb-3">
      <Notice kind="stop" title={off.why}>
        {off.instead ? (
          <Button className="mt-2" onClick={() => choose(off.instead!.id)}>
            {`${off.instead.name} instead`}
          </Button>
        ) : (
          <p>Nothing near it is allowed today.</p>
        )}
      </Notice>
    </div>
  );
}

/** The same movement with the pull from elsewhere: the answer may turn round. */
export function Beside({
  movement,
  asked,
  gates,
  choose,
}: {
  movement: Movement;
  asked: LoadAsked;
  gates: Gates | null;
  choose: (id: string) => void;
}) {
  const other = movement.beside ? findMovement(movement.beside) : null;
  const answer = useMemo(() => {
    if (!other) return null;
    const oneSided = other.pull.hand === 'left' || other.pull.hand === 'right';
    const hand = oneSided ? (asked.hand === 'right' ? 'right' : 'left') : other.pull.hand;
    return loadAnswer(
      { movementId: other.id, hand, kg: other.startKg, repetitions: null, effort: null, bodyKg: asked.bodyKg },
      gates,
    );
  }, [other, asked, gates]);
  if (!other || !answer) return null;
  return (
    <section aria-labelledby="beside" className="border-rule lg:border-l lg:pl-4">
      <h2 id="beside" className="text-base">
        {other.name}
      </h2>
      <LateLoadFigure
        answer={answer}
        toward={answer.movement.pull.toward}
        title={`${other.name}, seen from the ${other.seen}`}
        className="mx-auto h-69 w-full max-w-44"
      />
      <p className="font-semibold">{capital(breathInWords(answer))}</p>
      <Button look="quiet" onClick={() => choose(other.id)}>
        Look at this one
      </Button>
    </section>
  );
}
