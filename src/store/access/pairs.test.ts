import { codeWithinMs, pairedForMs } from '@/core/access';
import { type RunEvent } from '@/core/coach';
import { type Asker, claimPair, endPairs, makePair, pairBy, pairsOf, wholeStore } from '..';
import { type TestStudio, now, testStudio } from '../fixtures';

const held = globalThis as { kokyuStore?: unknown };
let studio: TestStudio;
let clientId: string;
let visitId: string;
let runId: string;

const everybody: Asker = { coachId: null, sessionId: null, name: null, role: 'owner', sees: () => true };
const nobody: Asker = { ...everybody, role: 'coach', sees: () => false };

beforeEach(() => {
  studio = testStudio('pairs');
  held.kokyuStore = studio.store;
  ({ clientId, visitId } = studio.person('Tamsin Fenwreath'));
  runId = studio.begun(visitId);
});
afterEach(() => {
  delete held.kokyuStore;
  studio.close();
});

const store = () => wholeStore();
const code = (kind: 'screen' | 'remote' = 'remote', at = now) => makePair(store(), everybody, { runId, kind }, at);
const claimed = (at = now) => claimPair(store(), code('remote', at), 'Chrome on Android', at)!;

test('a code makes one device one thing for one run, and nothing a second time', () => {
  const word = code('screen');
  const first = claimPair(store(), word, 'Safari on iOS', now + 1000);
  expect(first?.kind).toBe('screen');
  expect(pairBy(store(), first!.word, now + 2000)).toMatchObject({ runId, kind: 'screen' });
  expect(claimPair(store(), word, 'another', now + 3000)).toBeNull();
  // The code is no word, and the word no code.
  expect(pairBy(store(), word, now)).toBeNull();
  expect(claimPair(store(), first!.word, 'another', now)).toBeNull();
});

test('neither code nor word lies in the file', () => {
  const word = code();
  const device = claimPair(store(), word, 'a phone', now)!;
  const rows = JSON.stringify(store().$client.prepare('select * from pairs').all());
  expect(rows).not.toContain(word);
  expect(rows).not.toContain(device.word);
});

test('a code not read in time, or with a newer one shown, opens nothing', () => {
  const late = code();
  expect(claimPair(store(), late, 'a phone', now + codeWithinMs)).toBeNull();
  const before = code('remote', now + codeWithinMs);
  const newer = code('remote', now + codeWithinMs);
  expect(claimPair(store(), before, 'a phone', now + codeWithinMs)).toBeNull();
  expect(claimPair(store(), newer, 'a phone', now + codeWithinMs)?.kind).toBe('remote');
});

test.each<[string, RunEvent[]]>([
  ['its end', [{ type: 'end', why: 'done' }]],
  [
    'a stop it ended with',
    [
      { type: 'stop', item: 0 },
      { type: 'settled', symptoms: [], note: '', then: 'end' },
    ],
  ],
])('a device goes with its run: over by %s', (_, events) => {
  const { word } = claimed();
  const waiting = code('screen');
  expect(pairBy(store(), word, now)).not.toBeNull();
  studio.append(runId, ...events);
  expect(pairBy(store(), word, now)).toBeNull();
  expect(claimPair(store(), waiting, 'a tablet', now)).toBeNull();
  expect(() => code()).toThrow('This run is over.');
});

test('a stop that was nothing leaves the device with its run', () => {
  const { word } = claimed();
  studio.append(runId, { type: 'stop', item: 0 }, { type: 'settled', symptoms: [], note: '', then: 'go on' });
  expect(pairBy(store(), word, now)).not.toBeNull();
});

test('a run nobody ended keeps its devices for a day of work', () => {
  const { word } = claimed();
  expect(pairBy(store(), word, now + pairedForMs - 1)).not.toBeNull();
  expect(pairBy(store(), word, now + pairedForMs)).toBeNull();
});

test('one is sent away, or all; who does not coach the client neither makes a code nor ends a device', () => {
  const [first, second] = [claimed(), claimed()];
  expect(() => makePair(store(), nobody, { runId, kind: 'remote' }, now)).toThrow('no longer there');
  expect(() => endPairs(store(), nobody, { runId, pairId: null }, now)).toThrow('no longer there');
  const { pairId } = pairBy(store(), first.word, now)!;
  endPairs(store(), everybody, { runId, pairId }, now);
  expect([first, second].map(({ word }) => pairBy(store(), word, now) !== null)).toEqual([false, true]);
  endPairs(store(), everybody, { runId, pairId: null }, now);
  expect(pairsOf(store(), runId, now)).toEqual([]);
});

test('whoever is deleted takes their devices along', () => {
  const { word } = claimed();
  studio.take('client.delete', { clientId, name: 'Tamsin Fenwreath' });
  expect(pairBy(store(), word, now)).toBeNull();
  expect(store().$client.prepare('select count(*) as n from pairs').get()).toEqual({ n: 0 });
});
