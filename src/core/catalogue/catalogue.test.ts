import { breathsPerMinute } from '../cadence';
import { patterns } from '../read';
import {
  componentsOf,
  cueKinds,
  drillSchema,
  drills,
  familyIds,
  faultIds,
  movementWords,
  skillIds,
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
import { met } from '../../../scripts/met';

describe('the catalogue', () => {
  test('has at least sixty drills, each whole by the schema', () => {
    expect(drills.length).toBeGreaterThanOrEqual(60);
    for (const drill of drills)
      expect([drill.id, drillSchema.safeParse(drill).error?.issues ?? []]).toEqual([drill.id, []]);
  });

  test('ids are unique, neighbours and prerequisites exist, answers name patterns', () => {
    expect(new Set(drills.map(({ id }) => id)).size).toBe(drills.length);
    const known = new Set(patterns.map(({ id }) => id));
    for (const drill of drills) {
      for (const id of [drill.easier, drill.harder, ...drill.prerequisites]) {
        if (met(id)) expect([drill.id, id, findDrill(id) !== undefined]).toEqual([drill.id, id, true]);
      }
      expect(drill.answers.filter((id) => !known.has(id))).toEqual([]);
    }
  });

  test('easier never leads to a harder level', () => {
    for (const drill of drills) {
      if (met(drill.easier)) expect(findDrill(drill.easier)!.level).toBeLessThanOrEqual(drill.level);
    }
  });

  test('every pattern is answered by at least two drills', () => {
    for (const { id } of patterns) {
      expect([id, drills.filter(({ answers }) => answers.includes(id)).length >= 2]).toEqual([id, true]);
    }
  });

  test('a pause beyond a natural one is a hold, whatever was ticked', () => {
    for (const drill of drills) {
      if (drill.breath.kind === 'ladder') continue;
      const longest = Math.max(drill.breath.topPause.start, drill.breath.bottomPause.start);
      if (met(longest > 1))
        expect([drill.id, componentsOf(drill)]).toEqual([drill.id, expect.arrayContaining(['hold'])]);
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

  // The trade's drill families, by what they prescribe: common practice, no published source.
  test.each([
    ['tuck-head-turns', 'breaths', { min: 10, start: 10 }],
    ['tuck-drawn-in', 'breaths', { min: 10, max: 30 }],
    ['balloon-exhale', 'sets', { start: 3, max: 5 }],
    ['half-dome-back', 'sets', { start: 2 }],
    ['elbows-on-wall', 'breaths', { start: 9 }],
    ['elbow-opening', 'breaths', { start: 5 }],
    ['chest-lift-sitting', 'breaths', { start: 5 }],
    ['open-lift-nod', 'breaths', { start: 5 }],
    ['belly-out-and-in', 'breaths', { start: 10 }],
    ['hips-turn-in', 'breaths', { start: 10 }],
    ['side-plank-knees', 'breaths', { min: 3, max: 5 }],
    ['bear-float', 'breaths', { min: 3, max: 5 }],
    ['ball-bridge', 'breaths', { min: 3, start: 5 }],
  ] as const)('%s: %s as the trade gives them', (id, key, dose) => {
    expect(findDrill(id)![key]).toEqual(expect.objectContaining(dose));
  });

  test.each([
    ['childs-pose-back', 30, 2],
    ['child-side-reach', 30, 2],
    ['inner-thigh-rock', 30, 2],
    ['figure-four', 30, 2],
  ])('%s is held about %d seconds, %d times a side (common practice)', (id, seconds, sets) => {
    const drill = findDrill(id)!;
    const { inhaleSeconds, exhaleSeconds, topPauseSeconds, bottomPauseSeconds } = startCadence(drill);
    const one = drill.breaths.start * (inhaleSeconds + exhaleSeconds + topPauseSeconds + bottomPauseSeconds);
    expect(Math.abs(one * drill.sets.start - seconds * sets)).toBeLessThanOrEqual(12);
  });

  test('resistance, wall and stretch work runs 90 to 120 s, twice at the most (common practice)', () => {
    const { inhaleSeconds, exhaleSeconds } = startCadence(findDrill('elbows-on-wall')!);
    expect(inhaleSeconds).toBe(5);
    expect(exhaleSeconds).toBe(5);
    const seconds = findDrill('elbows-on-wall')!.breaths.start * 10;
    expect(seconds).toBeGreaterThanOrEqual(90);
    expect(seconds).toBeLessThanOrEqual(120);
  });

  test('pauses after the exhale are 3 to 5 s where a drill is about them (common practice)', () => {
    for (const id of ['lift-and-pause', 'exhale-restore', 'short-calm-pauses']) {
      const { breath } = findDrill(id)!;
      if (breath.kind !== 'steady') throw new Error(`${id} is steady.`);
      expect(breath.bottomPause.start).toBeGreaterThanOrEqual(2);
      expect(breath.bottomPause.max).toBeLessThanOrEqual(5);
    }
  });

  test('slow work lies near six a minute, 4.5 to 7 [R8, value from memory]', () => {
    for (const id of ['even-cadence', 'calm-down', 'half-dome-back', 'elbows-on-wall']) {
      const rate = breathsPerMinute(startCadence(findDrill(id)!));
      expect([id, rate >= 4.5 && rate <= 7]).toEqual([id, true]);
    }
    expect(breathsPerMinute(startCadence(findDrill('calm-down')!))).toBeCloseTo(5.71, 2);
    expect(breathsPerMinute(startCadence(findDrill('two-hand-belly')!))).toBe(7.5);
  });

  test('every position is used, every family and every skill has drills, every prop and fault is met', () => {
    const used = (of: (drill: (typeof drills)[number]) => readonly string[]) =>
      new Set(drills.flatMap((drill) => [...of(drill)]));
    expect([...positionList.map(({ id }) => id)].filter((id) => !used(({ positions: own }) => own).has(id))).toEqual(
      [],
    );
    expect(familyIds.filter((id) => !drills.some(({ family }) => family === id))).toEqual([]);
    expect(skillIds.filter((id) => !drills.some(({ skills }) => id in skills))).toEqual([]);
    expect(faultIds.filter((id) => !used(({ faults: own }) => own).has(id))).toEqual([]);
  });

  test('movement, cues of every kind, care marks and teaching cues are there', () => {
    const cues = drills.flatMap(({ cues: own }) => own);
    for (const kind of cueKinds)
      expect([kind, cues.filter((cue) => cue.kind === kind).length > 1]).toEqual([kind, true]);
    expect(cues.some(({ care }) => care !== null)).toBe(true);
    expect(cues.some(({ stance }) => stance !== null)).toBe(true);
    for (const { movement } of drills) expect(movementWords[movement].length).toBeGreaterThan(2);
  });

  test('every drill says where its dose comes from; none is passed off as published without a reference', () => {
    for (const { provenance } of drills) expect(['common practice', 'published']).toContain(provenance.kind);
    const takes = (provenance: object) => drillSchema.safeParse({ ...drills[0]!, provenance }).success;
    expect(takes({ kind: 'published', reference: 'R1' })).toBe(true);
    for (const reference of [undefined, 'none such', '', null])
      expect(takes({ kind: 'published', reference })).toBe(false);
  });

  test('harder leads up or along, and prerequisites are no harder than what they prepare', () => {
    for (const drill of drills) {
      if (met(drill.harder))
        expect([drill.id, findDrill(drill.harder)!.level >= drill.level]).toEqual([drill.id, true]);
      for (const id of drill.prerequisites)
        expect([drill.id, findDrill(id)!.level <= drill.level]).toEqual([drill.id, true]);
    }
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
      // The last of each asks nothing of a body, so that there is always something to say.
      for (const list of [correction, fallback]) expect(list.at(-1)!.words.length).toBeGreaterThan(4);
      expect(fallback[0]!.words).not.toBe(correction[0]!.words);
    }
  });
});
