export { asker, askerOf, onBehalfOf, theStore } from './asker';
export {
  AccessRefusal,
  addCoach,
  anotherCode,
  carersOf,
  changePassphrase,
  coachBy,
  coachesOf,
  endCoach,
  handOver,
  hasCoaches,
  isTheirs,
  mayGive,
  mustChange,
  recover,
  setUp,
  share,
  unshare,
} from './coaches';
export {
  type Session,
  beginSession,
  endSession,
  lockSession,
  seen,
  sessionBy,
  sessionsOf,
  unlockSession,
} from './sessions';
export { brokenAt, note, noteHere, noteOpened, trailOf, trailState } from './trail';
export { checkInBy, checkInOf, endCheckIns, makeCheckIn, tellCheckIn } from './checkIns';
export { type Pair, claimPair, endPairs, makePair, pairBy, pairsOf, runFor } from './pairs';
export { type Asker } from './who';
