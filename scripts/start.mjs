/** Opens the coach's own studio. */
import { build, host, install, port, serve } from './lib.mjs';

await install();
build();
console.log(`\nKokyu: your studio at http://${host}:${port}\n`);
serve({ studio: 'own', port, host });
