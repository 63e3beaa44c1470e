import { type IntentId, intentInWords } from '../read';
import { counted, listed, lowered } from '../reasons';
import { dayInWords } from '../record';
import { daysBetween } from '../record/day';
import { type KnownClient, type PathState, signInWords, unansweredConditions } from '../safety';

/** What is known of a client on the morning of a visit. */
export interface Expected {
  known: KnownClient;
  path: PathState;
  today: string;
  /** The newest visit before today, with the intent confirmed in it. */
  last: { day: string; intent: IntentId | null; side: 'left' | 'right' | null } | null;
  /** Whether today's visit has begun, and whether it was ended. */
  visit: 'none' | 'open' | 'ended';
  stoppedDrills: number;
  /** What went home and a later caution took back, by name. */
  takenBack: readonly string[];
}

/**
 * What a client needs today, most pressing first, in short sentences; never empty.
 *
 * @example needsToday({ ...expected, last: null })[0] // 'First visit: begin at Screen.'
 */
export function needsToday({ known, path, today, last, visit, stoppedDrills, takenBack }: Expected): string[] {
  const needs: string[] = [];
  const { emergency, redFlags } = known.profile;
  for (const answer of [emergency, redFlags]) {
    if (answer && answer.present.length > 0 && !answer.clearance) {
      needs.push(
        `Since ${dayInWords(answer.since, today)}: ${answer.present.map(signInWords).join('; ')}. A clinician’s word first.`,
      );
    }
  }
  if (path.state === 'guardian') needs.push('Under 18: a guardian’s consent first.');
  if (visit === 'open') needs.push('Visit begun: go on where it stands.');
  if (visit === 'ended') needs.push('Seen today.');
  const unasked = unansweredConditions(known.profile).length;
  if (last === null && visit === 'none') needs.push('First visit: begin at Screen.');
  else if (unasked > 0) needs.push(`${counted(unasked, 'question')} not asked yet.`);
  if (stoppedDrills > 0) needs.push('A drill ended in a stop: review it before planning.');
  if (takenBack.length > 0) needs.push(`Tell them not to go on at home with ${listed(takenBack)}: off limits now.`);
  if (last) {
    const days = daysBetween(last.day, today);
    const when = days === 0 ? 'earlier today' : days === 1 ? 'yesterday' : `${days} days ago`;
    needs.push(
      `Last seen ${when}${last.intent ? `: ${lowered(intentInWords(last.intent, last.side ?? undefined))}` : ''}.`,
    );
  }
  return needs;
}
