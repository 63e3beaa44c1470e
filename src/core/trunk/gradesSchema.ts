import * as z from 'zod/mini';
import { type Grade, regionIds } from './regions';

/** A grade as it is kept and handed over. */
export const gradeSchema: z.ZodMiniType<Grade> = z.nullable(z.number().check(z.int(), z.minimum(0), z.maximum(3)));

export const gradesSchema = z.record(z.enum(regionIds), gradeSchema);
