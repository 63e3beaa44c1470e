import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import { SequenceStation } from '@/stations/sequence/SequenceStation';
import { loadRung, loadWish } from '../../../../../course';
import { loadForPlanning, planningAside, viewFor } from '../../../../../load';

export default async function SequencePage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadForPlanning(clientId);
  if (!view) notFound();
  if (!openStations[view.path.state].includes('sequence')) return <PathStop view={view} />;
  return (
    <>
      <UnreadableNotice records={planningAside(clientId)} />
      <SequenceStation
        view={viewFor(view, ['looks', 'plan', 'planning'])}
        wish={view.visit?.runs.length ? null : loadWish(clientId)}
        rung={view.visit?.runs.length ? null : loadRung(clientId)}
      />
    </>
  );
}
