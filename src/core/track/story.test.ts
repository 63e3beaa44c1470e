import { type VisitRecord } from '../record';
import { type Raw, blankRaw } from '../look';
import { conditionIds, evaluateGates, knownClient, type Fact } from '../safety';
import { unobserved } from '../trunk';
import { idOf, planItem, visitOf } from '../fixtures';
import { visitStory } from '.';

const today = '2026-11-23';
const at = (minute: number) => `2026-11-23T10:${String(minute).padStart(2, '0')}:00.000Z`;
const facts: Fact[] = [
  { id: 'complaint', key: 'complaint', value: 'Runs out of air in the choir', at: at(0), day: today },
  ...conditionIds.map((id): Fact => ({
    id,
    key: `answer:${id}`,
    value: { value: id === 'heart' ? 'yes' : 'no' },
    at: at(1),
    day: today,
  })),
];
const known = knownClient(facts);
const gates = evaluateGates(known.profile, today);

const visit = (rest: Partial<VisitRecord> = {}) => visitOf(today, rest);
const base = { visitId: 'visit', version: 1, moment: 'before' as const, revision: 1 };
const map = (deep: Partial<Raw<'regionMap'>['deep']>) =>
  blankRaw('regionMap', { position: 'sitting', deep: { ...unobserved(), ...deep } });

const headings = (record: VisitRecord | null) => visitStory(known, gates, record).map(({ heading }) => heading);
const told = (record: VisitRecord, heading: string) =>
  visitStory(known, gates, record).find((line) => line.heading === heading)?.words;

test('the story grows with the visit, in the order of the work', () => {
  expect(headings(null)).toEqual(['Why they came', 'Off limits']);
  expect(headings(visit())).toEqual(['Why they came', 'Off limits']);
});

test('what is off limits is named, and the rest counted', () => {
  expect(told(visit(), 'Off limits')).toBe(
    'Holds beyond a natural pause, long holds, full-lung stretches and top-ups, empty-lung stretches, straining and held-breath effort, the balloon and 4 more.',
  );
});

test('what was seen is told in short: rate, who leads, the hold', () => {
  const looks: VisitRecord['looks'] = [
    {
      ...base,
      id: 'quiet',
      protocol: 'quietLook',
      takenAt: at(2),
      raw: { position: 'sitting', taps: [0, 4, 8, 12], starts: 'belly', route: 'nose', sound: 'silent', seen: [] },
    },
    {
      ...base,
      id: 'hands',
      protocol: 'twoHands',
      takenAt: at(3),
      raw: blankRaw('twoHands', { leads: 'chest', movesMore: 'chest', bellyDrawsIn: 'no', deepLeads: 'chest' }),
    },
    {
      ...base,
      id: 'hold',
      protocol: 'calmHold',
      takenAt: at(4),
      raw: { position: 'sitting', tries: [{ seconds: 30, feeling: 'strained', firstBreath: 'mouth' }] },
    },
  ];
  expect(told(visit({ looks }), 'Seen')).toBe('15.0 a minute, usual. The chest leads. No calm hold.');
});

test('a second reading of two hands that says otherwise stands beside the first', () => {
  const hands = (id: string, leads: 'chest' | 'belly', again: boolean): VisitRecord['looks'][number] => ({
    ...base,
    id,
    protocol: 'twoHands',
    takenAt: at(again ? 4 : 3),
    raw: blankRaw('twoHands', { leads, ...(again ? { again: true } : {}) }),
  });
  expect(told(visit({ looks: [hands('a', 'chest', false), hands('b', 'belly', true)] }), 'Seen')).toBe(
    'The chest leads. Then: The belly leads.',
  );
  expect(told(visit({ looks: [hands('a', 'chest', false), hands('b', 'chest', true)] }), 'Seen')).toBe(
    'The chest leads.',
  );
});

test('the intent carries the coach’s own line, and the side', () => {
  const reading = {
    id: 'r',
    at: at(5),
    intent: 'openOneSide' as const,
    side: 'left' as const,
    patterns: [],
    ownLine: 'gently',
    snapshot: null,
  };
  expect(told(visit({ reading }), 'Intent')).toBe('Open the left side. gently');
});

test('what was done and what changed come last', () => {
  const items = [planItem({ breaths: 2 })];
  const events = [
    { id: idOf(0), seq: 0, atEpochMs: 1_000_000, event: { type: 'start' as const } },
    { id: idOf(1), seq: 1, atEpochMs: 1_016_000, event: { type: 'breath' as const, item: 0, set: 1, breath: 0 } },
    { id: idOf(2), seq: 2, atEpochMs: 1_018_000, event: { type: 'fault' as const, item: 0, fault: null } },
    { id: idOf(3), seq: 3, atEpochMs: 1_020_000, event: { type: 'stop' as const, item: 0 } },
    {
      id: idOf(4),
      seq: 4,
      atEpochMs: 1_080_000,
      event: { type: 'settled' as const, symptoms: ['tingling'], note: '', then: 'end' as const },
    },
  ];
  const looks: VisitRecord['looks'] = [
    { ...base, id: 'before', protocol: 'regionMap', takenAt: at(6), raw: map({ leftSide: 0, belly: 2 }) },
    {
      ...base,
      id: 'after',
      protocol: 'regionMap',
      takenAt: at(40),
      moment: 'after',
      raw: map({ leftSide: 2, belly: 2 }),
    },
  ];
  const record = visit({ looks, runs: [{ id: 'run', visitId: 'visit', at: at(10), items, events, members: [] }] });
  expect(told(record, 'Done')).toBe('1 breath in 20 s, 1 fault marked. Stopped for tingling.');
  expect(told(record, 'Changed')).toBe('Left side two steps more: clear.');
  expect(headings(record)).toEqual(['Why they came', 'Off limits', 'Done', 'Changed']);
});
