import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { copiesOf, storePath, studioKind } from '@/store';
import { answer } from '../answer';
import { isSameOrigin } from '../sameOrigin';

let underway: Promise<{ code: number | null; words: string }> | null = null;

/** A copy on demand, made by a process of its own: whoever is being coached meanwhile is not held up. One at a time. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Copies are made from Kokyu’s own pages only.' }, 403);
  underway ??= copyNow().finally(() => (underway = null));
  const { code, words } = await underway;
  if (code !== 0) return answer({ why: words.trim() || 'The copy was not made.' }, 503);
  return answer({ words: `${words.trim()}.`, copies: copiesOf(storePath()).length });
}

const copyNow = () =>
  new Promise<{ code: number | null; words: string }>((resolve) => {
    // Where it lies is on the page already.
    const args = [join('.next', 'door', 'backup.mjs'), '--for-a-page'];
    const child = spawn(process.execPath, studioKind() === 'demo' ? [...args, '--demo'] : args, { cwd: process.cwd() });
    let words = '';
    child.stdout.on('data', (data) => (words += String(data)));
    child.stderr.on('data', (data) => (words += String(data)));
    child.once('error', (error) => resolve({ code: 1, words: error.message }));
    child.once('close', (code) => resolve({ code, words }));
  });
