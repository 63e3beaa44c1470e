import { cycleSeconds } from '../cadence';
import { segmentsOf } from '../dose';
import { type Drill, componentsOf, drills, findDrill, props, startCadence, substituteFor } from '.';

/** Facts of the trade about single drills: common practice, no published source. */
const drill = (id: string): Drill => {
  const found = findDrill(id);
  if (!found) throw new Error(`no drill ${id}`);
  return found;
};
const says = (id: string, phase: Drill['steps'][number]['phase']) =>
  drill(id)
    .steps.filter((step) => step.phase === phase)
    .map(({ words }) => words)
    .join(' ');

describe('which phase does the work', () => {
  test.each([
    ['prone-lifts', /lift/i],
    ['forearm-lifts', /lift/i],
    ['side-lift-stretch', /lift/i],
    ['side-plank-knees', /rise/i],
    ['bear-float', /float/i],
    ['ball-bridge', /lift/i],
    ['exhale-then-foot', /lift the foot/i],
    ['heel-slide', /slide the heel/i],
    ['chair-rise', /stand/i],
    ['squat-breath', /up/i],
    ['hinge-breath', /hips through/i],
    ['side-bend-weight', /up/i],
  ])('%s works on the exhale', (id, work) => {
    expect(says(id, 'exhale')).toMatch(work);
    expect(says(id, 'inhale')).not.toMatch(/\blift|float|rise\b/i);
  });

  test('a light load overhead goes up with the inhale, and light is what could be done some 22 times', () => {
    expect(says('press-breath', 'inhale')).toMatch(/up/i);
    expect(drill('press-breath').setUp).toMatch(/twenty-two/);
  });

  test('the clock: twelve on the exhale, six on the inhale, nine at the right hip on the inhale, three on the exhale', () => {
    expect(says('pelvic-clock', 'inhale')).toMatch(/6.*9, the right hip/);
    expect(says('pelvic-clock', 'exhale')).toMatch(/12.*3, the left hip/);
  });

  test('rolling down and up are exhales, the inhale waits at the top', () => {
    expect(drill('rolling-bridge').setUp).toMatch(/inhale at the top/);
    expect(drill('rolling-bridge').counting).toEqual({ each: 'repetition', breathsEach: 2, feet: false });
    expect(drill('rolling-bridge').breaths.start / 2).toBe(3);
  });
});

describe('what is counted', () => {
  test.each([
    ['exhale-then-foot', 2, true],
    ['heel-slide', 2, true],
    ['ball-bridge', 1, false],
    ['bear-float', 1, false],
    ['side-plank-knees', 1, false],
    ['prone-lifts', 1, false],
  ])('%s counts repetitions of %d breaths, changing feet: %s', (id, breathsEach, feet) => {
    expect(drill(id).counting).toEqual({ each: 'repetition', breathsEach, feet });
  });

  test.each([['ball-bridge'], ['bear-float'], ['side-plank-knees']])('%s begins with three to five', (id) => {
    const { breaths } = drill(id);
    expect(breaths.start).toBeGreaterThanOrEqual(3);
    expect(breaths.start).toBeLessThanOrEqual(5);
  });

  test.each([['forearm-lifts'], ['side-lift-stretch']])('%s: three lifts, then a stay of fifteen seconds', (id) => {
    const one = drill(id);
    expect([one.breaths.start, one.stay?.start]).toEqual([3, 15]);
    const segments = segmentsOf({
      cadences: [startCadence(one)],
      breaths: one.breaths.start,
      sets: 1,
      side: one.sides === 'none' ? 'none' : 'both',
      restSeconds: one.restSeconds,
      setUpSeconds: one.setUpSeconds,
      staySeconds: one.stay!.start,
    });
    const stays = segments.filter(({ kind }) => kind === 'stay');
    expect(stays.map(({ seconds }) => seconds)).toEqual(one.sides === 'none' ? [15] : [15, 15]);
    expect(segments[segments.findIndex(({ kind }) => kind === 'stay') - 1]!.kind).toBe('breaths');
    expect(componentsOf(one)).toEqual(expect.arrayContaining(['longStay', 'strain']));
  });

  test.each([['exhale-restore'], ['balloon-exhale']])(
    '%s: three rounds, up to five, then the next inhale is asked about',
    (id) => {
      const { sets, setsAre, afterSet } = drill(id);
      expect([sets.start, sets.max, setsAre]).toEqual([3, 5, 'rounds']);
      expect(afterSet).toMatch(/next inhale/i);
    },
  );

  test('a bridge pauses at the top, after the exhale', () => {
    expect(says('ball-bridge', 'bottomPause')).toMatch(/top/i);
    expect(startCadence(drill('ball-bridge')).bottomPauseSeconds).toBe(2);
  });

  test('a side lean is once a side and no more', () => {
    for (const id of ['side-lean-full', 'side-lean-empty']) {
      expect([id, drill(id).breaths.start, drill(id).sides]).toEqual([id, 1, 'one or both']);
    }
  });

  test('the tuck goes up to ten minutes', () => {
    const { breaths, sets } = drill('tuck-breath');
    expect((breaths.max * sets.max * cycleSeconds(startCadence(drill('tuck-breath')))) / 60).toBeCloseTo(10, 0);
  });

  test('the waggle of the hips by the feet alone comes before the rock, ten times', () => {
    expect(drill('hips-turn-feet').breaths.start).toBe(10);
    expect(drill('hips-turn-in').easier).toBe('hips-turn-feet');
  });
});

describe('what answers what', () => {
  test('a belly drawing in is not answered by a tuck nor by big belly breaths', () => {
    const paradoxical = drills.filter(({ answers }) => answers.includes('paradoxical')).map(({ id }) => id);
    expect(paradoxical).not.toContain('tuck-breath');
    expect(paradoxical).not.toContain('belly-out-and-in');
    expect(paradoxical).toContain('smaller-propped');
  });

  test('sternum and blades: the whole band first, then a light lift kept; also for those who lift the shoulders', () => {
    const sternum = drill('sternum-and-blades');
    expect(sternum.steps[0]).toMatchObject({
      phase: 'inhale',
      words: expect.stringMatching(/first two: widen the band all round/i),
    });
    expect(sternum.floorCue).toMatch(/light lift kept/);
    expect(sternum.answers).toContain('upperChest');
  });

  test('gathering and lifting wants sensing first, and never mid-stream', () => {
    expect(drill('gather-and-lift').prerequisites).toContain('widen-and-settle');
    expect(drill('gather-and-lift').setUp).toMatch(/mid-stream.*three months, under supervision/);
    expect(drill('widen-and-settle').setUp).toMatch(/flesh drawn clear/);
  });

  test('where the stack fails, hands and knees are the other way, not a harder one', () => {
    expect(drill('hook-stack').otherWay).toBe('quadruped-breath');
    expect(drill('hook-stack').harder).not.toBe('quadruped-breath');
    for (const { id, otherWay, easier, harder } of drills) {
      if (otherWay === null) continue;
      expect([id, Boolean(findDrill(otherWay)), [id, easier, harder].includes(otherWay)]).toEqual([id, true, false]);
    }
  });

  test('a hold found short has a practice to go to: gated, lying or seated first', () => {
    const practice = drill('calm-hold-practice');
    expect(componentsOf(practice)).toEqual(expect.arrayContaining(['hold', 'longHold']));
    expect(practice.positions.at(-1)).toBe('sitting');
    expect([practice.breaths.max, practice.sets.max, practice.restSeconds]).toEqual([1, 3, 60]);
  });

  test('sitting at the wall it is the back ribs that reach it; side-on is a drill of its own', () => {
    expect(drill('wall-sit-reach')).toMatchObject({ positions: ['sitting'], opens: { leftBack: 3, rightBack: 3 } });
    expect(drill('wall-reach').positions).not.toContain('sitting');
  });
});

describe('props', () => {
  const any = () => true;
  test('a towel is as good as a band round the ribs, but holds nothing that is fixed and is no pair of balls', () => {
    expect(substituteFor('band', ['towel'], any)).toBe('towel');
    expect(substituteFor('fixedBand', ['towel'], any)).toBeNull();
    expect(substituteFor('twinBalls', ['towel'], any)).toBeNull();
    expect(drill('band-from-above').props).toEqual(['fixedBand']);
    expect(drill('row-breath').props).toEqual(['fixedBand']);
  });
  test('band and balloon are latex; a latex-free band stands in', () => {
    for (const id of ['band', 'fixedBand', 'balloon'] as const) expect(props[id].components).toContain('latex');
    const noLatex = ({ components }: { components: readonly string[] }) => !components.includes('latex');
    expect(substituteFor('fixedBand', ['band', 'freeBand'], noLatex)).toBe('freeBand');
  });
});

test('what was one drill twice is one, and old plans still find it', () => {
  expect(findDrill('floor-lets-go')!.id).toBe('supported-release');
  const texts = drills.map(({ setUp }) => setUp);
  expect(new Set(texts).size).toBe(texts.length);
  expect(new Set(drills.map(({ name }) => name)).size).toBe(drills.length);
});
