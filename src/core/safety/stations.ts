/** The stations of the work, in order. */
export const stationIds = ['screen', 'look', 'read', 'sequence', 'coach', 'carry', 'track'] as const;
export type StationId = (typeof stationIds)[number];
