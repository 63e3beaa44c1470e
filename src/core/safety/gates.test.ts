import { daysBetween } from '../record';
import {
  type Answer,
  type Component,
  type ConditionId,
  type Profile,
  ageOn,
  checkComponents,
  componentIds,
  conditionById,
  conditionIds,
  defaultLimits,
  emptyProfile,
  evaluateGates,
  flaggedConditions,
  gateTable,
  highRisk,
  needsGuardian,
  pregnancyWeek,
  refusalInWords,
  unansweredConditions,
} from '.';

const today = '2026-11-23';
const answer = (value: Answer['value'], detail: Answer['detail'] = {}, day = today): Answer => ({
  value,
  day,
  recordId: `fact-${value}`,
  detail,
});
const allNo = Object.fromEntries(conditionIds.map((id) => [id, answer('no')])) as Profile['answers'];
const withYes = (id: ConditionId, detail: Answer['detail'] = {}, day = today): Profile => ({
  ...emptyProfile,
  answers: { ...allNo, [id]: answer('yes', detail, day) },
});
const blocked = (profile: Profile, component: Component, onDay = today) =>
  !checkComponents(evaluateGates(profile, onDay), [component]).allowed;

describe('the caution table', () => {
  test('what is off says so in one sentence, with a reason that names its record', () => {
    for (const condition of conditionIds) {
      const { gates } = evaluateGates(withYes(condition), today);
      for (const { component, level } of gates.filter((gate) => gate.level !== 'ask')) {
        const verdict = checkComponents(evaluateGates(withYes(condition), today), [component]);
        const [first] = [...verdict.refusals, ...verdict.changes];
        expect(first!.reason.records[0]!.id).toBe('fact-yes');
        const words = refusalInWords({ refusals: [first!] });
        expect(words).toMatch(
          level === 'block' ? /^Off today, .+: .+\.$/ : /^(Off|Only in another form) today, .+: .+\.$/,
        );
      }
    }
  });

  test('every condition has a row, and every row a condition and known components', () => {
    expect(new Set(gateTable.map(({ condition }) => condition))).toEqual(new Set(conditionIds));
    const used = gateTable.flatMap((row) => [...row.blocks, ...row.changes.flatMap((change) => change.components)]);
    expect(used.every((component) => componentIds.includes(component))).toBe(true);
    expect(() => conditionById('flu' as ConditionId)).toThrow(RangeError);
  });

  test('nobody with everything answered no is kept from anything', () => {
    const gates = evaluateGates({ ...emptyProfile, answers: allNo }, today);
    expect(gates.gates).toEqual([]);
    expect(checkComponents(gates, componentIds).allowed).toBe(true);
  });
});

describe('unknown is a value', () => {
  test('a client nobody has asked anything is kept from every high-risk component, and told which question', () => {
    const verdict = checkComponents(evaluateGates(emptyProfile, today), ['hold']);
    expect(verdict.allowed).toBe(false);
    expect(verdict.refusals.every(({ level }) => level === 'ask')).toBe(true);
    expect(refusalInWords(verdict)).toMatch(
      /^Not yet, holds beyond a natural pause: first ask about pregnancy, .* and \d more\.$/,
    );
    for (const component of highRisk.filter((one) => one !== 'emptyLung')) {
      expect(blocked(emptyProfile, component)).toBe(true);
    }
    expect(blocked(emptyProfile, 'headTurn')).toBe(false);
    expect(unansweredConditions(emptyProfile)).toHaveLength(conditionIds.length);
  });

  test('one open question that gates holds is enough to keep them off; answering it frees them', () => {
    const open: Profile = { ...emptyProfile, answers: { ...allNo, seizures: answer('unknown') } };
    expect(blocked(open, 'hold')).toBe(true);
    expect(blocked({ ...open, answers: { ...allNo, seizures: answer('no') } }, 'hold')).toBe(false);
  });

  test('a block says more than an open question and comes first', () => {
    const profile: Profile = { ...emptyProfile, answers: { heart: answer('yes') } };
    expect(checkComponents(evaluateGates(profile, today), ['hold']).refusals[0]).toMatchObject({ level: 'block' });
  });
});

describe('gates are a function of the day', () => {
  const pregnant = withYes('pregnancy', { weekOnDay: 14 }, '2026-11-02');

  test('weeks of pregnancy grow from the day they were told', () => {
    expect(pregnancyWeek(pregnant.answers.pregnancy, '2026-11-02')).toBe(14);
    expect(pregnancyWeek(pregnant.answers.pregnancy, '2026-11-08')).toBe(14);
    expect(pregnancyWeek(pregnant.answers.pregnancy, '2026-11-09')).toBe(15);
    expect(flaggedConditions(pregnant, today)).toEqual(['pregnant, week 17']);
  });

  test('the bump comes into force at 16 weeks by itself, the last weeks at 34 (settable, common practice)', () => {
    expect(blocked(pregnant, 'prone', '2026-11-15')).toBe(false);
    expect(blocked(pregnant, 'prone', '2026-11-16')).toBe(true);
    expect(blocked(pregnant, 'bear', '2026-11-16')).toBe(false);
    expect(blocked(pregnant, 'bear', '2027-03-21')).toBe(false);
    expect(blocked(pregnant, 'bear', '2027-03-22')).toBe(true);
    const later = evaluateGates(pregnant, '2026-11-16', { ...defaultLimits, bumpFromWeek: 20, lastWeeksFromWeek: 36 });
    expect(checkComponents(later, ['prone']).allowed).toBe(true);
  });

  test('a pregnancy whose week was not told is treated as far along', () => {
    expect(blocked(withYes('pregnancy'), 'bear')).toBe(true);
    expect(flaggedConditions(withYes('pregnancy'), today)).toEqual(['pregnant, week not told']);
  });

  test('the early weeks after a birth end after 6 weeks, after 12 with a caesarean', () => {
    const birth = { date: '2026-10-01' };
    expect(blocked(withYes('recentBirth', birth), 'plank')).toBe(false);
    expect(blocked(withYes('recentBirth', { ...birth, caesarean: true }), 'plank')).toBe(true);
    expect(blocked(withYes('recentBirth', birth), 'plank', '2026-11-11')).toBe(true);
    // Six weeks are 42 days, twelve 84: from that day on they are over.
    expect(blocked(withYes('recentBirth', birth), 'plank', '2026-11-12')).toBe(false);
    const caesarean = withYes('recentBirth', { ...birth, caesarean: true });
    expect(blocked(caesarean, 'plank', '2026-12-23')).toBe(true);
    expect(blocked(caesarean, 'plank', '2026-12-24')).toBe(false);
    expect(flaggedConditions(withYes('recentBirth', birth), today)).toEqual(['7 weeks after birth']);
  });

  test('the weeks after surgery end after 12, those of no told date never', () => {
    const surgery = { site: 'abdomen', date: '2026-10-01' } as const;
    expect(blocked(withYes('surgery', surgery), 'plank', '2026-12-23')).toBe(true);
    expect(blocked(withYes('surgery', surgery), 'plank', '2026-12-24')).toBe(false);
    expect(blocked(withYes('surgery', { site: 'abdomen' }), 'plank', '2030-01-01')).toBe(true);
    expect(flaggedConditions(withYes('surgery', surgery), today)).toEqual(['recent surgery, abdomen']);
  });

  test('days and ages are counted by the calendar', () => {
    expect(daysBetween('2026-02-27', '2026-03-01')).toBe(2);
    expect(() => daysBetween('soon', today)).toThrow(RangeError);
    expect(ageOn('2010-11-24', today)).toBe(15);
    expect(ageOn('2010-11-23', today)).toBe(16);
    expect(ageOn(null, today)).toBeNull();
    expect(needsGuardian({ ...emptyProfile, birthDay: '2010-01-01' }, today)).toBe(true);
    expect(needsGuardian({ ...emptyProfile, birthDay: '2010-01-01', guardianConsent: true }, today)).toBe(false);
  });
});
