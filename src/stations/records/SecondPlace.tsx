'use client';

import { useRouter } from 'next/navigation';
import { type FormEvent, useState } from 'react';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';

/** A folder on another disk that takes every copy too. What was typed stays until it was taken. */
export function SecondPlace({ folder }: { folder: string | null }) {
  const router = useRouter();
  const [typed, setTyped] = useState(folder ?? '');
  const [why, setWhy] = useState<string | null>(null);
  const [done, setDone] = useState('');
  const ask = async (next: string | null) => {
    setWhy(null);
    setDone('');
    try {
      const response = await fetch('/api/studio/second', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ folder: next }),
      });
      const answer = (await response.json()) as { why?: string };
      if (answer.why !== undefined) return setWhy(answer.why);
      setDone(next === null ? 'Copies stay on this machine.' : 'Set. The next copy goes there too.');
      if (next === null) setTyped('');
      router.refresh();
    } catch {
      setWhy('The server did not answer. Nothing was changed.');
    }
  };
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    void ask(typed);
  };
  return (
    <>
      <h3 className="mt-5 text-base">A second place</h3>
      <p>
        A folder of their own on another disk, a stick or one that is synchronised. Every copy goes there too, is
        checked there, and is cleared away by the same rule. Whoever has it can read it, unless copies are locked.
      </p>
      <form onSubmit={submit} className="mt-2 flex max-w-3xl flex-wrap items-end gap-3">
        <div className="w-96">
          <Field label="Folder, from its root" error={why}>
            {(ids) => (
              <TextInput
                {...ids}
                value={typed}
                maxLength={400}
                required
                autoComplete="off"
                spellCheck={false}
                placeholder="/media/stick/kokyu"
                onChange={(event) => setTyped(event.target.value)}
              />
            )}
          </Field>
        </div>
        <Button type="submit">Copy there too</Button>
        {folder !== null && (
          <Button look="quiet" onClick={() => void ask(null)}>
            No second place
          </Button>
        )}
      </form>
      <p role="status">{done}</p>
    </>
  );
}
