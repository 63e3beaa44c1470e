import { type Provenance, commonPractice } from '../reasons';
import { type ProtocolId } from '../look';
import { type Finding, type FindingId, findingTable } from './findings';
import { type IntentId } from './intents';

/** A way of breathing that findings speak for or against. */
export interface Pattern {
  id: string;
  name: string;
  firstAnswer: string;
  intent: IntentId;
  /** Points a finding gives at severity 3; a third and two thirds of them at 1 and 2. */
  speaksFor: Partial<Record<FindingId, number>>;
  speaksAgainst: Partial<Record<FindingId, number>>;
  /** Findings whose looked-for absence speaks against it. */
  needs: Partial<Record<FindingId, number>>;
  provenance: Provenance;
}

const pattern = (
  id: string,
  name: string,
  firstAnswer: string,
  intent: IntentId,
  speaksFor: Pattern['speaksFor'],
  speaksAgainst: Pattern['speaksAgainst'] = {},
  needs: Pattern['needs'] = {},
): Pattern => ({ id, name, firstAnswer, intent, speaksFor, speaksAgainst, needs, provenance: commonPractice });

/** The one table of weights. Common practice: the trade's typical evidence; the points are ours and shown beside each line. */
export const patterns: readonly Pattern[] = [
  pattern(
    'upperChest',
    'upper-chest lead',
    'Lie down, hands on the belly, slow nose breath, long exhale.',
    'lowerBreath',
    { chestLeads: 6, chestLeadsDeep: 2, shouldersRise: 4, neckWorks: 4, rateHigh: 2, bellyStill: 4 },
    { bellyLeads: 6 },
    { chestLeads: 5, neckWorks: 2, shouldersRise: 2 },
  ),
  pattern(
    'bellyOnly',
    'belly-only',
    'Stack in hook-lying with a slight back-tip, long exhale; if that fails, quadruped.',
    'stackAndSpread',
    { bellyTakesMost: 6, sternumStill: 4, sidesStill: 4, bellyLeads: 1 },
    { chestLeads: 4, sidesOpen: 5 },
    { bellyTakesMost: 6, sternumStill: 2 },
  ),
  pattern(
    'sidesAndBackClosed',
    'sides and back closed',
    'Towel round the ribs, wall behind the back, child’s pose.',
    'openSidesAndBack',
    { sidesStill: 6, backsStill: 6 },
    { sidesOpen: 4, backsOpen: 4, smallEverywhere: 3 },
    { sidesStill: 3, backsStill: 3 },
  ),
  pattern(
    'oneSide',
    'one side',
    'Side-lying with the closed side up, side bend, side reach in child’s pose.',
    'openOneSide',
    { oneSideLess: 10 },
    {},
    { oneSideLess: 6 },
  ),
  pattern(
    'pumpClosed',
    'pump closed',
    'Keep the side ribs quiet with the band, breathe to the sternum and between the shoulder blades.',
    'openPump',
    { sternumStill: 5, chestBackStill: 5, sidesOpen: 3 },
    { sidesStill: 4, bellyTakesMost: 2 },
    { sternumStill: 4, chestBackStill: 4 },
  ),
  pattern(
    'paradoxical',
    'paradoxical',
    'Smaller breath, hands, try inclined and sitting. If it stays at rest: stop and refer.',
    'softenTheWave',
    { bellyDrawsIn: 12 },
    {},
    { bellyDrawsIn: 8 },
  ),
  pattern(
    'forcedBelly',
    'forced belly',
    'Lighter breath, “let it come”, wall or floor behind the sides and back.',
    'letItCome',
    { bellyTakesMost: 4, audible: 5, sidesStill: 3 },
    { sidesOpen: 4 },
    { audible: 5, bellyTakesMost: 3 },
  ),
  pattern(
    'shallowBraced',
    'shallow and braced',
    'Supported rest, release, a longer exhale.',
    'letGo',
    { smallEverywhere: 9, floorStill: 3, bellyStill: 2, sighs: 1 },
    { sidesOpen: 3, bellyTakesMost: 3 },
    { smallEverywhere: 6 },
  ),
  pattern(
    'airHunger',
    'low air-hunger tolerance',
    'Nose breathing, a lighter breath, short calm holds where allowed.',
    'easeTheWish',
    { holdShort: 7, gaspAfterHold: 3, mouthBreathing: 4, sighs: 3, rateHigh: 2 },
    {},
    { holdShort: 5, mouthBreathing: 2 },
  ),
  pattern(
    'even',
    'even and variable',
    'Vary, load, move; nothing to fix.',
    'keepItVaried',
    { allAvailable: 9 },
    {
      sidesStill: 4,
      backsStill: 4,
      oneSideLess: 5,
      chestLeads: 5,
      bellyDrawsIn: 8,
      smallEverywhere: 5,
      holdShort: 3,
      neckWorks: 3,
    },
    { allAvailable: 6 },
  ),
];

/** One line of evidence, with the points it gives and the record it comes from. */
export interface Evidence {
  finding: FindingId;
  words: string;
  points: number;
  severity: number;
  record: Finding['record'];
}

/** A pattern held against the findings. Points are whole-number sums that the reader can redo. */
export interface PatternScore {
  pattern: Pattern;
  evidenceFor: readonly Evidence[];
  evidenceAgainst: readonly Evidence[];
  /** What was not looked for, and which protocol would settle it. */
  missing: readonly { finding: FindingId; words: string; protocol: ProtocolId; points: number }[];
  pointsFor: number;
  pointsAgainst: number;
  /** pointsFor − pointsAgainst */
  balance: number;
  side?: 'left' | 'right';
}

/**
 * Holds every pattern against the findings and ranks them by balance. Nothing is hidden: a pattern with no evidence comes
 * last with what is missing.
 *
 * @param findings from readFindings
 * @returns all patterns, best balance first; equal balances keep the order of the table
 * @example scorePatterns(findings)[0].pattern.name // 'upper-chest lead'
 */
export function scorePatterns(findings: readonly Finding[]): PatternScore[] {
  const byId = new Map(findings.map((finding) => [finding.id, finding]));
  return patterns
    .map((entry) => scorePattern(entry, byId))
    .map((score, order) => ({ score, order }))
    .sort((a, b) => b.score.balance - a.score.balance || a.order - b.order)
    .map(({ score }) => score);
}

function scorePattern(entry: Pattern, found: ReadonlyMap<FindingId, Finding>): PatternScore {
  const line = (finding: Finding, weight: number, absent = false): Evidence => ({
    finding: finding.id,
    words: absent ? `not seen: ${findingTable[finding.id].words}` : finding.words,
    points: absent ? weight : Math.round((weight * finding.severity) / 3),
    severity: finding.severity,
    record: finding.record,
  });
  const gather = (weights: Partial<Record<FindingId, number>>, absent = false) =>
    (Object.entries(weights) as [FindingId, number][]).flatMap(([id, weight]) => {
      const finding = found.get(id);
      return finding && finding.severity > 0 !== absent ? [line(finding, weight, absent)] : [];
    });
  const evidenceFor = gather(entry.speaksFor);
  const evidenceAgainst = [...gather(entry.speaksAgainst), ...gather(entry.needs, true)];
  const missing = (Object.entries(entry.speaksFor) as [FindingId, number][])
    .filter(([id]) => !found.has(id))
    .map(([id, points]) => ({
      finding: id,
      words: findingTable[id].words,
      protocol: findingTable[id].settledBy,
      points,
    }));
  const sum = (lines: readonly Evidence[]) => lines.reduce((total, { points }) => total + points, 0);
  const side = evidenceFor.map(({ finding }) => found.get(finding)?.side).find((value) => value !== undefined);
  return {
    pattern: entry,
    evidenceFor,
    evidenceAgainst,
    missing,
    pointsFor: sum(evidenceFor),
    pointsAgainst: sum(evidenceAgainst),
    balance: sum(evidenceFor) - sum(evidenceAgainst),
    ...(side ? { side } : {}),
  };
}

/** A balance below this is too little to show as a likely pattern. */
export const showFromBalance = 3;

/**
 * The patterns worth showing side by side: every one with enough balance, and a note when the first two are so close
 * that one more finding could change their order.
 *
 * @example likelyPatterns(scorePatterns([])).shown.length // 0
 */
export function likelyPatterns(scores: readonly PatternScore[]): { shown: PatternScore[]; tie: boolean } {
  const shown = scores.filter(({ balance }) => balance >= showFromBalance);
  const [first, second] = shown;
  return { shown, tie: first !== undefined && second !== undefined && closeEnough(first, second) };
}

/** One missing finding in favour of the second could overtake the first, or they are within two points. */
function closeEnough(first: PatternScore, second: PatternScore): boolean {
  const gap = first.balance - second.balance;
  return gap <= Math.max(2, ...second.missing.map(({ points }) => points));
}
