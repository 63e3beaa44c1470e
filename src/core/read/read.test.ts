import { type LookRecord, type ProtocolId, type Raw, blankRaw } from '../look';
import { type Grades, mirrored, regionIds } from '../trunk';
import { intentInWords, likelyPatterns, patterns, readFindings, scorePatterns, wantedRegions } from '.';

let made = 0;
const look = <P extends ProtocolId>(protocol: P, raw: Raw<P>): LookRecord<P> => ({
  id: `look-${(made += 1)}`,
  visitId: 'visit',
  protocol,
  version: 1,
  moment: 'before',
  takenAt: '2026-11-23T10:00:00Z',
  raw,
});
const even = (grade: 0 | 1 | 2 | 3): Grades => Object.fromEntries(regionIds.map((id) => [id, grade])) as Grades;
/** Sitting, where no part is given more than another; a quiet breath shows a step less of everything. */
const map = (parts: Partial<Grades>, base: Grades = even(2), rest: Partial<Raw<'regionMap'>> = {}) => {
  const deep = { ...base, ...parts };
  const quiet = Object.fromEntries(
    Object.entries(deep).map(([id, grade]) => [id, grade === null ? null : Math.max(0, grade - 1)]),
  ) as Grades;
  return look(
    'regionMap',
    blankRaw('regionMap', { position: 'sitting', quiet, deep, neckQuiet: 0, neckDeep: 0, ...rest }),
  );
};
const hands = (rest: Partial<Raw<'twoHands'>> = {}) =>
  look(
    'twoHands',
    blankRaw('twoHands', {
      leads: 'together',
      movesMore: 'even',
      bellyDrawsIn: 'no',
      deepLeads: 'together',
      ...rest,
    }),
  );
const quiet = (rate: number, rest: Partial<Raw<'quietLook'>> = {}) =>
  look('quietLook', {
    position: 'hook-lying',
    taps: Array.from({ length: 16 }, (_, i) => (i * 60) / rate),
    starts: 'ribs',
    route: 'nose',
    sound: 'silent',
    seen: [],
    ...rest,
  });
const hold = (seconds: number) =>
  look('calmHold', { position: 'hook-lying', tries: [{ seconds, feeling: 'calm', firstBreath: 'nose and quiet' }] });

const likely = (records: LookRecord[]) => {
  const findings = readFindings(records);
  return likelyPatterns(scorePatterns(findings), findings);
};
const first = (...records: LookRecord[]) => likely(records).shown[0]!;

describe('constructed people reach the reading a practitioner would give', () => {
  test.each<[string, LookRecord[]]>([
    [
      'upperChest',
      [
        quiet(22, { starts: 'chest', seen: ['shoulders'] }),
        hands({ leads: 'chest', movesMore: 'chest', deepLeads: 'chest' }),
        map({ belly: 0, chestFront: 3 }, even(1), { neckQuiet: 2, neckDeep: 3 }),
      ],
    ],
    ['bellyOnly', [quiet(14), hands({ leads: 'belly', movesMore: 'belly' }), map({ belly: 3 }, even(0))]],
    ['sidesAndBackClosed', [quiet(14), hands(), map({ leftSide: 0, rightSide: 0, leftBack: 0, rightBack: 0 })]],
    ['oneSide', [quiet(13), hands(), map({ leftSide: 1, leftBack: 1 }, even(3))]],
    ['pumpClosed', [quiet(14), hands(), map({ chestFront: 0, chestBack: 0, leftSide: 3, rightSide: 3 })]],
    ['paradoxical', [quiet(16), hands({ bellyDrawsIn: 'yes', leads: 'chest' }), map({ belly: 1 })]],
    [
      'forcedBelly',
      [quiet(15, { sound: 'audible' }), hands({ leads: 'belly' }), map({ belly: 3, leftSide: 1, rightSide: 1 })],
    ],
    ['shallowBraced', [quiet(17, { seen: ['sighs'] }), hands(), map({}, even(1))]],
    ['airHunger', [quiet(18, { route: 'mouth', seen: ['sighs'] }), hands(), map({}), hold(8)]],
    ['even', [quiet(12), hands(), map({}, even(3)), hold(32)]],
  ])('%s', (expected, records) => {
    expect(first(...records).pattern.id).toBe(expected);
  });

  test('an even breath gets no diagnosis of trouble', () => {
    const { shown } = likely([quiet(12), hands(), map({}, even(3)), hold(32)]);
    expect(shown.map(({ pattern }) => pattern.id)).toEqual(['even']);
  });

  test('a mixed one shows both patterns and calls it close', () => {
    const closed = map({ leftSide: 0, leftBack: 0 });
    const records = [closed, look('sideBend', blankRaw('sideBend', { left: 0, right: 2 }))];
    const { shown, tie } = likely(records);
    expect(
      shown
        .slice(0, 2)
        .map(({ pattern }) => pattern.id)
        .sort(),
    ).toEqual(['oneSide', 'sidesAndBackClosed']);
    expect(tie).toBe(true);
  });
});

describe('reading is explainable and lawful', () => {
  test('nothing looked at: nothing found, nothing shown, everything missing', () => {
    const scores = scorePatterns(readFindings([]));
    expect(scores.every(({ balance }) => balance === 0)).toBe(true);
    const { notLookedFor, ...nothing } = likelyPatterns(scores, []);
    expect(nothing).toEqual({ shown: [], hinted: [], tie: false, settledBy: [] });
    // Every one but the even breath.
    expect(notLookedFor).toHaveLength(patterns.length - 1);
  });

  test('every line of evidence links to a record, and the points add up', () => {
    const records = [quiet(22, { starts: 'chest' }), hands({ leads: 'chest' }), map({ belly: 0 })];
    for (const { evidenceFor, evidenceAgainst, pointsFor, pointsAgainst, balance } of scorePatterns(
      readFindings(records),
    )) {
      const ids = new Set(records.map(({ id }) => id));
      expect([...evidenceFor, ...evidenceAgainst].every(({ record }) => ids.has(record.id))).toBe(true);
      expect(evidenceFor.reduce((sum, { points }) => sum + points, 0)).toBe(pointsFor);
      expect(balance).toBe(pointsFor - pointsAgainst);
    }
  });

  test('more shoulder and neck effort never lowers “upper-chest lead”', () => {
    const at = (neckQuiet: number, seen: Raw<'quietLook'>['seen']) =>
      scorePatterns(readFindings([quiet(15, { seen }), map({}, even(2), { neckQuiet, neckDeep: neckQuiet })])).find(
        ({ pattern }) => pattern.id === 'upperChest',
      )!.balance;
    const ladder = [at(0, []), at(1, []), at(2, []), at(3, []), at(3, ['shoulders'])];
    expect([...ladder].sort((a, b) => a - b)).toEqual(ladder);
  });

  test('mirrored input gives a mirrored reading', () => {
    const grades = { ...even(3), leftSide: 1, leftBack: 2 } as Grades;
    const side = (deep: Grades) => first(map(deep)).side;
    expect(side(grades)).toBe('left');
    expect(side(mirrored(grades))).toBe('right');
  });

  test('not observed is not none: an unseen back does not read as closed', () => {
    const findings = readFindings([map({ leftBack: null, rightBack: null })]);
    expect(findings.map(({ id }) => id)).not.toContain('backsStill');
  });

  test('an untouched form of ticks says nothing about shoulders or sighs', () => {
    const untouched = quiet(14, { starts: 'not observed', route: 'not observed', sound: 'not observed' });
    expect(readFindings([untouched]).map(({ id }) => id)).toEqual(['rateHigh']);
  });

  test('every pattern leads to an intent that can be said and wants something', () => {
    for (const { intent } of patterns) {
      expect(intentInWords(intent, 'right')).not.toContain('{');
      expect(Object.keys(wantedRegions(intent)).length).toBeGreaterThan(0);
    }
    expect(wantedRegions('openOneSide', 'right')).toEqual({ rightSide: 3, rightBack: 3 });
  });
});
