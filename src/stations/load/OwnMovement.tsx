'use client';

import { groundIds, handsLoaded, humanRange } from '@/core/load';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { Field, NamedSelect, TextInput } from '@/parts/Field';
import { type StanceKey, type TypedMovement } from './typed';

const grounds: Readonly<Record<(typeof groundIds)[number], string>> = {
  feet: 'both feet',
  seat: 'a seat',
  hands: 'hands and feet',
  back: 'lying on the back',
  step: 'a step',
  split: 'one foot ahead',
};
const hands: Readonly<Record<(typeof handsLoaded)[number], string>> = {
  left: 'left hand',
  right: 'right hand',
  both: 'both hands',
  none: 'nothing: own weight',
};
/** Lines of pull by name; any other is turned on the figure. */
const pulls: readonly (readonly [string, string, TypedMovement['toward']])[] = [
  ['down', 'down: a weight', [0, 0, -1]],
  ['above', 'from above', [0, 0, 1]],
  ['front', 'from in front', [1, 0, 0]],
  ['behind', 'from behind', [-1, 0, 0]],
  ['left', 'from the left', [0, 1, 0]],
  ['right', 'from the right', [0, -1, 0]],
];

const columns: readonly (readonly [StanceKey, string])[] = [
  ['side', 'Side bend, left +'],
  ['fold', 'Rounding +, arch −'],
  ['turn', 'Turn, left +'],
  ['lean', 'Lean from the hips'],
  ['arm', 'Arm raised'],
  ['push', 'Hands pushed out'],
  ['hips', 'Height of the hips'],
];

/** Most parts of a movement of one's own. */
const mostParts = 4;

/** A movement told as how the body stands: where it begins, and where each part of it ends. The figure and the answer follow. */
export function OwnMovement({
  own,
  change,
  onLeave,
}: {
  own: TypedMovement;
  change: (own: TypedMovement) => void;
  onLeave: () => void;
}) {
  const set = (part: Partial<TypedMovement>) => change({ ...own, ...part });
  const setPart = (at: number, part: Partial<TypedMovement['parts'][number]>) =>
    set({ parts: own.parts.map((one, place) => (place === at ? { ...one, ...part } : one)) });
  const pull = pulls.find(([, , toward]) => toward.every((value, axis) => value === own.toward[axis]))?.[0] ?? 'turned';
  const rows = [
    { name: 'Begins', to: own.start, put: (start: TypedMovement['start']) => set({ start }), part: null },
    ...own.parts.map((part, at) => ({
      name: part.name,
      to: part.to,
      put: (to: TypedMovement['start']) => setPart(at, { to }),
      part: at,
    })),
  ];
  return (
    <section aria-labelledby="own" className="mb-4 border-t border-ink pt-3">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="own" className="text-lg">
          A movement of your own
        </h2>
        <Button look="quiet" onClick={onLeave}>
          Back to the library
        </Button>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-64">
          <Field label="What it is called">
            {(ids) => (
              <TextInput
                {...ids}
                maxLength={60}
                value={own.name}
                onChange={(event) => set({ name: event.target.value })}
              />
            )}
          </Field>
        </div>
        <NamedSelect
          label="Carried by"
          value={own.ground}
          choices={groundIds.map((id) => [id, grounds[id]] as const)}
          onChange={(ground) => ground && set({ ground })}
        />
        <NamedSelect
          label="Loaded"
          value={own.hand}
          choices={handsLoaded.map((id) => [id, hands[id]] as const)}
          onChange={(hand) => hand && set({ hand })}
        />
        <NamedSelect
          label="Drawn"
          value={pull}
          choices={[
            ...pulls.map(([id, name]) => [id, name] as const),
            ...(pull === 'turned' ? ([['turned', 'as it was turned']] as const) : []),
          ]}
          onChange={(id) => {
            const found = pulls.find(([own_]) => own_ === id);
            if (found) set({ toward: found[2] });
          }}
        />
        <ChoiceChips
          label="Seen from the"
          value={own.seen}
          choices={[
            { value: 'front', label: 'Front' },
            { value: 'side', label: 'Side' },
          ]}
          onChange={(seen) => set({ seen })}
        />
      </div>
      <div className="mt-2 overflow-x-auto">
        <table className="w-full min-w-180 text-left">
          <thead>
            <tr className="align-bottom text-sm text-ink2">
              <th scope="col" className="py-1 font-normal">
                How the body stands
              </th>
              <th scope="col" className="font-normal">
                Seconds
              </th>
              {columns.map(([key, name]) => (
                <th key={key} scope="col" className="pr-2 font-normal">
                  {name}
                  {humanRange[key].unit && `, ${humanRange[key].unit.trim()}`}
                </th>
              ))}
              <td />
            </tr>
          </thead>
          <tbody>
            {rows.map(({ name, to, put, part }, row) => (
              <tr key={row} className="border-t border-rule">
                <th scope="row" className="py-1 pr-2 font-normal">
                  {part === null ? (
                    'Begins'
                  ) : (
                    <TextInput
                      aria-label={`Part ${part + 1}: its word`}
                      maxLength={40}
                      value={name}
                      onChange={(event) => setPart(part, { name: event.target.value })}
                    />
                  )}
                </th>
                <td className="w-20 pr-2">
                  {part !== null && (
                    <TextInput
                      aria-label={`Part ${part + 1}: seconds`}
                      inputMode="decimal"
                      maxLength={5}
                      value={own.parts[part]!.seconds}
                      onChange={(event) => setPart(part, { seconds: event.target.value })}
                    />
                  )}
                </td>
                {columns.map(([key, column]) => (
                  <td key={key} className="w-24 pr-2">
                    <TextInput
                      aria-label={`${part === null ? 'Begins' : `Part ${part + 1}`}: ${column}`}
                      inputMode="text"
                      maxLength={6}
                      value={to[key]}
                      onChange={(event) => put({ ...to, [key]: event.target.value })}
                    />
                  </td>
                ))}
                <td className="w-24">
                  {part !== null && own.parts.length > 1 && (
                    <Button look="quiet" onClick={() => set({ parts: own.parts.filter((_, place) => place !== part) })}>
                      Take out
                      <span className="sr-only">: part {part + 1}</span>
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {own.parts.length < mostParts && (
        <Button
          look="quiet"
          onClick={() =>
            set({ parts: [...own.parts, { name: `part ${own.parts.length + 1}`, seconds: '2', to: { ...own.start } }] })
          }
        >
          One part more
        </Button>
      )}
    </section>
  );
}
