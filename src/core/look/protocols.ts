import { z } from 'zod';
import { gradesSchema } from '../trunk';
import { type Component } from '../safety';
import { firstBreaths, holdFeelings } from './calmHold';

/** Positions a look can be taken in, easiest to hardest. */
export const lookPositions = ['hook-lying', 'side-lying', 'sitting', 'standing'] as const;
export type LookPosition = (typeof lookPositions)[number];

const position = z.enum(lookPositions);

/** Raw record of each protocol: what was seen, never what follows from it. */
export const rawSchemas = {
  quietLook: z.object({
    position,
    /** Seconds since the first tap, to the hundredth; the first is 0. */
    taps: z.array(z.number().min(0).max(1800)).max(600),
    starts: z.enum(['belly', 'ribs', 'chest', 'not observed']).default('not observed'),
    route: z.enum(['nose', 'mouth', 'both', 'not observed']).default('not observed'),
    sound: z.enum(['silent', 'audible', 'not observed']).default('not observed'),
    /** Ticked when seen; an empty list with `watched` true means looked for and not seen. */
    seen: z.array(z.enum(['sighs', 'yawns', 'pauses', 'shoulders'])).default([]),
  }),
  twoHands: z.object({
    position,
    leads: z.enum(['belly', 'together', 'chest', 'not observed']),
    movesMore: z.enum(['belly', 'even', 'chest', 'not observed']),
    /** Does the belly go in on the inhale? */
    bellyDrawsIn: z.enum(['yes', 'no', 'not observed']),
    deepLeads: z.enum(['belly', 'together', 'chest', 'not observed']).default('not observed'),
  }),
  regionMap: z.object({
    position,
    quiet: gradesSchema,
    deep: gradesSchema,
    /** Accessory effort of neck and shoulders, 0 to 3. */
    neckQuiet: z.number().int().min(0).max(3).nullable(),
    neckDeep: z.number().int().min(0).max(3).nullable(),
  }),
  calmHold: z.object({
    position,
    tries: z
      .array(
        z.object({
          seconds: z.number().min(0).max(300),
          feeling: z.enum(holdFeelings),
          firstBreath: z.enum(firstBreaths),
        }),
      )
      .max(3),
  }),
  marker: z.object({
    position,
    /** Ease of a deep breath, 0 to 10, asked twice with the same words. */
    readings: z.array(z.number().min(0).max(10)).max(2),
  }),
} as const;

export type ProtocolId = keyof typeof rawSchemas;
export const protocolIds = Object.keys(rawSchemas) as [ProtocolId, ...ProtocolId[]];
export type Raw<P extends ProtocolId> = z.infer<(typeof rawSchemas)[P]>;

export interface Protocol {
  id: ProtocolId;
  version: number;
  name: string;
  /** What to set up and say, in one or two sentences. */
  setUp: string;
  /** What the result means and what it does not. */
  means: string;
  minutes: number;
  /** Gated like a drill. */
  components: readonly Component[];
}

export const protocols: Readonly<Record<ProtocolId, Protocol>> = {
  quietLook: {
    id: 'quietLook',
    version: 1,
    name: 'Unannounced quiet look',
    setUp: 'Lying with knees bent, “just rest”. Say nothing about breath. Tap each inhale for a minute or more.',
    means: 'How often they breathe when nobody asks. Not fitness, not health of the lungs.',
    minutes: 1.5,
    components: [],
  },
  twoHands: {
    id: 'twoHands',
    version: 1,
    name: 'Two hands',
    setUp: 'One hand on the breastbone, one over the navel. Five quiet breaths, then one or two deeper.',
    means: 'Which hand leads and which moves more, today, here. Neither is wrong by itself.',
    minutes: 1,
    components: [],
  },
  regionMap: {
    id: 'regionMap',
    version: 1,
    name: 'Region map',
    setUp: 'Hands round the ribs. Five ordinary breaths, then three deep ones. Tap a part to grade it.',
    means: 'What moved under the hand, graded by eye and touch. It ranks parts; it measures no volume.',
    minutes: 2,
    components: [],
  },
  calmHold: {
    id: 'calmHold',
    version: 1,
    name: 'Calm exhale hold',
    setUp:
      'A normal, not deep, breath out; pinch the nose; start. Stop at the first clear wish to breathe, before any strain.',
    means: 'How soon the wish to breathe comes. It does not read the blood’s carbon dioxide, and longer is not better.',
    minutes: 3,
    components: ['hold', 'longHold'],
  },
  marker: {
    id: 'marker',
    version: 1,
    name: 'Deep-breath ease',
    setUp: '“Take one comfortable deep breath. How easily does it come, 0 not at all, 10 freely?” Ask twice.',
    means: 'Today’s own marker: asked before and after in the same position with the same words.',
    minutes: 0.5,
    components: ['deepBreath'],
  },
};

/** One look as it is kept: raw values with the protocol and version they were taken by. */
export interface LookRecord<P extends ProtocolId = ProtocolId> {
  id: string;
  visitId: string;
  protocol: P;
  version: number;
  /** Before the work, or after it at the recheck. */
  moment: 'before' | 'after';
  /** UTC, ISO */
  takenAt: string;
  raw: Raw<P>;
}

/** Narrows a record to one protocol. */
export function isOf<P extends ProtocolId>(record: LookRecord, protocol: P): record is LookRecord<P> {
  return record.protocol === protocol;
}

/** The newest record of a protocol at a moment of a visit, or null. */
export function newest<P extends ProtocolId>(
  records: readonly LookRecord[],
  protocol: P,
  moment: LookRecord['moment'],
): LookRecord<P> | null {
  const found = records
    .filter((record) => record.protocol === protocol && record.moment === moment)
    .sort((a, b) => a.takenAt.localeCompare(b.takenAt))
    .at(-1);
  return found && isOf(found, protocol) ? found : null;
}
