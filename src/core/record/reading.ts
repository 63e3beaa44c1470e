import { z } from 'zod';
import { intentIds, snapshotSchema } from '../read';

/** What a coach confirmed on Read: the intent, the patterns and findings behind it, and a line of their own. */
export const readingSchema = z.object({
  intent: z.enum(intentIds),
  side: z.enum(['left', 'right']).nullable(),
  patterns: z.array(z.string().max(40)).max(10),
  ownLine: z.string().max(2000, 'Your own line is limited to 2,000 characters.'),
  /** Findings and order of patterns as they stood; a reading from before this was kept has none. */
  snapshot: snapshotSchema.nullable().default(null),
});
export type Reading = z.infer<typeof readingSchema>;
