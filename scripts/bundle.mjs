import { build } from 'esbuild';
import { root } from './lib.mjs';

/** Puts scripts written in TypeScript, with what they read of the sources, into a few files that Node runs as they are; packages stay packages. */
export const bundle = (entryPoints, outdir, more = {}) =>
  build({
    absWorkingDir: root,
    entryPoints,
    outdir,
    entryNames: '[name]',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    // What several have in common is kept once, and what one asks for late is read late.
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    packages: 'external',
    logLevel: 'error',
    ...more,
  });
