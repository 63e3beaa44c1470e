import { cadence } from '../cadence';
import { type Answer, type ConditionId, conditionIds, emptyProfile, evaluateGates } from '../safety';
import { evenYields } from '../trunk';
import {
  type Plan,
  type PlanItem,
  alternatives,
  checkPlan,
  itemComponents,
  openedRegions,
  planTotals,
  startCadences,
  positionEffects,
} from '.';
import { drills, findDrill } from '../catalogue';

const today = '2026-11-23';
const gatesWith = (...yes: ConditionId[]) => {
  const answer = (id: ConditionId): Answer => ({
    value: yes.includes(id) ? 'yes' : 'no',
    day: today,
    recordId: 'fact',
    detail: {},
  });
  return evaluateGates(
    { ...emptyProfile, answers: Object.fromEntries(conditionIds.map((id) => [id, answer(id)])) },
    today,
  );
};

const item = (rest: Partial<PlanItem> = {}): PlanItem => ({
  id: 'a',
  drillId: 'quiet-nose',
  position: 'sitting',
  props: [],
  side: 'none',
  cadences: [cadence(3, 4.5)],
  breaths: 10,
  sets: 1,
  restSeconds: 20,
  setUpSeconds: 20,
  changes: [],
  reasons: [],
  byHand: true,
  ...rest,
});
const holding = (id: string) =>
  item({
    id,
    drillId: 'exhale-restore',
    position: '90/90',
    cadences: [cadence(3, 7, { bottomPauseSeconds: 3 })],
    breaths: 4,
    sets: 3,
  });
const plan = (items: PlanItem[], minutes = 20): Plan => ({
  request: { intent: 'lowerBreath', side: null, minutes, propsAtHand: ['chair'], leadSchool: 'openAllRegions' },
  proven: false,
  items,
  refusals: [],
});
const words = (problems: ReturnType<typeof checkPlan>) => problems.map(({ level, what }) => `${level}: ${what}`);

describe('a hand edit is checked at once', () => {
  test('a plan that may be coached has no problems', () => {
    expect(checkPlan(plan([item()]), gatesWith())).toEqual([]);
  });

  test('what is blocked is off, with the smallest way out', () => {
    const [drop] = checkPlan(plan([holding('a')]), gatesWith('heart'));
    expect(drop).toMatchObject({ level: 'off', itemId: 'a', wayOut: 'Drop the pause.' });
    expect(drop!.what).toMatch(/holds beyond a natural pause: heart/);
    const [swap] = checkPlan(
      plan([
        item({
          drillId: 'half-dome-back',
          position: 'prone over half-dome',
          props: ['halfDome'],
          cadences: [cadence(5, 6)],
          sets: 2,
          breaths: 9,
        }),
      ]),
      gatesWith('ribFracture'),
    );
    expect(swap).toMatchObject({ level: 'off', wayOut: 'Swap it for another.' });
    const flat = item({ drillId: 'own-hands-ribs', position: 'hook-lying', cadences: [cadence(3.5, 5)], breaths: 8 });
    const [move] = checkPlan(plan([flat]), gatesWith('pregnancy'));
    expect(move).toMatchObject({ level: 'off', wayOut: 'Do it in side-lying.' });
  });

  test('two holds back to back are off; with something between them they are not', () => {
    const allowed = gatesWith();
    expect(words(checkPlan(plan([holding('a'), holding('b')]), allowed))).toContain(
      'off: Long exhale, heels on the wall: two holds back to back.',
    );
    expect(words(checkPlan(plan([holding('a'), item({ id: 'c' }), holding('b')]), allowed)).join()).not.toContain(
      'back to back',
    );
  });

  test('the hold cap of a session is 120 s unless set otherwise (common practice)', () => {
    const long = holding('a');
    expect(planTotals([long]).whole.holdSeconds).toBe(36);
    const many = checkPlan(plan([{ ...long, sets: 5, breaths: 9 }]), gatesWith());
    expect(words(many)).toContain('off: 135 s of holds; the cap is 120 s.');
  });

  test('too long, too many changes and an odd dose are told and left to the coach', () => {
    const standing = item({ id: 'b', position: 'standing' });
    const lying = item({ id: 'c', position: 'hook-lying' });
    const back = [item(), standing, lying, { ...standing, id: 'd' }, { ...lying, id: 'e' }];
    expect(words(checkPlan(plan(back), gatesWith()))).toContain('mind: 4 changes between floor, chair and standing.');
    expect(words(checkPlan(plan([item({ breaths: 60 })], 5), gatesWith()))).toEqual([
      'mind: Quiet nose breath: 60 breaths, usual 8 to 20.',
      'mind: 3 min 50 s longer than the 5 minutes there are.',
    ]);
    expect(words(checkPlan(plan([item({ cadences: [cadence(9, 4.5)] })]), gatesWith()))).toEqual([
      'mind: Quiet nose breath: 9 s in, usual 2.5 to 4.',
    ]);
  });

  test('a prop that is not at hand, and a drill that is gone', () => {
    const towel = item({ drillId: 'towel-hug', props: ['towel'], cadences: [cadence(4, 6)], breaths: 8, sets: 2 });
    expect(words(checkPlan(plan([towel]), gatesWith()))).toEqual([
      'mind: Towel round the ribs: stiff bath towel is not at hand.',
    ]);
    const gone = { ...plan([]), items: [item({ drillId: 'no-longer' })] };
    expect(words(checkPlan(gone, gatesWith()))).toEqual(['off: This drill is no longer in the catalogue.']);
  });
});

describe('what an item contains', () => {
  test('comes from drill, position, props and pauses', () => {
    expect(itemComponents(holding('a'))).toEqual(expect.arrayContaining(['hold', 'forcedExhale', 'flatSupine']));
    const dropped = { ...holding('a'), cadences: [cadence(3, 7)] };
    expect(itemComponents(dropped)).not.toContain('hold');
    expect(itemComponents(item({ drillId: 'towel-hug', props: ['band'] }))).toContain('latex');
  });

  test('dropping the hold keeps what the drill allows at the least', () => {
    const restore = findDrill('exhale-restore')!;
    expect(startCadences(restore, false)[0]!.bottomPauseSeconds).toBe(3);
    expect(startCadences(restore, true)[0]!.bottomPauseSeconds).toBe(0);
    expect(startCadences(findDrill('count-ladder')!, false)).toHaveLength(5);
  });

  test('a sided drill opens the side that is worked, both when both are', () => {
    const bend = findDrill('side-bend-open')!;
    expect(openedRegions(bend, 'left')).toEqual({ leftSide: 3, leftBack: 1 });
    expect(openedRegions(bend, 'right')).toEqual({ rightSide: 3, rightBack: 1 });
    expect(Object.keys(openedRegions(bend, 'both')).sort()).toEqual(['leftBack', 'leftSide', 'rightBack', 'rightSide']);
    expect(positionEffects('side-lying', 'right')).toEqual(['side-lying, right side up']);
    expect(positionEffects('hook-lying', 'none')).toEqual(['lying on the back']);
  });
});

describe('what could stand in', () => {
  const context = { gates: gatesWith(), yields: evenYields(), confirmedPatterns: [], stoppedDrills: [] };
  const { request } = plan([]);

  test('the easier neighbour comes first, the harder next, and nothing that is taken', () => {
    const list = alternatives(request, context, ['calm-down', 'resting-watch'], findDrill('quiet-nose')!);
    const ids = list.map(({ drill }) => drill.id);
    expect(ids).not.toContain('resting-watch');
    expect(ids).not.toContain('calm-down');
    const fresh = alternatives(request, context, [], findDrill('quiet-nose')!);
    expect(fresh.slice(0, 2).map(({ drill, relation }) => [drill.id, relation])).toEqual([
      ['resting-watch', 'easier'],
      ['calm-down', 'harder'],
    ]);
    expect(new Set(fresh.map(({ drill }) => drill.id)).size).toBe(fresh.length);
    expect(fresh.length).toBeLessThanOrEqual(drills.length);
  });

  test('never offers what a gate blocks', () => {
    const gated = { ...context, gates: gatesWith('pregnancy', 'knee') };
    for (const { item: offered } of alternatives(request, gated, [], null)) {
      expect(itemComponents({ ...offered, cadences: offered.cadences })).not.toContain('flatSupine');
    }
  });
});
