'use client';

import { useState } from 'react';
import { type GirthGo, type LengthUnit, excursionOf, fromCm, lengthInWords, mostGirthCm, toCm } from '@/core/look';
import { Button } from '@/parts/Button';
import { TextInput } from '@/parts/Field';

const mostGoes = 3;
const blank: GirthGo = { exhaleCm: null, inhaleCm: null };

/**
 * Up to three goes of exhale and inhale in the unit of the studio. A larger exhale is asked about, never swapped by itself.
 */
export function Goes({
  label,
  goes,
  unit,
  confirmed = false,
  onChange,
  onConfirm,
}: {
  label: string;
  goes: readonly GirthGo[];
  unit: LengthUnit;
  confirmed?: boolean;
  onChange: (goes: GirthGo[]) => void;
  /** Says that the smaller girth at full inhale was really seen; where it can't be, it is not asked. */
  onConfirm?: (confirmed: boolean) => void;
}) {
  const rows = goes.length < mostGoes ? [...goes, blank] : [...goes];
  const set = (index: number, change: Partial<GirthGo>) => {
    const next = rows.map((go, i) => (i === index ? { ...go, ...change } : go));
    onChange(next.filter((go) => go.exhaleCm !== null || go.inhaleCm !== null));
  };
  const excursion = excursionOf(goes, confirmed);
  return (
    <section aria-label={label} className="space-y-2">
      <table>
        <caption className="sr-only">
          {label}, in {unit}
        </caption>
        <thead>
          <tr className="text-left text-sm text-ink2">
            <th scope="col" className="pr-2 font-normal sm:pr-4">
              Go
            </th>
            <th scope="col" className="pr-2 font-normal">
              Exhale, {unit}
            </th>
            <th scope="col" className="pr-2 font-normal">
              Inhale, {unit}
            </th>
            <th scope="col" className="font-normal">
              Change
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((go, i) => (
            <tr key={i}>
              <th scope="row" className="pr-2 text-left font-normal sm:pr-4">
                {i + 1}
              </th>
              {(['exhaleCm', 'inhaleCm'] as const).map((key) => (
                <td key={key} className="py-1 pr-2">
                  <LengthInput
                    label={`${label}, go ${i + 1}, ${key === 'exhaleCm' ? 'exhale' : 'inhale'}`}
                    cm={go[key]}
                    unit={unit}
                    onChange={(cm) => set(i, { [key]: cm })}
                  />
                </td>
              ))}
              <td className="min-w-14 sm:min-w-20">
                {go.exhaleCm !== null && go.inhaleCm !== null && lengthInWords(go.inhaleCm - go.exhaleCm, unit)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {excursion?.reversed.map((index) => (
        <div key={index} className="flex flex-wrap items-center gap-3" role="alert">
          <p className="border-l-4 border-caution pl-3">
            Go {index + 1}: the exhale is the larger one. Swapped, or really smaller at full inhale?
          </p>
          <Button onClick={() => set(index, { exhaleCm: goes[index]!.inhaleCm, inhaleCm: goes[index]!.exhaleCm })}>
            Swapped: turn them round
          </Button>
          {onConfirm && <Button onClick={() => onConfirm(true)}>Really smaller</Button>}
        </div>
      ))}
      {confirmed && onConfirm && (
        <p className="flex flex-wrap items-center gap-3">
          Smaller at full inhale, as you confirmed.
          <Button look="quiet" onClick={() => onConfirm(false)}>
            Take that back
          </Button>
        </p>
      )}
      {excursion && excursion.goes > 0 && (
        <p role="status">
          <span className="text-2xl font-semibold">{lengthInWords(excursion.meanCm, unit)}</span>{' '}
          {excursion.goes === 1
            ? 'from one go; two more show the spread.'
            : `mean of ${excursion.goes}, give or take ${lengthInWords(excursion.spreadCm!, unit)}.`}
        </p>
      )}
    </section>
  );
}

/** A length typed in the studio's unit; what can't be read stays in the field with a sentence. */
function LengthInput({
  label,
  cm,
  unit,
  onChange,
}: {
  label: string;
  cm: number | null;
  unit: LengthUnit;
  onChange: (cm: number | null) => void;
}) {
  const shown = cm === null ? '' : String(Math.round(fromCm(cm, unit) * 100) / 100);
  const [typed, setTyped] = useState<{ text: string; error: string | null } | null>(null);
  const commit = () => {
    if (typed === null) return;
    const text = typed.text.trim().replace(',', '.');
    const value = Number(text);
    if (text === '') {
      onChange(null);
      setTyped(null);
    } else if (!Number.isFinite(value) || value < 0) {
      setTyped({ ...typed, error: 'Write a plain number, like 92.5.' });
    } else if (toCm(value, unit) > mostGirthCm) {
      setTyped({
        ...typed,
        error: `That is more than ${Math.round(fromCm(mostGirthCm, unit))} ${unit}: check number and unit.`,
      });
    } else {
      onChange(Math.round(toCm(value, unit) * 100) / 100);
      setTyped(null);
    }
  };
  return (
    <span className="block w-24 sm:w-32">
      <TextInput
        aria-label={label}
        inputMode="decimal"
        value={typed?.text ?? shown}
        aria-invalid={typed?.error ? true : undefined}
        onChange={(event: { target: { value: string } }) => setTyped({ text: event.target.value, error: null })}
        onBlur={commit}
        onKeyDown={(event: { key: string }) => event.key === 'Enter' && commit()}
      />
      {typed?.error && (
        <span role="alert" className="block text-sm font-semibold">
          {typed.error}
        </span>
      )}
    </span>
  );
}
