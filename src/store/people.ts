import {
  type CountedRate,
  type GateLimits,
  type Gates,
  type PathState,
  type SeenCaution,
  evaluateGates,
  pathState,
} from '@/core/safety';
import { byTime, cautionsSeen, isOf, rateOf } from '@/core/look';
import { type StoredLook, type VisitRow } from '@/core/record';
import { knownClientOf } from './clients';
import { type Store } from './file';
import { looksOf, looksOfClient } from './visits';

/** Cautions that the looks of a client found. */
export const cautionsSeenOf = (store: Store, clientId: string): SeenCaution[] =>
  cautionsSeen(looksOfClient(store, clientId, ['floor']));

/** Gates of a client on a day, within the limits the coach set: what was told, and what looks found. */
export const gatesOf = (store: Store, clientId: string, day: string, limits: GateLimits): Gates =>
  evaluateGates(knownClientOf(store, clientId).profile, day, limits, cautionsSeenOf(store, clientId));

/** The unannounced counts among looks of a visit, oldest first, as far as the path needs them. */
export const countsAmong = (looks: readonly StoredLook[]): CountedRate[] =>
  looks
    .filter((look) => isOf(look, 'quietLook'))
    .filter(({ moment }) => moment === 'before')
    .sort(byTime)
    .flatMap(({ id, raw }) => {
      const rate = rateOf(raw.taps);
      return rate ? [{ breathsPerMinute: rate.breathsPerMinute, seconds: rate.seconds, recordId: id }] : [];
    });

/** The unannounced counts of a visit. */
export const countsOf = (store: Store, visitId: string): CountedRate[] =>
  countsAmong(looksOf(store, [visitId], { protocols: ['quietLook'] }));

/** Where the client of a visit may go on a day. */
export const pathOf = (store: Store, visit: VisitRow, day: string): PathState =>
  pathState(knownClientOf(store, visit.clientId).profile, day, countsOf(store, visit.id));
