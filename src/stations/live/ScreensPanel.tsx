'use client';

import { useState } from 'react';
import { type PairKind } from '@/core/access';
import { askAccess } from '@/keep';
import { Button } from '@/parts/Button';
import { QrCode, linkBase } from '@/parts/QrCode';
import { type PairedDevice } from './usePaired';

const words: Readonly<Record<PairKind, { add: string; is: string; line: string }>> = {
  screen: {
    add: 'Add a second screen',
    is: 'Second screen',
    line: 'A tablet shows what the client’s window shows, and no name.',
  },
  remote: {
    add: 'Add a remote',
    is: 'Remote',
    line: 'A phone in your hand steers: the drill on it, and no name.',
  },
};

/** Other devices in the room: each reads its code once, goes along with this run, and ends with it. */
export function ScreensPanel({
  runId,
  devices,
  elsewhere,
  onMade,
}: {
  runId: string;
  devices: readonly PairedDevice[];
  /** Under what another machine finds this one; null where none can. */
  elsewhere: string | null;
  /** A code was made: from now on somebody may come. */
  onMade: () => void;
}) {
  const [code, setCode] = useState<{ kind: PairKind; link: string; before: readonly string[] } | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const add = async (kind: PairKind) => {
    const told = await askAccess('pair', { runId, kind });
    setWhy(told.ok ? null : told.why);
    if (!told.ok) return;
    onMade();
    setCode({ kind, link: `${linkBase(elsewhere)}/paired/${told.code}`, before: devices.map(({ id }) => id) });
  };
  const end = async (pairId: string | null) => {
    const told = await askAccess('endPairs', { runId, pairId });
    setWhy(told.ok ? null : told.why);
    if (told.ok && pairId === null) setCode(null);
  };
  // Read by its device, a code opens nothing any more.
  const used = code !== null && devices.some(({ id, kind }) => kind === code.kind && !code.before.includes(id));
  return (
    <>
      {code && !used && (
        <div className="flex flex-wrap items-center gap-4" data-pair-code={code.kind}>
          <QrCode
            text={code.link}
            label={`Code for the ${words[code.kind].is.toLowerCase()}, to be read by its camera`}
          />
          <div className="min-w-0 grow basis-40">
            <p className="text-base">Read it with the device’s camera. It works once, within ten minutes.</p>
            <p className="mt-1 font-mono text-sm break-all">{code.link}</p>
          </div>
        </div>
      )}
      {code && used && (
        <p role="status" className="font-semibold">
          It is here.
        </p>
      )}
      {(['screen', 'remote'] as const).map((kind) => (
        <div key={kind} className="flex items-center justify-between gap-4">
          <p className="text-base leading-snug">{words[kind].line}</p>
          <Button className="shrink-0 !px-3" onClick={() => void add(kind)}>
            {words[kind].add}
          </Button>
        </div>
      ))}
      {elsewhere === null && (
        <p className="text-base text-ink2">
          Kokyu speaks to this machine only just now, so no tablet or phone can open it: docs/security.md says how that
          is changed. The code works in another window here.
        </p>
      )}
      {why && (
        <p role="alert" className="font-semibold">
          {why}
        </p>
      )}
      {devices.length > 0 && (
        <ul className="flex flex-col gap-1">
          {devices.map(({ id, kind, device, here }) => (
            <li key={id} className="flex items-center justify-between gap-3 border-t border-rule">
              <span>
                {words[kind].is}
                {device ? `, ${device}` : ''}: {here ? 'here' : 'not heard just now'}
              </span>
              <Button look="quiet" onClick={() => void end(id)}>
                End
                <span className="sr-only"> the {words[kind].is.toLowerCase()}</span>
              </Button>
            </li>
          ))}
        </ul>
      )}
      {(devices.length > 1 || code) && (
        <div>
          <Button look="quiet" onClick={() => void end(null)}>
            End them all
          </Button>
        </div>
      )}
    </>
  );
}
