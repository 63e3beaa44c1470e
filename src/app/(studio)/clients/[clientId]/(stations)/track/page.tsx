import { notFound, redirect } from 'next/navigation';
import { EmergencyStop } from '@/stations/PathStop';
import { TrackStation } from '@/stations/track/TrackStation';
import { loadClient, loadFollowed, viewFor } from '../../../../../load';

export default async function TrackPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  if (!view.visit) redirect(`/clients/${clientId}/track/visits`);
  return (
    <>
      <EmergencyStop view={view} />
      <TrackStation view={viewFor(view, ['looks'])} repeats={loadFollowed(clientId).repeats} />
    </>
  );
}
