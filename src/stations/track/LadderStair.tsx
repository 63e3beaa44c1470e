'use client';

import { specOf } from '@/core/body';
import { findDrill } from '@/core/catalogue';
import { type Ladder, climbInWords, ladderInWords, rungCriterion } from '@/core/course';
import { capital, commonPractice, often } from '@/core/reasons';
import { dayInWords } from '@/core/record';
import { LinkButton } from '@/parts/Button';
import { ProvenanceMark } from '@/parts/Provenance';
import { LateBody } from '@/parts/figures/body/LateBody';

const rise = 14;
const lowest = 76;

/** From the mat into life as a flight of stairs: what is kept, where somebody is, what lies above; what moved, and why. */
export function LadderStair({ ladder, clientId, today }: { ladder: Ladder; clientId: string; today: string }) {
  const said = (day: string) => dayInWords(day, today);
  const { rungs, current, moved } = ladder;
  const here = rungs[current]!;
  return (
    <section aria-labelledby="ladder" className="mt-8">
      <h2 id="ladder" className="text-lg">
        From the mat into life: {ladderInWords(ladder)}
      </h2>
      <p className="text-ink2">
        Kept by: {rungCriterion(here)}. Twice not: one back. <ProvenanceMark provenance={commonPractice} />
      </p>
      <div
        className="mt-2 overflow-x-auto border-b border-ink"
        tabIndex={0}
        role="group"
        aria-label="The rungs, from the mat up"
      >
        <ol className="flex min-w-200 items-end">
          {rungs.map((rung, at) => {
            const drill = findDrill(rung.drillId)!;
            const on = at === current;
            const state = rung.off ? 'off today' : on ? 'worked on' : at < current ? 'kept' : 'ahead';
            return (
              <li key={rung.drillId} className="flex min-w-0 flex-1 flex-col" aria-current={on ? 'step' : undefined}>
                <LateBody
                  small
                  spec={specOf(drill, drill.positions[0]!)}
                  className={`h-16 w-full ${state === 'ahead' || state === 'off today' ? 'opacity-45' : ''}`}
                />
                <div
                  className={`border-t-4 px-2 pt-1 leading-tight ${
                    state === 'kept'
                      ? 'border-ink bg-leaf'
                      : on
                        ? 'border-inhale bg-leaf'
                        : state === 'off today'
                          ? 'border-caution border-dashed'
                          : 'border-rule'
                  } ${at > 0 ? 'border-l border-l-rule' : ''}`}
                  style={{ height: lowest + at * rise }}
                >
                  <span className={`block ${on ? 'font-semibold' : ''}`}>{capital(rung.name)}</span>
                  <span className={`block text-sm ${state === 'off today' ? 'text-caution' : 'text-ink2'}`}>
                    {state === 'off today' ? '▲ ' : ''}
                    {state}
                    <Tries tries={rung.tries} said={said} />
                  </span>
                </div>
              </li>
            );
          })}
        </ol>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-4">
        <p>
          Now: <strong>{findDrill(here.drillId)!.name}</strong>
        </p>
        <LinkButton href={`/clients/${clientId}/sequence`} look="quiet">
          Put it into a plan in Sequence
        </LinkButton>
      </div>
      {rungs.some(({ off }) => off) && (
        <ul>{rungs.map(({ drillId, name, off }) => off && <li key={drillId}>▲ {`${capital(name)}: ${off}`}</li>)}</ul>
      )}
      {moved.length > 0 && (
        <ol className="mt-1">
          {[...moved]
            .reverse()
            .slice(0, mostTold)
            .map((one) => (
              <li
                key={`${one.day} ${one.from} ${one.to}`}
                className={`border-b border-rule py-1.5 ${one.why ? 'text-caution' : ''}`}
              >
                {one.why && '▲ '}
                {climbInWords(ladder, one, said)}
              </li>
            ))}
        </ol>
      )}
    </section>
  );
}

/** Moves that are told, the newest first. */
const mostTold = 6;

function Tries({ tries, said }: { tries: Ladder['rungs'][number]['tries']; said: (day: string) => string }) {
  if (tries.length === 0) return null;
  const last = tries.at(-1)!;
  return (
    <>
      {', '}
      {`tried ${often(tries.length)}`}
      <span className="sr-only">{`, last on ${said(last.day)}: ${last.kept ? 'kept' : `not kept, ${last.why}`}`}</span>
    </>
  );
}
