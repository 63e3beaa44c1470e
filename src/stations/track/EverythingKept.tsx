'use client';

import { useState } from 'react';
import { Button, LinkButton } from '@/parts/Button';
import { saveFile } from '@/parts/saveFile';

/** Everything that is kept of a client, for whoever asks for it: to be read, and to be gone on with elsewhere. */
export function EverythingKept({ clientId }: { clientId: string }) {
  const [failed, setFailed] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const toRead = async () => {
    setMaking(true);
    setFailed(null);
    try {
      const response = await fetch(`/api/clients/${clientId}/record/text`);
      const { text, why } = (await response.json()) as { text?: string; why?: string };
      if (text === undefined) return setFailed(why ?? 'The server did not give it.');
      const { textPdf } = await import('@/parts/textPdf');
      saveFile('record.pdf', 'application/pdf', await textPdf(text));
    } catch {
      setFailed('It was not made: the server did not answer. Try again once it is there.');
    } finally {
      setMaking(false);
    }
  };
  return (
    <section aria-labelledby="everything" className="mt-8 border-t border-ink pt-4">
      <h2 id="everything" className="text-lg">
        All that is kept of them
      </h2>
      <p className="text-ink2">
        Whoever asks for their record can have it: to read, and in open formats. The files leave this machine’s care
        with whoever takes them.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button disabled={making} onClick={() => void toRead()}>
          {making ? 'Making it…' : 'To read (PDF)'}
        </Button>
        <LinkButton href={`/api/clients/${clientId}/record`} download="record.zip">
          Everything (ZIP: JSON, tables, pictures)
        </LinkButton>
      </div>
      {failed && (
        <p role="alert" className="mt-2 font-semibold">
          {failed}
        </p>
      )}
    </section>
  );
}
