import { stateOf, summariseRun } from '../coach';
import { durationInWords } from '../dose';
import { calmHold, countingLooks, isOf, newest, rateBand, rateOf } from '../look';
import { intentInWords } from '../read';
import { capital, counted } from '../reasons';
import { type VisitRecord, plannedInWords } from '../record';
import { type Gates, type KnownClient, type StationId, components } from '../safety';
import { mapChanges } from './found';

/** One paragraph of a visit's story, and the station its record is at. */
export interface StoryLine {
  heading: string;
  words: string;
  station: StationId;
}

/**
 * The visit so far in short sentences: why they came, what is off limits, what was found, the intent, what was done, what
 * changed. Only what has been recorded is told.
 *
 * @example visitStory(known, gates, null)[0].heading // 'Off limits'; or why they came, where that was said
 */
export function visitStory(known: KnownClient, gates: Gates, visit: VisitRecord | null): StoryLine[] {
  const lines: StoryLine[] = [];
  const tell = (heading: string, words: string | null, station: StationId) => {
    if (words) lines.push({ heading, words, station });
  };
  tell('Why they came', shortened(known.texts.complaint || known.texts.goal), 'screen');
  tell('Off limits', offLimits(gates), 'screen');
  if (!visit) return lines;
  tell('Seen', seen(visit), 'look');
  if (visit.reading) {
    const { intent, side, ownLine } = visit.reading;
    tell('Intent', `${intentInWords(intent, side ?? undefined)}. ${shortened(ownLine) ?? ''}`.trim(), 'read');
  }
  if (visit.plan) tell('Planned', plannedInWords(visit.plan.plan.items), 'sequence');
  tell('Done', done(visit), 'coach');
  tell('Changed', changed(visit), 'track');
  return lines;
}

const shortened = (text: string) =>
  text.trim() === '' ? null : text.length > 160 ? `${text.slice(0, 157).trim()}…` : text;

/** What is blocked, in words, without the questions still open. */
export function offLimits(gates: Gates): string | null {
  const blocked = [...new Set(gates.gates.filter(({ level }) => level === 'block').map(({ component }) => component))];
  if (blocked.length === 0) return null;
  const words = blocked.map((component) => components[component]);
  const shown = words.slice(0, 6).join(', ');
  const more = words.length > 6 ? ` and ${words.length - 6} more` : '';
  return `${capital(shown)}${more}.`;
}

const leadsInWords = {
  together: 'Both hands together.',
  chest: 'The chest leads.',
  belly: 'The belly leads.',
} as const;

function seen(visit: VisitRecord): string | null {
  const parts: string[] = [];
  const quiet = newest(visit.looks, 'quietLook', 'before');
  const rate = quiet && rateOf(quiet.raw.taps);
  if (rate) parts.push(`${rate.breathsPerMinute.toFixed(1)} a minute, ${rateBand(rate.breathsPerMinute).words}.`);
  const hands = countingLooks(visit.looks, 'before').filter((look) => isOf(look, 'twoHands'));
  const leads = new Set(hands.flatMap(({ raw }) => (raw.leads === 'not observed' ? [] : [leadsInWords[raw.leads]])));
  // A second reading that says otherwise stands beside the first, as it does in the reading.
  if (leads.size > 0) parts.push([...leads].join(' Then: '));
  const hold = newest(visit.looks, 'calmHold', 'before');
  if (hold && hold.raw.tries.length > 0) {
    const { seconds } = calmHold(hold.raw.tries);
    parts.push(seconds === null ? 'No calm hold.' : `Calm hold ${Math.round(seconds)} s.`);
  }
  return parts.join(' ') || null;
}

function done(visit: VisitRecord): string | null {
  const run = visit.runs.at(-1);
  if (!run || run.events.length === 0) return null;
  const state = stateOf(run);
  const { items, activeSeconds, symptoms } = summariseRun(state, visit.clientId);
  const delivered = items.reduce((sum, { deliveredBreaths }) => sum + deliveredBreaths, 0);
  const faults = items.reduce((sum, item) => sum + item.faults.reduce((total, { times }) => total + times, 0), 0);
  const stopped = symptoms.length > 0 ? ` Stopped for ${symptoms.join(', ')}.` : '';
  return `${counted(delivered, 'breath')} in ${durationInWords(activeSeconds)}, ${counted(faults, 'fault')} marked.${stopped}`;
}

const changed = (visit: VisitRecord): string | null => mapChanges(visit).slice(0, 3).join(' ') || null;
