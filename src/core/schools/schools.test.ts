import { axes, axisIds, clashes, contradictions, everydayRules, schoolIds, schools, type AxisId } from '.';
import { drills } from '../catalogue';

describe('axes and stances', () => {
  test('every contradiction names two different stances of its axis', () => {
    for (const [axis, pairs] of Object.entries(contradictions)) {
      for (const [one, other] of pairs!) {
        const stances: readonly string[] = axes[axis as AxisId].stances;
        expect(stances).toContain(one);
        expect(stances).toContain(other);
        expect(one).not.toBe(other);
      }
    }
  });

  test('every school’s everyday rule is a stance of its axis, and no school contradicts itself', () => {
    for (const id of schoolIds) {
      const { everyday } = schools[id];
      for (const [axis, stance] of Object.entries(everyday)) {
        expect(axes[axis as AxisId].stances as readonly string[]).toContain(stance);
      }
      expect(clashes(everyday, everyday)).toEqual([]);
    }
  });

  test('the school that leads by default has no rule against anybody', () => {
    for (const id of schoolIds) expect(clashes(schools.openAllRegions.everyday, schools[id].everyday)).toEqual([]);
  });
});

describe('clashes', () => {
  test('“let the belly rise” and “don’t let the belly go” never meet in one plan', () => {
    const found = clashes(schools.quietChest.everyday, schools.oppositionAndStack.everyday);
    expect(found).toEqual([{ axis: 'bellyOnInhale', one: 'rises freely', other: 'is contained by light tension' }]);
  });

  test('are the same both ways round', () => {
    for (const one of schoolIds) {
      for (const other of schoolIds) {
        const [there, back] = [
          clashes(schools[one].everyday, schools[other].everyday),
          clashes(schools[other].everyday, schools[one].everyday),
        ];
        expect(there.map(({ axis }) => axis)).toEqual(back.map(({ axis }) => axis));
      }
    }
  });

  test('different stances that get along do not clash, nor does silence', () => {
    expect(clashes({ hold: 'none' }, { hold: 'natural pause' })).toEqual([]);
    expect(clashes({ bellyOnInhale: 'rises freely' }, {})).toEqual([]);
    expect(axisIds.length).toBeGreaterThanOrEqual(11);
  });

  test('what a drill does for itself is ordinary teaching: only its everyday rules count', () => {
    expect(
      everydayRules({
        exhaleRoute: { stance: 'open-mouth sigh or hiss', scope: 'this drill' },
        bellyOnInhale: { stance: 'rises freely', scope: 'everyday rule' },
      }),
    ).toEqual({ bellyOnInhale: 'rises freely' });
    const withRules = drills.filter(({ stances }) => Object.keys(everydayRules(stances)).length > 0);
    expect(withRules.length).toBeGreaterThan(0);
    expect(withRules.length).toBeLessThan(drills.length);
  });
});
