/** How marked something is, 0 to 3; 0 is looked for and not there. */
export type Severity = 0 | 1 | 2 | 3;

/** What one record says of one finding. */
export interface Found {
  severity: Severity;
  side?: 'left' | 'right';
  /** Instead of the finding's own words. */
  words?: string;
  /** In how many looks it was looked for; one where it is left out. */
  times?: number;
}

/** What a record says of the findings it can settle; what could not be looked for is left out. */
export type FoundHere<Id extends string = string> = Partial<Record<Id, Found>>;

/** @example ifThere(true, 3) // { severity: 3 } */
export const ifThere = (there: boolean, severity: Severity = 2): Found => ({ severity: there ? severity : 0 });

/**
 * Rows of fields with an answer: once it was answered, the finding is there or looked for and not there. Of two fields that
 * speak of the same finding the more marked one counts.
 *
 * @param rows field, finding, how marked it is, and the answer by which it is there (*yes* where it is left out)
 * @example fromAnswers({ pain: 'yes' }, [['pain', 'floorPain', 3]]) // { floorPain: { severity: 3 } }
 */
export function fromAnswers<R, Id extends string>(
  raw: R,
  rows: readonly (readonly [keyof R, Id, Severity, string?])[],
): FoundHere<Id> {
  const found: FoundHere<Id> = {};
  for (const [key, finding, severity, there = 'yes'] of rows) {
    const value = raw[key];
    if (value === 'not observed') continue;
    const next = ifThere(value === there, severity);
    if (next.severity >= (found[finding]?.severity ?? 0)) found[finding] = next;
  }
  return found;
}

type Edges = readonly (readonly [edge: number, severity: Severity])[];

/** How marked a value is that is worse the lower it is; edges rising. @example below(2, [[3, 3], [5, 2]]) // 3 */
export const below = (value: number, edges: Edges): Severity => edges.find(([edge]) => value < edge)?.[1] ?? 0;

/** How marked a value is that is worse the higher it is; edges falling. @example above(72, [[80, 3], [70, 2]]) // 2 */
export const above = (value: number, edges: Edges): Severity => edges.find(([edge]) => value >= edge)?.[1] ?? 0;
