import { type Provenance, commonPractice } from '../reasons';
import { type SchoolId } from '../schools';
import { type FindingId } from '../look';
import { type IntentId } from './intents';

/** The one that is no trouble: what the others are held against. */
export const evenId = 'even';

/**
 * Points of a finding by how marked it is: looked for and not there, slight, clear, marked. A point means the same
 * everywhere: so marked, the finding is seen that much more often in people of this pattern than in even ones, +1 about
 * 1.65 times, +2 2.7, +3 4.5, +5 12, +6 20 times (half a natural logarithm a point); below 0 it is seen that much less.
 * What was not looked for gives nothing.
 */
type Points = readonly [notThere: number, slight: number, clear: number, marked: number];
type Rows = Partial<Record<FindingId, Points>>;

/** A way of breathing that findings speak for or against. */
export interface Pattern {
  id: string;
  name: string;
  firstAnswer: string;
  intent: IntentId;
  /** The school that answers it best, and why: the lead offered for the plan. */
  answeredBy: SchoolId;
  because: string;
  rows: Rows;
  /** From how many points it may lead. */
  leadsFrom: number;
  /** What it is called after: looked for and none of these there, it never leads; with `seen`, nor before one was seen. */
  must: { of: readonly FindingId[]; seen: boolean };
  provenance: Provenance;
}

const pattern = (
  id: string,
  name: string,
  firstAnswer: string,
  intent: IntentId,
  [answeredBy, because]: readonly [SchoolId, string],
  leadsFrom: number,
  rows: Rows,
  of: readonly FindingId[] = [],
  seen = false,
): Pattern => ({
  id,
  name,
  firstAnswer,
  intent,
  answeredBy,
  because,
  rows,
  leadsFrom,
  must: { of, seen },
  provenance: commonPractice,
});

/**
 * The one table of points. What speaks for what is the trade's typical evidence; the sizes are ours, from a simulated study
 * and held against another (docs/reading.md).
 */
export const patterns: readonly Pattern[] = [
  pattern(
    'upperChest',
    'upper-chest lead',
    'Lie down, hands on the belly, slow nose breath, long exhale.',
    'lowerBreath',
    ['quietChest', 'it begins with what is missing here: a belly hand that moves under a still chest hand'],
    6,
    {
      chestLeads: [-1, 2, 3, 6],
      bellyLeads: [0, -2, -3, -5],
      chestLeadsDeep: [-1, 2, 3, 4],
      bellyStill: [-2, 1, 3, 5],
      chestTakesMost: [-1, 1, 3, 5],
      neckWorks: [-3, 0, 5, 6],
      rateHigh: [-1, 3, 6, 6],
      shouldersRise: [-1, 1, 2, 3],
      upperOnly: [-1, 1, 2, 3],
      ribCageLead: [-1, 2, 4, 5],
      bellyDrawsIn: [0, -2, -3, -4],
      startsInChest: [-3, 3, 4, 4],
      allAvailable: [1, 0, 0, -1],
      shouldersRiseDeep: [-1, 1, 1, 2],
      neckCords: [-1, 1, 1, 2],
      nostrilsFlare: [0, 1, 1, 1],
    },
  ),
  pattern(
    'bellyOnly',
    'belly-only, trunk extended',
    'Stack in hook-lying with a slight back-tip, long exhale; if that fails, quadruped.',
    'stackAndSpread',
    ['oppositionAndStack', 'a light front tension is what stops the breath running forward only'],
    7,
    {
      bellyTakesMost: [-1, 3, 5, 6],
      sidesStill: [-2, 1, 3, 5],
      sternumStill: [-1, 2, 3, 5],
      bellyLeads: [-2, 0, 0, 2],
      lowBackOff: [-1, 1, 2, 2],
      flareRest: [-2, 0, 3, 4],
      pelvisForward: [-1, 1, 1, 2],
      gapSmall: [-1, 0, 2, 3],
      audible: [0, -1, -2, -2],
      backsStill: [0, -1, -2, -3],
      allAvailable: [1, 1, 0, -2],
      frontByArching: [0, 1, 1, 1],
      sidesStillFront: [0, 1, 1, 1],
    },
  ),
  pattern(
    'heldInInhale',
    'held in inhale, flare',
    'Exhale first: sighed, hissed or resisted, heels on the wall; then over the half-dome.',
    'letRibsDown',
    ['oppositionAndStack', 'it puts the exhale first, until the ribs have come down'],
    7,
    {
      flareStays: [-4, 2, 6, 6],
      flareRest: [-2, 0, 2, 3],
      exhaleShort: [-1, 1, 3, 6],
      nextInhaleTight: [-1, 1, 4, 6],
      ribsStayUp: [-1, 2, 3, 3],
      midBackStiff: [-1, 1, 1, 1],
      absNotFelt: [-1, 1, 1, 1],
      smallEverywhere: [0, 0, -2, -3],
      exhaleDumps: [0, 1, 1, 1],
    },
    ['flareStays', 'ribsStayUp'],
  ),
  pattern(
    'pitchedForward',
    'pitched forward, splayed ribs',
    'Back-rib breath with a towel, mid-back curve restored, then light tension from below.',
    'bringRibsBack',
    ['lateralAnd360', 'its band and towel work fills the back ribs that are squeezed here'],
    8,
    {
      ribsForward: [-1, 1, 2, 3],
      flareRest: [-3, 0, 4, 6],
      obliquesGrip: [-1, 1, 2, 3],
      midBackStiff: [-1, 1, 1, 2],
      backsStill: [-2, 2, 4, 6],
      backsLag: [-1, 1, 2, 3],
      marchPops: [-1, 0, 1, 2],
      flareStays: [0, 0, -3, -5],
      sternumStill: [0, -1, -2, -2],
      allAvailable: [1, 1, -1, -1],
    },
    ['ribsForward', 'flareRest'],
    true,
  ),
  pattern(
    'sidesAndBackClosed',
    'sides and back closed',
    'Towel round the ribs, wall behind the back, prone over the half-dome, child’s pose.',
    'openSidesAndBack',
    ['lateralAnd360', 'sides and back are where it works'],
    5,
    {
      bendPoor: [-2, -1, 1, 5],
      sidesStill: [-2, 1, 3, 6],
      backsStill: [-1, 2, 4, 6],
      backsLag: [0, 0, 2, 3],
      gapSmall: [-1, 0, 3, 4],
      tapeSmall: [-2, 0, 2, 4],
      sidesOpen: [0, -1, -2, -2],
      chestLeads: [0, 0, -1, -2],
      allAvailable: [2, 1, -1, -3],
      smallEverywhere: [-1, 2, 3, 3],
      sidesStillFront: [0, 1, 1, 1],
    },
  ),
  pattern(
    'oneSide',
    'one side',
    'Side-lying with the closed side up, side bend, side reach in child’s pose.',
    'openOneSide',
    ['openAllRegions', 'it asks which way out is missing and lets the position open it'],
    4,
    {
      oneSideLess: [-2, 1, 2, 5],
      bendDiffers: [-1, 0, 3, 5],
      bendDisagrees: [2, -2, -2, -3],
      allAvailable: [1, 1, 0, -2],
      bendPoor: [-1, 0, 1, 2],
    },
    ['oneSideLess', 'bendDiffers'],
  ),
  pattern(
    'pumpClosed',
    'pump closed',
    'Keep the side ribs quiet with the band, breathe to the sternum and between the shoulder blades.',
    'openPump',
    ['openAllRegions', 'it holds that the chest front to back must be available too'],
    8,
    {
      sternumStill: [-2, 2, 4, 6],
      chestBackStill: [-2, 2, 4, 5],
      sidesOpen: [-1, 1, 3, 3],
      bellyLeads: [-1, 0, 0, 2],
      chestTakesMost: [0, -3, -4, -4],
      tapeSmall: [-1, 0, 2, 3],
      sidesStill: [0, -2, -4, -5],
      bellyTakesMost: [0, 0, -1, -2],
      allAvailable: [1, 1, 0, -2],
      noNod: [0, 1, 1, 1],
      backsOpen: [0, 0, 1, 1],
    },
  ),
  pattern(
    'paradoxical',
    'paradoxical',
    'Smaller breath, hands, try inclined and sitting. If it stays at rest: stop and refer.',
    'softenTheWave',
    ['quietChest', 'a small, quiet breath under a hand is the first thing to bring back'],
    5,
    {
      bellyDrawsIn: [-2, 2, 3, 4],
      waistSmaller: [-1, 2, 3, 4],
      bellyStill: [-2, 1, 4, 5],
      chestLeads: [-1, 2, 3, 5],
      chestLeadsDeep: [-1, 2, 4, 4],
      bellyLeads: [0, -2, -3, -5],
      neckWorks: [0, 0, -2, -4],
      startsInChest: [-2, 2, 3, 3],
      allAvailable: [1, 0, 0, -1],
    },
    ['bellyDrawsIn', 'waistSmaller'],
  ),
  pattern(
    'forcedBelly',
    'forced belly',
    'Lighter breath, “let it come”, wall or floor behind the sides and back.',
    'letItCome',
    ['lateralAnd360', 'it gives sides and back a surface, and the belly nothing to push'],
    7,
    {
      bellyTakesMost: [-1, 3, 5, 6],
      sidesStill: [-2, 1, 3, 6],
      audible: [-1, 2, 3, 3],
      tensionInBreath: [-1, 1, 2, 2],
      bellyLeads: [-1, 0, 0, 2],
      gapSmall: [-1, 0, 2, 3],
      sternumStill: [0, -1, -2, -3],
      backsStill: [0, 0, -2, -3],
      flareRest: [0, 0, -1, -2],
      allAvailable: [2, 1, 0, -2],
    },
    ['audible', 'tensionInBreath'],
  ),
  pattern(
    'shallowBraced',
    'shallow and braced',
    'Supported rest, release, a longer exhale.',
    'letGo',
    ['quietChest', 'support and smallness come before any shape of breath'],
    4,
    {
      smallEverywhere: [-2, 3, 5, 6],
      gapSmall: [-1, 0, 3, 4],
      tapeSmall: [-2, 0, 2, 4],
      exhaleShort: [-1, 1, 2, 3],
      nextInhaleTight: [-1, 1, 3, 3],
      obliquesGrip: [-1, 1, 2, 2],
      tensionInBreath: [-1, 1, 2, 2],
      floorStill: [-1, 1, 2, 3],
      bellyTakesMost: [0, -1, -2, -3],
      backsStill: [0, 0, -1, -2],
      flareStays: [0, 0, -3, -4],
      allAvailable: [2, 1, -1, -3],
      bendPoor: [0, 0, 0, -2],
      sidesStill: [0, 0, 0, -2],
    },
  ),
  pattern(
    'topDown',
    'top-down abdominal',
    'Lower-first exhale with a ball between the knees, hands low, small lever.',
    'lowerFirst',
    ['pelvicFloorTeam', 'lower first is its first rule'],
    6,
    {
      lowerBalloons: [-1, 2, 2, 3],
      upperAbsFirst: [-1, 2, 2, 3],
      marchPops: [-1, 0, 1, 3],
      marchArches: [0, 0, 1, 1],
      absNotFelt: [0, 1, 1, 1],
      separation: [0, 1, 2, 3],
    },
  ),
  pattern(
    'floorHolds',
    'floor that holds',
    'Release and lengthening set, 3–4 in and about 7 out, no lifts.',
    'releaseFloor',
    ['pelvicFloorTeam', 'it lengthens and releases before anything is lifted'],
    7,
    {
      floorHolds: [-1, 2, 3, 3],
      cannotLetGo: [-1, 2, 3, 3],
      floorPain: [-1, 2, 3, 3],
      glutesGrip: [-1, 1, 2, 2],
      urgency: [-1, 1, 2, 2],
      cannotFeelFloor: [0, 0, 2, 3],
      floorStill: [-2, 1, 2, 3],
    },
    ['floorHolds', 'cannotLetGo', 'cannotFeelFloor', 'floorPain'],
  ),
  pattern(
    'floorLate',
    'floor that is late',
    'Exhale-lift timing, then bridge, then load; 25–30 % effort, not maximum.',
    'timeFloor',
    ['pelvicFloorTeam', 'it times the lift with the exhale, before the effort'],
    5,
    {
      leaks: [-2, 2, 3, 4],
      bearsDown: [-1, 1, 2, 3],
      floorNoLift: [-1, 1, 2, 2],
    },
    ['leaks', 'bearsDown'],
  ),
  pattern(
    'airHunger',
    'low air-hunger tolerance',
    'Nose breathing, a lighter breath, short calm holds where allowed.',
    'easeTheWish',
    ['airHungerTolerance', 'light nose breathing and calm holds are its whole trade'],
    5,
    {
      holdShort: [-2, 1, 3, 6],
      mouthBreathing: [-1, 2, 2, 2],
      gaspAfterHold: [-1, 1, 2, 2],
      sighs: [-1, 0, 2, 4],
      rateHigh: [0, 2, 3, 3],
      manySymptoms: [-1, 1, 4, 5],
      tenCountHard: [-1, 1, 1, 1],
      chestLeads: [0, -1, -2, -3],
    },
  ),
  pattern(
    'positionDependent',
    'position-dependent',
    'Posture search, then bring the same drill up one position at a time.',
    'bringItUp',
    ['quietChest', 'it calls the posture good that takes the deepest low breath'],
    5,
    {
      lostSitting: [-2, 1, 4, 6],
      lostStanding: [-2, 1, 3, 6],
      lostUpright: [-1, 1, 3, 5],
      dropArched: [0, 0, 1, 1],
      dropSlouched: [0, 0, 1, 1],
    },
  ),
  pattern(
    evenId,
    'even and variable',
    'Vary, load, move; nothing to fix.',
    'keepItVaried',
    ['loadMatched', 'with every part available, load and movement are what is left to learn'],
    0,
    {},
  ),
];

/**
 * What comes first where both may lead and lie within three points: the one that could be made worse by answering the other.
 * Common practice: a belly that draws in before a chest that leads, release before lift, a flare that stays before ribs in
 * front.
 */
export const comesBefore: readonly (readonly [first: string, then: string])[] = [
  ['paradoxical', 'upperChest'],
  ['floorHolds', 'floorLate'],
  ['heldInInhale', 'pitchedForward'],
];

/**
 * The lead school offered for a plan, and why: the coach's own where one was set, else the one that best answers the first
 * confirmed pattern.
 *
 * @param confirmed pattern ids, first to last
 * @param homeSchool as set by the coach; open-all-regions is the default and gives way
 * @example leadSchoolFor(['oneSide'], 'openAllRegions').school // 'openAllRegions'
 */
export function leadSchoolFor(
  confirmed: readonly string[],
  homeSchool: SchoolId,
): { school: SchoolId; because: string | null } {
  const first = patterns.find(({ id }) => id === confirmed[0]);
  if (homeSchool !== 'openAllRegions' || !first) return { school: homeSchool, because: null };
  return { school: first.answeredBy, because: `for “${first.name}”: ${first.because}` };
}

export const patternIds = patterns.map(({ id }) => id);
