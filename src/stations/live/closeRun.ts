import { newId, send } from '@/keep';

/** Ends a run that was left open, with what was done in it. */
export const closeRun = (runId: string, nextSeq: number) =>
  send('run.append', {
    runId,
    events: [{ id: newId(), seq: nextSeq, atEpochMs: Date.now(), event: { type: 'end', why: 'closed later' } }],
  });
