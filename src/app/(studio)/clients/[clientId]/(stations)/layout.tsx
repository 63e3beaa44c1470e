import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { type ReactNode } from 'react';
import { type VisitRecord, dayInWords } from '@/core/record';
import { type StationId, openStations } from '@/core/safety';
import { visitStory } from '@/core/track';
import { Fence } from '@/parts/Fence';
import { ClientSafety, ClientStations, PlannedSoFar } from '@/stations/ClientHead';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import { Thread } from '@/parts/shell/Thread';
import { TopBar } from '@/parts/shell/TopBar';
import { loadClient, loadLook, viewFor, viewForSaid, visitsOfClient } from '../../../../load';

type Props = { params: Promise<{ clientId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: loadClient((await params).clientId)?.name ?? 'Not found' };
}

const recordedIn = (visit: VisitRecord | null): StationId[] =>
  visit === null
    ? []
    : [
        ...(visit.looks.length > 0 ? (['look'] as const) : []),
        ...(visit.plan ? (['sequence'] as const) : []),
        ...(visit.runs.length > 0 ? (['coach'] as const) : []),
      ];

/** Visits in the thread, the newest first; the one going on is where it is noted and ended. */
const visitsShown = 6;
const visitsInWords = (clientId: string, current: string | null, today: string) =>
  visitsOfClient(clientId)
    .slice(0, visitsShown)
    .map(({ id, day, endedAt }) => ({
      id,
      words: id === current && endedAt === null ? 'This visit: note it and end it' : dayInWords(day, today),
    }));

export default async function StationsLayout({ params, children }: Props & { children: ReactNode }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  const { known, path, visit, gates, settings } = view;
  const head = viewFor(view, []);
  const said = viewForSaid(view);
  const lines = visitStory(known, gates, visit).map(({ words, ...line }) => ({
    ...line,
    // What is edited beside the thread is told in it at once.
    words: line.station === 'sequence' ? <PlannedSoFar view={said} words={words} /> : words,
  }));
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar
        studioName={settings.studioName}
        zone={settings.timeZone}
        theme={(await loadLook()).theme}
        clientId={clientId}
        clientName={view.name}
        openStationIds={openStations[path.state]}
      >
        <ClientSafety view={head} />
      </TopBar>
      <ClientStations view={said} recorded={recordedIn(visit)} />
      <div className="grid grow grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_16.5rem]">
        <main id="main" className="px-4 py-6 lg:px-7">
          <UnreadableNotice records={view.unreadable} />
          {children}
        </main>
        <Fence what="The thread">
          <Thread
            lines={lines}
            base={`/clients/${clientId}`}
            visits={visitsInWords(clientId, visit?.id ?? null, view.today)}
          />
        </Fence>
      </div>
    </div>
  );
}
