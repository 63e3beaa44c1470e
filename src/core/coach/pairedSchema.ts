import * as z from 'zod/mini';
import { clientMessageSchema } from './clientMessage';
import { remoteNames } from './remoteNames';

/** What the large place of a remote does just now. Each says what is meant: a press that comes late can’t do the opposite. */
const mainActs = ['begin', 'wait', 'go on', 'tap'] as const;
export type MainAct = (typeof mainActs)[number];

/** What a remote may show: what is being done, and never about whom. */
export const remoteFrameSchema = z.object({
  status: z.enum(['ready', 'running', 'paused', 'stopped', 'ended']),
  talk: z.boolean(),
  main: z.nullable(z.enum(mainActs)),
  drill: z.string().check(z.maxLength(160)),
  next: z.string().check(z.maxLength(160)),
  cue: z.string().check(z.maxLength(200)),
  /** Whether the cue under way was told to have landed, and the next one is at hand. */
  landed: z.boolean(),
  easier: z.nullable(z.string().check(z.maxLength(200))),
  minutesLeft: z.int(),
  /** The stretch of the run: what a press was meant for. */
  at: z.int(),
  between: z.boolean(),
  /** The likeliest names of a mark that waits for one; empty where none does. */
  names: z.array(z.string().check(z.maxLength(120))).check(z.maxLength(remoteNames)),
  /** Presses taken, the last few: the remote says of its own whether they arrived. */
  taken: z.array(z.uuid()).check(z.maxLength(8)),
});
export type RemoteFrame = z.infer<typeof remoteFrameSchema>;

/** What the live screen tells the devices of its run. */
export const pairedMessageSchema = z.object({
  runId: z.uuid(),
  screen: clientMessageSchema,
  remote: remoteFrameSchema,
});
export type PairedMessage = z.infer<typeof pairedMessageSchema>;

const acts = [...mainActs, 'talk', 'fault', 'name', 'cue', 'easier', 'next', 'back', 'undo', 'stop'] as const;
export type RemoteAct = (typeof acts)[number];

/** A press of a remote. */
export const remotePressSchema = z.object({
  id: z.uuid(),
  act: z.enum(acts),
  /** The stretch it was pressed in. */
  at: z.int(),
  /** Of a name: its place among those offered. */
  place: z.optional(z.int().check(z.minimum(0), z.maximum(remoteNames - 1))),
});
export type RemotePress = z.infer<typeof remotePressSchema>;
