import { type JudgedFinding, judgeFindings, patterns, readFindings, severityInWords } from '../read';
import { type VisitRecord } from '../record';
import { type Profile } from '../safety';

/**
 * What a visit found, as the coach left it: what speaks for the confirmed patterns first, in their order, then the rest, the
 * most marked first. Nothing is left out but what was rejected or is explained.
 *
 * @example foundIn(visit, {})[0]?.words // 'the chest leads the breath'
 */
export function foundIn(
  { looks, judgements, reading }: Pick<VisitRecord, 'looks' | 'judgements' | 'reading'>,
  answers: Profile['answers'],
): JudgedFinding[] {
  const there = judgeFindings(readFindings(looks, answers), judgements).read.filter(({ severity }) => severity > 0);
  const confirmed = (reading?.patterns ?? []).flatMap((id) => patterns.find((pattern) => pattern.id === id) ?? []);
  const place = ({ id, severity }: JudgedFinding) => {
    const at = confirmed.findIndex(({ rows }) => (rows[id]?.[severity] ?? 0) > 0);
    return at < 0 ? confirmed.length : at;
  };
  return there.sort((a, b) => place(a) - place(b) || b.severity - a.severity);
}

/** @example foundInWords(findings) // 'the chest leads the breath (marked); the sides move less (clear)' */
export const foundInWords = (findings: readonly JudgedFinding[]): string =>
  findings.map(({ words, severity }) => `${words} (${severityInWords(severity)})`).join('; ');
