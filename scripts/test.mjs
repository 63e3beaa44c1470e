/**
 * What must hold before a change is kept: lint, types, build, unit tests, and the browser tests of the first line, in some minutes. With
 * `--all` everything is taken: all browser tests, and all made-up cases where otherwise there is a tenth of them.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, chromiumPackage, hasSmallOne } from './chromium.mjs';
import { bin, install, root } from './lib.mjs';

// The browser comes from elsewhere than the packages, and neither the text nor the build needs the database driver: all at once.
const browserReady = browser();
const driverReady = install();

const counts = { passed: 0, failed: 0 };
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);

const all = process.argv.includes('--all');
if (all) process.env.KOKYU_ALL = 'yes';

// One zone wherever it runs, and one demo studio: several tests begin from a copy of it.
process.env.TZ = 'Europe/London';
const demo = mkdtempSync(join(tmpdir(), 'kokyu-demo-'));
process.env.KOKYU_DEMO = join(demo, 'demo.db');
process.once('exit', () => rmSync(demo, { recursive: true, force: true }));

// The longest first; what the types are read with is written by it.
const building = step('build', process.execPath, ['scripts/build.mjs']);
// By the compiler's native seventh version; the build and two tests still read the fifth's syntax trees.
const typed = building.then(() =>
  step('types', process.execPath, [join(root, 'node_modules/typescript-7/bin/tsc'), '--noEmit']),
);
const [built] = await Promise.all([
  building,
  step('lint', bin('oxlint'), ['-c', 'oxlint.config.mjs', '--report-unused-disable-directives']),
  step('layout', bin('oxfmt'), ['--check']),
  step('dead code', bin('knip'), ['--no-progress']),
  driverReady.then(() => step('demo', process.execPath, ['scripts/run.mjs', 'demo/load.ts'], { KOKYU_DATA: demo })),
  browserReady,
]);
tally(
  'unit tests',
  process.execPath,
  ['scripts/units.mjs', '--json', '--outputFile=test-results/unit.json', '--silent'],
  'unit.json',
  ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => [
    numPassedTests,
    numFailedTests + numRuntimeErrorTestSuites,
  ],
);
// What an earlier build did would say nothing of this one.
if (built)
  tally(
    'browser tests',
    bin('playwright'),
    ['test', ...(all ? [] : ['--grep', '@first'])],
    'e2e.json',
    ({ stats, errors }) => [stats.expected, stats.unexpected + errors.length],
  );

await typed;
if (!all)
  console.log('\nLeft out: the other browser tests, and nine of ten made-up cases. With them: npm test -- --all');
console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed === 0 ? 0 : 1);

/** Runs a check beside others; what it printed comes out in one piece, where something is not in order. */
function step(name, command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } });
    const printed = [];
    child.stdout.on('data', (data) => printed.push(data));
    child.stderr.on('data', (data) => printed.push(data));
    child.on('close', (status) => {
      if (status !== 0) process.stdout.write(Buffer.concat(printed));
      counts[status === 0 ? 'passed' : 'failed'] += 1;
      console.log(`${name}: ${status === 0 ? 'in order' : 'not in order'}`);
      resolve(status === 0);
    });
  });
}

function tally(name, command, args, file, read) {
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit' });
  const path = join(results, file);
  const [passed, failed] = existsSync(path) ? read(JSON.parse(readFileSync(path, 'utf8'))) : [0, 1];
  counts.passed += passed;
  // A runner that ended badly without naming a failed test still counts as one.
  counts.failed += failed === 0 && status !== 0 ? 1 : failed;
  console.log(`${name}: ${passed} passed, ${failed} failed`);
}

async function browser() {
  if (hasSmallOne()) return;
  const another = existsSync(chromium());
  if (process.getuid?.() !== 0) {
    if (another) return;
    console.error(`The browser tests need Chromium (Debian: apt-get install ${chromiumPackage}).`);
    process.exit(1);
  }
  // One shell for both steps: the install of the packages beside it holds this program's own turns up.
  const child = spawn(
    'sh',
    ['-c', `apt-get update -qq && apt-get install -y -qq --no-install-recommends ${chromiumPackage}`],
    {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    },
  );
  const status = await new Promise((resolve) => child.on('close', resolve));
  if (status !== 0 && !another) {
    console.error('apt-get did not succeed. What it printed above says why.');
    process.exit(1);
  }
}
