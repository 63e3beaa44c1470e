import { type Reason, commonPractice, published } from '../reasons';
import { needsGuardian } from './gates';
import { type Profile } from './profile';
import { signInWords } from './signs';

/** The state of the way from Screen to Coach on a day. */
export type PathState =
  | { state: 'open'; reasons: Reason[] }
  | { state: 'emergency'; reasons: Reason[]; signs: string[]; loggedOn: string }
  | { state: 'red flag'; reasons: Reason[]; signs: string[] }
  | { state: 'guardian'; reasons: Reason[] }
  | { state: 'not asked'; reasons: Reason[] }
  | { state: 'recount'; reasons: Reason[] };

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
 * @param onDay yyyy-mm-dd
 * @param latestRate newest unannounced count of this visit, or null
 */
export function pathState(profile: Profile, onDay: string, latestRate: CountedRate | null): PathState {
  const { emergency, redFlags } = profile;
  if (emergency && emergency.present.length > 0 && emergency.since === onDay) {
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
  if (emergency?.day !== onDay || redFlags?.day !== onDay) {
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
  const rate = latestRate && rateFlag(latestRate);
  return rate ? { state: 'recount', reasons: [rate] } : { state: 'open', reasons: [] };
}

function signReason(id: string, recordId: string, rule: string): Reason {
  return {
    what: `${signInWords(id).charAt(0).toUpperCase()}${signInWords(id).slice(1)}.`,
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
  if (rate.seconds < 60) return null;
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

/** The stations that stay open in each state. Screen and Track always are. */
export const openStations: Readonly<Record<PathState['state'], readonly string[]>> = {
  open: ['screen', 'look', 'read', 'sequence', 'coach', 'track'],
  'not asked': ['screen', 'look', 'read', 'sequence', 'track'],
  recount: ['screen', 'look', 'read', 'track'],
  'red flag': ['screen', 'track'],
  guardian: ['screen', 'track'],
  emergency: ['track'],
};
