'use client';

import { useState } from 'react';
import { askAccess, waitingCount } from '@/keep';
import { Button } from '@/parts/Button';
import { noteOpen } from '@/parts/shell/Lock';
import { AccessForm, CodeShown, KnownPassphrase, NameField, NewPassphrase } from './passphrase';
import { Field, TextInput } from '@/parts/Field';

/** What somebody else left waiting in this browser stays for them. */
async function signOutOther() {
  await askAccess('signOut', { forget: (await waitingCount()) === 0 });
  location.assign('/sign-in');
}

/** Where somebody says who they are: to sign in, to go on after a lock, or with the printed code. */
export function SignIn({ lockedFor, to }: { lockedFor: string | null; to: string }) {
  const [lost, setLost] = useState(false);
  const [code, setCode] = useState<string | null>(null);
  const goOn = () => {
    noteOpen();
    location.assign(to);
  };
  if (code !== null) return <CodeShown code={code} whose="this name" onKept={goOn} />;
  if (lockedFor !== null) {
    return (
      <>
        <h1 className="mb-2 text-2xl">Locked</h1>
        <p className="mb-4 text-ink2">{lockedFor}, type your passphrase to go on where you were.</p>
        <AccessForm ask="unlock" button="Unlock" busy="Opening…" onDone={goOn}>
          <input type="text" name="username" autoComplete="username" value={lockedFor} readOnly hidden />
          <KnownPassphrase />
        </AccessForm>
        <Button look="quiet" className="mt-4 px-0" onClick={() => void signOutOther()}>
          Sign in as somebody else
        </Button>
      </>
    );
  }
  if (lost) {
    return (
      <>
        <h1 className="mb-2 text-2xl">A new passphrase</h1>
        <p className="mb-4 text-ink2">
          With the code that was printed when the passphrase was set. It opens once; another is shown to be printed.
        </p>
        <AccessForm
          ask="recover"
          button="Set it and sign in"
          busy="Setting it…"
          onDone={(told) => setCode(told.code ?? '')}
        >
          <NameField />
          <Field label="Printed code">
            {(ids) => (
              <TextInput {...ids} name="code" autoComplete="off" spellCheck={false} className="font-mono" required />
            )}
          </Field>
          <NewPassphrase label="New passphrase" />
        </AccessForm>
        <Button look="quiet" className="mt-4 px-0" onClick={() => setLost(false)}>
          Sign in with the passphrase
        </Button>
      </>
    );
  }
  return (
    <>
      <h1 className="mb-4 text-2xl">Sign in</h1>
      <AccessForm ask="signIn" button="Sign in" busy="Signing in…" onDone={goOn}>
        <NameField />
        <KnownPassphrase />
      </AccessForm>
      <Button look="quiet" className="mt-4 px-0" onClick={() => setLost(true)}>
        The passphrase is lost
      </Button>
    </>
  );
}
