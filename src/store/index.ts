export { ownEntries } from './ownBreath';
export { type OwnDrill, type StoredTemplate, faultsBefore, historyOf, ownDrillsOf, templatesOf } from './catalogue';
export { StoreError, type StudioKind, type Store, openStore, storePath, studioKind, theStore } from './open';
export { carryOut, latestRate, pathOf } from './commands';
export {
  type AppointmentRow,
  type ClientRow,
  appointmentsBetween,
  countClients,
  factsOf,
  findClient,
  knownClientOf,
  knownClientsOf,
  openVisits,
  recentClients,
  searchClients,
} from './clients';
export { readPhoto, writePhoto } from './photos';
export { readSettings } from './settings';
export {
  type OpenRun,
  findRun,
  findVisit,
  openRuns,
  lastVisits,
  looksOf,
  stoppedDrills,
  visitOfDay,
  visitRecord,
  visitsOf,
} from './visits';
