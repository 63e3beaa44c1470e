'use client';

import { Check } from 'lucide-react';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { type ReactNode } from 'react';
import { type ProtocolId, newest, protocolIds, protocols } from '@/core/look';
import { LinkButton } from '@/parts/Button';
import { EmptyState } from '@/parts/Notice';
import { BeginVisit } from '../BeginVisit';
import { StationHead } from '../StationHead';
import { type ClientView } from '../view';
import { CalmHold } from './CalmHold';
import { Gated } from './Gated';
import { Marker } from './Marker';
import { QuietLook } from './QuietLook';
import { RegionMap } from './RegionMap';
import { TwoHands } from './TwoHands';

/** Look: watch first, then measure. One protocol at a time, in the usual order; any of them can be left out. */
export function LookStation({ view }: { view: ClientView }) {
  const asked = useSearchParams().get('protocol');
  const { visit } = view;
  if (!visit) {
    return (
      <EmptyState title="Today’s visit has not begun.">
        <BeginVisit clientId={view.id} />
      </EmptyState>
    );
  }
  const current: ProtocolId = protocolIds.find((id) => id === asked) ?? 'quietLook';
  const protocol = protocols[current];
  const next = protocolIds[protocolIds.indexOf(current) + 1];
  const figures: Record<ProtocolId, ReactNode> = {
    quietLook: <QuietLook visit={visit} />,
    twoHands: <TwoHands visit={visit} />,
    regionMap: <RegionMap visit={visit} />,
    calmHold: <CalmHold view={view} />,
    marker: <Marker visit={visit} />,
  };
  return (
    <>
      <nav aria-label="Looks" className="-mt-2 mb-5 flex flex-wrap gap-x-5">
        {protocolIds.map((id) => (
          <Link
            key={id}
            href={`/clients/${view.id}/look?protocol=${id}`}
            aria-current={id === current ? 'page' : undefined}
            className={`flex min-h-11 items-center gap-1.5 border-b-2 ${
              id === current ? 'border-ink font-semibold' : 'border-transparent text-ink2 hover:text-ink'
            }`}
          >
            {newest(visit.looks, id, 'before') && <Check size={16} aria-label="done" />}
            {protocols[id].name}
          </Link>
        ))}
      </nav>
      <StationHead title={protocol.name} line={protocol.setUp} />
      <Gated key={current} view={view} protocol={protocol}>
        {figures[current]}
      </Gated>
      <div className="mt-7 flex flex-wrap items-center gap-3 border-t border-rule pt-4">
        <p className="mr-auto max-w-xl text-sm text-ink2">{protocol.means}</p>
        {next && (
          <LinkButton href={`/clients/${view.id}/look?protocol=${next}`}>Next: {protocols[next].name}</LinkButton>
        )}
        <LinkButton href={`/clients/${view.id}/read`} look={next ? 'plain' : 'strong'}>
          On to Read
        </LinkButton>
      </div>
    </>
  );
}
