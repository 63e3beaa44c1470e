import { randomUUID } from 'node:crypto';
import { type Lift } from '@/core/load';
import { findVisit, liftsOf, visitRecord } from '.';
import { testStudio, type TestStudio } from './fixtures';

let studio: TestStudio;
beforeEach(() => {
  studio = testStudio('lifts');
});
afterEach(() => studio.close());

const lift = (rest: Partial<Lift> = {}): Lift => ({
  movementId: 'squat',
  hand: 'both',
  kg: 40,
  repetitions: 8,
  effort: 6,
  strategy: 'keep',
  breath: 'went along',
  leaked: false,
  ...rest,
});

test('a set is kept with its visit, once, also after it was signed, and can be taken back; another visit’s can’t', () => {
  const [ada, ben] = ['Ada', 'Ben'].map((name) => studio.person(name));
  const liftId = randomUUID();
  studio.take('note.sign', { visitId: ada!.visitId, text: 'Done.', home: [], revision: 0 });
  studio.take('lift.log', { liftId, visitId: ada!.visitId, lift: lift() });
  studio.take('lift.log', { liftId: randomUUID(), visitId: ada!.visitId, lift: lift({ kg: 50, breath: 'lost' }) });
  studio.take('lift.takeBack', { liftId, visitId: ben!.visitId });
  const store = studio.reopen();
  expect(visitRecord(store, findVisit(store, ada!.visitId)!).lifts.map((one) => one.lift.kg)).toEqual([40, 50]);
  studio.take('lift.takeBack', { liftId, visitId: ada!.visitId });
  expect(liftsOf(studio.store, [ada!.visitId, ben!.visitId]).map((one) => one.lift.breath)).toEqual(['lost']);
  expect(liftsOf(studio.store, [])).toEqual([]);
});

test('a set that can’t be read is told of and takes no other with it', () => {
  const { visitId } = studio.person('Ada');
  for (const kg of [20, 30]) studio.take('lift.log', { liftId: randomUUID(), visitId, lift: lift({ kg }) });
  studio.store.$client.prepare(`update lifts set value = '{"kg":"heavy"}' where value like '%20%'`).run();
  const aside: { table: string; what: string }[] = [];
  expect(liftsOf(studio.store, [visitId], aside as never).map((one) => one.lift.kg)).toEqual([30]);
  expect(aside).toMatchObject([{ table: 'lifts', what: expect.stringContaining('A set under a load') }]);
});
