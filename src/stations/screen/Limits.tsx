import { capital } from '@/core/reasons';
import { type Component, type Gate, checkComponents, components, forms, waysOut } from '@/core/safety';
import { ProvenanceMark } from '@/parts/Provenance';
import { type ClientView } from '../view';

/** What the answers mean for today: off, changed, watched, waiting to be asked; each with why. */
export function Limits({ view }: { view: ClientView }) {
  const { gates, watch } = view.gates;
  const of = (level: Gate['level']) => grouped(gates.filter((gate) => gate.level === level));
  const blocks = of('block');
  const waiting = [...new Set(gates.filter(({ level }) => level === 'ask').map(({ component }) => component))].filter(
    (component) => !blocks.some((block) => block.component === component),
  );
  const nothing = blocks.length === 0 && waiting.length === 0 && watch.length === 0 && of('change').length === 0;
  return (
    <section aria-labelledby="limits" className="border-t border-ink pt-4">
      <h2 id="limits" className="text-lg">
        What this means today
      </h2>
      {nothing && <p className="text-ink2">Everything was asked and nothing is off limits.</p>}
      {blocks.length > 0 && (
        <Rows
          title="Off"
          rows={blocks.map(({ component, gates: list }) => ({
            what: components[component],
            ...(waysOut[component] ? { instead: forms[waysOut[component]].says } : {}),
            list,
          }))}
        />
      )}
      {of('change').length > 0 && (
        <Rows
          title="In another form"
          rows={of('change')
            .filter(({ component }) => !blocks.some((block) => block.component === component))
            .map(({ component }) => {
              const { changes, overruled } = checkComponents(view.gates, [component]);
              return {
                what: `${components[component]} → ${[...new Set(changes.map(({ form }) => forms[form!].says))].join('; ')}`,
                overruled: overruled.map(({ gate }) => forms[gate.form!].says),
                list: [...changes],
              };
            })}
        />
      )}
      {waiting.length > 0 && (
        <p className="mt-3">
          <span className="font-semibold">Waiting for answers: </span>
          {waiting.map((component: Component) => components[component]).join(', ')}. They stay off until every question
          that decides them was asked.
        </p>
      )}
      {watch.length > 0 && (
        <p className="mt-3">
          <span className="font-semibold">Watch for: </span>
          {watch.map(({ sign }) => sign).join(', ')}.
        </p>
      )}
      <p className="mt-4 text-sm text-ink2">
        Kokyu is a coaching aid. It diagnoses nothing; local rules and licensed care come first.
      </p>
    </section>
  );
}

function grouped(gates: readonly Gate[]) {
  const byComponent = new Map<Component, Gate[]>();
  for (const gate of gates) byComponent.set(gate.component, [...(byComponent.get(gate.component) ?? []), gate]);
  return [...byComponent].map(([component, list]) => ({ component, gates: list }));
}

interface LimitRow {
  what: string;
  list: Gate[];
  /** The smallest change that would do instead. */
  instead?: string;
  /** Forms another condition asked for, which give way. */
  overruled?: string[];
}

function Rows({ title, rows }: { title: string; rows: LimitRow[] }) {
  return (
    <div className="mt-3">
      <h3 className="text-base">{title}</h3>
      <ul>
        {rows.map(({ what, list, instead, overruled = [] }) => (
          <li key={what} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1.5">
            <span>{capital(what)}</span>
            <span className="text-sm text-ink2">{[...new Set(list.map(({ reason }) => reason.what))].join('; ')}</span>
            <ProvenanceMark provenance={list[0]!.reason.provenance} />
            {instead && <span className="text-sm">Instead: {instead}.</span>}
            {overruled.length > 0 && (
              <span className="text-sm text-ink2">
                Goes before “{overruled.join('”, “')}”: letting go before lifting, protecting before opening.
              </span>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
