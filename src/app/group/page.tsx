import { openStations } from '@/core/safety';
import { GroupStart } from '@/stations/coach/GroupStart';
import { openVisits, theStore } from '@/store';
import { StudioShell } from '../StudioShell';
import { loadClient, loadSettings, todayIn } from '../load';

export const metadata = { title: 'Group' };

export default function GroupPage() {
  const today = todayIn(loadSettings().timeZone);
  const ids = [...new Set(openVisits(theStore()).flatMap(({ clientId, day }) => (day === today ? [clientId] : [])))];
  const here = ids.flatMap((id) => loadClient(id) ?? []);
  const may = here.filter(({ path, visit }) => visit && openStations[path.state].includes('coach'));
  return (
    <StudioShell>
      <h1 className="text-2xl">Coach a group</h1>
      <p className="mb-6 text-ink2">
        One plan in one shared position; each keeps their own limits, and does the changed version where those ask for
        it.
      </p>
      <GroupStart
        candidates={may.map(({ id, name, gates, visit }) => ({
          clientId: id,
          visitId: visit!.id,
          name,
          gates,
          items: visit!.plan?.plan.items ?? [],
        }))}
        closed={here.filter((view) => !may.includes(view)).map(({ name }) => name)}
      />
    </StudioShell>
  );
}
