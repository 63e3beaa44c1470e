export {
  AccessRefusal,
  type Asker,
  type Session,
  addCoach,
  anotherCode,
  asker,
  askerOf,
  beginSession,
  brokenAt,
  carersOf,
  checkInBy,
  checkInOf,
  changePassphrase,
  coachBy,
  coachesOf,
  endCheckIns,
  endCoach,
  endSession,
  handOver,
  hasCoaches,
  isTheirs,
  lockSession,
  makeCheckIn,
  mayGive,
  noteOpened,
  onBehalfOf,
  recover,
  seen,
  sessionBy,
  sessionsOf,
  setUp,
  share,
  tellCheckIn,
  theStore,
  trailOf,
  unlockSession,
  unshare,
} from './access';
export { carryOut, carryOutAll, isDiskTrouble } from './commands';
export { handedHomesOf, homeOf, returnsOf } from './home';
export { faultsBefore, historyAndFaults, historyOf, ownDrillsOf, templatesOf } from './catalogue';
export {
  awaySince,
  countClients,
  consentOn,
  countFacts,
  factsOf,
  findClient,
  knownClientOf,
  knownClientsOf,
  openVisits,
  recentClients,
  searchClients,
  silentSince,
  toldFactsOf,
} from './clients';
export {
  bookingsBetween,
  bookingsOfClient,
  bookingsOff,
  homeToldOf,
  lookedAtBetween,
  nextBookings,
  nextNotesOf,
  unsignedVisits,
  waitingList,
} from './diary';
export {
  FileGone,
  StoreError,
  type Store,
  backup,
  backupNote,
  backupsIn,
  backupsOf,
  copiesOf,
  copyFailed,
  copyOfDay,
  clearStudio,
  openStore,
  placeNow,
  restore,
  storePath,
  studioKind,
  toldAtOpening,
  wholeStore,
} from './file';
export { liftsOf } from './lifts';
export { ownEntries } from './ownBreath';
export { cautionsSeenOf, gatesOf } from './people';
export { type Prepared, dropDraft, preparePhoto, readPhoto, sweepDrafts } from './photos';
export { notSetAside, rawRecord, readableTables, setAsideRecords } from './records';
export { type Unreadable } from './rows';
export { helpedSeen, visitDigestsOf, findRun, openRuns, stopSymptomsOf, stoppedDrills, stoppedDrillsOf } from './runs';
export { readSettings } from './settings';
export {
  allVisitsOfDay,
  findVisit,
  lastVisits,
  judgementsOf,
  looksOf,
  looksOfClient,
  planOf,
  plansOf,
  readingsOf,
  visitOfDay,
  visitRecord,
  visitsOf,
  visitsOfDay,
  noteOf,
} from './visits';
export { belonging, everythingOf, picturesOf } from './belonging';
