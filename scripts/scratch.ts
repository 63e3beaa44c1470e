import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * A folder for one test's studio. In memory where there is such a place: the store waits for the disk with every command, and a
 * test that starts fifty studios would wait for nothing else.
 */
export const scratchFolder = (name: string): string =>
  mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), `kokyu-${name}-`));
