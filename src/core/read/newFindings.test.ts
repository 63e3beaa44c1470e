import { type LookRecord, type ProtocolId, type Raw, blankRaw } from '../look';
import { unobserved } from '../trunk';
import {
  type FindingId,
  findingTable,
  judgeFindings,
  likelyPatterns,
  patterns,
  readFindings,
  readingChanges,
  schoolReadings,
  scorePatterns,
  snapshotOf,
} from '.';
import { schoolIds } from '../schools';

let made = 0;
const look = <P extends ProtocolId>(protocol: P, raw: Partial<Raw<P>>): LookRecord<P> => ({
  id: `look-${(made += 1)}`,
  visitId: 'visit',
  protocol,
  version: 1,
  moment: 'before',
  takenAt: `2026-11-23T10:00:${String(made % 60).padStart(2, '0')}Z`,
  raw: blankRaw(protocol, raw),
});
const severity = (id: FindingId, ...records: LookRecord[]) =>
  readFindings(records).find((finding) => finding.id === id)?.severity ?? 'unknown';

const go = (exhaleCm: number, inhaleCm: number) => ({ exhaleCm, inhaleCm });
const points = (x: number) => [
  { x: 500 + x, y: 100 },
  { x: 500, y: 200 },
  { x: 900, y: 150 },
];
const photo = { photoId: '00000000-0000-4000-8000-000000000001', widthPx: 1000, heightPx: 1000 };

// Edges without a published source are common practice, the sizes ours; [R6] for the tape, [R2] for the questionnaire.
test.each<[FindingId, ProtocolId, object, number | 'unknown']>([
  ['shouldersRise', 'frontOn', { shoulders: 'yes' }, 3],
  ['shouldersRise', 'frontOn', { shoulders: 'no' }, 0],
  ['shouldersRise', 'frontOn', {}, 'unknown'],
  ['shouldersRiseDeep', 'frontOn', { shouldersDeep: 'yes' }, 2],
  ['upperOnly', 'frontOn', { upperOnly: 'yes', upperOnlyDeep: 'no' }, 3],
  ['upperOnly', 'frontOn', { upperOnly: 'no', upperOnlyDeep: 'yes' }, 1],
  ['sighs', 'frontOn', { yawnsDaily: 'yes' }, 1],
  ['sidesStillFront', 'frontOn', { sides: 'no' }, 2],
  ['sidesStillFront', 'frontOn', { sides: 'no', sidesDeep: 'yes' }, 0],
  ['sidesStillFront', 'frontOn', { sides: 'yes', sidesDeep: 'no' }, 2],
  ['tensionInBreath', 'twoHands', { freeVoice: 'tense' }, 2],
  ['tapeSmall', 'tape', { levels: { fourth: [go(90, 92.5)] } }, 3],
  ['tapeSmall', 'tape', { levels: { fourth: [go(90, 92.6)] } }, 2],
  ['tapeSmall', 'tape', { levels: { fourth: [go(90, 93.9)] } }, 2],
  ['tapeSmall', 'tape', { levels: { fourth: [go(90, 94)] } }, 1],
  ['tapeSmall', 'tape', { levels: { fourth: [go(90, 94.9)] } }, 1],
  ['tapeSmall', 'tape', { levels: { fourth: [go(90, 94.5)] } }, 1],
  ['tapeSmall', 'tape', { levels: { fourth: [go(90, 95)] } }, 0],
  ['tapeSmall', 'tape', { levels: { armpit: [go(90, 91)] } }, 'unknown'],
  ['tapeSmall', 'tape', { levels: { fourth: [go(95, 90)] } }, 'unknown'],
  ['waistSmaller', 'tape', { levels: { waist: [go(80, 78)] }, paradoxical: ['waist'] }, 3],
  ['waistSmaller', 'tape', { levels: { waist: [go(80, 82)] } }, 0],
  ['waistSmaller', 'tape', { levels: { fourth: [go(80, 82)] } }, 'unknown'],
  ['ribCageLead', 'twoLine', { quiet: { upperDegrees: 50, lowerDegrees: 50 } }, 0],
  ['ribCageLead', 'twoLine', { quiet: { upperDegrees: 60, lowerDegrees: 20 } }, 2],
  ['ribCageLead', 'twoLine', { quiet: { upperDegrees: 60, lowerDegrees: 10 } }, 3],
  ['ribCageLead', 'twoLine', { quiet: { upperDegrees: 60, lowerDegrees: null } }, 'unknown'],
  ['gapSmall', 'fingerGap', { goes: [go(4, 4.5)] }, 3],
  ['gapSmall', 'fingerGap', { goes: [go(4, 4.9)] }, 3],
  ['gapSmall', 'fingerGap', { goes: [go(4, 5)] }, 2],
  ['gapSmall', 'fingerGap', { goes: [go(4, 5.9)] }, 2],
  ['gapSmall', 'fingerGap', { goes: [go(5, 4)] }, 'unknown'],
  ['gapSmall', 'fingerGap', { goes: [go(4, 4)] }, 3],
  ['gapSmall', 'fingerGap', { goes: [go(4, 6)] }, 0],
  ['bendPoor', 'sideBend', { left: 0, right: 0 }, 3],
  ['bendPoor', 'sideBend', { left: 1, right: 1 }, 3],
  ['bendPoor', 'sideBend', { left: 2, right: 1 }, 2],
  ['bendPoor', 'sideBend', { left: 2, right: 3 }, 0],
  ['bendPoor', 'sideBend', { left: 1, right: null }, 'unknown'],
  ['bendDiffers', 'sideBend', { left: 2, right: 3 }, 1],
  ['bendDiffers', 'sideBend', { left: 1, right: 3 }, 2],
  ['bendDiffers', 'sideBend', { left: 0, right: 3 }, 3],
  ['bendDiffers', 'sideBend', { left: 2, right: 2 }, 0],
  ['lostSitting', 'postureSearch', { depth: { lying: { between: 9 }, sitting: { between: 3 } } }, 3],
  ['lostStanding', 'postureSearch', { depth: { lying: { between: 9 }, standing: { between: 5 } } }, 2],
  ['lostStanding', 'postureSearch', { depth: { lying: { between: 9 }, standing: { between: 7 } } }, 0],
  ['lostSitting', 'postureSearch', { depth: { lying: { between: 9 }, sitting: { between: 6 } } }, 2],
  ['lostSitting', 'postureSearch', { depth: { lying: { between: 4 }, sitting: { between: 0 } } }, 0],
  ['lostSitting', 'postureSearch', { depth: { lying: { between: 5 }, sitting: { between: 0 } } }, 3],
  ['lostSitting', 'postureSearch', { depth: { sitting: { between: 0 } } }, 'unknown'],
  ['lostStanding', 'postureSearch', { depth: { lying: { between: 9 }, sitting: { between: 1 } } }, 'unknown'],
  ['dropArched', 'postureSearch', { depth: { sitting: { arched: 3 } } }, 'unknown'],
  ['dropArched', 'postureSearch', { depth: { sitting: { between: 8 } } }, 'unknown'],
  ['dropSlouched', 'postureSearch', { depth: { standing: { between: 8, slouched: 4.5 } } }, 2],
  ['dropArched', 'postureSearch', { depth: { sitting: { between: 8, arched: 3 } } }, 3],
  ['dropSlouched', 'postureSearch', { depth: { sitting: { between: 8, slouched: 6 } } }, 0],
  ['flareStays', 'stack', { flareExhale: 3 }, 3],
  ['ribsForward', 'stack', { thorax: 'in front' }, 2],
  ['ribsForward', 'stack', { thorax: 'behind' }, 0],
  ['ribsForward', 'stack', { photos: [{ ...photo, measure: 'thoraxOffset', points: points(20) }] }, 3],
  ['ribsForward', 'stack', { photos: [{ ...photo, measure: 'thoraxOffset', points: points(12) }] }, 3],
  ['ribsForward', 'stack', { photos: [{ ...photo, measure: 'thoraxOffset', points: points(11) }] }, 2],
  ['ribsForward', 'stack', { photos: [{ ...photo, measure: 'thoraxOffset', points: points(5) }] }, 0],
  ['ribsForward', 'stack', { photos: [{ ...photo, measure: 'thoraxOffset', points: points(2) }] }, 0],
  ['pelvisForward', 'stack', { pelvis: 'tipped forward' }, 2],
  ['exhaleShort', 'exhale', { seconds: [2, 2.9] }, 3],
  ['exhaleShort', 'exhale', { seconds: [2, 6] }, 0],
  ['ribsStayUp', 'exhale', { ribsDown: 'no' }, 3],
  ['nextInhaleTight', 'exhale', { nextInhale: 4 }, 2],
  ['nextInhaleTight', 'exhale', { nextInhale: 8 }, 0],
  ['marchPops', 'wallOrder', { marchLeft: ['belly'], marchRight: ['belly'] }, 3],
  ['marchPops', 'wallOrder', { marchLeft: ['belly'], marchRight: [] }, 2],
  ['marchPops', 'wallOrder', { marchLeft: [] }, 0],
  ['marchPops', 'wallOrder', {}, 'unknown'],
  ['upperAbsFirst', 'wallOrder', { first: 'together' }, 0],
  ['upperAbsFirst', 'wallOrder', { first: 'lower' }, 0],
  ['upperAbsFirst', 'wallOrder', { first: 'upper' }, 3],
  ['lowerBalloons', 'wallOrder', { lowerBalloons: 'yes' }, 3],
  ['marchArches', 'wallOrder', { marchLeft: ['back'], marchRight: ['hips'] }, 2],
  ['marchArches', 'wallOrder', { marchLeft: ['hips'] }, 1],
  ['floorHolds', 'floor', { softens: 'no' }, 3],
  // What can't be felt is unknown; beside pain, urgency or gripping it points to a floor that holds.
  ['floorHolds', 'floor', { softens: 'can’t feel' }, 'unknown'],
  ['cannotLetGo', 'floor', { letsGo: 'can’t feel' }, 'unknown'],
  ['floorNoLift', 'floor', { lifts: 'can’t feel' }, 'unknown'],
  ['cannotFeelFloor', 'floor', { softens: 'yes', letsGo: 'yes' }, 0],
  ['cannotFeelFloor', 'floor', { softens: 'can’t feel', pain: 'no' }, 1],
  ['cannotFeelFloor', 'floor', { softens: 'can’t feel', pain: 'yes' }, 2],
  ['cannotFeelFloor', 'floor', { softens: 'can’t feel', pain: 'yes', glutesGrip: 'yes' }, 3],
  ['leaks', 'floor', { leaks: 'yes', leaksWith: ['urge'] }, 0],
  ['urgency', 'floor', { leaks: 'yes', leaksWith: ['urge'] }, 2],
  ['leaks', 'floor', { leaks: 'yes', leaksWith: ['urge', 'cough'] }, 2],
  ['leaks', 'floor', { leaks: 'yes', leaksOften: 'daily' }, 3],
  ['leaks', 'floor', { leaks: 'yes' }, 2],
  ['leaks', 'floor', { leaks: 'no' }, 0],
  ['bearsDown', 'floor', { bearsDown: 'yes' }, 3],
  ['glutesGrip', 'floor', { glutesGrip: 'yes' }, 2],
  ['floorPain', 'floor', { pain: 'yes' }, 3],
  // One thing noted says that the rest was looked for.
  ['shouldersRise', 'quietLook', { starts: 'belly' }, 0],
  ['shouldersRise', 'quietLook', { route: 'nose' }, 0],
  ['shouldersRise', 'quietLook', { sound: 'silent' }, 0],
  ['shouldersRise', 'quietLook', { seen: ['shoulders'] }, 3],
  ['shouldersRise', 'quietLook', { taps: [0, 4, 8, 12] }, 'unknown'],
  ['sighs', 'quietLook', { seen: ['sighs', 'yawns'] }, 3],
  ['sighs', 'quietLook', { seen: ['yawns'] }, 1],
  ['noNod', 'pelvicRock', { nods: 'no', stuckAt: 'waist' }, 2],
  ['tenCountHard', 'tenCount', { result: 'coughed' }, 1],
  ['manySymptoms', 'questionnaire', { answers: [4, 4, 4, 4, 4, 4, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0] }, 3],
  ['manySymptoms', 'questionnaire', { answers: [4, 4, 4, 4, 4, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0] }, 2],
  ['manySymptoms', 'questionnaire', { answers: [1, ...Array(15).fill(0)] }, 0],
  ['manySymptoms', 'questionnaire', { answers: [4, ...Array(15).fill(null)] }, 'unknown'],
])('%s from %s %j is %s', (id, protocol, raw, expected) => {
  expect(severity(id, look(protocol, raw))).toBe(expected);
});

describe('several records', () => {
  test('what one look shows and the other does not is slight, and both are named', () => {
    const [watched, front] = [look('quietLook', { route: 'nose' }), look('frontOn', { shoulders: 'yes' })];
    const finding = readFindings([watched, front]).find(({ id }) => id === 'shouldersRise')!;
    expect(finding).toMatchObject({
      severity: 1,
      times: 2,
      record: { id: front.id },
      alsoFrom: [{ id: watched.id }],
      protocol: 'frontOn',
    });
  });

  test('a map standing against one lying shows what is lost upright', () => {
    const seen = { ...unobserved(), belly: 2, leftSide: 2, rightSide: 2, lowBack: 2, leftBack: 2 };
    const lying = look('regionMap', { position: 'hook-lying', quiet: seen });
    const lost = look('regionMap', { position: 'standing', quiet: { ...seen, belly: 0, leftSide: 0, lowBack: 1 } });
    expect(severity('lostUpright', lying, lost)).toBe(2);
    expect(severity('lostUpright', lying, look('regionMap', { position: 'standing', quiet: seen }))).toBe(0);
    expect(severity('lostUpright', lying)).toBe('unknown');
    // The easier position stays the one that is read.
    expect(severity('bellyStill', lying, lost)).toBe(severity('bellyStill', lying));
  });

  test('a barrel-shaped chest with a lung condition is not a flare to correct', () => {
    const records = [look('stack', { flareExhale: 3, flareRest: 2 })];
    expect(severity('flareStays', ...records)).toBe(3);
    const explained = readFindings(records, {
      lung: { value: 'yes', day: '2026-11-23', recordId: 'fact', detail: {} },
    }).find(({ id }) => id === 'flareStays')!;
    expect(explained).toMatchObject({ severity: 0, explained: true });
    expect(explained.words).toMatch(/barrel-shaped/);
  });
});

describe('the coach’s word', () => {
  const findings = readFindings([
    look('frontOn', { shoulders: 'yes', upperOnly: 'yes' }),
    look('twoHands', { leads: 'chest' }),
  ]);
  const balance = (of: readonly { id: FindingId }[]) =>
    scorePatterns(findings.filter(({ id }) => of.some((one) => one.id === id))).find(
      ({ pattern }) => pattern.id === 'upperChest',
    )!.balance;

  test('a rejected finding leaves the reading as if it had not been looked for', () => {
    const { all, read } = judgeFindings(findings, [{ finding: 'shouldersRise', verdict: 'rejected' }]);
    expect(all).toHaveLength(findings.length);
    expect(read.some(({ id }) => id === 'shouldersRise')).toBe(false);
    expect(balance(read)).toBe(balance(findings) - 3);
  });

  test('a changed one takes the coach’s severity and keeps what was derived; the newest word counts', () => {
    const { read } = judgeFindings(findings, [
      { finding: 'shouldersRise', verdict: 'rejected' },
      { finding: 'shouldersRise', verdict: 'changed', severity: 1 },
    ]);
    expect(read.find(({ id }) => id === 'shouldersRise')).toMatchObject({
      severity: 1,
      derived: 3,
      verdict: 'changed',
    });
    expect(judgeFindings(findings, [{ finding: 'sighs', verdict: 'rejected' }]).read).toHaveLength(findings.length);
  });

  test('what changed since it was confirmed is told in sentences', () => {
    const names = Object.fromEntries(patterns.map(({ id, name }) => [id, name]));
    const snapshot = (list: typeof findings) => snapshotOf(list, likelyPatterns(scorePatterns(list), list).shown);
    const before = snapshot(findings);
    expect(readingChanges(before, before, names)).toEqual([]);
    const later = readFindings([
      look('frontOn', { shoulders: 'no', upperOnly: 'yes' }),
      look('sideBend', { left: 0, right: 3 }),
    ]);
    const words = readingChanges(before, snapshot(later), names);
    expect(words).toContain('Was marked, now not there: the shoulders rise.');
    expect(words).toContain('New: one side opens less in a side bend (marked).');
    expect(words).toContain('No longer read: the chest leads the breath.');
    expect(words.at(-1)).toMatch(/^First was “upper-chest lead”, now /);
  });
});

test('every pattern is read by at least two schools, with the disagreement in a sentence', () => {
  for (const { id } of patterns) {
    const { readings, disagreement } = schoolReadings[id]!;
    expect(Object.keys(readings).length).toBeGreaterThanOrEqual(2);
    expect(Object.keys(readings).every((school) => schoolIds.includes(school as never))).toBe(true);
    expect(disagreement).toMatch(/\.$/);
  }
});

test('every finding speaks for or against some pattern; what only tells of a deep breath is a finding by itself', () => {
  const used = new Set(patterns.flatMap(({ rows }) => Object.keys(rows)));
  expect((Object.keys(findingTable) as FindingId[]).filter((id) => !used.has(id))).toEqual([]);
});
