/**
 * Runs a script written in TypeScript: `node scripts/run.mjs scripts/backup.ts --daily`. All of it is put into one file first, which takes a
 * fifth of a second; read one by one, the hundreds of files of store and core take four.
 */
import { rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundle } from './bundle.mjs';
import { root } from './lib.mjs';

const script = resolve(root, process.argv[2] ?? '');
// Where packages are found from; other runs may be under way beside it.
const folder = join(root, 'node_modules', '.cache', 'kokyu', `run-${process.pid}`);
process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
process.setSourceMapsEnabled(true);
await bundle([script], folder, { entryNames: 'main', sourcemap: 'inline' });
// It reads its arguments as if it had been started by itself.
process.argv.splice(1, 2, script);
await import(pathToFileURL(join(folder, 'main.mjs')).href);
