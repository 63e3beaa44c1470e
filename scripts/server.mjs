/** The server process: the app behind its door. `--dev` for developers. */
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { tsImport } from 'tsx/esm/api';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
process.chdir(root);
const dev = process.argv.includes('--dev');
process.env.NODE_ENV = dev ? 'development' : 'production';
process.env.NEXT_TELEMETRY_DISABLED = '1';
const { main } = await tsImport('../src/door/main.ts', import.meta.url);
await main(root, { dev });
