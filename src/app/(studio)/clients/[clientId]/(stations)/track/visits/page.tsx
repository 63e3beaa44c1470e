import { notFound } from 'next/navigation';
import { EmergencyStop } from '@/stations/PathStop';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import { OverStation } from '@/stations/track/OverStation';
import { loadLetter } from '../../../../../../course';
import { loadClient, loadFollowed } from '../../../../../../load';
import { loadOver } from '../../../../../../over';

export const metadata = { title: 'Over visits' };

export default async function OverVisitsPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  const { over, lead, aside } = loadFollowed(clientId);
  const { aside: besides, ...rest } = loadOver(clientId);
  // What of today can't be read is told by the page's frame already.
  const told = new Set(view.unreadable.map(({ id }) => id));
  return (
    <>
      <EmergencyStop view={view} />
      <UnreadableNotice records={[...aside, ...besides].filter(({ id }) => !told.has(id))} />
      <OverStation
        clientId={clientId}
        visit={view.visit !== null}
        name={view.name}
        today={view.today}
        lengths={view.settings.lengthUnit}
        weights={view.settings.weightUnit}
        over={over}
        lead={lead}
        {...rest}
        letter={loadLetter(clientId, over, rest.kept, rest.told)}
      />
    </>
  );
}
