'use client';

import { type FormEvent, type ReactNode, useState } from 'react';
import { type AccessAsk, type Asked, passphraseLetters } from '@/core/access';
import { type Told, askAccess } from '@/keep';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';
import { useHydrated } from '@/parts/useHydrated';

/** Nothing that was typed before the page listens is lost: what is in the fields is read when the form is sent. */
const typedIn = (form: HTMLFormElement): Record<string, string> =>
  Object.fromEntries([...new FormData(form)].map(([name, value]) => [name, String(value)]));

/** A form about who may come in: it asks, waits, and says in one sentence what is wrong; what was typed stays. */
export function AccessForm<K extends AccessAsk>({
  ask,
  more,
  button,
  busy,
  onDone,
  children,
}: {
  ask: K;
  /** What is asked besides what is typed. */
  more?: Partial<Asked<K>>;
  button: string;
  busy: string;
  onDone: (told: Extract<Told, { ok: true }>) => void;
  children?: ReactNode;
}) {
  const [why, setWhy] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const listening = useHydrated();
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    setAsking(true);
    setWhy(null);
    const told = await askAccess(ask, { ...typedIn(form), ...more } as unknown as Asked<K>);
    setAsking(false);
    if (!told.ok) return setWhy(told.why);
    form.reset();
    onDone(told);
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="space-y-4">
      {children}
      {why && (
        <p role="alert" className="font-semibold text-stop dark:text-ink">
          {why}
        </p>
      )}
      <Button type="submit" look="strong" disabled={asking || !listening}>
        {asking ? busy : button}
      </Button>
    </form>
  );
}

export function NameField({ label = 'Name', hint }: { label?: string; hint?: string }) {
  return (
    <Field label={label} hint={hint}>
      {(ids) => <TextInput {...ids} name="name" autoComplete="username" maxLength={80} required />}
    </Field>
  );
}

/** The passphrase somebody has. */
export function KnownPassphrase({ label = 'Passphrase', name = 'passphrase' }: { label?: string; name?: string }) {
  const [shown, setShown] = useState(false);
  return (
    <div className="space-y-1">
      <Field label={label}>
        {(ids) => (
          <TextInput
            {...ids}
            name={name}
            type={shown ? 'text' : 'password'}
            autoComplete="current-password"
            maxLength={passphraseLetters.most}
            required
          />
        )}
      </Field>
      <Show shown={shown} onChange={setShown} what={label} />
    </div>
  );
}

/** A passphrase somebody makes up. It can be seen while it is typed, and so needs to be typed once. */
export function NewPassphrase({ label = 'Passphrase' }: { label?: string }) {
  const [shown, setShown] = useState(false);
  return (
    <div className="space-y-1">
      <Field
        label={label}
        hint={`At least ${passphraseLetters.least} signs. Four or five plain words that have nothing to do with one another do well; spaces count.`}
      >
        {(ids) => (
          <TextInput
            {...ids}
            name="passphrase"
            type={shown ? 'text' : 'password'}
            autoComplete="new-password"
            minLength={passphraseLetters.least}
            maxLength={passphraseLetters.most}
            required
          />
        )}
      </Field>
      <Show shown={shown} onChange={setShown} what={label} />
    </div>
  );
}

function Show({ shown, onChange, what }: { shown: boolean; onChange: (shown: boolean) => void; what: string }) {
  return (
    <label className="flex min-h-11 items-center gap-2 text-sm text-ink2">
      <input
        type="checkbox"
        className="size-5 accent-ink"
        checked={shown}
        onChange={(event) => onChange(event.target.checked)}
        aria-label={`Show: ${what}`}
      />
      Show what I type
    </label>
  );
}

/** The code by which somebody comes in who lost their passphrase: shown this once. */
export function CodeShown({ code, whose, onKept }: { code: string; whose: string; onKept: () => void }) {
  return (
    <section aria-labelledby="code" className="rounded-one border border-ink p-4">
      <h2 id="code" className="text-lg">
        A way back in
      </h2>
      <p className="mt-1">
        If the passphrase of {whose} is lost, this code lets them set another, once. It is shown now and never again:
        print it and keep it where the keys of the studio are, not beside this machine.
      </p>
      <p className="my-4 font-mono text-2xl" data-testid="code">
        {code}
      </p>
      <div className="screen-only flex flex-wrap gap-3">
        <Button onClick={() => print()}>Print it</Button>
        <Button look="strong" onClick={onKept}>
          It is kept
        </Button>
      </div>
    </section>
  );
}
