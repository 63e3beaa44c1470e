import { countsAmong } from '@/core/look';
import { addDays, dayIn } from '@/core/record';
import { flaggedConditions, pathState } from '@/core/safety';
import { needsToday } from '@/core/track';
import { TodayBoard, type ExpectedRow } from '@/stations/today/TodayBoard';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import {
  type AppointmentRow,
  type Unreadable,
  appointmentsBetween,
  countClients,
  knownClientsOf,
  lastVisits,
  looksOf,
  notSetAside,
  openRuns,
  openVisits,
  readSettings,
  recentClients,
  stoppedDrillsOf,
  studioKind,
  theStore,
  toldAtOpening,
  visitsOfDay,
} from '@/store';
import { StudioShell } from './StudioShell';
import { loadSettings, todayIn } from './load';

export default function TodayPage() {
  const store = theStore();
  const settings = loadSettings();
  const today = todayIn(settings.timeZone);
  const aside: Unreadable[] = [];
  readSettings(store, aside);
  // A zone's day lies within two UTC days; the exact day is checked row by row.
  const from = `${addDays(today, -1)}T00:00:00.000Z`;
  const to = `${addDays(today, 2)}T00:00:00.000Z`;
  const appointments = appointmentsBetween(store, from, to, aside).filter(
    ({ startsAt }) => dayIn(startsAt, settings.timeZone) === today,
  );
  const rows = expectedRows(appointments, today, settings.timeZone);
  const seen = new Set(rows.map(({ clientId }) => clientId));
  const open = openVisits(store, aside);
  return (
    <StudioShell>
      <UnreadableNotice records={notSetAside(store, aside)} />
      <TodayBoard
        today={today}
        rows={rows}
        walkIns={open.filter(({ clientId, day }) => day === today && !seen.has(clientId))}
        openRuns={openRuns(store)}
        leftOpen={open.filter(({ day }) => day < today)}
        recent={recentClients(store).filter(({ id }) => !seen.has(id))}
        clientCount={countClients(store)}
        noticeSeen={settings.noticeSeen}
        isDemo={studioKind() === 'demo'}
        told={[...toldAtOpening(store)]}
      />
    </StudioShell>
  );
}

/** The day's rows. What is asked of everybody is asked at once; what can't be made of one of them is told in their row. */
function expectedRows(appointments: readonly AppointmentRow[], today: string, zone: string): ExpectedRow[] {
  const store = theStore();
  const ids = [...new Set(appointments.map(({ clientId }) => clientId))];
  const asides = new Map<string, Unreadable[]>(ids.map((id) => [id, []]));
  const known = knownClientsOf(store, ids, { aside: (id) => asides.get(id) ?? [] });
  const last = lastVisits(store, ids, today);
  const visits = visitsOfDay(store, ids, today);
  const counts = looksOf(
    store,
    [...visits.values()].map(({ id }) => id),
    { protocols: ['quietLook'] },
  );
  const stopped = stoppedDrillsOf(store, ids);
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' });
  return appointments.map(({ id, clientId, name, startsAt, minutes, note }) => {
    const visit = visits.get(clientId) ?? null;
    const row = {
      id,
      clientId,
      name,
      startsAt,
      time: clock.format(new Date(startsAt)),
      minutes,
      note,
      visit: visit === null ? ('none' as const) : visit.endedAt ? ('ended' as const) : ('open' as const),
    };
    try {
      const client = known.get(clientId)!;
      const before = last.get(clientId);
      const path = pathState(
        client.profile,
        today,
        visit ? countsAmong(counts.filter(({ visitId }) => visitId === visit.id)) : [],
      );
      const bad = notSetAside(store, asides.get(clientId) ?? []).length;
      return {
        ...row,
        cautions: flaggedConditions(client.profile, today),
        closed: path.state === 'emergency' || path.state === 'red flag',
        needs: [
          ...needsToday({
            known: client,
            path,
            today,
            last: before
              ? { day: before.day, intent: before.reading?.intent ?? null, side: before.reading?.side ?? null }
              : null,
            visit: row.visit,
            stoppedDrills: stopped.get(clientId)?.length ?? 0,
          }),
          ...(bad > 0 ? [`${bad} ${bad === 1 ? 'answer' : 'answers'} can’t be read: open them to see which.`] : []),
        ],
      };
    } catch (error) {
      console.error(error);
      return {
        ...row,
        cautions: [],
        closed: false,
        needs: ['Something recorded here can’t be read: open them to see what.'],
      };
    }
  });
}
