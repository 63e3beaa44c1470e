import { z } from 'zod';
import { type Cadence, longestPhaseSeconds, shortestPhaseSeconds } from './cadence';

const phaseSeconds = z.number().min(0).max(longestPhaseSeconds);

/** A breath as it is kept and handed over. */
export const cadenceSchema: z.ZodType<Cadence> = z.object({
  inhaleSeconds: phaseSeconds.min(shortestPhaseSeconds),
  topPauseSeconds: phaseSeconds,
  exhaleSeconds: phaseSeconds.min(shortestPhaseSeconds),
  bottomPauseSeconds: phaseSeconds,
});
