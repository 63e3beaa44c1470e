import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { ReadStation } from '@/stations/read/ReadStation';
import { loadClient, viewFor } from '../../../../../load';

export default async function ReadPage({ params }: { params: Promise<{ clientId: string }> }) {
  const view = loadClient((await params).clientId);
  if (!view) notFound();
  if (!openStations[view.path.state].includes('read')) return <PathStop view={view} />;
  return <ReadStation view={viewFor(view, ['looks', 'judgements'])} />;
}
