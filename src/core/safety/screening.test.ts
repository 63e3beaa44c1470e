import {
  type Answer,
  type ConditionId,
  type Profile,
  checkComponents,
  conditionIds,
  defaultLimits,
  dueDateProblem,
  emptyProfile,
  evaluateGates,
  gateChanges,
  gateTable,
  knownClient,
  limitNames,
  pregnancyWeek,
  screeningAge,
  forms,
} from '.';

const today = '2026-11-23';
const answer = (value: Answer['value'], detail: Answer['detail'] = {}, day = today): Answer => ({
  value,
  day,
  recordId: `fact-${value}`,
  detail,
});
const allNo = (day = today) =>
  Object.fromEntries(conditionIds.map((id) => [id, answer('no', {}, day)])) as Profile['answers'];
const withYes = (yes: Partial<Record<ConditionId, Answer['detail']>>, day = today): Profile => ({
  ...emptyProfile,
  answers: {
    ...allNo(day),
    ...Object.fromEntries(Object.entries(yes).map(([id, detail]) => [id, answer('yes', detail, day)])),
  },
});
const gates = (profile: Profile, onDay = today, limits = defaultLimits) => evaluateGates(profile, onDay, limits);

describe('due date', () => {
  const due = (dueDate: string) => answer('yes', { dueDate });

  test('weeks are counted back from forty: 280 days before is week 0, the day itself week 40', () => {
    expect(pregnancyWeek(due('2026-11-23'), today)).toBe(40);
    expect(pregnancyWeek(due('2026-11-30'), today)).toBe(39);
    expect(pregnancyWeek(due('2027-08-30'), today)).toBe(0);
    expect(pregnancyWeek(due('2027-03-15'), today)).toBe(24);
    expect(pregnancyWeek(due('2027-03-15'), '2026-11-29')).toBe(24);
    expect(pregnancyWeek(due('2027-03-15'), '2026-11-30')).toBe(25);
  });

  test('it goes before a week that was typed', () => {
    expect(pregnancyWeek(answer('yes', { dueDate: '2026-11-23', weekOnDay: 12 }), today)).toBe(40);
  });

  test('one sixty weeks off is asked about in a sentence; possible ones are not', () => {
    expect(dueDateProblem('2028-01-17', today)).toMatch(/^That due date is 60 weeks ahead; .* Check the year\.$/);
    expect(dueDateProblem('2025-09-29', today)).toMatch(/60 weeks ago\. If the baby has come/);
    for (const day of ['2026-11-05', today, '2027-08-01']) expect(dueDateProblem(day, today)).toBeNull();
  });

  test('gates change by themselves as the weeks pass', () => {
    const profile = withYes({ pregnancy: { dueDate: '2027-05-17' } });
    // 2027-05-17 is week 40, so week 16 begins 168 days before, on 2026-11-30.
    expect(checkComponents(gates(profile, '2026-11-29'), ['prone']).allowed).toBe(true);
    expect(checkComponents(gates(profile, '2026-11-30'), ['prone']).allowed).toBe(false);
    const brought = gateChanges(gates(profile, '2026-11-29'), gates(profile, '2026-11-30'));
    expect(brought.blocked.map(({ component }) => component)).toEqual([
      'prone',
      'proneRibs',
      'halfDome',
      'twinBalls',
      'flatSupine',
    ]);
    expect(brought.freed).toEqual([]);
  });
});

describe('when cautions collide', () => {
  test('letting go comes before lifting: a floor that holds goes before leaking and prolapse', () => {
    const verdict = checkComponents(gates(withYes({ holdingFloor: {}, leaking: {}, prolapse: {} })), [
      'floorLift',
      'bridge',
    ]);
    expect(verdict.allowed).toBe(false);
    expect(verdict.refusals[0]).toMatchObject({ component: 'floorLift', condition: 'holdingFloor' });
    const bridge = checkComponents(gates(withYes({ holdingFloor: {}, leaking: {} })), ['bridge']);
    expect(bridge.changes.map(({ condition }) => condition)).toEqual(['holdingFloor']);
    expect(bridge.overruled).toMatchObject([{ gate: { condition: 'leaking' }, by: { condition: 'holdingFloor' } }]);
  });

  test('in the last weeks release goes before the lift that prolapse would ask for', () => {
    const { changes } = checkComponents(gates(withYes({ pregnancy: { weekOnDay: 36 }, prolapse: {} })), ['floorLift']);
    expect(changes.map(({ form }) => form)).toEqual(['releaseOnly']);
  });

  test('protecting comes before a mere change of form', () => {
    const { changes } = checkComponents(gates(withYes({ eyeHead: {}, reflux: {} })), ['flatSupine']);
    expect(changes.map(({ condition }) => condition)).toEqual(['eyeHead']);
  });

  test('a block goes before every change', () => {
    const verdict = checkComponents(gates(withYes({ heart: {}, panic: {} })), ['hold']);
    expect(verdict).toMatchObject({ allowed: false });
    expect(verdict.refusals[0]!.condition).toBe('heart');
  });

  test('two conditions that ask alike are both named', () => {
    const { changes, overruled } = checkComponents(gates(withYes({ separation: {}, hernia: {} })), ['bridge']);
    expect(changes.map(({ condition }) => condition).sort()).toEqual(['hernia', 'separation']);
    expect(overruled).toEqual([]);
  });
});

describe('the smallest allowed change', () => {
  test('says what to drop and what to add, not just no', () => {
    const profile = withYes({ pregnancy: { weekOnDay: 30 } });
    expect(checkComponents(gates(profile), ['hold', 'flatSupine']).smallestChange).toBe(
      'no pause, straight on and sitting, propped or on the side',
    );
  });

  test('where nothing small would do, there is none; where nothing is off, none is needed', () => {
    expect(
      checkComponents(gates(withYes({ pregnancy: { weekOnDay: 36 } })), ['plank', 'hold']).smallestChange,
    ).toBeNull();
    expect(checkComponents(gates(withYes({})), ['hold']).smallestChange).toBeNull();
  });

  test('every form is short and in words', () => {
    for (const { says } of Object.values(forms)) expect(says.length).toBeLessThan(60);
  });
});

describe('a clinician’s word', () => {
  test('lifts only what it may lift, and what it lifts is watched', () => {
    const cleared = withYes({ lung: { clearedBy: 'Respiratory nurse' } });
    expect(checkComponents(gates(cleared), ['hold', 'longHold']).allowed).toBe(true);
    expect(checkComponents(gates(cleared), ['forcedExhale']).allowed).toBe(false);
    expect(gates(cleared).watch.map(({ sign }) => sign)).toContain(
      'holds beyond a natural pause, allowed by Respiratory nurse',
    );
    expect(checkComponents(gates(withYes({ lung: { clearedBy: '  ' } })), ['hold']).allowed).toBe(false);
    expect(checkComponents(gates(withYes({ heart: { clearedBy: 'Dr' } })), ['hold']).allowed).toBe(false);
  });

  test('what one condition is cleared for, another still blocks', () => {
    expect(checkComponents(gates(withYes({ lung: { clearedBy: 'Nurse' }, heart: {} })), ['hold']).allowed).toBe(false);
  });
});

describe('limits set by the coach', () => {
  test('move the weeks, and are marked as set by you', () => {
    const profile = withYes({ pregnancy: { weekOnDay: 18 } });
    const later = gates(profile, today, { ...defaultLimits, bumpFromWeek: 20 });
    expect(checkComponents(later, ['prone']).allowed).toBe(true);
    const earlier = gates(profile, today, { ...defaultLimits, bumpFromWeek: 17 });
    expect(checkComponents(earlier, ['prone']).refusals[0]!.reason.provenance).toEqual({ kind: 'set by you' });
    expect(checkComponents(gates(profile), ['prone']).refusals[0]!.reason.provenance.kind).toBe('published');
  });

  test('every limit has a name, and its default lies within what may be set', () => {
    for (const [key, { min, max }] of Object.entries(limitNames)) {
      const value = defaultLimits[key as keyof typeof defaultLimits];
      expect([key, value >= min && value <= max]).toEqual([key, true]);
    }
  });
});

describe('screening grows old', () => {
  const longAgo = '2026-08-20';

  test('after 90 days; going through it again makes it new (common practice, settable)', () => {
    const profile = withYes({}, longAgo);
    expect(screeningAge(profile, '2026-11-18')).toMatchObject({ days: 90, stale: false });
    expect(screeningAge(profile, '2026-11-19')).toMatchObject({ days: 91, stale: true, oldest: longAgo });
    expect(screeningAge({ ...profile, screenedOn: '2026-11-19' }, '2026-11-19').stale).toBe(false);
    expect(screeningAge(profile, '2026-11-18', { ...defaultLimits, screeningDays: 60 }).stale).toBe(true);
  });

  test('after 14 days in pregnancy and in the weeks after surgery, no longer once those are over', () => {
    expect(screeningAge(withYes({ pregnancy: { weekOnDay: 20 } }, '2026-11-08'), today).stale).toBe(true);
    const surgery = withYes({ surgery: { date: '2026-10-01' } }, '2026-10-20');
    expect(screeningAge(surgery, '2026-11-23').stale).toBe(true);
    expect(screeningAge(surgery, '2026-12-26')).toMatchObject({ limitDays: 90, stale: false });
  });

  test('the oldest answer counts, an unknown one has no age', () => {
    const profile: Profile = { ...emptyProfile, answers: { ...allNo(), knee: answer('no', {}, longAgo) } };
    expect(screeningAge(profile, today).oldest).toBe(longAgo);
    expect(screeningAge(emptyProfile, today)).toMatchObject({ oldest: null, stale: false });
    // What was told after all were gone through is as old as itself.
    expect(screeningAge({ ...profile, screenedOn: '2026-09-01' }, today).oldest).toBe('2026-09-01');
    expect(screeningAge({ ...withYes({}, today), screenedOn: longAgo }, today).oldest).toBe(today);
  });

  test('facts fold into it: what changed, and gone through', () => {
    const fact = (key: 'whatChanged' | 'screened', value: unknown, day: string) => ({
      id: key,
      key,
      value,
      day,
      at: `${day}T09:00:00Z`,
    });
    const { profile } = knownClient([
      fact('whatChanged', { changed: 'nothing' }, today),
      fact('screened', true, longAgo),
    ]);
    expect(profile.whatChanged).toEqual({ day: today, changed: 'nothing' });
    expect(profile.screenedOn).toBe(longAgo);
  });
});

test('every row of the table watches, blocks or changes something, and clears only what it holds', () => {
  for (const row of gateTable) {
    const held = [...row.blocks, ...row.changes.flatMap(({ components }) => components)];
    expect([row.condition, held.length > 0]).toEqual([row.condition, true]);
    expect(row.clearable.every((component) => held.includes(component))).toBe(true);
  }
});
