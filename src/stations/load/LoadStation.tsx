'use client';

import dynamic from 'next/dynamic';
import { type ReactNode, memo, useCallback, useEffect, useRef } from 'react';
import {
  type DrillLoad,
  type LoadAnswer,
  type Movement,
  type StoredLift,
  type WeightUnit,
  breathInWords,
  drillLoadOf,
  findMovement,
  loadAnswer,
  loadFaults,
  loadMovements,
  partInWords,
  usualSet,
  weightInWords,
} from '@/core/load';
import { type Gates } from '@/core/safety';
import { Button } from '@/parts/Button';
import { NamedSelect } from '@/parts/Field';
import { LateLoadFigure } from '@/parts/figures/load/LateLoadFigure';
import { RepetitionLanes } from '@/parts/figures/load/RepetitionLanes';
import { ListeningFieldset } from '@/parts/ListeningFieldset';
import { patiently } from '@/parts/patiently';
import { useKeptValue } from '@/parts/useKept';
import { StationHead } from '../StationHead';
import { Beside, Off } from './Besides';
import { LiftLog } from './LiftLog';
import { OwnMovement } from './OwnMovement';
import { Reasons } from './Reasons';
import { Sets } from './Sets';
import { type Kept, type Typed, askedOf, begin, describe, movementAsked } from './typed';
import { type Change, HowHeavy, Weights } from './Weights';

const KeepAsDrill = memo(
  dynamic(() => patiently(() => import('./KeepAsDrill')).then(({ KeepAsDrill }) => KeepAsDrill), {
    loading: () => <div className="min-h-11" />,
  }),
);

/** Breath under load: a movement, how it is loaded, and when to breathe in it; the line of pull can be turned, and the answer follows. */
export function LoadStation({
  keepAs,
  weights,
  gates,
  cautions,
  log = null,
  intoPlan = null,
}: {
  /** What is typed is kept in this browser under it. */
  keepAs: string;
  /** What a weight is typed in until another unit is chosen here. */
  weights: WeightUnit;
  /** Of a client; null in the catalogue, where nobody is asked about. */
  gates: Gates | null;
  /** What stands against them, in words. */
  cautions: string | null;
  /** Of today's visit: where sets are logged; null where nobody is coached. */
  log?: { visitId: string; lifts: readonly StoredLift[] } | null;
  /** Puts the set as it stands into a plan; without it there is none to put it into. */
  intoPlan?: ((load: DrillLoad | null, sets: number, times: number) => ReactNode) | null;
}) {
  const [kept, remember] = useKeptValue<Kept>(`kokyu.load.${keepAs}`);
  const typed: Typed = kept && findMovement(kept.movementId) ? kept : begin(findMovement('side-bend')!, weights);
  const told = movementAsked(typed);
  const latest = useRef({ kept, typed, remember });
  useEffect(() => {
    latest.current = { kept, typed, remember };
  });
  const change = useCallback<Change>((part) => {
    const { kept: all, typed: now, remember: put } = latest.current;
    put({ ...all, ...now, ...(typeof part === 'function' ? part(now) : part) });
  }, []);
  const choose = (id: string) => {
    const next = findMovement(id);
    if (!next || id === typed.movementId) return;
    // What was typed for another movement is there again when it is chosen again.
    const { before = {}, ...now }: Kept = kept ?? typed;
    const known = before[id];
    const { unit, atHand = '', plates = false, bar = '' } = typed;
    remember({
      ...(known?.unit === unit ? known : begin(next, unit)),
      atHand,
      plates,
      bar,
      before: { ...before, [typed.movementId]: now },
    });
  };
  const asked = askedOf(typed);
  const faults = loadFaults(asked);
  const answer = faults.length === 0 ? loadAnswer(asked, gates) : null;
  // What can't be answered as it is typed leaves the figure of the library's movement standing.
  const shown = answer ?? loadAnswer(askedOf(begin(findMovement(typed.movementId)!)), gates);
  const { movement } = shown;
  const oneSided = told.pull.hand === 'left' || told.pull.hand === 'right';
  const load = answer && drillLoadOf(asked, answer, typed.unit);
  const usual = usualSet(shown, asked);
  const chosen = typed.chosen?.[shown.strategy];
  const sets = chosen?.sets ?? usual.sets;
  const times = Math.min(usual.most, chosen?.times ?? usual.repetitions);
  const chooseSets = (part: { sets?: number; times?: number }) =>
    change(({ chosen: all }) => ({ chosen: { ...all, [shown.strategy]: { ...all?.[shown.strategy], ...part } } }));
  return (
    // What was typed last time would stand over what is chosen before the page listens, too.
    <ListeningFieldset className="min-w-0">
      <legend className="sr-only">Breath under load</legend>
      <StationHead
        title={`${told.name}: ${shown.off ? 'not today' : breathInWords(shown)}`}
        line={cautions ? `Held against what was told: ${cautions}.` : 'The pull decides, not the look of it.'}
      >
        <div className="flex flex-wrap items-end gap-3">
          <NamedSelect
            label="Movement"
            value={typed.movementId}
            choices={loadMovements.map(({ id, name }) => [id, name])}
            onChange={(id) => id && choose(id)}
          />
          {!typed.own && (
            <Button onClick={() => change({ own: describe(told, `own-${typed.movementId}`), farEnd: '' })}>
              Describe your own from this one
            </Button>
          )}
        </div>
      </StationHead>
      {faults.map((fault) => (
        <p key={fault} role="alert" className="mb-2 font-semibold">
          {fault}
        </p>
      ))}
      {typed.own && (
        <OwnMovement
          own={typed.own}
          change={(own) => change({ own })}
          onLeave={() => change({ own: null, toward: null })}
        />
      )}
      {shown.off && <Off off={shown.off} choose={choose} />}
      {!shown.off && (
        <>
          <div className="grid gap-6 border-t border-ink pt-3 lg:grid-cols-[20rem_minmax(0,1fr)_15rem]">
            <figure>
              <LateLoadFigure
                answer={shown}
                toward={asked.toward ?? movement.pull.toward}
                {...(movement.pull.hand === 'none' ? {} : { onTurn: (toward) => change({ toward }) })}
                title={`${told.name}, seen from the ${movement.seen}`}
                className="mx-auto h-108 w-full max-w-80"
              />
              <figcaption className="text-sm text-ink2">{captionOf(shown.parts[0]!, movement)}</figcaption>
            </figure>
            <div>
              <h2 className="text-lg">One repetition{asked.kg > 0 ? ` at ${weightWords(typed)}` : ''}</h2>
              <RepetitionLanes beats={shown.beats} parts={shown.parts} />
              <ul className="mt-1">
                {shown.strategy === 'steady' ? (
                  <li>{steadyInWords(shown.parts[0]!)}</li>
                ) : (
                  shown.parts.map((part, at) => <li key={at}>{partInWords(part)}</li>)
                )}
              </ul>
              <div className="mt-2 flex flex-wrap gap-2">
                {asked.toward && <Button onClick={() => change({ toward: null })}>Pull as the movement has it</Button>}
              </div>
            </div>
            {!typed.own && <Beside movement={told} asked={asked} gates={gates} choose={choose} />}
          </div>
          <section aria-label="How heavy" className="mt-4 grid gap-y-3 border-t border-ink pt-3">
            <Weights typed={typed} movement={told} change={change} />
            <HowHeavy answer={answer} kg={asked.kg} typed={typed} />
          </section>
          <Sets answer={shown} usual={usual} sets={sets} times={times} onChange={chooseSets} oneSided={oneSided} />
          <div className="mt-3 flex flex-wrap items-start gap-4">
            {intoPlan?.(load, sets, times)}
            {answer?.tooHeavy && (
              <p className="self-center">
                {load
                  ? `Planned and kept at ${weightInWords(load.kg, typed.unit)}: no held breath.`
                  : 'Too heavy without a held breath: say how often it can be lifted, or take less.'}
              </p>
            )}
            <KeepAsDrill load={load} />
          </div>
          {log && (
            <LiftLog
              {...log}
              unit={typed.unit}
              answer={answer}
              asked={asked}
              repetitions={shown.strategy === 'steady' ? 1 : times}
            />
          )}
          <Reasons answer={shown} unit={typed.unit} />
        </>
      )}
    </ListeningFieldset>
  );
}

/** What holds where nothing repeats. */
const steadyInWords = ({ side }: LoadAnswer['parts'][number]) =>
  side === null
    ? 'Both sides hold alike; the breath stays small and goes on.'
    : `The ${side} side holds more than the other; the breath stays small and goes on.`;

const weightWords = ({ weight, otherWeight, unit }: Typed) =>
  otherWeight === undefined ? `${weight} ${unit}` : `${weight} and ${otherWeight} ${unit}`;

/** What the figure shows, in words: what closes or opens, and what can be turned. */
function captionOf({ ribs, why, side }: LoadAnswer['parts'][number], { pull, parts }: Movement): string {
  const what = why === 'side' && side ? `the ${side} ribs` : 'the front of the trunk';
  const tinted =
    ribs === 'still' ? 'Ribs neither close nor open.' : `${ribs === 'close' ? 'Hatched' : 'Teal'}: ${what} ${ribs}.`;
  const turn = pull.hand === 'none' ? '' : ' Drag the handle, or use the arrow keys, to turn the line of pull.';
  return `At the end of “${parts[0]!.name}”; pale, where it comes from. ${tinted}${turn}`;
}
