import { weekOf } from '@/core/diary';
import { dayString } from '@/core/safety';
import { UnreadableNotice } from '@/stations/UnreadableNotice';
import { WeekBoard } from '@/stations/week/WeekBoard';
import { type Unreadable, notSetAside, theStore } from '@/store';
import { StudioShell } from '../StudioShell';
import { loadDiary, loadRechecks } from '../../diary';
import { loadSettings, todayIn } from '../../load';
import { one } from '../../query';

export const metadata = { title: 'The week' };

export default async function WeekPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { timeZone, weekStart } = loadSettings();
  const today = todayIn(timeZone);
  const asked = dayString.safeParse(one((await searchParams).of));
  const days = weekOf(asked.success ? asked.data : today, weekStart);
  const aside: Unreadable[] = [];
  const view = loadDiary(days[0]!, days.at(-1)!, today, aside);
  return (
    <StudioShell>
      <UnreadableNotice records={notSetAside(theStore(), aside)} />
      <WeekBoard key={days[0]} view={view} days={days} rechecks={loadRechecks()} />
    </StudioShell>
  );
}
