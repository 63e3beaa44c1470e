import { z } from 'zod';
import { gradeSchema, gradesSchema } from '../trunk';
import { landmarkPhotoSchema } from './angles';
import { firstBreaths, holdFeelings } from './calmHold';
import { girthGoSchema } from './girth';
import { markerMeasureIds, markerMeasures } from './markers';
import { mergedTaps } from './quietRate';

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

/** Every record: where it was taken, and whether it was taken again to be sure, so that it counts beside the one before. */
const place = { position: z.enum(lookPositions), again: z.boolean().optional() };
/** One of a few things that can be seen; not observed until something was said. */
const seen = <const T extends readonly [string, ...string[]]>(...values: T) =>
  z.enum([...values, 'not observed'] as [...T, 'not observed']).default('not observed');
const yesNo = seen('no', 'yes');
const grade = gradeSchema.default(null);
const ofTen = z.number().min(0).max(10).nullable().default(null);
const goes = z.array(girthGoSchema).max(3, 'Three goes are enough.');
const unit = z.enum(['cm', 'in']).default('cm');

export const tapeLevels = ['armpit', 'fourth', 'xiphoid', 'waist'] as const;
export type TapeLevel = (typeof tapeLevels)[number];

export const posturePositions = ['lying', 'sitting', 'standing'] as const;
export type PosturePosition = (typeof posturePositions)[number];
export const postureTilts = ['between', 'arched', 'slouched', 'frontUp', 'frontDown'] as const;
export type PostureTilt = (typeof postureTilts)[number];

const marchFaults = z
  .array(z.enum(['belly', 'back', 'hips']))
  .nullable()
  .default(null);
/** Angles of the two lines from the horizontal: the upper one upward, the lower one downward. */
const twoLines = z.object({
  upperDegrees: z.number().min(0).max(90).nullable().default(null),
  lowerDegrees: z.number().min(0).max(90).nullable().default(null),
});
const noLines = { upperDegrees: null, lowerDegrees: null };

/** Raw record of each protocol: what was seen, never what follows from it. In the usual order of a full look. */
export const rawSchemas = {
  quietLook: z.object({
    ...place,
    /** Seconds since the first tap, to the hundredth; the first is 0. */
    taps: z
      .array(z.number().min(0).max(1800))
      .max(600)
      .refine(
        (taps) => taps.every((tap, i) => i === 0 || tap >= taps[i - 1]!),
        'Taps must follow one another in time. Count again.',
      )
      .transform(mergedTaps),
    starts: seen('belly', 'ribs', 'chest'),
    route: seen('nose', 'mouth', 'both'),
    sound: seen('silent', 'audible'),
    /** Ticked when seen; an empty list beside other entries means looked for and not seen. */
    seen: z.array(z.enum(['sighs', 'yawns', 'pauses', 'shoulders'])).default([]),
  }),
  twoHands: z.object({
    ...place,
    leads: seen('belly', 'together', 'chest'),
    movesMore: seen('belly', 'even', 'chest'),
    /** Does the belly go in on the inhale? */
    bellyDrawsIn: yesNo,
    deepLeads: seen('belly', 'together', 'chest'),
    /** Voice coloured, swallowing and head turning stay free when no tension is used. */
    freeVoice: seen('free', 'tense'),
  }),
  frontOn: z.object({
    ...place,
    shoulders: yesNo,
    upperOnly: yesNo,
    sides: yesNo,
    nostrils: yesNo,
    shouldersDeep: yesNo,
    upperOnlyDeep: yesNo,
    sidesDeep: yesNo,
    neckCordsDeep: yesNo,
    yawnsDaily: yesNo,
  }),
  regionMap: z.object({
    ...place,
    quiet: gradesSchema,
    deep: gradesSchema,
    /** Accessory effort of neck and shoulders, 0 to 3. */
    neckQuiet: gradeSchema,
    neckDeep: gradeSchema,
    /** The front moves because the spine arches: not true expansion. */
    extension: yesNo,
    /** Set on a map graded again without seeing the first, to learn the coach's own agreement. */
    blindOf: z.uuid().optional(),
  }),
  tape: z.object({
    ...place,
    unit,
    levels: z.partialRecord(z.enum(tapeLevels), goes).default({}),
    /** Levels at which the girth really was smaller at full inhale, as the coach confirmed. */
    paradoxical: z.array(z.enum(tapeLevels)).default([]),
    morningStiffness: yesNo,
  }),
  twoLine: z.object({ ...place, quiet: twoLines.default(noLines), deep: twoLines.default(noLines) }),
  fingerGap: z.object({ ...place, unit, goes: goes.default([]), shrugs: yesNo }),
  sideBend: z.object({ ...place, left: grade, right: grade }),
  postureSearch: z.object({
    ...place,
    /** Depth of the low breath 0 to 10 in each posture. */
    depth: z
      .partialRecord(z.enum(posturePositions), z.partialRecord(z.enum(postureTilts), z.number().min(0).max(10)))
      .default({}),
  }),
  stack: z.object({
    ...place,
    infrasternal: seen('narrow', 'middle', 'wide'),
    flareRest: grade,
    flareExhale: grade,
    thorax: seen('in front', 'over', 'behind'),
    pelvis: seen('tipped forward', 'neutral', 'tucked'),
    lowBackOff: yesNo,
    midBackStiff: yesNo,
    obliquesGrip: yesNo,
    photos: z.array(landmarkPhotoSchema).max(6).default([]),
  }),
  exhale: z.object({
    ...place,
    /** Length of one easy full exhale, up to three goes. */
    seconds: z.array(z.number().min(0.1).max(120)).max(3).default([]),
    sound: seen('even', 'dumping'),
    ribsDown: yesNo,
    abdominalsFelt: yesNo,
    nextInhale: ofTen,
  }),
  wallOrder: z.object({
    ...place,
    first: seen('lower', 'upper', 'together'),
    lowerBalloons: yesNo,
    /** null: not marched; an empty list: steady. */
    marchLeft: marchFaults,
    marchRight: marchFaults,
  }),
  floor: z.object({
    ...place,
    softens: seen('yes', 'no', 'can’t feel'),
    lifts: seen('yes', 'no', 'can’t feel'),
    bearsDown: yesNo,
    glutesGrip: yesNo,
    letsGo: seen('yes', 'no', 'can’t feel'),
    pain: yesNo,
    urgency: yesNo,
    leaks: yesNo,
    leaksWith: z.array(z.enum(['cough', 'jump', 'lift', 'laugh', 'urge'])).default([]),
    leaksOften: seen('less than weekly', 'weekly', 'daily'),
    leaksHowMuch: seen('drops', 'a little', 'more'),
  }),
  pelvicRock: z.object({
    ...place,
    nods: yesNo,
    stuckAt: seen('low back', 'waist', 'mid-back', 'upper back', 'neck'),
    freedBySoftness: yesNo,
  }),
  calmHold: z.object({
    ...place,
    tries: z
      .array(
        z.object({
          seconds: z.number().min(0).max(300),
          feeling: z.enum(holdFeelings),
          firstBreath: z.enum(firstBreaths),
          /** Steps taken, when it was done walking. */
          steps: z.number().int().min(0).max(600).optional(),
          /** When it was over, so that the rest after it outlives a reload. */
          endedAt: z.iso.datetime().optional(),
        }),
      )
      .max(3),
  }),
  tenCount: z.object({ ...place, result: seen('calm to ten', 'stopped before ten', 'coughed') }),
  questionnaire: z.object({
    ...place,
    /** 0 never to 4 very often, in the order of the symptoms; null where it was not answered. */
    answers: z.array(z.number().int().min(0).max(4).nullable()).length(16),
    breathlessNow: ofTen,
    breathlessEffort: ofTen,
  }),
  marker: z
    .object({
      ...place,
      measure: z.enum(markerMeasureIds).default('ease'),
      /** Two readings with the same words; 0 to 10 for ease, else in the measure's unit. */
      readings: z.array(z.number()).max(2),
    })
    .refine(
      ({ measure, readings }) =>
        readings.every((value) => value >= markerMeasures[measure].min && value <= markerMeasures[measure].max),
      'This reading lies outside what can be measured. Check the number.',
    ),
} as const;

export type ProtocolId = keyof typeof rawSchemas;
export const protocolIds = Object.keys(rawSchemas) as [ProtocolId, ...ProtocolId[]];
export type Raw<P extends ProtocolId> = z.infer<(typeof rawSchemas)[P]>;
