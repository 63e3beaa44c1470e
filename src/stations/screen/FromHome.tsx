'use client';

import { Suspense, lazy, memo, useState } from 'react';
import { type HomePlan, type HomeReturn, type Withdrawn, readCode, toldInWords } from '@/core/home';
import { type Payload, saidSince } from '@/core/record';
import { newId, useKeep, useSaid } from '@/keep';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';
import { patiently } from '@/parts/patiently';
import { useKept } from '@/parts/useKept';
import { type ClientView } from '../view';
import { WithdrawnNotices } from './WithdrawnNotices';

// What is pressed in this page takes things back at once. That is read with the drills at hand, which weigh as much as the rest of the
// page; until they have come, what the server found stands in the same place.
const WithdrawnNow = memo(
  lazy(() => patiently(() => import('./WithdrawnNow')).then(({ WithdrawnNow }) => ({ default: WithdrawnNow }))),
);

/** What came back from home: the code of the phone page, what it tells, and what of it a caution takes back now. */
export function FromHome({
  visitId,
  plan,
  withdrawn,
  returned,
  view,
}: {
  visitId: string;
  plan: HomePlan;
  withdrawn: readonly Withdrawn[];
  returned: readonly HomeReturn[];
  view: ClientView;
}) {
  const keep = useKeep();
  const said = useSaid();
  const [typed, type] = useKept(`kokyu.code.${visitId}`);
  const [error, setError] = useState<string | null>(null);
  const justNow = saidSince(said, view.asOf).flatMap(({ kind, payload }) => {
    if (kind !== 'home.returned') return [];
    const { visitId: of, code } = payload as Payload<'home.returned'>;
    const read = of === visitId ? readCode(code, visitId, plan.items.length) : null;
    return read?.ok ? [read.told] : [];
  });
  const newest = justNow.at(-1) ?? returned.at(-1) ?? null;

  const take = async () => {
    const read = readCode(typed, visitId, plan.items.length);
    setError(read.ok ? null : read.why);
    if (!read.ok) return;
    const outcome = await keep('home.returned', { returnId: newId(), visitId, code: typed });
    if (outcome.state === 'refused') setError(outcome.why);
    else type('');
  };

  return (
    <div className="mt-2 space-y-2">
      <Suspense fallback={<WithdrawnNotices withdrawn={withdrawn} />}>
        <WithdrawnNow items={plan.items} gates={view.gates} />
      </Suspense>
      {newest && (
        <p>
          <strong>From home:</strong> {toldInWords(newest, plan.days)}
        </p>
      )}
      <form
        className="flex max-w-xl flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void take();
        }}
      >
        <div className="grow">
          <Field label={newest ? 'Another code from their phone' : 'Code from their phone'} error={error}>
            {(ids) => (
              <TextInput
                {...ids}
                className="font-mono uppercase"
                autoComplete="off"
                spellCheck={false}
                maxLength={40}
                value={typed}
                onChange={(event) => {
                  setError(null);
                  type(event.target.value);
                }}
              />
            )}
          </Field>
        </div>
        <Button type="submit" disabled={typed.trim() === ''}>
          Read the code
        </Button>
      </form>
    </div>
  );
}
