import { existsSync, readdirSync } from 'node:fs';
import { buildSync } from 'esbuild';

const doors = readdirSync('src/core')
  .map((room) => ({ in: `src/core/${room}/index.ts`, out: room }))
  .filter((door) => existsSync(door.in));

/** Puts the core, which tests ask what is right, into a few files: read one by one, its hundreds take the runner and each worker seconds. */
export const bundleCore = () =>
  buildSync({
    entryPoints: doors,
    outdir: 'node_modules/.cache/kokyu/core',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    sourcemap: 'inline',
  });
