/** The server process: the app behind its door, as built. `--dev` for developers, from the sources as they are. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
process.chdir(root);
const dev = process.argv.includes('--dev');
process.env.NODE_ENV = dev ? 'development' : 'production';
process.env.NEXT_TELEMETRY_DISABLED = '1';
const door = join(root, '.next', 'door', 'main.mjs');
if (!dev && !existsSync(door)) {
  console.error('Nothing is built yet: npm run build does it.');
  process.exit(1);
}
const { main } = await (dev ? fromSources() : import(pathToFileURL(door).href));
await main(root, { dev });

async function fromSources() {
  const { tsImport } = await import('tsx/esm/api');
  return tsImport('../src/door/main.ts', import.meta.url);
}
