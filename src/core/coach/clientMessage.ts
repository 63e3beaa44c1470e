import * as z from 'zod/mini';
import { longestPhaseSeconds, shortestPhaseSeconds } from '../cadence';
import { bandLevelIds, handIds, legIds, movementIds, positionIds, propIds } from '../catalogue';
import { regionIds } from '../trunk';

const phase = z.number().check(z.gte(0), z.lte(longestPhaseSeconds));
const breath = z.object({
  inhaleSeconds: phase.check(z.gte(shortestPhaseSeconds)),
  topPauseSeconds: phase,
  exhaleSeconds: phase.check(z.gte(shortestPhaseSeconds)),
  bottomPauseSeconds: phase,
});

const stance = z.object({
  side: z.number(),
  fold: z.number(),
  turn: z.number(),
  lean: z.number(),
  arm: z.number(),
  push: z.number(),
  hips: z.number(),
});

/** The body of the drill under way: how it lies or stands, what the breath should open, how far each part moves. */
const clientFigureSchema = z.object({
  spec: z.object({
    position: z.enum(positionIds),
    movement: z.enum(movementIds),
    props: z.array(z.enum(propIds)),
    hands: z.enum(handIds),
    legs: z.enum(legIds),
    band: z.enum(bandLevelIds),
    side: z.optional(z.enum(['left', 'right'])),
    week: z.optional(z.number()),
    breathsEach: z.optional(z.literal([1, 2])),
    loaded: z.optional(
      z.object({
        from: stance,
        to: stance,
        ground: z.enum(['feet', 'hands', 'step', 'split']),
        hand: z.enum(['left', 'right', 'both', 'none']),
        toward: z.readonly(z.tuple([z.number(), z.number(), z.number()])),
        seen: z.enum(['front', 'side']),
        moves: z.enum(['in', 'out', 'not']),
      }),
    ),
  }),
  opened: z.partialRecord(z.enum(regionIds), z.number()),
  motion: z.object({
    dome: z.number(),
    belly: z.number(),
    bellyOffset: z.number(),
    lowToHigh: z.boolean(),
    wall: z.enum(['soft', 'light', 'firm']),
    chestFront: z.number(),
    chestBack: z.number(),
    sides: z.object({ left: z.number(), right: z.number() }),
    lowBack: z.number(),
    ribsAfterExhale: z.number(),
    floorDown: z.number(),
    floorLift: z.number(),
    floorOffset: z.number(),
    words: z.array(z.string()),
  }),
});
export type ClientFigure = z.infer<typeof clientFigureSchema>;

/**
 * What the client's own window is told: enough to pace and a few plain words. No name, fault, caution, total or time left
 * ever goes into it. Checked by the small build of the checker: that window loads nothing else of it.
 */
const clientFrameSchema = z.discriminatedUnion('kind', [
  /** Blank paper: the coach looks, or nothing is on. */
  z.object({ kind: z.literal('rest'), words: z.string().check(z.maxLength(120)) }),
  z.object({
    kind: z.literal('breathing'),
    cadences: z.array(breath).check(z.minLength(1)),
    /** Wall clock at which the first of these breaths began, by the run's clock. */
    startEpochMs: z.number(),
    /** Seconds into them, while it waits; null while it runs. */
    stillAtSeconds: z.nullable(z.number()),
    showCount: z.boolean(),
    cue: z.string().check(z.maxLength(160)),
    figure: z.nullable(clientFigureSchema),
  }),
  z.object({ kind: z.literal('hold') }),
  z.object({ kind: z.literal('stopped') }),
]);
export type ClientFrame = z.infer<typeof clientFrameSchema>;

/** What travels between the windows: the frame, and the sender's clock so that both keep one time. */
export const clientMessageSchema = z.object({ frame: clientFrameSchema, sentAtMs: z.number() });
export type ClientMessage = z.infer<typeof clientMessageSchema>;
