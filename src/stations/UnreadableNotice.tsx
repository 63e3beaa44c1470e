'use client';

import { send } from '@/keep';
import { Button } from '@/parts/Button';
import { Notice } from '@/parts/Notice';
import { RecordFile } from './RecordFile';
import { type Unreadable } from './view';

/** Most records that are told of one by one. */
const mostTold = 5;

/** Records that can't be read: which, why, and what can be done with each. The rest of the page stands without them. */
export function UnreadableNotice({ records }: { records: readonly Unreadable[] }) {
  if (records.length === 0) return null;
  const more = records.length - mostTold;
  return (
    <div className="mb-5">
      <Notice
        kind="caution"
        title={records.length === 1 ? 'A record can’t be read.' : `${records.length} records can’t be read.`}
      >
        <p>The rest stands without it. It stays in the studio’s file as it is; nothing is made of it.</p>
        <ul className="mt-2">
          {records.slice(0, mostTold).map(({ table, id, what, why }) => (
            <li key={`${table} ${id}`} className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1">
              <span className="grow">
                {what}: {why}.
              </span>
              <RecordFile table={table} id={id} what={what} />
              <Button look="quiet" onClick={() => send('record.setAside', { table, recordId: id })}>
                Put it aside<span className="sr-only">: {what}</span>
              </Button>
            </li>
          ))}
        </ul>
        {more > 0 && <p className="mt-1">And {more} more.</p>}
      </Notice>
    </div>
  );
}
