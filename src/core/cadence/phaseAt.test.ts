import fc from 'fast-check';
import { type Cadence, cadence, ladder, noisesBetween, phaseAt, planBreaths, tonesBetween } from '.';
import { rounds } from '../../../scripts/rounds';

const plan = planBreaths([
  { cadence: cadence(2, 4, { topPauseSeconds: 1, bottomPauseSeconds: 1 }), breaths: 2 },
  { cadence: cadence(3, 6), breaths: 1 },
]);

describe('phaseAt', () => {
  test.each([
    [0, 0, 'inhale', 0],
    [1, 0, 'inhale', 0.5],
    [2, 0, 'topPause', 1],
    [3, 0, 'exhale', 1],
    [5, 0, 'exhale', 0.5],
    [7, 0, 'bottomPause', 0],
    [8, 1, 'inhale', 0],
    [17.5, 2, 'inhale', 0.5],
    [22, 2, 'exhale', 0.5],
  ])('at %d s it is breath %d, %s, level %d', (t, breath, phase, level) => {
    const moment = phaseAt(plan, t);
    expect(moment).toMatchObject({ breath, phase, done: false });
    expect(moment.level).toBeCloseTo(level, 10);
  });

  test('before the start it answers as at the start, after the end it is done and empty', () => {
    expect(phaseAt(plan, -3)).toMatchObject({ breath: 0, phase: 'inhale', level: 0, done: false });
    expect(phaseAt(plan, plan.totalSeconds)).toMatchObject({ breath: 2, phase: 'exhale', level: 0, done: true });
    expect(phaseAt(planBreaths([{ cadence: cadence(2, 2, { bottomPauseSeconds: 3 }), breaths: 1 }]), 99)).toMatchObject(
      {
        phase: 'bottomPause',
        intoSeconds: 3,
        done: true,
      },
    );
  });

  test('a whole plan tiles its time: each phase begins where the last one ended, and the level never jumps', () => {
    const rungs = planBreaths(ladder(5).map((rung) => ({ cadence: rung, breaths: 1 })));
    let previous = phaseAt(rungs, 0);
    const [steps, beyond]: [number[], number[]] = [[], []];
    for (let t = 0.01; t < rungs.totalSeconds; t += 0.01) {
      const now = phaseAt(rungs, t);
      steps.push(Math.abs(now.level - previous.level));
      beyond.push(now.intoSeconds - now.phaseSeconds);
      previous = now;
    }
    expect(Math.max(...steps)).toBeLessThan(0.011);
    expect(Math.max(...beyond)).toBeLessThanOrEqual(1e-9);
    expect(rungs.totalSeconds).toBe(35);
  });

  test('at any second it is what a list of all phases, written out one after the other, says', () => {
    const half = (from: number, to: number) => fc.integer({ min: from * 2, max: to * 2 }).map((n) => n / 2);
    const breath = fc.record({
      inhaleSeconds: half(0.5, 6),
      topPauseSeconds: half(0, 4),
      exhaleSeconds: half(0.5, 9),
      bottomPauseSeconds: half(0, 4),
    });
    const stretches = fc.array(fc.record({ cadence: breath, breaths: fc.integer({ min: 1, max: 4 }) }), {
      minLength: 1,
      maxLength: 4,
    });
    const written = (all: readonly { cadence: Cadence; breaths: number }[]) => {
      const breaths = all.flatMap(({ cadence: one, breaths: times }) => Array<Cadence>(times).fill(one));
      return breaths.flatMap((one, at) => [
        { breath: at, phase: 'inhale', seconds: one.inhaleSeconds, from: 0, to: 1 },
        { breath: at, phase: 'topPause', seconds: one.topPauseSeconds, from: 1, to: 1 },
        { breath: at, phase: 'exhale', seconds: one.exhaleSeconds, from: 1, to: 0 },
        { breath: at, phase: 'bottomPause', seconds: one.bottomPauseSeconds, from: 0, to: 0 },
      ]);
    };
    fc.assert(
      fc.property(stretches, fc.double({ min: 0, max: 0.999, noNaN: true }), (all, part) => {
        const laid = planBreaths(all);
        // Halves and quarters of a second, so that it falls on borders too.
        const t = Math.floor(laid.totalSeconds * part * 4) / 4;
        let left = t;
        const now = written(all).find(({ seconds }) => {
          if (left < seconds) return true;
          left -= seconds;
          return false;
        })!;
        expect(phaseAt(laid, t)).toEqual({
          breath: now.breath,
          phase: now.phase,
          intoSeconds: expect.closeTo(left, 9) as number,
          phaseSeconds: now.seconds,
          level: expect.closeTo(now.from + ((now.to - now.from) * left) / now.seconds, 9) as number,
          done: false,
        });
      }),
      { numRuns: rounds(300) },
    );
  });

  test('an empty plan and a broken number of breaths are refused', () => {
    expect(() => phaseAt(planBreaths([]), 0)).toThrow(RangeError);
    expect(() => planBreaths([{ cadence: cadence(2, 2), breaths: 1.5 }])).toThrow(RangeError);
  });
});

describe('tonesBetween', () => {
  test('windows laid end to end give every tone exactly once', () => {
    const whole = tonesBetween(plan, 0, plan.totalSeconds);
    // Borders between the tones, and borders on them.
    for (const wide of [0.7, 1, 2]) {
      const windows = Array.from({ length: 40 }, (_, i) => tonesBetween(plan, i * wide, (i + 1) * wide));
      expect(windows.flat()).toEqual(whole);
    }
    expect(whole.filter(({ kind }) => kind === 'phase').map((tone) => tone.atSeconds)).toEqual([
      0, 2, 3, 7, 8, 10, 11, 15, 16, 19,
    ]);
    // One second before the end of each phase that is long enough: 4 s out, twice; 3 s in and 6 s out.
    expect(whole.filter(({ kind }) => kind === 'last second').map((tone) => tone.atSeconds)).toEqual([6, 14, 18, 24]);
    expect(whole.map((tone) => tone.atSeconds)).toEqual(whole.map((tone) => tone.atSeconds).sort((a, b) => a - b));
  });

  test('a noise lies along each exhale, exactly as long as it', () => {
    expect(noisesBetween(plan, 0, plan.totalSeconds)).toEqual([
      { atSeconds: 3, seconds: 4, breath: 0 },
      { atSeconds: 11, seconds: 4, breath: 1 },
      { atSeconds: 19, seconds: 6, breath: 2 },
    ]);
    for (const wide of [0.7, 1, 2]) {
      const windows = Array.from({ length: 40 }, (_, i) => noisesBetween(plan, i * wide, (i + 1) * wide));
      expect(windows.flat()).toHaveLength(3);
    }
  });
});
