import * as z from 'zod/mini';
import { type Provenance } from './provenance';
import { referenceIds } from './references';

/** A provenance as it is kept and handed over. */
export const provenanceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('published'), reference: z.enum(referenceIds) }),
  z.strictObject({ kind: z.literal('common practice') }),
  z.strictObject({ kind: z.literal('set by you') }),
]) satisfies z.ZodMiniType<Provenance>;
