/** Positions a look can be taken in, easiest to hardest. */
export const lookPositions = [
  'propped',
  'hook-lying',
  'side-lying',
  'prone',
  'quadruped',
  'sitting',
  'long kneel',
  'standing',
  'walking',
] as const;
export type LookPosition = (typeof lookPositions)[number];

/** The usual places; walking is for holds only: nothing can be watched or measured on somebody who walks away. */
export const anywhere: readonly LookPosition[] = ['hook-lying', 'propped', 'side-lying', 'sitting', 'standing'];
