import { type Reason, capital, commonPractice, listed, published } from '../reasons';
import { conditionRules, conditionsWithSigns, signContextsOf } from './conditionRules';
import { needsGuardian } from './gates';
import { type Profile } from './profile';
import { type SignContext, signInWords } from './signs';

/** The state of the way from Screen to Coach on a day. */
export type PathState =
  | { state: 'open'; reasons: Reason[] }
  | { state: 'emergency'; reasons: Reason[]; signs: string[]; loggedOn: string }
  | { state: 'red flag'; reasons: Reason[]; signs: string[] }
  | { state: 'guardian'; reasons: Reason[] }
  | { state: 'not asked'; reasons: Reason[] }
  | { state: 'recount'; reasons: Reason[] };

/** A count shorter than this says nothing of the path. */
const leastCountSeconds = 60;

/** A counted resting rate, as far as the path needs to know it. */
export interface CountedRate {
  breathsPerMinute: number;
  /** Only an unannounced count of at least 60 s can lock or unlock drills. */
  seconds: number;
  recordId: string;
}

/**
 * Whether the client may go on, in the order of precedence: emergency, guardian, red flag, signs not asked today, rate
 * to be counted again. An emergency logged on this day has no way on; one from an earlier day asks for a clinician's word,
 * like a red flag.
 *
 * @param profile what is known
 * @param onDay yyyy-mm-dd; what was said later than that counts as said on it: a visit may go on past midnight
 * @param counts unannounced counts of this visit, oldest first
 */
export function pathState(profile: Profile, onDay: string, counts: readonly CountedRate[]): PathState {
  const { emergency, redFlags } = profile;
  if (emergency && emergency.present.length > 0 && emergency.since >= onDay) {
    return {
      state: 'emergency',
      reasons: emergency.present.map((id) =>
        signReason(id, emergency.recordId, 'Emergency sign: stop, no way on today.'),
      ),
      signs: emergency.present.map(signInWords),
      loggedOn: emergency.since,
    };
  }
  if (needsGuardian(profile, onDay)) {
    return {
      state: 'guardian',
      reasons: [
        {
          what: "Under 18: a guardian's consent comes first.",
          rule: "Under 18, a guardian's consent",
          records: [],
          provenance: commonPractice,
        },
      ],
    };
  }
  const open = [redFlags, emergency].flatMap((answer) =>
    answer && answer.present.length > 0 && !answer.clearance ? [answer] : [],
  );
  if (open.length > 0) {
    return {
      state: 'red flag',
      reasons: open.flatMap((answer) =>
        answer.present.map((id) => signReason(id, answer.recordId, 'Red flag: no drills today, refer.')),
      ),
      signs: open.flatMap((answer) => answer.present.map(signInWords)),
    };
  }
  const rate = rateState(counts, profile, onDay);
  if (rate?.state === 'red flag') return rate;
  const asked = [emergency, redFlags].flatMap((answer) => (answer && answer.day >= onDay ? [answer.contexts] : []));
  const untold = signContextsOf(profile.answers).filter((context) => asked.some((list) => !list.includes(context)));
  if (asked.length === 2 && untold.length > 0) {
    return {
      state: 'not asked',
      reasons: [
        {
          what: `Signs of ${signsOf(untold)} have not been asked: it was told after the others.`,
          rule: 'What is told later opens the signs again.',
          records: [],
          provenance: commonPractice,
        },
      ],
    };
  }
  if (asked.length < 2) {
    return {
      state: 'not asked',
      reasons: [
        {
          what: 'Emergency signs and red flags have not been asked today.',
          rule: 'Ask at every visit, before the first drill.',
          records: [],
          provenance: commonPractice,
        },
      ],
    };
  }
  return rate ?? { state: 'open', reasons: [] };
}

/** How a resting rate beyond the edge is told among the signs. */
export const rateSign = 'a resting rate that stayed beyond the edge';

/**
 * What the counts of a visit mean. One beyond the edge asks for another; only a count of a minute or more that is itself clear
 * opens the way again, and a second beyond the edge is a red flag, which a clinician's word of the day lifts.
 */
function rateState(counts: readonly CountedRate[], profile: Profile, onDay: string): PathState | null {
  const flags = counts.filter(({ seconds }) => seconds >= leastCountSeconds).map(rateFlag);
  const last = flags.at(-1);
  if (!last) return null;
  if (!flags.at(-2)) return { state: 'recount', reasons: [last] };
  if (profile.rateClearance && profile.rateClearance.day >= onDay) return null;
  const rule = 'A second count beyond the edge: no drills today, refer.';
  const again = Math.round(counts.filter(({ seconds }) => seconds >= leastCountSeconds).at(-1)!.breathsPerMinute);
  const what = `${again} a minute at rest, beyond the edge for the second time.`;
  return { state: 'red flag', reasons: [{ ...last, what, rule }], signs: [rateSign] };
}

function signReason(id: string, recordId: string, rule: string): Reason {
  return {
    what: `${capital(signInWords(id))}.`,
    rule,
    records: [{ kind: 'fact', id: recordId, label: 'Screen' }],
    provenance: commonPractice,
  };
}

/**
 * A resting rate at or beyond the published edge: at 25 or more sit and count again after two minutes, at 8 or fewer
 * count once more. Counts under 60 s say nothing here.
 *
 * @source [R1] NEWS2 2017, the bands scored 3
 * @example rateFlag({ breathsPerMinute: 26, seconds: 60, recordId: 'a' })?.what
 */
export function rateFlag(rate: CountedRate): Reason | null {
  if (rate.seconds < leastCountSeconds) return null;
  const rounded = Math.round(rate.breathsPerMinute);
  if (rounded > 8 && rounded < 25) return null;
  return {
    what:
      rounded >= 25
        ? `${rounded} a minute at rest. Sit, wait two minutes, count again; with any symptom refer at once.`
        : `${rounded} a minute at rest. Count once more: slow drills and training lower it.`,
    rule: 'Resting rate of 25 or more, or 8 or fewer: drills stay locked until counted again.',
    records: [{ kind: 'look', id: rate.recordId, label: 'Unannounced quiet look' }],
    provenance: published('R1'),
  };
}

/** What the signs of some contexts are signs of. */
function signsOf(contexts: readonly SignContext[]): string {
  const rules = conditionsWithSigns.flatMap((id) => conditionRules[id]!.signs ?? []);
  return listed(rules.filter(({ context }) => contexts.includes(context)).map(({ of }) => of));
}
