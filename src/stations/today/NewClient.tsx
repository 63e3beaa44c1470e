'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { factSchemas } from '@/core/safety';
import { firstSentence } from '@/core/record';
import { keep, newId } from '@/keep';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';

/** A client is a name first; today's visit begins at once, since somebody is standing there. */
export function NewClient() {
  const router = useRouter();
  const [name, setName] = useState('');
  const [error, setError] = useState<string | null>(null);
  const [waiting, setWaiting] = useState(false);

  const add = async () => {
    const parsed = factSchemas.name.safeParse(name);
    if (!parsed.success) {
      setError(firstSentence(parsed.error));
      return;
    }
    setError(null);
    setWaiting(true);
    const clientId = newId();
    const created = keep('client.create', { clientId, factId: newId(), name: parsed.data });
    const started = keep('visit.start', { visitId: newId(), clientId });
    const outcome = await created;
    await started;
    if (outcome.state === 'refused') {
      setWaiting(false);
      setError(outcome.why);
    } else router.push(`/clients/${clientId}/screen`);
  };

  return (
    <form
      className="max-w-md space-y-4"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Field label="Name" error={error}>
        {(ids) => (
          <TextInput
            {...ids}
            value={name}
            autoFocus
            autoComplete="off"
            onChange={(event) => setName(event.target.value)}
          />
        )}
      </Field>
      <Button look="strong" type="submit" disabled={waiting}>
        {waiting ? 'Adding…' : 'Add and begin today’s visit'}
      </Button>
    </form>
  );
}
