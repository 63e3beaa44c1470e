/**
 * Attacks a production server of its own, on this machine only: ends it in every way, fills its disk, asks it what it should not
 * answer, and fills its file with nonsense. Prints what was tried and what came of it; anything lost ends it non-zero. Needs a build.
 * `--quick` for fewer rounds.
 */
import { fullDisk, readOnlyDisk } from './disk';
import { cutShortCopies, endings, kills, putBack, refusals, takenAway } from './endings';
import { fuzz } from './fuzz';
import { hostile } from './hostile';
import { cutShortMigrations } from './migration';
import { requests } from './requests';
import { type Row } from './support';

const quick = process.argv.includes('--quick');
const parts: [string, () => Promise<Row[]>][] = [
  ['ended at once', () => kills(quick ? 5 : 25)],
  ['ended in order', () => endings(quick ? 1 : 3)],
  ['a backup by hand', () => putBack(quick ? 2 : 6)],
  ['copies cut short', () => cutShortCopies(quick ? 3 : 15)],
  ['brought up to date', () => cutShortMigrations(quick ? 5 : 25)],
  ['the file taken away', takenAway],
  ['not started', refusals],
  ['a full disk', fullDisk],
  ['a disk that can only be read', readOnlyDisk],
  ['hostile requests', hostile],
  ['requests by chance', () => requests(quick ? 1_000 : 10_000)],
  ['nonsense in the file', () => fuzz(quick ? 2_000 : 10_000, quick ? 2_000 : 10_000)],
];

// One part alone, by its name.
const [alone] = process.argv.slice(2).filter((arg) => !arg.startsWith('--'));
let broken = 0;
console.log(`${'tried'.padEnd(64)}${'times'.padStart(7)}  outcome`);
for (const [name, part] of parts.filter(([name]) => alone === undefined || name === alone)) {
  try {
    for (const { tried, times, outcome, held } of await part()) {
      if (held === false) broken += 1;
      const mark = held === null ? '–' : held ? 'held' : 'BROKEN';
      console.log(`${tried.padEnd(64)}${String(times).padStart(7)}  ${mark}: ${outcome}`);
    }
  } catch (error) {
    broken += 1;
    console.log(
      `${name.padEnd(64)}${'–'.padStart(7)}  BROKEN: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}
console.log(broken === 0 ? '\nEverything held.' : `\n${broken} did not hold.`);
process.exit(broken === 0 ? 0 : 1);
