'use client';

import { useState } from 'react';
import { newId, send } from '@/keep';
import { Button } from '@/parts/Button';
import { TextInput } from '@/parts/Field';
import { useKept } from '@/parts/useKept';

/** Something to remember when this client comes next: it will stand on that day's list and at the opening of the visit. */
export function ForNextTime({ clientId }: { clientId: string }) {
  const [text, type] = useKept(`kokyu.nextTime.${clientId}`);
  const [kept, setKept] = useState<string | null>(null);
  const add = () => {
    send('nextTime.add', { noteId: newId(), clientId, text: text.trim() });
    setKept(text.trim());
    type('');
  };
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') add();
      }}
    >
      <label className="grow">
        <span className="text-sm text-ink2">To remember when they come next</span>
        <TextInput maxLength={300} value={text} onChange={(event) => type(event.target.value)} />
      </label>
      <Button type="submit" disabled={text.trim() === ''}>
        Remember it
      </Button>
      <p role="status" className="basis-full text-ink2 empty:hidden">
        {kept && `“${kept}” will stand on their next day and at the opening of that visit.`}
      </p>
    </form>
  );
}
