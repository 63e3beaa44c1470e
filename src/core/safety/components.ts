/**
 * What a drill, a test or a load set can contain that a condition may forbid. Tags are gated, not names: a new drill is
 * safe by construction once its components are stated.
 */
export const components = {
  hold: 'holds beyond a natural pause',
  longHold: 'long holds',
  fullLung: 'full-lung stretches and top-ups',
  emptyLung: 'empty-lung stretches',
  strain: 'straining and held-breath effort',
  hardBrace: 'hard hollowing or bracing',
  loadedBrace: 'loaded bracing',
  balloon: 'the balloon',
  bellyBand: 'a tight band round the belly',
  fastBreath: 'fast or forced breathing',
  forcedExhale: 'forced exhale to empty',
  bellyPush: 'pushing the belly out',
  deepBreath: 'deep breaths on request',
  prone: 'lying prone',
  proneRibs: 'prone with weight on the ribs',
  halfDome: 'the half-dome',
  twinBalls: 'twin balls under the back',
  flatSupine: 'lying flat on the back for long',
  bellyPressure: 'pressure on the belly',
  headLow: 'head below the heart',
  plank: 'planks',
  sidePlank: 'side plank',
  bear: 'bear',
  bridge: 'bridge',
  march: 'one-legged marches',
  strongFloor: 'strong or sustained floor contraction',
  floorLift: 'lift cues for the pelvic floor',
  strongSqueeze: 'strong ball squeeze',
  wideKnees: 'wide knees',
  endRangeArch: 'end-range arch',
  endRangeTuck: 'end-range tuck',
  loadedRounding: 'loaded or end-range rounding',
  twist: 'twisting',
  spineRoll: 'rolling through the spine',
  ribEdge: 'ribs pressed on a hard edge',
  loadedSideBend: 'loaded side bend',
  headTurn: 'head turns past the easy range',
  headHang: 'head hanging',
  armsOverhead: 'arms above about 140 degrees',
  handWeight: 'weight on the hands',
  kneeling: 'kneeling',
  fastChange: 'fast changes of position',
  longStanding: 'long standing work',
  closedEyes: 'closed eyes',
  chestWeight: 'weight on the chest',
  latex: 'latex',
} as const;

export type Component = keyof typeof components;
export const componentIds = Object.keys(components) as [Component, ...Component[]];

/** What stays off until the questions that gate it were asked: an unknown answer is not a "no". */
export const highRisk: readonly Component[] = [
  'hold',
  'longHold',
  'strain',
  'fullLung',
  'emptyLung',
  'prone',
  'proneRibs',
  'halfDome',
];
