import * as z from 'zod/mini';
import { nameTrouble } from './clientName';
import { type ConditionId, conditionIds } from './conditions';
import { signContextsOf } from './conditionRules';
import { type Answer, type Profile, type SignsAnswer, emptyProfile, surgerySites } from './profile';
import { emergencySignIds, redFlagIds } from './signs';
import { type Symptoms, mostLeaks, symptomIds } from './symptoms';

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

/** Where a complaint is felt. */
export const complaintPlaces = [
  'head',
  'neck',
  'shoulder blade',
  'ribs',
  'mid-back',
  'low back',
  'belly',
  'pelvis',
] as const;
export type ComplaintPlace = (typeof complaintPlaces)[number];

/** Where it is and how much of it there is, 0 none to 10 as bad as can be; null where it was not asked. */
export interface Complaint {
  places: readonly ComplaintPlace[];
  level: number | null;
}
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
};

export type FactKey = keyof typeof factSchemas;
export const factKeys = Object.keys(factSchemas) as [FactKey, ...FactKey[]];

/** One thing said of a client on a day. Facts are only ever added; the newest of a key counts. */
export interface Fact {
  id: string;
  key: FactKey;
  value: unknown;
  /** UTC, ISO */
  at: string;
  /** The calendar day in the studio's zone, yyyy-mm-dd. */
  day: string;
}

/** What is known of a client now, in plain fields. */
export interface KnownClient {
  profile: Profile;
  texts: Record<'name' | 'goal' | 'complaint' | 'clinician' | 'medicines', string>;
  complaint: Complaint;
  /** As it was told last; of which day is in `latest`. */
  symptoms: Symptoms;
  /** Sits for long spells on most days. */
  longDesk: 'yes' | 'no' | 'unknown';
  /** The newest fact of each key, for showing when it was said and for noticing edits in another window. */
  latest: Partial<Record<FactKey, Fact>>;
}

const nothingKnown: KnownClient = {
  profile: emptyProfile,
  texts: { name: '', goal: '', complaint: '', clinician: '', medicines: '' },
  complaint: { places: [], level: null },
  symptoms: { leaks: null, signs: null },
  longDesk: 'unknown',
  latest: {},
};

/**
 * Folds facts, oldest first, into what is known. A sign once present stays open until a clinician's word is recorded:
 * a later "none today" does not clear it. Values that no longer fit their schema are passed over, never guessed.
 *
 * @param before what was known already, to go on from
 * @example knownClient([]).profile.touch // 'unknown'
 */
export function knownClient(facts: readonly Fact[], before: KnownClient = nothingKnown): KnownClient {
  const profile: Profile = { ...before.profile, answers: { ...before.profile.answers } };
  const texts = { ...before.texts };
  const latest = { ...before.latest };
  let { complaint, symptoms, longDesk } = before;

  for (const fact of facts) {
    const parsed = factSchemas[fact.key]?.safeParse(fact.value);
    if (!parsed?.success) continue;
    latest[fact.key] = fact;
    if (fact.key.startsWith('answer:')) {
      profile.answers[fact.key.slice('answer:'.length) as ConditionId] = answerOf(fact);
      continue;
    }
    switch (fact.key) {
      case 'name':
      case 'goal':
      case 'complaint':
      case 'clinician':
      case 'medicines':
        texts[fact.key] = parsed.data as string;
        break;
      case 'complaintDetail':
        complaint = parsed.data as Complaint;
        break;
      case 'symptoms':
        symptoms = parsed.data as Symptoms;
        break;
      case 'longDesk':
        longDesk = parsed.data as KnownClient['longDesk'];
        break;
      case 'birthDay':
        profile.birthDay = parsed.data as string | null;
        break;
      case 'touch':
        profile.touch = parsed.data as Profile['touch'];
        break;
      case 'guardian':
        profile.guardianConsent = parsed.data as boolean;
        break;
      case 'whatChanged':
        profile.whatChanged = { day: fact.day, ...(parsed.data as { changed: 'nothing' | 'something' }) };
        break;
      case 'screened':
        profile.screenedOn = fact.day;
        break;
      case 'emergency':
      case 'redFlags':
        profile[fact.key] = nextSigns(profile[fact.key], fact, signContextsOf(profile.answers));
        break;
      case 'emergencyClearance':
        profile.emergency = cleared(profile.emergency, fact);
        break;
      case 'redFlagClearance':
        profile.redFlags = cleared(profile.redFlags, fact);
        break;
      case 'rateClearance':
        profile.rateClearance = { ...clearanceSchema.parse(fact.value), day: fact.day, recordId: fact.id };
        break;
    }
  }
  return { profile, texts, complaint, symptoms, longDesk, latest };
}

function answerOf(fact: Fact): Answer {
  const { value, ...detail } = answerValueSchema.parse(fact.value);
  return { value, day: fact.day, recordId: fact.id, detail };
}

function nextSigns(before: SignsAnswer | null, fact: Fact, contexts: SignsAnswer['contexts']): SignsAnswer {
  const { present } = fact.value as { present: string[] };
  const stillOpen = before && before.present.length > 0 && !before.clearance ? before.present : [];
  if (stillOpen.length === 0) return { day: fact.day, since: fact.day, recordId: fact.id, present, contexts };
  if (present.length === 0) return before!;
  return {
    day: fact.day,
    since: fact.day,
    recordId: fact.id,
    present: [...new Set([...stillOpen, ...present])],
    contexts,
  };
}

function cleared(before: SignsAnswer | null, fact: Fact): SignsAnswer | null {
  if (!before || before.present.length === 0) return before;
  const value = clearanceSchema.parse(fact.value);
  return { ...before, day: fact.day, clearance: { ...value, day: fact.day, recordId: fact.id } };
}
