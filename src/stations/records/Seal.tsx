'use client';

import { useRouter } from 'next/navigation';
import { type FormEvent, useState } from 'react';
import { passphraseLetters } from '@/core/access';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';

/** Locking the copies with a passphrase. It is kept nowhere: whoever loses it can’t open them. */
export function Seal({ locked }: { locked: boolean }) {
  const router = useRouter();
  const [why, setWhy] = useState<string | null>(null);
  const [done, setDone] = useState(false);
  const [busy, setBusy] = useState(false);
  const ask = async (passphrase: string | null) => {
    setBusy(true);
    setWhy(null);
    setDone(false);
    try {
      const response = await fetch('/api/studio/seal', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ passphrase }),
      });
      const answer = (await response.json()) as { why?: string };
      if (answer.why !== undefined) return setWhy(answer.why);
      setDone(true);
      router.refresh();
    } catch {
      setWhy('The server did not answer. Nothing was changed.');
    } finally {
      setBusy(false);
    }
  };
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    void ask(String(new FormData(event.currentTarget).get('passphrase') ?? ''));
    event.currentTarget.reset();
  };
  return (
    <>
      <h3 className="mt-5 text-base">Locking them</h3>
      <p>
        {locked
          ? 'Copies are locked from when it was set on; those from before are open.'
          : 'Whoever has a copy can read it. With a passphrase of its own each is locked as it is made (in the open format of age), and only the passphrase opens it: it is kept nowhere, and a lost one opens nothing.'}
      </p>
      <form onSubmit={submit} className="mt-2 flex max-w-2xl flex-wrap items-end gap-3">
        <div className="w-80">
          <Field label={locked ? 'Another passphrase for copies to come' : 'Passphrase for the copies'} error={why}>
            {(ids) => (
              <TextInput
                {...ids}
                name="passphrase"
                type="password"
                autoComplete="new-password"
                minLength={passphraseLetters.least}
                maxLength={passphraseLetters.most}
                required
              />
            )}
          </Field>
        </div>
        <Button type="submit" disabled={busy}>
          {busy ? 'Setting it…' : 'Lock copies with it'}
        </Button>
        {locked && (
          <Button look="quiet" disabled={busy} onClick={() => void ask(null)}>
            Leave copies open
          </Button>
        )}
      </form>
      <p role="status">{done ? 'Set. It holds for the next copy.' : ''}</p>
    </>
  );
}
