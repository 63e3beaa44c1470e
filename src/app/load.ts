import { cookies } from 'next/headers';
import { cache } from 'react';
import { dayIn } from '@/core/record';
import { evaluateGates, knownClient, pathState } from '@/core/safety';
import { type ClientView } from '@/stations/view';
import {
  factsOf,
  findClient,
  latestRate,
  readSettings,
  stoppedDrills,
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

/** Everything the stations of a client show, or null for an id nobody has. Read once a request. */
export const loadClient = cache((clientId: string): ClientView | null => {
  const store = theStore();
  const client = findClient(store, clientId);
  if (!client) return null;
  const settings = loadSettings();
  const today = todayIn(settings.timeZone);
  const known = knownClient(factsOf(store, clientId));
  const row = visitOfDay(store, clientId, today);
  const visit = row ? visitRecord(store, row) : null;
  return {
    id: clientId,
    name: client.name,
    today,
    settings,
    known,
    gates: evaluateGates(known.profile, today),
    path: pathState(known.profile, today, row ? latestRate(store, row.id) : null),
    visit,
    stopped: stoppedDrills(store, clientId),
    earlier: visitsOf(store, clientId).filter(({ id }) => id !== row?.id),
  };
});
