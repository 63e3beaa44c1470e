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
export { type Lift, type LiftBreath, type StoredLift, liftBreaths, liftSchema } from './lift';
export { liftInWords, liftsOver } from './liftWords';
export { type Movement, findMovement, loadMovements } from './movements';
export { type WeightUnit, inUnit, kgOf, loadsOf, mostRepetitions, nearestBelow } from './repMax';
export { strategies } from './strategy';
export { breathInWords, partInWords, saidOf } from './words';
export { lighterThan, partAt, repetitionOf, wayOf } from './repetition';
export {
  type DrillLoad,
  type OwnMovement,
  asOwn,
  componentsFrom,
  drillLoadSchema,
  goesBy,
  goneTo,
  groundIds,
  handsLoaded,
  humanRange,
  movementOf,
  stanceFaults,
} from './schema';
