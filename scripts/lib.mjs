import { spawn, spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
process.env.NEXT_TELEMETRY_DISABLED = '1';

/** Runs a command with its output shown; ends this program when it fails. */
export function must(command, args, extra = {}) {
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...extra });
  if (status !== 0) {
    console.error(`\n${command} ${args.join(' ')} did not succeed. What it printed above says why.`);
    process.exit(status ?? 1);
  }
}

export const bin = (name) => join(root, 'node_modules', '.bin', name);

/**
 * Installs what the lock file names, unless it is there already.
 *
 * @returns settles when the database driver is in its place too; what doesn't need it can go on meanwhile
 */
export async function install() {
  const lock = readFileSync(join(root, 'package-lock.json'), 'utf8');
  const mark = join(root, 'node_modules', '.kokyu-lock');
  const named = createHash('sha256').update(lock).digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === named) return;
  console.log('Installing; the database driver is built beside it, a minute or so the first time.');
  const building = builtDriver(JSON.parse(lock));
  // Not `npm ci`: it refuses a lock file whose optional packages for other systems a registry does not carry.
  must('npm', ['install', '--no-save', '--ignore-scripts', ...quietly]);
  const { allowScripts } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
  const others = Object.keys(allowScripts).filter((name) => allowScripts[name] && name !== driver);
  const [made] = await Promise.all([
    building,
    succeeded(['rebuild', '--loglevel=error', ...others], root, 'The packages were not set up.'),
  ]);
  const file = join('node_modules', driver, 'build', 'Release', 'better_sqlite3.node');
  if (!existsSync(join(made, file))) {
    console.error(`\n${notBuilt} What is printed above says why.`);
    process.exit(1);
  }
  mkdirSync(dirname(join(root, file)), { recursive: true });
  copyFileSync(join(made, file), join(root, file));
  rmSync(made, { recursive: true, force: true });
  writeFileSync(mark, named);
}

const driver = 'better-sqlite3';
const notBuilt = 'The database driver was not built.';
const quietly = ['--prefer-offline', '--no-audit', '--no-fund', '--loglevel=error'];

/**
 * The database driver, built in a folder of its own: fetching the other packages leaves the processor idle, and compiling needs none of them.
 *
 * @returns the folder, once it is built there
 */
async function builtDriver({ packages }) {
  // Here and not where temporary things go: from there a careful machine runs nothing. npm leaves alone what begins with a dot.
  const folder = join(root, 'node_modules', '.driver');
  // What an attempt that failed left behind.
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const { version } = packages[`node_modules/${driver}`];
  // The same lock, so that the very same files are fetched; what this folder does not ask for is left out of it.
  const asked = { name: 'driver', version: '1.0.0', dependencies: { [driver]: version } };
  writeFileSync(join(folder, 'package.json'), JSON.stringify({ ...asked, allowScripts: { [driver]: true } }));
  writeFileSync(
    join(folder, 'package-lock.json'),
    JSON.stringify({ ...asked, lockfileVersion: 3, requires: true, packages: { ...packages, '': asked } }),
  );
  // Its own -O3 takes twice as long to compile. What the database does is a hundredth of what the server does.
  await succeeded(['install', ...quietly], folder, notBuilt, { CFLAGS: '-O1', CXXFLAGS: '-O1' });
  return folder;
}

/** Runs npm beside what else goes on; ends this program when it fails. */
async function succeeded(args, cwd, otherwise, env = {}) {
  const child = spawn('npm', args, { cwd, stdio: 'inherit', env: { ...env, ...process.env } });
  const status = await new Promise((resolve) => child.on('close', resolve));
  if (status === 0) return;
  console.error(`\n${otherwise} What is printed above says why.`);
  process.exit(status || 1);
}

/** What the server is, and what it has done by processes of their own. */
export const ofDoor = ['src/door/main.ts', 'scripts/backup.ts', 'scripts/rescue.ts'];

/** Builds unless the build is newer than everything it is made of. */
export function build() {
  const stamp = join(root, '.next', 'door', 'main.mjs');
  if (existsSync(stamp)) {
    const built = statSync(stamp).mtimeMs;
    const { stdout } = spawnSync(
      'find',
      [
        'src',
        'drizzle',
        'package.json',
        'next.config.ts',
        'postcss.config.mjs',
        'scripts/build.mjs',
        'scripts/bundle.mjs',
        ...ofDoor,
        '-newermt',
        new Date(built).toISOString(),
      ],
      { cwd: root, encoding: 'utf8' },
    );
    if (stdout === '') return;
  }
  must(process.execPath, ['scripts/build.mjs']);
}

/**
 * A studio's server needs some hundred megabytes; left alone it would take what the machine has before it tidies up.
 */
export const serverFlags = ['--max-old-space-size=256', '--max-semi-space-size=16'];

/** What the server ends with when its file is not whole. */
const notWhole = 3;

/**
 * Starts the production server in the foreground. Where the studio's file is not whole, a page in its place offers the copies there are;
 * once one is put back the server starts again.
 */
export function serve({ studio }) {
  const env = { ...process.env, KOKYU_STUDIO: studio };
  let child;
  const run = (args, onExit) => {
    child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env });
    child.on('exit', onExit);
  };
  const start = () =>
    run([...serverFlags, 'scripts/server.mjs'], (code) => (code === notWhole ? offer() : process.exit(code ?? 0)));
  const offer = () =>
    run([join('.next', 'door', 'rescue.mjs')], (code) => (code === 0 ? start() : process.exit(code ?? 0)));
  // The terminal sends its signals to the server too; this program waits until it has ended in order.
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  start();
}
