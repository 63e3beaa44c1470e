import { positions } from '../catalogue';
import {
  type Answer,
  type ConditionId,
  type Profile,
  conditionIds,
  defaultLimits,
  emptyProfile,
  evaluateGates,
} from '../safety';
import { intentIds } from '../read';
import { clashes, everydayRules, schoolIds } from '../schools';
import { evenYields } from '../trunk';
import {
  type PlanContext,
  type PlanRequest,
  checkPlan,
  diminishing,
  drillOf,
  itemComponents,
  makePlan,
  mostItems,
  planSchema,
  planTotals,
  refusalsOf,
} from '.';
import { rounds } from '../../../scripts/rounds';

const today = '2026-11-23';
const answer = (value: Answer['value'], detail: Answer['detail'] = {}): Answer => ({
  value,
  day: today,
  recordId: 'fact',
  detail,
});

/** Everything asked and answered no, but for the given conditions. */
export function profileWith(yes: Partial<Record<ConditionId, Answer['detail']>>): Profile {
  const answers = Object.fromEntries(
    conditionIds.map((id) => [id, yes[id] ? answer('yes', yes[id]) : answer('no')]),
  ) as Profile['answers'];
  return { ...emptyProfile, answers };
}

const contextFor = (profile: Profile, extra: Partial<PlanContext> = {}): PlanContext => ({
  gates: evaluateGates(profile, today),
  yields: evenYields(),
  confirmedPatterns: [],
  stoppedDrills: [],
  ...extra,
});

const request = (extra: Partial<PlanRequest> = {}): PlanRequest => ({
  intent: 'openSidesAndBack',
  side: null,
  minutes: 20,
  propsAtHand: ['towel', 'pillow', 'wall', 'chair', 'straw', 'block', 'table', 'ball'],
  leadSchool: 'openAllRegions',
  ...extra,
});

const counter = () => {
  let next = 0;
  return () => `item-${(next += 1)}`;
};

const everyCase = intentIds.flatMap((intent) => [8, 12, 20, 30].map((minutes) => [intent, minutes] as const));

describe('makePlan', () => {
  test('asks for no more holds than the coach lets a session have, none included', () => {
    const heldWith = (intent: PlanRequest['intent'], holdSeconds: number) => {
      const gates = evaluateGates(profileWith({}), today, { ...defaultLimits, holdSeconds });
      const asked = request({ intent, minutes: 15, side: 'left' });
      return planTotals(makePlan(asked, { ...contextFor(profileWith({})), gates }, counter()).items).whole.holdSeconds;
    };
    const holding = intentIds.filter((intent) => heldWith(intent, defaultLimits.holdSeconds) > 10);
    expect(holding.length).toBeGreaterThan(0);
    for (const intent of holding) {
      expect(heldWith(intent, 10)).toBeLessThanOrEqual(10);
      expect(heldWith(intent, 0)).toBe(0);
    }
  });

  test.each(everyCase)('%s in %d minutes keeps every hard rule', (intent, minutes) => {
    const asked = request({ intent, minutes, side: 'left' });
    const context = contextFor(profileWith({}));
    const plan = makePlan(asked, context, counter());
    expect(planSchema.safeParse(plan).success).toBe(true);
    expect(plan.items.length).toBeGreaterThan(1);
    expect(plan.items.length).toBeLessThanOrEqual(mostItems(minutes));
    const { whole, baseChanges } = planTotals(plan.items);
    expect(whole.seconds).toBeLessThanOrEqual(minutes * 60);
    expect(whole.holdSeconds).toBeLessThanOrEqual(defaultLimits.holdSeconds);
    expect(baseChanges).toBeLessThanOrEqual(3);
    // It opens with something still and gentle that brings to rest.
    const opening = drillOf(plan.items[0]!);
    expect([opening.movement, opening.level <= 2, (opening.skills.settle ?? 0) >= 1]).toEqual(['none', true, true]);
    expect(checkPlan(plan, context.gates)).toEqual([]);
    const rules = plan.items.map((item) => everydayRules(drillOf(item).stances));
    for (const one of rules) for (const other of rules) expect(clashes(one, other)).toEqual([]);
    expect(plan.items.every(({ reasons }) => reasons.length > 0)).toBe(true);
  });

  test('every drill is either in the plan or refused with a reason', () => {
    const plan = makePlan(request(), contextFor(profileWith({ latex: {} })), counter());
    const named = new Set([
      ...plan.items.map(({ drillId }) => drillId),
      ...plan.refusals.map(({ drillId }) => drillId),
    ]);
    expect(named.size).toBe(plan.items.length + plan.refusals.length);
    expect([...named].length).toBeGreaterThanOrEqual(16);
    expect(plan.refusals.every(({ reason }) => reason.what.length > 5)).toBe(true);
  });

  test('opening the left side plans left-sided work, on the left only', () => {
    const plan = makePlan(request({ intent: 'openOneSide', side: 'left' }), contextFor(profileWith({})), counter());
    const sided = plan.items.filter(({ side }) => side !== 'none');
    expect(sided.length).toBeGreaterThan(0);
    expect(sided.every(({ side }) => side === 'left')).toBe(true);
  });

  test('pregnant, week 29: nothing flat on the back, nothing prone, no hold, and the reason says why', () => {
    const profile = profileWith({ pregnancy: { weekOnDay: 29 } });
    const plan = makePlan(request({ intent: 'lowerBreath' }), contextFor(profile), counter());
    const contained = plan.items.flatMap(itemComponents);
    for (const off of ['flatSupine', 'prone', 'hold', 'balloon'] as const) expect(contained).not.toContain(off);
    const refused = plan.refusals.find(({ drillId }) => drillId === 'tuck-breath')!;
    expect(refused.reason.what).toContain('pregnant, week 29');
  });

  test('a drill with a pause is planned without it when holds are off, where the rest may stand', () => {
    const profile = profileWith({ heart: {} });
    const plan = makePlan(
      request({ intent: 'stackAndSpread', musts: ['exhale-restore'] }),
      contextFor(profile),
      counter(),
    );
    expect(plan.items.flatMap(itemComponents)).not.toContain('hold');
    const restore = plan.items.find(({ drillId }) => drillId === 'exhale-restore')!;
    expect(restore.changes.join()).toContain('no pause, straight on (heart or blood pressure)');
    expect(checkPlan(plan, contextFor(profile).gates)).toEqual([]);
  });

  test('nobody has been asked anything: no hold and nothing prone, however the intent wants it', () => {
    const plan = makePlan(request({ intent: 'stackAndSpread' }), contextFor(emptyProfile), counter());
    const contained = plan.items.flatMap(itemComponents);
    expect(contained).not.toContain('hold');
    expect(contained).not.toContain('prone');
    expect(plan.refusals.find(({ drillId }) => drillId === 'half-dome-back')!.reason.what).toMatch(/^Not yet/);
  });

  test('random profiles: no plan ever violates a gate', () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    for (let round = 0; round < rounds(60); round += 1) {
      const yes = Object.fromEntries(
        conditionIds
          .filter(() => random() < 0.2)
          .map((id) => [id, id === 'pregnancy' ? { weekOnDay: 1 + Math.floor(random() * 41) } : {}]),
      );
      const context = contextFor(profileWith(yes));
      const intent = intentIds[Math.floor(random() * intentIds.length)]!;
      const leadSchool = schoolIds[Math.floor(random() * schoolIds.length)]!;
      const plan = makePlan(
        request({ intent, leadSchool, side: 'right', minutes: 10 + Math.floor(random() * 20) }),
        context,
        counter(),
      );
      for (const item of plan.items) expect(refusalsOf(item, context.gates)).toEqual([]);
      expect(checkPlan(plan, context.gates).filter(({ level }) => level === 'off')).toEqual([]);
    }
  });

  test('a drill that ended in a stop stays out until reviewed', () => {
    const free = makePlan(request(), contextFor(profileWith({})), counter());
    const drillId = free.items.at(-1)!.drillId;
    const held = makePlan(
      request(),
      contextFor(profileWith({}), { stoppedDrills: [{ drillId, runId: 'run-1' }] }),
      counter(),
    );
    expect(held.items.map((item) => item.drillId)).not.toContain(drillId);
    expect(held.refusals.find((refusal) => refusal.drillId === drillId)!.reason.records[0]!.id).toBe('run-1');
  });

  test('more minutes never make the plan worth less, and the answer is one and the same', () => {
    const context = contextFor(profileWith({}));
    const breaths = [8, 12, 16, 20, 25, 30].map(
      (minutes) => planTotals(makePlan(request({ minutes }), context, counter()).items).whole.breaths,
    );
    expect([...breaths].sort((a, b) => a - b)).toEqual(breaths);
    expect(makePlan(request(), context, counter())).toEqual(makePlan(request(), context, counter()));
  });

  test('without props the body and substitutes are used, and the rest is refused for the prop', () => {
    const plan = makePlan(request({ propsAtHand: [] }), contextFor(profileWith({})), counter());
    expect(plan.items.flatMap(({ props }) => props).every((prop) => prop === 'lips' || prop === 'hiss')).toBe(true);
    expect(plan.refusals.find(({ drillId }) => drillId === 'towel-hug')!.reason.what).toContain('not at hand');
  });

  test('a latex allergy gives the towel, not the band, and says so', () => {
    const plan = makePlan(
      request({ propsAtHand: ['band', 'towel', 'chair'] }),
      contextFor(profileWith({ latex: {} })),
      counter(),
    );
    const hug = plan.items.find(({ drillId }) => drillId === 'towel-hug')!;
    expect(hug.props).toEqual(['towel']);
    expect(hug.reasons.map(({ what }) => what)).toContain('Towel instead of band.');
  });

  test('gentle to demanding: within a stage the positions only climb', () => {
    const plan = makePlan(request({ minutes: 30 }), contextFor(profileWith({})), counter());
    const ranks = plan.items.slice(1).map(({ position }) => positions[position].rank);
    expect([...ranks].sort((a, b) => a - b)).toEqual(ranks);
  });
});

test('gains have diminishing returns', () => {
  expect(diminishing(0)).toBe(0);
  expect(diminishing(30)).toBe(300);
  expect(diminishing(60)).toBe(450);
  expect(diminishing(60) - diminishing(30)).toBeLessThan(diminishing(30));
  expect(diminishing(500)).toBe(diminishing(100));
});
