'use client';
import { type Lift, type WeightUnit, liftsOver, strategies, weightInWords } from '@/core/load';

/** Rows of a movement that are shown, the newest first. */
const rowsShown = 6;

/** Load against strategy, a movement at a time: with how much the breath still went along, and from how much on it did not. */
export function UnderLoad({
  lifts,
  weights,
  said,
}: {
  lifts: readonly { day: string; lift: Lift }[];
  weights: WeightUnit;
  said: (day: string) => string;
}) {
  const over = liftsOver(lifts);
  if (over.length === 0) return null;
  return (
    <section aria-labelledby="underload" className="mt-8 border-t border-ink pt-4">
      <h2 id="underload" className="text-lg">
        Under load
      </h2>
      <div className="mt-2 grid gap-x-10 gap-y-6 md:grid-cols-2">
        {over.map(({ movementId, name, sets, wentUpTo, failedFrom }) => (
          <section key={movementId} aria-label={name}>
            <h3 className="text-base">{name}</h3>
            <p>
              {wentUpTo === null
                ? 'The breath never went along yet.'
                : `The breath went along up to ${weightInWords(wentUpTo, weights)}.`}
              {failedFrom !== null && ` Lost, held or leaked from ${weightInWords(failedFrom, weights)} on.`}
            </p>
            <table className="mt-1 w-full text-sm">
              <caption className="sr-only">{name}, sets, newest first</caption>
              <tbody>
                {[...sets]
                  .reverse()
                  .slice(0, rowsShown)
                  .map(({ day, lift }, at) => (
                    <tr key={at} className="border-t border-rule">
                      <th scope="row" className="py-0.5 pr-3 text-left font-normal text-ink2">
                        {said(day)}
                      </th>
                      <td className="py-0.5 pr-3 text-right">
                        {weightInWords(lift.kg, weights)} × {lift.repetitions}
                      </td>
                      <td className="py-0.5 pr-3">{strategies[lift.strategy].name}</td>
                      <td className={`py-0.5 ${lift.breath === 'went along' && !lift.leaked ? '' : 'text-caution'}`}>
                        {lift.breath === 'went along' && !lift.leaked ? '' : '▲ '}
                        {lift.breath}
                        {lift.leaked && ', leaked'}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
            {sets.length > rowsShown && <p className="text-sm text-ink2">{sets.length - rowsShown} earlier ones.</p>}
          </section>
        ))}
      </div>
    </section>
  );
}
