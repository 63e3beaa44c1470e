import * as z from 'zod/mini';
import { intentIds, snapshotSchema } from '../read';

/** What a coach confirmed on Read: the intent, the patterns and findings behind it, and a line of their own. */
export const readingSchema = z.object({
  intent: z.enum(intentIds),
  side: z.nullable(z.enum(['left', 'right'])),
  patterns: z.array(z.string().check(z.maxLength(40))).check(z.maxLength(10)),
  ownLine: z.string().check(z.maxLength(2000, 'Your own line is limited to 2,000 characters.')),
  /** Findings and order of patterns as they stood; a reading from before this was kept has none. */
  snapshot: z._default(z.nullable(snapshotSchema), null),
});
export type Reading = z.infer<typeof readingSchema>;
