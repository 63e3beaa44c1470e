import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { RunScreen } from '@/stations/coach/RunScreen';
import { findRun, findVisit, theStore } from '@/store';
import { loadForPlanning } from '../../load';

export const metadata = { title: 'Coaching' };

export default async function RunPage({ params }: { params: Promise<{ runId: string }> }) {
  const store = theStore();
  const run = findRun(store, (await params).runId);
  const visit = run && findVisit(store, run.visitId);
  const view = visit && loadForPlanning(visit.clientId);
  if (!run || !view) notFound();
  if (!openStations[view.path.state].includes('coach')) {
    return (
      <main className="mx-auto max-w-4xl p-6">
        <PathStop view={view} />
      </main>
    );
  }
  return <RunScreen key={run.id} view={view} stored={run} />;
}
