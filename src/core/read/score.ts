import { type ProtocolId } from '../look';
import { type FindingId, type Severity } from '../look';
import { type Finding } from './findings';
import { findingTable } from './findingTable';
import { type Pattern, comesBefore, evenId, patterns } from './patterns';

/** One line of evidence, with the points it gives and the record it comes from. */
export interface Evidence {
  finding: FindingId;
  words: string;
  /** So many for it, or against it. */
  points: number;
  severity: number;
  /** In how many looks it was looked for. */
  times: number;
  record: Finding['record'];
  protocol: ProtocolId;
}

/** Something that was not looked for, and the protocol that would settle it. */
interface Missing {
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
  /** Two separate signs speak for it, or a clear step that was seen twice, and what it is called after was not looked for in vain. */
  grounded: boolean;
  side?: 'left' | 'right';
}

/** From how many points a sign counts as one of the two a pattern must stand on, and as a clear step of its own. */
const signFrom = 2;
const clearStepFrom = 5;

/** A row of the table, with what is said where it was not looked for. */
type Row = readonly [FindingId, Pattern['rows'][FindingId] & object, Missing];
/** The table of points as lists, laid out once: a client with years of visits is read again at every change. */
const laidOut = patterns.map((pattern) => ({
  pattern,
  rows: (Object.entries(pattern.rows) as [FindingId, Row[1]][]).map(([id, worth]): Row => [
    id,
    worth,
    missingOf(id, worth[3]),
  ]),
}));

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
  // A sort keeps the order of equals.
  return laidOut.map(({ pattern, rows }) => scorePattern(pattern, rows, byId)).sort((a, b) => b.balance - a.balance);
}

function scorePattern(pattern: Pattern, rows: readonly Row[], found: ReadonlyMap<FindingId, Finding>): PatternScore {
  const evidenceFor: Evidence[] = [];
  const evidenceAgainst: Evidence[] = [];
  const missing: Missing[] = [];
  let [pointsFor, pointsAgainst, signs] = [0, 0, 0];
  let stepTwice = false;
  let side: 'left' | 'right' | undefined;
  for (const [id, worth, unknown] of rows) {
    const finding = found.get(id);
    if (!finding) {
      if (worth[3] > 0) missing.push(unknown);
      continue;
    }
    const points = worth[finding.severity];
    if (points === 0) continue;
    const line = lineOf(finding, Math.abs(points));
    if (points > 0) {
      evidenceFor.push(line);
      pointsFor += points;
      if (points >= signFrom) signs += 1;
      if (points >= clearStepFrom && finding.times >= 2) stepTwice = true;
      side ??= finding.side;
    } else {
      evidenceAgainst.push(line);
      pointsAgainst -= points;
    }
  }
  const score: PatternScore = {
    pattern,
    evidenceFor,
    evidenceAgainst,
    missing,
    pointsFor,
    pointsAgainst,
    balance: pointsFor - pointsAgainst,
    grounded: (signs >= 2 || stepTwice) && hasMust(pattern, found),
  };
  if (side) score.side = side;
  return score;
}

const hasMust = ({ must }: Pattern, found: ReadonlyMap<FindingId, Finding>) =>
  must.of.length === 0 ||
  must.of.some((id) => (found.get(id)?.severity ?? 0) > 0) ||
  (!must.seen && !must.of.some((id) => found.has(id)));

const lineOf = ({ id, severity, times, record, protocol, words }: Finding, points: number): Evidence => ({
  finding: id,
  words: severity === 0 && words === findingTable[id].words ? absentWords(id) : words,
  points,
  severity,
  times,
  record,
  protocol,
});

/** A thing that was looked for and is not there. */
const absentWords = (id: FindingId) =>
  id === 'allAvailable' ? 'some part is hardly available' : `not seen: ${findingTable[id].words}`;

function missingOf(id: FindingId, points: number): Missing {
  const { words, settledBy } = findingTable[id];
  return { finding: id, words, protocol: settledBy, points };
}

/** Whether a pattern has what it takes to lead: its own number of points, on two separate signs or a clear step seen twice. */
export const mayLead = ({ pattern, balance, grounded }: PatternScore) =>
  pattern.id !== evenId && grounded && balance >= pattern.leadsFrom;

/** So few points apart, two patterns can't be told from one another. */
const tieWithin = 2;
/** A look counts as enough for “even” once so many protocols were taken, the region map among them. */
const enoughProtocols = 3;

/** The patterns worth showing side by side, and what could still change the order of the first two. */
export interface Likely {
  /** What leads, the first best; “even” alone where nothing does and enough was looked at. */
  shown: readonly PatternScore[];
  /** Patterns something speaks for, but not enough to lead. */
  hinted: readonly PatternScore[];
  tie: boolean;
  /** Findings not looked for that would put the second first, the weightiest first: what would settle the doubt. */
  settledBy: readonly Missing[];
  /** Patterns that what was looked at could not have shown: never said to be absent. */
  notLookedFor: readonly Pattern[];
}

/**
 * What leads, what is only hinted at, and what was not looked for at all. Where nothing leads, “even” does, if enough was
 * looked at: trouble has to show itself.
 *
 * @example likelyPatterns(scorePatterns([]), []).shown.length // 0
 */
export function likelyPatterns(scores: readonly PatternScore[], findings: readonly Finding[]): Likely {
  const known = new Set(findings.map(({ id }) => id));
  const leading = scores.filter(mayLead);
  const lead = inOrderOfWork(leading);
  const even = scores.find(({ pattern }) => pattern.id === evenId);
  const enough = new Set(findings.map(({ protocol }) => protocol)).size >= enoughProtocols && known.has('allAvailable');
  const shown = lead.length > 0 ? lead : even && enough ? [even] : [];
  const hinted = scores.filter((score) => score.balance >= hintFrom && !leading.includes(score));
  const notLookedFor = scores.filter(cannotHaveShown(known)).map(({ pattern }) => pattern);
  const [first, second] = lead;
  if (!first || !second) return { shown, hinted, tie: false, settledBy: [], notLookedFor };
  const gap = Math.abs(first.balance - second.balance);
  return {
    shown,
    hinted,
    tie: gap <= tieWithin,
    settledBy: flippedBy(first, second, known),
    notLookedFor,
  };
}

const orderWithin = 3;

function inOrderOfWork(lead: readonly PatternScore[]): PatternScore[] {
  const order = [...lead];
  for (const [before, after] of comesBefore) {
    const [at, from] = [after, before].map((id) => order.findIndex(({ pattern }) => pattern.id === id)) as [
      number,
      number,
    ];
    if (at < 0 || from < at || order[at]!.balance - order[from]!.balance > orderWithin) continue;
    order.splice(at, 0, ...order.splice(from, 1));
  }
  return order;
}

/** A balance from which a pattern that doesn't lead is worth a line. */
const hintFrom = 3;

const rowsOf = new Map(laidOut.map(({ pattern, rows }) => [pattern, rows]));

/** Whether the looks taken could have brought a pattern to lead at all. */
const cannotHaveShown =
  (known: ReadonlySet<FindingId>) =>
  ({ pattern }: PatternScore) => {
    if (pattern.id === evenId) return false;
    let most = 0;
    for (const [id, worth] of rowsOf.get(pattern)!) if (worth[3] > 0 && known.has(id)) most += worth[3];
    return most < pattern.leadsFrom;
  };

/** What a finding of a severity would add to a pattern's balance. */
const worthOf = ({ rows }: Pattern, id: FindingId, severity: Severity) => rows[id]?.[severity] ?? 0;

function flippedBy(first: PatternScore, second: PatternScore, known: ReadonlySet<FindingId>): Missing[] {
  const gap = Math.max(0, first.balance - second.balance);
  const spoken = [first.pattern, second.pattern].flatMap((pattern) => rowsOf.get(pattern)!.map(([id]) => id));
  return [...new Set(spoken)]
    .filter((id) => !known.has(id))
    .flatMap((id) => {
      const swing = (severity: Severity) =>
        worthOf(second.pattern, id, severity) - worthOf(first.pattern, id, severity);
      const most = Math.max(swing(0), swing(1), swing(2), swing(3));
      return most > gap ? [missingOf(id, most)] : [];
    })
    .sort((a, b) => b.points - a.points);
}
