import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ImportFault, StoreError, type Staging, isDiskTrouble, storePath } from '@/store';

/** Where files on their way out and in lie: for minutes, and cleared away at every start. */
export const passingFolder = () => join(dirname(storePath()), 'passing');

export const newPassing = (ending: string) => {
  const id = randomUUID();
  return { id, path: join(passingFolder(), `${id}${ending}`) };
};

/** Nobody came for it: gone after this long. */
const keptMs = 30 * 60_000;

/** One file at a time is on its way in; whoever brings another has given up the one before. */
interface Waiting {
  id: string;
  staging: Staging;
  upload: string;
  timer: ReturnType<typeof setTimeout>;
}
const held = globalThis as { kokyuWaiting?: Waiting | undefined };

export function dropWaiting() {
  const waiting = held.kokyuWaiting;
  if (!waiting) return;
  clearTimeout(waiting.timer);
  held.kokyuWaiting = undefined;
  waiting.staging.close();
  rmSync(waiting.upload, { force: true });
}

export function keepWaiting(id: string, staging: Staging, upload: string) {
  dropWaiting();
  const timer = setTimeout(dropWaiting, keptMs);
  timer.unref();
  held.kokyuWaiting = { id, staging, upload, timer };
}

export const waitingFor = (id: string): Staging | null =>
  held.kokyuWaiting?.id === id ? held.kokyuWaiting.staging : null;

export function dropLater(path: string) {
  setTimeout(() => rmSync(path, { force: true }), keptMs).unref();
}

/** What went wrong with a file, for whoever waits for it: one sentence, and nothing of the inside. */
export function fileWords(error: unknown): string {
  if (error instanceof ImportFault || error instanceof StoreError) return error.message;
  if (isDiskTrouble(error)) return 'The disk did not take it. Make room on it and try again.';
  if ((error as { name?: string }).name === 'AbortError') return 'It was given up.';
  console.error(error);
  return 'The server failed on this. Nothing was changed.';
}
