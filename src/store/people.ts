import {
  type CountedRate,
  type GateLimits,
  type Gates,
  type PathState,
  type SeenCaution,
  evaluateGates,
  pathState,
} from '@/core/safety';
import { cautionsSeen, countsAmong } from '@/core/look';
import { type VisitRow } from '@/core/record';
import { knownClientOf } from './clients';
import { type Store } from './file';
import { looksOf, looksOfClient } from './visits';

/** Cautions that the looks of a client found. */
export const cautionsSeenOf = (store: Store, clientId: string): SeenCaution[] =>
  cautionsSeen(looksOfClient(store, clientId, ['floor']));

/** Gates of a client on a day, within the limits the coach set: what was told, and what looks found. */
export const gatesOf = (store: Store, clientId: string, day: string, limits: GateLimits): Gates =>
  evaluateGates(knownClientOf(store, clientId).profile, day, limits, cautionsSeenOf(store, clientId));

/** The unannounced counts of a visit. */
const countsOf = (store: Store, visitId: string): CountedRate[] =>
  countsAmong(looksOf(store, [visitId], { protocols: ['quietLook'] }));

/** Where the client of a visit may go on a day. */
export const pathOf = (store: Store, visit: VisitRow, day: string): PathState =>
  pathState(knownClientOf(store, visit.clientId).profile, day, countsOf(store, visit.id));
