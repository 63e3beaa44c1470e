import { type DrillLoad, movementOf } from '../load';

/** How a drill moves besides the breath; the figure has a second pose for each. */
export const movementIds = [
  'none',
  'bridge',
  'march',
  'heelSlide',
  'sideBend',
  'sideReach',
  'headTurn',
  'nod',
  'pelvicRock',
  'pelvicClock',
  'rockBack',
  'armsOpen',
  'armsUp',
  'chestLift',
  'forwardFold',
  'kneesFloat',
  'hipsLift',
  'headLift',
  'squat',
  'hinge',
  'press',
  'row',
  'chairRise',
  'legOut',
  'heelDrag',
  'handsPress',
  'elbowsLeave',
  'step',
] as const;
export type MovementId = (typeof movementIds)[number];

/** What a movement is called in a lane of the score and on a drill's page. */
export const movementWords: Readonly<Record<MovementId, string>> = {
  none: 'still',
  bridge: 'hips lift and lower',
  march: 'one foot leaves',
  heelSlide: 'heel slides out',
  sideBend: 'bend to the side',
  sideReach: 'reach to the side',
  headTurn: 'head turns',
  nod: 'head nods',
  pelvicRock: 'pelvis rocks',
  pelvicClock: 'pelvis goes round',
  rockBack: 'rock to the heels',
  armsOpen: 'arms open, close',
  armsUp: 'arms rise, sink',
  chestLift: 'breastbone lifts',
  forwardFold: 'fold forward',
  kneesFloat: 'knees float',
  hipsLift: 'hips lift',
  headLift: 'head and hands lift',
  squat: 'squat',
  hinge: 'hinge at the hips',
  press: 'press overhead',
  row: 'row',
  chairRise: 'rise, sit',
  legOut: 'one leg out, rock',
  heelDrag: 'heels drag down',
  handsPress: 'hands press down',
  elbowsLeave: 'elbows leave the wall',
  step: 'steps',
};

/**
 * How a drill moves, in words: a loaded one by the words of its own movement.
 *
 * @example movementInWords(findDrill('quiet-nose')!) // 'still'
 */
export const movementInWords = ({ movement, load }: { movement: MovementId; load: DrillLoad | null }): string =>
  movement === 'none' && load
    ? movementOf(load)
        .parts.map(({ name }) => name)
        .join(', ')
    : movementWords[movement];
