import { type ProtocolId } from '../look';
import { type Finding, type Severity } from './findings';
import { type FindingId, findingTable } from './findingTable';
import { type Pattern, patterns } from './patterns';

/** One line of evidence, with the points it gives and the record it comes from. */
export interface Evidence {
  finding: FindingId;
  words: string;
  points: number;
  severity: number;
  record: Finding['record'];
  protocol: ProtocolId;
}

/** Something that was not looked for, and the protocol that would settle it. */
export interface Missing {
  finding: FindingId;
  words: string;
  protocol: ProtocolId;
  points: number;
}

/** A pattern held against the findings. Points are whole-number sums that the reader can redo. */
export interface PatternScore {
  pattern: Pattern;
  evidenceFor: readonly Evidence[];
  evidenceAgainst: readonly Evidence[];
  missing: readonly Missing[];
  pointsFor: number;
  pointsAgainst: number;
  /** pointsFor − pointsAgainst */
  balance: number;
  side?: 'left' | 'right';
}

/** Points a weight gives at a severity: a third of it a step, rounded. */
const pointsAt = (weight: number, severity: number) => Math.round((weight * severity) / 3);

/**
 * Holds every pattern against the findings and ranks them by balance. Nothing is hidden: a pattern with no evidence comes
 * last with what is missing.
 *
 * @param findings from readFindings, as the coach left them
 * @returns all patterns, best balance first; equal balances keep the order of the table
 * @example scorePatterns(findings)[0].pattern.name // 'upper-chest lead'
 */
export function scorePatterns(findings: readonly Finding[]): PatternScore[] {
  const byId = new Map(findings.map((finding) => [finding.id, finding]));
  return laidOut
    .map((rows, order) => ({ score: scorePattern(rows, byId), order }))
    .sort((a, b) => b.score.balance - a.score.balance || a.order - b.order)
    .map(({ score }) => score);
}

type Weighted = readonly (readonly [FindingId, number])[];

/** The table of weights as lists, laid out once: a client with years of visits is read again at every change. */
const laidOut = patterns.map((pattern) => ({
  pattern,
  speaksFor: Object.entries(pattern.speaksFor) as unknown as Weighted,
  speaksAgainst: Object.entries(pattern.speaksAgainst) as unknown as Weighted,
  needs: Object.entries(pattern.needs) as unknown as Weighted,
}));

function scorePattern(rows: (typeof laidOut)[number], found: ReadonlyMap<FindingId, Finding>): PatternScore {
  const evidenceFor: Evidence[] = [];
  const evidenceAgainst: Evidence[] = [];
  const missing: Missing[] = [];
  let side: 'left' | 'right' | undefined;
  for (const [id, weight] of rows.speaksFor) {
    const finding = found.get(id);
    if (!finding) missing.push(missingOf(id, weight));
    else if (finding.severity > 0) {
      evidenceFor.push(lineOf(finding, finding.words, pointsAt(weight, finding.severity)));
      side ??= finding.side;
    }
  }
  for (const [id, weight] of rows.speaksAgainst) {
    const finding = found.get(id);
    if (finding && finding.severity > 0) {
      evidenceAgainst.push(lineOf(finding, finding.words, pointsAt(weight, finding.severity)));
    }
  }
  for (const [id, weight] of rows.needs) {
    const finding = found.get(id);
    if (finding && finding.severity === 0) {
      evidenceAgainst.push(lineOf(finding, `not seen: ${findingTable[id].words}`, weight));
    }
  }
  const pointsFor = pointsOf(evidenceFor);
  const pointsAgainst = pointsOf(evidenceAgainst);
  return {
    pattern: rows.pattern,
    evidenceFor,
    evidenceAgainst,
    missing,
    pointsFor,
    pointsAgainst,
    balance: pointsFor - pointsAgainst,
    ...(side ? { side } : {}),
  };
}

const lineOf = ({ id, severity, record, protocol }: Finding, words: string, points: number): Evidence => ({
  finding: id,
  words,
  points,
  severity,
  record,
  protocol,
});

const pointsOf = (lines: readonly Evidence[]) => {
  let sum = 0;
  for (const { points } of lines) sum += points;
  return sum;
};

function missingOf(id: FindingId, points: number): Missing {
  const { words, settledBy } = findingTable[id];
  return { finding: id, words, protocol: settledBy, points };
}

/** A balance below this is too little to show as a likely pattern. */
export const showFromBalance = 3;

/** The patterns worth showing side by side, and what could still change the order of the first two. */
export interface Likely {
  shown: readonly PatternScore[];
  tie: boolean;
  /** Findings not looked for that would put the second first, the weightiest first: what would settle the doubt. */
  settledBy: readonly Missing[];
}

/**
 * Every pattern with enough balance, side by side. The first two are a tie when they are level, or when one more finding,
 * whatever its severity, would put the second first.
 *
 * @example likelyPatterns(scorePatterns([]), []).shown.length // 0
 */
export function likelyPatterns(scores: readonly PatternScore[], findings: readonly Finding[]): Likely {
  const shown = scores.filter(({ balance }) => balance >= showFromBalance);
  const [first, second] = shown;
  if (!first || !second) return { shown, tie: false, settledBy: [] };
  const settledBy = flippedBy(first, second, new Set(findings.map(({ id }) => id)));
  return { shown, tie: first.balance === second.balance || settledBy.length > 0, settledBy };
}

/** What a finding of a severity would add to a pattern's balance. */
function worth({ speaksFor, speaksAgainst, needs }: Pattern, id: FindingId, severity: Severity): number {
  if (severity === 0) return -(needs[id] ?? 0);
  return pointsAt(speaksFor[id] ?? 0, severity) - pointsAt(speaksAgainst[id] ?? 0, severity);
}

function flippedBy(first: PatternScore, second: PatternScore, known: ReadonlySet<FindingId>): Missing[] {
  const gap = first.balance - second.balance;
  const spoken = [first.pattern, second.pattern].flatMap(({ speaksFor, speaksAgainst, needs }) => [
    ...Object.keys(speaksFor),
    ...Object.keys(speaksAgainst),
    ...Object.keys(needs),
  ]) as FindingId[];
  return [...new Set(spoken)]
    .filter((id) => !known.has(id))
    .flatMap((id) => {
      const swings = ([0, 1, 2, 3] as const).map(
        (severity) => worth(second.pattern, id, severity) - worth(first.pattern, id, severity),
      );
      const most = Math.max(...swings);
      return most > gap ? [missingOf(id, most)] : [];
    })
    .sort((a, b) => b.points - a.points);
}
