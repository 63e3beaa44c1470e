import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { SequenceStation } from '@/stations/sequence/SequenceStation';
import { loadForPlanning } from '../../../../load';

export default async function SequencePage({ params }: { params: Promise<{ clientId: string }> }) {
  const view = loadForPlanning((await params).clientId);
  if (!view) notFound();
  if (!openStations[view.path.state].includes('sequence')) return <PathStop view={view} />;
  return <SequenceStation view={view} />;
}
