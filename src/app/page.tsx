import { addDays, dayIn } from '@/core/record';
import { flaggedConditions, pathState } from '@/core/safety';
import { needsToday } from '@/core/track';
import { TodayBoard, type ExpectedRow } from '@/stations/today/TodayBoard';
import {
  type AppointmentRow,
  appointmentsBetween,
  countClients,
  knownClientsOf,
  lastVisits,
  latestRate,
  openRuns,
  openVisits,
  recentClients,
  stoppedDrills,
  studioKind,
  theStore,
  visitOfDay,
} from '@/store';
import { StudioShell } from './StudioShell';
import { loadSettings, todayIn } from './load';

export default function TodayPage() {
  const store = theStore();
  const settings = loadSettings();
  const today = todayIn(settings.timeZone);
  // A zone's day lies within two UTC days; the exact day is checked row by row.
  const from = `${addDays(today, -1)}T00:00:00.000Z`;
  const to = `${addDays(today, 2)}T00:00:00.000Z`;
  const appointments = appointmentsBetween(store, from, to).filter(
    ({ startsAt }) => dayIn(startsAt, settings.timeZone) === today,
  );
  const rows = expectedRows(appointments, today, settings.timeZone);
  const seen = new Set(rows.map(({ clientId }) => clientId));
  const open = openVisits(store);
  return (
    <StudioShell>
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
      />
    </StudioShell>
  );
}

function expectedRows(appointments: readonly AppointmentRow[], today: string, zone: string): ExpectedRow[] {
  const store = theStore();
  const ids = [...new Set(appointments.map(({ clientId }) => clientId))];
  const known = knownClientsOf(store, ids);
  const last = lastVisits(store, ids, today);
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' });
  return appointments.map(({ id, clientId, name, startsAt, minutes, note }) => {
    const client = known.get(clientId)!;
    const visit = visitOfDay(store, clientId, today);
    const before = last.get(clientId);
    const path = pathState(client.profile, today, visit ? latestRate(store, visit.id) : null);
    return {
      id,
      clientId,
      name,
      startsAt,
      time: clock.format(new Date(startsAt)),
      minutes,
      note,
      visit: visit === null ? 'none' : visit.endedAt ? 'ended' : 'open',
      cautions: flaggedConditions(client.profile, today),
      closed: path.state === 'emergency' || path.state === 'red flag',
      needs: needsToday({
        known: client,
        path,
        today,
        last: before
          ? { day: before.day, intent: before.reading?.intent ?? null, side: before.reading?.side ?? null }
          : null,
        visit: visit === null ? 'none' : visit.endedAt ? 'ended' : 'open',
        stoppedDrills: stoppedDrills(store, clientId).length,
      }),
    };
  });
}
