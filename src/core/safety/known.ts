import { signContextsOf } from './conditionRules';
import { type ConditionId } from './conditions';
import { factFits } from './factFits';
import { type Complaint, type Fact, type FactKey } from './factKeys';
import { type Answer, type Profile, type SignsAnswer, emptyProfile } from './profile';
import { type Symptoms } from './symptoms';

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
 * Folds facts, oldest first, into what is known. Values that do not fit their key are passed over, never guessed. A sign once present
 * stays open until a clinician's word is recorded: a later "none today" does not clear it.
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
    const { key, value } = fact;
    if (!factFits(key, value)) continue;
    latest[key] = fact;
    if (key.startsWith('answer:')) {
      profile.answers[key.slice('answer:'.length) as ConditionId] = answerOf(fact, value);
      continue;
    }
    switch (key) {
      case 'name':
        texts.name = (value as string).trim();
        break;
      case 'goal':
      case 'complaint':
      case 'clinician':
      case 'medicines':
        texts[key] = value as string;
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
        profile[key] = nextSigns(
          profile[key],
          fact,
          (value as { present: string[] }).present,
          signContextsOf(profile.answers),
        );
        break;
      case 'emergencyClearance':
        profile.emergency = cleared(profile.emergency, fact);
        break;
      case 'redFlagClearance':
        profile.redFlags = cleared(profile.redFlags, fact);
        break;
      case 'rateClearance':
        profile.rateClearance = clearanceOf(fact);
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

const clearanceOf = ({ id, day, value }: Fact): NonNullable<SignsAnswer['clearance']> => {
  const { clinician, reason } = value as { clinician: string; reason: string };
  return { clinician: clinician.trim(), reason: reason.trim(), day, recordId: id };
};

const cleared = (before: SignsAnswer | null, fact: Fact): SignsAnswer | null =>
  before && before.present.length > 0 ? { ...before, day: fact.day, clearance: clearanceOf(fact) } : before;
