import { readFileSync } from 'node:fs';

/** What a process holds, in MB: `resident` with the pages of its files, `own` without them. */
export function memoryOf(pid: number): { resident: number; own: number } {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  const of = (name: string) => Number(new RegExp(`${name}:\\s+(\\d+)`).exec(status)?.[1] ?? 0) / 1024;
  return { resident: of('VmRSS'), own: of('RssAnon') };
}
