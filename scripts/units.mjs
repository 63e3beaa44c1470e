/**
 * The unit tests. All of them means as many runs as there are hands: what the files load is compiled, and grows quick, once for each run and
 * not once for every file, which halves the time. A file that changes what others stand on has a run of its own, as has what is named.
 */
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import config from '../jest.config.mjs';
import { bin, root } from './lib.mjs';

/** Of what can’t share a run: another thing in a module’s place. */
const standsAlone = /jest\.(mock|resetModules|isolateModules)\(/;
const asksForPage = /@jest-environment jsdom/;

/** A file that breaks as it is loaded is one failed test, and takes none of the others with it. */
const load = `
const load = (name, path) =>
  describe(name, () => {
    try {
      require(path);
    } catch (error) {
      test('is loaded', () => { throw error; });
    }
  });
`;

/** What draws sets itself up with the first that asks for it: here, for all of them. */
const page = `/** @jest-environment jsdom */
require('@testing-library/react');
`;

const flags = process.argv.slice(2);
const named = flags.some((flag) => !flag.startsWith('-'));
const { status } = spawnSync(bin('jest'), named ? flags : [...flags, '--config', JSON.stringify(together())], {
  cwd: root,
  stdio: 'inherit',
});
process.exit(status ?? 1);

/** How all files are run: written as a few that load the others, then those that stay alone. */
function together() {
  const files = config.roots
    .map((folder) => folder.replace('<rootDir>/', ''))
    .flatMap((folder) => readdirSync(join(root, folder), { recursive: true }).map((name) => join(folder, name)))
    .filter((name) => /\.test\.tsx?$/.test(name))
    .sort();
  const texts = new Map(files.map((name) => [name, readFileSync(join(root, name), 'utf8')]));
  const has = (mark) => (name) => mark.test(texts.get(name));
  // A part that listens to the whole page does so for good: the page is its own.
  const isPart = (name) => name.startsWith(join('src', 'parts'));
  const alone = files.filter((name) => has(standsAlone)(name) || (isPart(name) && has(asksForPage)(name)));
  const shared = files.filter((name) => !alone.includes(name));

  const folder = join('test-results', 'together');
  rmSync(join(root, folder), { recursive: true, force: true });
  mkdirSync(join(root, folder), { recursive: true });
  // Dealt like cards: neighbours take about as long, and load about the same.
  const deal = (names, kind, head) => {
    const hands = Math.min(availableParallelism(), names.length);
    return Array.from({ length: hands }, (_, hand) => {
      const path = join(folder, `${kind}-${hand + 1}.cjs`);
      const loads = names
        .filter((_, i) => i % hands === hand)
        .map((name) => `load(${JSON.stringify(name)}, ${JSON.stringify(join(root, name))});\n`);
      writeFileSync(join(root, path), [head, load, ...loads].join(''));
      return path;
    });
  };
  const withPage = shared.filter(has(asksForPage));
  const dealt = [
    ...deal(
      shared.filter((name) => !withPage.includes(name)),
      'plain',
      '',
    ),
    ...deal(withPage, 'page', page),
  ];
  return {
    ...config,
    rootDir: root,
    roots: [...config.roots, `<rootDir>/${folder}`],
    testMatch: [...dealt, ...alone].map((path) => `<rootDir>/${path}`),
    testSequencer: '<rootDir>/scripts/longestFirst.mjs',
  };
}
