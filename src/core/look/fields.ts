import * as z from 'zod/mini';
import { type Component } from '../safety';
import { gradeSchema } from '../trunk';

/** What stands beside every field, whatever its kind. */
export interface FieldNotes {
  /** Heading under which it stands; ordinary and deep breaths are kept apart by it. */
  group?: string;
  /** Gated apart from the rest of the protocol. */
  components?: readonly Component[];
  /** Asked only once another field has this value. */
  when?: { key: string; is: string };
  /** What it is when there is nothing to note: what "nothing else to note" fills in. */
  usual?: string | number | readonly string[];
}

type Choices<V extends string = string> = readonly (readonly [V, string])[];

type Kind =
  | { kind: 'choice'; choices: Choices }
  | { kind: 'ticks'; choices: Choices; none?: string }
  | { kind: 'grade'; words: readonly [string, string, string, string] }
  | { kind: 'scale'; low: string; high: string }
  | { kind: 'seconds' };

/** One thing to enter: what is asked, what can be answered, and the check a kept answer goes through. */
export type Field<V = unknown> = { question: string; schema: z.ZodMiniType<V> } & FieldNotes & Kind;
/** A field with the key under which its answer is kept. */
export type FormField = Field & { key: string };

const notObserved = 'not observed' as const;
const notSeen = [notObserved, 'Not seen'] as const;
const notAsked = [notObserved, 'Not asked'] as const;

/** Answers that several protocols offer. */
export const answers = {
  notSeen,
  notAsked,
  yesNo: [['no', 'No'], ['yes', 'Yes'], notSeen],
  askedYesNo: [['no', 'No'], ['yes', 'Yes'], notAsked],
  felt: [['yes', 'Yes'], ['no', 'No'], ['can’t feel', 'Can’t feel'], notAsked],
} as const;

/** One of a few things; not observed until something was said. */
export function choice<const V extends string>(
  question: string,
  choices: Choices<V>,
  notes: FieldNotes = {},
): Field<V | typeof notObserved> {
  const values = [...new Set<string>([...choices.map(([value]) => value), notObserved])] as [V, ...V[]];
  return { kind: 'choice', question, choices, ...notes, schema: z._default(z.enum(values), notObserved as V) };
}

/** What was seen among several: an empty list beside other entries means looked for and not seen. */
export function ticks<const V extends string>(
  question: string,
  choices: Choices<V>,
  notes: FieldNotes = {},
): Field<V[]> {
  return { kind: 'ticks', question, choices, ...notes, schema: z._default(z.array(oneOf(choices)), []) };
}

/** As ticks, of something that has to be done first: null until it was, an empty list where nothing was seen. */
export function ticksOnceDone<const V extends string>(
  question: string,
  choices: Choices<V>,
  none: string,
  notes: FieldNotes = {},
): Field<V[] | null> {
  return {
    kind: 'ticks',
    question,
    choices,
    none,
    ...notes,
    schema: z._default(z.nullable(z.array(oneOf(choices))), null),
  };
}

/** A grade 0 to 3 with its four words; null until it was given. */
export const graded = (
  question: string,
  words: readonly [string, string, string, string],
  notes: FieldNotes = {},
): Field<number | null> => ({ kind: 'grade', question, words, ...notes, schema: z._default(gradeSchema, null) });

/** 0 to 10 with words for both ends; null until it was asked. */
export const scale = (question: string, low: string, high: string, notes: FieldNotes = {}): Field<number | null> => ({
  kind: 'scale',
  question,
  low,
  high,
  ...notes,
  schema: ofTen,
});

/** A length of time by the watch, up to three goes. */
export const timed = (question: string, notes: FieldNotes = {}): Field<number[]> => ({
  kind: 'seconds',
  question,
  ...notes,
  schema: z._default(z.array(z.number().check(z.minimum(0.1), z.maximum(120))).check(z.maxLength(3)), []),
});

/** 0 to 10, null until it was asked. */
export const ofTen = z._default(z.nullable(z.number().check(z.minimum(0), z.maximum(10))), null);

/** A yes or no that is no field of a list: asked on a screen of the protocol's own. */
export const yesNo = z._default(z.enum(['no', 'yes', notObserved]), notObserved);

function oneOf<V extends string>(choices: Choices<V>) {
  return z.enum(choices.map(([value]) => value) as [V, ...V[]]);
}
