import { type ReactNode } from 'react';
import { positions } from '@/core/catalogue';
import { type ProtocolId, protocols, testVerdict } from '@/core/look';
import { refusalInWords } from '@/core/safety';
import { LinkButton } from '@/parts/Button';
import { Notice } from '@/parts/Notice';
import { ReasonList } from '@/parts/ReasonList';
import { type ClientView } from '../view';
import { allowedPositions } from './useLook';

/** A test is gated like a drill: it is offered, or the screen says why it is not. */
export function Gated({ view, id, children }: { view: ClientView; id: ProtocolId; children: ReactNode }) {
  const { name, positions: places, components } = protocols[id];
  // Where no position of the protocol is open today, the usual one says why.
  const position = allowedPositions(view, id)[0] ?? places[0]!;
  const verdict = testVerdict(view.gates, [...components, ...positions[position].components]);
  if (verdict.allowed) return <>{children}</>;
  const blocked = verdict.refusals.filter(
    ({ level, reason }, i, all) => level !== 'ask' && all.findIndex((other) => other.reason.what === reason.what) === i,
  );
  return (
    <Notice kind="caution" title={refusalInWords(verdict)!}>
      {blocked.length > 0 && (
        <ReasonList reasons={blocked.map(({ reason }) => reason)} linkTo={() => `/clients/${view.id}/screen`} />
      )}
      <p className="my-3 text-ink2">{name} is left out today; everything else goes on without it.</p>
      {blocked.length === 0 && <LinkButton href={`/clients/${view.id}/screen`}>Ask on Screen</LinkButton>}
    </Notice>
  );
}
