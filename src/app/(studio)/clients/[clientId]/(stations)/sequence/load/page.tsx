import { notFound } from 'next/navigation';
import { ClientLoad } from '@/stations/load/ClientLoad';
import { loadForPlanning, viewFor } from '../../../../../../load';

export const metadata = { title: 'Breath under load' };

export default async function ClientLoadPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadForPlanning(clientId);
  if (!view) notFound();
  return <ClientLoad view={viewFor(view, ['looks', 'plan', 'planning'])} />;
}
