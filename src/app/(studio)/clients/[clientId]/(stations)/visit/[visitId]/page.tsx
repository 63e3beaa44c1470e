import { notFound } from 'next/navigation';
import { VisitStation } from '@/stations/visit/VisitStation';
import { loadFollowed, loadVisit } from '../../../../../../load';

export default async function VisitOfClient({ params }: { params: Promise<{ clientId: string; visitId: string }> }) {
  const { clientId, visitId } = await params;
  const loaded = loadVisit(clientId, visitId);
  if (!loaded) notFound();
  return <VisitStation {...loaded} repeats={loadFollowed(clientId).repeats} />;
}
