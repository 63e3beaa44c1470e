import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

/** The client's own page and the first one of a new client are waited for; a live screen goes on without the server, with all it may need. */
const others: Readonly<Record<string, number>> = { '/client-window': 180, '/clients/new': 180, '/run/[runId]': 290 };

/** What a page may make a browser load before it works, in kB as sent. */
export const mostKb = (route: string): number => others[route] ?? 260;

const weights = new Map<string, number>();
const weightOf = (script: string): number => {
  const known = weights.get(script) ?? gzipSync(readFileSync(join('.next', script))).length;
  weights.set(script, known);
  return known;
};

/** The scripts of a page, packed, in kB; the ones that only browsers of long ago load are left out. */
export function firstLoadKb(html: string): number {
  const scripts = [...html.matchAll(/<script\b([^>]*)>/g)]
    .map(([, attributes]) => attributes!)
    .filter((attributes) => !/nomodule/i.test(attributes))
    .flatMap((attributes) => /src="\/_next(\/static\/[^"?]+\.js)/.exec(attributes)?.[1] ?? []);
  return [...new Set(scripts)].reduce((sum, script) => sum + weightOf(script), 0) / 1000;
}
