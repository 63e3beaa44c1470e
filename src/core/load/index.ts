export {
  type LoadAnswer,
  type LoadAsked,
  componentsUnder,
  loadAnswer,
  loadFaults,
  mostInSet,
  setTotals,
} from './answer';
export { type PartBreath } from './breath';
export { type Stance } from './mechanics';
export { type LiftBreath, liftBreaths } from './lift';
export { type Lift, type StoredLift, liftSchema } from './liftSchema';
export { liftInWords, liftsOver } from './liftWords';
export { type Movement, findMovement, loadMovements } from './movements';
export { type WeightUnit, inUnit, kgOf, loadsOf, mostRepetitions, nearestBelow } from './repMax';
export { strategies } from './strategy';
export { breathInWords, partInWords, saidOf } from './words';
export { lighterThan, partAt, repetitionOf, wayOf } from './repetition';
export { asOwn, componentsFrom, goesBy, goneTo, movementOf, stanceFaults } from './ownMovement';
export { type DrillLoad, type OwnMovement, drillLoadSchema } from './schema';
export { groundIds, handsLoaded, humanRange } from './stances';
