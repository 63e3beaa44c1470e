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

/** Of what can’t share a run: a page, another thing in a module’s place, another folder for the app’s own studio. */
const standsAlone = /@jest-environment|jest\.(mock|resetModules|isolateModules)\(|process\.env\.KOKYU_DATA/;

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
  const alone = files.filter((name) => standsAlone.test(readFileSync(join(root, name), 'utf8')));
  const shared = files.filter((name) => !alone.includes(name));

  const folder = join('test-results', 'together');
  rmSync(join(root, folder), { recursive: true, force: true });
  mkdirSync(join(root, folder), { recursive: true });
  // Dealt like cards: neighbours take about as long, and load about the same.
  const hands = Math.min(availableParallelism(), shared.length);
  const dealt = Array.from({ length: hands }, (_, hand) => {
    const path = join(folder, `${hand + 1}.cjs`);
    const loads = shared
      .filter((_, i) => i % hands === hand)
      .map((name) => `load(${JSON.stringify(name)}, ${JSON.stringify(join(root, name))});\n`);
    writeFileSync(join(root, path), [load, ...loads].join(''));
    return path;
  });
  return {
    ...config,
    rootDir: root,
    roots: [...config.roots, `<rootDir>/${folder}`],
    testMatch: [...dealt, ...alone].map((path) => `<rootDir>/${path}`),
    testSequencer: '<rootDir>/scripts/longestFirst.mjs',
  };
}
