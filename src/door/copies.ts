import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';

/** The first copy is asked for this long after the start, so that nobody waits for it; then it is asked every hour whether today has one. */
const firstMs = Number(process.env.KOKYU_COPY_AFTER ?? 300) * 1000;
const everyMs = 3_600_000;
/** What makes a copy, as it was built with the server. */
const built = [join('.next', 'door', 'backup.mjs')];

/**
 * Has the studio copied once a day, in a process of its own at a low priority: a run is never held up, and what goes wrong in it ends only
 * it. The demo is laid anew and has no copies.
 *
 * @param copier what Node is given to make one
 * @returns stops asking, and a copy that is under way
 */
export function keepCopies(dir: string, copier: readonly string[] = built): () => void {
  if (process.env.KOKYU_STUDIO === 'demo') return () => undefined;
  let underway: ChildProcess | null = null;
  const ask = () => {
    if (underway) return;
    underway = spawn(process.execPath, [...copier, '--daily'], {
      cwd: dir,
      env: { ...process.env },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    underway.once('exit', () => (underway = null));
    underway.once('error', () => (underway = null));
  };
  const first = setTimeout(ask, firstMs);
  const every = setInterval(ask, everyMs);
  first.unref();
  every.unref();
  return () => {
    clearTimeout(first);
    clearInterval(every);
    underway?.kill();
  };
}
