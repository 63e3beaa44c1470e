export { idOf, newId } from './ids';
export {
  type Refused,
  dropRefused,
  keep,
  onOutcome,
  refusedEntries,
  send,
  sendAgain,
  setWriter,
  waitingCount,
  waitingPayloads,
  wasOvertaken,
} from './outbox';
export { useFlushing, useKeep, useKeepState, useMounted, usePresent, useSaid } from './useKeep';
export { type Told, askAccess } from './access';
export { isPresent, onShut } from './presence';
