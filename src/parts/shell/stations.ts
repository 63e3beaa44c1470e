/** The stations of the work in order. A number stays a station's own, so that a key learnt today holds tomorrow. */
export const stationList = [
  { id: 'screen', number: 1, name: 'Screen' },
  { id: 'look', number: 2, name: 'Look' },
  { id: 'read', number: 3, name: 'Read' },
  { id: 'sequence', number: 4, name: 'Sequence' },
  { id: 'coach', number: 5, name: 'Coach' },
  { id: 'track', number: 7, name: 'Track' },
] as const;
export type StationId = (typeof stationList)[number]['id'];
