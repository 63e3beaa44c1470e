'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { askAccess } from '@/keep';
import { Button } from '@/parts/Button';
import { QrCode, linkBase } from '@/parts/QrCode';

/** A link by which the client says how it goes at home, from their own phone. It is shown once. */
export function HomeLink({
  visitId,
  handed,
  standing,
  elsewhere,
}: {
  visitId: string;
  handed: boolean;
  /** The day until which a link made before opens, in words; null where there is none. */
  standing: string | null;
  /** Under what another machine finds this one; null where none can. */
  elsewhere: string | null;
}) {
  const router = useRouter();
  const [link, setLink] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const make = async () => {
    const told = await askAccess('checkIn', { visitId });
    setWhy(told.ok ? null : told.why);
    if (told.ok) setLink(`${linkBase(elsewhere)}/check-in/${told.code}`);
    router.refresh();
  };
  const end = async () => {
    const told = await askAccess('endCheckIn', { visitId });
    setWhy(told.ok ? null : told.why);
    if (told.ok) setLink(null);
    router.refresh();
  };
  return (
    <section aria-labelledby="homelink" className="mt-6 border-t border-ink pt-4">
      <h2 id="homelink" className="text-lg">
        A page to say how it goes
      </h2>
      <p className="max-w-3xl text-ink2">
        They open it on their phone and tick what was done, how it felt and whether anything hurt or leaked. It shows
        these things and nothing else, and ends with the days.
        {elsewhere === null &&
          ' While Kokyu speaks to this machine only, no phone can open it: docs/security.md says how that is changed.'}
      </p>
      {standing && !link && (
        <p className="mt-1">A link made before opens until {standing}. A new one takes its place.</p>
      )}
      {link && (
        <div className="mt-3 flex flex-wrap items-center gap-6">
          <QrCode text={link} label="The link as a code to be read by a camera" />
          <p className="max-w-xl font-mono text-sm break-all">{link}</p>
        </div>
      )}
      {why && (
        <p role="alert" className="mt-2 font-semibold">
          {why}
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        <Button disabled={!handed} onClick={() => void make()}>
          {standing || link ? 'Make a new link' : 'Make the link'}
        </Button>
        {(standing || link) && (
          <Button look="quiet" onClick={() => void end()}>
            End the link
          </Button>
        )}
      </div>
      {!handed && <p className="mt-1 text-sm text-ink2">Once something was handed over.</p>}
    </section>
  );
}
