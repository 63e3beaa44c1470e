'use client';

import { type FormEvent, useState } from 'react';
import { counted } from '@/core/reasons';
import { type CopyCompared, dayInWords } from '@/core/record';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { atAGlance } from './words';

/** Putting one copy back: what that would change first, then with a copy of what is here. */
export function PutBack({ name, today }: { name: string; today: string }) {
  const [state, setState] = useState<'shut' | 'asking' | 'locked' | 'shown' | 'going' | 'done'>('shut');
  const [found, setFound] = useState<CopyCompared | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const [passphrase, setPassphrase] = useState('');
  const [before, setBefore] = useState('');
  const ask = async (go: boolean) => {
    setState(go ? 'going' : 'asking');
    setWhy(null);
    try {
      const response = await fetch('/api/studio/restore', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name, go, ...(passphrase === '' ? {} : { passphrase }) }),
      });
      const answer = (await response.json()) as {
        why?: string;
        locked?: boolean;
        compared?: CopyCompared;
        before?: string;
      };
      if (answer.why !== undefined) {
        setWhy(answer.why);
        return setState(found ? 'shown' : passphrase === '' ? 'shut' : 'locked');
      }
      if (answer.locked) return setState('locked');
      if (answer.compared) {
        setFound(answer.compared);
        return setState('shown');
      }
      setBefore(answer.before ?? '');
      setState('done');
    } catch {
      setWhy('The server did not answer. Reload the page to see how things stand.');
      setState(found ? 'shown' : 'shut');
    }
  };
  const words = (side: CopyCompared['here']) =>
    `${counted(side.clients, 'client')}, ${counted(side.visits, 'visit')}${side.newest ? `, the last on ${dayInWords(side.newest, today)}` : ''}`;
  return (
    <>
      {state === 'shut' && (
        <Button look="quiet" className="px-0" aria-label={`Put it back… ${name}`} onClick={() => void ask(false)}>
          Put it back…
        </Button>
      )}
      {state === 'asking' && <p role="status">Looking into it…</p>}
      {(state === 'locked' || (state === 'asking' && passphrase !== '')) && (
        <form
          className="flex max-w-md flex-wrap items-end gap-3 py-2"
          onSubmit={(event: FormEvent) => {
            event.preventDefault();
            void ask(false);
          }}
        >
          <Field label="Its passphrase" error={why}>
            {(ids) => (
              <TextInput
                {...ids}
                type="password"
                autoComplete="off"
                value={passphrase}
                onChange={(event) => setPassphrase(event.target.value)}
              />
            )}
          </Field>
          <Button type="submit" disabled={passphrase === ''}>
            Open it
          </Button>
        </form>
      )}
      {why && state !== 'locked' && (
        <p role="alert" className="font-semibold">
          {why}
        </p>
      )}
      {found && (state === 'shown' || state === 'going') && (
        <div className="my-2 rounded-one border border-ink p-4">
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
            <dt className="text-ink2">Here now</dt>
            <dd>{words(found.here)}</dd>
            <dt className="text-ink2">In the copy</dt>
            <dd>{words(found.copy)}</dd>
            {found.onlyHere.length > 0 && (
              <>
                <dt className="text-ink2">Gone afterwards</dt>
                <dd>{atAGlance(found.onlyHere)}</dd>
              </>
            )}
            {found.onlyCopy.length > 0 && (
              <>
                <dt className="text-ink2">There again</dt>
                <dd>{atAGlance(found.onlyCopy)}</dd>
              </>
            )}
          </dl>
          <p className="mt-2 text-ink2">
            What is here is copied first. Passphrases are those of the copy from then on.
          </p>
          <Button look="stop" className="mt-3 mr-3" disabled={state === 'going'} onClick={() => void ask(true)}>
            {state === 'going' ? 'Putting it back…' : 'Put this copy in the place of what is here'}
          </Button>
          <Button disabled={state === 'going'} onClick={() => (setFound(null), setState('shut'))}>
            Leave it
          </Button>
        </div>
      )}
      {state === 'done' && (
        <div className="my-2">
          <Notice title="It is put back.">
            <p>What was here before was copied to {before}.</p>
            <Button className="mt-2" onClick={() => location.assign('/')}>
              To Today
            </Button>
          </Notice>
        </div>
      )}
    </>
  );
}
