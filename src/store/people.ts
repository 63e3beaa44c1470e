import { type CountedRate, type GateLimits, type Gates, type PathState, evaluateGates, pathState } from '@/core/safety';
import { newest, rateOf } from '@/core/look';
import { type StoredLook, type VisitRow } from '@/core/record';
import { knownClientOf } from './clients';
import { type Store } from './file';
import { looksOf } from './visits';

/** Gates of a client on a day, within the limits the coach set. */
export const gatesOf = (store: Store, clientId: string, day: string, limits: GateLimits): Gates =>
  evaluateGates(knownClientOf(store, clientId).profile, day, limits);

/** The newest unannounced count among looks of a visit, as far as the path needs it. */
export function rateAmong(looks: readonly StoredLook[]): CountedRate | null {
  const record = newest(looks, 'quietLook', 'before');
  const rate = record && rateOf(record.raw.taps);
  return rate ? { breathsPerMinute: rate.breathsPerMinute, seconds: rate.seconds, recordId: record.id } : null;
}

/** The newest unannounced count of a visit. */
export const latestRate = (store: Store, visitId: string): CountedRate | null =>
  rateAmong(looksOf(store, [visitId], { protocols: ['quietLook'] }));

/** Where the client of a visit may go on a day. */
export const pathOf = (store: Store, visit: VisitRow, day: string): PathState =>
  pathState(knownClientOf(store, visit.clientId).profile, day, latestRate(store, visit.id));
