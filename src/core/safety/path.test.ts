import { type Fact, type FactKey, factSchemas, knownClient, openStations, pathState, rateFlag } from '.';

const today = '2026-11-23';
let count = 0;
const fact = (key: FactKey, value: unknown, day = today): Fact => ({
  id: `fact-${(count += 1)}`,
  key,
  value,
  at: `${day}T10:00:${String(count % 60).padStart(2, '0')}.000Z`,
  day,
});
const stateOf = (...facts: Fact[]) => pathState(knownClient(facts).profile, today, []);
const noneToday = [fact('emergency', { present: [] }), fact('redFlags', { present: [] })];

describe('the way from Screen to Coach', () => {
  test('is open once both lists were asked today, and not on yesterday’s word', () => {
    expect(stateOf(...noneToday).state).toBe('open');
    expect(stateOf().state).toBe('not asked');
    expect(
      stateOf(fact('emergency', { present: [] }, '2026-11-22'), fact('redFlags', { present: [] }, '2026-11-22')).state,
    ).toBe('not asked');
    expect(openStations['not asked']).not.toContain('coach');
  });

  test('an emergency sign today stops everything, whatever else is recorded, and nothing clears it today', () => {
    const stopped = [...noneToday, fact('emergency', { present: ['fainting'] })];
    const clearance = fact('emergencyClearance', { clinician: 'Dr A', reason: 'seen and sent home' });
    expect(stateOf(...stopped)).toMatchObject({ state: 'emergency', signs: ['fainting'] });
    expect(stateOf(...stopped, fact('emergency', { present: [] })).state).toBe('emergency');
    expect(stateOf(...stopped, clearance).state).toBe('emergency');
    expect(openStations.emergency).toEqual(['track']);
  });

  test('an emergency of an earlier day asks for a clinician’s word before anything', () => {
    const earlier = [fact('emergency', { present: ['chestPain'] }, '2026-11-20'), fact('redFlags', { present: [] })];
    expect(stateOf(...earlier, fact('emergency', { present: [] })).state).toBe('red flag');
    const cleared = fact('emergencyClearance', { clinician: 'Dr A', reason: 'heart checked, nothing found' });
    expect(stateOf(...earlier, cleared).state).toBe('open');
  });

  test('a red flag closes the path until a reason and a clinician are recorded; a later “none” does not clear it', () => {
    const flagged = [...noneToday, fact('redFlags', { present: ['calf'] })];
    expect(stateOf(...flagged).state).toBe('red flag');
    expect(stateOf(...flagged, fact('redFlags', { present: [] })).state).toBe('red flag');
    const word = fact('redFlagClearance', { clinician: 'Dr B', reason: 'scan showed no clot' });
    expect(stateOf(...flagged, word).state).toBe('open');
    expect(knownClient([...flagged, word]).profile.redFlags!.clearance).toMatchObject({ clinician: 'Dr B' });
    for (const station of ['look', 'read', 'sequence', 'coach'])
      expect(openStations['red flag']).not.toContain(station);
  });

  // Common practice: watching is always possible, measuring until a sign is told, and nobody is coached before today's signs were asked.
  test.each([
    ['screen', ['open', 'not asked', 'recount', 'red flag', 'guardian']],
    ['look', ['open', 'not asked', 'recount']],
    ['read', ['open', 'not asked', 'recount']],
    ['sequence', ['open', 'not asked']],
    ['coach', ['open']],
    ['carry', ['open']],
    ['track', ['open', 'not asked', 'recount', 'red flag', 'guardian', 'emergency']],
  ] as const)('%s is open in just these states: %j', (station, states) => {
    const open = (Object.keys(openStations) as (keyof typeof openStations)[]).filter((state) =>
      openStations[state].includes(station),
    );
    expect(new Set(open)).toEqual(new Set(states));
  });

  test('a clearance given before anything was told clears nothing that is told later', () => {
    const word = fact('redFlagClearance', { clinician: 'Dr B', reason: 'all well' });
    expect(knownClient([...noneToday, word]).profile.redFlags!.clearance).toBeUndefined();
    expect(stateOf(...noneToday, word, fact('redFlags', { present: ['calf'] })).state).toBe('red flag');
  });

  test('a clearance without a name or a reason is no clearance', () => {
    expect(factSchemas.redFlagClearance.safeParse({ clinician: '', reason: 'fine now' }).success).toBe(false);
    expect(factSchemas.redFlagClearance.safeParse({ clinician: 'Dr B', reason: '  ' }).success).toBe(false);
  });

  test('a second flag joins the first', () => {
    const flagged = [fact('redFlags', { present: ['calf'] }), fact('redFlags', { present: ['trauma'] })];
    expect(knownClient(flagged).profile.redFlags!.present).toEqual(['calf', 'trauma']);
  });

  test('under 18 a guardian comes first', () => {
    const young = [...noneToday, fact('birthDay', '2012-01-01')];
    expect(stateOf(...young).state).toBe('guardian');
    expect(stateOf(...young, fact('guardian', true)).state).toBe('open');
  });

  // Edges of the published bands [R1], value from memory: ≤8 and ≥25 score 3.
  test.each([
    [8.4, true],
    [8.6, false],
    [24.4, false],
    [24.6, true],
    [16, false],
  ])('a counted rate of %d a minute locks drills: %s', (breathsPerMinute, locks) => {
    expect(rateFlag({ breathsPerMinute, seconds: 60, recordId: 'look' }) !== null).toBe(locks);
    const { profile } = knownClient(noneToday);
    const { state } = pathState(profile, today, [{ breathsPerMinute, seconds: 61, recordId: 'look' }]);
    expect(state).toBe(locks ? 'recount' : 'open');
  });

  describe('the rate lock opens only by a count that is itself clear', () => {
    const { profile } = knownClient(noneToday);
    const count = (breathsPerMinute: number, seconds = 61) => ({ breathsPerMinute, seconds, recordId: 'look' });
    const state = (...counts: ReturnType<typeof count>[]) => pathState(profile, today, counts).state;

    test('a short count after a high one opens nothing, a clear minute does', () => {
      expect(state(count(27), count(18, 20))).toBe('recount');
      expect(state(count(27), count(27, 30))).toBe('recount');
      expect(state(count(27), count(18))).toBe('open');
      expect(state(count(27), count(18, 20), count(18))).toBe('open');
    });

    test('a second one beyond the edge is a red flag, and only a clinician’s word of the day lifts it', () => {
      expect(state(count(27), count(26))).toBe('red flag');
      const [why] = pathState(profile, today, [count(27), count(26)]).reasons;
      expect(why!.what).toMatch(/^26 a minute.*second time/);
      expect(why!.what).not.toMatch(/count again/i);
      expect(state(count(27), count(18, 20), count(26))).toBe('red flag');
      expect(state(count(7), count(6))).toBe('red flag');
      const cleared = fact('rateClearance', { clinician: 'Dr A', reason: 'known slow breather' });
      const counts = [count(27), count(26)];
      expect(pathState(knownClient([...noneToday, cleared]).profile, today, counts).state).toBe('open');
      const old = fact('rateClearance', { clinician: 'Dr A', reason: 'known slow breather' }, '2026-11-22');
      expect(pathState(knownClient([...noneToday, old]).profile, today, counts).state).toBe('red flag');
    });

    test('with a flag of its own a count does not wait for the signs', () => {
      expect(pathState(knownClient([]).profile, today, [count(27), count(26)]).state).toBe('red flag');
      expect(pathState(knownClient([]).profile, today, [count(27)]).state).toBe('not asked');
    });
  });

  test('what is told after the signs opens them again: their own signs were not asked', () => {
    const pregnant = fact('answer:pregnancy', { value: 'yes', weekOnDay: 30 });
    expect(stateOf(...noneToday, pregnant)).toMatchObject({ state: 'not asked' });
    expect(stateOf(...noneToday, pregnant).reasons[0]!.what).toContain('Signs of pregnancy');
    const again = [fact('emergency', { present: [] }), fact('redFlags', { present: [] })];
    expect(stateOf(...noneToday, pregnant, ...again).state).toBe('open');
    expect(stateOf(pregnant, ...again).state).toBe('open');
    // A week put right later is no new telling.
    expect(stateOf(pregnant, ...again, fact('answer:pregnancy', { value: 'yes', weekOnDay: 31 })).state).toBe('open');
    const born = fact('answer:recentBirth', { value: 'yes', date: '2026-11-01' });
    expect(stateOf(...noneToday, born).state).toBe('not asked');
    // Not knowing is no no.
    expect(stateOf(...noneToday, fact('answer:pregnancy', { value: 'unknown' })).state).toBe('not asked');
  });

  test('a count short of a minute locks nothing', () => {
    expect(rateFlag({ breathsPerMinute: 30, seconds: 59, recordId: 'look' })).toBeNull();
  });
});

describe('facts', () => {
  test('the newest of a key counts, and a value that no longer fits is passed over', () => {
    const known = knownClient([
      fact('goal', 'first'),
      fact('goal', 'second'),
      fact('touch', 'maybe'),
      fact('answer:heart', { value: 'yes', note: 'tablets' }),
    ]);
    expect(known.texts.goal).toBe('second');
    expect(known.profile.touch).toBe('unknown');
    expect(known.profile.answers.heart).toMatchObject({ value: 'yes', detail: { note: 'tablets' } });
  });

  test.each([
    ['birthDay', '2026-02-30'],
    ['birthDay', '30.02.2026'],
    ['birthDay', '0001-01-01'],
    ['name', '   '],
    ['name', 'x'.repeat(121)],
    ['goal', 'x'.repeat(10_000)],
    ['answer:pregnancy', { value: 'yes', weekOnDay: 60 }],
    ['answer:pregnancy', { value: 'yes', weekOnDay: -3 }],
    ['answer:pregnancy', { value: 'perhaps' }],
  ] as const)('refuses %s %p with a sentence', (key, value) => {
    const parsed = factSchemas[key].safeParse(value);
    expect(parsed.success).toBe(false);
    expect(parsed.error!.issues[0]!.message.length).toBeGreaterThan(10);
  });
});
