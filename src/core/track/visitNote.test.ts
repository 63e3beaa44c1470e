import { cadence } from '../cadence';
import { type RunEvent } from '../coach';
import { type VisitRecord } from '../record';
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
  expect(itemInWords(first!)).toContain('paced at 5.0 a minute');
});

test('the line of what goes home is written anew and nothing else is touched', () => {
  expect(withHome('My own words\nHome: Old.\nmore', ['A', 'B'])).toBe('My own words\nmore\nHome: A, B.');
  expect(withHome('My own words\nHome: Old.', [])).toBe('My own words');
});
