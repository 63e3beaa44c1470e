import { randomUUID } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { type CommandKind, type Outcome, type Payload, commandKinds } from '@/core/record';
import {
  type Asker,
  addCoach,
  anotherCode,
  asker,
  askerOf,
  beginSession,
  belonging,
  brokenAt,
  carryOutAll,
  changePassphrase,
  coachBy,
  endCoach,
  endSession,
  findRun,
  everythingOf,
  handOver,
  helpedSeen,
  lockSession,
  onBehalfOf,
  openRuns,
  ownEntries,
  readSettings,
  recentClients,
  recover,
  sessionBy,
  sessionsOf,
  setUp,
  share,
  silentSince,
  theStore,
  trailOf,
  trailState,
  unlockSession,
  unshare,
  visitDigestsOf,
  wholeStore,
} from '..';
import { doors } from '../commands';
import { demoAt } from '../../../demo/ready';
import { type TestStudio, planOfItems, quietItem, testStudio } from '../fixtures';
import { met } from '../../../scripts/met';

// With all its work a passphrase is kept in secrets.test.ts, and by the browser's tests.
jest.mock('node:crypto', () => jest.requireActual<object>('../../../scripts/quickCrypto'));

let studio: TestStudio;
let folder: string;
const now = Date.now();
const held = globalThis as { kokyuStore?: unknown };
/** Whoever leads the group, and another one in it. */
let group: { leader: { id: string; name: string }; other: string; runId: string };
const words = { wren: 'heron lamp quiet barrow', kit: 'otter sails copper gate' };

const ownEntry: Payload<'own.add'>['entry'] = { kind: 'nose', seconds: 60 };

let wren: Asker;
let kit: Asker;
let theirs: { id: string; name: string };
let others: { id: string; name: string }[];

const signedIn = (coachId: string): Asker => {
  const word = beginSession(wholeStore(), coachId, 'a test', Date.now());
  return askerOf(wholeStore(), sessionBy(wholeStore(), word, Date.now())!);
};

/** A studio with everybody of the demo in it, groups among them: Wren owns it, Kit coaches one of them. */
beforeAll(async () => {
  studio = testStudio('access', demoAt);
  folder = studio.folder;
  held.kokyuStore = studio.store;
  theirs = recentClients(wholeStore(), 20)[0]!;
  studio.take('own.add', { entryId: randomUUID(), entry: ownEntry });
  const [leader, other] = [studio.person('Morwenna Sands'), studio.person('Jory Pike')];
  const runId = randomUUID();
  studio.take('run.create', {
    runId,
    visitId: leader.visitId,
    items: [quietItem()],
    members: [leader, other].map((one) => ({ ...one, sitsOut: [] })),
  });
  studio.append(runId, { type: 'start' }, { type: 'fault', item: 0, fault: 'neck', who: leader.clientId });
  studio.append(runId, { type: 'fault', item: 0, fault: 'neck', who: other.clientId });
  studio.take('note.save', {
    visitId: leader.visitId,
    text: 'Holds the left side since the fall from the slip',
    home: [],
    revision: 0,
  });
  group = { leader: { id: leader.clientId, name: 'Morwenna Sands' }, other: other.clientId, runId };
  others = recentClients(wholeStore(), 20).filter(({ id }) => id !== theirs.id);
  const own = await setUp(wholeStore(), { name: 'Wren Addo', passphrase: words.wren }, now);
  wren = signedIn(own.coachId);
  const second = await addCoach(wholeStore(), wren, { name: 'Kit Marsh', passphrase: words.kit }, now);
  kit = signedIn(second.coachId);
  share(wholeStore(), wren, { clientId: theirs.id, coachId: second.coachId }, now);
});
afterAll(() => {
  delete held.kokyuStore;
  studio.close();
});

const as = <T>(who: Asker, work: () => T) => onBehalfOf(who, work);
const rowsOf = (table: string) =>
  theStore().$client.prepare(`select * from "${table}"`).all() as Record<string, unknown>[];
const inWords = (rows: unknown) =>
  JSON.stringify(rows, (_, value: unknown) =>
    (value as { type?: string } | null)?.type === 'Buffer'
      ? Buffer.from((value as { data: number[] }).data).toString('hex')
      : value,
  );

describe('what a coach may see', () => {
  test('is all of their own clients and nothing of anybody else, whatever table is asked', () => {
    for (const [table, belongs] of Object.entries(belonging)) {
      if (belongs === 'studio' || table === 'trail') continue;
      const seen = inWords(as(kit, () => rowsOf(table)));
      for (const { id, name } of others) {
        expect([table, seen.includes(id)]).toEqual([table, false]);
        expect([table, seen.includes(name)]).toEqual([table, false]);
      }
    }
    // Against what is given to the client themselves, which another way of asking makes.
    const all = everythingOf(wholeStore(), theirs.id);
    const mine = as(kit, () => everythingOf(theStore(), theirs.id));
    for (const table of Object.keys(all).filter((one) => one !== 'trail')) {
      expect([table, mine[table]!.length]).toEqual([table, all[table]!.length]);
    }
    expect(all.visits!.length).toBeGreaterThan(0);
  });

  test('of the sums over everybody is only their own clients’', () => {
    const [all, mine] = [helpedSeen(wholeStore()), as(kit, () => helpedSeen(theStore()))];
    expect(all.some(({ clientId }) => clientId !== theirs.id)).toBe(true);
    expect(mine.every(({ clientId }) => clientId === theirs.id)).toBe(true);
    expect(as(kit, () => openRuns(theStore())).every(({ clientId }) => clientId === theirs.id)).toBe(true);
  });

  test('the owner sees every client, and nobody but themselves sees their own breath', () => {
    expect(as(wren, () => recentClients(theStore(), 20))).toHaveLength(others.length + 1);
    const own = (who: Asker) => as(who, () => ownEntries(theStore(), '2000-01-01').length);
    const wrens = own(wren);
    expect(wrens).toBeGreaterThan(0);
    expect(own(kit)).toBe(0);
    const entry = { kind: 'own.add' as const, payload: { entryId: randomUUID(), entry: ownEntry } };
    expect(carry(kit, entry.kind, entry.payload).state).toBe('saved');
    expect([own(wren), own(kit)]).toEqual([wrens, 1]);
    expect(carry(wren, 'own.retract', { entryId: entry.payload.entryId })).toMatchObject({ code: 'gone' });
    expect(carry(kit, 'own.retract', { entryId: entry.payload.entryId }).state).toBe('saved');
  });

  test('what forgot to ask who is there is given nothing', () => {
    expect(() => asker()).toThrow('Nobody is signed in.');
    expect(() => theStore()).toThrow('Nobody is signed in.');
  });
});

const carry = <K extends CommandKind>(who: Asker, kind: K, payload: Payload<K>): Outcome =>
  as(who, () => carryOutAll(wholeStore(), [{ id: randomUUID(), kind, payload }], Date.now()).outcomes[0]!);

describe('what a coach may do', () => {
  /** Kinds that are about nobody in particular. */
  const aboutNobody: readonly CommandKind[] = [
    'client.create',
    'own.add',
    'own.retract',
    'drill.save',
    'drill.remove',
    'drill.restore',
    'drills.import',
    'template.save',
    'template.remove',
    'template.restore',
    'settings.change',
    'record.setAside',
    'record.bringBack',
  ];

  /** Everything else, aimed at somebody who is another's. */
  function aimed(): { [K in CommandKind]?: Payload<K> } {
    const store = wholeStore();
    const first = (sql: string) => store.$client.prepare(sql).get() as Record<string, string> | undefined;
    const not = `client_id <> '${theirs.id}'`;
    const clientId = others[0]!.id;
    const visitId = first(`select id from visits where ${not} and id in (select visit_id from plans) limit 1`)!.id!;
    const whoseVisit = first(`select client_id from visits where id = '${visitId}'`)!.client_id!;
    const id = (table: string) => first(`select id from ${table} where ${not} limit 1`)?.id ?? missing(table);
    const ofVisit = (table: string) =>
      first(`select id from ${table} where visit_id in (select id from visits where ${not}) limit 1`)?.id ??
      missing(table);
    const missing = (table: string): string => {
      throw new Error(`The demo has nobody else’s row in ${table}.`);
    };
    const nobody = randomUUID();
    const runId = first(
      `select id from runs where visit_id in (select id from visits where ${not}) and id not in (select run_id from run_members where client_id = '${theirs.id}') limit 1`,
    )!.id!;
    carry(wren, 'waiting.add', { waitingId: nobody, clientId, minutes: 30, wish: 'any', note: '' } as never);
    const noteId = randomUUID();
    carry(wren, 'nextTime.add', { noteId, clientId, text: 'bring the strap' });
    const liftId = randomUUID();
    const note = { visitId, text: 'x', home: [], revision: 0 };
    return {
      'client.archive': { clientId },
      'client.restore': { clientId },
      'client.delete': { clientId, name: others[0]!.name },
      'fact.add': { factId: randomUUID(), clientId, key: 'cameFor' as never, value: 'x', basedOn: null },
      'fact.retract': { factId: id('facts') },
      'visit.start': { visitId: randomUUID(), clientId },
      'visit.end': { visitId },
      'visit.lookList': { visitId, list: { set: 'full' as never, protocols: [] } },
      'look.save': {
        lookId: randomUUID(),
        visitId,
        protocol: 'marker',
        moment: 'before',
        takenAt: new Date().toISOString(),
        raw: {},
        revision: 0,
      },
      'look.retract': { lookId: ofVisit('looks') },
      'photo.add': { photoId: randomUUID(), clientId, data: 'x' },
      'finding.judge': judged(visitId),
      'reading.confirm': read(visitId),
      'plan.save': { planId: randomUUID(), visitId, plan: planOfItems([quietItem()]), revision: 0 },
      'run.create': {
        runId: randomUUID(),
        visitId: first(`select id from visits where client_id = '${theirs.id}' limit 1`)!.id!,
        items: [quietItem()],
        // Their own client in front, another's beside.
        members: [
          {
            clientId: theirs.id,
            visitId: first(`select id from visits where client_id = '${theirs.id}' limit 1`)!.id!,
            sitsOut: [],
          },
          { clientId: whoseVisit, visitId, sitsOut: [] },
        ],
      },
      'run.append': {
        runId,
        events: [{ id: randomUUID(), seq: 0, atEpochMs: Date.now(), event: { type: 'start' } }],
      },
      'note.save': note,
      'note.sign': note,
      'note.add': { additionId: randomUUID(), visitId, text: 'x' },
      'appointment.add': {
        appointmentId: randomUUID(),
        clientId,
        startsAt: new Date(Date.now() + 864e5).toISOString(),
        minutes: 30,
        note: '',
        seriesId: null,
      },
      'appointment.change': {
        appointmentId: id('appointments'),
        startsAt: new Date(Date.now() + 864e5).toISOString(),
        minutes: 30,
        note: '',
        seen: first(`select starts_at from appointments where ${not} limit 1`)!.starts_at!,
      },
      'appointment.cancel': { appointmentId: id('appointments'), how: 'cancelled', reason: '' },
      'appointment.restore': { appointmentId: id('appointments') },
      'waiting.add': { waitingId: randomUUID(), clientId, minutes: 30, wish: 'any' as never, note: '' },
      'waiting.remove': { waitingId: nobody },
      'waiting.restore': { waitingId: nobody },
      'nextTime.add': { noteId: randomUUID(), clientId, text: 'x' },
      'nextTime.done': { noteId },
      'nextTime.undone': { noteId },
      'home.save': { visitId, plan: homePlan(), revision: 0 },
      'home.hand': { visitId },
      'home.returned': { returnId: randomUUID(), visitId, code: 'ABCDE FGHJK LMNPQ RSTUV' },
      'lift.log': { liftId, visitId, lift: lift() },
      'lift.takeBack': { liftId, visitId },
      'home.told': { answerId: randomUUID(), visitId, drillId: 'x', answer: 'yes' as never },
    };
  }
  const stored = (table: string) =>
    JSON.parse(
      (wholeStore().$client.prepare(`select value from ${table} limit 1`).get() as { value: string }).value,
    ) as unknown;
  const homePlan = () => stored('home_plans') as Payload<'home.save'>['plan'];
  const lift = () => stored('lifts') as Payload<'lift.log'>['lift'];
  const read = (visitId: string): Payload<'reading.confirm'> => ({
    readingId: randomUUID(),
    visitId,
    reading: stored('readings') as Payload<'reading.confirm'>['reading'],
  });
  const judged = (visitId: string): Payload<'finding.judge'> => ({
    judgementId: randomUUID(),
    visitId,
    judgement: { finding: 'x', word: 'agree' } as never,
  });

  test('every kind of command is about somebody or about nobody', () => {
    expect([...aboutNobody, ...Object.keys(aimed())].sort()).toEqual([...commandKinds].sort());
    for (const kind of aboutNobody) expect([kind, doors[kind].whose]).toEqual([kind, 'studio']);
    for (const kind of Object.keys(aimed()) as CommandKind[])
      expect([kind, typeof doors[kind].whose]).toEqual([kind, 'function']);
  });

  test('another coach’s client is to nothing more than one who never was, and nothing of it is written', () => {
    const payloads = aimed();
    const state = () =>
      inWords(
        Object.keys(belonging)
          .filter((table) => table !== 'trail')
          .map((table) => [table, as(wren, () => rowsOf(table))]),
      );
    const was = state();
    for (const [kind, payload] of Object.entries(payloads) as [CommandKind, never][]) {
      const outcome = carry(kit, kind, payload);
      // What does not even fit is refused before it is asked whose it is.
      expect([kind, outcome.state]).toEqual([kind, 'refused']);
      expect([kind, (outcome as { code: string }).code]).toEqual([
        kind,
        expect.stringMatching(/^(gone|does not fit)$/),
      ]);
      expect(inWords(outcome)).not.toContain(others[0]!.name);
    }
    expect(state()).toBe(was);
  });

  test('settings that hold for everybody’s clients are the owner’s; those of the room are anybody’s', () => {
    expect(carry(kit, 'settings.change', { studioName: 'Kit’s' })).toMatchObject({ state: 'refused', code: 'gated' });
    expect(carry(kit, 'settings.change', { toneVolume: 40, limits: readSettings(wholeStore()).limits })).toMatchObject({
      state: 'refused',
    });
    expect(carry(kit, 'settings.change', { toneVolume: 40 }).state).toBe('saved');
    expect(carry(wren, 'settings.change', { studioName: 'Saltmarsh Movement Rooms' }).state).toBe('saved');
  });

  test('who adds a client has them; sharing, handing over and taking back are seen at once', () => {
    const clientId = randomUUID();
    expect(carry(kit, 'client.create', { clientId, factId: randomUUID(), name: 'Bram Holt' }).state).toBe('saved');
    expect(kit.sees(clientId)).toBe(true);
    handOver(wholeStore(), kit, { clientId, coachId: wren.coachId! }, now);
    expect(kit.sees(clientId)).toBe(false);
    expect(() => handOver(wholeStore(), kit, { clientId, coachId: kit.coachId! }, now)).toThrow('no longer there');
    share(wholeStore(), wren, { clientId, coachId: kit.coachId! }, now);
    expect(as(kit, () => recentClients(theStore(), 20)).map(({ id }) => id)).toContain(clientId);
    // Shared with them they may record, and not give away.
    expect(() => handOver(wholeStore(), kit, { clientId, coachId: kit.coachId! }, now)).toThrow('as their own');
    expect(carry(kit, 'client.delete', { clientId, name: 'Bram Holt' })).toMatchObject({
      state: 'refused',
      code: 'gated',
    });
    unshare(wholeStore(), wren, { clientId, coachId: kit.coachId! }, now);
    expect(as(kit, () => recentClients(theStore(), 20)).map(({ id }) => id)).not.toContain(clientId);
  });
});

describe('passphrases', () => {
  test('open by name whatever its capitals; nothing in the file leads back to them', async () => {
    expect(await coachBy(wholeStore(), ' wren  ADDO', words.wren)).toBe(wren.coachId);
    expect(await coachBy(wholeStore(), 'Wren Addo', words.kit)).toBeNull();
    expect(await coachBy(wholeStore(), 'Nobody', words.wren)).toBeNull();
    wholeStore().$client.pragma('wal_checkpoint(TRUNCATE)');
    const file = readFileSync(join(folder, 'studio.db'));
    for (const word of Object.values(words)) expect(file.includes(word)).toBe(false);
  });

  test('there is one first; a second name that reads the same is refused', async () => {
    await expect(setUp(wholeStore(), { name: 'X', passphrase: words.kit }, now)).rejects.toThrow('already');
    await expect(addCoach(wholeStore(), wren, { name: 'KIT marsh', passphrase: words.kit }, now)).rejects.toThrow(
      'already',
    );
  });

  test('a session is known by a word the file does not hold; it locks, unlocks, ends', () => {
    const word = beginSession(wholeStore(), kit.coachId!, 'Firefox on Linux', now);
    const row = JSON.stringify(wholeStore().$client.prepare('select * from sessions').all());
    expect(row).not.toContain(word);
    const { sessionId } = sessionBy(wholeStore(), word, now)!;
    lockSession(wholeStore(), sessionId, now);
    expect(sessionBy(wholeStore(), word, now)!.standing).toBe('locked');
    unlockSession(wholeStore(), sessionId, now);
    expect(sessionBy(wholeStore(), word, now)!.standing).toBe('open');
    // Silent for long enough it is locked, and a later touch does not open it.
    expect(sessionBy(wholeStore(), word, now + 30 * 60_000)!.standing).toBe('locked');
    expect(sessionBy(wholeStore(), word, now)!.standing).toBe('locked');
    // Nobody ends another's but the owner, who sees them all.
    const [owner, coach] = [wren, kit].map(({ coachId, role }) => ({ coachId: coachId!, role }));
    const ownersOwn = beginSession(wholeStore(), owner!.coachId, 'a tablet', now);
    const { sessionId: owners } = sessionBy(wholeStore(), ownersOwn, now)!;
    expect(endSession(wholeStore(), coach!, owners, now)).toBe(false);
    expect(sessionsOf(wholeStore(), coach!.coachId).map(({ id }) => id)).not.toContain(owners);
    expect(sessionsOf(wholeStore(), null).map(({ id }) => id)).toEqual(expect.arrayContaining([owners, sessionId]));
    expect(endSession(wholeStore(), owner!, sessionId, now)).toBe(true);
    expect(endSession(wholeStore(), owner!, owners, now)).toBe(true);
    expect(endSession(wholeStore(), owner!, owners, now)).toBe(false);
    expect(sessionBy(wholeStore(), word, now)).toBeNull();
    expect(sessionBy(wholeStore(), 'x'.repeat(43), now)).toBeNull();
  });

  test('changed, every other session ends; a printed code opens once', async () => {
    const other = beginSession(wholeStore(), kit.coachId!, 'a tablet', Date.now());
    expect(await changePassphrase(wholeStore(), kit, { now: 'wrong', passphrase: 'x'.repeat(12) }, now)).toBe(false);
    expect(sessionBy(wholeStore(), other, Date.now())).not.toBeNull();
    expect(await changePassphrase(wholeStore(), kit, { now: words.kit, passphrase: 'the tide comes twice' }, now)).toBe(
      true,
    );
    expect(sessionBy(wholeStore(), other, Date.now())).toBeNull();
    expect(sessionsOf(wholeStore(), kit.coachId!).map(({ id }) => id)).toEqual([kit.sessionId]);
    const code = (await anotherCode(wholeStore(), kit, 'the tide comes twice', now))!;
    const asked = { name: 'kit marsh', passphrase: words.kit };
    expect(await recover(wholeStore(), { ...asked, code: 'AAAA-AAAA-AAAA-AAAA-AAAA-AAAA' }, now)).toBeNull();
    expect(await recover(wholeStore(), { ...asked, code: code.toLowerCase().replaceAll('-', ' ') }, now)).toMatchObject(
      {
        coachId: kit.coachId,
      },
    );
    expect(await recover(wholeStore(), { ...asked, code }, now)).toBeNull();
    expect(sessionsOf(wholeStore(), kit.coachId!)).toEqual([]);
    expect(await coachBy(wholeStore(), 'Kit Marsh', words.kit)).toBe(kit.coachId);
    kit = signedIn(kit.coachId!);
  });
});

describe('a client deleted', () => {
  test('goes with every row and every picture, and no letter of them stays in the file; a group they led stays for the others', async () => {
    const { leader, runId } = group;
    const pictures = () =>
      readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.jpg'));
    const theirPictures = everythingOf(wholeStore(), leader.id).photos!.length;
    const was = pictures().length;
    const left = everythingOf(wholeStore(), others.find(({ id }) => id !== leader.id)!.id);
    expect(carry(wren, 'client.delete', { clientId: leader.id, name: 'Somebody Else' })).toMatchObject({
      state: 'refused',
      code: 'does not fit',
    });
    expect(carry(wren, 'client.delete', { clientId: leader.id, name: leader.name.toLowerCase() }).state).toBe('saved');
    for (const [table, rows] of Object.entries(everythingOf(wholeStore(), leader.id))) {
      if (met(table !== 'trail')) expect([table, rows.length]).toEqual([table, 0]);
    }
    expect(pictures().length).toBe(was - theirPictures);
    wholeStore().$client.pragma('wal_checkpoint(TRUNCATE)');
    const file = readFileSync(join(folder, 'studio.db'));
    expect(file.includes(leader.name)).toBe(false);
    expect(file.includes('since the fall from the slip')).toBe(false);
    // The other of the group has it as before, in their own history.
    expect(
      findRun(wholeStore(), runId)!.events.map(({ event }) => [event.type, (event as { who?: string }).who]),
    ).toEqual([
      ['start', undefined],
      ['fault', group.other],
    ]);
    expect(visitDigestsOf(wholeStore(), group.other)).toHaveLength(1);
    expect(wholeStore().$client.pragma('foreign_key_check')).toEqual([]);
    expect(wholeStore().$client.pragma('integrity_check', { simple: true })).toBe('ok');
    const same = everythingOf(wholeStore(), (left.clients![0] as { id: string }).id);
    expect(same.looks).toEqual(left.looks);
    // What remains says that it was done and by whom, and carries no name.
    const [last] = trailOf(wholeStore(), leader.id);
    expect(last).toMatchObject({ what: 'recorded: deleting a client', coach: 'Wren Addo' });
  });

  test('put away is in no list, and is there again as soon as something is done with them', () => {
    const clientId = randomUUID();
    carry(wren, 'client.create', { clientId, factId: randomUUID(), name: 'Senara Wick' });
    carry(wren, 'client.archive', { clientId });
    const listed = () => recentClients(wholeStore(), 50).some(({ id }) => id === clientId);
    expect(listed()).toBe(false);
    carry(wren, 'visit.start', { visitId: randomUUID(), clientId });
    expect(listed()).toBe(true);
    expect(silentSince(wholeStore(), new Date(now - 864e5).toISOString()).some(({ id }) => id === clientId)).toBe(
      false,
    );
    expect(
      silentSince(wholeStore(), new Date(Date.now() + 864e5).toISOString()).some(({ id }) => id === clientId),
    ).toBe(true);
  });
});

describe('the trail', () => {
  test('is whole; an entry that is changed, taken out or put in shows where', () => {
    const db = wholeStore().$client;
    expect(brokenAt(wholeStore())).toBeNull();
    const { n } = db.prepare('select count(*) as n from trail').get() as { n: number };
    expect(n).toBeGreaterThan(20);
    const tried = (sql: string, at: number) => {
      db.exec('savepoint tampering');
      db.exec(sql);
      expect([sql, brokenAt(wholeStore())]).toEqual([sql, at]);
      db.exec('rollback to tampering; release tampering');
    };
    tried("update trail set what = 'opened' where seq = 7", 7);
    tried(
      'update trail set client_id = null where seq = (select min(seq) from trail where client_id is not null)',
      (db.prepare('select min(seq) as seq from trail where client_id is not null').get() as { seq: number }).seq,
    );
    tried('delete from trail where seq = 9', 9);
    tried(
      'update trail set seq = -seq where seq = 5; update trail set seq = 5 where seq = 6; update trail set seq = 6 where seq = -5',
      5,
    );
    expect(brokenAt(wholeStore())).toBeNull();
  });

  test('is looked at a little at a time, and what came since with each look', async () => {
    let state = trailState(wholeStore());
    while (state.checking) {
      await new Promise((resolve) => setTimeout(resolve, 5));
      state = trailState(wholeStore());
    }
    expect(state).toEqual({ brokenAt: null, checking: false });
    carry(wren, 'nextTime.add', { noteId: randomUUID(), clientId: theirs.id, text: 'x' });
    const { seq } = wholeStore().$client.prepare('select max(seq) as seq from trail').get() as { seq: number };
    wholeStore().$client.exec(`savepoint tampering; update trail set what = 'opened' where seq = ${seq}`);
    expect(trailState(wholeStore()).brokenAt).toBe(seq);
    wholeStore().$client.exec('rollback to tampering; release tampering');
  });

  test('holds no name and nothing that was said', () => {
    const all = JSON.stringify(wholeStore().$client.prepare('select * from trail').all());
    for (const { name } of [theirs, ...others]) expect(all).not.toContain(name);
    expect(all).not.toContain('bring the strap');
  });
});

test('somebody who leaves comes in no longer; their clients go where they are sent, what they recorded stays', () => {
  const mine = as(kit, () => recentClients(theStore(), 20));
  expect(() => endCoach(wholeStore(), wren, { coachId: wren.coachId!, handTo: kit.coachId! }, now)).toThrow('owner');
  expect(() => endCoach(wholeStore(), wren, { coachId: kit.coachId!, handTo: kit.coachId! }, now)).toThrow('Choose');
  endCoach(wholeStore(), wren, { coachId: kit.coachId!, handTo: wren.coachId! }, now);
  expect(sessionsOf(wholeStore(), kit.coachId!)).toEqual([]);
  expect(mine.every(({ id }) => wren.sees(id) && !kit.sees(id))).toBe(true);
});
