'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { commonPractice, counted } from '@/core/reasons';
import { momentInWords } from '@/core/record';
import { Button } from '@/parts/Button';
import { Notice } from '@/parts/Notice';
import { ProvenanceMark } from '@/parts/Provenance';
import { ClientList } from './ClientList';
import { PutBack } from './PutBack';
import { Seal } from './Seal';
import { SecondPlace } from './SecondPlace';
import { TakeIn } from './TakeIn';
import { TakeOut } from './TakeOut';

interface CopyShown {
  /** Of its folder. */
  name: string;
  at: string;
  locked: boolean;
  clients?: number | undefined;
  visits?: number | undefined;
  photos?: number | undefined;
  bytes?: number | undefined;
}

const sizeInWords = (bytes: number) =>
  bytes >= 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / 1e3))} kB`;

const holds = ({ clients, visits, photos, bytes }: Omit<CopyShown, 'at'>) =>
  clients === undefined
    ? ''
    : `${counted(clients, 'client')}, ${counted(visits ?? 0, 'visit')}, ${counted(photos ?? 0, 'picture')}${bytes === undefined ? '' : `, ${sizeInWords(bytes)}`}`;

/** Copies of the studio: those made by themselves, those made by hand, and one made now; how one is put back. */
export function RecordsPage({
  zone,
  demo,
  folder,
  copies,
  byHand,
  failed,
  locked,
  second,
  today,
}: {
  zone: string;
  demo: boolean;
  /** Where they lie on this machine. */
  folder: string;
  copies: readonly CopyShown[];
  byHand: readonly Omit<CopyShown, 'at'>[];
  failed: { at: string; why: string } | null;
  /** Whether copies are locked as they are made. */
  locked: boolean;
  second: { folder: string | null; failed: { at: string; why: string } | null };
  today: string;
}) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const make = async () => {
    setMaking(true);
    setSaid(null);
    try {
      const response = await fetch('/api/copies', { method: 'POST' });
      const body = (await response.json()) as { words?: string; why?: string };
      setSaid(
        response.ok ? { ok: true, words: body.words ?? '' } : { ok: false, words: body.why ?? 'It was not made.' },
      );
      router.refresh();
    } catch {
      setSaid({ ok: false, words: 'The server did not answer. Nothing was changed; try again once it is there.' });
    } finally {
      setMaking(false);
    }
  };
  const [newest] = copies;
  return (
    <>
      <p className="mb-6 text-ink2">What is kept of this studio besides the studio itself.</p>
      <section aria-labelledby="copies" className="max-w-4xl">
        <h2 id="copies" className="text-lg">
          Copies
        </h2>
        {failed && (
          <div className="my-3">
            <Notice kind="stop" title={`The copy of ${momentInWords(failed.at, zone)} was not made.`}>
              {failed.why} The copies before it are as they were. It is tried again every hour.
            </Notice>
          </div>
        )}
        {second.failed && (
          <div className="my-3">
            <Notice
              kind="stop"
              title={`The copy of ${momentInWords(second.failed.at, zone)} lies on this machine only.`}
            >
              {second.failed.why} It is tried again with the next copy.
            </Notice>
          </div>
        )}
        <p>
          {demo
            ? 'The demo is laid anew whenever it is wanted: no copies are made of it by themselves.'
            : newest
              ? `The newest was made on ${momentInWords(newest.at, zone)}: ${holds(newest)}. It was opened to check it.`
              : 'None yet: the first is made five minutes after Kokyu was started.'}
        </p>
        {!demo && (
          <p className="text-ink2">
            Once a day, by itself, without holding anybody up; kept for fourteen days, and one of each month for a year.
            Those made by hand are never cleared away. <ProvenanceMark provenance={commonPractice} />
          </p>
        )}
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <Button look="strong" disabled={making} onClick={() => void make()}>
            {making ? 'Copying…' : 'Copy now'}
          </Button>
          {said && (
            <p role={said.ok ? 'status' : 'alert'} className={said.ok ? '' : 'font-semibold'}>
              {said.words}
            </p>
          )}
        </div>
        <CopyRows
          title="By themselves"
          today={today}
          rows={copies.map((one) => ({
            key: one.name,
            name: `${momentInWords(one.at, zone)}${one.locked ? ', locked' : ''}`,
            says: holds(one),
          }))}
        />
        <CopyRows
          title="By hand, newest first"
          today={today}
          rows={byHand.map((one) => ({
            key: one.name,
            name: `${one.name}${one.locked ? ', locked' : ''}`,
            says: holds(one),
          }))}
        />
        <p className="mt-3">
          They lie in <code className="font-mono text-sm">{folder}</code>. Each is a whole studio, with its pictures:
          keep one on another machine, where the house burning down does not reach it.
        </p>
        <p className="mt-1 text-ink2">
          A studio that is damaged is found when Kokyu starts: a page then offers these copies. In a terminal they are
          put back with <code className="font-mono text-sm">npm run restore</code>, while Kokyu has ended.
        </p>
        {!demo && <Seal locked={locked} />}
        {!demo && <SecondPlace folder={second.folder} />}
      </section>
      <TakeOut />
      <TakeIn />
      <ClientList today={today} />
    </>
  );
}

function CopyRows({
  title,
  rows,
  today,
}: {
  title: string;
  rows: readonly { key: string; name: string; says: string }[];
  today: string;
}) {
  if (rows.length === 0) return null;
  return (
    <>
      <h3 className="mt-4 text-base">{title}</h3>
      <ul>
        {rows.map(({ key, name, says }) => (
          <li key={key} className="border-t border-rule py-1">
            <div className="flex flex-wrap justify-between gap-x-6">
              <span>{name}</span>
              <span className="text-ink2">{says}</span>
            </div>
            <PutBack name={key} today={today} />
          </li>
        ))}
      </ul>
    </>
  );
}
