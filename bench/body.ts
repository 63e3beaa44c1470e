import { spawnSync } from 'node:child_process';
import { gzipSync } from 'node:zlib';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { figureOf, specOf } from '@/core/body';
import { drills } from '@/core/catalogue';
import { openedRegions } from '@/core/sequence';
import { trunkMotion } from '@/core/trunk';
import { BodyFigure } from '@/parts/figures/body/BodyFigure';
import { breathing } from '@/parts/figures/body/picture';
import { median, percentile, report } from './report';

/** Figures as the built server draws them: in a process of its own, since React is another one while it is developed. */
export const bodies = () =>
  spawnSync(process.execPath, ['scripts/run.mjs', 'bench/body.ts', 'here'], {
    stdio: 'inherit',
    env: { ...process.env, NODE_ENV: 'production' },
  });

if (process.argv[2] === 'here') measured();

/** Solving and drawing every drill in its first position, and a minute of breath of each. */
function measured() {
  const all = drills.map((drill) => ({
    drill,
    spec: specOf(drill, drill.positions[0]!),
    opened: openedRegions(drill, drill.sides === 'none' ? 'none' : 'left'),
  }));
  const timed = <T>(work: () => T): readonly [number, T] => {
    const from = performance.now();
    const made = work();
    return [performance.now() - from, made];
  };
  // Some rounds for the machine to learn the code; a spec with another week is another picture.
  for (const week of [41, 42, 43]) {
    for (const { spec, opened } of all)
      renderToStaticMarkup(createElement(BodyFigure, { spec: { ...spec, week }, opened }));
  }
  const poses = all.map(({ spec: { movement: _, ...still } }) => timed(() => figureOf(still))[0]);
  report('a pose solved, median', `${median(poses).toFixed(2)} ms`, 'under 1 ms', median(poses) < 1);
  report('a pose solved, worst', `${Math.max(...poses).toFixed(2)} ms`, 'under 1 ms', Math.max(...poses) < 1);
  const drawings = all.map(({ spec, opened }, at) =>
    timed(() => renderToStaticMarkup(createElement(BodyFigure, { spec: { ...spec, week: at % 8 }, opened }))),
  );
  const times = drawings.map(([took]) => took);
  report('a whole figure on the server, median', `${median(times).toFixed(1)} ms`, 'under 4 ms', median(times) < 4);
  report(
    'a whole figure on the server, 95 of 100',
    `${percentile(times, 0.95).toFixed(1)} ms`,
    'under 4 ms',
    percentile(times, 0.95) < 4,
  );
  report(
    'every drill drawn once',
    `${times.reduce((sum, took) => sum + took, 0).toFixed(0)} ms`,
    'under 300 ms',
    times.reduce((sum, took) => sum + took, 0) < 300,
  );
  const packed = Math.max(...drawings.map(([, markup]) => gzipSync(markup).length)) / 1024;
  report('a figure packed, largest', `${packed.toFixed(1)} kB`, 'under 6 kB', packed < 6);
  const frames = all.flatMap(({ drill, spec, opened }) => {
    const { at } = breathing(spec, opened, trunkMotion(drill.stances, opened));
    // Six breaths of ten seconds, sixty frames a second: what a page asks for is only what has changed a step.
    return Array.from({ length: 6 }, (_, breath) =>
      Array.from(
        { length: 61 },
        (_, step) => timed(() => at(step < 30 ? step / 30 : (60 - step) / 30, step > 30, breath))[0],
      ),
    ).flat();
  });
  const frame = frames.reduce((sum, took) => sum + took, 0) / frames.length;
  report('a moment of a breath, mean over a minute', `${frame.toFixed(2)} ms`, 'under 0.7 ms', frame < 0.7);
  report(
    'a moment of a breath, worst (drawn the first time)',
    `${Math.max(...frames).toFixed(1)} ms`,
    'under 16 ms',
    Math.max(...frames) < 16,
  );
}
