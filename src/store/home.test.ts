import { randomUUID } from 'node:crypto';
import { codeOf } from '@/core/home';
import { planItem } from '@/core/fixtures';
import { type Payload } from '@/core/record';
import { findVisit, homeOf, returnsOf, visitRecord } from '.';
import { now, testStudio, type TestStudio } from './fixtures';

let studio: TestStudio;
beforeEach(() => {
  studio = testStudio('home');
});
afterEach(() => studio.close());

const prone = planItem({ id: 'prone', drillId: 'prone-low-breath', position: 'prone' });
const quiet = planItem({ id: 'quiet', drillId: 'quiet-nose', position: 'sitting' });
const planOf = (...items: (typeof quiet)[]): Payload<'home.save'>['plan'] => ({
  from: '2026-11-25',
  days: 14,
  wakes: '07:00',
  sleeps: '22:30',
  sits: null,
  items: items.map((item) => ({ id: item.id, item, cue: '', feels: '', notMeant: '' })),
  moreReason: '',
  goes: items.map((item) => ({ id: randomUUID(), itemId: item.id, at: '08:00', with: '' })),
  calledOff: [],
});
const told = { done: [['all' as const, 'none' as const, 'none' as const]], felt: [], signs: ['dizzy' as const] };

test('what goes home is kept with its visit, also when that is signed, and says when it was changed elsewhere', () => {
  const { visitId } = studio.person('Pim Saltonstall');
  studio.take('note.sign', { visitId, text: 'Done.', home: [], revision: 0 });
  expect(studio.take('home.save', { visitId, plan: planOf(quiet), revision: 0 })).toMatchObject({ revision: 1 });
  expect(studio.take('home.save', { visitId, plan: planOf(quiet, prone), revision: 0 })).toMatchObject({
    state: 'conflict',
  });
  studio.take('home.hand', { visitId }, now + 1000);
  studio.take('home.hand', { visitId }, now + 9000);
  expect(homeOf(studio.reopen(), visitId)).toMatchObject({
    revision: 2,
    handedAt: new Date(now + 1000).toISOString(),
    plan: { items: [{ id: 'quiet' }, { id: 'prone' }] },
  });
});

test('what is laid out by the day can be signed with, also where a reason lets more than three go home', () => {
  const { visitId } = studio.person('Pim Saltonstall');
  const four = ['a', 'b', 'c', 'd'].map((id) => planItem({ ...quiet, id }));
  studio.take('home.save', { visitId, plan: { ...planOf(...four), moreReason: 'Two weeks at sea.' }, revision: 0 });
  studio.take('note.sign', { visitId, text: 'Done.', home: ['quiet-nose', 'b', 'c', 'd'], revision: 0 });
  studio.take('home.hand', { visitId });
});

test('what can’t be handed over on the page is refused by the server too, with the same sentence', () => {
  const { visitId } = studio.person('Pim Saltonstall');
  const four = ['a', 'b', 'c', 'd'].map((id) => planItem({ ...quiet, id }));
  studio.take('home.save', { visitId, plan: planOf(...four), revision: 0 });
  expect(studio.record('home.hand', { visitId })).toMatchObject({
    why: expect.stringMatching(/say why more than three/),
  });
  studio.take('home.save', { visitId, plan: { ...planOf(quiet), sleeps: '07:00' }, revision: 1 });
  expect(studio.record('home.hand', { visitId })).toMatchObject({ state: 'refused' });
});

test('what a caution forbids does not go in, is not handed over, and can be taken out again', () => {
  const { clientId, visitId } = studio.person('Wenna Skerry');
  studio.take('home.save', { visitId, plan: planOf(quiet, prone), revision: 0 });
  studio.fact(clientId, 'answer:pregnancy', { value: 'yes', weekOnDay: 24 });
  studio.fact(clientId, 'emergency', { present: [] });
  studio.fact(clientId, 'redFlags', { present: [] });
  expect(studio.record('home.hand', { visitId })).toMatchObject({ state: 'refused', code: 'gated' });
  const again = planItem({ ...prone, id: 'prone again' });
  expect(studio.record('home.save', { visitId, plan: planOf(quiet, again), revision: 1 })).toMatchObject({
    state: 'refused',
    code: 'gated',
  });
  studio.take('home.save', { visitId, plan: planOf(quiet), revision: 1 });
  studio.take('home.hand', { visitId });
});

test('a code is kept as it was typed; one of another plan or with a wrong letter is refused and nothing is written', () => {
  const { visitId } = studio.person('Jory Penhale');
  studio.take('home.save', { visitId, plan: planOf(quiet), revision: 0 });
  const code = codeOf(told, visitId);
  const back = (typed: string) => studio.record('home.returned', { returnId: randomUUID(), visitId, code: typed });
  expect(back(codeOf(told, randomUUID()))).toMatchObject({
    state: 'refused',
    why: expect.stringMatching(/another plan/),
  });
  expect(back(code.replace(/^./, code.startsWith('A') ? 'C' : 'A'))).toMatchObject({ state: 'refused' });
  expect(returnsOf(studio.store, visitId, 1)).toEqual([]);
  expect(back(code.toLowerCase())).toMatchObject({ state: 'saved' });
  expect(returnsOf(studio.store, visitId, 1)[0]!.told).toMatchObject({
    signs: ['dizzy'],
    done: [['all'], ...Array.from({ length: 13 }, () => ['none'])],
  });
});

test('a plan that can’t be read is told of and takes no page away', () => {
  const { visitId } = studio.person('Ada Trewhella');
  studio.take('home.save', { visitId, plan: planOf(quiet), revision: 0 });
  studio.store.$client.prepare('update home_plans set value = ?').run('{"items": 3}');
  const aside: Parameters<typeof visitRecord>[2] = [];
  const record = visitRecord(studio.store, findVisit(studio.store, visitId)!, aside);
  expect(record.home).toBeNull();
  expect(aside).toMatchObject([{ table: 'home_plans', id: visitId }]);
});
