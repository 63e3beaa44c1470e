export { type Carried, carryOut, carryOutAll, isDiskTrouble } from './commands';
export {
  type OwnDrill,
  type StoredTemplate,
  faultsBefore,
  historyAndFaults,
  historyOf,
  ownDrillsOf,
  templatesOf,
} from './catalogue';
export {
  type ClientRow,
  type OpenVisit,
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
} from './clients';
export {
  bookingsBetween,
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
  type StudioKind,
  backup,
  backupNote,
  backupsIn,
  backupsOf,
  clearStudio,
  openStore,
  placeNow,
  restore,
  storePath,
  studioKind,
  theStore,
  toldAtOpening,
} from './file';
export { ownEntries } from './ownBreath';
export { cautionsSeenOf, countsOf, gatesOf, pathOf } from './people';
export { type Prepared, dropDraft, mostPixels, preparePhoto, readPhoto, sweepDrafts } from './photos';
export { notSetAside, rawRecord, readableTables, setAsideRecords } from './records';
export { type Unreadable } from './rows';
export { type OpenRun, digestsOf, findRun, openRuns, stoppedDrills, stoppedDrillsOf } from './runs';
export { readSettings } from './settings';
export {
  allVisitsOfDay,
  findVisit,
  lastVisits,
  looksOf,
  looksOfClient,
  planOf,
  plansOf,
  visitOfDay,
  visitRecord,
  visitsOf,
  visitsOfDay,
} from './visits';
