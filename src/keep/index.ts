export { idOf, newId } from './ids';
export {
  type Refused,
  dropRefused,
  keep,
  onOutcome,
  refusedEntries,
  send,
  sendAgain,
  waitingPayloads,
  wasOvertaken,
} from './outbox';
export { useFlushing, useKeep, useKeepState, useMounted, useSaid } from './useKeep';
