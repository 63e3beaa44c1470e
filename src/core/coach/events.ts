import * as z from 'zod/mini';
import { cadenceSchema } from '../cadence';
import { faultIds } from '../catalogue';
import { planItemSchema } from '../sequence';
import { checkIds, helpedWords, pacingModes, settledThens, swapReasons } from './eventWords';

const text = z.string().check(z.trim(), z.maxLength(2000, 'A note is limited to 2,000 characters.'));
const item = z.number().check(z.int(), z.minimum(0), z.maximum(29));
/** In a group: the client it is about. Absent with one client, or when it is about everybody. */
const who = z.optional(z.uuid());
/** In a group: those whose own limits keep them out of what is begun. */
const sitOut = z.optional(z.array(z.uuid()).check(z.maxLength(6)));

const checks = z.array(z.enum(checkIds)).check(z.maxLength(checkIds.length));

/** What can happen in a run. Kept as it happened; the state is folded from it. */
export const runEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('start') }),
  // A talk holds the pacer too; it is told apart so that the screen can teach meanwhile and the log says what it was.
  z.object({ type: z.literal('pause'), why: z.enum(['by hand', 'gap', 'talk']) }),
  z.object({ type: z.literal('resume') }),
  z.object({
    type: z.literal('jump'),
    toSeconds: z.number().check(z.minimum(0), z.maximum(200_000)),
    why: z.enum(['next', 'back', 'ready']),
  }),
  z.object({
    type: z.literal('breath'),
    item,
    set: z.number().check(z.int(), z.minimum(1), z.maximum(20)),
    breath: z.number().check(z.int(), z.minimum(0), z.maximum(600)),
    side: z.optional(z.enum(['left', 'right'])),
    /** Seconds the pacer gave it, by the run's clock. */
    seconds: z.optional(z.number().check(z.minimum(0), z.maximum(120))),
  }),
  /** The client began to breathe in: seen by the coach, tapped. In follow mode it sets the pace. */
  z.object({ type: z.literal('tap'), item }),
  z.object({
    type: z.literal('pace'),
    item,
    mode: z.enum(pacingModes),
    /** Length of the client's own breath, where a ramp begins. */
    fromCycleSeconds: z.optional(z.number().check(z.minimum(1), z.maximum(60))),
  }),
  /** Seconds, breaths or sets changed while it runs: from the next breath on. */
  z.object({
    type: z.literal('adjust'),
    item,
    cadences: z.array(cadenceSchema).check(z.minLength(1), z.maxLength(12)),
    breaths: z.number().check(z.int(), z.minimum(1), z.maximum(60)),
    sets: z.number().check(z.int(), z.minimum(1), z.maximum(10)),
    /** Another weight, in kg. */
    kg: z.optional(z.number().check(z.minimum(0), z.maximum(500))),
    sitOut,
  }),
  z.object({ type: z.literal('fault'), item, fault: z.nullable(z.enum(faultIds)), who }),
  // A mark is stamped at once, unnamed if need be; naming it comes after.
  z.object({ type: z.literal('named'), of: z.uuid(), fault: z.enum(faultIds) }),
  z.object({
    type: z.literal('cue'),
    item,
    cue: z.string().check(z.maxLength(120)),
    landed: z.enum(['yes', 'partly', 'no']),
  }),
  z.object({ type: z.literal('effort'), item, of10: z.number().check(z.int(), z.minimum(0), z.maximum(10)), who }),
  /** The marker rechecked right after a drill, so that a change belongs to it. */
  z.object({ type: z.literal('helped'), item, result: z.enum(helpedWords), who }),
  /** What was asked after a drill, and which of it was there; of what was not asked nothing is known. */
  z.object({ type: z.literal('checked'), item, asked: checks, found: checks, who }),
  z.object({ type: z.literal('swap'), item, to: planItemSchema, why: z.optional(z.enum(swapReasons)), sitOut }),
  z.object({ type: z.literal('stop'), item, who }),
  z.object({
    type: z.literal('settled'),
    symptoms: z.array(z.string().check(z.maxLength(80))).check(z.maxLength(20)),
    note: text,
    then: z.enum(settledThens),
    /** Seconds from the stop until it had settled, as the coach said. */
    seconds: z.optional(z.number().check(z.minimum(0), z.maximum(7200))),
    who,
  }),
  z.object({ type: z.literal('note'), text, who }),
  /** Takes back a mark, a cue's answer, an effort or a note; the log keeps both. */
  z.object({ type: z.literal('undo'), of: z.uuid() }),
  z.object({ type: z.literal('end'), why: z.enum(['done', 'by hand', 'stopped', 'closed later']) }),
  z.object({ type: z.literal('reviewed'), drillId: z.string().check(z.maxLength(80)), note: text }),
]);
export type RunEvent = z.infer<typeof runEventSchema>;

/** An event with its place: made in the browser, sent as often as needed, stored once. */
export const stampedEventSchema = z.object({
  id: z.uuid(),
  seq: z.number().check(z.int(), z.minimum(0)),
  atEpochMs: z.number().check(z.int(), z.minimum(0)),
  event: runEventSchema,
});
export type StampedEvent = z.infer<typeof stampedEventSchema>;
