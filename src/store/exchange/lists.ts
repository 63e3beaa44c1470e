import { belonging } from '../belonging';

/** Not handed on: secrets, what is worked out anew, and the trail, which is this studio’s own. */
export const stayHere: readonly string[] = [
  'coaches',
  'sessions',
  'care',
  'trail',
  'taken',
  'run_summaries',
  'check_ins',
  'pairs',
];

/** Tables whose rows are about a client, in an order in which each finds what it stands on. */
export const tablesOfClient: readonly string[] = [
  ...Object.entries(belonging)
    .filter(([name, belongs]) => belongs !== 'studio' && !stayHere.includes(name))
    .map(([name]) => name),
];

/** Tables of the studio itself that are handed on with a whole studio. */
export const tablesOfStudio: readonly string[] = ['settings', 'own_drills', 'templates', 'set_asides', 'own_breath'];
