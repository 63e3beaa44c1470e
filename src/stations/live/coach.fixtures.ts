/** What the tests of the coach's screens are about: a client on a two-drill plan, and runs of it. */
import { cadence } from '@/core/cadence';
import { type RunEvent } from '@/core/coach';
import { idOf, planItem } from '@/core/fixtures';
import { type StoredRun, type VisitRecord } from '@/core/record';
import { type Fact } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import { type ClientView, type Part } from '../view';
import { answers, clientView, fact, signs, today } from '../view.fixtures';

export { answers, fact, idOf, signs, today };

export const item = (rest: Partial<PlanItem> = {}) =>
  planItem({ drillId: 'towel-hug', props: ['towel'], cadences: [cadence(3, 6)], breaths: 4, ...rest });
export const run = (events: [number, RunEvent][] = [], rest: Partial<StoredRun> = {}): StoredRun => ({
  id: 'run',
  visitId: 'visit',
  at: `${today}T10:00:00.000Z`,
  items: [item(), item({ id: 'two', drillId: 'quiet-nose', props: [] })],
  events: events.map(([seconds, event], seq) => ({ id: idOf(seq), seq, atEpochMs: seconds * 1000, event })),
  members: [],
  ...rest,
});

export const viewOf = (facts: Fact[] = [], visit: Partial<VisitRecord> = {}): ClientView<Part> =>
  clientView({ facts: [...signs, ...answers(), ...facts], visit });
