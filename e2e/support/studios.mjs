/** The server as built, for tests: it can be told to go on with the studio of another folder, so that one server does for many. */
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
process.chdir(root);
process.env.NODE_ENV = 'production';
// Each studio that is opened asks to be closed at the end.
process.setMaxListeners(0);
process.on('message', (folder) => {
  globalThis.kokyuStore?.$client.close();
  delete globalThis.kokyuStore;
  process.env.KOKYU_DATA = folder;
  process.send(folder);
});
// It is of use to its worker alone.
process.on('disconnect', () => process.exit());
const { main } = await import(pathToFileURL(join(root, '.next', 'door', 'main.mjs')).href);
await main(root);
