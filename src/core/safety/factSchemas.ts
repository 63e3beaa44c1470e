import * as z from 'zod/mini';
import { nameTrouble } from './clientName';
import { type ConditionId, conditionIds } from './conditions';
import { clearanceLengths, complaintLevels, dayTrouble, dayWritten, longestTexts, weeksTold } from './factFits';
import { type FactKey, complaintPlaces } from './factKeys';
import { surgerySites } from './profile';
import { emergencySignIds, redFlagIds } from './signs';
import { mostLeaks, symptomIds } from './symptoms';

/** Places in a pair of edges. */
const [least, most] = [0, 1] as const;

const text = (of: keyof typeof longestTexts, what: string) =>
  z
    .string()
    .check(
      z.maxLength(
        longestTexts[of],
        `${what} is limited to ${longestTexts[of].toLocaleString('en-GB')} characters; yours is longer. Shorten it and it will be saved.`,
      ),
    );

/** Refuses a text with the sentence that tells what is wrong with it. */
const says = (trouble: (text: string) => string | null) =>
  z.superRefine((value: string, context) => {
    const message = trouble(value);
    if (message !== null) context.addIssue({ code: 'custom', message });
  });

/**
 * A calendar day that exists, written yyyy-mm-dd.
 *
 * @example dayString.safeParse('2026-02-30').success // false
 */
export const dayString = z.string().check(z.regex(dayWritten, dayTrouble('')!), says(dayTrouble));

export const answerValueSchema = z.object({
  value: z.enum(['yes', 'no', 'unknown']),
  weekOnDay: z.optional(
    z
      .number({ error: 'The week of pregnancy is a number from 1 to 42.' })
      .check(
        z.int('The week of pregnancy is a whole number from 1 to 42.'),
        z.minimum(weeksTold[least], 'The week of pregnancy is a number from 1 to 42.'),
        z.maximum(weeksTold[most], 'The week of pregnancy is a number from 1 to 42.'),
      ),
  ),
  dueDate: z.optional(dayString),
  date: z.optional(dayString),
  caesarean: z.optional(z.boolean()),
  side: z.optional(z.enum(['left', 'right', 'both'])),
  site: z.optional(z.enum(surgerySites)),
  clearedBy: z.optional(text('clearedBy', 'The name of the clinician')),
  note: z.optional(text('note', 'A note')),
});

const clearanceSchema = z.object({
  clinician: z
    .string()
    .check(
      z.trim(),
      z.minLength(clearanceLengths.clinician[least], 'Name the clinician who cleared it.'),
      z.maxLength(clearanceLengths.clinician[most]),
    ),
  reason: z
    .string()
    .check(
      z.trim(),
      z.minLength(clearanceLengths.reason[least], 'Say in a few words why going on is all right.'),
      z.maxLength(clearanceLengths.reason[most]),
    ),
});

const complaintSchema = z.object({
  places: z.array(z.enum(complaintPlaces)).check(z.maxLength(complaintPlaces.length)),
  level: z.nullable(
    z
      .number()
      .check(z.minimum(complaintLevels[least], 'From 0 to 10.'), z.maximum(complaintLevels[most], 'From 0 to 10.')),
  ),
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
  name: z.string().check(z.trim(), says(nameTrouble)),
  birthDay: z.nullable(dayString),
  goal: text('goal', 'The goal'),
  complaint: text('complaint', 'The complaint'),
  complaintDetail: complaintSchema,
  symptoms: symptomsSchema,
  longDesk: z.enum(['yes', 'no', 'unknown']),
  clinician: text('clinician', 'The clinician'),
  medicines: text('medicines', 'The list of medicines'),
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
