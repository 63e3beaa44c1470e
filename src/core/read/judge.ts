import * as z from 'zod/mini';
import { type FindingId, type Severity } from '../look';
import { type Finding } from './findings';
import { findingIds, findingTable } from './findingTable';
import { type PatternScore } from './score';

/** What a coach says of a finding: it stands, it does not, or it is more or less marked than derived. */
export const judgementSchema = z.object({
  finding: z.enum(findingIds),
  verdict: z.enum(['as read', 'confirmed', 'rejected', 'changed']),
  severity: z.optional(z.number().check(z.int(), z.minimum(0), z.maximum(3))),
});
export type Judgement = z.infer<typeof judgementSchema>;

/** A finding with the coach's word on it. */
export interface JudgedFinding extends Finding {
  verdict: Judgement['verdict'];
  /** Severity as it was derived, before a change by hand. */
  derived: Severity;
}

/**
 * Findings as the coach left them: the newest judgement of each counts. A rejected finding is taken out of the reading as
 * if it had not been looked for; a changed one keeps its record and takes the coach's severity.
 *
 * @param judgements oldest first
 * @example judgeFindings(findings, [{ finding: 'sighs', verdict: 'rejected' }]).read.some(({ id }) => id === 'sighs') // false
 */
export function judgeFindings(
  findings: readonly Finding[],
  judgements: readonly Judgement[],
): { all: JudgedFinding[]; read: JudgedFinding[] } {
  const newest = new Map(judgements.map((judgement) => [judgement.finding, judgement]));
  const all = findings.map((finding): JudgedFinding => {
    const { verdict = 'as read', severity } = newest.get(finding.id) ?? {};
    const changed = verdict === 'changed' && severity !== undefined;
    return {
      ...finding,
      verdict,
      derived: finding.severity,
      severity: changed ? (severity as Severity) : finding.severity,
    };
  });
  return { all, read: all.filter(({ verdict }) => verdict !== 'rejected') };
}

/** What of a reading is kept when it is confirmed, so that a later change of a record can be told. */
export const snapshotSchema = z.object({
  findings: z
    .array(
      z.object({
        id: z.enum(findingIds),
        severity: z.number().check(z.int(), z.minimum(0), z.maximum(3)),
        side: z.optional(z.enum(['left', 'right'])),
      }),
    )
    .check(z.maxLength(findingIds.length)),
  /** Patterns as they were shown, first to last. */
  order: z.array(z.string().check(z.maxLength(40))).check(z.maxLength(20)),
});
export type ReadingSnapshot = z.infer<typeof snapshotSchema>;

/** The part of a reading that is kept with its confirmation. */
export function snapshotOf(findings: readonly Finding[], shown: readonly PatternScore[]): ReadingSnapshot {
  return {
    findings: findings.map(({ id, severity, side }) => ({ id, severity, ...(side ? { side } : {}) })),
    order: shown.map(({ pattern }) => pattern.id),
  };
}

const severityWords = ['not there', 'slight', 'clear', 'marked'] as const;

/** @example severityInWords(2) // 'clear' */
export const severityInWords = (severity: number) => severityWords[severity] ?? String(severity);

/**
 * What changed in a reading since it was confirmed, in short sentences; empty when nothing did.
 *
 * @param names of patterns by id
 * @example readingChanges(snapshot, later, {}) // ['New: the shoulders rise (marked).']
 */
export function readingChanges(
  before: ReadingSnapshot,
  now: ReadingSnapshot,
  names: Readonly<Record<string, string>>,
): string[] {
  const sentences: string[] = [];
  const [old, fresh] = [before, now].map(
    ({ findings }) => new Map(findings.map((finding) => [finding.id, finding])),
  ) as [Map<FindingId, ReadingSnapshot['findings'][number]>, Map<FindingId, ReadingSnapshot['findings'][number]>];
  for (const [id, { severity, side }] of fresh) {
    const earlier = old.get(id);
    const words = findingTable[id].words;
    if (!earlier) {
      if (severity > 0) sentences.push(`New: ${words} (${severityInWords(severity)}).`);
    } else if (earlier.severity !== severity) {
      sentences.push(`Was ${severityInWords(earlier.severity)}, now ${severityInWords(severity)}: ${words}.`);
    } else if (severity > 0 && earlier.side !== side) {
      sentences.push(`Was ${earlier.side ?? 'no side'}, now ${side ?? 'no side'}: ${words}.`);
    }
  }
  for (const [id, { severity }] of old) {
    if (!fresh.has(id) && severity > 0) sentences.push(`No longer read: ${findingTable[id].words}.`);
  }
  const [wasFirst, isFirst] = [before.order[0], now.order[0]];
  if (wasFirst !== isFirst) {
    const name = (id: string | undefined) => (id === undefined ? 'nothing' : `“${names[id] ?? id}”`);
    sentences.push(`First was ${name(wasFirst)}, now ${name(isFirst)}.`);
  }
  return sentences;
}
