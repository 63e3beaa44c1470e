import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { cadence } from '@/core/cadence';
import { type RunEvent } from '@/core/coach';
import { type CommandKind, type Outcome, type Payload } from '@/core/record';
import { conditionIds } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import {
  type Store,
  carryOut,
  faultsBefore,
  findRun,
  findVisit,
  historyOf,
  openRuns,
  openStore,
  ownEntries,
  stopSymptomsOf,
  stoppedDrills,
  visitDigestsOf,
  visitRecord,
} from '.';
import { scratchFolder } from '../../scripts/scratch';

const now = Date.parse('2026-11-25T10:00:00Z');
let folder: string;
let store: Store;

beforeEach(() => {
  folder = scratchFolder('coach');
  store = openStore(join(folder, 'studio.db'));
});
afterEach(() => {
  if (store.$client.open) store.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

const record = <K extends CommandKind>(kind: K, payload: Payload<K>, at = now): Outcome =>
  carryOut(store, { id: randomUUID(), kind, payload }, at);
const saved = (outcome: Outcome) => expect(outcome).toMatchObject({ state: 'saved' });

const item: PlanItem = {
  id: 'one',
  drillId: 'quiet-nose',
  position: 'hook-lying',
  props: [],
  side: 'none',
  cadences: [cadence(2, 4)],
  breaths: 8,
  sets: 1,
  restSeconds: 0,
  setUpSeconds: 10,
  changes: [],
  reasons: [],
  byHand: true,
};
const plan: Payload<'plan.save'>['plan'] = {
  request: { intent: 'lowerBreath', side: null, minutes: 12, propsAtHand: [], leadSchool: 'openAllRegions' },
  proven: false,
  items: [item],
  refusals: [],
};

/** A screened client with a plan of today. */
function clientOf(name: string, { signs = true } = {}) {
  const [clientId, visitId] = [randomUUID(), randomUUID()];
  saved(record('client.create', { clientId, factId: randomUUID(), name }));
  saved(record('visit.start', { visitId, clientId }));
  const fact = (key: Payload<'fact.add'>['key'], value: unknown) =>
    record('fact.add', { factId: randomUUID(), clientId, key, value, basedOn: null });
  if (signs) {
    saved(fact('emergency', { present: [] }));
    saved(fact('redFlags', { present: [] }));
  }
  for (const id of conditionIds) saved(fact(`answer:${id}`, { value: 'no' }));
  if (signs) saved(record('plan.save', { planId: randomUUID(), visitId, plan, revision: 0 }));
  return { clientId, visitId, fact };
}

function append(runId: string, ...events: RunEvent[]): Outcome {
  const from = findRun(store, runId)!.events.length;
  return record('run.append', {
    runId,
    events: events.map((event, i) => ({ id: randomUUID(), seq: from + i, atEpochMs: now + (from + i) * 1000, event })),
  });
}
const breath = (n: number): RunEvent => ({ type: 'breath', item: 0, set: 1, breath: n, seconds: 6 });

describe('the note of a visit', () => {
  test('is saved as it is written, told when another window wrote meanwhile, and both times kept', () => {
    const { visitId } = clientOf('Orla Weirside');
    expect(record('note.save', { visitId, text: 'first', home: [], revision: 0 })).toMatchObject({ revision: 1 });
    expect(record('note.save', { visitId, text: 'second', home: ['quiet-nose'], revision: 1 })).toMatchObject({
      state: 'saved',
      revision: 2,
    });
    expect(record('note.save', { visitId, text: 'from elsewhere', home: [], revision: 1 })).toMatchObject({
      state: 'conflict',
      theirs: { text: 'second' },
    });
  });

  test('signed it ends the visit and stays; nothing of the visit changes after it, additions are dated', () => {
    const { clientId, visitId } = clientOf('Orla Weirside');
    saved(record('note.sign', { visitId, text: 'Towel landed.', home: ['quiet-nose'], revision: 0 }));
    expect(findVisit(store, visitId)?.endedAt).toBe(new Date(now).toISOString());
    const why = /is signed and stays as it is/;
    const refused = (outcome: Outcome) =>
      expect(outcome).toMatchObject({ state: 'refused', why: expect.stringMatching(why) });
    refused(record('note.save', { visitId, text: 'other', home: [], revision: 1 }));
    refused(record('note.sign', { visitId, text: 'other', home: [], revision: 1 }));
    refused(record('plan.save', { planId: randomUUID(), visitId, plan, revision: 1 }));
    refused(record('run.create', { runId: randomUUID(), visitId, items: [item] }));
    refused(
      record('look.save', {
        lookId: randomUUID(),
        visitId,
        protocol: 'twoHands',
        moment: 'before',
        takenAt: new Date(now).toISOString(),
        raw: { position: 'hook-lying' },
        revision: 0,
      }),
    );
    const later = now + 86_400_000;
    saved(record('note.add', { additionId: randomUUID(), visitId, text: 'She rang.' }, later));
    const { note } = visitRecord(store, findVisit(store, visitId)!);
    expect(note).toMatchObject({
      text: 'Towel landed.',
      home: ['quiet-nose'],
      additions: [{ text: 'She rang.', at: new Date(later).toISOString() }],
    });
    expect(clientId).toBeTruthy();
  });

  test('an empty note can’t be signed, nor an unsigned one be added to; at most three things go home', () => {
    const { visitId } = clientOf('Orla Weirside');
    expect(record('note.sign', { visitId, text: '  ', home: [], revision: 0 })).toMatchObject({
      why: 'There is nothing to sign yet.',
    });
    expect(record('note.add', { additionId: randomUUID(), visitId, text: 'x' })).toMatchObject({ state: 'refused' });
    expect(
      record('note.save', { visitId, text: '', home: ['a', 'b', 'c', 'd', 'e', 'f', 'g'], revision: 0 }),
    ).toMatchObject({
      why: 'At most six things go home.',
    });
  });

  test('events of a run that were still on their way are taken in after signing: nothing done is lost', () => {
    const { visitId } = clientOf('Orla Weirside');
    const runId = randomUUID();
    saved(record('run.create', { runId, visitId, items: [item] }));
    saved(append(runId, { type: 'start' }));
    saved(record('note.sign', { visitId, text: 'Signed early.', home: [], revision: 0 }));
    saved(append(runId, breath(0), { type: 'end', why: 'done' }));
    expect(findRun(store, runId)!.events).toHaveLength(3);
  });
});

describe('a group', () => {
  function group() {
    const [ada, ben] = [clientOf('Ada Quay'), clientOf('Ben Shoal')];
    const runId = randomUUID();
    const members = [ada, ben].map(({ clientId, visitId }) => ({ clientId, visitId, sitsOut: [] }));
    saved(record('run.create', { runId, visitId: ada.visitId, items: [item], members }));
    return { ada, ben, runId };
  }

  test('stands in each one’s visit, with what was marked of each', () => {
    const { ada, ben, runId } = group();
    saved(
      append(
        runId,
        { type: 'start' },
        ...Array.from({ length: 8 }, (_, n) => breath(n)),
        { type: 'fault', item: 0, fault: 'neck', who: ben.clientId },
        { type: 'fault', item: 0, fault: 'neck', who: ben.clientId },
        { type: 'fault', item: 0, fault: 'neck', who: ben.clientId },
        { type: 'end', why: 'done' },
      ),
    );
    for (const { visitId } of [ada, ben]) {
      expect(visitRecord(store, findVisit(store, visitId)!).runs.map(({ id }) => id)).toEqual([runId]);
    }
    expect(historyOf(store, ada.clientId)[0]!.outcomes).toEqual(['calm']);
    expect(historyOf(store, ben.clientId)[0]!.outcomes).toEqual(['not calm']);
    expect(faultsBefore(store, ben.clientId)).toEqual({ 'quiet-nose': { neck: 3 } });
    expect(faultsBefore(store, ada.clientId)).toEqual({ 'quiet-nose': {} });
  });

  test('a stop of one keeps the drill from that one only; a stop of all from everybody', () => {
    const { ada, ben, runId } = group();
    saved(append(runId, { type: 'start' }, { type: 'stop', item: 0, who: ben.clientId }));
    expect(stoppedDrills(store, ben.clientId)).toHaveLength(1);
    expect(stoppedDrills(store, ada.clientId)).toEqual([]);
    saved(append(runId, { type: 'stop', item: 0 }));
    expect(stoppedDrills(store, ada.clientId)).toHaveLength(1);
  });

  test('what came of it stands at each one’s own visit, whoever’s plan it was; a symptom with whom it was', () => {
    const { ada, ben, runId } = group();
    const settled: RunEvent = { type: 'settled', symptoms: ['dizzy'], note: '', then: 'go on', who: ben.clientId };
    saved(append(runId, { type: 'start' }, breath(0), { type: 'stop', item: 0, who: ben.clientId }));
    saved(append(runId, settled, { type: 'end', why: 'done' }));
    for (const { clientId, visitId } of [ada, ben])
      expect(visitDigestsOf(store, clientId).map((one) => one.visitId)).toEqual([visitId]);
    expect(stopSymptomsOf(store, ben.clientId)).toEqual([{ visitId: ben.visitId, symptoms: ['dizzy'] }]);
    expect(stopSymptomsOf(store, ada.clientId)).toEqual([]);
  });

  test('nobody who is not screened today comes in, nor more than six, nor somebody under another’s visit', () => {
    const ada = clientOf('Ada Quay');
    const unasked = clientOf('Cas Weir', { signs: false });
    const open = (members: { clientId: string; visitId: string }[]) =>
      record('run.create', {
        runId: randomUUID(),
        visitId: ada.visitId,
        items: [item],
        members: members.map((member) => ({ ...member, sitsOut: [] })),
      });
    const of = ({ clientId, visitId }: { clientId: string; visitId: string }) => ({ clientId, visitId });
    expect(open([of(ada), of(unasked)])).toMatchObject({ state: 'refused', why: expect.stringMatching(/^Not today/) });
    expect(open(Array.from({ length: 7 }, () => of(ada)))).toMatchObject({
      why: 'A group has at most 6 people.',
    });
    expect(open([of(ada), { clientId: unasked.clientId, visitId: ada.visitId }])).toMatchObject({ state: 'refused' });
  });
});

describe('runs left open', () => {
  test('are listed until they are ended, closed, or stopped for good', () => {
    const { visitId, clientId } = clientOf('Dorrit Shoal');
    const runId = randomUUID();
    saved(record('run.create', { runId, visitId, items: [item] }));
    expect(openRuns(store)).toEqual([]);
    saved(append(runId, { type: 'start' }, breath(0)));
    expect(openRuns(store)).toEqual([{ runId, clientId, name: 'Dorrit Shoal', day: '2026-11-25', nextSeq: 2 }]);
    saved(append(runId, { type: 'stop', item: 0 }, { type: 'settled', symptoms: [], note: '', then: 'go on' }));
    expect(openRuns(store)).toHaveLength(1);
    saved(append(runId, { type: 'stop', item: 0 }, { type: 'settled', symptoms: [], note: '', then: 'end' }));
    expect(openRuns(store)).toEqual([]);
  });
});

describe('the coach’s own breath', () => {
  test('has no client, is listed from a day on, and can be taken out', () => {
    const [nose, voice] = [randomUUID(), randomUUID()];
    saved(record('own.add', { entryId: nose, entry: { kind: 'nose', seconds: 60 } }));
    saved(record('own.add', { entryId: voice, entry: { kind: 'voice', load: 6, note: 'hoarse by four' } }));
    expect(ownEntries(store, '2026-11-25').map(({ entry }) => entry.kind)).toEqual(['nose', 'voice']);
    expect(ownEntries(store, '2026-11-26')).toEqual([]);
    saved(record('own.retract', { entryId: nose }));
    expect(ownEntries(store, '2026-11-25')).toHaveLength(1);
    expect(record('own.add', { entryId: randomUUID(), entry: { kind: 'voice', load: 12, note: '' } }).state).toBe(
      'refused',
    );
  });
});
