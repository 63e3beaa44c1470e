/** What the tests of the coach's screens are about: a client on a two-drill plan, and runs of it. */
import { cadence } from '@/core/cadence';
import { type RunEvent } from '@/core/coach';
import { type StoredRun, type VisitRecord, defaultSettings } from '@/core/record';
import { type Fact, type FactKey, conditionIds, evaluateGates, knownClient, pathState } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import { type ClientView } from '../view';

export const today = '2026-11-25';
let made = 0;
export const fact = (key: FactKey, value: unknown): Fact => ({
  id: `fact-${(made += 1)}`,
  key,
  value,
  at: `${today}T09:00:00.000Z`,
  day: today,
});
export const answers = (yes: Record<string, object> = {}) =>
  conditionIds.map((id) => fact(`answer:${id}`, id in yes ? { value: 'yes', ...yes[id] } : { value: 'no' }));
export const signs = [fact('emergency', { present: [] }), fact('redFlags', { present: [] })];

export const item = (rest: Partial<PlanItem> = {}): PlanItem => ({
  id: 'one',
  drillId: 'towel-hug',
  position: 'sitting',
  props: ['towel'],
  side: 'none',
  cadences: [cadence(3, 6)],
  breaths: 4,
  sets: 1,
  restSeconds: 0,
  setUpSeconds: 10,
  changes: [],
  reasons: [],
  byHand: false,
  ...rest,
});
export const uuid = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`;
export const run = (events: [number, RunEvent][] = [], rest: Partial<StoredRun> = {}): StoredRun => ({
  id: 'run',
  visitId: 'visit',
  at: `${today}T10:00:00.000Z`,
  items: [item(), item({ id: 'two', drillId: 'quiet-nose', props: [] })],
  events: events.map(([seconds, event], seq) => ({ id: uuid(seq), seq, atEpochMs: seconds * 1000, event })),
  members: [],
  ...rest,
});

export function viewOf(facts: Fact[] = [], visit: Partial<VisitRecord> = {}): ClientView {
  const all = [...signs, ...answers(), ...facts];
  const known = knownClient(all);
  return {
    id: 'client',
    name: 'Ned Quillwater',
    today,
    settings: { ...defaultSettings, emergencyNumber: '999' },
    known,
    gates: evaluateGates(known.profile, today),
    path: pathState(known.profile, today, null),
    stopped: [],
    earlier: [],
    markedLast: [],
    holdsBefore: [],
    facts: all,
    gatesThen: null,
    planning: null,
    visit: {
      id: 'visit',
      clientId: 'client',
      startedAt: `${today}T09:00:00.000Z`,
      day: today,
      endedAt: null,
      looks: [],
      lookList: null,
      judgements: [],
      reading: null,
      plan: null,
      runs: [],
      note: null,
      ...visit,
    },
  };
}
