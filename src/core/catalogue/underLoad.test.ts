import { gatesOfPerson } from '../fixtures';
import { specOf } from '../body';
import { type DrillLoad, asOwn, findMovement, loadAnswer, loadMovements } from '../load';
import { conditionIds } from '../safety';
import { fitOf } from '../sequence';
import { componentsOf, drillOfLoad, drillSchema, drillUnderLoad, drills, findDrill } from '.';
import { ofMovement } from './underLoad';
import { met } from '../../../scripts/met';

const load = (movementId: string, rest: Partial<DrillLoad> = {}): DrillLoad => {
  const { startKg, steady, explosive } = findMovement(movementId)!;
  const strategy = steady ? 'steady' : explosive ? 'burst' : 'with';
  return { movementId, own: null, toward: null, kg: startKg, strategy, through: false, ...rest };
};

test('a movement of one’s own whose parts are called alike is told, breathed and drawn as with names of their own', () => {
  for (const movement of loadMovements) {
    const own = asOwn(movement);
    const alike = { ...own, parts: own.parts.map((part) => ({ ...part, name: 'go' })) };
    const [drill, other] = [own, alike].map((of) => drillUnderLoad('own-move', load(movement.id, { own: of }))) as [
      ReturnType<typeof drillUnderLoad>,
      ReturnType<typeof drillUnderLoad>,
    ];
    expect([movement.id, other.steps.map(({ phase }) => phase)]).toEqual([
      movement.id,
      drill.steps.map(({ phase }) => phase),
    ]);
    // What is told of each part but for its name.
    const told = ({ steps }: typeof drill) => steps.map(({ words }) => words.replace(/^[^:]*/, ''));
    expect([movement.id, told(other)]).toEqual([movement.id, told(drill)]);
    const drawn = (of: typeof drill) => specOf(of, of.positions[0]!, of.sides === 'none' ? 'none' : 'left');
    expect([movement.id, drawn(other)]).toEqual([movement.id, drawn(drill)]);
  }
});

describe('a built-in drill on a movement says which phase is which by the rule', () => {
  test('the pull turned round, its words change places', () => {
    const words = { bend: 'Bend.', back: 'And back.' };
    const said = (id: string) => Object.fromEntries(ofMovement(id, words).steps);
    expect(said('side-bend')).toEqual({ exhale: 'Bend.', inhale: 'And back.' });
    expect(said('side-bend-cable-high')).toEqual({ inhale: 'Bend.', exhale: 'And back.' });
  });

  test('a part without words is told of', () => {
    expect(() => ofMovement('squat', { down: 'Down.' })).toThrow(/No words for “up”/);
  });

  test('whatever caution asks for the exhale with the effort, a drill whose effort is an inhale is off with it', () => {
    for (const drill of drills.filter((one) => one.load)) {
      const { parts } = loadAnswer(
        {
          movementId: drill.load!.movementId,
          hand: findMovement(drill.load!.movementId)!.pull.hand,
          kg: drill.load!.kg || findMovement(drill.load!.movementId)!.startKg,
          repetitions: null,
          effort: null,
          bodyKg: 70,
        },
        null,
      );
      const inhaled = parts.some(({ effort, breath }) => effort && breath === 'in');
      const fit = fitOf(
        drill,
        { position: drill.positions[0]!, props: drill.props, side: drill.sides === 'none' ? 'none' : 'left' },
        gatesOfPerson({ leaking: {} }),
      );
      if (met(inhaled)) expect([drill.id, 'refused' in fit]).toEqual([drill.id, true]);
    }
  });
});

describe('any movement as a drill', () => {
  const strategiesOf = (id: string) => {
    const { steady, explosive } = findMovement(id)!;
    return steady || explosive ? [load(id).strategy] : (['with', 'keep', 'between'] as const);
  };

  test.each(loadMovements.map(({ id }) => [id]))('%s passes the check of the catalogue, however heavy', (id) => {
    for (const strategy of strategiesOf(id)) {
      const drill = drillUnderLoad(`own-${id}`, load(id, { strategy }));
      expect(drillSchema.safeParse(drill).success).toBe(true);
      expect(componentsOf(drill).includes('strain')).toBe(strategy === 'keep' || strategy === 'between');
      expect(drill.cues.length).toBeGreaterThanOrEqual(2);
    }
  });

  test.each(conditionIds.map((id) => [id]))(
    'with %s: what the movement’s answer forbids, its drill is off for, too',
    (condition) => {
      const gates = gatesOfPerson({ [condition]: {} });
      for (const { id, startKg, pull } of loadMovements) {
        const asked = { movementId: id, hand: pull.hand, kg: startKg, repetitions: null, effort: null, bodyKg: 70 };
        const { off, cautions } = loadAnswer(asked, gates);
        const drill = drillUnderLoad(`own-${id}`, load(id));
        const place = {
          position: drill.positions[0]!,
          props: drill.props,
          side: drill.sides === 'none' ? ('none' as const) : ('left' as const),
        };
        if (met(off)) expect([id, 'refused' in fitOf(drill, place, gates)]).toEqual([id, true]);
        const breathless = cautions.some(({ code }) => code === 'noHeldBreath') && strategiesOf(id).length > 1;
        if (met(breathless)) {
          for (const strategy of ['keep', 'between'] as const)
            expect([
              id,
              strategy,
              'refused' in fitOf(drillUnderLoad(`own-${id}`, load(id, { strategy })), place, gates),
            ]).toEqual([id, strategy, true]);
        }
      }
    },
  );

  test('who leaks may row with the exhale on the pull, and not with the inhale', () => {
    const gates = gatesOfPerson({ leaking: {} });
    const fit = (through: boolean) => {
      const drill = drillUnderLoad('own-row', load('row', { through }));
      return fitOf(drill, { position: drill.positions[0]!, props: drill.props, side: 'none' }, gates);
    };
    expect('refused' in fit(false)).toBe(true);
    expect(fit(true)).toMatchObject({ forms: ['exhaleFirst'] });
  });
});

describe('the same load is the same drill', () => {
  test('as the library has it, it is found by its name for good, whatever it weighs', () => {
    const squat = drillOfLoad(load('squat', { kg: 40, strategy: 'keep' }));
    expect(squat.id).toBe('load-squat-keep');
    expect(findDrill('load-squat-keep')).toBe(squat);
    expect(drillOfLoad(load('squat', { kg: 12, strategy: 'keep' }))).toBe(squat);
    for (const { id } of loadMovements)
      expect([id, findDrill(drillOfLoad(load(id)).id)?.load?.movementId]).toEqual([id, id]);
    expect(findDrill('load-juggling-with')).toBeUndefined();
    expect(findDrill('load-squat-gently')).toBeUndefined();
  });

  test('loaded otherwise than the library has it, it has a name of its own, the same each time', () => {
    const turned = load('side-bend', { toward: [0, 0, 1] });
    expect(drillOfLoad(turned).id).toBe(drillOfLoad({ ...turned, kg: 5 }).id);
    const ids = [
      turned,
      load('side-bend', { toward: [0, 1, 0] }),
      load('chair-rise', { kg: 8 }),
      load('carry-both', { leftShare: 0.7 }),
    ].map((one) => drillOfLoad(one).id);
    expect(
      new Set([
        ...ids,
        drillOfLoad(load('side-bend')).id,
        drillOfLoad(load('chair-rise')).id,
        drillOfLoad(load('carry-both')).id,
      ]).size,
    ).toBe(7);
    for (const id of ids) expect([id, findDrill(id)]).toEqual([id, undefined]);
  });
});
