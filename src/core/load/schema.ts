import * as z from 'zod/mini';
import { showsSomething } from '../reasons';
import { type Component, componentIds } from '../safety';
import { type Stance } from './mechanics';
import { type Movement, findMovement } from './movements';
import { type StrategyId, strategies } from './strategy';

/** How far a body goes, with room for the supple: what lies beyond is a slip of the finger. Degrees; push as a part, hips in metres. Rounded, ours. */
export const humanRange: Readonly<Record<keyof Stance, { least: number; most: number; name: string; unit: string }>> = {
  side: { least: -45, most: 45, name: 'A bend to the side', unit: '°' },
  fold: { least: -40, most: 90, name: 'A rounding of the spine', unit: '°' },
  turn: { least: -60, most: 60, name: 'A turn of the spine', unit: '°' },
  lean: { least: -100, most: 110, name: 'A lean from the hips', unit: '°' },
  arm: { least: 0, most: 180, name: 'A raised arm', unit: '°' },
  push: { least: 0, most: 1, name: 'A push of the hands', unit: '' },
  hips: { least: 0.1, most: 1.3, name: 'The height of the hips', unit: ' m' },
};

const stanceKeys = Object.keys(humanRange) as (keyof Stance)[];

/**
 * What of a stance no body does, a sentence each.
 *
 * @example stanceFaults({ ...upright, side: 120 }) // ['A bend to the side goes from -45 to 45°. Check the angle.']
 */
export const stanceFaults = (stance: Stance): string[] =>
  stanceKeys.flatMap((key) => {
    const { least, most, name, unit } = humanRange[key];
    const value = stance[key];
    return Number.isFinite(value) && value >= least && value <= most
      ? []
      : [`${name} goes from ${least} to ${most}${unit}. Check ${unit === '°' ? 'the angle' : 'it'}.`];
  });

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

export const groundIds = ['feet', 'seat', 'hands', 'back', 'step', 'split'] as const;
export const handsLoaded = ['left', 'right', 'both', 'none'] as const;

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

/** The movement of a loaded drill, the library's or the coach's own. @example movementOf(load).name // 'Squat' */
export const movementOf = ({ movementId, own }: Pick<DrillLoad, 'movementId' | 'own'>): Movement =>
  own ? { ...own, beside: null, instead: null } : findMovement(movementId)!;

/** From here on a bend, a turn, a rounding counts as one that a caution may forbid, in degrees; an arm above the other is overhead. */
const counts = { side: 8, turn: 12, fold: 15, headLow: 80, overhead: 140 } as const;

/**
 * What a movement has in it that a caution may forbid, from how the body stands in it.
 *
 * @param startKg the load it is meant with; 0 for one's own weight
 * @source common practice; the degrees ours
 * @example componentsFrom(findMovement('squat')!) // ['effort', 'loadedBrace']
 */
export function componentsFrom({
  parts,
  ground,
  pull,
  startKg,
}: Pick<Movement, 'parts' | 'ground' | 'pull' | 'startKg'>): Component[] {
  const stances = parts.flatMap(({ from, to }) => [from, to]);
  const most = (of: (stance: Stance) => number) => Math.max(...stances.map(of));
  const span = (key: keyof Stance) => most((one) => one[key]) - Math.min(...stances.map((one) => one[key]));
  const loaded = startKg > 0 && pull.hand !== 'none';
  const found: (Component | false)[] = [
    'effort',
    loaded && 'loadedBrace',
    most(({ side }) => Math.abs(side)) >= counts.side && 'sideBend',
    loaded && most(({ side }) => Math.abs(side)) >= counts.side && 'loadedSideBend',
    span('turn') >= counts.turn && 'twist',
    most(({ fold }) => fold) >= counts.fold && 'loadedRounding',
    most(({ fold, lean }) => fold + lean) >= counts.headLow && ground !== 'hands' && 'headLow',
    most(({ arm }) => arm) > counts.overhead && 'armsOverhead',
    ground === 'hands' && 'handWeight',
    ground === 'hands' && 'plank',
    ground === 'back' && 'bridge',
    most(({ hips }) => hips) > 0.9 && ground === 'feet' && 'impact',
  ];
  return found.filter((one) => one !== false);
}

/**
 * A movement as one of a coach's own: to be changed and kept with a drill.
 *
 * @example asOwn(findMovement('squat')!).name // 'Squat'
 */
export function asOwn(movement: Movement): OwnMovement {
  const { beside: _, instead: __, parts, pull, components, ...rest } = movement;
  return {
    ...rest,
    parts: parts.map((part) => ({ ...part, from: { ...part.from }, to: { ...part.to } })),
    pull: { hand: pull.hand, toward: pull.toward },
    components: [...components],
  };
}

/** The measure a movement goes by most, in its first part: the one its far end is told in. @example goesBy(findMovement('hinge')!) // 'lean' */
export function goesBy({ parts }: Pick<Movement, 'parts'>): keyof Stance {
  const { from, to } = parts[0]!;
  const weight = (key: keyof Stance) => Math.abs(to[key] - from[key]) * (key === 'push' || key === 'hips' ? 100 : 1);
  return stanceKeys.reduce((most, key) => (weight(key) > weight(most) ? key : most));
}

/**
 * The same movement gone less or more far: every stance moved from where it begins in the same proportion.
 *
 * @param reach 1 is as it is told
 * @example goneTo(sideBend, 0.5).parts[0].to.side // -9
 */
export function goneTo(movement: Movement, reach: number): OwnMovement {
  const own = asOwn(movement);
  const start = own.parts[0]!.from;
  const scaled = (stance: Stance): Stance =>
    Object.fromEntries(
      stanceKeys.map((key) => [key, start[key] + (stance[key] - start[key]) * reach]),
    ) as unknown as Stance;
  return { ...own, parts: own.parts.map((one) => ({ ...one, from: scaled(one.from), to: scaled(one.to) })) };
}
