import { type ConditionId, conditionIds } from './conditions';

/** Where a complaint is felt. */
export const complaintPlaces = [
  'head',
  'neck',
  'shoulder blade',
  'ribs',
  'mid-back',
  'low back',
  'belly',
  'pelvis',
] as const;
export type ComplaintPlace = (typeof complaintPlaces)[number];

/** Where it is and how much of it there is, 0 none to 10 as bad as can be; null where it was not asked. */
export interface Complaint {
  places: readonly ComplaintPlace[];
  level: number | null;
}
/** What can be recorded of a client. The shape of each value stands in `factSchemas`. */
export const factKeys = [
  'name',
  'birthDay',
  'goal',
  'complaint',
  'complaintDetail',
  'symptoms',
  'longDesk',
  'clinician',
  'medicines',
  'touch',
  'guardian',
  'whatChanged',
  'screened',
  'emergency',
  'redFlags',
  'emergencyClearance',
  'redFlagClearance',
  'rateClearance',
  ...conditionIds.map((id): `answer:${ConditionId}` => `answer:${id}`),
] as const;
export type FactKey = (typeof factKeys)[number];

/** One thing said of a client on a day. Facts are only ever added; the newest of a key counts. */
export interface Fact {
  id: string;
  key: FactKey;
  value: unknown;
  /** UTC, ISO */
  at: string;
  /** The calendar day in the studio's zone, yyyy-mm-dd. */
  day: string;
}
