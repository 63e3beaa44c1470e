import { type LookRecord, type Raw, blankRaw, cautionsSeen, testVerdict } from '.';
import { readFindings } from '../read';
import { answersWith } from '../fixtures';
import { checkComponents, emptyProfile, evaluateGates } from '../safety';

const today = '2026-11-23';
let made = 0;
const floor = (raw: Partial<Raw<'floor'>>, day = today): LookRecord => ({
  id: `look-${(made += 1)}`,
  visitId: 'visit',
  protocol: 'floor',
  version: 1,
  moment: 'before',
  takenAt: `${day}T10:00:00Z`,
  raw: blankRaw('floor', raw),
});
const gates = (looks: LookRecord[], yes: Parameters<typeof answersWith>[0] = {}) =>
  evaluateGates({ ...emptyProfile, answers: answersWith(yes) }, today, undefined, cautionsSeen(looks));

describe('what Look finds gates like what is told on Screen (common practice, ours)', () => {
  test.each<Partial<Raw<'floor'>>>([{ softens: 'no' }, { letsGo: 'no' }, { pain: 'yes' }])(
    'a floor that holds: %p',
    (raw) => {
      const found = gates([floor(raw)]);
      const told = gates([], { holdingFloor: {} });
      const off = (all: typeof found) =>
        all.gates.map(({ level, component, form }) => `${level} ${component} ${form ?? ''}`).sort();
      expect(off(found)).toEqual(off(told));
      const [refusal] = checkComponents(found, ['floorLift']).refusals;
      expect(refusal!.reason.what).toContain('found in Look');
      expect(refusal!.reason.records[0]!.kind).toBe('look');
    },
  );

  test('leaking found there too, and the newest look of it counts', () => {
    expect(checkComponents(gates([floor({ leaks: 'yes' })]), ['strain']).allowed).toBe(false);
    const better = [floor({ softens: 'no' }, '2026-11-01'), floor({ softens: 'yes', letsGo: 'yes' }, today)];
    expect(checkComponents(gates(better), ['floorLift']).allowed).toBe(true);
    expect(checkComponents(gates([...better].reverse()), ['floorLift']).allowed).toBe(true);
    expect(cautionsSeen([floor({ softens: 'can’t feel' })])).toEqual([]);
  });

  test('it counts although Screen said no, and although nothing was asked', () => {
    const unasked = evaluateGates(emptyProfile, today, undefined, cautionsSeen([floor({ letsGo: 'no' })]));
    expect(checkComponents(unasked, ['floorLift']).refusals[0]!.level).toBe('block');
  });
});

describe('a floor asked a second time, and a leak on the way', () => {
  const again = (raw: Partial<Raw<'floor'>>) => floor({ ...raw, again: true }, '2026-11-24');

  test('a second reading, half done or saying otherwise, lifts nothing; one begun afresh does', () => {
    const holding = floor({ softens: 'no' });
    const conditions = (...looks: LookRecord[]) => cautionsSeen(looks).map(({ condition }) => condition);
    expect(conditions(holding, again({ urgency: 'no' }))).toEqual(['holdingFloor']);
    expect(conditions(holding, again({ softens: 'yes', letsGo: 'yes', pain: 'no' }))).toEqual(['holdingFloor']);
    expect(conditions(floor({ softens: 'yes' }), again({ softens: 'no' }))).toEqual(['holdingFloor']);
    expect(conditions(holding, floor({ softens: 'yes', letsGo: 'yes', pain: 'no' }, '2026-11-24'))).toEqual([]);
  });

  test('leaking with nothing but an urge gates nothing of effort', () => {
    expect(cautionsSeen([floor({ leaks: 'yes', leaksWith: ['urge'] })])).toEqual([]);
    expect(cautionsSeen([floor({ leaks: 'yes', leaksWith: ['urge', 'lift'] })])).toHaveLength(1);
    expect(cautionsSeen([floor({ leaks: 'yes' })])).toHaveLength(1);
  });
});

describe('what is told on Screen reaches the reading', () => {
  test.each([
    ['holdingFloor', 'cannotLetGo'],
    ['leaking', 'leaks'],
    ['separation', 'separation'],
  ])('%s is the finding %s, with its record', (condition, id) => {
    const finding = readFindings([], answersWith({ [condition]: {} })).find((one) => one.id === id)!;
    expect(finding.severity).toBeGreaterThanOrEqual(2);
    expect(finding.record).toEqual({ kind: 'fact', id: `told-${condition}`, label: 'Screen' });
    expect(readFindings([], answersWith())).toEqual([]);
  });
});

describe('a test has no other form', () => {
  test('what would be done otherwise is left out; a foot lifted on the exhale is one already', () => {
    expect(testVerdict(gates([], { ribFracture: {} }), ['sideBend'])).toMatchObject({ allowed: false });
    expect(testVerdict(gates([], { leaking: {} }), ['march'])).toMatchObject({ allowed: true });
    expect(testVerdict(gates([], { pelvicGirdlePain: {} }), ['march'])).toMatchObject({ allowed: false });
  });
});
