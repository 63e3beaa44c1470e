/**
 * Measures what the coach waits for. Figures of time are noisy: medians and percentiles of one run, to be compared within it.
 * Needs a build (npm run build).
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { cadence, phaseAt, planBreaths } from '@/core/cadence';
import { openStore } from '@/store';
import { loadDemo } from '../demo/load';
import { people } from '../demo/people';
import { testServer } from '../e2e/support/server';
import { coachScreen, eventAppend } from './coach';
import { rereading, ringFrames, sweep } from './look';
import { againstSolver, editing, growth, randomPlans, realPlans } from './plan';
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

async function pages() {
  const server = testServer(4395, 'own');
  const path = join(server.dataDir, 'studio.db');
  const store = openStore(path);
  console.log('loading 300 clients × 20 visits …');
  const crowd = Array.from({ length: 300 }, (_, i) => {
    const person = people[i % people.length]!;
    return {
      ...person,
      name: `${person.name} ${i}`,
      visits: Array.from({ length: 20 }, (_visit, v) => ({
        ...person.visits[v % person.visits.length]!,
        daysAgo: 2 + v * 9,
      })),
    };
  });
  loadDemo(store, Date.now(), crowd);
  const ids = (store.$client.prepare('select id from clients order by name limit 12').all() as { id: string }[]).map(
    ({ id }) => id,
  );
  store.$client.close();
  await server.start();
  try {
    const stations = ['screen', 'look', 'read', 'sequence', 'coach', 'track'];
    const addresses = [
      '/',
      '/clients',
      '/clients?find=Ilse',
      ...ids.flatMap((id) => stations.map((s) => `/clients/${id}/${s}`)),
    ];
    const times: number[] = [];
    for (let round = 0; round < 4; round += 1) {
      for (const address of addresses) {
        const from = performance.now();
        const response = await fetch(server.url + address);
        await response.text();
        if (round > 0) times.push(performance.now() - from);
        if (!response.ok) throw new Error(`${address} answered ${response.status}`);
      }
    }
    const p95 = percentile(times, 0.95);
    report('page answered, median', `${percentile(times, 0.5).toFixed(1)} ms`, 'no limit set', true);
    report('page answered, 95th percentile', `${p95.toFixed(1)} ms`, 'under 100 ms', p95 < 100);
  } finally {
    await server.close();
  }
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

phases();
realPlans();
randomPlans();
await againstSolver();
growth();
rereading();
sweep();
sound();
eventAppend();
await coachScreen();
await ringFrames();
await editing();
// The long part, 300 clients × 20 visits, can be left out.
if (!process.argv.includes('--quick')) await pages();
