import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { RunScreen } from '@/stations/coach/RunScreen';
import { findRun, findVisit, theStore } from '@/store';
import { loadClient, loadForPlanning } from '../../load';

export const metadata = { title: 'Coaching' };

export default async function RunPage({ params }: { params: Promise<{ runId: string }> }) {
  const store = theStore();
  const run = findRun(store, (await params).runId);
  const visit = run && findVisit(store, run.visitId);
  const view = visit && loadForPlanning(visit.clientId);
  if (!run || !view) notFound();
  const members = run.members.flatMap(({ clientId }) => loadClient(clientId) ?? []);
  const closed = [view, ...members].find(({ path }) => !openStations[path.state].includes('coach'));
  if (closed) {
    return (
      <main className="mx-auto max-w-4xl p-6">
        <PathStop view={closed} />
      </main>
    );
  }
  const group = members.map(({ id, name, gates, known }) => ({
    clientId: id,
    name,
    gates,
    touch: known.profile.touch,
    latestTouch: known.latest.touch,
  }));
  return <RunScreen key={run.id} view={view} stored={run} group={group} />;
}
