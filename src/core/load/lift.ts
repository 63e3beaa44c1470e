/** What became of the breath in a set: it went along, it was lost, it was held where it wasn't meant to be. */
export const liftBreaths = ['went along', 'lost', 'held'] as const;
export type LiftBreath = (typeof liftBreaths)[number];
