/**
 * Runs a script written in TypeScript: `node scripts/run.mjs scripts/backup.ts --daily`. All of it is put into one file first, which takes a
 * fifth of a second; read one by one, the hundreds of files of store and core take one to four seconds.
 */
import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundle } from './bundle.mjs';
import { root } from './lib.mjs';

const script = resolve(root, process.argv[2] ?? '');
// Where packages are found from; other runs may be under way beside it, and what was killed has left its own behind.
const runs = join(root, 'node_modules', '.cache', 'kokyu', 'runs');
for (const pid of existsSync(runs) ? readdirSync(runs) : []) if (!isThere(Number(pid))) clear(pid);
process.once('exit', () => clear(String(process.pid)));
process.setSourceMapsEnabled(true);
await bundle([script], join(runs, String(process.pid)), { entryNames: 'main', sourcemap: 'inline' });
// It reads its arguments as if it had been started by itself.
process.argv.splice(1, 2, script);
await import(pathToFileURL(join(runs, String(process.pid), 'main.mjs')).href);

function clear(pid) {
  rmSync(join(runs, pid), { recursive: true, force: true });
}

function isThere(pid) {
  try {
    return process.kill(pid, 0);
  } catch (error) {
    return error.code === 'EPERM';
  }
}
