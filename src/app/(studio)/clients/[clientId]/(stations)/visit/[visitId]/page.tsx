import { notFound } from 'next/navigation';
import { VisitPage } from '@/stations/visit/VisitPage';
import { loadFollowed, loadVisit } from '../../../../../../load';

export default async function VisitOfClient({ params }: { params: Promise<{ clientId: string; visitId: string }> }) {
  const { clientId, visitId } = await params;
  const loaded = loadVisit(clientId, visitId);
  if (!loaded) notFound();
  return <VisitPage {...loaded} repeats={loadFollowed(clientId).repeats} />;
}
