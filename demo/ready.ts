import { copyFileSync, mkdirSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { openStore } from '@/store';
import { loadDemo } from './load';

/**
 * Puts the demo studio where a test wants it, in a file that nobody has open. Loading it takes seconds: `npm test` does it once, and says
 * in `KOKYU_DEMO` where.
 *
 * @returns when it was loaded: its people come on that day
 */
export function demoAt(path: string): number {
  mkdirSync(dirname(path), { recursive: true });
  const ready = process.env.KOKYU_DEMO;
  if (ready) {
    copyFileSync(ready, path);
    return statSync(ready).mtimeMs;
  }
  const now = Date.now();
  const store = openStore(path);
  loadDemo(store, now);
  store.$client.close();
  return now;
}
