import { join } from 'node:path';
import { build } from 'esbuild';

let made: Promise<string> | null = null;

/**
 * The script of the page for the phone, bundled once from the same functions the app itself counts with, so that a code is written and
 * read, and a breath paced, in one way only.
 */
export function phoneScript(): Promise<string> {
  made ??= build({
    entryPoints: [join(process.cwd(), 'src', 'phone', 'phone.ts')],
    tsconfig: join(process.cwd(), 'tsconfig.json'),
    bundle: true,
    minify: true,
    write: false,
    format: 'iife',
    target: 'es2020',
    charset: 'utf8',
    legalComments: 'none',
  }).then(
    // What ends a script element must not stand in it.
    ({ outputFiles }) => outputFiles[0]!.text.replace(/<\/script/gi, '<\\/script'),
    (error: unknown) => {
      made = null;
      throw error;
    },
  );
  return made;
}
