import { type LookRecord, type ProtocolId, type Raw, blankRaw } from '../look';
import { type Grades, unobserved } from '../trunk';
import { type FindingId, findingTable, readFindings } from '.';

const look = <P extends ProtocolId>(protocol: P, raw: Raw<P>, takenAt = '2026-11-23T10:00:00Z'): LookRecord => ({
  id: `${protocol}-${takenAt}`,
  visitId: 'visit',
  protocol,
  version: 1,
  moment: 'before',
  takenAt,
  raw,
});
const severityOf = (records: LookRecord[], id: FindingId) =>
  readFindings(records).find((finding) => finding.id === id)?.severity ?? 'unknown';

const quiet = (rest: Partial<Raw<'quietLook'>>) => blankRaw('quietLook', rest);
const hands = (rest: Partial<Raw<'twoHands'>>) => blankRaw('twoHands', rest);
const map = (
  quietGrades: Partial<Grades>,
  deep: Partial<Grades> = {},
  neck: [number | null, number | null] = [null, null],
) =>
  blankRaw('regionMap', {
    quiet: { ...unobserved(), ...quietGrades },
    deep: { ...unobserved(), ...deep },
    neckQuiet: neck[0],
    neckDeep: neck[1],
  });

describe('findings of the quiet look', () => {
  test.each([
    [{ route: 'nose' }, 'mouthBreathing', 0],
    [{ route: 'both' }, 'mouthBreathing', 1],
    [{ route: 'mouth' }, 'mouthBreathing', 3],
    [{ sound: 'audible' }, 'audible', 2],
    [{ sound: 'silent' }, 'audible', 0],
    [{ seen: ['sighs'] }, 'sighs', 1],
    [{ seen: ['sighs', 'yawns'] }, 'sighs', 3],
    [{ seen: ['shoulders'] }, 'shouldersRise', 3],
    [{ route: 'nose' }, 'shouldersRise', 0],
    [{}, 'shouldersRise', 'unknown'],
    [{}, 'rateHigh', 'unknown'],
    [{ taps: [0, 3, 6] }, 'rateHigh', 'unknown'],
    // Bands [R1]: 15 a minute usual, 22 watched, 30 beyond.
    [{ taps: [0, 4, 8, 12] }, 'rateHigh', 0],
    [{ taps: [0, 60 / 22, 120 / 22, 180 / 22] }, 'rateHigh', 2],
    [{ taps: [0, 2, 4, 6] }, 'rateHigh', 3],
  ] as const)('%j: %s is %s', (rest, id, severity) => {
    expect(severityOf([look('quietLook', quiet(rest as Partial<Raw<'quietLook'>>))], id)).toBe(severity);
  });
});

describe('findings of two hands', () => {
  test.each([
    [{ leads: 'chest' }, 'chestLeads', 3],
    [{ leads: 'chest', movesMore: 'even' }, 'chestLeads', 2],
    [{ leads: 'chest', movesMore: 'chest' }, 'chestLeads', 3],
    [{ leads: 'belly' }, 'chestLeads', 0],
    [{ leads: 'belly' }, 'bellyLeads', 3],
    [{ leads: 'together' }, 'bellyLeads', 0],
    [{ deepLeads: 'chest' }, 'chestLeadsDeep', 2],
    [{ bellyDrawsIn: 'yes' }, 'bellyDrawsIn', 3],
    [{ bellyDrawsIn: 'no' }, 'bellyDrawsIn', 0],
    [{}, 'chestLeads', 'unknown'],
    [{}, 'bellyDrawsIn', 'unknown'],
  ] as const)('%j: %s is %s', (rest, id, severity) => {
    expect(severityOf([look('twoHands', hands(rest))], id)).toBe(severity);
  });
});

describe('findings of the region map', () => {
  /** Seen twice, quiet and deep, over a trunk that is clear everywhere; sitting, where no part is given more. */
  const twice = (parts: Partial<Grades>) => {
    const grades = { ...everywhere(2), ...parts };
    return look('regionMap', { ...map(grades, grades), position: 'sitting' });
  };
  const everywhere = (grade: number) =>
    Object.fromEntries(Object.keys(unobserved()).map((id) => [id, grade])) as Grades;

  test.each<[Partial<Grades>, FindingId, number | 'unknown']>([
    [{ belly: 0 }, 'bellyStill', 3],
    [{ belly: 1 }, 'bellyStill', 2],
    [{ belly: 2 }, 'bellyStill', 0],
    [{ belly: null }, 'bellyStill', 'unknown'],
    [{ belly: 3 }, 'bellyTakesMost', 2],
    [{ belly: 3, leftSide: 1, rightSide: 1, chestFront: 1 }, 'bellyTakesMost', 3],
    [{ chestFront: 3, belly: 0 }, 'chestTakesMost', 2],
    [{ leftSide: 0, rightSide: 0 }, 'sidesStill', 3],
    [{ leftSide: 1, rightSide: 1 }, 'sidesStill', 2],
    [{ leftSide: 0, rightSide: null }, 'sidesStill', 'unknown'],
    [{ leftSide: 3, rightSide: 3 }, 'sidesOpen', 2],
    [{ leftBack: 0, rightBack: 0 }, 'backsStill', 3],
    [{ leftBack: 1, rightBack: 1, leftSide: 3, rightSide: 3 }, 'backsLag', 3],
    [{ chestBack: 1 }, 'chestBackStill', 2],
    [{ leftSide: 1, leftBack: 1 }, 'oneSideLess', 2],
    [{ leftSide: 0, leftBack: 0 }, 'oneSideLess', 3],
    [{ pelvicFloor: 0 }, 'floorStill', 3],
  ])('%j: %s is %s', (parts, id, severity) => {
    expect(severityOf([twice(parts)], id)).toBe(severity);
  });

  test.each<[Partial<Grades>, FindingId]>([
    [{ belly: 0 }, 'bellyStill'],
    [{ leftSide: 0, rightSide: 0 }, 'sidesStill'],
    [{ leftSide: 0, leftBack: 0 }, 'oneSideLess'],
  ])('what was seen once, quiet only, is never more than slight: %j', (parts, id) => {
    expect(severityOf([look('regionMap', map({ ...everywhere(2), ...parts }))], id)).toBe(1);
  });

  test('one step on one pair is no side', () => {
    for (const part of ['leftSide', 'rightSide', 'leftBack', 'rightBack'] as const) {
      const one = twice({ [part]: 1 });
      expect([part, readFindings([one]).find(({ id }) => id === 'oneSideLess')!.severity]).toEqual([
        part,
        part.endsWith('Back') ? 0 : 1,
      ]);
    }
  });

  test.each<[[number | null, number | null], number | 'unknown']>([
    [[null, null], 'unknown'],
    [[0, 0], 0],
    [[2, 2], 2],
    // Working only on the deep breath counts a step less than working at rest.
    [[0, 3], 2],
    [[3, 3], 3],
  ])('neck %j: %s', (neck, severity) => {
    expect(severityOf([look('regionMap', map({}, {}, neck))], 'neckWorks')).toBe(severity);
  });
});

describe('findings of the hold', () => {
  const hold = (seconds: number, feeling: 'calm' | 'strained' = 'calm') =>
    look('calmHold', { position: 'sitting', tries: [{ seconds, feeling, firstBreath: 'nose and quiet' }] });

  test.each([
    [9, 3],
    [10, 2],
    [14.9, 2],
    [15, 1],
    [19.9, 1],
    [20, 0],
  ])('a calm hold of %d s is short: %d', (seconds, severity) => {
    expect(severityOf([hold(seconds)], 'holdShort')).toBe(severity);
  });

  test('a strained one says nothing of its length, but of its end', () => {
    expect(severityOf([hold(50, 'strained')], 'holdShort')).toBe('unknown');
    expect(severityOf([hold(50, 'strained')], 'gaspAfterHold')).toBe(2);
  });
});

test('the newest look of a protocol counts, and looks after the work do not', () => {
  const early = look('twoHands', hands({ leads: 'chest' }), '2026-11-23T10:00:00Z');
  const late = look('twoHands', hands({ leads: 'belly' }), '2026-11-23T10:05:00Z');
  expect(severityOf([late, early], 'chestLeads')).toBe(0);
  expect(severityOf([early, { ...late, moment: 'after' }], 'chestLeads')).toBe(3);
});

test('every finding is settled by a look at its protocol, and says itself in words', () => {
  const records = [
    look('quietLook', quiet({ taps: [0, 3, 6, 9], route: 'nose', sound: 'silent', starts: 'ribs' })),
    look('twoHands', hands({ leads: 'belly', deepLeads: 'belly', bellyDrawsIn: 'no', freeVoice: 'free' })),
    look('frontOn', answeredNo('frontOn')),
    look('regionMap', {
      ...map({ ...everyPart(2), leftSide: 0, leftBack: 0 }, { ...everyPart(2), leftSide: 0, leftBack: 0 }, [0, 0]),
      extension: 'no',
    }),
    look('regionMap', { ...map(everyPart(2), {}), position: 'standing' }),
    look(
      'tape',
      blankRaw('tape', {
        levels: { fourth: [{ exhaleCm: 90, inhaleCm: 96 }], waist: [{ exhaleCm: 80, inhaleCm: 82 }] },
      }),
    ),
    look('twoLine', blankRaw('twoLine', { quiet: { upperDegrees: 30, lowerDegrees: 30 } })),
    look('fingerGap', blankRaw('fingerGap', { goes: [{ exhaleCm: 4, inhaleCm: 7 }] })),
    look('sideBend', blankRaw('sideBend', { left: 2, right: 2 })),
    look(
      'postureSearch',
      blankRaw('postureSearch', {
        depth: { lying: { between: 8 }, sitting: { between: 8, arched: 7, slouched: 7 }, standing: { between: 8 } },
      }),
    ),
    look('stack', { ...answeredNo('stack'), thorax: 'over', pelvis: 'neutral', flareRest: 0, flareExhale: 0 }),
    look('exhale', { ...answeredNo('exhale'), sound: 'even', seconds: [8], nextInhale: 8 }),
    look('wallOrder', { ...answeredNo('wallOrder'), first: 'lower', marchLeft: [], marchRight: [] }),
    look('floor', { ...answeredNo('floor'), softens: 'yes', lifts: 'yes', letsGo: 'yes' }),
    look('pelvicRock', blankRaw('pelvicRock', { nods: 'yes' })),
    look('calmHold', { position: 'sitting', tries: [{ seconds: 25, feeling: 'calm', firstBreath: 'nose and quiet' }] }),
    look('tenCount', blankRaw('tenCount', { result: 'calm to ten' })),
    look('questionnaire', blankRaw('questionnaire', { answers: Array<number>(16).fill(0) })),
  ];
  // What no look settles is told on Screen.
  const findings = readFindings(records);
  const told = Object.keys(findingTable).filter((id) => id !== 'separation');
  expect(new Set(findings.map(({ id }) => id))).toEqual(new Set(told));
  for (const { id, record, alsoFrom, words } of findings) {
    const from = [record, ...alsoFrom].some((one) => one.id.startsWith(findingTable[id].settledBy));
    expect([id, from]).toEqual([id, true]);
    expect(words.length).toBeGreaterThan(5);
  }
});

const everyPart = (grade: number) => Object.fromEntries(Object.keys(unobserved()).map((id) => [id, grade]));

/** Everything of a protocol that can be answered with no, answered so. */
function answeredNo<P extends 'frontOn' | 'stack' | 'exhale' | 'wallOrder' | 'floor'>(protocol: P): Raw<P> {
  const blank = blankRaw(protocol) as Record<string, unknown>;
  const no = Object.fromEntries(
    Object.entries(blank).map(([key, value]) => [key, value === 'not observed' ? 'no' : value]),
  );
  return no as Raw<P>;
}
