import { signContextsOf } from './conditionRules';
import { type ConditionId, conditionIds } from './conditions';
import { type Answer, type Profile, type SignsAnswer, emptyProfile } from './profile';
import { type Symptoms } from './symptoms';

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
/** What can be recorded of a client. The shape of each value stands in `facts`. */
export const factKeys = [
  'name',
  'birthDay',
  'goal',
  'complaint',
  'complaintDetail',
  'symptoms',
  'longDesk',
  'clinician',
  'medicines',
  'touch',
  'guardian',
  'whatChanged',
  'screened',
  'emergency',
  'redFlags',
  'emergencyClearance',
  'redFlagClearance',
  'rateClearance',
  ...conditionIds.map((id): `answer:${ConditionId}` => `answer:${id}`),
] as const;
export type FactKey = (typeof factKeys)[number];

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

/** Who said that going on is all right, and why. */
interface Clearance {
  clinician: string;
  reason: string;
}

/**
 * Folds facts, oldest first, into what is known. A sign once present stays open until a clinician's word is recorded:
 * a later "none today" does not clear it.
 *
 * @param facts each with its value, which was checked against its key
 * @param before what was known already, to go on from
 * @example foldFacts([]).profile.touch // 'unknown'
 */
export function foldFacts(
  facts: readonly { fact: Fact; value: unknown }[],
  before: KnownClient = nothingKnown,
): KnownClient {
  const profile: Profile = { ...before.profile, answers: { ...before.profile.answers } };
  const texts = { ...before.texts };
  const latest = { ...before.latest };
  let { complaint, symptoms, longDesk } = before;

  for (const { fact, value } of facts) {
    latest[fact.key] = fact;
    if (fact.key.startsWith('answer:')) {
      profile.answers[fact.key.slice('answer:'.length) as ConditionId] = answerOf(fact, value);
      continue;
    }
    switch (fact.key) {
      case 'name':
      case 'goal':
      case 'complaint':
      case 'clinician':
      case 'medicines':
        texts[fact.key] = value as string;
        break;
      case 'complaintDetail':
        complaint = value as Complaint;
        break;
      case 'symptoms':
        symptoms = value as Symptoms;
        break;
      case 'longDesk':
        longDesk = value as KnownClient['longDesk'];
        break;
      case 'birthDay':
        profile.birthDay = value as string | null;
        break;
      case 'touch':
        profile.touch = value as Profile['touch'];
        break;
      case 'guardian':
        profile.guardianConsent = value as boolean;
        break;
      case 'whatChanged':
        profile.whatChanged = { day: fact.day, ...(value as { changed: 'nothing' | 'something' }) };
        break;
      case 'screened':
        profile.screenedOn = fact.day;
        break;
      case 'emergency':
      case 'redFlags':
        profile[fact.key] = nextSigns(
          profile[fact.key],
          fact,
          (value as { present: string[] }).present,
          signContextsOf(profile.answers),
        );
        break;
      case 'emergencyClearance':
        profile.emergency = cleared(profile.emergency, fact, value as Clearance);
        break;
      case 'redFlagClearance':
        profile.redFlags = cleared(profile.redFlags, fact, value as Clearance);
        break;
      case 'rateClearance':
        profile.rateClearance = { ...(value as Clearance), day: fact.day, recordId: fact.id };
        break;
    }
  }
  return { profile, texts, complaint, symptoms, longDesk, latest };
}

function answerOf(fact: Fact, told: unknown): Answer {
  const { value, ...detail } = told as Pick<Answer, 'value'> & Answer['detail'];
  return { value, day: fact.day, recordId: fact.id, detail };
}

function nextSigns(
  before: SignsAnswer | null,
  fact: Fact,
  present: string[],
  contexts: SignsAnswer['contexts'],
): SignsAnswer {
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

function cleared(before: SignsAnswer | null, fact: Fact, value: Clearance): SignsAnswer | null {
  if (!before || before.present.length === 0) return before;
  return { ...before, day: fact.day, clearance: { ...value, day: fact.day, recordId: fact.id } };
}
