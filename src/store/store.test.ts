import { cpSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { findDrill } from '@/core/catalogue';
import { type CommandKind, type Outcome, type Payload } from '@/core/record';
import { conditionIds, emptyProfile, evaluateGates } from '@/core/safety';
import { makePlan } from '@/core/sequence';
import { evenYields, unobserved } from '@/core/trunk';
import {
  type Store,
  StoreError,
  carryOut,
  factsOf,
  findClient,
  findRun,
  historyOf,
  knownClientOf,
  looksOf,
  openStore,
  ownDrillsOf,
  readSettings,
  recentClients,
  searchClients,
  stoppedDrills,
  templatesOf,
  handedHomesOf,
  knownClientsOf,
  lastVisits,
  liftsOf,
  nextBookings,
  nextNotesOf,
  plansOf,
  readingsOf,
  stoppedDrillsOf,
  visitsOfDay,
  visitOfDay,
  visitRecord,
} from '.';
import { scratchFolder } from '../../scripts/scratch';

const now = Date.parse('2026-11-23T10:00:00Z');
let folder: string;
let store: Store;

beforeEach(() => {
  folder = scratchFolder('store');
  store = openStore(join(folder, 'studio.db'));
});
afterEach(() => {
  if (store.$client.open) store.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

function record<K extends CommandKind>(kind: K, payload: Payload<K>, at = now): Outcome {
  return carryOut(store, { id: randomUUID(), kind, payload }, at);
}
const saved = (outcome: Outcome) => expect(outcome).toMatchObject({ state: 'saved' });

/** A client with today's visit, the signs asked, and everything answered no but for what is given. */
function clientOf(name: string, yes: string[] = [], signs = true) {
  const [clientId, visitId] = [randomUUID(), randomUUID()];
  saved(record('client.create', { clientId, factId: randomUUID(), name }));
  saved(record('visit.start', { visitId, clientId }));
  // Whoever answers has seen the answer before.
  const seen = new Map<string, string>();
  const fact = (key: Payload<'fact.add'>['key'], value: unknown, at = now) => {
    const factId = randomUUID();
    const outcome = record('fact.add', { factId, clientId, key, value, basedOn: seen.get(key) ?? null }, at);
    seen.set(key, factId);
    return outcome;
  };
  if (signs) {
    saved(fact('emergency', { present: [] }));
    saved(fact('redFlags', { present: [] }));
  }
  for (const id of conditionIds) saved(fact(`answer:${id}`, { value: yes.includes(id) ? 'yes' : 'no' }));
  return { clientId, visitId, fact };
}

const hold = { position: 'sitting', tries: [{ seconds: 14, feeling: 'calm', firstBreath: 'nose and quiet' }] };
const lookOf = (visitId: string, raw: unknown, rest: Partial<Payload<'look.save'>> = {}): Payload<'look.save'> => ({
  lookId: randomUUID(),
  visitId,
  protocol: 'calmHold',
  moment: 'before',
  takenAt: new Date(now).toISOString(),
  raw,
  revision: 0,
  ...rest,
});

function planned(visitId: string, clientId: string) {
  const { profile } = knownClientOf(store, clientId);
  const plan = makePlan(
    { intent: 'lowerBreath', side: null, minutes: 12, propsAtHand: ['towel', 'chair'], leadSchool: 'openAllRegions' },
    { gates: evaluateGates(profile, '2026-11-23'), yields: evenYields(), confirmedPatterns: [], stoppedDrills: [] },
    randomUUID,
  );
  saved(record('plan.save', { planId: randomUUID(), visitId, plan, revision: 0 }));
  return plan;
}

describe('commands', () => {
  test('the same command twice is carried out once and answered alike', () => {
    const command = {
      id: randomUUID(),
      kind: 'client.create',
      payload: { clientId: randomUUID(), factId: randomUUID(), name: 'Orla Weirside' },
    };
    const first = carryOut(store, command, now);
    expect(carryOut(store, command, now + 5000)).toEqual(first);
    expect(searchClients(store, 'weir')).toHaveLength(1);
    // Found in whichever order the words are said.
    expect(searchClients(store, 'Weirside, Orla')).toHaveLength(1);
    expect(searchClients(store, 'orla nobody')).toHaveLength(0);
  });

  test('nonsense is refused with one sentence and leaves nothing behind', () => {
    for (const input of [
      null,
      'x',
      {},
      { id: 'x', kind: 'y' },
      { id: randomUUID(), kind: 'drop.tables', payload: {} },
    ]) {
      expect(carryOut(store, input, now)).toMatchObject({ state: 'refused', why: expect.stringMatching(/\.$/) });
    }
    expect(record('visit.start', { visitId: randomUUID(), clientId: randomUUID() })).toMatchObject({
      state: 'refused',
      code: 'gone',
      why: 'This client is no longer there. Reload the page.',
    });
    expect(searchClients(store, '')).toEqual([]);
  });

  test('a refused command may be sent again once what stood in its way is gone', () => {
    const { fact, visitId } = clientOf('Orla Weirside', ['heart']);
    const command = { id: randomUUID(), kind: 'look.save', payload: lookOf(visitId, hold) };
    expect(carryOut(store, command, now)).toMatchObject({ state: 'refused' });
    saved(fact('answer:heart', { value: 'no' }, now + 9));
    saved(carryOut(store, command, now + 10));
  });
});

describe('facts', () => {
  test('are only ever added; the newest counts, and the name in lists follows', () => {
    const { clientId, fact } = clientOf('Orla Weirside');
    record('fact.add', { factId: randomUUID(), clientId, key: 'name', value: 'Orla Weir', basedOn: null }, now + 1);
    expect(findClient(store, clientId)!.name).toBe('Orla Weir');
    expect(factsOf(store, clientId).filter(({ key }) => key === 'name')).toHaveLength(2);
    expect(fact('goal', 'x'.repeat(10_000))).toMatchObject({ state: 'refused' });
    expect(fact('birthDay', '2027-01-01')).toMatchObject({
      state: 'refused',
      code: 'does not fit',
      why: 'That birthday lies ahead. Check the year.',
    });
  });

  test('an edit on top of one nobody saw is kept and told', () => {
    const { clientId } = clientOf('Orla Weirside');
    const first = randomUUID();
    const goal = (value: string, basedOn: string | null, factId = randomUUID(), at = now) =>
      record('fact.add', { factId, clientId, key: 'goal', value, basedOn }, at);
    saved(goal('one', null, first));
    saved(goal('two', first, randomUUID(), now + 1));
    expect(goal('three', first, randomUUID(), now + 2)).toMatchObject({ state: 'conflict', theirs: 'two' });
    expect(knownClientOf(store, clientId).texts.goal).toBe('three');
    expect(factsOf(store, clientId).filter(({ key }) => key === 'goal')).toHaveLength(3);
  });

  test('a slip can be taken back on its day, an emergency can’t, yesterday’s can’t', () => {
    const { clientId } = clientOf('Orla Weirside');
    const [flag, sign] = [randomUUID(), randomUUID()];
    const add = (factId: string, key: 'redFlags' | 'emergency', present: string[]) =>
      record('fact.add', { factId, clientId, key, value: { present }, basedOn: null });
    add(flag, 'redFlags', ['calf']);
    saved(record('fact.retract', { factId: flag }));
    expect(knownClientOf(store, clientId).profile.redFlags!.present).toEqual([]);
    add(sign, 'emergency', ['fainting']);
    expect(record('fact.retract', { factId: sign })).toMatchObject({ state: 'refused' });
    expect(record('fact.retract', { factId: flag }, now + 86_400_000)).toMatchObject({ state: 'refused' });
  });
});

describe('gates hold at the server', () => {
  test.each(['pregnancy', 'heart', 'seizures', 'eyeHead', 'collapsedLung'])(
    'no hold is taken in with %s',
    (condition) => {
      const { visitId } = clientOf('Orla Weirside', [condition]);
      expect(record('look.save', lookOf(visitId, hold))).toMatchObject({
        state: 'refused',
        why: expect.stringMatching(/^Off today/),
      });
      expect(looksOf(store, [visitId])).toEqual([]);
    },
  );

  test('an emergency or a red flag closes looks, plans and runs', () => {
    const { visitId, clientId, fact } = clientOf('Orla Weirside');
    const plan = planned(visitId, clientId);
    saved(fact('redFlags', { present: ['nightPain'] }));
    expect(record('look.save', lookOf(visitId, hold))).toMatchObject({
      state: 'refused',
      why: expect.stringMatching(/^Not today: Night pain/),
    });
    expect(record('run.create', { runId: randomUUID(), visitId, items: plan.items })).toMatchObject({
      state: 'refused',
    });
    saved(fact('redFlagClearance', { clinician: 'Dr Reedham', reason: 'examined, cleared' }));
    saved(record('run.create', { runId: randomUUID(), visitId, items: plan.items }));
    saved(fact('emergency', { present: ['chestPain'] }));
    expect(record('plan.save', { planId: randomUUID(), visitId, plan, revision: 1 })).toMatchObject({
      state: 'refused',
    });
  });

  test('a run needs the signs of the day, a plan, and a plan that may be coached today', () => {
    const { visitId, clientId, fact } = clientOf('Orla Weirside', [], false);
    const plan = planned(visitId, clientId);
    const open = (items = plan.items) => record('run.create', { runId: randomUUID(), visitId, items });
    expect(open()).toMatchObject({ state: 'refused', why: expect.stringMatching(/have not been asked today/) });
    saved(fact('emergency', { present: [] }));
    saved(fact('redFlags', { present: [] }));
    saved(open());
    saved(fact('answer:heart', { value: 'yes' }, now + 5));
    const held = plan.items.map((item) => ({
      ...item,
      cadences: item.cadences.map((breath) => ({ ...breath, bottomPauseSeconds: 5 })),
    }));
    expect(open(held)).toMatchObject({
      state: 'refused',
      why: expect.stringMatching(/holds beyond a natural pause.*(Drop the pause|no pause)/),
    });
  });
});

describe('looks, plans and runs', () => {
  test.each(['pregnancy', 'heart', 'seizures'])('a hold sent past the screen is refused with %s', (condition) => {
    const { visitId } = clientOf('Silas Brack', [condition]);
    expect(record('look.save', lookOf(visitId, hold))).toMatchObject({
      state: 'refused',
      why: expect.stringMatching(/holds beyond a natural pause/),
    });
    saved(record('look.save', lookOf(clientOf('Una Tidewell').visitId, hold)));
  });

  test('who was seen last comes first on the front page, whenever they were added', () => {
    const hour = 3_600_000;
    const clientId = (name: string, at: number) => {
      const id = randomUUID();
      saved(record('client.create', { clientId: id, factId: randomUUID(), name }, at));
      return id;
    };
    const [long, lately] = [clientId('Corin Weir', now - 90 * 24 * hour), clientId('Perran Ropewalk', now - 2 * hour)];
    expect(recentClients(store).map(({ name }) => name)).toEqual(['Perran Ropewalk', 'Corin Weir']);
    saved(record('visit.start', { visitId: randomUUID(), clientId: long }, now - hour));
    expect(recentClients(store).map(({ id }) => id)).toEqual([long, lately]);
  });

  test('a look written by two windows keeps both', () => {
    const { visitId } = clientOf('Orla Weirside');
    const map = (belly: number) => ({
      position: 'sitting',
      quiet: { ...unobserved(), belly },
      deep: unobserved(),
      neckQuiet: null,
      neckDeep: null,
    });
    const look = lookOf(visitId, map(1), { protocol: 'regionMap' });
    expect(record('look.save', look)).toMatchObject({ state: 'saved', revision: 1 });
    expect(record('look.save', { ...look, raw: map(2), revision: 1 })).toMatchObject({ state: 'saved', revision: 2 });
    expect(record('look.save', { ...look, raw: map(3), revision: 1 })).toMatchObject({
      state: 'conflict',
      theirs: { revision: 3 },
    });
    const kept = looksOf(store, [visitId]).map(({ raw }) => (raw as ReturnType<typeof map>).quiet.belly);
    expect(kept.sort()).toEqual([2, 3]);
    expect(record('look.save', lookOf(visitId, { position: 'sitting', tries: [{ seconds: -4 }] }))).toMatchObject({
      state: 'refused',
    });
  });

  test('run events are stored once by run and place, however often they are sent', () => {
    const { visitId, clientId } = clientOf('Orla Weirside');
    const { items } = planned(visitId, clientId);
    const runId = randomUUID();
    saved(record('run.create', { runId, visitId, items }));
    const events = [
      { id: randomUUID(), seq: 0, atEpochMs: now, event: { type: 'start' as const } },
      { id: randomUUID(), seq: 1, atEpochMs: now + 9000, event: { type: 'stop' as const, item: 0 } },
    ];
    saved(record('run.append', { runId, events }));
    saved(record('run.append', { runId, events }));
    expect(findRun(store, runId)!.events).toEqual(events);
    expect(stoppedDrills(store, clientId)).toEqual([
      { drillId: items[0]!.drillId, name: 'Crossed-leg tuck breath', runId },
    ]);
    const intruder = [{ id: randomUUID(), seq: 1, atEpochMs: now, event: { type: 'resume' as const } }];
    expect(record('run.append', { runId, events: intruder })).toMatchObject({ state: 'refused' });
    const { runs, plan } = visitRecord(store, visitOfDay(store, clientId, '2026-11-23')!);
    expect(runs).toHaveLength(1);
    expect(plan!.revision).toBe(1);
  });

  test('settings that no longer fit fall back alone', () => {
    saved(record('settings.change', { studioName: 'Reed House', emergencyNumber: '999' }));
    expect(record('settings.change', { emergencyNumber: 'call mum' })).toMatchObject({ state: 'refused' });
    store.$client.prepare("update settings set value = '\"Mars/Olympus\"' where key = 'studioName'").run();
    store.$client.prepare("insert into settings (key, value) values ('timeZone', '\"Mars/Olympus\"')").run();
    expect(readSettings(store)).toMatchObject({ emergencyNumber: '999' });
    expect(() => new Intl.DateTimeFormat('en', { timeZone: readSettings(store).timeZone })).not.toThrow();
  });

  test('a row of JSON that was damaged is passed over, and the rest is shown', () => {
    const { visitId } = clientOf('Orla Weirside');
    saved(record('look.save', lookOf(visitId, hold)));
    store.$client.prepare('update looks set raw = \'{"position":"on the moon"}\'').run();
    expect(looksOf(store, [visitId])).toEqual([]);
  });
});

describe('the file', () => {
  const later = (sql: string) => {
    const migrations = join(folder, 'migrations');
    cpSync('drizzle', migrations, { recursive: true });
    const journal = join(migrations, 'meta', '_journal.json');
    const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { when: number }[] };
    const next = {
      idx: entries.length,
      version: '6',
      when: entries.at(-1)!.when + 1000,
      tag: '9999_later',
      breakpoints: true,
    };
    writeFileSync(journal, JSON.stringify({ ...rest, entries: [...entries, next] }));
    writeFileSync(join(migrations, '9999_later.sql'), sql);
    return migrations;
  };

  test('keeps what was recorded, with foreign keys on and a write-ahead log', () => {
    clientOf('Orla Weirside');
    store.$client.close();
    store = openStore(join(folder, 'studio.db'));
    expect(searchClients(store, 'orla')).toHaveLength(1);
    expect(store.$client.pragma('foreign_keys', { simple: true })).toBe(1);
    expect(store.$client.pragma('journal_mode', { simple: true })).toBe('wal');
  });

  test('a failed migration leaves the old file untouched and says so', () => {
    clientOf('Orla Weirside');
    store.$client.close();
    const path = join(folder, 'studio.db');
    const before = readFileSync(path);
    expect(() => openStore(path, later('ALTER TABLE nothing ADD COLUMN x text;'))).toThrow(StoreError);
    expect(readFileSync(path).equals(before)).toBe(true);
    expect(readdirSync(folder).filter((name) => name.includes('migrating'))).toEqual([]);
    store = openStore(path);
    expect(searchClients(store, 'orla')).toHaveLength(1);
  });

  test('a migration that goes through keeps the old file beside the new one', () => {
    clientOf('Orla Weirside');
    store.$client.close();
    const path = join(folder, 'studio.db');
    store = openStore(path, later('ALTER TABLE clients ADD COLUMN colour text;'));
    expect(searchClients(store, 'orla')).toHaveLength(1);
    expect(readdirSync(folder).filter((name) => name.startsWith('studio.db.before-'))).toHaveLength(1);
    store.$client.close();
    expect(() => openStore(path)).toThrow(/written by a newer version/);
    store = openStore(path, join(folder, 'migrations'));
  });

  test('a file that is no studio is told in words', () => {
    const path = join(folder, 'other.db');
    writeFileSync(path, 'this is not a database, but long enough to look like one'.repeat(40));
    expect(() => openStore(path)).toThrow(/can't be opened as a studio/);
  });

  test('an empty profile is what a client begins with', () => {
    const clientId = randomUUID();
    saved(record('client.create', { clientId, factId: randomUUID(), name: 'Orla Weirside' }));
    expect(knownClientOf(store, clientId).profile).toEqual(emptyProfile);
  });
});

describe('drills of the coach’s own, templates and what happened before', () => {
  const own = { ...findDrill('towel-hug')!, id: 'my-hug', name: 'My hug' };

  test('are kept, changed, taken out and brought back', () => {
    saved(record('drill.save', { drill: own, revision: 0 }));
    expect(ownDrillsOf(store)).toMatchObject([{ drill: own, revision: 1 }]);
    saved(record('drill.save', { drill: { ...own, name: 'My other hug' }, revision: 1 }));
    expect(ownDrillsOf(store)[0]).toMatchObject({ drill: { name: 'My other hug' }, revision: 2 });
    saved(record('drill.remove', { drillId: 'my-hug' }));
    expect(ownDrillsOf(store)).toEqual([]);
    saved(record('drill.restore', { drillId: 'my-hug' }));
    expect(ownDrillsOf(store)).toHaveLength(1);
  });

  test('a change made on an older state is kept and told', () => {
    saved(record('drill.save', { drill: own, revision: 0 }));
    saved(record('drill.save', { drill: own, revision: 1 }));
    expect(record('drill.save', { drill: own, revision: 1 })).toMatchObject({ state: 'conflict' });
  });

  test('what names what is not there, or a built-in id, is refused with a sentence', () => {
    expect(record('drill.save', { drill: { ...own, harder: 'nowhere' }, revision: 0 })).toMatchObject({
      state: 'refused',
      code: 'does not fit',
      why: 'My hug: There is no drill with the id “nowhere”.',
    });
    expect(record('drill.save', { drill: findDrill('towel-hug')!, revision: 0 }).state).toBe('refused');
    expect(record('drill.remove', { drillId: 'nobody' }).state).toBe('refused');
  });

  test('an import is taken in whole or not at all', () => {
    const bad = { ...own, id: 'my-bad', easier: 'nowhere' };
    expect(record('drills.import', { drills: [own, bad] }).state).toBe('refused');
    expect(ownDrillsOf(store)).toEqual([]);
    saved(record('drills.import', { drills: [own, { ...own, id: 'my-second', harder: 'my-hug' }] }));
    expect(ownDrillsOf(store)).toHaveLength(2);
  });

  test('a template is kept without a client, taken off and brought back', () => {
    const templateId = randomUUID();
    const template = {
      minutes: 20,
      leadSchool: 'openAllRegions',
      items: [
        {
          drillId: 'quiet-nose',
          position: 'sitting' as const,
          props: [],
          side: 'none' as const,
          cadences: [{ inhaleSeconds: 3, topPauseSeconds: 0, exhaleSeconds: 4.5, bottomPauseSeconds: 0 }],
          breaths: 10,
          sets: 1,
          restSeconds: 20,
          setUpSeconds: 20,
        },
      ],
    };
    saved(record('template.save', { templateId, name: 'A quiet start', template }));
    expect(templatesOf(store)).toMatchObject([{ id: templateId, name: 'A quiet start', template }]);
    saved(record('template.remove', { templateId }));
    expect(templatesOf(store)).toEqual([]);
    saved(record('template.restore', { templateId }));
    expect(templatesOf(store)).toHaveLength(1);
    expect(record('template.save', { templateId, name: ' ', template })).toMatchObject({
      state: 'refused',
      code: 'does not fit',
      why: 'Give the template a name.',
    });
  });

  test('how drills went is read from the runs of that client alone', () => {
    const { clientId, visitId } = clientOf('Nan Tidewell');
    const other = clientOf('Somebody Else');
    expect(historyOf(store, clientId)).toEqual([]);
    const { items } = planned(visitId, clientId);
    const runId = randomUUID();
    saved(record('run.create', { runId, visitId, items }));
    const events = Array.from({ length: items[0]!.breaths }, (_, breath) => ({
      id: randomUUID(),
      seq: breath,
      atEpochMs: now + breath,
      event: { type: 'breath' as const, item: 0, set: 1, breath },
    }));
    saved(record('run.append', { runId, events }));
    expect(historyOf(store, clientId)).toMatchObject([{ drillId: items[0]!.drillId, outcomes: ['calm'] }]);
    expect(historyOf(store, other.clientId)).toEqual([]);
  });
});

test('as many clients or visits can be asked for at once as a studio may ever have', () => {
  // The database takes some thirty thousand values in one query.
  const ids = Array.from({ length: 40_000 }, () => randomUUID());
  const found = [
    ...looksOf(store, ids),
    ...liftsOf(store, ids),
    ...plansOf(store, ids),
    ...readingsOf(store, ids),
    ...handedHomesOf(store, ids),
    ...nextBookings(store, ids, '2026-11-23T10:00:00.000Z'),
    ...visitsOfDay(store, ids, '2026-11-23'),
    ...lastVisits(store, ids, '2026-11-23'),
    ...nextNotesOf(store, ids, '2026-11-23T10:00:00.000Z'),
    ...[...stoppedDrillsOf(store, ids).values()].flat(),
  ];
  expect(found).toEqual([]);
  expect(knownClientsOf(store, ids).size).toBe(ids.length);
});
