import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { LookStation } from '@/stations/look/LookStation';
import { loadForLook } from '../../../../../load';

export default async function LookPage({ params }: { params: Promise<{ clientId: string }> }) {
  const view = loadForLook((await params).clientId);
  if (!view) notFound();
  if (!openStations[view.path.state].includes('look')) return <PathStop view={view} />;
  return <LookStation view={view} />;
}
