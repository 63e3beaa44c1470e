import { timeIn } from '@/core/diary';
import { dayIn, weekdayShort } from '@/core/record';
import { AccessPage } from '@/stations/access/AccessPage';
import { asker, coachesOf, mustChange, sessionsOf, studioKind, wholeStore } from '@/store';
import { loadSettings, todayIn } from '../../../load';
import { StudioShell } from '../../StudioShell';

export const metadata = { title: 'Who may come in' };

export default function Page() {
  const store = wholeStore();
  const by = asker();
  const { timeZone, lockMinutes } = loadSettings();
  const when = (ms: number) => `${weekdayShort(dayIn(ms, timeZone))} ${timeIn(ms, timeZone)}`;
  const day = (instant: string) => dayIn(instant, timeZone);
  return (
    <StudioShell>
      <h1 className="mb-4 text-2xl">Who may come in</h1>
      <div className="max-w-3xl">
        <AccessPage
          me={by.coachId === null ? null : { id: by.coachId, name: by.name ?? '', role: by.role }}
          coaches={
            by.role === 'owner'
              ? coachesOf(store).map(({ id, name, role, createdAt, endedAt }) => ({
                  id,
                  name,
                  role,
                  since: day(createdAt),
                  until: endedAt && day(endedAt),
                }))
              : []
          }
          sessions={
            by.coachId === null
              ? []
              : sessionsOf(store, by.role === 'owner' ? null : by.coachId).map((one) => ({
                  id: one.id,
                  device: one.device,
                  begun: when(one.createdAtMs),
                  seen: when(one.seenAtMs),
                  here: one.id === by.sessionId,
                  whose: one.coachId === by.coachId ? null : one.name,
                }))
          }
          mustChange={mustChange(store, by.coachId)}
          lockMinutes={lockMinutes}
          demo={studioKind() === 'demo'}
          today={todayIn(timeZone)}
        />
      </div>
    </StudioShell>
  );
}
