import { cadence } from '../cadence';
import { type RunEvent } from '../coach';
import { blankRaw } from '../look';
import { type StoredLook, type VisitRecord } from '../record';
import { unobserved } from '../trunk';
import { evaluateGates, emptyProfile, knownClient } from '../safety';
import { idOf, planItem, visitOf } from '../fixtures';
import { type PlanItem } from '../sequence';
import { itemInWords, visitNote, withHome } from './visitNote';
import { foldRun, summariseRun } from '../coach';

const today = '2026-11-25';
const at = (minutes: number) => new Date(Date.parse('2026-11-25T10:00:00Z') + minutes * 60_000).toISOString();
const item = (rest: Partial<PlanItem> = {}) =>
  planItem({ drillId: 'towel-hug', cadences: [cadence(3, 6)], breaths: 4, ...rest });
const log = (...rows: [number, RunEvent][]) =>
  rows.map(([seconds, event], seq) => ({ id: idOf(seq), seq, atEpochMs: 1_000_000 + seconds * 1000, event }));
const breath = (n: number): RunEvent => ({ type: 'breath', item: 0, set: 1, breath: n, seconds: 9 });

const events = log(
  [0, { type: 'start' }],
  [19, breath(0)],
  [28, breath(1)],
  [29, { type: 'fault', item: 0, fault: 'shoulders' }],
  [30, { type: 'cue', item: 0, cue: 'Fill the towel', landed: 'yes' }],
  [31, { type: 'note', text: 'Felt it at the back' }],
  [32, { type: 'stop', item: 0 }],
  [150, { type: 'settled', symptoms: ['dizziness'], note: '', then: 'end', seconds: 120 }],
);
const visit = (rest: Partial<VisitRecord> = {}) =>
  visitOf(today, {
    runs: [{ id: 'run', visitId: 'visit', at: at(10), items: [item()], events, members: [] }],
    ...rest,
  });
const known = knownClient([
  { id: 'c', key: 'complaint', value: 'Runs out of air on long phrases', at: at(0), day: today },
]);
const gates = evaluateGates(emptyProfile, today);

test('the note tells planned against delivered, marks, cues, effort and the stop, one fact a line', () => {
  const note = visitNote(known, gates, visit(), {}, ['Towel hug']);
  expect(note.split('\n')).toEqual([
    'Came for: Runs out of air on long phrases',
    'Touch: not asked',
    'Done: 32 s of 46 s planned.',
    '- Towel round the ribs, sitting: 2 of 4 breaths at 3 in, 6 out; shoulders creep up; landed “Fill the towel”; stopped.',
    'Stopped: dizziness, settled after 2 min.',
    'Noted: Felt it at the back.',
    'Home: Towel hug.',
  ]);
});

test('what was told of the complaint stands in the note of its own day only', () => {
  const told = (day: string) =>
    knownClient([{ id: 'l', key: 'complaintDetail', value: { level: 6, places: [] }, at: at(0), day }]);
  expect(visitNote(told(today), gates, visit(), {}, [])).toContain('Told: complaint 6 of 10.');
  expect(visitNote(told('2026-11-18'), gates, visit(), {}, [])).not.toContain('complaint');
});

test('a drill nothing became of is told as not done; one that was only stopped, marked or changed is told as it went', () => {
  const items = ['one', 'two', 'three', 'four'].map((id) => item({ id }));
  const of = (...rows: [number, RunEvent][]) => {
    const done = log([0, { type: 'start' }], ...rows, [60, { type: 'end', why: 'by hand' }]);
    const runs = [{ id: 'run', visitId: 'visit', at: at(10), items, events: done, members: [] }];
    return visitNote(known, gates, visit({ runs }), {}, []);
  };
  const lines = (note: string) => note.split('\n').filter((line) => line.startsWith('- ')).length;
  expect(lines(of())).toBe(0);
  expect(of()).toMatch(/^Not done: (Towel round the ribs(, )?){4}\.$/m);
  expect(of()).not.toContain('Stopped');
  const marked = of([5, { type: 'fault', item: 0, fault: 'neck' }]);
  expect([lines(marked), marked.includes('Stopped')]).toEqual([1, false]);
  const stopped = of(
    [5, { type: 'stop', item: 0 }],
    [9, { type: 'settled', symptoms: [], note: '', then: 'end', seconds: 4 }],
  );
  expect([lines(stopped), stopped.includes('Stopped: no sign noted, settled after 4 s.')]).toEqual([1, true]);
  const why = (how: 'easier' | 'harder' | 'by hand') =>
    of(
      [5, { type: 'fault', item: 0, fault: 'neck' }],
      [6, { type: 'swap', item: 0, to: item({ id: 'one', drillId: 'quiet-nose', props: [] }), why: how }],
    );
  expect(why('easier')).toContain('changed for the easier one');
  expect(why('harder')).toContain('changed for the harder one');
  expect(why('by hand')).toContain('changed for another');
});

test('maps of two positions are no change', () => {
  const map = (moment: 'before' | 'after', position: 'sitting' | 'standing', side: number) =>
    ({
      ...{ id: moment, visitId: 'visit', protocol: 'regionMap', version: 1, moment, takenAt: at(1), revision: 1 },
      raw: blankRaw('regionMap', { position, deep: { ...unobserved(), leftSide: side } }),
    }) as StoredLook;
  const note = (...looks: StoredLook[]) => visitNote(known, gates, visit({ looks }), {}, []);
  expect(note(map('before', 'sitting', 1), map('after', 'sitting', 3))).toContain(
    'Map: Left side two steps more: clear.',
  );
  expect(note(map('before', 'sitting', 1), map('after', 'standing', 3))).not.toContain('Map:');
  expect(note(map('before', 'sitting', 1))).not.toContain('Map:');
});

test('in a group only what is one’s own is told', () => {
  const other = idOf(99);
  const marked = log(
    [0, { type: 'start' }],
    [19, breath(0)],
    [20, { type: 'fault', item: 0, fault: 'neck', who: other }],
  );
  const members = [
    { clientId: 'client', visitId: 'visit', sitsOut: [] },
    { clientId: other, visitId: 'other', sitsOut: [] },
  ];
  const runs = [{ id: 'run', visitId: 'visit', at: at(10), items: [item()], events: marked, members }];
  const note = visitNote(known, gates, visit({ runs }), {}, []);
  expect(note).toContain('In a group of 2.');
  expect(note).not.toContain('neck');
  expect(visitNote(known, gates, visit({ runs, clientId: other }), {}, [])).toContain('neck');
});

test('a pace that was not the plan’s is told', () => {
  const slow = log(
    [0, { type: 'start' }],
    [22, { ...breath(0), seconds: 12 } as RunEvent],
    [34, { type: 'end', why: 'by hand' }],
  );
  const [first] = summariseRun(foldRun([item()], slow)).items;
  expect(itemInWords(first!, 'kg')).toContain('paced at 5.0 a minute');
});

test('the line of what goes home is written anew and nothing else is touched', () => {
  expect(withHome('My own words\nHome: Old.\nmore', ['A', 'B'])).toBe('My own words\nmore\nHome: A, B.');
  expect(withHome('My own words\nHome: Old.', [])).toBe('My own words');
});

test('consent is told with the time of each change, what did not change is told once', () => {
  const touch = (value: string, minutes: number, n: number) => ({
    id: idOf(n),
    key: 'touch' as const,
    value,
    at: at(minutes),
    day: today,
  });
  const line = (...consent: ReturnType<typeof touch>[]) =>
    visitNote(knownClient(consent), gates, visit(), {}, [], { consent, zone: 'UTC' })
      .split('\n')
      .find((one) => one.startsWith('Touch'));
  expect(line(touch('yes', 0, 1), touch('yes', 5, 2))).toBe('Touch: yes');
  expect(line(touch('yes', -2000, 1), touch('no', 12, 2))).toBe('Touch: yes; no from 10:12');
});

test('everything found is told, what speaks for the confirmed pattern first; the wanted part of the map too, nothing cut', () => {
  const look = (id: string, protocol: 'twoHands' | 'regionMap', moment: 'before' | 'after', raw: object) =>
    ({ id, visitId: 'visit', protocol, version: 1, moment, takenAt: at(1), raw, revision: 1 }) as StoredLook;
  const deep = (grades: object) => blankRaw('regionMap', { position: 'sitting', deep: { ...unobserved(), ...grades } });
  const looks = [
    look('h', 'twoHands', 'before', blankRaw('twoHands', { leads: 'chest', bellyDrawsIn: 'yes', deepLeads: 'chest' })),
    look('b', 'regionMap', 'before', deep({ belly: 1, chestFront: 1, leftSide: 0, rightSide: 2, leftBack: 0 })),
    look('a', 'regionMap', 'after', deep({ belly: 2, chestFront: 2, leftSide: 2, rightSide: 3, leftBack: 2 })),
  ];
  const reading = {
    id: 'r',
    at: at(2),
    intent: 'openOneSide' as const,
    side: 'left' as const,
    patterns: ['oneSide'],
    ownLine: '',
    snapshot: null,
  };
  const lines = visitNote(known, gates, visit({ looks, reading }), {}, []).split('\n');
  const found = lines.find((one) => one.startsWith('Found'))!;
  // Slight, but what the visit was about; the chest, more marked, comes after it.
  expect(found).toContain('the chest leads the breath (marked)');
  expect(found.indexOf('the left side gives less')).toBeGreaterThan(0);
  expect(found.indexOf('the left side gives less')).toBeLessThan(found.indexOf('the chest leads the breath'));
  const map = lines.find((one) => one.startsWith('Map'))!;
  expect(map.match(/more/g)).toHaveLength(5);
  expect(map).toMatch(/^Map: Left (back|side)/);
});
