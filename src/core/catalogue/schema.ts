import * as z from 'zod/mini';
import { cadenceSchema, longestPhaseSeconds, shortestPhaseSeconds } from '../cadence';
import { drillLoadSchema } from '../load';
import { componentIds } from '../safety';
import { provenanceSchema, showsSomething } from '../reasons';
import { type Stances, axes, axisIds } from '../schools';
import { regionIds } from '../trunk';
import { faultIds } from './faults';
import { bandLevelIds, handIds, legIds } from './figure';
import { movementIds } from './movements';
import { positionIds } from './positions';
import { propIds } from './props';
import { cueKinds, familyIds, openedIds, skillIds, stepPhaseIds } from './vocabulary';

/** A value a coach may turn between two ends, with where to start. */
const rangeOf = (value: z.ZodMiniNumber) =>
  z
    .object({ min: value, start: value, max: value })
    .check(z.refine(({ min, start, max }) => min <= start && start <= max, 'The start lies within the range.'));
export type Range = z.infer<ReturnType<typeof rangeOf>>;

/** A range of one phase of a breath: what the run could pace. */
const phaseRange = (least: number, name: string) => {
  const words = `${name} lasts ${least} to ${longestPhaseSeconds} s.`;
  return rangeOf(z.number().check(z.minimum(least, words), z.maximum(longestPhaseSeconds, words)));
};
/** A range of whole numbers, as a dose counts them. */
const countRange = (most: number, name: string) => {
  const words = `${name} are whole numbers from 1 to ${most}.`;
  return rangeOf(z.number().check(z.int(words), z.minimum(1, words), z.maximum(most, words)));
};

const breathSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('steady'),
    inhale: phaseRange(shortestPhaseSeconds, 'An inhale'),
    topPause: phaseRange(0, 'A pause'),
    exhale: phaseRange(shortestPhaseSeconds, 'An exhale'),
    bottomPause: phaseRange(0, 'A pause'),
  }),
  z.object({ kind: z.literal('ladder'), rungs: z.array(cadenceSchema).check(z.minLength(1), z.maxLength(12)) }),
]);

const gain = z.number().check(z.int(), z.minimum(1), z.maximum(3));

/** A cue: a few words of one kind. */
const cueSchema = z.strictObject({
  words: z.string().check(
    z.trim(),
    z.minLength(2),
    z.maxLength(60),
    z.refine((cue) => cue.split(/\s+/).length <= 5, 'A cue has at most five words.'),
  ),
  kind: z.enum(cueKinds),
  /** Handle with care: for whom this wording goes wrong, and how. */
  care: z.nullable(z.string().check(z.minLength(5), z.maxLength(160))),
  /** The everyday rule its wording teaches; it is not said where the lead school teaches the contrary. */
  stance: z.nullable(z.object({ axis: z.enum(axisIds), stance: z.string() })),
});
export type Cue = z.infer<typeof cueSchema>;

/** Which stances an axis has is checked below, with a sentence of its own. */
const stancesSchema = z
  .partialRecord(z.enum(axisIds), z.object({ stance: z.string(), scope: z.enum(['this drill', 'everyday rule']) }))
  .check(
    z.refine(
      (stances) =>
        Object.entries(stances).every(([axis, value]) =>
          (axes[axis as keyof typeof axes].stances as readonly string[]).includes(value!.stance),
        ),
      'Every stance is one of its axis.',
    ),
  ) as unknown as z.ZodMiniType<Stances>;

/** One drill of the catalogue. Built-in drills and a coach's own pass the same check. */
export const drillSchema = z.strictObject({
  id: z.string().check(z.regex(/^[a-z0-9-]+$/)),
  name: z
    .string()
    .check(
      z.minLength(3),
      z.maxLength(60),
      z.refine(showsSomething, 'This name shows nothing. Write letters or signs.'),
    ),
  family: z.enum(familyIds),
  purpose: z.string().check(z.minLength(10), z.maxLength(200)),
  positions: z.array(z.enum(positionIds)).check(z.minLength(1)),
  props: z.array(z.enum(propIds)),
  movement: z.enum(movementIds),
  /** A movement under a load: which breath goes with which part of it is worked out, and the figure drawn, from this. */
  load: z._default(z.nullable(drillLoadSchema), null),
  /** What the figure shows beside position, props and movement. */
  hands: z._default(z.enum(handIds), 'at rest'),
  legs: z._default(z.enum(legIds), 'as the position'),
  band: z._default(z.enum(bandLevelIds), 'lower ribs'),
  setUp: z.string().check(z.minLength(10), z.maxLength(400)),
  setUpSeconds: z.number().check(z.int(), z.minimum(5), z.maximum(180)),
  steps: z
    .array(
      z.object({
        phase: z.enum(stepPhaseIds),
        words: z.string().check(z.minLength(3), z.maxLength(200)),
      }),
    )
    .check(z.minLength(2)),
  breath: breathSchema,
  breaths: countRange(60, 'Breaths'),
  sets: countRange(10, 'Sets'),
  restSeconds: z.number().check(z.int(), z.minimum(0), z.maximum(180)),
  sides: z.enum(['none', 'one or both']),
  /** What is counted: breaths, or repetitions of one or two breaths each, which may change feet. */
  counting: z._default(
    z.object({
      each: z.enum(['breath', 'repetition']),
      breathsEach: z.number().check(z.int(), z.minimum(1), z.maximum(2)),
      feet: z.boolean(),
    }),
    { each: 'breath', breathsEach: 1, feet: false },
  ),
  /** What a set is called: a round ends with a look at what it changed, a level goes one further up. */
  setsAre: z._default(z.enum(['sets', 'rounds', 'levels']), 'sets'),
  /** What is asked or done after each set. */
  afterSet: z._default(z.nullable(z.string().check(z.minLength(3), z.maxLength(120))), null),
  /** Seconds of staying in the position and breathing freely after the last breath of a set. */
  stay: z._default(z.nullable(rangeOf(z.number().check(z.int(), z.minimum(0), z.maximum(120)))), null),
  floorCue: z.string().check(z.minLength(3), z.maxLength(160)),
  abdominalCue: z.string().check(z.minLength(3), z.maxLength(160)),
  stances: stancesSchema,
  opens: z.partialRecord(z.enum(openedIds), gain),
  quiets: z.array(z.enum(regionIds)),
  skills: z.partialRecord(z.enum(skillIds), gain),
  answers: z.array(z.string()).check(z.minLength(1)),
  prerequisites: z.array(z.string()),
  components: z.array(z.enum(componentIds)),
  /** The first is the one to start with. */
  cues: z.array(cueSchema).check(z.minLength(2), z.maxLength(8)),
  faults: z.array(z.enum(faultIds)).check(z.minLength(2)),
  easier: z.nullable(z.string()),
  harder: z.nullable(z.string()),
  /** Another way to the same when this one does not work, neither easier nor harder. */
  otherWay: z._default(z.nullable(z.string()), null),
  level: z.number().check(z.int(), z.minimum(1), z.maximum(6)),
  /** Where dose and breath come from; a published one names its reference. */
  provenance: provenanceSchema,
});
export type Drill = z.infer<typeof drillSchema>;
