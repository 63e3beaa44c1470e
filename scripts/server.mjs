/** The server process: the app behind its door, as built. `--dev` for developers, from the sources as they are. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ofDoor, root } from './lib.mjs';

process.chdir(root);
const dev = process.argv.includes('--dev');
process.env.NODE_ENV = dev ? 'development' : 'production';
process.env.NEXT_TELEMETRY_DISABLED = '1';
const door = join(root, '.next', 'door', 'main.mjs');
const ofDev = join(root, '.next', 'dev-door', 'main.mjs');
if (!dev && !existsSync(door)) {
  console.error('Nothing is built yet: npm run build does it.');
  process.exit(1);
}
if (dev) await fromSources();
const { main } = await import(pathToFileURL(dev ? ofDev : door).href);
await main(root, { dev });

/** What a server has done by processes of their own lies where a built one has it. */
async function fromSources() {
  const { bundle } = await import('./bundle.mjs');
  const [, ...others] = ofDoor;
  await Promise.all([bundle(others, dirname(door)), bundle(['src/door/main.ts'], dirname(ofDev))]);
}
