import { type Component } from '../safety';

/** Something to say or to do about a fault, and what it asks of a body where it is more than words. */
interface Remedy {
  words: string;
  asks: readonly Component[];
}
const say = (words: string, ...asks: Component[]): Remedy => ({ words, asks });

const lieDown = [say('Lie down', 'flatSupine'), say('Half lie back on pillows')];

/** A fault: what is seen, what to try first, and what when that fails; the first of each that a client may do. */
interface Fault {
  words: string;
  correction: readonly Remedy[];
  fallback: readonly Remedy[];
}

/** What goes wrong while coaching, the first correction, and what to do when that fails. Common practice. */
export const faults = {
  shoulders: {
    words: 'shoulders creep up',
    correction: [say('Smaller breath, long neck, hands lower on the ribs')],
    fallback: lieDown,
  },
  chestLeads: {
    words: 'chest leads',
    correction: [say('Own hand on the belly, send the breath to the hand')],
    fallback: [
      say('Crossed-leg tuck', 'flatSupine', 'endRangeTuck', 'loadedRounding', 'hipCross'),
      say('Lean forward, arms carried'),
    ],
  },
  backwards: {
    words: '“it feels backwards”',
    correction: [say('An image, not an instruction')],
    fallback: [say('Half the size, eyes open')],
  },
  bellyPushed: {
    words: 'belly pushed without air',
    correction: [say('Let it come, quieter breath')],
    fallback: [
      say('On the front, the floor answers', 'prone', 'proneRibs', 'bellyPressure', 'chestWeight'),
      say('Wall behind the back'),
    ],
  },
  arching: {
    words: 'front moves by arching',
    correction: [say('Back to the floor or the wall', 'flatSupine'), say('Back to the wall')],
    fallback: [
      say(
        'Over the half-dome',
        'prone',
        'proneRibs',
        'halfDome',
        'bellyPressure',
        'chestWeight',
        'headHang',
        'loadedRounding',
        'endRangeTuck',
      ),
      say('Forearms on a table, back wide'),
    ],
  },
  backLifts: {
    words: 'back lifts off the floor',
    correction: [say('Heels drag, exhale longer')],
    fallback: [say('Legs on a chair', 'flatSupine'), say('Half lie back on pillows')],
  },
  pelvisRocks: {
    words: 'pelvis rocks or tucks',
    correction: [say('Smaller effort, feet as tripods')],
    fallback: [say('Hands on the hip bones')],
  },
  ribsYanked: {
    words: 'ribs yanked down',
    correction: [say('Draw in low first', 'hardBrace', 'flare'), say('Let the ribs be, smaller exhale')],
    fallback: [say('Drop the effort to a third')],
  },
  upperFirst: {
    words: 'upper belly first',
    correction: [say('Hands low, low to high')],
    fallback: [say('No lift, breath only')],
  },
  bellyPops: {
    words: 'belly pops on the march',
    correction: [say('Exhale before the foot leaves', 'march'), say('Slide the heel instead')],
    fallback: [say('Slide the heel instead')],
  },
  roundsInBear: {
    words: 'rounds in bear',
    correction: [say('Block on the low back')],
    fallback: [say('Quadruped', 'kneeling', 'handWeight'), say('Forearms on a bench')],
  },
  shouldersRoll: {
    words: 'shoulders roll in side plank',
    correction: [say('Stack, push the floor away')],
    fallback: [say('Side-lying', 'lyingOnLeft', 'lyingOnRight'), say('Sitting, ribs stacked')],
  },
  bridgeArches: {
    words: 'back arches in bridge',
    correction: [say('Lower, press through the hips')],
    fallback: [say('Breath only')],
  },
  glutes: {
    words: 'glutes grip',
    correction: [say('Sit taller, a third of the effort')],
    fallback: [say('Release only')],
  },
  heldBreath: {
    words: 'breath held on effort',
    correction: [say('Count out loud')],
    fallback: [say('Lighter load')],
  },
  dumped: {
    words: 'air dumped at once',
    correction: [say('Straw, even sound')],
    fallback: [say('Shorter exhale')],
  },
  gasp: { words: 'gasp after the pause', correction: [say('Shorter pause')], fallback: [say('No pause today')] },
  neck: { words: 'neck muscles work', correction: [say('Less air, longer time')], fallback: lieDown },
  yawning: {
    words: 'yawning, light-headed',
    correction: [say('Normal breathing, rest')],
    fallback: [say('End the set')],
  },
} as const satisfies Record<string, Fault>;

/** What comes when both corrections failed. */
const lastResort = 'One step easier, or let it be for today';

/**
 * The ladder of corrections of a fault, one after the other; of each, the first that somebody may do.
 *
 * @param may says whether what a correction asks of a body is open to them; everything is when nobody in particular is meant
 * @example correctionLadder('dumped') // ['Straw, even sound', 'Shorter exhale', 'One step easier, or let it be for today']
 */
export function correctionLadder(
  fault: FaultId,
  may: (asks: readonly Component[]) => boolean = () => true,
): readonly [string, string, string] {
  const { correction, fallback }: Fault = faults[fault];
  const first = (list: readonly Remedy[]) => (list.find(({ asks }) => may(asks)) ?? list.at(-1)!).words;
  return [first(correction), first(fallback), lastResort];
}

export type FaultId = keyof typeof faults;
export const faultIds = Object.keys(faults) as [FaultId, ...FaultId[]];
