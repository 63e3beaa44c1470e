export { type KeepState, dropRefused, keep, newId, onOutcome, refusedEntries, waitingPayloads } from './outbox';
export { useFlushing, useKeepState } from './useKeep';
