export { type LoadAnswer, type LoadAsked, loadAnswer, loadFaults, mostInSet, setTotals } from './answer';
export { type PartBreath } from './breath';
export { type Lift, type LiftBreath, type StoredLift, liftBreaths, liftSchema } from './lift';
export { liftInWords, liftsOver } from './liftWords';
export { type Movement, findMovement, loadMovements } from './movements';
export { type WeightUnit, inUnit, kgOf, loadsOf, nearestBelow } from './repMax';
export { strategies } from './strategy';
export { breathInWords, partInWords } from './words';
