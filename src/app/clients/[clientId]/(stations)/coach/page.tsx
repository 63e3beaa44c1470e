import { notFound } from 'next/navigation';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { CoachStation } from '@/stations/coach/CoachStation';
import { looksOf, theStore } from '@/store';
import { loadForPlanning } from '../../../../load';

export default async function CoachPage({ params }: { params: Promise<{ clientId: string }> }) {
  const view = loadForPlanning((await params).clientId);
  if (!view) notFound();
  if (!openStations[view.path.state].includes('coach')) return <PathStop view={view} />;
  const visits = [...(view.visit ? [view.visit] : []), ...view.earlier];
  const looks = looksOf(
    theStore(),
    visits.map(({ id }) => id),
  );
  return <CoachStation view={view} looks={looks} />;
}
