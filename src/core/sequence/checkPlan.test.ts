import { cadence } from '../cadence';
import { type Answer, type ConditionId, conditionIds, defaultLimits, emptyProfile, evaluateGates } from '../safety';
import { evenYields } from '../trunk';
import {
  type DrillHistory,
  type Plan,
  type PlanItem,
  alternatives,
  checkPlan,
  itemComponents,
  openedRegions,
  planTotals,
  startCadences,
  positionEffects,
  weighPlan,
} from '.';
import { drills, findDrill, remade } from '../catalogue';

const today = '2026-11-23';
const profileWith = (...yes: ConditionId[]) => {
  const answer = (id: ConditionId): Answer => ({
    value: yes.includes(id) ? 'yes' : 'no',
    day: today,
    recordId: 'fact',
    detail: {},
  });
  return { ...emptyProfile, answers: Object.fromEntries(conditionIds.map((id) => [id, answer(id)])) };
};
const gatesWith = (...yes: ConditionId[]) => evaluateGates(profileWith(...yes), today);

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
/** How a whole plan begins and ends is told apart below; single items are looked at without it. */
const frame = ['It does not begin with settling.', 'Nothing at the end carries it into the day.'];
const words = (problems: ReturnType<typeof checkPlan>) =>
  problems.filter(({ what }) => !frame.includes(what)).map(({ level, what }) => `${level}: ${what}`);
const settling = item({ id: 's', drillId: 'resting-watch', cadences: [cadence(3, 4)], breaths: 8 });
const carrying = item({ id: 'z', drillId: 'carry-sitting', cadences: [cadence(3, 4.5)], breaths: 5, sets: 1 });

describe('a hand edit is checked at once', () => {
  test('a plan that may be coached has no problems', () => {
    expect(checkPlan(plan([settling, item(), carrying]), gatesWith())).toEqual([]);
  });

  test('what is blocked is off, with the smallest way out', () => {
    const [drop] = checkPlan(plan([holding('a')]), gatesWith('heart'));
    expect(drop).toMatchObject({
      level: 'off',
      itemId: 'a',
      wayOut: 'Do it so: no pause, straight on (heart or blood pressure).',
      fix: { forms: ['noPause'] },
    });
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
    const own = (holdSeconds: number) => evaluateGates(profileWith(), today, { ...defaultLimits, holdSeconds });
    expect(words(checkPlan(plan([long]), own(30)))).toContain('off: 36 s of holds; the cap is 30 s.');
    expect(words(checkPlan(plan([{ ...long, sets: 5, breaths: 9 }]), own(300))).join()).not.toContain('s of holds');
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

describe('rules of order are told with the way out, never repaired', () => {
  const what = (items: PlanItem[], history: DrillHistory[] = [], rest: Partial<Plan['request']> = {}) => {
    const whole = plan(items);
    return checkPlan({ ...whole, request: { ...whole.request, ...rest } }, gatesWith(), { history }).map(
      (problem) => problem.what,
    );
  };

  test('it begins with settling and ends in the day', () => {
    expect(what([item({ drillId: 'towel-hug' })])).toEqual(expect.arrayContaining(frame));
    expect(what([settling, item(), carrying])).toEqual([]);
  });

  test('a prerequisite comes before, unless the drill is owned', () => {
    const leaves = item({ id: 'l', drillId: 'elbows-leave-wall', position: 'elbows on the wall' });
    expect(what([settling, leaves, carrying]).join()).toContain('wants Elbows on the wall before it');
    const owned: DrillHistory = {
      drillId: 'elbows-on-wall',
      outcomes: ['calm'],
      breaths: 9,
      sets: 1,
      landed: [],
      missed: [],
    };
    expect(what([settling, leaves, carrying], [owned]).join()).not.toContain('wants Elbows');
  });

  test('difficulty does not jump, and few things are new', () => {
    const bear = item({ id: 'b', drillId: 'bear-float', position: 'bear' });
    expect(what([settling, bear, carrying]).join()).toContain('a step up from 1 to 6 of 6');
    const hard = ['squat-breath', 'prone-lifts', 'sternum-and-blades'].map((drillId) => item({ id: drillId, drillId }));
    expect(what([settling, ...hard, carrying]).join()).toContain('3 things to learn; 2 a visit are enough');
  });

  test('what the coach’s own drills have taught is not new', () => {
    const hard = ['squat-breath', 'prone-lifts', 'sternum-and-blades'].map((drillId) => item({ id: drillId, drillId }));
    const ownDrills = hard.map(({ drillId }) => ({ ...findDrill(drillId)!, id: `own-${drillId}` }));
    const history = ownDrills.map(({ id }): DrillHistory => ({
      drillId: id,
      outcomes: ['calm'],
      breaths: 9,
      sets: 1,
      landed: [],
      missed: [],
    }));
    const told = checkPlan(plan([settling, ...hard, carrying]), gatesWith(), { history, ownDrills });
    expect(words(told).join()).not.toContain('things to learn');
  });

  test('exhale comes before opening where the intent asks for it', () => {
    const opens = item({ id: 'o', drillId: 'side-bend-open' });
    const exhale = item({ id: 'e', drillId: 'soft-hiss' });
    expect(what([settling, opens, exhale, carrying], [], { intent: 'letRibsDown' }).join()).toContain(
      'opens before the exhale',
    );
    expect(what([settling, exhale, opens, carrying], [], { intent: 'letRibsDown' }).join()).not.toContain(
      'opens before',
    );
  });

  test('everyday rules that contradict are off until the contrast is meant', () => {
    const lets = item({ id: 'x', drillId: 'two-hand-belly' });
    const keeps = item({ id: 'y', drillId: 'hook-stack', position: 'hook-lying' });
    const off = checkPlan(plan([settling, lets, keeps, carrying]), gatesWith()).filter(({ level }) => level === 'off');
    expect(off.map(({ itemId }) => itemId)).toEqual(['y']);
    expect(off[0]!.what).toContain('“is contained by light tension”; Two-hand belly breath says “rises freely”');
    const meant = checkPlan(plan([settling, lets, { ...keeps, contrast: true }, carrying]), gatesWith());
    expect(meant.filter(({ level }) => level === 'off')).toEqual([]);
  });

  test('the lead school’s everyday rule is held too', () => {
    const keeps = item({ id: 'y', drillId: 'hook-stack', position: 'hook-lying' });
    expect(what([settling, keeps, carrying], [], { leadSchool: 'quietChest' }).join()).toContain(
      'quiet chest, which leads, says',
    );
  });

  test('the same drill twice, and too many things, are told', () => {
    expect(what([settling, item(), item({ id: 'again' }), carrying]).join()).toContain('is in the plan twice');
    const many = Array.from({ length: 9 }, (_, i) => item({ id: `n${i}`, drillId: 'quiet-nose', breaths: 8 }));
    expect(what(many).join()).toContain('9 things; 6 are enough for 20 minutes');
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
    expect(startCadences(restore)[0]!.bottomPauseSeconds).toBe(3);
    expect(startCadences(remade(restore, ['noPause'], '90/90')!)[0]!.bottomPauseSeconds).toBe(1);
    expect(startCadences(findDrill('count-ladder')!)).toHaveLength(5);
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

  const standing = [item({ id: 'a', drillId: 'calm-down' }), item({ id: 'b' })];

  test('the easier neighbour comes first, the harder next, and nothing that is taken', () => {
    const list = alternatives(request, context, standing, 1, 'swap');
    const ids = list.map(({ drill }) => drill.id);
    expect(ids).not.toContain('calm-down');
    const fresh = alternatives(request, context, [item()], 0, 'swap');
    expect(fresh.slice(0, 2).map(({ drill, relation }) => [drill.id, relation])).toEqual([
      ['resting-watch', 'easier'],
      ['calm-down', 'harder'],
    ]);
    expect(new Set(fresh.map(({ drill }) => drill.id)).size).toBe(fresh.length);
    expect(fresh.length).toBeLessThanOrEqual(drills.length);
  });

  test('each says what it costs: worth, seconds and changes of position as the plan would have them', () => {
    for (const { item: offered, worth, seconds, changes } of alternatives(request, context, standing, 1, 'swap').slice(
      0,
      12,
    )) {
      const then = [standing[0]!, { ...offered, id: 'new' }];
      const points = (items: PlanItem[]) => weighPlan(items, request, context).points;
      expect(worth).toBeCloseTo(points(then) / points(standing), 9);
      expect(seconds).toBe(planTotals(then).whole.seconds - planTotals(standing).whole.seconds);
      expect(changes).toBe(planTotals(then).positionChanges - planTotals(standing).positionChanges);
    }
  });

  test('adding keeps what stands there', () => {
    const [first] = alternatives(request, context, standing, 1, 'add');
    const then = [standing[0]!, { ...first!.item, id: 'new' }, standing[1]!];
    expect(first!.seconds).toBe(planTotals(then).whole.seconds - planTotals(standing).whole.seconds);
  });

  test('never offers what a gate blocks', () => {
    const gated = { ...context, gates: gatesWith('pregnancy', 'knee') };
    for (const { item: offered } of alternatives(request, gated, [], 0, 'add')) {
      expect(itemComponents({ ...offered, cadences: offered.cadences })).not.toContain('flatSupine');
    }
  });
});
