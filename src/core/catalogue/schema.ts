import { z } from 'zod';
import { cadenceSchema } from '../cadence';
import { componentIds } from '../safety';
import { axes, axisIds } from '../schools';
import { regionIds } from '../trunk';
import { faultIds } from './faults';
import { positionIds } from './positions';
import { propIds } from './props';

/** A value a coach may turn between two ends, with where to start. */
export const rangeSchema = z
  .object({ min: z.number().min(0), start: z.number().min(0), max: z.number().min(0) })
  .refine(({ min, start, max }) => min <= start && start <= max, 'The start lies within the range.');
export type Range = z.infer<typeof rangeSchema>;

const breathSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('steady'),
    inhale: rangeSchema,
    topPause: rangeSchema,
    exhale: rangeSchema,
    bottomPause: rangeSchema,
  }),
  z.object({ kind: z.literal('ladder'), rungs: z.array(cadenceSchema).min(1) }),
]);

const skillIds = [
  'settle',
  'exhale',
  'nose',
  'lowBreath',
  'lightness',
  'release',
  'stack',
  'lowToHigh',
  'floorTiming',
  'tolerance',
  'variety',
] as const;
const gain = z.number().int().min(1).max(3);

/** Regions a drill opens. In a sided drill `openSide` and `openBack` are the side that is worked. */
export const openedIds = [...regionIds, 'openSide', 'openBack'] as const;
export type OpenedId = (typeof openedIds)[number];

const stancesSchema = z.partialRecord(
  z.enum(axisIds),
  z.object({ stance: z.string(), scope: z.enum(['this drill', 'everyday rule']) }),
);

/** One drill of the catalogue. Built-in drills and a coach's own pass the same check. */
export const drillSchema = z
  .object({
    id: z.string().regex(/^[a-z0-9-]+$/),
    name: z.string().min(3).max(60),
    purpose: z.string().min(10).max(200),
    positions: z.array(z.enum(positionIds)).min(1),
    props: z.array(z.enum(propIds)),
    setUp: z.string().min(10),
    setUpSeconds: z.number().int().min(5).max(180),
    steps: z
      .array(
        z.object({
          phase: z.enum(['throughout', 'inhale', 'topPause', 'exhale', 'bottomPause']),
          words: z.string().min(3),
        }),
      )
      .min(2),
    breath: breathSchema,
    breaths: rangeSchema,
    sets: rangeSchema,
    restSeconds: z.number().int().min(0).max(180),
    sides: z.enum(['none', 'one or both']),
    floorCue: z.string().min(3),
    abdominalCue: z.string().min(3),
    stances: stancesSchema.refine(
      (stances) =>
        Object.entries(stances).every(([axis, value]) =>
          (axes[axis as keyof typeof axes].stances as readonly string[]).includes(value!.stance),
        ),
      'Every stance is one of its axis.',
    ),
    opens: z.partialRecord(z.enum(openedIds), gain),
    quiets: z.array(z.enum(regionIds)),
    skills: z.partialRecord(z.enum(skillIds), gain),
    answers: z.array(z.string()).min(1),
    prerequisites: z.array(z.string()),
    components: z.array(z.enum(componentIds)),
    /** At most five words each; the first is the one to start with. */
    cues: z.array(z.string().refine((cue) => cue.split(/\s+/).length <= 5, 'A cue has at most five words.')).min(2),
    faults: z.array(z.enum(faultIds)).min(2),
    easier: z.string().nullable(),
    harder: z.string().nullable(),
    level: z.number().int().min(1).max(6),
    provenance: z.literal('common practice'),
  })
  .strict();
export type Drill = z.infer<typeof drillSchema>;
