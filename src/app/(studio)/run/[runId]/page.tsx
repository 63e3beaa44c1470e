import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import { shownWeek } from '@/stations/shownWeek';
import { LiveScreen } from '@/stations/live/LiveScreen';
import { type Unreadable, findRun, findVisit, runNews, theStore } from '@/store';
import { devicesOf } from '../../../paired';
import { loadClient, loadForPlanning, viewFor } from '../../../load';

export const metadata = { title: 'Coaching' };

export default async function RunPage({ params }: { params: Promise<{ runId: string }> }) {
  const store = theStore();
  const { runId } = await params;
  const aside: Unreadable[] = [];
  // Before anything is read: what is told meanwhile is more than the page shows.
  const told = runNews(store, runId)?.told ?? null;
  const run = findRun(store, runId, aside);
  if (!run && aside.length > 0) {
    return (
      <main id="main" className="mx-auto max-w-4xl p-6">
        <UnreadableNotice records={aside} />
      </main>
    );
  }
  const visit = run && findVisit(store, run.visitId);
  const view = visit && loadForPlanning(visit.clientId);
  if (!run || !view) notFound();
  const members = run.members.flatMap(({ clientId }) => loadClient(clientId) ?? []);
  // In a group who may not be coached any more goes out of it, and the others go on.
  if (members.length <= 1 && !openStations[view.path.state].includes('coach')) {
    return (
      <main id="main" className="mx-auto max-w-4xl p-6">
        <PathStop view={view} />
      </main>
    );
  }
  const group = members.map(({ id, name, gates, path, known, today }) => ({
    clientId: id,
    name,
    gates,
    path,
    touch: known.profile.touch,
    latestTouch: known.latest.touch,
    ...shownWeek({ known, today }),
  }));
  const paired = {
    devices: devicesOf(run.id),
    elsewhere: (await headers()).get('x-kokyu-elsewhere') || null,
  };
  const shown = viewFor(view, ['looks', 'plan', 'planning']);
  return <LiveScreen key={run.id} view={shown} stored={run} told={told} group={group} paired={paired} />;
}
