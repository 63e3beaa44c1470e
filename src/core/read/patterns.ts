import { type Provenance, commonPractice } from '../reasons';
import { type SchoolId } from '../schools';
import { type FindingId } from './findingTable';
import { type IntentId } from './intents';

/** A way of breathing that findings speak for or against. */
export interface Pattern {
  id: string;
  name: string;
  firstAnswer: string;
  intent: IntentId;
  /** The school that answers it best, and why: the lead offered for the plan. */
  answeredBy: SchoolId;
  because: string;
  /** Points a finding gives at severity 3; a third and two thirds of them at 1 and 2. */
  speaksFor: Partial<Record<FindingId, number>>;
  speaksAgainst: Partial<Record<FindingId, number>>;
  /** Findings whose looked-for absence speaks against it. */
  needs: Partial<Record<FindingId, number>>;
  provenance: Provenance;
}

type Weights = Partial<Record<FindingId, number>>;

const pattern = (
  id: string,
  name: string,
  firstAnswer: string,
  intent: IntentId,
  [answeredBy, because]: readonly [SchoolId, string],
  weights: { for: Weights; against?: Weights; needs?: Weights },
): Pattern => ({
  id,
  name,
  firstAnswer,
  intent,
  answeredBy,
  because,
  speaksFor: weights.for,
  speaksAgainst: weights.against ?? {},
  needs: weights.needs ?? {},
  provenance: commonPractice,
});

/** The one table of weights. Common practice: the trade's typical evidence; the points are ours and shown beside each line. */
export const patterns: readonly Pattern[] = [
  pattern(
    'upperChest',
    'upper-chest lead',
    'Lie down, hands on the belly, slow nose breath, long exhale.',
    'lowerBreath',
    ['quietChest', 'it begins with what is missing here: a belly hand that moves under a still chest hand'],
    {
      for: {
        chestLeads: 6,
        upperOnly: 4,
        shouldersRise: 4,
        neckWorks: 4,
        bellyStill: 4,
        ribCageLead: 3,
        shouldersRiseDeep: 2,
        chestLeadsDeep: 2,
        neckCords: 2,
        rateHigh: 2,
        nostrilsFlare: 1,
        manySymptoms: 1,
      },
      against: { bellyLeads: 6 },
      needs: { chestLeads: 5, neckWorks: 2, shouldersRise: 2 },
    },
  ),
  pattern(
    'bellyOnly',
    'belly-only, trunk extended',
    'Stack in hook-lying with a slight back-tip, long exhale; if that fails, quadruped.',
    'stackAndSpread',
    ['oppositionAndStack', 'a light front tension is what stops the breath running forward only'],
    {
      for: {
        bellyTakesMost: 6,
        sternumStill: 4,
        sidesStill: 4,
        lowBackOff: 3,
        flareRest: 2,
        pelvisForward: 2,
        frontByArching: 2,
        bellyLeads: 1,
      },
      against: { chestLeads: 4, sidesOpen: 5 },
      needs: { bellyTakesMost: 6, sternumStill: 2 },
    },
  ),
  pattern(
    'heldInInhale',
    'held in inhale, flare',
    'Exhale first: sighed, hissed or resisted, heels on the wall; then over the half-dome.',
    'letRibsDown',
    ['oppositionAndStack', 'it puts the exhale first, until the ribs have come down'],
    {
      for: {
        flareStays: 7,
        ribsStayUp: 5,
        exhaleShort: 3,
        nextInhaleTight: 3,
        midBackStiff: 2,
        absNotFelt: 2,
        exhaleDumps: 1,
        flareRest: 1,
      },
      needs: { flareStays: 6, ribsStayUp: 2 },
    },
  ),
  pattern(
    'pitchedForward',
    'pitched forward, splayed ribs',
    'Back-rib breath with a towel, mid-back curve restored, then light tension from below.',
    'bringRibsBack',
    ['lateralAnd360', 'its band and towel work fills the back ribs that are squeezed here'],
    {
      for: { ribsForward: 7, obliquesGrip: 4, midBackStiff: 3, pelvisForward: 1, dropArched: 1, marchPops: 1 },
      needs: { ribsForward: 6, obliquesGrip: 1 },
    },
  ),
  pattern(
    'sidesAndBackClosed',
    'sides and back closed',
    'Towel round the ribs, wall behind the back, prone over the half-dome, child’s pose.',
    'openSidesAndBack',
    ['lateralAnd360', 'sides and back are where it works'],
    {
      for: { sidesStill: 6, backsStill: 6, bendPoor: 4, tapeSmall: 3, gapSmall: 3 },
      against: { sidesOpen: 4, backsOpen: 4, smallEverywhere: 3 },
      needs: { sidesStill: 3, backsStill: 3, bendPoor: 1 },
    },
  ),
  pattern(
    'oneSide',
    'one side',
    'Side-lying with the closed side up, side bend, side reach in child’s pose.',
    'openOneSide',
    ['openAllRegions', 'it asks which way out is missing and lets the position open it'],
    {
      for: { oneSideLess: 10, bendDiffers: 4 },
      needs: { oneSideLess: 6, bendDiffers: 3 },
    },
  ),
  pattern(
    'pumpClosed',
    'pump closed',
    'Keep the side ribs quiet with the band, breathe to the sternum and between the shoulder blades.',
    'openPump',
    ['openAllRegions', 'it holds that the chest front to back must be available too'],
    {
      for: { sternumStill: 5, chestBackStill: 5, sidesOpen: 3, noNod: 1 },
      against: { sidesStill: 4, bellyTakesMost: 2 },
      needs: { sternumStill: 4, chestBackStill: 4 },
    },
  ),
  pattern(
    'paradoxical',
    'paradoxical',
    'Smaller breath, hands, try inclined and sitting. If it stays at rest: stop and refer.',
    'softenTheWave',
    ['quietChest', 'a small, quiet breath under a hand is the first thing to bring back'],
    { for: { bellyDrawsIn: 12 }, needs: { bellyDrawsIn: 8 } },
  ),
  pattern(
    'forcedBelly',
    'forced belly',
    'Lighter breath, “let it come”, wall or floor behind the sides and back.',
    'letItCome',
    ['lateralAnd360', 'it gives sides and back a surface, and the belly nothing to push'],
    {
      for: { bellyTakesMost: 4, audible: 5, sidesStill: 3, tensionInBreath: 2, dropArched: 1 },
      against: { sidesOpen: 4 },
      needs: { audible: 5, bellyTakesMost: 3 },
    },
  ),
  pattern(
    'shallowBraced',
    'shallow and braced',
    'Supported rest, release, a longer exhale.',
    'letGo',
    ['quietChest', 'support and smallness come before any shape of breath'],
    {
      for: {
        smallEverywhere: 9,
        floorStill: 3,
        bellyStill: 2,
        obliquesGrip: 2,
        tapeSmall: 2,
        tensionInBreath: 2,
        sighs: 1,
      },
      against: { sidesOpen: 3, bellyTakesMost: 3 },
      needs: { smallEverywhere: 6 },
    },
  ),
  pattern(
    'topDown',
    'top-down abdominal',
    'Lower-first exhale with a ball between the knees, hands low, small lever.',
    'lowerFirst',
    ['pelvicFloorTeam', 'lower first is its first rule'],
    {
      for: { upperAbsFirst: 5, lowerBalloons: 5, marchPops: 4, marchArches: 2, separation: 4, absNotFelt: 1 },
      needs: { upperAbsFirst: 4, lowerBalloons: 3 },
    },
  ),
  pattern(
    'floorHolds',
    'floor that holds',
    'Release and lengthening set, 3–4 in and about 7 out, no lifts.',
    'releaseFloor',
    ['pelvicFloorTeam', 'it lengthens and releases before anything is lifted'],
    {
      for: { floorHolds: 6, cannotLetGo: 5, floorPain: 3, glutesGrip: 2, urgency: 2, floorStill: 1 },
      needs: { floorHolds: 4, cannotLetGo: 3 },
    },
  ),
  pattern(
    'floorLate',
    'floor that is late',
    'Exhale-lift timing, then bridge, then load; 25–30 % effort, not maximum.',
    'timeFloor',
    ['pelvicFloorTeam', 'it times the lift with the exhale, before the effort'],
    {
      for: { leaks: 8, bearsDown: 4, floorNoLift: 3 },
      // Release before lift: a floor that can't let go is answered first.
      against: { floorHolds: 4, cannotLetGo: 3 },
      needs: { leaks: 5 },
    },
  ),
  pattern(
    'airHunger',
    'low air-hunger tolerance',
    'Nose breathing, a lighter breath, short calm holds where allowed.',
    'easeTheWish',
    ['airHungerTolerance', 'light nose breathing and calm holds are its whole trade'],
    {
      for: {
        holdShort: 7,
        mouthBreathing: 4,
        gaspAfterHold: 3,
        sighs: 3,
        rateHigh: 2,
        manySymptoms: 2,
        tenCountHard: 1,
      },
      needs: { holdShort: 5, mouthBreathing: 2 },
    },
  ),
  pattern(
    'positionDependent',
    'position-dependent',
    'Posture search, then bring the same drill up one position at a time.',
    'bringItUp',
    ['quietChest', 'it calls the posture good that takes the deepest low breath'],
    {
      for: { lostUpright: 10, dropArched: 2, dropSlouched: 2 },
      against: { smallEverywhere: 4, sidesStill: 2 },
      needs: { lostUpright: 6 },
    },
  ),
  pattern(
    'even',
    'even and variable',
    'Vary, load, move; nothing to fix.',
    'keepItVaried',
    ['loadMatched', 'with every part available, load and movement are what is left to learn'],
    {
      for: { allAvailable: 9 },
      against: {
        bellyDrawsIn: 8,
        oneSideLess: 5,
        chestLeads: 5,
        smallEverywhere: 5,
        leaks: 5,
        floorHolds: 5,
        lostUpright: 5,
        sidesStill: 4,
        backsStill: 4,
        flareStays: 4,
        ribsForward: 4,
        upperAbsFirst: 4,
        bendDiffers: 3,
        holdShort: 3,
        neckWorks: 3,
        upperOnly: 3,
      },
      needs: { allAvailable: 6 },
    },
  ),
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
