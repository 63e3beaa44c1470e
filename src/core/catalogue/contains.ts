import { naturalPauseSeconds } from '../dose';
import { componentsUnder, movementOf } from '../load';
import { type Component } from '../safety';
import { type AxisId, type StanceOf } from '../schools';
import { props } from './props';
import { type MovementId } from './movements';
import { type Drill } from './schema';

/** What a movement asks of a body. */
const ofMovement: Readonly<Partial<Record<MovementId, readonly Component[]>>> = {
  bridge: ['bridge', 'effort'],
  march: ['march', 'effort'],
  sideBend: ['sideBend'],
  sideReach: ['sideBend'],
  headTurn: ['headTurn'],
  nod: ['headTurn'],
  armsUp: ['armsOverhead'],
  forwardFold: ['loadedRounding', 'headLow', 'fastChange'],
  kneesFloat: ['effort'],
  hipsLift: ['effort'],
  headLift: ['effort'],
  squat: ['effort'],
  hinge: ['effort'],
  press: ['armsOverhead', 'effort'],
  row: ['effort'],
  chairRise: ['effort', 'fastChange'],
  legOut: ['wideKnees'],
};

type StanceName = { [A in AxisId]: `${A}: ${StanceOf<A>}` }[AxisId];

/** What a stance contains, by axis and stance. */
const ofStance: Readonly<Partial<Record<StanceName, readonly Component[]>>> = {
  'pelvicFloor: gentle lift on exhale': ['floorLift'],
  'pelvicFloor: light hold through breaths': ['floorLift', 'strongFloor'],
  'abdominalStrategy: drawn-in hollow': ['hardBrace'],
  'inhale: as full as possible': ['fullLung', 'deepBreath'],
  'exhaleRoute: balloon': ['balloon', 'forcedExhale'],
  'bandLevel: waist': ['bellyBand'],
  'bandLevel: lower ribs': ['ribPressure'],
  'bandLevel: under the chest': ['ribPressure'],
  'hold: calm after exhale': ['hold'],
  'hold: after full inhale': ['hold'],
  'ribsOnExhale: actively brought down and in': ['flare'],
};

/** A cycle this short is fast breathing: twenty a minute or more. Common practice. */
export const fastCycleSeconds = 3;

/** A stay this long is a long one, and an effort over which breath is easily held. Common practice, ours. */
const longStaySeconds = 10;

/** From here on an inhale is a long, large one. Common practice, ours. */
const deepInhaleSeconds = 5;

/** The few things that a past collapsed lung leaves open until a clinician has cleared more. Common practice, ours. */
const quietDrills = ['resting-watch', 'quiet-nose', 'two-hand-belly', 'propped-wide'];

/** Whether a drill pauses for longer than naturally as it is written. */
export const pauses = ({ breath }: Drill): boolean =>
  breath.kind === 'steady' && Math.max(breath.topPause.start, breath.bottomPause.start) > naturalPauseSeconds;

/**
 * Everything a drill contains that may be gated, whatever position it is done in: what follows from its movement, its
 * stances, its breath and its props, and what it is tagged with because nothing shows it.
 *
 * @example componentsOf(findDrill('side-bend-open')!) // ['sideBend', 'unquiet']
 */
export function componentsOf(drill: Drill): Component[] {
  const known = remembered.get(drill);
  if (known) return known;
  const found = new Set<Component>(drill.components);
  const add = (list: readonly Component[] = []) => list.forEach((component) => found.add(component));
  add(ofMovement[drill.movement]);
  if (drill.load) add(componentsUnder(movementOf(drill.load), drill.load.kg));
  for (const [axis, stance] of Object.entries(drill.stances)) add(ofStance[`${axis}: ${stance.stance}` as StanceName]);
  for (const prop of drill.props) add(ownOf(prop));
  const { breath } = drill;
  const shortest =
    breath.kind === 'ladder'
      ? Math.min(...breath.rungs.map(({ inhaleSeconds, exhaleSeconds }) => inhaleSeconds + exhaleSeconds))
      : breath.inhale.start + breath.exhale.start;
  if (shortest <= fastCycleSeconds) found.add('fastBreath');
  if (breath.kind === 'steady' && breath.inhale.start >= deepInhaleSeconds) found.add('deepBreath');
  if (pauses(drill)) found.add('hold');
  if (drill.stay && drill.stay.start >= longStaySeconds) add(['longStay', 'strain']);
  if (drill.movement === 'sideBend' && drill.props.includes('weight')) found.add('loadedSideBend');
  if (!quietDrills.includes(drill.id)) found.add('unquiet');
  const all = [...found];
  remembered.set(drill, all);
  return all;
}

/** What a prop brings that no substitute for it takes away; latex goes with the very band that is used. */
const ownOf = (prop: Drill['props'][number]): readonly Component[] =>
  (props[prop].components as readonly Component[]).filter((component) => component !== 'latex');

const remembered = new WeakMap<Drill, Component[]>();
