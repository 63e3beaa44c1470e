import { breathsPerMinute, cadenceInWords } from '../cadence';
import { faults, type FaultId } from '../catalogue';
import { type ItemSummary, type RunSummary, stateOf, summariseRun } from '../coach';
import { durationInWords } from '../dose';
import { type WeightUnit, liftInWords, weightInWords } from '../load';
import { type LengthUnit } from '../look';
import { listed } from '../reasons';
import { timeIn } from '../diary';
import { type StoredNote, type VisitRecord, dayIn, dayInWords } from '../record';
import { intentInWords } from '../read';
import { type Fact, type Gates, type KnownClient, type TouchConsent, symptomsInWords } from '../safety';
import { knownDrill, weightOf } from '../sequence';
import { changeOf } from './change';
import { changeInWords, figuresOf } from './figures';
import { foundIn, foundInWords, mapChanges } from './found';
import { type Repeats } from './over';
import { markerBeforeAfter } from './series';
import { offLimits, visitStory } from './story';

const touchWords: Record<TouchConsent, string> = {
  yes: 'yes',
  'own hands': 'own hands only',
  no: 'no',
  unknown: 'not asked',
};

/** Consent as it stands, with the time of every change on the day: it may be withdrawn in the middle of a visit. */
function consentInWords(touch: TouchConsent, consent: readonly Fact[], zone: string): string {
  const said = consent.filter((fact, i) => i === 0 || fact.value !== consent[i - 1]!.value);
  if (said.length < 2) return touchWords[touch];
  const inWords = (fact: Fact) => touchWords[fact.value as TouchConsent] ?? String(fact.value);
  const [first, ...later] = said;
  return [inWords(first!), ...later.map((fact) => `${inWords(fact)} from ${timeIn(fact.at, zone)}`)].join('; ');
}

/** The line of the note that says what goes home; the chips of the close write it anew. */
const homeLead = 'Home: ';

/**
 * The note of a visit, written from what was recorded: why they came, limits, consent, intent, planned against delivered
 * drill by drill, stops, marker and map, notes, and what goes home. One fact a line, so that it can be edited by hand.
 *
 * @param repeats of all visits, for the client's own noise
 * @param home names of the drills that go home
 * @param options consent: what was said of touch on the day, oldest first; the zone in which times are told; the units lengths and
 *   weights are said in
 */
export function visitNote(
  known: KnownClient,
  gates: Gates,
  visit: VisitRecord,
  repeats: Repeats,
  home: readonly string[],
  {
    consent = [],
    zone = 'UTC',
    lengths = 'cm',
    weights = 'kg',
  }: { consent?: readonly Fact[]; zone?: string; lengths?: LengthUnit; weights?: WeightUnit } = {},
): string {
  const lines: string[] = [];
  const tell = (lead: string, words: string | null | undefined) => {
    if (words) lines.push(`${lead}: ${words}`);
  };
  tell('Came for', known.texts.complaint || known.texts.goal || null);
  tell('Told', toldOnInWords(known, visit.day));
  tell('Off limits', offLimits(gates));
  tell('Touch', consentInWords(known.profile.touch, consent, zone));
  const story = visitStory(known, gates, visit);
  tell('Seen', story.find(({ heading }) => heading === 'Seen')?.words);
  const found = foundIn(visit, known.profile.answers);
  if (found.length > 0) tell('Found', `${foundInWords(found)}.`);
  if (visit.reading) tell('Intent', intentInWords(visit.reading.intent, visit.reading.side ?? undefined));
  for (const run of visit.runs) {
    const summary = summariseRun(stateOf(run), visit.clientId);
    lines.push(...runLines(summary, weights));
    if (run.members.length > 1) lines.push(`In a group of ${run.members.length}.`);
  }
  for (const { lift } of visit.lifts) tell('Under load', liftInWords(lift, weights));
  const marker = markerBeforeAfter(visit.looks);
  if (marker) {
    const change = changeOf(marker.measure, marker.before, marker.after, repeats[marker.measure] ?? []);
    const noise = figuresOf(marker.measure, lengths).shown(change.noise).toFixed(1);
    tell('Marker', `${changeInWords(change, lengths)} Noise up to ${noise}.`);
  }
  tell('Map', mapChanges(visit).join(' '));
  return withHome(lines.join('\n'), home);
}

/** The complaint, leaks and symptoms as they were told on a day; null where nothing was. */
function toldOnInWords({ latest, complaint, symptoms }: KnownClient, day: string): string | null {
  const parts = [
    ...(latest.complaintDetail?.day === day && complaint.level !== null ? [`complaint ${complaint.level} of 10`] : []),
    ...(latest.symptoms?.day === day ? [symptomsInWords(symptoms)] : []),
  ].filter((words) => words !== '');
  return parts.length === 0 ? null : `${parts.join('; ')}.`;
}

/**
 * The note of a visit as a page that may leave the studio: whose it is, of which day, as it was signed, and what was added later.
 *
 * @example notePage({ studio: 'Saltmarsh Movement Rooms', name: 'Ada', day: '2026-11-23', text: 'Done: 60 s.', signedAt: null, additions: [] }, 'UTC').split('\n')[0] // 'Saltmarsh Movement Rooms'
 */
export function notePage(
  {
    studio,
    name,
    day,
    text,
    signedAt,
    additions,
  }: { studio: string; name: string; day: string } & Pick<StoredNote, 'text' | 'signedAt' | 'additions'>,
  zone: string,
): string {
  const moment = (at: string) => `${dayInWords(dayIn(at, zone), '0000')}, ${timeIn(at, zone)}`;
  return [
    studio,
    `${name}, visit of ${dayInWords(day, '0000')}`,
    '',
    text.trim(),
    '',
    ...additions.map((one) => `Added ${moment(one.at)}: ${one.text}`),
    signedAt ? `Signed ${moment(signedAt)}.` : 'Not signed yet.',
    'Written by a breathing coach from what was seen and done. It is no diagnosis.',
  ].join('\n');
}

function runLines(summary: RunSummary, weights: WeightUnit): string[] {
  const { items, activeSeconds, plannedSeconds, symptoms, settledSeconds, notes } = summary;
  const lines = [`Done: ${durationInWords(activeSeconds)} of ${durationInWords(plannedSeconds)} planned.`];
  const begun = (item: ItemSummary) =>
    item.deliveredBreaths > 0 || item.stopped || item.faults.length > 0 || item.swapped;
  for (const item of items.filter(begun)) lines.push(`- ${itemInWords(item, weights)}`);
  const left = items.filter((item) => !begun(item)).map(({ item }) => knownDrill(item)?.name ?? item.drillId);
  if (left.length > 0) lines.push(`Not done: ${left.join(', ')}.`);
  if (symptoms.length > 0 || items.some(({ stopped }) => stopped)) {
    const settled = settledSeconds.length > 0 ? `, settled after ${durationInWords(Math.max(...settledSeconds))}` : '';
    lines.push(`Stopped: ${symptoms.length > 0 ? symptoms.join(', ') : 'no sign noted'}${settled}.`);
  }
  if (notes.length > 0) lines.push(`Noted: ${notes.join('; ')}.`);
  return lines;
}

/**
 * One drill as it went, in one line.
 *
 * @example itemInWords(summary, 'kg') // 'Towel round the ribs, sitting: 10 of 10 breaths at 4 in, 6 out; shoulders creep up × 2; effort 3 of 10.'
 */
export function itemInWords(summary: ItemSummary, weights: WeightUnit): string {
  const {
    item,
    plannedBreaths,
    deliveredBreaths,
    cycles,
    faults: marks,
    cues,
    efforts,
    helped,
    checked,
    stopped,
    swapped,
  } = summary;
  const name = knownDrill(item)?.name ?? item.drillId;
  const [first] = item.cadences;
  const cadence = first && item.cadences.length === 1 ? ` at ${cadenceInWords(first)}` : '';
  // Told only where the client was paced otherwise than planned: the plan's own rate is in the cadence.
  const rate =
    first &&
    cycles.paced !== null &&
    Math.abs(60 / cycles.paced - breathsPerMinute(first)) >= 0.2 &&
    item.cadences.length === 1
      ? `; paced at ${(60 / cycles.paced).toFixed(1)} a minute`
      : '';
  const kg = weightOf(item);
  const held = kg === null ? '' : `, ${weightInWords(kg, weights)}`;
  const landed = cues.filter((cue) => cue.landed === 'yes').map(({ cue }) => `“${cue}”`);
  const parts = [
    `${name}, ${item.position}: ${deliveredBreaths} of ${plannedBreaths} breaths${cadence}${rate}${held}`,
    ...(item.changes.length > 0 ? [`done otherwise: ${item.changes.join(', ')}`] : []),
    ...marks.map(
      ({ fault, times }) => `${faults[fault as FaultId]?.words ?? 'unnamed mark'}${times > 1 ? ` × ${times}` : ''}`,
    ),
    ...(landed.length > 0 ? [`landed ${listed(landed)}`] : []),
    ...(efforts.length > 0 ? [`effort ${efforts.at(-1)} of 10`] : []),
    ...(checked && checked.found.length > 0 ? [`asked: ${listed(checked.found)}`] : []),
    ...(checked && checked.found.length === 0 ? ['asked: none of it'] : []),
    ...(helped ? [`the marker right after it: ${helped}`] : []),
    ...(stopped ? ['stopped'] : []),
    ...(swapped
      ? [swapped === 'easier' || swapped === 'harder' ? `changed for the ${swapped} one` : 'changed for another']
      : []),
  ];
  return `${parts.join('; ')}.`;
}

/**
 * A note with its line of what goes home written anew; without anything to take home the line goes.
 *
 * @example withHome('Done: 60 s.', ['Towel hug']) // 'Done: 60 s.\nHome: Towel hug.'
 */
export function withHome(text: string, home: readonly string[]): string {
  const kept = text
    .split('\n')
    .filter((line) => !line.startsWith(homeLead))
    .join('\n')
    .trimEnd();
  return home.length === 0 ? kept : `${kept}\n${homeLead}${home.join(', ')}.`;
}
