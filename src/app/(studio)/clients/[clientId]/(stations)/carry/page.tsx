import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { outcomeOf, stateOf, summariseRun } from '@/core/coach';
import { openStations } from '@/core/safety';
import { PathStop } from '@/stations/PathStop';
import { CarryStation } from '@/stations/carry/CarryStation';
import { type ClientView } from '@/stations/view';
import { dayIn, dayInWords } from '@/core/record';
import { checkInOf, historyOf, theStore } from '@/store';
import { loadClient, viewFor } from '../../../../../load';

export default async function CarryPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  if (!openStations[view.path.state].includes('carry')) return <PathStop view={view} />;
  return <CarryStation view={viewFor(view, ['runs'])} before={drillsBefore(view)} link={await linkOf(view)} />;
}

/** The link for home that stands, and whether this page was asked for by way of the network: then a phone can ask too. */
async function linkOf({ visit, settings }: ClientView) {
  const standing = visit && checkInOf(theStore(), visit.id, Date.now());
  return {
    standing:
      standing && dayInWords(dayIn(standing.expiresAtMs, settings.timeZone), dayIn(Date.now(), settings.timeZone)),
    elsewhere: (await headers()).get('x-kokyu-elsewhere') || null,
  };
}

/** Drills that were done at a visit before this one: more often than today. */
function drillsBefore({ id, visit }: ClientView<'runs'>): string[] {
  const today = (visit?.runs ?? [])
    .flatMap((run) => summariseRun(stateOf(run), id).items)
    .filter((one) => outcomeOf(one) !== null)
    .map(({ item }) => item.drillId);
  return historyOf(theStore(), id)
    .filter(({ drillId, outcomes }) => outcomes.length > today.filter((one) => one === drillId).length)
    .map(({ drillId }) => drillId);
}
