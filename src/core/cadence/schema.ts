import * as z from 'zod/mini';
import { type Cadence, longestPhaseSeconds, shortestPhaseSeconds } from './cadence';

const phaseSeconds = z.number().check(z.minimum(0), z.maximum(longestPhaseSeconds));

/** A breath as it is kept and handed over. */
export const cadenceSchema: z.ZodMiniType<Cadence> = z.object({
  inhaleSeconds: phaseSeconds.check(z.minimum(shortestPhaseSeconds)),
  topPauseSeconds: phaseSeconds,
  exhaleSeconds: phaseSeconds.check(z.minimum(shortestPhaseSeconds)),
  bottomPauseSeconds: phaseSeconds,
});
