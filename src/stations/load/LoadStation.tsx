'use client';

import { useMemo } from 'react';
import {
  type LoadAnswer,
  type LoadAsked,
  type Movement,
  type StoredLift,
  type WeightUnit,
  breathInWords,
  findMovement,
  inUnit,
  kgOf,
  loadAnswer,
  loadFaults,
  loadMovements,
  mostInSet,
  nearestBelow,
  partInWords,
  setTotals,
  strategies,
} from '@/core/load';
import { durationInWords } from '@/core/dose';
import { capital, commonPractice, published } from '@/core/reasons';
import { type Gates } from '@/core/safety';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Field, NamedSelect, TextInput } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Stepper } from '@/parts/Stepper';
import { ProvenanceMark } from '@/parts/Provenance';
import { LateLoadFigure } from '@/parts/figures/load/LateLoadFigure';
import { LoadRuler } from '@/parts/figures/load/LoadRuler';
import { RepetitionLanes } from '@/parts/figures/load/RepetitionLanes';
import { useHydrated } from '@/parts/useHydrated';
import { useKeptValue } from '@/parts/useKept';
import { StationHead } from '../StationHead';
import { LiftLog } from './LiftLog';

/** What is typed and turned, as it is typed: a number half written stays as it is. */
interface Typed {
  movementId: string;
  hand: LoadAsked['hand'];
  toward: LoadAsked['toward'];
  weight: string;
  unit: WeightUnit;
  repetitions: string;
  effort: string;
  /** Weights at hand, as they are written: "4, 8, 12". */
  atHand?: string;
  sets?: number;
  times?: number;
}

const begin = (movement: Movement, unit: WeightUnit = 'kg'): Typed => ({
  movementId: movement.id,
  hand: movement.pull.hand,
  toward: null,
  weight: movement.startKg === 0 ? '0' : String(Math.round(inUnit(movement.startKg, unit))),
  unit,
  repetitions: '',
  effort: '',
});

const numberOf = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
const numberOrNull = (text: string): number | null => (text.trim() === '' ? null : numberOf(text));

/** Whose weight is not known is taken for an ordinary one: it decides which part is the effort, not how much. */
const ordinaryBodyKg = 70;

const askedOf = ({ movementId, hand, toward, weight, unit, repetitions, effort }: Typed): LoadAsked => ({
  movementId,
  hand,
  toward: toward ?? null,
  kg: kgOf(numberOf(weight), unit),
  repetitions: numberOrNull(repetitions),
  effort: numberOrNull(effort),
  bodyKg: ordinaryBodyKg,
});

/** Breath under load: a movement, how it is loaded, and when to breathe in it; the line of pull can be turned, and the answer follows. */
export function LoadStation({
  keepAs,
  gates,
  cautions,
  log = null,
}: {
  /** What is typed is kept in this browser under it. */
  keepAs: string;
  /** Of a client; null in the catalogue, where nobody is asked about. */
  gates: Gates | null;
  /** What stands against them, in words. */
  cautions: string | null;
  /** Of today's visit: where sets are logged; null where nobody is coached. */
  log?: { visitId: string; lifts: readonly StoredLift[] } | null;
}) {
  const [kept, remember] = useKeptValue<Typed>(`kokyu.load.${keepAs}`);
  const first = findMovement('side-bend')!;
  const typed = kept && findMovement(kept.movementId) ? kept : begin(first);
  const movement = findMovement(typed.movementId)!;
  const change = (part: Partial<Typed>) => remember({ ...typed, ...part });
  const choose = (id: string) => {
    const next = findMovement(id);
    if (next) remember({ ...begin(next, typed.unit), atHand: typed.atHand ?? '' });
  };
  const asked = askedOf(typed);
  const faults = loadFaults(asked);
  const answer = faults.length === 0 ? loadAnswer(asked, gates) : null;
  // What can't be answered as it is typed leaves the figure of the movement standing.
  const shown = answer ?? loadAnswer({ ...askedOf(begin(movement)), hand: movement.pull.hand, toward: null }, gates);
  const oneSided = movement.pull.hand === 'left' || movement.pull.hand === 'right';
  // What is chosen before the page listens would be lost, and what was typed last time stand over it: nothing can be chosen until then.
  const listening = useHydrated();
  return (
    <fieldset disabled={!listening} className="min-w-0">
      <legend className="sr-only">Breath under load</legend>
      <StationHead
        title={`${movement.name}: ${shown.off ? 'not today' : breathInWords(shown)}`}
        line={cautions ? `Held against what was told: ${cautions}.` : 'The pull decides, not the look of it.'}
      >
        <NamedSelect
          label="Movement"
          value={movement.id}
          choices={loadMovements.map(({ id, name }) => [id, name])}
          onChange={(id) => id && choose(id)}
        />
      </StationHead>
      {faults.map((fault) => (
        <p key={fault} role="alert" className="mb-2 font-semibold">
          {fault}
        </p>
      ))}
      {shown.off && <Off off={shown.off} choose={choose} />}
      {!shown.off && (
        <>
          <div className="grid gap-6 border-t border-ink pt-3 lg:grid-cols-[20rem_minmax(0,1fr)_15rem]">
            <figure>
              <LateLoadFigure
                answer={shown}
                toward={asked.toward ?? shown.movement.pull.toward}
                {...(movement.pull.hand === 'none' ? {} : { onTurn: (toward) => change({ toward }) })}
                title={`${movement.name}, seen from the ${movement.seen}`}
                className="mx-auto min-h-96 w-full max-w-80"
              />
              <figcaption className="text-sm text-ink2">{captionOf(shown.parts[0]!, movement)}</figcaption>
            </figure>
            <div>
              <h2 className="text-lg">One repetition{asked.kg > 0 ? ` at ${typed.weight} ${typed.unit}` : ''}</h2>
              <RepetitionLanes beats={shown.beats} />
              <ul className="mt-1">
                {shown.parts.map((part) => (
                  <li key={part.name}>{partInWords(part)}</li>
                ))}
              </ul>
              <div className="mt-2 flex flex-wrap gap-2">
                {asked.toward && <Button onClick={() => change({ toward: null })}>Pull as the movement has it</Button>}
              </div>
            </div>
            <Beside movement={movement} asked={asked} gates={gates} choose={choose} />
          </div>
          <section
            aria-label="How heavy"
            className="mt-4 grid gap-x-8 gap-y-3 border-t border-ink pt-3 lg:grid-cols-[20rem_minmax(0,1fr)]"
          >
            <div className="flex flex-wrap items-end gap-3">
              {oneSided && (
                <ChoiceChips
                  label="Loaded hand"
                  value={typed.hand === 'right' ? 'right' : 'left'}
                  choices={[
                    { value: 'left', label: 'Left' },
                    { value: 'right', label: 'Right' },
                  ]}
                  onChange={(hand) => change({ hand, toward: typed.toward ? turnedOver(typed.toward) : null })}
                />
              )}
              <div className="w-24">
                <Field label="Weight">
                  {(ids) => (
                    <TextInput
                      {...ids}
                      inputMode="decimal"
                      maxLength={8}
                      value={typed.weight}
                      onChange={(event) => change({ weight: event.target.value })}
                    />
                  )}
                </Field>
              </div>
              <ChoiceChips
                label="Unit"
                hideLabel
                value={typed.unit}
                choices={[
                  { value: 'kg', label: 'kg' },
                  { value: 'lb', label: 'lb' },
                ]}
                onChange={(unit) =>
                  change({
                    unit,
                    weight: inOtherUnit(typed.weight, typed.unit, unit),
                    atHand: (typed.atHand ?? '').replace(/[^;,\s]+/g, (one) => inOtherUnit(one, typed.unit, unit)),
                  })
                }
              />
              <div className="w-32">
                <Field label="Times possible">
                  {(ids) => (
                    <TextInput
                      {...ids}
                      inputMode="numeric"
                      maxLength={4}
                      value={typed.repetitions}
                      onChange={(event) => change({ repetitions: event.target.value })}
                    />
                  )}
                </Field>
              </div>
              <div className="w-40">
                <Field label={`Weights at hand, ${typed.unit}`}>
                  {(ids) => (
                    <TextInput
                      {...ids}
                      inputMode="text"
                      maxLength={80}
                      value={typed.atHand ?? ''}
                      onChange={(event) => change({ atHand: event.target.value })}
                    />
                  )}
                </Field>
              </div>
              <div className="w-28">
                <Field label="Effort, 0 to 10">
                  {(ids) => (
                    <TextInput
                      {...ids}
                      inputMode="numeric"
                      maxLength={4}
                      value={typed.effort}
                      onChange={(event) => change({ effort: event.target.value })}
                    />
                  )}
                </Field>
              </div>
            </div>
            <HowHeavy
              answer={answer}
              kg={asked.kg}
              unit={typed.unit}
              atHand={weightsOf(typed.atHand ?? '', typed.unit)}
            />
          </section>
          <Sets answer={shown} typed={typed} change={change} oneSided={oneSided} />
          {log && (
            <LiftLog
              {...log}
              answer={answer}
              asked={asked}
              repetitions={shown.strategy === 'steady' ? 1 : (typed.times ?? lightSet)}
            />
          )}
          <Reasons answer={shown} unit={typed.unit} />
        </>
      )}
    </fieldset>
  );
}

/** What the figure shows, in words: what closes or opens, and what can be turned. */
function captionOf({ ribs, why, side }: LoadAnswer['parts'][number], { pull, parts }: Movement): string {
  const what = why === 'side' && side ? `the ${side} ribs` : 'the front of the trunk';
  const tinted =
    ribs === 'still' ? 'Ribs neither close nor open.' : `${ribs === 'close' ? 'Hatched' : 'Teal'}: ${what} ${ribs}.`;
  const turn = pull.hand === 'none' ? '' : ' Drag the handle, or use the arrow keys, to turn the line of pull.';
  return `At the end of “${parts[0]!.name}”; pale, where it comes from. ${tinted}${turn}`;
}

/** A weight as it is written, in another unit; what is no number stays as it was typed. */
function inOtherUnit(text: string, from: WeightUnit, to: WeightUnit): string {
  const value = numberOf(text);
  return Number.isFinite(value) ? String(Number(inUnit(kgOf(value, from), to).toFixed(1))) : text;
}

/** The same line of pull for the other hand. */
const turnedOver = (toward: NonNullable<LoadAsked['toward']>): NonNullable<LoadAsked['toward']> => [
  toward[0],
  -toward[1],
  toward[2],
];

function Off({ off, choose }: { off: NonNullable<LoadAnswer['off']>; choose: (id: string) => void }) {
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
function Beside({
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
      { ...asked, movementId: other.id, hand, toward: null, kg: other.startKg, repetitions: null, effort: null },
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
        className="mx-auto min-h-48 w-full max-w-44"
      />
      <p className="font-semibold">{capital(breathInWords(answer))}</p>
      <Button look="quiet" onClick={() => choose(other.id)}>
        Look at this one
      </Button>
    </section>
  );
}

const atHandInWords = (most: number, atHand: readonly number[], unit: WeightUnit): string => {
  const found = nearestBelow(most, atHand);
  return found === null
    ? 'Nothing at hand is that light.'
    : `At hand: ${Number(inUnit(found, unit).toFixed(1))} ${unit}.`;
};

/** Numbers written one after the other, in kg; what is no number is passed over. */
const weightsOf = (text: string, unit: WeightUnit): number[] =>
  text
    .split(/[;,\s]+/)
    .map(Number)
    .filter((one) => Number.isFinite(one) && one > 0)
    .map((one) => kgOf(one, unit));

/** What is done: sets and repetitions, and what they come to. */
function Sets({
  answer,
  typed,
  change,
  oneSided,
}: {
  answer: LoadAnswer;
  typed: Typed;
  change: (part: Partial<Typed>) => void;
  oneSided: boolean;
}) {
  const [sets, times] = [typed.sets ?? 1, typed.times ?? lightSet];
  if (answer.strategy === 'steady') return null;
  const { repetitions, breaths, underTension, seconds } = setTotals(answer, {
    sets,
    repetitions: times,
    sides: oneSided ? 2 : 1,
    restSeconds,
  });
  return (
    <section aria-label="Sets" className="mt-4 flex flex-wrap items-end gap-4 border-t border-rule pt-3">
      <Stepper label="Sets" value={sets} min={1} max={10} onChange={(next) => change({ sets: next })} />
      <Stepper
        label={oneSided ? 'Repetitions a side' : 'Repetitions'}
        value={times}
        min={1}
        max={mostInSet}
        onChange={(next) => change({ times: next })}
      />
      <p className="pb-2">
        <strong>{repetitions} repetitions</strong>, {breaths} breaths, {durationInWords(underTension)} under tension,{' '}
        {durationInWords(seconds)} in all.{' '}
        <span className="text-ink2">
          Timing is learnt in sets of 20 to 25 light ones. <ProvenanceMark provenance={commonPractice} />
        </span>
      </p>
    </section>
  );
}
/** Where timing is learnt. Common practice: 20 to 25 light repetitions. */
const lightSet = 20;
/** Between two sets and sides. Ours. */
const restSeconds = 60;

function HowHeavy({
  answer,
  kg,
  unit,
  atHand,
}: {
  answer: LoadAnswer | null;
  kg: number;
  unit: WeightUnit;
  atHand: readonly number[];
}) {
  if (!answer) return null;
  const { oneLift, percent, breathesUpToKg } = answer;
  const figure = (value: number) => inUnit(value, unit).toFixed(1);
  if (!oneLift && percent)
    return (
      <p>
        This is {percent.low.toFixed(0)} to {percent.high.toFixed(0)} % of the most they could lift.{' '}
        <ProvenanceMark provenance={published('R3')} />
      </p>
    );
  if (!oneLift || !percent)
    return (
      <p className="text-ink2">
        Say how often this can be lifted, or how hard it is, and how much of the most it is follows. Without either it
        is taken as light.
      </p>
    );
  const range = (low: number, high: number, say: (value: number) => string) =>
    say(low) === say(high) ? say(low) : `${say(low)} to ${say(high)}`;
  return (
    <div>
      <p>
        The most for one lift:{' '}
        <strong>
          {range(oneLift.low, oneLift.high, figure)} {unit}
        </strong>
        , as the formulas have it; this is {range(percent.low, percent.high, (value) => value.toFixed(0))} % of it.{' '}
        {oneLift.poor && 'Above twelve repetitions they part ways and are poor. '}
        {breathesUpToKg !== null && `Up to ${figure(breathesUpToKg)} ${unit} the breath goes with the movement. `}
        {breathesUpToKg !== null && atHand.length > 0 && `${atHandInWords(breathesUpToKg, atHand, unit)} `}
        <ProvenanceMark provenance={published('R3')} />
      </p>
      <LoadRuler answer={answer} kg={kg} unit={unit} />
    </div>
  );
}

function Reasons({ answer, unit }: { answer: LoadAnswer; unit: WeightUnit }) {
  const { strategy, stiffness, nearBorder, cautions, tooHeavy, breathesUpToKg, movement } = answer;
  const { name, says, air, pulse } = strategies[strategy];
  return (
    <>
      <div className="mt-4 grid gap-6 border-t border-rule pt-3 md:grid-cols-3">
        <section>
          <h2 className="text-base">
            At this load <ProvenanceMark provenance={commonPractice} />
          </h2>
          <p>
            {capital(name)}: {says}
            {nearBorder && ' The border lies within what is said of this load: try both.'}
          </p>
        </section>
        <section>
          <h2 className="text-base">How much</h2>
          <p>
            {capital(air)}; about {stiffness} % of the stiffness they can make,{' '}
            {pulse ? 'coming and going with the repetition' : 'kept evenly'}. Works: {movement.works}.
          </p>
        </section>
        <section>
          <h2 className="text-base">
            Common mistake <ProvenanceMark provenance={commonPractice} />
          </h2>
          <p>{movement.mistake}</p>
        </section>
      </div>
      {cautions.map(({ what, why }) => (
        <p key={what} role="status" className="mt-3 border-l-4 border-caution pl-3">
          <strong>▲ {capital(what)}</strong>, because of {why}.
          {tooHeavy &&
            what === 'no held breath' &&
            (breathesUpToKg === null
              ? ' Lighter, until the breath goes with the movement.'
              : ` Go down to ${inUnit(breathesUpToKg, unit).toFixed(1)} ${unit} or less: then the breath goes with the movement.`)}
        </p>
      ))}
    </>
  );
}
