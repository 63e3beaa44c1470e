import { notFound } from 'next/navigation';
import { EmergencyStop } from '@/stations/PathStop';
import { TrackStation } from '@/stations/track/TrackStation';
import { looksOf, theStore } from '@/store';
import { loadClient } from '../../../../load';

export default async function TrackPage({ params }: { params: Promise<{ clientId: string }> }) {
  const view = loadClient((await params).clientId);
  if (!view) notFound();
  const visits = [...(view.visit ? [view.visit] : []), ...view.earlier].map(
    ({ id, clientId, startedAt, day, endedAt }) => ({ id, clientId, startedAt, day, endedAt }),
  );
  const looks = looksOf(
    theStore(),
    visits.map(({ id }) => id),
  );
  return (
    <>
      <EmergencyStop view={view} />
      <TrackStation view={view} looks={looks} visits={visits} />
    </>
  );
}
