export {
  type KeepState,
  type Refused,
  dropRefused,
  keep,
  newId,
  onOutcome,
  refusedEntries,
  send,
  sendAgain,
  waitingPayloads,
} from './outbox';
export { useFlushing, useKeep, useKeepState, useMounted, useSaid } from './useKeep';
