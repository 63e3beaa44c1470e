import { cookies } from 'next/headers';
import { cache } from 'react';
import { dayIn } from '@/core/record';
import { type LookRecord, isOf } from '@/core/look';
import { freeFindings, readFindings } from '@/core/read';
import { type Fact, type GateLimits, evaluateGates, knownClient, pathState } from '@/core/safety';
import { type ClientView } from '@/stations/view';
import {
  factsOf,
  faultsBefore,
  findClient,
  historyOf,
  latestRate,
  looksOf,
  ownDrillsOf,
  readSettings,
  stoppedDrills,
  templatesOf,
  theStore,
  visitOfDay,
  visitRecord,
  visitsOf,
} from '@/store';

export const loadSettings = cache(() => readSettings(theStore()));

export async function loadTheme(): Promise<'light' | 'dark'> {
  return (await cookies()).get('theme')?.value === 'dark' ? 'dark' : 'light';
}

export const todayIn = (zone: string) => dayIn(Date.now(), zone);

/** Protocols in which something marked was found. */
const markedIn = (looks: readonly LookRecord[]) => [
  ...new Set(
    readFindings(looks).flatMap(({ id, severity, protocol }) =>
      severity >= 2 && !freeFindings.includes(id) ? [protocol] : [],
    ),
  ),
];

/** The calm holds among looks, oldest first. */
const holdsOf = (looks: readonly LookRecord[]) =>
  looks.flatMap((look) => (isOf(look, 'calmHold') && look.raw.tries.length > 0 ? [look.raw] : []));

/** Limits on an earlier day, by what had been said until then. */
const gatesOn = (facts: readonly Fact[], day: string, limits: GateLimits) =>
  evaluateGates(knownClient(facts.filter((fact) => fact.day <= day)).profile, day, limits);

/** Everything the stations of a client show, or null for an id nobody has. Read once a request. */
export const loadClient = cache((clientId: string): ClientView | null => {
  const store = theStore();
  const client = findClient(store, clientId);
  if (!client) return null;
  const settings = loadSettings();
  const today = todayIn(settings.timeZone);
  const facts = factsOf(store, clientId);
  const known = knownClient(facts);
  const row = visitOfDay(store, clientId, today);
  const visit = row ? visitRecord(store, row) : null;
  const earlier = visitsOf(store, clientId).filter(({ id }) => id !== row?.id);
  const [last] = earlier;
  return {
    id: clientId,
    name: client.name,
    today,
    settings,
    known,
    gates: evaluateGates(known.profile, today, settings.limits),
    path: pathState(known.profile, today, row ? latestRate(store, row.id) : null),
    visit,
    stopped: stoppedDrills(store, clientId),
    earlier,
    holdsBefore: holdsOf(
      looksOf(
        store,
        earlier.map(({ id: visitId }) => visitId),
        'calmHold',
      ),
    ),
    markedLast: last ? markedIn(looksOf(store, [last.id])) : [],
    facts,
    gatesThen: last ? gatesOn(facts, last.day, settings.limits) : null,
    planning: null,
  };
});

/** A client with what planning needs: how drills went before, the coach's own drills, the templates. */
export const loadForPlanning = cache((clientId: string): ClientView | null => {
  const view = loadClient(clientId);
  if (!view) return null;
  const store = theStore();
  return {
    ...view,
    planning: {
      history: historyOf(store, clientId),
      faults: faultsBefore(store, clientId),
      ownDrills: ownDrillsOf(store).map(({ drill }) => drill),
      templates: templatesOf(store),
    },
  };
});
