/**
 * Measures what the coach waits for. Figures of time are noisy: medians and percentiles of one run, to be compared within it.
 * Needs a build (npm run build).
 */
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { cadence, phaseAt, planBreaths } from '@/core/cadence';
import { bodies } from './body';
import { coachScreen, eventAppend } from './coach';
import { day, dayPage } from './day';
import { firstLoad } from './firstLoad';
import { carrying } from './home';
import { anHour } from './hour';
import { rereading, ringFrames, sweep } from './look';
import { lifting } from './lifting';
import { underLoad } from './load';
import { againstSolver, editing, growth, randomPlans, realPlans, whatIfs } from './plan';
import { plansPage } from './plansPage';
import { reading } from './reading';
import { records } from './records';
import { percentile, report } from './report';

function phases() {
  const plan = planBreaths([{ cadence: cadence(4, 6, { bottomPauseSeconds: 1 }), breaths: 120 }]);
  const rounds = 200_000;
  let sink = 0;
  const times = Array.from({ length: 9 }, () => {
    const from = performance.now();
    for (let i = 0; i < rounds; i += 1) sink += phaseAt(plan, (i * 0.0137) % plan.totalSeconds).level;
    return ((performance.now() - from) * 1000) / rounds;
  });
  const median = percentile(times, 0.5);
  report('phaseAt, one call', `${median.toFixed(3)} µs`, 'under 1 µs', median < 1 && sink > 0);
}

function sound() {
  const { status } = spawnSync('npx', ['jest', 'src/core/coach/sound.test.ts', '--silent'], { stdio: 'ignore' });
  report(
    'sound against the run over ten minutes (unit test)',
    status === 0 ? 'in step' : 'out of step',
    'within 20 ms',
    status === 0,
  );
}

const only = (flag: string) => process.argv.includes(flag);
if (only('--reading')) reading();
else if (only('--day')) writeFileSync('docs/day.md', dayPage(await day()));
else if (only('--first-load')) await firstLoad();
else if (only('--body')) bodies();
else if (only('--coach')) await coachScreen();
else if (only('--home')) await carrying();
else if (only('--lifting')) await lifting();
else if (only('--records')) await records();
else if (only('--hour')) await anHour(60);
else if (only('--plans')) writeFileSync('docs/plans-reviewed.md', plansPage());
else if (!only('--load')) {
  phases();
  realPlans();
  whatIfs();
  randomPlans();
  await againstSolver();
  growth();
  rereading();
  sweep();
  bodies();
  await carrying();
  await lifting();
  sound();
  eventAppend();
  await firstLoad();
  await coachScreen();
  await ringFrames();
  await editing();
}
// The long part, whole studios and a million events, can be left out or asked for alone; ten minutes of memory only when asked for.
const minutes = process.argv.includes('--memory') ? 10 : 1;
if (
  ![
    '--quick',
    '--reading',
    '--plans',
    '--day',
    '--first-load',
    '--body',
    '--coach',
    '--home',
    '--lifting',
    '--records',
    '--hour',
  ].some(only)
)
  await underLoad({ large: true, minutes });
