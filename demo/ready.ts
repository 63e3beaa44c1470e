import { copyFileSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { openStore } from '@/store';
import { loadDemo } from './load';

/**
 * Puts the demo studio where a test wants it, in a file that nobody has open. Loading it takes seconds: `npm test` does it once, and says
 * in `KOKYU_DEMO` where.
 */
export function demoAt(path: string): void {
  mkdirSync(dirname(path), { recursive: true });
  if (process.env.KOKYU_DEMO) return copyFileSync(process.env.KOKYU_DEMO, path);
  const store = openStore(path);
  loadDemo(store, Date.now());
  store.$client.close();
}
