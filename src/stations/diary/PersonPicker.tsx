'use client';

import { useEffect, useState } from 'react';
import { Field, TextInput } from '@/parts/Field';
import { rememberName } from './names';

interface Hit {
  id: string;
  name: string;
}

/** Somebody by a part of their name. */
export function PersonPicker({
  label,
  error,
  onChoose,
}: {
  label: string;
  error: string | null;
  onChoose: (person: Hit) => void;
}) {
  const [words, setWords] = useState('');
  const [hits, setHits] = useState<Hit[] | null>(null);
  const [unreachable, setUnreachable] = useState(false);
  useEffect(() => {
    const abort = new AbortController();
    fetch(`/api/clients?find=${encodeURIComponent(words)}`, { signal: abort.signal })
      .then((response) => response.json() as Promise<{ clients: Hit[] }>)
      .then(({ clients }) => {
        setHits(clients);
        setUnreachable(false);
      })
      .catch(() => !abort.signal.aborted && setUnreachable(true));
    return () => abort.abort();
  }, [words]);
  const shown = (hits ?? []).filter(({ name }) =>
    words
      .toLowerCase()
      .split(/[\s,]+/)
      .every((word) => name.toLowerCase().includes(word)),
  );
  return (
    <div>
      <Field label={label} error={error}>
        {(ids) => (
          <TextInput
            {...ids}
            autoComplete="off"
            placeholder="A part of the name"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        )}
      </Field>
      {unreachable ? (
        <p className="mt-1 text-ink2">The list of clients can’t be reached just now.</p>
      ) : (
        <ul aria-label="Clients" className="mt-1 max-h-48 overflow-auto">
          {shown.map(({ id, name }) => (
            <li key={id}>
              <button
                type="button"
                className="min-h-11 w-full rounded-one px-3 text-left hover:bg-leaf"
                onClick={() => {
                  rememberName(id, name);
                  onChoose({ id, name });
                }}
              >
                {name}
              </button>
            </li>
          ))}
          {hits !== null && shown.length === 0 && <li className="py-2 text-ink2">Nobody by that name.</li>}
        </ul>
      )}
    </div>
  );
}
