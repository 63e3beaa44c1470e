import { type StationId, stationIds } from '@/core/safety';

const words: Readonly<Record<StationId, { number: number; name: string }>> = {
  screen: { number: 1, name: 'Screen' },
  look: { number: 2, name: 'Look' },
  read: { number: 3, name: 'Read' },
  sequence: { number: 4, name: 'Sequence' },
  coach: { number: 5, name: 'Coach' },
  carry: { number: 6, name: 'Carry home' },
  track: { number: 7, name: 'Track' },
};

/** The stations of the work in order. */
export const stationList = stationIds.map((id) => ({ id, ...words[id] }));
