import { type RegionId } from '../trunk';
import { type FindingId } from '../look';

/** Skills a drill can train besides opening a part of the trunk. */
export const skills = {
  settle: 'settling',
  exhale: 'a longer, complete exhale',
  nose: 'quiet nose breathing',
  lowBreath: 'the low breath',
  lightness: 'a lighter breath that is let come',
  release: 'letting go',
  stack: 'ribs over pelvis',
  lowToHigh: 'lower abdominals first',
  floorTiming: 'the pelvic floor in time with the breath',
  tolerance: 'ease with the wish to breathe',
  variety: 'variety and movement',
} as const;
export type SkillId = keyof typeof skills;

/** What a visit is for: one sentence, and what the sequence should gain. */
export interface Intent {
  id: string;
  /** With {side} where a side applies. */
  words: string;
  /** Weight 1 to 3 of each part to open and each skill to train. `closedSide` stands for the side and back of the finding. */
  wantedRegions: Partial<Record<RegionId | 'closedSide' | 'closedBack', number>>;
  wantedSkills: Partial<Record<SkillId, number>>;
  /** An exhale drill comes before inhale work. */
  exhaleFirst?: boolean;
}

const table = {
  lowerBreath: {
    words: 'Bring the breath down: belly and lower ribs before the chest',
    wantedRegions: { belly: 3, leftSide: 2, rightSide: 2 },
    wantedSkills: { lowBreath: 3, nose: 2, exhale: 2, settle: 1 },
    exhaleFirst: true,
  },
  openSidesAndBack: {
    words: 'Open the sides and back',
    wantedRegions: { leftSide: 3, rightSide: 3, leftBack: 3, rightBack: 3, lowBack: 1, chestBack: 1 },
    wantedSkills: { exhale: 1 },
  },
  openOneSide: {
    words: 'Open the {side} side',
    wantedRegions: { closedSide: 3, closedBack: 3 },
    wantedSkills: { exhale: 1, variety: 1 },
  },
  openPump: {
    words: 'Open the chest front to back',
    wantedRegions: { chestFront: 3, chestBack: 3 },
    wantedSkills: { exhale: 1 },
  },
  stackAndSpread: {
    words: 'Stack the ribs over the pelvis, so that the breath can go all round',
    wantedRegions: { leftSide: 2, rightSide: 2, leftBack: 2, rightBack: 2, chestBack: 1 },
    wantedSkills: { stack: 3, exhale: 3 },
    exhaleFirst: true,
  },
  softenTheWave: {
    words: 'A smaller, softer breath that lets the belly rise',
    wantedRegions: { belly: 3 },
    wantedSkills: { lightness: 3, lowBreath: 3, nose: 1, settle: 2 },
  },
  letItCome: {
    words: 'Let the breath come instead of pushing it',
    wantedRegions: { leftSide: 2, rightSide: 2, lowBack: 2, leftBack: 1, rightBack: 1 },
    wantedSkills: { lightness: 3, nose: 2, settle: 2 },
  },
  letGo: {
    words: 'Let go first, then a longer exhale',
    wantedRegions: { pelvicFloor: 2, belly: 2, lowBack: 1 },
    wantedSkills: { release: 3, settle: 3, exhale: 2, lowBreath: 1 },
  },
  easeTheWish: {
    words: 'A quiet nose breath, and ease with the wish to breathe',
    wantedRegions: { belly: 1 },
    wantedSkills: { nose: 3, lightness: 2, exhale: 2, tolerance: 3, settle: 1 },
  },
  letRibsDown: {
    words: 'Let the ribs come down: exhale first, then open',
    wantedRegions: { leftSide: 1, rightSide: 1, leftBack: 2, rightBack: 2, chestBack: 1 },
    wantedSkills: { exhale: 3, release: 1, stack: 1 },
    exhaleFirst: true,
  },
  bringRibsBack: {
    words: 'Bring the ribs back over the pelvis: breathe behind, then light tension from below',
    wantedRegions: { leftBack: 3, rightBack: 3, chestBack: 2, lowBack: 1 },
    wantedSkills: { stack: 3, exhale: 1, lowToHigh: 1 },
  },
  lowerFirst: {
    words: 'Lower abdominals first, then upward, at a small load',
    wantedRegions: { lowBack: 1 },
    wantedSkills: { lowToHigh: 3, exhale: 2, stack: 1 },
  },
  releaseFloor: {
    words: 'Let the pelvic floor go: release and length, no lifts',
    wantedRegions: { pelvicFloor: 3, lowBack: 1, belly: 1 },
    wantedSkills: { release: 3, settle: 2, exhale: 1 },
  },
  timeFloor: {
    words: 'The pelvic floor in time: lift gently with the exhale, before the effort',
    wantedRegions: { pelvicFloor: 2, leftSide: 1, rightSide: 1 },
    wantedSkills: { floorTiming: 3, exhale: 2, lowToHigh: 2 },
  },
  bringItUp: {
    words: 'Bring the good breath up one position at a time',
    wantedRegions: { belly: 1, leftSide: 2, rightSide: 2, lowBack: 1 },
    wantedSkills: { lowBreath: 2, stack: 3, variety: 1 },
  },
  keepItVaried: {
    words: 'Nothing to fix: vary, load, move',
    wantedRegions: { leftSide: 1, rightSide: 1, leftBack: 1, rightBack: 1, chestFront: 1 },
    wantedSkills: { variety: 3, exhale: 1 },
  },
} satisfies Record<string, Omit<Intent, 'id'>>;

export type IntentId = keyof typeof table;
export const intentIds = Object.keys(table) as [IntentId, ...IntentId[]];
export const intents = Object.fromEntries(intentIds.map((id) => [id, { id, ...table[id] }])) as Record<
  IntentId,
  Intent
>;

/** What a confirmed finding asks for besides the intent; the closed side stands for the side of the finding. */
const findingAsks: Readonly<Partial<Record<FindingId, readonly (RegionId | SkillId | 'closedSide' | 'closedBack')[]>>> =
  {
    bellyStill: ['belly'],
    sternumStill: ['chestFront'],
    chestBackStill: ['chestBack'],
    sidesStill: ['leftSide', 'rightSide'],
    backsStill: ['leftBack', 'rightBack'],
    oneSideLess: ['closedSide', 'closedBack'],
    bendDiffers: ['closedSide'],
    bendPoor: ['leftSide', 'rightSide'],
    floorHolds: ['release', 'pelvicFloor'],
    cannotLetGo: ['release'],
    leaks: ['floorTiming'],
    bearsDown: ['floorTiming'],
    flareStays: ['exhale'],
    ribsStayUp: ['exhale'],
    exhaleShort: ['exhale'],
    exhaleDumps: ['exhale'],
    ribsForward: ['stack'],
    pelvisForward: ['stack'],
    lowBackOff: ['stack'],
    lostUpright: ['stack'],
    upperAbsFirst: ['lowToHigh'],
    lowerBalloons: ['lowToHigh'],
    separation: ['lowToHigh'],
    marchPops: ['lowToHigh'],
    chestLeads: ['lowBreath'],
    upperOnly: ['lowBreath'],
    mouthBreathing: ['nose'],
    audible: ['lightness'],
    sighs: ['settle'],
    rateHigh: ['settle'],
    smallEverywhere: ['release'],
    holdShort: ['tolerance'],
    gaspAfterHold: ['tolerance'],
  };

/** A finding as far as a plan needs it. */
export interface ConfirmedFinding {
  id: FindingId;
  severity: number;
  side?: 'left' | 'right';
}

/**
 * Everything a plan is to gain: what the intent wants, and one more for each thing that a clear or marked finding asks
 * for.
 *
 * @example wantedFor('openSidesAndBack', null, [{ id: 'mouthBreathing', severity: 3 }]).nose // 1
 */
export function wantedFor(
  intent: IntentId,
  side: 'left' | 'right' | null,
  findings: readonly ConfirmedFinding[] = [],
): Partial<Record<RegionId | SkillId, number>> {
  const wanted: Partial<Record<RegionId | SkillId, number>> = {
    ...wantedRegions(intent, side ?? 'left'),
    ...intents[intent].wantedSkills,
  };
  const asked = findings
    .filter(({ severity }) => severity >= 2)
    .flatMap(({ id, side: closed }) =>
      (findingAsks[id] ?? []).map((ask): RegionId | SkillId =>
        ask === 'closedSide'
          ? closed === 'right'
            ? 'rightSide'
            : 'leftSide'
          : ask === 'closedBack'
            ? closed === 'right'
              ? 'rightBack'
              : 'leftBack'
            : ask,
      ),
    );
  for (const key of new Set(asked)) wanted[key] = (wanted[key] ?? 0) + 1;
  return wanted;
}

/** The sentence of an intent, with the side filled in. @example intentInWords('openOneSide', 'left') // 'Open the left side' */
export function intentInWords(id: IntentId, side?: 'left' | 'right'): string {
  return intents[id].words.replace('{side}', side ?? 'closed');
}

/**
 * The parts an intent wants opened, with the closed side made definite.
 *
 * @example wantedRegions('openOneSide', 'left') // { leftSide: 3, leftBack: 3 }
 */
export function wantedRegions(id: IntentId, side: 'left' | 'right' = 'left'): Partial<Record<RegionId, number>> {
  const definite: Record<string, RegionId> =
    side === 'left'
      ? { closedSide: 'leftSide', closedBack: 'leftBack' }
      : { closedSide: 'rightSide', closedBack: 'rightBack' };
  return Object.fromEntries(
    Object.entries(intents[id].wantedRegions).map(([region, weight]) => [definite[region] ?? region, weight]),
  );
}
