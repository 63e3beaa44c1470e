import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Asks a browser that knows it to compile a whole script beside the page while it comes, not piece by piece in the page as it runs. */
const ahead = '//# allFunctionsCalledOnLoad\n';

/**
 * Marks every script of a folder. What a page loads it runs: it listens sooner, and what was compiled is whole when the browser keeps
 * it for the next visit. A script with a map is left as it is, whose lines the map counts.
 */
export function compileAhead(folder) {
  for (const name of readdirSync(folder).filter((one) => one.endsWith('.js'))) {
    const path = join(folder, name);
    const code = readFileSync(path, 'utf8');
    if (!code.startsWith(ahead) && !code.includes('\n//# sourceMappingURL=')) writeFileSync(path, ahead + code);
  }
}
