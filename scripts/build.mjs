/** Builds the app, and its door as plain script: a server needs no compiler of its own to start. */
import { join } from 'node:path';
import { build } from 'esbuild';
import { bin, must, root } from './lib.mjs';

must(bin('next'), ['build']);
await build({
  absWorkingDir: root,
  entryPoints: ['src/door/main.ts'],
  outdir: join(root, '.next', 'door'),
  outExtension: { '.js': '.mjs' },
  bundle: true,
  // What only TLS needs is read only for it.
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
});
