import { notFound } from 'next/navigation';
import { flaggedConditions } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { LoadStation } from '@/stations/load/LoadStation';
import { loadClient } from '../../../../../../load';

export const metadata = { title: 'Breath under load' };

export default async function ClientLoadPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  if (view.path.state !== 'open') return <PathStop view={view} />;
  const flagged = flaggedConditions(view.known.profile, view.today);
  return <LoadStation keepAs={clientId} gates={view.gates} cautions={flagged.length > 0 ? flagged.join(', ') : null} />;
}
