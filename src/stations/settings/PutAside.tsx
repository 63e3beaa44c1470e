'use client';

import { momentInWords } from '@/core/record';
import { send } from '@/keep';
import { Button } from '@/parts/Button';
import { RecordFile } from '../RecordFile';

/** Records that can't be read and were put aside: still in the studio's file, and told of again when they are brought back. */
export function PutAside({
  records,
  zone,
}: {
  records: readonly { table: string; recordId: string; at: string }[];
  zone: string;
}) {
  if (records.length === 0) return null;
  return (
    <section aria-labelledby="aside" className="mt-10 max-w-3xl border-t border-ink pt-4">
      <h2 id="aside" className="text-lg">
        Records put aside
      </h2>
      <p className="text-ink2">
        They can’t be read and are told of no longer. They are kept in the studio’s file as they are.
      </p>
      <ul className="mt-2">
        {records.map(({ table, recordId, at }) => (
          <li key={`${table} ${recordId}`} className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1">
            <span className="grow">
              {table.replaceAll('_', ' ')}, put aside on {momentInWords(at, zone)}
              <span className="block font-mono text-sm text-ink2">{recordId}</span>
            </span>
            <RecordFile table={table} id={recordId} what={recordId} />
            <Button look="quiet" onClick={() => send('record.bringBack', { table, recordId })}>
              Bring it back<span className="sr-only">: {recordId}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
