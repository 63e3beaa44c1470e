import * as z from 'zod/mini';
import { type Provenance } from '../reasons';
import { type Component } from '../safety';
import { type Field } from './fields';
import { type FoundHere } from './finding';
import { type LookPosition, lookPositions } from './positions';

/** Small pictures that help a set-up. */
export type LookPictureId = 'tape' | 'hands' | 'fingers' | 'sideBend' | 'posture' | 'march' | 'rock' | 'lines';

/** A result in one short sentence, with where its edges come from. */
export interface LookResult {
  words: string;
  provenance: Provenance;
}

/** What is told about a protocol before it is taken. */
interface About {
  name: string;
  /** What to set up and say, in one or two sentences. */
  setUp: string;
  /** What the result means and what it does not. */
  means: string;
  minutes: number;
  /** The positions it may be taken in, the usual one first; like is only compared with like. */
  positions: readonly LookPosition[];
  /** Gated like a drill. */
  components: readonly Component[];
  picture?: LookPictureId;
  /** Read better when it is taken a second time; the others have several goes of their own, or are asked. */
  takenTwice?: true;
  /** What the set-up says that a client of today may not do, and what it says instead. */
  without?: Without;
}

export interface Without {
  says: string;
  /** Off when this position is; the words say `…` where the position comes. */
  position?: LookPosition;
  instead?: string;
  /** Off without consent to the coach's hands. */
  hands?: Readonly<Record<'own hands' | 'no', string>>;
}

/** Something of a record that is followed over visits, its unit, and what counts as noise until the client's own is known. */
export interface Followed<R> {
  name: string;
  unit: string;
  /** A length, stored in centimetres: its unit where the studio says lengths in inches. */
  inInches?: string | undefined;
  digits: number;
  /** Usual typical error: common practice, the sizes ours. */
  typicalError: number;
  /** The goes that count; two of them in one record teach the client's own noise. */
  goes: (raw: R) => readonly number[];
  /** The value of a record, where it is not the mean of its goes; null when it holds none. */
  value?: (raw: R) => number | null;
  /** One value a record: two looks of a visit in one position teach the noise instead. */
  pairedAcrossLooks?: true;
}

type Shape = Record<string, z.ZodMiniType>;
type Fields = Record<string, Field>;

/** Every record: where it was taken, and whether it was taken again to be sure, so that it counts beside the one before. */
const place = { position: z.enum(lookPositions), again: z.optional(z.boolean()) };

type RecordOf<F extends Fields, S extends Shape> = z.infer<
  z.ZodMiniObject<typeof place & { [K in keyof F]: F[K]['schema'] } & S>
>;

interface Definition<F extends Fields, S extends Shape, Id extends string, Measure extends string> extends Omit<
  About,
  'components'
> {
  components?: readonly Component[];
  /** Entered one by one from a list. */
  fields?: F;
  /** What else a record holds: entered on a screen of the protocol's own. */
  kept?: S;
  /** What a record can't be, in one sentence; null when it can. */
  refuses?: (raw: RecordOf<F, S>) => string | null;
  /** Of what has no default of its own: nothing observed. */
  blank?: Partial<RecordOf<F, S>>;
  /** What a filled-in record contains beyond the protocol and its fields. */
  contains?: (raw: RecordOf<F, S>) => readonly Component[];
  /** The result in a few words; null while nothing that counts was entered. */
  tells: (raw: RecordOf<F, S>) => string | LookResult | null;
  /** What it is the one to settle, each in words. */
  findings?: Readonly<Record<Id, string>>;
  /** What one record says of findings, its own or others’. */
  reads?: (raw: RecordOf<F, S>) => FoundHere;
  follows?: Readonly<Record<Measure, Followed<NoInfer<RecordOf<F, S>>>>>;
}

/**
 * A protocol from everything that is known of it: what is entered, what it starts with, what a record contains that may be
 * gated, what it tells, which findings it settles, what is followed. Everything else about protocols is derived from it.
 *
 * @example protocol({ ...about, kept: {}, tells: ({ position }) => position }).tells({ position: 'sitting' }) // 'sitting'
 */
export function protocol<
  F extends Fields = Record<never, never>,
  S extends Shape = Record<never, never>,
  const Id extends string = never,
  const Measure extends string = never,
>(definition: Definition<F, S, Id, Measure>) {
  type R = RecordOf<F, S>;
  const { fields = {} as F, kept = {} as S, refuses, blank = {}, findings, follows, ...rest } = definition;
  const asked = Object.fromEntries(Object.entries(fields).map(([key, { schema }]) => [key, schema]));
  const plain = z.object({ ...place, ...asked, ...kept }) as unknown as z.ZodMiniType<R>;
  const schema = plain.check(
    z.superRefine((raw, context) => {
      const message = refuses?.(raw) ?? null;
      if (message !== null) context.addIssue({ code: 'custom', message });
    }),
  );
  return {
    components: [] as readonly Component[],
    contains: (): readonly Component[] => [],
    ...rest,
    fields,
    schema,
    blank: blank as Partial<R>,
    findings: (findings ?? {}) as Readonly<Record<Id, string>>,
    follows: (follows ?? {}) as Readonly<Record<Measure, Followed<R>>>,
  };
}
