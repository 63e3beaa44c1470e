import * as z from 'zod/mini';
import { nameTrouble } from './clientName';
import { type ConditionId, conditionIds } from './conditions';
import { type Fact, type FactKey, type KnownClient, complaintPlaces, foldFacts } from './known';
import { surgerySites } from './profile';
import { emergencySignIds, redFlagIds } from './signs';
import { mostLeaks, symptomIds } from './symptoms';

const text = (max: number, what: string) =>
  z
    .string()
    .check(
      z.maxLength(
        max,
        `${what} is limited to ${max.toLocaleString('en-GB')} characters; yours is longer. Shorten it and it will be saved.`,
      ),
    );

/**
 * A calendar day that exists, written yyyy-mm-dd.
 *
 * @example dayString.safeParse('2026-02-30').success // false
 */
export const dayString = z.string().check(
  z.regex(/^\d{4}-\d{2}-\d{2}$/, 'Write the date as day, month and year.'),
  z.refine((day) => {
    const time = Date.parse(`${day}T00:00:00Z`);
    return !Number.isNaN(time) && new Date(time).toISOString().slice(0, 10) === day;
  }, 'That day does not exist. Check day and month.'),
  z.refine((day) => day >= '1900-01-01' && day <= '2200-01-01', 'That year is out of range. Check the year.'),
);

export const answerValueSchema = z.object({
  value: z.enum(['yes', 'no', 'unknown']),
  weekOnDay: z.optional(
    z
      .number({ error: 'The week of pregnancy is a number from 1 to 42.' })
      .check(
        z.int('The week of pregnancy is a whole number from 1 to 42.'),
        z.minimum(1, 'The week of pregnancy is a number from 1 to 42.'),
        z.maximum(42, 'The week of pregnancy is a number from 1 to 42.'),
      ),
  ),
  dueDate: z.optional(dayString),
  date: z.optional(dayString),
  caesarean: z.optional(z.boolean()),
  side: z.optional(z.enum(['left', 'right', 'both'])),
  site: z.optional(z.enum(surgerySites)),
  clearedBy: z.optional(text(200, 'The name of the clinician')),
  note: z.optional(text(2000, 'A note')),
});

const clearanceSchema = z.object({
  clinician: z.string().check(z.trim(), z.minLength(2, 'Name the clinician who cleared it.'), z.maxLength(200)),
  reason: z
    .string()
    .check(z.trim(), z.minLength(5, 'Say in a few words why going on is all right.'), z.maxLength(2000)),
});

const complaintSchema = z.object({
  places: z.array(z.enum(complaintPlaces)).check(z.maxLength(complaintPlaces.length)),
  level: z.nullable(z.number().check(z.minimum(0, 'From 0 to 10.'), z.maximum(10, 'From 0 to 10.'))),
});

const symptomsSchema = z.object({
  leaks: z.nullable(
    z
      .number()
      .check(z.int(), z.minimum(0, 'From no leak to 7 or more.'), z.maximum(mostLeaks, 'From no leak to 7 or more.')),
  ),
  signs: z.nullable(z.array(z.enum(symptomIds)).check(z.maxLength(symptomIds.length))),
});

/** Everything that can be recorded of a client, by key, and the shape of its value. */
export const factSchemas = {
  name: z.string().check(
    z.trim(),
    z.superRefine((name, context) => {
      const message = nameTrouble(name);
      if (message !== null) context.addIssue({ code: 'custom', message });
    }),
  ),
  birthDay: z.nullable(dayString),
  goal: text(4000, 'The goal'),
  complaint: text(4000, 'The complaint'),
  complaintDetail: complaintSchema,
  symptoms: symptomsSchema,
  longDesk: z.enum(['yes', 'no', 'unknown']),
  clinician: text(300, 'The clinician'),
  medicines: text(2000, 'The list of medicines'),
  touch: z.enum(['yes', 'own hands', 'no', 'unknown']),
  guardian: z.boolean(),
  whatChanged: z.object({ changed: z.enum(['nothing', 'something']) }),
  screened: z.literal(true),
  emergency: z.object({ present: z.array(z.enum(emergencySignIds)) }),
  redFlags: z.object({ present: z.array(z.enum(redFlagIds)) }),
  emergencyClearance: clearanceSchema,
  redFlagClearance: clearanceSchema,
  rateClearance: clearanceSchema,
  ...(Object.fromEntries(conditionIds.map((id) => [`answer:${id}`, answerValueSchema])) as Record<
    `answer:${ConditionId}`,
    typeof answerValueSchema
  >),
} satisfies { readonly [K in FactKey]: z.ZodMiniType };

/**
 * Folds facts, oldest first, into what is known. Values that no longer fit their schema are passed over, never guessed.
 *
 * @param before what was known already, to go on from
 * @example knownClient([]).profile.touch // 'unknown'
 */
export const knownClient = (facts: readonly Fact[], before?: KnownClient): KnownClient =>
  foldFacts(
    facts.flatMap((fact) => {
      const parsed = factSchemas[fact.key]?.safeParse(fact.value);
      return parsed?.success ? [{ fact, value: parsed.data }] : [];
    }),
    before,
  );
