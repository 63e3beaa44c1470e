import { existsSync, readdirSync } from 'node:fs';
import { type BuildOptions, buildSync } from 'esbuild';
import { plainScript } from '../../scripts/bundle.mjs';

const doors = readdirSync('src/core')
  .map((room) => ({ in: `src/core/${room}/index.ts`, out: room }))
  .filter((door) => existsSync(door.in));

/** Puts the core, which tests ask what is right, into a few files: read one by one, its hundreds take the runner and each worker seconds. */
export const bundleCore = () =>
  buildSync({
    ...(plainScript as BuildOptions),
    entryPoints: doors,
    outdir: 'node_modules/.cache/kokyu/core',
    sourcemap: 'inline',
  });
