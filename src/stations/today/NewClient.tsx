'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { nameTrouble } from '@/core/safety';
import { newId, send, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';

/** A client is a name first; today's visit begins at once, since somebody is standing there. */
export function NewClient({ called = '' }: { called?: string }) {
  const router = useRouter();
  const keep = useKeep();
  const [name, setName] = useState(called);
  const [error, setError] = useState<string | null>(null);
  const [waiting, setWaiting] = useState(false);

  const add = async () => {
    const trouble = nameTrouble(name);
    setError(trouble);
    if (trouble !== null) return;
    setWaiting(true);
    const clientId = newId();
    const outcome = await keep('client.create', { clientId, factId: newId(), name: name.trim() });
    if (outcome.state === 'refused') {
      setWaiting(false);
      setError(outcome.why);
      return;
    }
    send('visit.start', { visitId: newId(), clientId });
    router.push(`/clients/${clientId}/screen`);
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
