export { type AccessAsk, type Asked, accessAskNames, accessAsks, asksOf } from './asks';
export { type Care, type Role, wantsAt } from './places';
export { type Tries, afterFailure, waitMs } from './slow';
export { type Standing, standingOf, usualLockMinutes } from './standing';
export { nameKey, passphraseLetters, passphraseSchema, plainCode, recoveryCode } from './words';
