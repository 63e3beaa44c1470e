import { baseMap } from '../look';
import { type JudgedFinding, findingsOf, patterns, severityInWords, wantedRegions } from '../read';
import { type VisitRecord } from '../record';
import { type Profile } from '../safety';
import { type GradeChange, gradeChangeInWords, gradeChanges, ringChangeInWords } from './change';

/**
 * What a visit found, as the coach left it: what speaks for the confirmed patterns first, in their order, then the rest, the
 * most marked first. Nothing is left out but what was rejected or is explained.
 *
 * @example foundIn(visit, {})[0]?.words // 'the left side gives less'
 */
export function foundIn(
  { looks, judgements, reading }: Pick<VisitRecord, 'looks' | 'judgements' | 'reading'>,
  answers: Profile['answers'],
): JudgedFinding[] {
  const there = findingsOf({ looks, judgements }, answers).read.filter(({ severity }) => severity > 0);
  const confirmed = (reading?.patterns ?? []).flatMap((id) => patterns.find((pattern) => pattern.id === id) ?? []);
  const place = ({ id, severity }: JudgedFinding) => {
    const at = confirmed.findIndex(({ rows }) => (rows[id]?.[severity] ?? 0) > 0);
    return at < 0 ? confirmed.length : at;
  };
  return there.sort((a, b) => place(a) - place(b) || b.severity - a.severity);
}

/**
 * What the map of a visit changed, the part that was wanted first, nothing left out; empty where there are not two of one
 * position.
 *
 * @example mapChanges(visit)[0] // 'Left side two steps more: clear.'
 */
export function mapChanges({ looks, reading }: Pick<VisitRecord, 'looks' | 'reading'>): string[] {
  const [before, after] = [baseMap(looks, 'before'), baseMap(looks, 'after')];
  if (!before || !after || before.raw.position !== after.raw.position) return [];
  const wanted = reading ? wantedRegions(reading.intent, reading.side ?? 'left') : {};
  return ringChangeInWords(before.raw.deep, after.raw.deep, wanted);
}

/**
 * What of a map changed most, in words without the full stop: a clear change before one that is not, more steps before fewer.
 *
 * @returns null where nothing can be compared or nothing changed
 * @example clearestChange(visit) // 'Left side two steps more: clear'
 */
export function clearestChange({ looks }: Pick<VisitRecord, 'looks'>): string | null {
  const [before, after] = [baseMap(looks, 'before'), baseMap(looks, 'after')];
  if (!before || !after || before.raw.position !== after.raw.position) return null;
  const steps = (change: GradeChange) => Math.abs(change.after - change.before);
  const [most] = gradeChanges(before.raw.deep, after.raw.deep).sort((a, b) => steps(b) - steps(a));
  return most ? gradeChangeInWords(most) : null;
}

/** @example foundInWords(findings) // 'the chest leads the breath (marked); …' */
export const foundInWords = (findings: readonly JudgedFinding[]): string =>
  findings.map(({ words, severity }) => `${words} (${severityInWords(severity)})`).join('; ');
