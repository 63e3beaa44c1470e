/** Opens the coach's own studio. */
import { build, install, serve } from './lib.mjs';

await install();
build();
serve({ studio: 'own' });
