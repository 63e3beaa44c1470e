import { type SchoolId } from '../schools';

/** One step of the order of work: what does it, the usual one first; the others stand in where that one can't. */
export type Step = readonly string[];

/**
 * The first answers of each pattern in their order of work. Common practice, no published source; which drill of ours does
 * a step is our choice.
 */
const orderOfWork: Readonly<Record<string, readonly Step[]>> = {
  upperChest: [
    ['two-hand-belly', 'tuck-breath', 'tide-under-jetty', 'side-low-breath'],
    ['quiet-nose'],
    ['soft-hiss', 'straw-lying', 'exhale-restore'],
    ['towel-hug', 'own-hands-ribs'],
  ],
  bellyOnly: [
    ['hook-stack'],
    ['exhale-restore', 'soft-hiss', 'straw-lying'],
    ['quadruped-breath'],
    ['towel-hug', 'own-hands-ribs'],
  ],
  heldInInhale: [
    ['exhale-restore', 'balloon-exhale', 'soft-hiss', 'straw-lying'],
    ['hook-stack'],
    ['half-dome-back', 'twin-balls-levels', 'chair-back-open'],
  ],
  pitchedForward: [
    ['towel-hug', 'wall-sit-reach', 'waist-band-breath'],
    ['elbows-on-wall', 'front-tension-standing', 'find-the-tilt'],
    ['ball-squeeze-low', 'tuck-drawn-in'],
  ],
  sidesAndBackClosed: [
    ['towel-hug', 'waist-band-breath', 'own-hands-ribs'],
    ['wall-sit-reach', 'wall-back-fill'],
    ['half-dome-back', 'childs-pose-back'],
  ],
  oneSide: [['side-lying-open'], ['side-bend-open', 'wall-reach'], ['child-side-reach']],
  pumpClosed: [
    ['sternum-and-blades', 'band-under-chest', 'chest-lift-sitting'],
    ['quadruped-breath'],
    ['twin-balls-levels', 'chair-back-open'],
  ],
  paradoxical: [
    ['smaller-propped', 'resting-watch'],
    ['two-hand-belly', 'tide-under-jetty'],
  ],
  forcedBelly: [
    ['wait-let-it-come', 'quiet-nose'],
    ['wall-sit-reach', 'last-rib-finger', 'own-hands-ribs'],
  ],
  shallowBraced: [
    ['supported-release', 'resting-watch'],
    ['childs-pose-back', 'figure-four', 'hips-turn-in'],
    ['calm-down', 'straw-lying'],
  ],
  topDown: [['ball-squeeze-low'], ['heel-slide'], ['exhale-then-foot']],
  floorHolds: [
    ['supported-release', 'widen-and-settle'],
    ['childs-pose-back'],
    ['hips-turn-in', 'hips-turn-feet'],
    ['figure-four'],
  ],
  floorLate: [
    ['gather-and-lift', 'lift-and-pause', 'widen-and-settle', 'supported-release'],
    ['ball-squeeze-low'],
    ['ball-bridge', 'rolling-bridge'],
    ['chair-rise'],
  ],
  airHunger: [['quiet-nose'], ['wait-let-it-come', 'smaller-propped'], ['short-calm-pauses', 'calm-down']],
  positionDependent: [['find-the-tilt'], ['own-hands-ribs', 'last-rib-finger']],
  even: [['squat-breath', 'chair-rise'], ['hinge-breath', 'reach-breath'], ['chair-rise'], ['carry-walking']],
};

/** Where a school begins a step with something else of it. */
const bySchool: Partial<Record<SchoolId, Readonly<Record<string, readonly Step[]>>>> = {
  quietChest: {
    upperChest: [['tuck-breath', 'two-hand-belly', 'tide-under-jetty'], ['quiet-nose'], ['soft-hiss', 'straw-lying']],
    floorHolds: [
      ['supported-release', 'widen-and-settle'],
      ['childs-pose-back'],
      ['hips-turn-feet', 'hips-turn-in'],
      ['inner-thigh-rock', 'figure-four'],
    ],
    even: [['squat-breath', 'chair-rise'], ['belly-out-and-in'], ['chair-rise'], ['carry-walking']],
  },
  openAllRegions: {
    even: [['squat-breath', 'chair-rise'], ['pelvic-rock'], ['chair-rise'], ['carry-walking']],
    floorHolds: [
      ['supported-release', 'widen-and-settle'],
      ['childs-pose-back'],
      ['pelvic-clock', 'hips-turn-in'],
      ['figure-four'],
    ],
  },
  oppositionAndStack: {
    upperChest: [['exhale-restore', 'soft-hiss'], ['quiet-nose']],
    even: [['squat-breath', 'chair-rise'], ['row-breath', 'reach-breath'], ['chair-rise'], ['carry-walking']],
  },
  lateralAnd360: {
    oneSide: [['side-lying-open'], ['wall-reach', 'side-bend-open'], ['child-side-reach']],
    pumpClosed: [['band-under-chest', 'sternum-and-blades'], ['elbow-opening', 'quadruped-breath'], ['open-lift-nod']],
    heldInInhale: [['soft-hiss', 'exhale-restore', 'straw-lying'], ['hook-stack']],
  },
  airHungerTolerance: { upperChest: [['quiet-nose'], ['wait-let-it-come', 'two-hand-belly']] },
};

const usual = new Set(
  [orderOfWork, ...Object.values(bySchool)].flatMap((rows) =>
    Object.values(rows).flatMap((steps) => steps.map(([id]) => id!)),
  ),
);
/** Whether a drill is the usual one of some step of work: then it is for first visits too. @example isFirstLine('hook-stack') // true */
export const isFirstLine = (drillId: string) => usual.has(drillId);

/**
 * The order of work for a pattern as a school would go about it: for each step the drills that do it, the usual one first.
 *
 * @example orderOfWorkFor('oneSide', 'openAllRegions')[0] // ['side-lying-open']
 */
export const orderOfWorkFor = (pattern: string, school: SchoolId): readonly Step[] =>
  bySchool[school]?.[pattern] ?? orderOfWork[pattern] ?? [];
