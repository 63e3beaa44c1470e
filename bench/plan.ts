import { chromium } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { drills, startCadence } from '@/core/catalogue';
import { type PlanItem, layOut, makePlan, search, whatWouldChange } from '@/core/sequence';
import { testServer } from '../e2e/support/server';
import { seedReading } from '../e2e/support/walk';
import { solveWith, solver } from './highs';
import { type Shape, instance, rows } from './instances';
import { constructed } from '../demo/constructed';
import { asked } from './people';
import { median, percentile, report } from './report';
import { chromium as chromiumPath } from '../scripts/chromium.mjs';

const timed = <T>(work: () => T): { ms: number; value: T } => {
  const from = performance.now();
  const value = work();
  return { ms: performance.now() - from, value };
};

/** On the real catalogue, for the constructed people: from the request to the proven best. */
export function realPlans() {
  const times: number[] = [];
  let unproven = 0;
  for (const round of [0, 1, 2]) {
    for (const minutes of [10, 20, 30, 60]) {
      for (const person of constructed) {
        const { request, context } = asked(person, minutes);
        const { ms, value } = timed(() => {
          const { problem } = layOut(request, context);
          return search(problem);
        });
        // The first round warms the engine up, as the first plan of a morning does.
        if (round > 0) times.push(ms);
        unproven += Number(!value.proven);
      }
    }
  }
  report('plan on the catalogue, proven, median', `${median(times).toFixed(1)} ms`, 'under 20 ms', median(times) < 20);
  report(
    'plan on the catalogue, proven, worst',
    `${percentile(times, 1).toFixed(0)} ms`,
    'under 80 ms',
    percentile(times, 1) < 80,
  );
  report('plans on the catalogue left unproven', String(unproven), 'none', unproven === 0);
  const whole = asked(constructed[0]!, 20);
  const full = Array.from({ length: 8 }, () => timed(() => makePlan(whole.request, whole.context, uuid)).ms).slice(2);
  report('the same with all its reasons, median', `${median(full).toFixed(1)} ms`, 'no limit set', true);
}

/** Every variant of a plan solved anew, as the page shows them. */
export function whatIfs() {
  const times = constructed.map((person) => {
    const { request, context } = asked(person, 25);
    return timed(() => whatWouldChange(request, context)).ms;
  });
  const [usual, worst] = [median(times), percentile(times, 1)];
  report('what would change, all variants, median', `${usual.toFixed(0)} ms`, 'under 600 ms', usual < 600);
  report('what would change, all variants, worst', `${worst.toFixed(0)} ms`, 'under 600 ms', worst < 600);
}

/** Random catalogues of the three sizes planner models are compared on. */
export function randomPlans() {
  const most = 400_000;
  const floor = { small: [16, 98], middle: [83, 600], large: [1000, 6000] } as const;
  for (const [name, shape] of Object.entries(rows) as [keyof typeof rows, Shape][]) {
    const found = Array.from({ length: 12 }, (_, i) =>
      timed(() => search(instance(i + 1, { ...shape, bare: true }), { nodes: most })),
    );
    const times = found.map(({ ms }) => ms);
    const unproven = found.filter(({ value }) => !value.proven).length;
    const [usual, worst] = floor[name];
    report(
      `random ${name}, median and worst of 12`,
      `${median(times).toFixed(0)} / ${percentile(times, 1).toFixed(0)} ms`,
      `under ${usual / 2} / ${worst / 2} ms`,
      median(times) < usual / 2 && percentile(times, 1) < worst / 2,
    );
    report(
      `random ${name}, proven of 12 within ${most.toLocaleString('en')} nodes`,
      String(12 - unproven),
      name === 'large' ? 'at least 10' : 'all',
      unproven <= (name === 'large' ? 2 : 0),
      name === 'large' ? '2' : undefined,
    );
  }
}

/** Against the independent solver, on the very same instances in the same run. */
export async function againstSolver() {
  const highs = await solver();
  for (const [name, shape] of Object.entries(rows) as [keyof typeof rows, Shape][]) {
    const ratios = [3, 5, 8].slice(0, name === 'large' ? 1 : 3).map((seed) => {
      const problem = instance(seed, shape);
      const ours = timed(() => search(problem, { nodes: 1_000_000 }));
      const theirs = timed(() => solveWith(highs, problem));
      if (theirs.value?.points !== ours.value.points) throw new Error(`Seed ${seed} of ${name} differs.`);
      return theirs.ms / ours.ms;
    });
    report(
      `independent solver, random ${name}, times slower`,
      median(ratios).toFixed(0),
      'at least 10',
      median(ratios) >= 10,
    );
  }
}

/** How the time grows with the catalogue. */
export function growth() {
  const times = [60, 120, 240, 480].map((count) => {
    const shape = { ...rows.middle, drills: count };
    const found = [1, 2, 3, 4, 5].map((seed) => timed(() => search(instance(seed, shape), { nodes: 200_000 })));
    return {
      count,
      ms: median(found.map(({ ms }) => ms)),
      unproven: found.filter(({ value }) => !value.proven).length,
    };
  });
  for (const { count, ms, unproven } of times) {
    report(
      `growth: ${count} drills${unproven > 0 ? `, ${unproven} of 5 unproven` : ''}`,
      `${ms.toFixed(0)} ms`,
      count === 480 ? 'under 300 ms' : 'shown',
      count !== 480 || ms < 300,
      count === 480 ? '1.2 s' : undefined,
    );
  }
}

/** Editing a score of 25 items in the browser: from the key to the next picture. */
export async function editing() {
  const server = testServer(4397, 'own');
  await server.start();
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    const clientId = await seedReading(page, server.url, 'A Long Score');
    await page.goto(`${server.url}/clients/${clientId}/sequence`);
    const template = { minutes: 60, leadSchool: 'openAllRegions', items: longPlan() };
    await page.request.post(`${server.url}/api/commands`, {
      data: {
        commands: [{ id: uuid(), kind: 'template.save', payload: { templateId: uuid(), name: 'Long', template } }],
      },
    });
    await page.reload();
    await page.getByText('Templates, print and files').click();
    await page.getByRole('button', { name: 'Begin from it Long' }).click();
    await page.locator('[data-item]').nth(24).waitFor();
    // As text: what compiles this file would put helpers into a function that the page does not have.
    const times = (await page.evaluate(`(async () => {
      const measured = [];
      const head = (n) => document.querySelectorAll('[data-item] > button')[n];
      const painted = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
      const press = async (n, init) => {
        head(n).focus();
        await painted();
        const from = performance.now();
        head(n).dispatchEvent(new KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...init }));
        await painted();
        measured.push(performance.now() - from);
      };
      for (let round = 0; round < 8; round += 1) {
        await press(3 + round, { key: '+' });
        await press(4 + round, { key: 'ArrowRight', altKey: true });
        await press(5 + round, { key: 'l' });
        await press(6 + round, { key: '-' });
      }
      const edits = measured.splice(0).slice(4);
      // A key that does nothing: what this browser takes to paint one picture at all.
      for (let round = 0; round < 28; round += 1) await press(5, { key: 'q' });
      return { edits, idle: measured };
    })()`)) as { edits: number[]; idle: number[] };
    const [usual, worst, idle] = [median(times.edits), percentile(times.edits, 1), median(times.idle)];
    report('editing a score of 25: key to picture, median', `${usual.toFixed(0)} ms`, 'under 50 ms', usual < 50);
    report(
      'editing a score of 25: key to picture, worst',
      `${worst.toFixed(0)} ms`,
      'under 50 ms',
      worst < 50,
      '88 ms',
    );
    report('the same browser, a key that does nothing, median', `${idle.toFixed(0)} ms`, 'for comparison', true);
  } finally {
    await browser.close();
    await server.close();
  }
}

const longPlan = (): Omit<PlanItem, 'id' | 'reasons' | 'changes' | 'byHand' | 'locked'>[] =>
  drills.slice(0, 25).map((drill) => ({
    drillId: drill.id,
    position: drill.positions[0]!,
    props: [],
    side: drill.sides === 'none' ? ('none' as const) : ('both' as const),
    cadences: drill.breath.kind === 'ladder' ? [...drill.breath.rungs] : [startCadence(drill)],
    breaths: drill.breath.kind === 'ladder' ? drill.breath.rungs.length : drill.breaths.start,
    sets: drill.sets.start,
    restSeconds: drill.restSeconds,
    setUpSeconds: drill.setUpSeconds,
  }));
