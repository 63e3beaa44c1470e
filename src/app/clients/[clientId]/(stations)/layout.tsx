import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { type ReactNode } from 'react';
import { flaggedConditions, openStations, screeningAge, unansweredConditions } from '@/core/safety';
import { visitStory } from '@/core/track';
import { Fence } from '@/parts/Fence';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import { SafetyLine } from '@/parts/shell/SafetyLine';
import { StationLine } from '@/parts/shell/StationLine';
import { Thread } from '@/parts/shell/Thread';
import { TopBar } from '@/parts/shell/TopBar';
import { loadClient, loadTheme } from '../../../load';

type Props = { params: Promise<{ clientId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: loadClient((await params).clientId)?.name ?? 'Not found' };
}

const stopWords = {
  emergency: 'Emergency sign logged today: stopped',
  'red flag': 'Red flag: no drills, refer',
  guardian: 'Guardian’s consent first',
  recount: 'Count the resting rate again',
} as const;

export default async function StationsLayout({ params, children }: Props & { children: ReactNode }) {
  const { clientId } = await params;
  const view = loadClient(clientId);
  if (!view) notFound();
  const { known, path, visit, gates, settings, today } = view;
  const open = openStations[path.state];
  const age = screeningAge(known.profile, today, settings.limits);
  const reached = [
    ...(known.latest.redFlags?.day === today ? ['screen'] : []),
    ...(visit && visit.looks.length > 0 ? ['look'] : []),
    ...(visit?.reading ? ['read'] : []),
    ...(visit?.plan ? ['sequence'] : []),
    ...(visit && visit.runs.length > 0 ? ['coach'] : []),
  ];
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar
        studioName={settings.studioName}
        zone={settings.timeZone}
        theme={await loadTheme()}
        clientId={clientId}
        clientName={view.name}
        openStationIds={[...open]}
      >
        <SafetyLine
          stop={path.state in stopWords ? stopWords[path.state as keyof typeof stopWords] : null}
          cautions={flaggedConditions(known.profile, today)}
          unasked={unansweredConditions(known.profile).length}
          stale={age.stale ? age.words : null}
          touch={known.profile.touch}
        />
      </TopBar>
      <StationLine clientId={clientId} open={[...open]} reached={reached} />
      <div className="grid grow lg:grid-cols-[minmax(0,1fr)_16.5rem]">
        <main className="px-4 py-6 lg:px-7">
          <UnreadableNotice records={view.unreadable} />
          {children}
        </main>
        <Fence what="The thread">
          <Thread lines={visitStory(known, gates, visit)} base={`/clients/${clientId}`} />
        </Fence>
      </div>
    </div>
  );
}
