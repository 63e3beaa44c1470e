import { countsAmong } from '@/core/look';
import { evaluateGates, openStations, pathState } from '@/core/safety';
import { GroupStart } from '@/stations/coach/GroupStart';
import { cautionsSeenOf, findVisit, knownClientsOf, looksOf, openVisits, plansOf, theStore } from '@/store';
import { StudioShell } from '../StudioShell';
import { loadSettings, todayIn } from '../../load';

export const metadata = { title: 'Group' };

export default function GroupPage() {
  const settings = loadSettings();
  const today = todayIn(settings.timeZone);
  const { may, closed } = peopleHere(today);
  return (
    <StudioShell>
      <h1 className="text-2xl">Coach a group</h1>
      <p className="mb-6 text-ink2">
        One plan in one shared position; each keeps their own limits, and does the changed version where those ask for
        it.
      </p>
      <GroupStart candidates={may} closed={closed} />
    </StudioShell>
  );
}

/** Who is here today and may be coached, with their own plan where they have one; who may not, by name. */
function peopleHere(today: string) {
  const store = theStore();
  const { limits } = loadSettings();
  const here = [
    ...new Map(
      openVisits(store)
        .filter(({ day }) => day === today)
        .map((visit) => [visit.clientId, visit]),
    ).values(),
  ];
  const known = knownClientsOf(
    store,
    here.map(({ clientId }) => clientId),
  );
  const visitIds = here.map(({ id }) => id);
  const counts = looksOf(store, visitIds, { protocols: ['quietLook'] });
  const plans = plansOf(store, visitIds);
  const people = here.flatMap(({ id: visitId, clientId, name }) => {
    const { profile } = known.get(clientId)!;
    if (!findVisit(store, visitId)) return [];
    const path = pathState(profile, today, countsAmong(counts.filter((look) => look.visitId === visitId)));
    const candidate = {
      clientId,
      visitId,
      name,
      gates: evaluateGates(profile, today, limits, cautionsSeenOf(store, clientId)),
      items: plans.get(visitId)?.plan.items ?? [],
    };
    return [{ candidate, open: openStations[path.state].includes('coach') }];
  });
  return {
    may: people.filter(({ open }) => open).map(({ candidate }) => candidate),
    closed: people.filter(({ open }) => !open).map(({ candidate }) => candidate.name),
  };
}
