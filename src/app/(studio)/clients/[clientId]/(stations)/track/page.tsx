import { notFound } from 'next/navigation';
import { EmergencyStop } from '@/stations/PathStop';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import { TrackStation } from '@/stations/track/TrackStation';
import { loadKept, loadLetter } from '../../../../../course';
import { loadClient, loadFollowed, viewFor } from '../../../../../load';

export default async function TrackPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  const { over, repeats, aside } = loadFollowed(clientId);
  // What of today can't be read is told by the page's frame already.
  const told = new Set(view.unreadable.map(({ id }) => id));
  const kept = loadKept(clientId);
  return (
    <>
      <EmergencyStop view={view} />
      <UnreadableNotice records={aside.filter(({ id }) => !told.has(id))} />
      <TrackStation
        view={viewFor(view, ['looks'])}
        over={over}
        repeats={repeats}
        {...kept}
        letter={loadLetter(clientId, over, kept.kept)}
      />
    </>
  );
}
