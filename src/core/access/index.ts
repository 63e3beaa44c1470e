export { type AccessAsk, type Asked, type PairKind, accessAskNames, accessAsks, asksOf, pairKinds } from './asks';
export { type Care, type Role, wantsAt } from './places';
export { type Tries, afterFailure, waitMs } from './slow';
export { type Standing, codeWithinMs, pairedForMs, standingOf, usualLockMinutes } from './standing';
export { nameKey, passphraseLetters, passphraseSchema, plainCode, recoveryCode } from './words';
