/** Opens the demo studio: installs, builds, migrates, loads made-up people, starts. `--fresh` loads it anew. */
import { build, install, must, serve } from './lib.mjs';

await install();
build();
must(process.execPath, ['scripts/run.mjs', 'demo/load.ts', ...process.argv.slice(2)]);
serve({ studio: 'demo' });
