import { type Moves } from './loaded';
import { type FigureSpec } from './spec';

const byMovement: Readonly<Record<NonNullable<FigureSpec['movement']>, Moves>> = {
  none: 'not',
  bridge: 'out',
  march: 'out',
  heelSlide: 'out',
  // A bend and a reach are gone into once, and breathed in.
  sideBend: 'not',
  sideReach: 'not',
  headTurn: 'out',
  nod: 'out',
  pelvicRock: 'not',
  pelvicClock: 'not',
  rockBack: 'in',
  armsOpen: 'in',
  armsUp: 'in',
  chestLift: 'in',
  forwardFold: 'not',
  kneesFloat: 'out',
  hipsLift: 'out',
  headLift: 'out',
  squat: 'in',
  hinge: 'in',
  press: 'in',
  row: 'in',
  chairRise: 'out',
  legOut: 'in',
  heelDrag: 'not',
  handsPress: 'not',
  elbowsLeave: 'not',
  step: 'not',
};

const bands = ['band', 'towel', 'freeBand'];

/**
 * When a figure's movement goes to its end. Common practice, no published source.
 *
 * @example movesOn({ position: 'bridge', movement: 'bridge' }) // 'out'
 * @example movesOn({ position: 'sitting', movement: 'armsOpen', props: ['towel'] }) // 'out'
 */
export function movesOn({ position, movement = 'none', props = [], loaded }: FigureSpec): Moves {
  if (loaded) return loaded.moves;
  // Hands on a band drift together as it fills, and apart again.
  if (movement === 'armsOpen' && props.some((prop) => bands.includes(prop)) && position !== 'side-lying') return 'out';
  if (movement === 'sideBend' && position === 'loaded stand') return 'in';
  return byMovement[movement];
}
