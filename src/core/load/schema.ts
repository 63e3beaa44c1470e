import * as z from 'zod/mini';
import { showsSomething } from '../reasons';
import { componentIds } from '../safety';
import { type Stance } from './mechanics';
import { findMovement } from './movements';
import { groundIds, handsLoaded, humanRange } from './stances';
import { type StrategyId, strategies } from './strategy';

const within = (key: keyof Stance) => {
  const { least, most, name, unit } = humanRange[key];
  const words = `${name} goes from ${least} to ${most}${unit}.`;
  return z.number().check(z.minimum(least, words), z.maximum(most, words));
};
const stanceSchema = z.strictObject({
  side: within('side'),
  fold: within('fold'),
  turn: within('turn'),
  lean: within('lean'),
  arm: within('arm'),
  push: within('push'),
  hips: within('hips'),
});

const part = z.number().check(z.minimum(-1), z.maximum(1));
const towardSchema = z
  .readonly(z.tuple([part, part, part]))
  .check(z.refine((toward) => Math.hypot(...toward) > 1e-6, 'A line of pull points somewhere.'));

/** A movement of a coach's own, as it is kept: the same as those of the library, but that nothing stands beside or instead of it. */
const movementSchema = z.strictObject({
  id: z.string().check(z.minLength(1), z.maxLength(60)),
  name: z
    .string()
    .check(z.trim(), z.minLength(3, 'Give the movement a name.'), z.maxLength(60), z.refine(showsSomething)),
  seen: z.enum(['front', 'side']),
  ground: z.enum(groundIds),
  works: z.string().check(z.maxLength(120)),
  parts: z
    .array(
      z.strictObject({
        name: z.string().check(z.trim(), z.minLength(1, 'Name each part in a word.'), z.maxLength(40)),
        from: stanceSchema,
        to: stanceSchema,
        seconds: z
          .number()
          .check(z.minimum(0.5, 'A part lasts 0.5 to 60 s.'), z.maximum(60, 'A part lasts 0.5 to 60 s.')),
        /** Said where the stances can't tell. */
        effort: z.optional(z.boolean()),
      }),
    )
    .check(z.minLength(1), z.maxLength(4)),
  pull: z.strictObject({ hand: z.enum(handsLoaded), toward: towardSchema }),
  startKg: z.number().check(z.minimum(0), z.maximum(500)),
  components: z.array(z.enum(componentIds)).check(z.maxLength(componentIds.length)),
  mistake: z.string().check(z.maxLength(160)),
  explosive: z.optional(z.literal(true)),
  steady: z.optional(z.literal(true)),
});

export type OwnMovement = z.infer<typeof movementSchema>;

const strategyIds = Object.keys(strategies) as [StrategyId, ...StrategyId[]];

/** How a drill is loaded: which movement, which way it is drawn, how breath and load go together. */
export const drillLoadSchema = z
  .strictObject({
    movementId: z.string().check(z.minLength(1), z.maxLength(60)),
    /** A movement of the coach's own; null for one of the library. */
    own: z.nullable(movementSchema),
    /** The line of pull, where it was turned; else as the movement has it. */
    toward: z.nullable(towardSchema),
    /** Kilograms it begins with; 0 for one's own weight. */
    kg: z.number().check(z.minimum(0), z.maximum(500)),
    strategy: z.enum(strategyIds),
    /** Of both hands, the part of the load in the left one. */
    leftShare: z.optional(z.number().check(z.minimum(0), z.maximum(1))),
    /** A caution asks for the exhale with every effort, whatever the ribs do. */
    through: z.boolean(),
  })
  .check(
    z.refine(
      ({ movementId, own }) => own !== null || findMovement(movementId) !== undefined,
      'This movement is not in the library.',
    ),
  );
export type DrillLoad = z.infer<typeof drillLoadSchema>;
