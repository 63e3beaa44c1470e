import { type RegionId } from '../trunk';

/** What is so or not so of a person, with how often it is so in people who breathe evenly. Common practice, sizes ours. */
export const signRates = {
  startsChest: 0.08,
  mouth: 0.12,
  audible: 0.08,
  sighs: 0.12,
  yawns: 0.08,
  drawsIn: 0.02,
  tense: 0.08,
  shouldersRise: 0.06,
  upperOnly: 0.04,
  nostrils: 0.06,
  shouldersRiseDeep: 0.25,
  upperOnlyDeep: 0.1,
  neckCords: 0.15,
  yawnsDaily: 0.15,
  arches: 0.12,
  waistSmaller: 0.02,
  thoraxInFront: 0.15,
  pelvisForward: 0.25,
  lowBackOff: 0.2,
  midBackStiff: 0.25,
  obliquesGrip: 0.08,
  dumps: 0.2,
  ribsStay: 0.06,
  noAbdominals: 0.2,
  upperFirst: 0.12,
  balloons: 0.1,
  marchPops: 0.12,
  marchArches: 0.15,
  floorDoesNotSoften: 0.06,
  floorDoesNotLetGo: 0.05,
  floorDoesNotLift: 0.12,
  bearsDown: 0.08,
  glutesGrip: 0.15,
  floorPain: 0.02,
  urgency: 0.1,
  leaksWithEffort: 0.06,
  leaksWithUrge: 0.04,
  noNod: 0.2,
  gasps: 0.1,
  tenCountHard: 0.2,
} as const satisfies Record<string, number>;
export type Sign = keyof typeof signRates;
export const signIds = Object.keys(signRates) as Sign[];

/** What is measured, with its mean and its spread among even people. Common practice but for the girth [R6]; sizes ours. */
export const usualNumbers = {
  /** Breaths a minute at rest. [R1] */
  rate: [13.8, 2.3],
  /** An easy full exhale, seconds. */
  exhaleSeconds: [7.5, 1.8],
  /** How full the next inhale feels, 0 to 10. */
  nextInhale: [7.8, 1.2],
  /** Girth at the fourth space, cm. */
  tapeCm: [5.2, 1.1],
  gapCm: [3.2, 0.8],
  holdSeconds: [24, 6],
  symptoms: [9, 5],
  flareRest: [0.4, 0.5],
  flareExhale: [0.1, 0.3],
  neck: [0.2, 0.35],
  /** Degrees of the two lines drawn by hands. */
  upperDegrees: [30, 5],
  lowerDegrees: [32, 5],
  /** How far each side opens in a bend, 0 to 3. */
  bend: [2.3, 0.4],
  /** Depth of the low breath, 0 to 10, and what is lost of it upright, arched and slouched. */
  depthLying: [7.6, 0.9],
  lostSitting: [0.6, 0.6],
  lostStanding: [1.1, 0.7],
  lostArched: [1.6, 0.9],
  lostSlouched: [1.6, 0.9],
} as const satisfies Record<string, readonly [number, number]>;
export type Measured = keyof typeof usualNumbers;
export const measuredIds = Object.keys(usualNumbers) as Measured[];

/** What a way of breathing does to a person when it is marked: clear ones have part of it, mild ones less. */
export interface Evidence {
  /** Steps of a grade; `closedSide` and `closedBack` stand for the side it is on. */
  regions?: Partial<Record<RegionId | 'closedSide' | 'closedBack', number>>;
  everywhere?: number;
  /** How often the sign is there when it is marked. */
  signs?: Partial<Record<Sign, number>>;
  /** Added to the usual mean when it is marked. */
  numbers?: Partial<Record<Measured, number>>;
  /** Added to how far the closed side opens in a bend. */
  closedBend?: number;
}

/**
 * The trade's typical evidence, written down a second time as what it does to a body: nothing here is taken from the points
 * of the reading, so that the one can be held against the other. Common practice, no published source; the sizes ours.
 */
export const evidenceOf = {
  upperChest: {
    regions: { belly: -1.2, chestFront: 0.8 },
    signs: {
      startsChest: 0.85,
      shouldersRise: 0.65,
      upperOnly: 0.6,
      shouldersRiseDeep: 0.9,
      upperOnlyDeep: 0.75,
      neckCords: 0.7,
      nostrils: 0.25,
      mouth: 0.3,
    },
    numbers: { rate: 5, neck: 1.7, upperDegrees: 12, lowerDegrees: -12 },
  },
  bellyOnly: {
    regions: { belly: 0.9, leftSide: -1.1, rightSide: -1.1, chestFront: -1.1 },
    signs: { lowBackOff: 0.75, pelvisForward: 0.8, arches: 0.45 },
    numbers: { flareRest: 1.3, gapCm: -1.4, upperDegrees: -10 },
  },
  heldInInhale: {
    signs: { ribsStay: 0.85, midBackStiff: 0.75, dumps: 0.5, noAbdominals: 0.6 },
    numbers: { flareExhale: 2.2, flareRest: 1.6, exhaleSeconds: -4, nextInhale: -4, tapeCm: -1.5 },
  },
  pitchedForward: {
    regions: { leftBack: -1, rightBack: -1, chestBack: -0.6 },
    signs: { thoraxInFront: 0.85, obliquesGrip: 0.65, midBackStiff: 0.7, marchPops: 0.45, pelvisForward: 0.5 },
    numbers: { flareRest: 1.8, lostArched: 0.8 },
  },
  sidesAndBackClosed: {
    regions: { leftSide: -1.2, rightSide: -1.2, leftBack: -1.1, rightBack: -1.1, lowBack: -0.5 },
    numbers: { bend: -1.3, tapeCm: -2, gapCm: -1.6 },
  },
  oneSide: { regions: { closedSide: -1.3, closedBack: -1 }, closedBend: -1.3 },
  pumpClosed: {
    regions: { chestFront: -1.3, chestBack: -1.2, leftSide: 0.2, rightSide: 0.2 },
    signs: { noNod: 0.4 },
    numbers: { tapeCm: -1.5, upperDegrees: -10 },
  },
  paradoxical: {
    regions: { belly: -1.3, chestFront: 0.4 },
    signs: { drawsIn: 1, waistSmaller: 0.75, startsChest: 0.5 },
    numbers: { rate: 2 },
  },
  forcedBelly: {
    regions: { belly: 0.9, leftSide: -1.2, rightSide: -1.2 },
    signs: { audible: 0.75, tense: 0.45 },
    numbers: { gapCm: -1.2 },
  },
  shallowBraced: {
    everywhere: -1,
    regions: { pelvicFloor: -0.4 },
    signs: { obliquesGrip: 0.6, tense: 0.5, sighs: 0.35, floorDoesNotSoften: 0.3 },
    numbers: { tapeCm: -2, gapCm: -1.4, exhaleSeconds: -2.2, nextInhale: -2 },
  },
  topDown: { signs: { upperFirst: 0.8, balloons: 0.75, marchPops: 0.65, marchArches: 0.35, noAbdominals: 0.35 } },
  floorHolds: {
    regions: { pelvicFloor: -1.3 },
    signs: {
      floorDoesNotSoften: 0.75,
      floorDoesNotLetGo: 0.75,
      floorDoesNotLift: 0.4,
      floorPain: 0.5,
      glutesGrip: 0.6,
      urgency: 0.5,
    },
  },
  floorLate: { signs: { leaksWithEffort: 0.9, bearsDown: 0.6, floorDoesNotLift: 0.55 } },
  airHunger: {
    signs: { mouth: 0.65, sighs: 0.6, yawns: 0.4, yawnsDaily: 0.55, gasps: 0.6, tenCountHard: 0.6 },
    numbers: { holdSeconds: -13, rate: 2, symptoms: 13 },
  },
  positionDependent: { numbers: { lostSitting: 3, lostStanding: 4, lostArched: 1, lostSlouched: 1 } },
} as const satisfies Record<string, Evidence>;

export type TroubleId = keyof typeof evidenceOf;
export const troubleIds = Object.keys(evidenceOf) as TroubleId[];

/** What a position gives a part by itself, in steps of a grade: the lying belly rises more, the lying chest less [R5]. */
export const givenByPosition: Readonly<Record<'lying' | 'sitting' | 'standing', Partial<Record<RegionId, number>>>> = {
  lying: { belly: 0.6, chestFront: -0.4, chestBack: -0.4, leftBack: -0.3, rightBack: -0.3, lowBack: -0.2 },
  sitting: {},
  standing: { belly: -0.3, lowBack: -0.2, chestFront: 0.2 },
};
