import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { CoachStation } from '@/stations/coach/CoachStation';
import { loadClient, loadFollowed, viewFor } from '../../../../../load';

export default async function CoachPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  if (!openStations[view.path.state].includes('coach')) return <PathStop view={view} />;
  const { repeats } = loadFollowed(clientId);
  return <CoachStation view={viewFor(view, ['looks', 'plan', 'runs', 'judgements'])} repeats={repeats} />;
}
