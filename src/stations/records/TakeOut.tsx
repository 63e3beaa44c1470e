'use client';

import { useState } from 'react';
import { counted } from '@/core/reasons';
import { Button } from '@/parts/Button';
import { hearLines } from './lines';
import { Working, useWork } from './Working';

/** The whole studio in one file, in open formats. */
export function TakeOut() {
  const { part, begin, giveUp } = useWork();
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const make = async () => {
    setSaid(null);
    const line = await begin((signal, onProgress) => hearLines('/api/studio/export', null, signal, onProgress));
    if (line.why !== undefined) return setSaid({ ok: false, words: line.why });
    setSaid({
      ok: true,
      words: `Made: ${counted(Number(line.clients), 'client')}, ${counted(Number(line.pictures), 'picture')}.`,
    });
    const link = document.createElement('a');
    link.href = `/api/studio/export/${String(line.file)}`;
    link.download = 'studio.zip';
    link.click();
  };
  return (
    <section aria-labelledby="takeout" className="mt-8 max-w-4xl border-t border-ink pt-4">
      <h2 id="takeout" className="text-lg">
        Take everything out
      </h2>
      <p>
        One ZIP with a record of each client (JSON, as{' '}
        <code className="font-mono text-sm">docs/formats/record.schema.json</code> describes it), the studio’s own
        drills, templates and settings, and the pictures. It can be taken in here or by another Kokyu. It is not locked:
        whoever has it can read it.
      </p>
      <Button className="mt-3" disabled={part !== null} onClick={() => void make()}>
        {part === null ? 'Make the file' : 'Making it…'}
      </Button>
      <Working part={part} what="Making the file" onGiveUp={giveUp} />
      {said && (
        <p role={said.ok ? 'status' : 'alert'} className={`mt-2 ${said.ok ? '' : 'font-semibold'}`}>
          {said.words}
        </p>
      )}
    </section>
  );
}
