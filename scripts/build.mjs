/** Builds the app, its door, and what the server has done by processes of their own, as plain script: nothing that runs needs a compiler. */
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { compileAhead } from './compileAhead.mjs';
import { bin, must, ofDoor, root } from './lib.mjs';

must(bin('next'), ['build']);
compileAhead(join(root, '.next', 'static', 'chunks'));
await bundle(ofDoor, join(root, '.next', 'door'));
