'use client';

import { memo } from 'react';
import {
  type LoadAnswer,
  type Movement,
  type WeightUnit,
  farEndOf,
  goesBy,
  humanRange,
  inUnit,
  kgOf,
  mostRepetitions,
  nearestBelow,
  weightInWords,
} from '@/core/load';
import { published } from '@/core/reasons';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Field, TextInput } from '@/parts/Field';
import { ProvenanceMark } from '@/parts/Provenance';
import { LoadRuler } from '@/parts/figures/load/LoadRuler';
import { type Typed, numberOf, weightsAtHand } from './typed';

/** What is other than it is, or how it follows from what it is by now. */
export type Change = (part: Partial<Typed> | ((now: Typed) => Partial<Typed>)) => void;

/** A weight as it is written, in another unit; what is no number stays as it was typed. */
function inOtherUnit(text: string, from: WeightUnit, to: WeightUnit): string {
  const value = numberOf(text);
  return Number.isFinite(value) ? String(Number(inUnit(kgOf(value, from), to).toFixed(1))) : text;
}

const allInOtherUnit = (text: string | undefined, from: WeightUnit, to: WeightUnit) =>
  text?.replace(/[^;,\s]+/g, (one) => inOtherUnit(one, from, to));

function Typing({
  label,
  value,
  width = 'w-28',
  most = 8,
  mode = 'decimal',
  onChange,
}: {
  label: string;
  value: string;
  width?: string;
  most?: number;
  mode?: 'decimal' | 'numeric' | 'text';
  onChange: (value: string) => void;
}) {
  return (
    <div className={width}>
      <Field label={label}>
        {(ids) => (
          <TextInput
            {...ids}
            inputMode={mode}
            maxLength={most}
            value={value}
            onChange={(event) => onChange(event.target.value)}
          />
        )}
      </Field>
    </div>
  );
}

/** The line of pull is dragged many times a second and changes nothing here. */
const sameButForThePull = (a: { typed: Typed; movement: Movement }, b: { typed: Typed; movement: Movement }) =>
  a.movement === b.movement &&
  JSON.stringify({ ...a.typed, toward: null, before: null }) ===
    JSON.stringify({ ...b.typed, toward: null, before: null });

/** How it is loaded: which hand, how heavy, how often or how hard, how far it goes, what is at hand. */
export const Weights = memo(function Weights({
  typed,
  movement,
  change,
}: {
  typed: Typed;
  /** As it is asked about, before it goes less or more far. */
  movement: Movement;
  change: Change;
}) {
  const { unit } = typed;
  const { hand } = movement.pull;
  const oneSided = hand === 'left' || hand === 'right';
  const key = goesBy(movement);
  const two = typed.otherWeight !== undefined && hand === 'both';
  return (
    <div className="flex flex-wrap items-end gap-3">
      {oneSided && (
        <ChoiceChips
          label="Loaded hand"
          value={typed.hand === 'right' ? 'right' : 'left'}
          choices={[
            { value: 'left', label: 'Left' },
            { value: 'right', label: 'Right' },
          ]}
          onChange={(hand) => change((now) => ({ hand, toward: now.toward ? turnedOver(now.toward) : null }))}
        />
      )}
      <Typing
        label={two ? 'Left hand' : 'Weight'}
        width="w-24"
        value={typed.weight}
        onChange={(weight) => change({ weight })}
      />
      {two && (
        <Typing
          label="Right hand"
          width="w-24"
          value={typed.otherWeight ?? ''}
          onChange={(otherWeight) => change({ otherWeight })}
        />
      )}
      <ChoiceChips
        label="Unit"
        hideLabel
        value={unit}
        choices={[
          { value: 'kg', label: 'kg' },
          { value: 'lb', label: 'lb' },
        ]}
        onChange={(next) =>
          change({
            unit: next,
            weight: inOtherUnit(typed.weight, unit, next),
            ...(typed.otherWeight === undefined ? {} : { otherWeight: inOtherUnit(typed.otherWeight, unit, next) }),
            atHand: allInOtherUnit(typed.atHand, unit, next) ?? '',
            most: allInOtherUnit(typed.most, unit, next) ?? '',
            bar: allInOtherUnit(typed.bar, unit, next) ?? '',
          })
        }
      />
      {hand === 'both' && (
        <Button
          look="quiet"
          onClick={() => {
            const { otherWeight: _, ...same } = typed;
            change(two ? { ...same, otherWeight: undefined } : { otherWeight: typed.weight });
          }}
        >
          {two ? 'The same in both hands' : 'Another in each hand'}
        </Button>
      )}
      <Typing
        label="Times possible"
        most={4}
        mode="numeric"
        width="w-32"
        value={typed.repetitions}
        onChange={(repetitions) => change({ repetitions })}
      />
      <Typing label="Most for one lift" width="w-36" value={typed.most ?? ''} onChange={(most) => change({ most })} />
      <Typing
        label="Effort, 0 to 10"
        most={4}
        mode="numeric"
        value={typed.effort}
        onChange={(effort) => change({ effort })}
      />
      {!typed.own && !movement.steady && (
        <Typing
          label={`${farEndName(key)}, ${humanRange[key].unit.trim() || 'part of a reach'}`}
          width="w-48"
          value={typed.farEnd ?? String(farEndOf(movement))}
          onChange={(farEnd) => change({ farEnd })}
        />
      )}
      <Typing
        label={`${typed.plates ? 'One plate of each pair' : 'Weights at hand'}, ${unit}`}
        width="w-44"
        most={80}
        mode="text"
        value={typed.atHand ?? ''}
        onChange={(atHand) => change({ atHand })}
      />
      {typed.plates && (
        <Typing label={`Bar, ${unit}`} width="w-20" value={typed.bar ?? ''} onChange={(bar) => change({ bar })} />
      )}
      <Button look="quiet" onClick={() => change({ plates: !typed.plates })}>
        {typed.plates ? 'Weights as they are' : 'Plates on a bar'}
      </Button>
    </div>
  );
}, sameButForThePull);

/** From the fewest to the most times; where no formula goes further, or more. */
const timesInWords = ({ fewest, most }: { fewest: number; most: number }) =>
  fewest >= mostRepetitions
    ? `${mostRepetitions} times or more`
    : fewest === most
      ? `${most} times`
      : `${fewest} to ${most} times`;

const farEndName = (key: keyof typeof humanRange) =>
  ({
    side: 'Bends to',
    fold: 'Rounds to',
    turn: 'Turns to',
    lean: 'Leans to',
    arm: 'Arm raised to',
    push: 'Hands go to',
    hips: 'Hips go to',
  })[key];

/** The same line of pull for the other hand. */
const turnedOver = (toward: NonNullable<Typed['toward']>): NonNullable<Typed['toward']> => [
  toward[0],
  -toward[1],
  toward[2],
];

const atHandInWords = (most: number, atHand: readonly number[], unit: WeightUnit): string => {
  const found = nearestBelow(most, atHand);
  return found === null ? 'Nothing at hand is that light.' : `At hand: ${weightInWords(found, unit)}.`;
};

/** How much of the most it is, as the formulas have it: a range, never one figure. */
export function HowHeavy({ answer, kg, typed }: { answer: LoadAnswer | null; kg: number; typed: Typed }) {
  if (!answer) return null;
  const { unit } = typed;
  const atHand = weightsAtHand(typed);
  const { oneLift, percent, possible, breathesUpToKg } = answer;
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
  const upTo =
    breathesUpToKg === null
      ? ''
      : `Up to ${figure(breathesUpToKg)} ${unit} the breath goes with the movement. ${atHand.length > 0 ? atHandInWords(breathesUpToKg, atHand, unit) : ''}`;
  if (possible)
    return (
      <div>
        <p>
          This is {percent.low.toFixed(0)} % of the most for one lift
          {answer.strategy !== 'steady' && (
            <>
              : possible some <strong>{timesInWords(possible)}</strong>, as the formulas have it
            </>
          )}
          . {upTo} <ProvenanceMark provenance={published('R3')} />
        </p>
      </div>
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
        {upTo} <ProvenanceMark provenance={published('R3')} />
      </p>
      <LoadRuler answer={answer} kg={kg} unit={unit} />
    </div>
  );
}
