import { build } from 'esbuild';
import { root } from './lib.mjs';

/** TypeScript, with what it reads of the sources, as a few files that Node runs as they are; packages stay packages. */
export const plainScript = {
  absWorkingDir: root,
  outExtension: { '.js': '.mjs' },
  bundle: true,
  // What several have in common is kept once, and what one asks for late is read late.
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  logLevel: 'error',
};

export const bundle = (entryPoints, outdir, more = {}) =>
  build({ ...plainScript, entryPoints, outdir, entryNames: '[name]', ...more });
