import { breathsPerMinute } from '../cadence';
import { patterns } from '../read';
import {
  drillSchema,
  drills,
  faults,
  findDrill,
  positionList,
  positions,
  propList,
  props,
  startCadence,
  substituteFor,
  changeSeconds,
} from '.';

describe('the catalogue', () => {
  test('has at least sixteen drills, each whole by the schema', () => {
    expect(drills.length).toBeGreaterThanOrEqual(16);
    for (const drill of drills)
      expect([drill.id, drillSchema.safeParse(drill).error?.issues ?? []]).toEqual([drill.id, []]);
  });

  test('ids are unique, neighbours and prerequisites exist, answers name patterns', () => {
    expect(new Set(drills.map(({ id }) => id)).size).toBe(drills.length);
    const known = new Set(patterns.map(({ id }) => id));
    for (const drill of drills) {
      for (const id of [drill.easier, drill.harder, ...drill.prerequisites]) {
        if (id !== null) expect([drill.id, id, findDrill(id) !== undefined]).toEqual([drill.id, id, true]);
      }
      expect(drill.answers.filter((id) => !known.has(id))).toEqual([]);
    }
  });

  test('easier never leads to a harder level', () => {
    for (const drill of drills) {
      if (drill.easier) expect(findDrill(drill.easier)!.level).toBeLessThanOrEqual(drill.level);
    }
  });

  test('every pattern is answered by at least two drills', () => {
    for (const { id } of patterns) {
      expect([id, drills.filter(({ answers }) => answers.includes(id)).length >= 2]).toEqual([id, true]);
    }
  });

  test('a drill with a pause beyond a natural one says it holds, so that it is gated', () => {
    for (const drill of drills) {
      if (drill.breath.kind === 'ladder') continue;
      const longest = Math.max(drill.breath.topPause.start, drill.breath.bottomPause.start);
      if (longest > 1) expect([drill.id, drill.components.includes('hold')]).toEqual([drill.id, true]);
    }
  });

  // Doses of the trade: common practice, no published source.
  test.each([
    ['two-hand-belly', { breaths: { min: 10, start: 10, max: 30 } }],
    ['tuck-breath', { breaths: { min: 10, start: 10, max: 30 } }],
    ['exhale-restore', { sets: { min: 3, start: 3, max: 5 } }],
    ['towel-hug', { breaths: { min: 3, start: 8, max: 10 } }],
    ['front-tension-standing', { breaths: { min: 4, start: 5, max: 5 } }],
  ])('%s keeps to the usual dose', (id, dose) => {
    expect(findDrill(id)).toMatchObject(dose);
  });

  test('two-hand belly breath is 2 in 6 out; even cadence is 6 a minute, near where slow breathing lives [R8]', () => {
    expect(startCadence(findDrill('two-hand-belly')!)).toMatchObject({ inhaleSeconds: 2, exhaleSeconds: 6 });
    expect(breathsPerMinute(startCadence(findDrill('even-cadence')!))).toBe(6);
  });

  test('a set on the half-dome takes 90 to 120 seconds, twice (common practice)', () => {
    const { inhaleSeconds, exhaleSeconds } = startCadence(findDrill('half-dome-back')!);
    const { breaths, sets } = findDrill('half-dome-back')!;
    const seconds = breaths.start * (inhaleSeconds + exhaleSeconds);
    expect(seconds).toBeGreaterThanOrEqual(90);
    expect(seconds).toBeLessThanOrEqual(120);
    expect(sets.start).toBe(2);
  });

  test('the ladder is 35 counts', () => {
    const { breath } = findDrill('count-ladder')!;
    expect(
      breath.kind === 'ladder' && breath.rungs.reduce((sum, r) => sum + r.inhaleSeconds + r.exhaleSeconds, 0),
    ).toBe(35);
  });

  test('a broken drill is refused: a start outside its range, a stance of another axis, a cue of six words', () => {
    const good = drills[0]!;
    const broken = [
      { ...good, breaths: { min: 5, start: 40, max: 15 } },
      { ...good, stances: { hold: { stance: 'rises freely', scope: 'this drill' } } },
      { ...good, cues: ['one two three four five six', 'short'] },
      { ...good, extra: 1 },
    ];
    for (const drill of broken) expect(drillSchema.safeParse(drill).success).toBe(false);
  });
});

describe('positions, props and faults', () => {
  test('ranks climb, and a change of base costs more than one on the same base', () => {
    const ranks = positionList.map(({ rank }) => rank);
    expect([...ranks].sort((a, b) => a - b)).toEqual(ranks);
    expect(changeSeconds(null, 'standing')).toBe(0);
    expect(changeSeconds('sitting', 'sitting')).toBe(0);
    expect(changeSeconds('hook-lying', 'standing')).toBeGreaterThan(changeSeconds('hook-lying', 'quadruped'));
    expect(positions['hook-lying'].components).toContain('flatSupine');
  });

  test('the prop itself, else its substitute, else nothing', () => {
    const allowed = () => true;
    expect(substituteFor('band', ['towel', 'band'], allowed)).toBe('band');
    expect(substituteFor('band', ['towel'], allowed)).toBe('towel');
    expect(substituteFor('straw', [], allowed)).toBe('lips');
    expect(substituteFor('halfDome', [], allowed)).toBeNull();
    expect(substituteFor('band', ['band', 'towel'], ({ components }) => !components.includes('latex'))).toBe('towel');
    expect(propList.flatMap(({ substitutes }) => [...substitutes]).every((id) => id in props)).toBe(true);
  });

  test('every fault has a first correction and one for when that fails', () => {
    for (const { correction, fallback } of Object.values(faults)) {
      expect(correction.length).toBeGreaterThan(5);
      expect(fallback.length).toBeGreaterThan(4);
      expect(fallback).not.toBe(correction);
    }
  });
});
