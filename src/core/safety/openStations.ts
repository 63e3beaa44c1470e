import { type PathState } from './path';
import { type StationId, stationIds } from './stations';

/** The stations that stay open in each state. Track always is; an emergency leaves nothing else. */
export const openStations: Readonly<Record<PathState['state'], readonly StationId[]>> = {
  open: stationIds,
  'not asked': ['screen', 'look', 'read', 'sequence', 'track'],
  recount: ['screen', 'look', 'read', 'track'],
  'red flag': ['screen', 'track'],
  guardian: ['screen', 'track'],
  emergency: ['track'],
};
