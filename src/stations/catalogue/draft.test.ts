import { type Drill, drills, findDrill } from '@/core/catalogue';
import { blankDrill, outOfReach } from './draft';
import { draftFaults } from './draftFaults';
import { type DrillField, aboutFields, fieldGroups } from './drillForm';

test('hands that can’t be where they are asked are told, with which hand and how far; the nearest is shown', () => {
  const drill = blankDrill('own-one');
  expect(outOfReach(drill)).toBeNull();
  const asked = { ...drill, positions: ['sitting', 'standing'] as const, hands: 'arm along the floor' as const };
  const said = outOfReach({ ...asked, positions: [...asked.positions] })!;
  expect(said).toMatch(/^Out of reach: the left hand by \d\d cm in sitting and the left hand by \d\d cm in standing\./);
  expect(said).toMatch(/The nearest that can be reached is shown\.$/);
});

test('nothing of the built-in drills is out of reach', () => {
  expect(drills.map((drill) => outOfReach(drill)).filter(Boolean)).toEqual([]);
});

describe('the form of a drill', () => {
  const every = (fields: readonly DrillField[]): readonly DrillField[] =>
    fields.flatMap((field) => (field.kind === 'row' ? every(field.fields) : [field]));
  const fields = every([...aboutFields, ...fieldGroups.flatMap((group) => group.fields)]);
  const drill = findDrill('towel-hug')!;

  test('everything a drill consists of can be entered, but for what it is copied with', () => {
    const changed = new Set(
      fields.flatMap((field): string[] => {
        if ('key' in field) return [field.key];
        if (field.kind === 'steps' || field.kind === 'cues') return [field.kind];
        if (field.kind === 'stance') return ['stances'];
        if ('change' in field)
          return Object.keys((field.change as (value: never, of: Drill) => object)(1 as never, drill));
        return [];
      }),
    );
    // Its name in the catalogue, where it comes from, what it quiets and the movement it is loaded with stay as they were.
    const copied = ['id', 'provenance', 'quiets', 'load'];
    expect([...changed, ...copied].sort()).toEqual(Object.keys(blankDrill('own-1')).sort());
  });

  test('a field shows what the drill has, and putting the same in changes nothing', () => {
    for (const field of fields) {
      if (!('change' in field)) continue;
      const value = field.value(drill);
      if (value === null) continue;
      const after = { ...drill, ...(field.change as (value: unknown, of: Drill) => Partial<Drill>)(value, drill) };
      expect([field.label, field.value(after)]).toEqual([field.label, value]);
    }
  });

  test('what an empty drill lacks is told in a sentence of its field, never in the checker’s words', () => {
    const told = draftFaults(blankDrill('own-1'), new Map()).map(({ what }) => what);
    expect(told.length).toBeGreaterThan(5);
    for (const sentence of told) expect(sentence).toMatch(/^[A-Z][a-z -]+: (at least|a sentence|tick|a few)/);
  });
});
