'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type Drill, drills as builtIn } from '@/core/catalogue';
import { drillFile } from '@/core/formats';
import { counted } from '@/core/reasons';
import { send, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { Notice } from '@/parts/Notice';
import { patiently } from '@/parts/patiently';
import { saveFile } from '@/parts/saveFile';
import { say } from '@/parts/say';
import { type LineFault } from './readDrillFile';

const mostBytes = 4_000_000;

/** What a file is checked with, fetched once the page stands. */
const reading = () => patiently(() => import('./readDrillFile'));

/** Drills in and out as JSON: all of a file or nothing of it. */
export function DrillFiles({ own }: { own: readonly Drill[] }) {
  const router = useRouter();
  const keep = useKeep();
  useEffect(() => void reading(), []);
  const [faults, setFaults] = useState<{ name: string; list: LineFault[] } | null>(null);

  const write = (drills: readonly Drill[], name: string) =>
    saveFile(name, 'application/json', `${JSON.stringify(drillFile(drills), null, 2)}\n`);

  const read = async (file: File) => {
    if (file.size > mostBytes) {
      setFaults({
        name: file.name,
        list: [{ line: 1, what: 'The file is larger than 4 MB. Drills take far less: is it the right one?' }],
      });
      return;
    }
    const { readDrillFile } = await reading();
    const result = readDrillFile(await file.text(), own);
    if (result.faults) {
      setFaults({ name: file.name, list: result.faults });
      return;
    }
    const outcome = await keep('drills.import', { drills: result.drills });
    if (outcome.state === 'refused') {
      setFaults({ name: file.name, list: [{ line: 1, what: outcome.why }] });
      return;
    }
    setFaults(null);
    router.refresh();
    const count = result.drills.length;
    say(`${counted(count, 'drill')} taken in.`, () => {
      const fresh = result.drills.filter(({ id }) => !own.some((known) => known.id === id));
      const back = result.drills.flatMap(({ id }) => own.find((known) => known.id === id) ?? []);
      for (const { id } of fresh) send('drill.remove', { drillId: id });
      if (back.length > 0) send('drills.import', { drills: back });
    });
  };

  return (
    <section aria-label="Drill files" className="mt-8 border-t border-ink pt-4">
      <h2 className="text-lg">Drills as files</h2>
      <p className="text-ink2">
        JSON, with its schema in docs/formats. A file with a fault in it is taken in not at all; what is wrong is shown
        by line.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button disabled={own.length === 0} onClick={() => write(own, 'my-drills.json')}>
          Export yours ({own.length})
        </Button>
        <Button onClick={() => write(builtIn, 'built-in-drills.json')}>Export the built-in ones</Button>
        <label className="inline-flex min-h-11 cursor-pointer items-center rounded-one border border-ink px-4 font-semibold focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-ink hover:bg-leaf">
          Import a file
          <input
            type="file"
            accept="application/json,.json"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) void read(file);
            }}
          />
        </label>
      </div>
      {faults && (
        <div className="mt-3">
          <Notice kind="stop" title={`Nothing was taken in from ${faults.name}: ${faults.list.length} to mend.`}>
            <ul className="max-h-72 overflow-auto" tabIndex={0} aria-label="Faults by line">
              {faults.list.slice(0, 100).map(({ line, what }, i) => (
                <li key={i} className="flex gap-3">
                  <span className="w-20 shrink-0 text-ink2">line {line}</span>
                  {what}
                </li>
              ))}
            </ul>
          </Notice>
        </div>
      )}
    </section>
  );
}
