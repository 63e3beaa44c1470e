import { z } from 'zod';
import { cadenceSchema, longestPhaseSeconds, shortestPhaseSeconds } from '../cadence';
import { componentIds } from '../safety';
import { provenanceSchema, showsSomething } from '../reasons';
import { axes, axisIds } from '../schools';
import { regionIds } from '../trunk';
import { faultIds } from './faults';
import { positionIds } from './positions';
import { propIds } from './props';

/** A value a coach may turn between two ends, with where to start. */
const rangeOf = (value: z.ZodNumber) =>
  z
    .object({ min: value, start: value, max: value })
    .refine(({ min, start, max }) => min <= start && start <= max, 'The start lies within the range.');
export type Range = z.infer<ReturnType<typeof rangeOf>>;

/** A range of one phase of a breath: what the run could pace. */
const phaseRange = (least: number, name: string) => {
  const words = `${name} lasts ${least} to ${longestPhaseSeconds} s.`;
  return rangeOf(z.number().min(least, words).max(longestPhaseSeconds, words));
};
/** A range of whole numbers, as a dose counts them. */
const countRange = (most: number, name: string) => {
  const words = `${name} are whole numbers from 1 to ${most}.`;
  return rangeOf(z.number().int(words).min(1, words).max(most, words));
};

const breathSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('steady'),
    inhale: phaseRange(shortestPhaseSeconds, 'An inhale'),
    topPause: phaseRange(0, 'A pause'),
    exhale: phaseRange(shortestPhaseSeconds, 'An exhale'),
    bottomPause: phaseRange(0, 'A pause'),
  }),
  z.object({ kind: z.literal('ladder'), rungs: z.array(cadenceSchema).min(1).max(12) }),
]);

export const skillIds = [
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

/** What a drill is mainly for; the catalogue is browsed by it, and a plan begins with one kind and ends with another. */
export const families = {
  settle: 'settle and find the low breath',
  exhale: 'a longer, complete exhale',
  open: 'open sides, back and chest',
  stack: 'ribs over pelvis',
  release: 'let go and lengthen',
  floor: 'pelvic floor and lower abdominals',
  strength: 'strength with the breath',
  move: 'movement with the breath',
  hold: 'pauses and holds',
  carry: 'carry it into daily posture',
} as const;
export type FamilyId = keyof typeof families;
export const familyIds = Object.keys(families) as [FamilyId, ...FamilyId[]];

/** How a drill moves besides the breath; the figure has a second pose for each. */
export const movementIds = [
  'none',
  'bridge',
  'march',
  'heelSlide',
  'sideBend',
  'sideReach',
  'headTurn',
  'nod',
  'pelvicRock',
  'rockBack',
  'armsOpen',
  'armsUp',
  'chestLift',
  'forwardFold',
  'kneesFloat',
  'hipsLift',
  'headLift',
  'squat',
  'hinge',
  'press',
  'row',
  'chairRise',
  'legOut',
  'heelDrag',
  'handsPress',
  'elbowsLeave',
  'step',
] as const;
export type MovementId = (typeof movementIds)[number];

export const cueKinds = ['image', 'touch', 'instruction', 'sound', 'count'] as const;
export type CueKind = (typeof cueKinds)[number];

/** A cue: a few words of one kind. */
const cueSchema = z
  .object({
    words: z
      .string()
      .trim()
      .min(2)
      .max(60)
      .refine((cue) => cue.split(/\s+/).length <= 5, 'A cue has at most five words.'),
    kind: z.enum(cueKinds),
    /** Handle with care: for whom this wording goes wrong, and how. */
    care: z.string().min(5).max(160).nullable(),
    /** The everyday rule its wording teaches; it is not said where the lead school teaches the contrary. */
    stance: z.object({ axis: z.enum(axisIds), stance: z.string() }).nullable(),
  })
  .strict();
export type Cue = z.infer<typeof cueSchema>;

const stancesSchema = z.partialRecord(
  z.enum(axisIds),
  z.object({ stance: z.string(), scope: z.enum(['this drill', 'everyday rule']) }),
);

/** One drill of the catalogue. Built-in drills and a coach's own pass the same check. */
export const drillSchema = z
  .object({
    id: z.string().regex(/^[a-z0-9-]+$/),
    name: z.string().min(3).max(60).refine(showsSomething, 'This name shows nothing. Write letters or signs.'),
    family: z.enum(familyIds),
    purpose: z.string().min(10).max(200),
    positions: z.array(z.enum(positionIds)).min(1),
    props: z.array(z.enum(propIds)),
    movement: z.enum(movementIds),
    setUp: z.string().min(10).max(400),
    setUpSeconds: z.number().int().min(5).max(180),
    steps: z
      .array(
        z.object({
          phase: z.enum(['throughout', 'inhale', 'topPause', 'exhale', 'bottomPause']),
          words: z.string().min(3).max(200),
        }),
      )
      .min(2),
    breath: breathSchema,
    breaths: countRange(60, 'Breaths'),
    sets: countRange(10, 'Sets'),
    restSeconds: z.number().int().min(0).max(180),
    sides: z.enum(['none', 'one or both']),
    /** What is counted: breaths, or repetitions of one or two breaths each, which may change feet. */
    counting: z
      .object({
        each: z.enum(['breath', 'repetition']),
        breathsEach: z.number().int().min(1).max(2),
        feet: z.boolean(),
      })
      .default({ each: 'breath', breathsEach: 1, feet: false }),
    /** What a set is called: a round ends with a look at what it changed, a level goes one further up. */
    setsAre: z.enum(['sets', 'rounds', 'levels']).default('sets'),
    /** What is asked or done after each set. */
    afterSet: z.string().min(3).max(120).nullable().default(null),
    /** Seconds of staying in the position and breathing freely after the last breath of a set. */
    stay: rangeOf(z.number().int().min(0).max(120)).nullable().default(null),
    floorCue: z.string().min(3).max(160),
    abdominalCue: z.string().min(3).max(160),
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
    /** The first is the one to start with. */
    cues: z.array(cueSchema).min(2).max(8),
    faults: z.array(z.enum(faultIds)).min(2),
    easier: z.string().nullable(),
    harder: z.string().nullable(),
    /** Another way to the same when this one does not work, neither easier nor harder. */
    otherWay: z.string().nullable().default(null),
    level: z.number().int().min(1).max(6),
    /** Where dose and breath come from; a published one names its reference. */
    provenance: provenanceSchema,
  })
  .strict();
export type Drill = z.infer<typeof drillSchema>;
