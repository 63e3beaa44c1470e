'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { counted } from '@/core/reasons';
import { type ImportPreview, type RowDifference } from '@/core/record';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { FileField } from '@/parts/FileField';
import { Notice } from '@/parts/Notice';
import { atAGlance } from './words';
import { hearLines } from './lines';
import { Working, useWork } from './Working';

const nameOf = ({ table, key }: RowDifference) => `${table} ${key}`;
const shown = (value: unknown) => (value === null || value === undefined ? 'nothing' : String(value));

/** A file of Kokyu’s on its way in: looked at first, then taken in as a whole or not at all. */
export function TakeIn() {
  const router = useRouter();
  const { part, begin, giveUp } = useWork();
  const [found, setFound] = useState<{ id: string; preview: ImportPreview } | null>(null);
  const [fromFile, setFromFile] = useState<readonly string[]>([]);
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const [taking, setTaking] = useState(false);
  const look = async (file: File | undefined) => {
    if (!file) return;
    setSaid(null);
    setFound(null);
    setFromFile([]);
    const line = await begin((signal, onProgress) => hearLines('/api/studio/import', file, signal, onProgress));
    if (line.why !== undefined) return setSaid({ ok: false, words: line.why });
    setFound({ id: String(line.id), preview: line.preview as ImportPreview });
  };
  const take = async () => {
    setTaking(true);
    try {
      const response = await fetch('/api/studio/import/apply', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id: found!.id, fromFile }),
      });
      const { why, rows, pictures } = (await response.json()) as { why?: string; rows?: number; pictures?: number };
      if (why !== undefined) return setSaid({ ok: false, words: why });
      setSaid({
        ok: true,
        words: `Taken in: ${counted(rows ?? 0, 'entry', 'entries')}, ${counted(pictures ?? 0, 'picture')}.`,
      });
      setFound(null);
      router.refresh();
    } catch {
      setSaid({ ok: false, words: 'The server did not answer. Look at Clients before trying again.' });
    } finally {
      setTaking(false);
    }
  };
  return (
    <section aria-labelledby="takein" className="mt-8 max-w-4xl border-t border-ink pt-4">
      <h2 id="takein" className="text-lg">
        Take a file in
      </h2>
      <p>
        A file made here or by another Kokyu. What it would change is shown first; then all of it is taken in, or
        nothing.
      </p>
      <FileField
        label="The ZIP, or one record as JSON"
        accept=".zip,.json"
        disabled={part !== null || taking}
        onFile={(file) => void look(file)}
      />
      <Working part={part} what="Reading the file" onGiveUp={giveUp} />
      {said && (
        <p role={said.ok ? 'status' : 'alert'} className={`mt-2 ${said.ok ? '' : 'font-semibold'}`}>
          {said.words}
        </p>
      )}
      {found && (
        <WhatItHolds
          preview={found.preview}
          fromFile={fromFile}
          onChoose={setFromFile}
          taking={taking}
          onTake={() => void take()}
          onLeave={() => setFound(null)}
        />
      )}
    </section>
  );
}

function WhatItHolds({
  preview,
  fromFile,
  onChoose,
  taking,
  onTake,
  onLeave,
}: {
  preview: ImportPreview;
  fromFile: readonly string[];
  onChoose: (next: readonly string[]) => void;
  taking: boolean;
  onTake: () => void;
  onLeave: () => void;
}) {
  const { clients, tables, pictures, differences, moreDifferences } = preview;
  const fresh = Object.values(tables).reduce((sum, one) => sum + one.fresh, 0);
  const nothing = fresh === 0 && pictures.fresh === 0 && differences.length === 0;
  return (
    <div className="mt-4 rounded-one border border-ink p-4">
      <h3 className="text-base">
        {preview.studio || 'A studio'}, {preview.exportedAt.slice(0, 16).replace('T', ' ')} UTC
      </h3>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
        <dt className="text-ink2">New clients</dt>
        <dd>{clients.fresh.length === 0 ? 'none' : atAGlance(clients.fresh)}</dd>
        <dt className="text-ink2">Here already</dt>
        <dd>{clients.known.length === 0 ? 'none' : atAGlance(clients.known)}</dd>
        <dt className="text-ink2">Entries</dt>
        <dd>
          {fresh} new, {Object.values(tables).reduce((sum, one) => sum + one.same, 0)} the same,{' '}
          {Object.values(tables).reduce((sum, one) => sum + one.differs, 0)} that differ
        </dd>
        <dt className="text-ink2">Pictures</dt>
        <dd>
          {pictures.fresh} new, {pictures.known} here already
        </dd>
      </dl>
      {differences.length > 0 && (
        <div className="mt-4">
          <h4 className="font-semibold">What differs</h4>
          <p className="mb-2 text-ink2">What is here stays, unless you choose the file’s.</p>
          <div className="mb-2 flex flex-wrap gap-3">
            <Button onClick={() => onChoose(differences.map(nameOf))}>All from the file</Button>
            <Button onClick={() => onChoose([])}>All as it is here</Button>
          </div>
          <ul>
            {differences.map((one) => (
              <li key={nameOf(one)} className="border-t border-rule py-2">
                <div className="flex flex-wrap items-end justify-between gap-3">
                  <span>{one.table.replaceAll('_', ' ')}</span>
                  <ChoiceChips
                    label={`${one.table.replaceAll('_', ' ')}, ${one.columns.map(({ name }) => name).join(', ')}`}
                    hideLabel
                    value={fromFile.includes(nameOf(one)) ? 'file' : 'here'}
                    choices={[
                      { value: 'here', label: 'As it is here' },
                      { value: 'file', label: 'From the file' },
                    ]}
                    onChange={(next) =>
                      onChoose(
                        next === 'file'
                          ? [...new Set([...fromFile, nameOf(one)])]
                          : fromFile.filter((name) => name !== nameOf(one)),
                      )
                    }
                  />
                </div>
                {one.columns.map(({ name, here, file }) => (
                  <div key={name} className="mt-1 grid grid-cols-[8rem_1fr_1fr] gap-4 text-sm">
                    <span className="text-ink2">{name.replaceAll('_', ' ')}</span>
                    <span className="max-h-32 overflow-auto break-words" tabIndex={0} aria-label="Here">
                      {shown(here)}
                    </span>
                    <span className="max-h-32 overflow-auto break-words" tabIndex={0} aria-label="In the file">
                      {shown(file)}
                    </span>
                  </div>
                ))}
              </li>
            ))}
          </ul>
          {moreDifferences > 0 && <p>And {moreDifferences} more, which stay as they are here.</p>}
        </div>
      )}
      {nothing ? (
        <div className="mt-3">
          <Notice title="Everything in this file is here already." />
        </div>
      ) : (
        <Button look="strong" className="mt-4 mr-3" disabled={taking} onClick={onTake}>
          {taking ? 'Taking it in…' : 'Take it in'}
        </Button>
      )}
      <Button className="mt-4" disabled={taking} onClick={onLeave}>
        Leave it
      </Button>
    </div>
  );
}
