import { randomUUID } from 'node:crypto';
import { addDays, dayIn, dayInWords } from '@/core/record';
import { chanceFrom } from '@/core/numbers';
import { visitNote, visitStory } from '@/core/track';
import { loadClient, loadFollowed, loadForPlanning, loadForScreen, planningAside, viewFor } from './load';
import { demoAt } from '../../demo/ready';
import {
  type Unreadable,
  bookingsBetween,
  lookedAtBetween,
  nextBookings,
  nextNotesOf,
  unsignedVisits,
  waitingList,
  carryOut,
  countClients,
  findRun,
  knownClientOf,
  lastVisits,
  looksOf,
  notSetAside,
  openRuns,
  openVisits,
  ownDrillsOf,
  ownEntries,
  plansOf,
  rawRecord,
  readSettings,
  recentClients,
  searchClients,
  setAsideRecords,
  stoppedDrillsOf,
  storePath,
  theStore,
  visitOfDay,
  visitsOfDay,
} from '@/store';
import { damageCell, damageable } from '../../attack/damage';
import { studioHere } from '@/store/fixtures';
import { rounds } from '../../scripts/rounds';

/**
 * A row of the file can be wrong in any column: cut short by a disk, written by a tool, of another version. Whatever it is, every
 * reader gives a value or a word on it.
 */
const now = Date.now();
let here: ReturnType<typeof studioHere>;
beforeAll(() => {
  here = studioHere('damage');
  demoAt(storePath());
});
afterAll(() => here.close());

const store = () => theStore();
const ids = (table: string) =>
  (store().$client.prepare(`select id from ${table}`).all() as { id: unknown }[]).map(({ id }) => String(id));

/** What every page of the studio reads; with a turn, a third of the clients, each third in its turn. */
function readEverything(turn?: number) {
  const aside: Unreadable[] = [];
  readSettings(store(), aside);
  const today = new Date(now).toISOString().slice(0, 10);
  bookingsBetween(store(), '0', 'z', aside);
  waitingList(store(), '0', aside);
  for (const { day } of [...unsignedVisits(store(), '0', 1000), ...lookedAtBetween(store(), '0', 'z')])
    dayInWords(addDays(day, 1), today);
  openVisits(store(), aside);
  openRuns(store());
  recentClients(store());
  countClients(store());
  searchClients(store(), 'a');
  ownDrillsOf(store(), aside);
  ownEntries(store(), '2020-01-01', aside);
  const clients = ids('clients').filter((_, i) => turn === undefined || i % 3 === turn % 3);
  nextNotesOf(store(), clients, '0', aside);
  for (const startsAt of nextBookings(store(), clients, '0').values()) dayIn(startsAt, 'UTC');
  lastVisits(store(), clients, today);
  visitsOfDay(store(), clients, today);
  stoppedDrillsOf(store(), clients);
  for (const id of clients) {
    const view = loadClient(id);
    if (!view) continue;
    loadForScreen(id);
    loadForPlanning(id);
    planningAside(id);
    loadFollowed(id);
    viewFor(view, ['looks', 'runs']);
    visitStory(view.known, view.gates, view.visit);
    if (view.visit) visitNote(view.known, view.gates, view.visit, {}, []);
    aside.push(...view.unreadable);
  }
  for (const id of ids('runs')) findRun(store(), id, aside);
  notSetAside(store(), aside);
  return aside;
}

test('a studio that is whole has nothing to tell of', () => {
  expect(readEverything()).toEqual([]);
});

test('any cell of any table, up to 240 of them one after the other and then all together: nothing is thrown', () => {
  const random = chanceFrom(17).part;
  const db = store().$client;
  db.pragma('foreign_keys = OFF');
  // Nothing of this need outlive a power cut.
  db.pragma('synchronous = OFF');
  let told = 0;
  for (let n = 0; n < rounds(240); n += 1) {
    const undo = damageCell(db, random);
    if (n % 4 === 0) {
      const words = `${undo.table}.${undo.column} = ${String(undo.value).slice(0, 60)}`;
      try {
        told += readEverything(n / 4).length;
      } catch (error) {
        throw new Error(`${words}: ${String(error)}`);
      }
    }
    // Most are put right again, so that there is always something left to damage.
    if (n % 6 !== 0) undo.back();
  }
  readEverything();
  expect(told).toBeGreaterThan(rounds(20));
  expect(damageable(db).length).toBeGreaterThan(10);
  db.pragma('foreign_keys = ON');
});

describe('a record that can’t be read', () => {
  function damagedLook() {
    const [clientId, visitId, lookId] = [randomUUID(), randomUUID(), randomUUID()];
    const record = (kind: string, payload: object) => carryOut(store(), { id: randomUUID(), kind, payload }, now);
    record('client.create', { clientId, factId: randomUUID(), name: 'Ada Quay' });
    record('visit.start', { visitId, clientId });
    const raw = JSON.stringify({ position: 'hook-lying', taps: [0, 0, 4, 3] });
    const insert =
      'insert into looks (id, visit_id, protocol, version, moment, taken_at, raw, revision) values (?, ?, ?, 1, ?, ?, ?, 1)';
    store().$client.prepare(insert).run(lookId, visitId, 'quietLook', 'before', '2026-11-24T09:00:00.000Z', raw);
    return { clientId, visitId, lookId, raw, record };
  }

  test('is told of by its name and reason, kept, given out as it lies there, and told of no longer once put aside', () => {
    const { clientId, visitId, lookId, raw, record } = damagedLook();
    const aside: Unreadable[] = [];
    expect(looksOf(store(), [visitId], { aside })).toEqual([]);
    expect(aside).toEqual([
      {
        table: 'looks',
        id: lookId,
        what: 'Unannounced quiet look of 24 November 2026',
        why: 'taps: Taps must follow one another in time. Count again',
      },
    ]);
    expect(rawRecord(store(), 'looks', lookId)).toMatchObject([{ id: lookId, raw }]);
    expect(rawRecord(store(), 'sqlite_master', 'x')).toBeNull();
    expect(loadClient(clientId)!.unreadable).toHaveLength(1);
    expect(record('record.setAside', { table: 'looks', recordId: lookId })).toMatchObject({ state: 'saved' });
    expect(loadClient(clientId)!.unreadable).toEqual([]);
    expect(setAsideRecords(store())).toMatchObject([{ table: 'looks', recordId: lookId }]);
    expect(rawRecord(store(), 'looks', lookId)).toHaveLength(1);
    record('record.bringBack', { table: 'looks', recordId: lookId });
    expect(loadClient(clientId)!.unreadable).toHaveLength(1);
    expect(record('record.setAside', { table: 'sqlite_master', recordId: 'x' })).toMatchObject({ state: 'refused' });
  });

  test('an answer that can’t be read does not undo the one before it', () => {
    const { clientId, record } = damagedLook();
    const answer = (value: string) => {
      const factId = randomUUID();
      record('fact.add', { factId, clientId, key: 'answer:heart', value: { value }, basedOn: null });
      return factId;
    };
    answer('yes');
    const later = answer('no');
    expect(knownClientOf(store(), clientId).profile.answers.heart?.value).toBe('no');
    store().$client.prepare('update facts set value = ? where id = ?').run('{"value":', later);
    const aside: Unreadable[] = [];
    expect(knownClientOf(store(), clientId, { aside }).profile.answers.heart?.value).toBe('yes');
    expect(aside).toMatchObject([{ id: later, what: expect.stringContaining('heart') }]);
  });

  test('a plan that can’t be read is told of, and a new one takes its place', () => {
    const { clientId, visitId } = damagedLook();
    const insert = 'insert into plans (id, visit_id, at, value, revision) values (?, ?, ?, ?, 3)';
    store().$client.prepare(insert).run(randomUUID(), visitId, new Date(now).toISOString(), '{"items": 7}');
    const aside: Unreadable[] = [];
    expect(plansOf(store(), [visitId], aside).size).toBe(0);
    expect(aside).toHaveLength(1);
    const visit = visitOfDay(store(), clientId, loadClient(clientId)!.today);
    expect(visit?.id).toBe(visitId);
  });
});
