/** What goes wrong while coaching, the first correction, and what to do when that fails. Common practice. */
export const faults = {
  shoulders: {
    words: 'shoulders creep up',
    correction: 'Smaller breath, long neck, hands lower on the ribs',
    fallback: 'Lie down',
  },
  chestLeads: {
    words: 'chest leads',
    correction: 'Own hand on the belly, send the breath to the hand',
    fallback: 'Crossed-leg tuck',
  },
  backwards: {
    words: '“it feels backwards”',
    correction: 'An image, not an instruction',
    fallback: 'Half the size, eyes open',
  },
  bellyPushed: {
    words: 'belly pushed without air',
    correction: 'Let it come, quieter breath',
    fallback: 'Floor or wall behind the back',
  },
  arching: {
    words: 'front moves by arching',
    correction: 'Back to the wall or the floor',
    fallback: 'Over the half-dome',
  },
  backLifts: {
    words: 'back lifts off the floor',
    correction: 'Heels drag, exhale longer',
    fallback: 'Legs on a chair',
  },
  pelvisRocks: {
    words: 'pelvis rocks or tucks',
    correction: 'Smaller effort, feet as tripods',
    fallback: 'Hands on the hip bones',
  },
  ribsYanked: { words: 'ribs yanked down', correction: 'Draw in low first', fallback: 'Drop the effort to a third' },
  upperFirst: {
    words: 'upper belly first',
    correction: 'Hands low, low to high',
    fallback: 'No lift, breath only',
  },
  bellyPops: {
    words: 'belly pops on the march',
    correction: 'Exhale before the foot leaves',
    fallback: 'Slide the heel instead',
  },
  roundsInBear: { words: 'rounds in bear', correction: 'Block on the low back', fallback: 'Quadruped' },
  shouldersRoll: {
    words: 'shoulders roll in side plank',
    correction: 'Stack, push the floor away',
    fallback: 'Side-lying',
  },
  bridgeArches: {
    words: 'back arches in bridge',
    correction: 'Lower, press through the hips',
    fallback: 'Breath only',
  },
  glutes: { words: 'glutes grip', correction: 'Sit taller, a third of the effort', fallback: 'Release only' },
  heldBreath: { words: 'breath held on effort', correction: 'Count out loud', fallback: 'Lighter load' },
  dumped: { words: 'air dumped at once', correction: 'Straw, even sound', fallback: 'Shorter exhale' },
  gasp: { words: 'gasp after the pause', correction: 'Shorter pause', fallback: 'No pause today' },
  neck: { words: 'neck muscles work', correction: 'Less air, longer time', fallback: 'Lie down' },
  yawning: { words: 'yawning, light-headed', correction: 'Normal breathing, rest', fallback: 'End the set' },
} as const satisfies Record<string, { words: string; correction: string; fallback: string }>;

/** What comes when both corrections failed. */
export const lastResort = 'One step easier, or let it be for today';

/**
 * The ladder of corrections of a fault, one after the other.
 *
 * @example correctionLadder('dumped') // ['Straw, even sound', 'Shorter exhale', 'One step easier, or let it be for today']
 */
export const correctionLadder = (fault: FaultId): readonly [string, string, string] => [
  faults[fault].correction,
  faults[fault].fallback,
  lastResort,
];

export type FaultId = keyof typeof faults;
export const faultIds = Object.keys(faults) as [FaultId, ...FaultId[]];
