import { certOf } from '../formats';
import { type LengthUnit } from '../look';
import { intentInWords } from '../read';
import { capital, lowered, often } from '../reasons';
import { dayInWords } from '../record';
import { type Gates, type KnownClient } from '../safety';
import { type Plan, drillOf } from '../sequence';
import { figuresOf, verdictInWords } from './figures';
import { type Followed } from './over';
import { offLimits } from './story';
import { type Told, complaintChange } from './told';

/** What a letter is made from. */
export interface LetterFrom {
  studio: string;
  name: string;
  known: KnownClient;
  gates: Gates;
  /** Days of the visits, oldest first. */
  days: readonly string[];
  today: string;
  over: readonly Followed[];
  told: readonly Told[];
  /** Of the newest visit that had one. */
  plan: Plan | null;
  /** What was done at home of what was asked, in words, the newest first. */
  atHome: readonly string[];
  /** Drills that ended in a stop and wait for a review. */
  stopped: readonly string[];
  /** The unit lengths are said in. */
  lengths: LengthUnit;
}

/**
 * A letter to a clinician about how it goes: what they came for, what is minded, what was measured and changed by more than noise, what is
 * done, what is done at home, stops, and how it is prescribed, item by item of the template [R14]. To be read and changed before it leaves.
 *
 * @example progressLetter(from).includes('It is no diagnosis') // true
 */
export function progressLetter(from: LetterFrom): string {
  const { studio, name, known, gates, days, today, over, told, plan, atHome, stopped, lengths } = from;
  const said = (day: string) => dayInWords(day, '0000');
  const lines: string[] = [studio, said(today), '', `To ${known.texts.clinician || 'the clinician in charge'}`, ''];
  lines.push(
    `About ${name}, who practises breathing with me as a coach and knows that I write. This tells what was seen and done. It is no diagnosis; your word comes first.`,
    '',
  );
  const tell = (lead: string, words: string | null | undefined) => {
    if (words) lines.push(`${lead}: ${words}`);
  };
  tell('Came for', known.texts.complaint || known.texts.goal || null);
  if (days.length > 0)
    tell(
      'Seen',
      `${often(days.length)}, ${days.length === 1 ? 'on' : 'from'} ${said(days[0]!)}${days.length === 1 ? '' : ` to ${said(days.at(-1)!)}`}`,
    );
  tell('Minded', offLimits(gates));
  if (plan) tell('Aim', lowered(intentInWords(plan.request.intent, plan.request.side ?? undefined)));
  lines.push('', 'What was measured (a change counts when it is larger than repeats differ by)');
  for (const { measure, points, change } of over) {
    const { name: what, unit, said: figure } = figuresOf(measure, lengths);
    const [day, value, position] = points.at(-1)!;
    lines.push(
      `- ${capital(what)}, ${position}: ${change ? `${figure(change.before)}, now ${figure(change.after)} ${unit}: ${verdictInWords(change)}` : `${figure(value)} ${unit} on ${said(day)}`}.`,
    );
  }
  if (over.length === 0) lines.push('- Nothing yet.');
  lines.push(...toldInLetter(told, said));
  if (plan) {
    lines.push('', 'What is done');
    for (const item of plan.items) lines.push(`- ${drillOf(item).name}, ${item.position}`);
  }
  lines.push('', 'At home');
  lines.push(...(atHome.length > 0 ? atHome.map((words) => `- ${words}`) : ['- Nothing was told yet.']));
  tell('\nStopped and not reviewed', stopped.length > 0 ? stopped.join(', ') : 'nothing');
  lines.push('', 'I would be glad of your word on:', '');
  if (plan) {
    lines.push('How it is prescribed (Consensus on Exercise Reporting Template)');
    for (const { item, answer } of certOf(plan, {
      studioName: studio,
      provider: 'a breathing coach; see the studio’s own records',
    }))
      // Each exercise by its steps fills pages; by name it stands above.
      if (item !== 'each exercise, precise enough to repeat it')
        lines.push(`- ${capital(item)}: ${answer.replaceAll('\n', ' ')}`);
  }
  return lines.join('\n');
}

/** What they told: the complaint from first to last, leaks, and each symptom with the days it was told on. */
function toldInLetter(told: readonly Told[], said: (day: string) => string): string[] {
  const lines: string[] = [];
  const change = complaintChange(told);
  const level = told.findLast(({ complaint }) => complaint !== null);
  if (change)
    lines.push(`- The complaint, 0 to 10: ${change.before} at first, ${change.after} now: ${verdictInWords(change)}.`);
  else if (level) lines.push(`- The complaint: ${level.complaint} of 10 on ${said(level.day)}.`);
  const leaks = told.filter((one) => one.leaks !== null);
  if (leaks.length > 0)
    lines.push(`- Leaks in seven days: ${leaks.map((one) => `${one.leaks} on ${said(one.day)}`).join(', ')}.`);
  const days = new Map<string, string[]>();
  for (const { day, symptoms } of told)
    for (const one of symptoms) days.set(one, [...(days.get(one) ?? []), said(day)]);
  for (const [symptom, on] of days) lines.push(`- ${capital(symptom)}: told on ${on.join(', ')}.`);
  return lines.length === 0 ? [] : ['', 'What they told', ...lines];
}

/** Words a coach does not use of somebody's health, with what could be said instead. */
const notOurs: readonly (readonly [word: RegExp, instead: string])[] = [
  [/\b(?<!no )diagnos\w*/gi, 'say what was seen'],
  [/\bcur(?:e|ed|es|ing)\b/gi, 'say what changed'],
  [/\bheal(?:s|ed|ing)?\b/gi, 'say what changed'],
  [/\btreat(?:s|ed|ing|ment)?\b/gi, 'say what was practised'],
  [/\bpatients?\b/gi, 'say the client’s name'],
  [/\b(?:disorder|dysfunction|patholog\w*)\b/gi, 'say what was seen'],
  [/\bprogno\w*/gi, 'say what is planned'],
];

/**
 * Words of a text that are not a coach's to use, each once, with what could be said instead.
 *
 * @example notOursIn('We treat the disorder.') // ['“treat”: say what was practised.', '“disorder”: say what was seen.']
 */
export const notOursIn = (text: string): string[] => [
  ...new Set(
    notOurs.flatMap(([word, instead]) =>
      [...text.matchAll(word)].map(([found]) => `“${found.toLowerCase()}”: ${instead}.`),
    ),
  ),
];
