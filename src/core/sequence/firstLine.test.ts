import { drills, findDrill } from '../catalogue';
import { patterns } from '../read';
import { type SchoolId, schoolIds } from '../schools';
import { contextFor, gatesOfPerson, requestFor } from '../fixtures';
import { type PlanContext, type PlanRequest, makePlan, orderOfWorkFor, secondsWithTalk } from '.';

let made = 0;
const newId = () => `item-${(made += 1)}`;
const plan = (pattern: string, ask: Partial<PlanRequest> = {}, know: Partial<PlanContext> = {}) =>
  makePlan(requestFor(pattern, ask), contextFor(pattern, know), newId);
const idsOf = ({ items }: { items: readonly { drillId: string }[] }) => items.map(({ drillId }) => drillId);

// The order of work is the trade's; every row written down anew from it, in its own words. Common practice, no published source.
describe('first answers come first', () => {
  test.each<[string, number, RegExp]>([
    ['upperChest', 12, /two-hand|tuck/i],
    ['bellyOnly', 12, /hook-lying stack/i],
    ['heldInInhale', 12, /long exhale, heels on the wall/i],
    ['pitchedForward', 12, /towel round the ribs/i],
    ['sidesAndBackClosed', 12, /towel|band/i],
    ['oneSide', 12, /side-lying, upper ribs open/i],
    ['pumpClosed', 12, /sternum|band under/i],
    ['paradoxical', 12, /smaller breath, propped/i],
    ['forcedBelly', 12, /let it come/i],
    ['shallowBraced', 12, /supported release/i],
    ['topDown', 12, /lower-first exhale with a ball/i],
    ['floorHolds', 12, /three in seven out/i],
    ['floorLate', 20, /lift/i],
    ['airHunger', 12, /quiet nose breath/i],
    ['positionDependent', 12, /find the tilt/i],
    ['even', 12, /squat/i],
  ])('%s in %d minutes', (pattern, minutes, name) => {
    const { items, notes } = plan(pattern, { minutes });
    const names = items.map(({ drillId }) => findDrill(drillId)!.name);
    const said = (notes ?? []).join(' ');
    expect(`${names.join('; ')} | ${said}`).toMatch(name);
    expect(items.length).toBeGreaterThan(1);
  });

  test('held in inhale: the exhale, then the stack, and the half-dome can follow', () => {
    const ids = idsOf(plan('heldInInhale', { minutes: 30 }));
    expect(ids.indexOf('exhale-restore')).toBeGreaterThanOrEqual(0);
    expect(ids.indexOf('hook-stack')).toBeGreaterThan(ids.indexOf('exhale-restore'));
  });

  test('a floor that holds gets child’s pose, and nothing on the front with pelvic pain', () => {
    const gates = gatesOfPerson({ holdingFloor: {} });
    const made_ = plan('floorHolds', { minutes: 25 }, { gates });
    expect(idsOf(made_)).toContain('childs-pose-back');
    expect(made_.items.some(({ position }) => /prone/.test(position))).toBe(false);
  });

  test('what is gated, missing or kept out is done by what stands in for it, and that is said', () => {
    const without = plan('heldInInhale', { propsAtHand: [], avoidPositions: ['90/90', 'legs on a chair'] });
    expect(idsOf(without)).not.toContain('exhale-restore');
    expect((without.notes ?? []).join(' ')).toMatch(/stands in for Long exhale, heels on the wall/);
    const never = plan('oneSide', { nevers: ['side-lying-open'] });
    expect((never.notes ?? []).join(' ')).toMatch(/left out, Side-lying, upper ribs open: you took it out/);
  });

  test('each reason says that it is a first answer', () => {
    const { items } = plan('heldInInhale');
    const first = items.find(({ drillId }) => drillId === 'exhale-restore')!;
    expect(first.reasons.map(({ what }) => what).join(' ')).toMatch(/First answer to “held in inhale, flare”/);
  });

  test('a drill named in the order of work is one of the catalogue', () => {
    const known = new Set(drills.map(({ id }) => id));
    for (const { id } of patterns) {
      for (const school of schoolIds as readonly SchoolId[]) {
        for (const step of orderOfWorkFor(id, school))
          for (const drill of step) expect([drill, known.has(drill)]).toEqual([drill, true]);
      }
    }
  });
});

// Common practice, no published source.
describe('conditions pull drills in as well as push them out', () => {
  test.each([
    ['lung', 'airHunger', 'lean-and-purse'],
    ['leaking', 'floorLate', 'own-hands-ribs'],
    ['pregnancy', 'sidesAndBackClosed', 'wall-sit-reach'],
  ] as const)('%s with %s: %s', (condition, pattern, drillId) => {
    const gates = gatesOfPerson({ [condition]: condition === 'pregnancy' ? { weekOnDay: 29 } : {} });
    const pulled = plan(pattern, { minutes: 30 }, { gates, conditions: [condition] });
    const item = pulled.items.find((one) => one.drillId === drillId)!;
    expect(item.reasons.map(({ what }) => what).join(' ')).toMatch(/Asked for by/);
  });
});

describe('time that is left', () => {
  test('goes into the doses, or is spoken for; talk and correction are allowed for', () => {
    for (const { id } of patterns) {
      for (const minutes of [15, 25, 40]) {
        const made_ = plan(id, { minutes });
        const used = secondsWithTalk(made_.items, made_.request);
        expect(used).toBeLessThanOrEqual(minutes * 60);
        const spare = minutes * 60 - used;
        const said = (made_.notes ?? []).some((note) => /minutes are left/.test(note));
        expect([id, minutes, spare < 150 || said]).toEqual([id, minutes, true]);
      }
    }
  });

  test('more talk a drill leaves less for drills', () => {
    const [brief, long] = [0, 120].map((talkSeconds) => plan('sidesAndBackClosed', { minutes: 15, talkSeconds }));
    const seconds = (made_: typeof brief) => secondsWithTalk(made_!.items, { ...made_!.request, talkSeconds: 0 });
    expect(seconds(long)).toBeLessThan(seconds(brief));
  });
});
