/** Opens the demo studio: installs, builds, migrates, loads made-up people, starts. `--fresh` loads it anew. */
import { bin, build, host, install, must, port, serve } from './lib.mjs';

await install();
build();
must(bin('tsx'), ['demo/load.ts', ...process.argv.slice(2)]);
console.log(`\nKokyu: the demo studio at http://${host}:${port}\n`);
serve({ studio: 'demo', port, host });
