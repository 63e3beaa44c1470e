import { addDays } from '@/core/record';
import { dayString } from '@/core/safety';
import { TodayBoard } from '@/stations/today/TodayBoard';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import {
  type Unreadable,
  asker,
  countClients,
  notSetAside,
  openRuns,
  openVisits,
  readSettings,
  recentClients,
  studioKind,
  theStore,
  toldAtOpening,
  unsignedVisits,
  wholeStore,
} from '@/store';
import { StudioShell } from './StudioShell';
import { loadDiary } from '../diary';
import { loadSettings, todayIn } from '../load';
import { one } from '../query';

/** A note left unsigned so long stays with its visit; it is not asked for on the front page any more. */
const askedForDays = 30;

export default async function TodayPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const store = theStore();
  const settings = loadSettings();
  const today = todayIn(settings.timeZone);
  const asked = dayString.safeParse(one((await searchParams).day));
  const day = asked.success ? asked.data : today;
  const aside: Unreadable[] = [];
  readSettings(store, aside);
  const view = loadDiary(day, day, day, aside);
  const expected = new Set(view.diary.bookings.map(({ clientId }) => clientId));
  const open = openVisits(store, aside);
  return (
    <StudioShell>
      <UnreadableNotice records={notSetAside(store, aside)} />
      <TodayBoard
        // Another day is another page: nothing of the one before stays open.
        key={day}
        view={view}
        day={day}
        walkIns={day === today ? open.filter((visit) => visit.day === today && !expected.has(visit.clientId)) : []}
        openRuns={openRuns(store)}
        leftOpen={open.filter((visit) => visit.day < today)}
        unsigned={unsignedVisits(store, addDays(today, -askedForDays))}
        recent={recentClients(store)}
        clientCount={countClients(store)}
        noticeSeen={settings.noticeSeen}
        isDemo={studioKind() === 'demo'}
        askPassphrase={asker().coachId === null && !settings.leftOpen && studioKind() === 'own'}
        told={[...toldAtOpening(wholeStore())]}
      />
    </StudioShell>
  );
}
