import * as z from 'zod/mini';
import { liftBreaths } from './lift';
import { type StrategyId, strategies } from './strategy';

const strategyIds = Object.keys(strategies) as [StrategyId, ...StrategyId[]];

/** A set as it was done. */
export const liftSchema = z.object({
  movementId: z.string().check(z.minLength(1), z.maxLength(60)),
  /** Of a movement of the coach's own: what it was called. */
  name: z.optional(z.string().check(z.maxLength(60))),
  hand: z.enum(['left', 'right', 'both', 'none']),
  kg: z.number().check(z.minimum(0, 'A load is from 0 kg up.'), z.maximum(500, 'A load is at most 500 kg.')),
  repetitions: z
    .number()
    .check(z.int('Repetitions are whole.'), z.minimum(1), z.maximum(200, 'A set has at most 200 repetitions.')),
  /** 0 to 10; null where nobody asked. */
  effort: z.nullable(z.number().check(z.minimum(0), z.maximum(10))),
  strategy: z.enum(strategyIds),
  breath: z.enum(liftBreaths),
  leaked: z.boolean(),
});
export type Lift = z.infer<typeof liftSchema>;

/** A set as it is kept. */
export interface StoredLift {
  id: string;
  visitId: string;
  /** UTC, ISO */
  at: string;
  lift: Lift;
}
