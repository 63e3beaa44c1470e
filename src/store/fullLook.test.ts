import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import sharp from 'sharp';
import { cadence } from '@/core/cadence';
import { blankRaw } from '@/core/look';
import { type CommandKind, type Payload } from '@/core/record';
import { conditionIds, defaultLimits, pathState } from '@/core/safety';
import { type PlanItem } from '@/core/sequence';
import {
  knownClientOf,
  type Store,
  carryOut,
  carryOutAll,
  openStore,
  preparePhoto,
  readPhoto,
  readSettings,
  visitOfDay,
  visitRecord,
} from '.';
import { studioHere } from './fixtures';

const now = Date.parse('2026-11-23T10:00:00Z');
let here: ReturnType<typeof studioHere>;
let store: Store;
const ids = { clientId: '', visitId: '' };

beforeEach(() => {
  here = studioHere('full');
  store = openStore(join(here.folder, 'studio.db'));
  ids.clientId = randomUUID();
  ids.visitId = randomUUID();
  record('client.create', { clientId: ids.clientId, factId: randomUUID(), name: 'Orla Weirside' });
  record('visit.start', { visitId: ids.visitId, clientId: ids.clientId });
  fact('emergency', { present: [] });
  fact('redFlags', { present: [] });
  for (const id of conditionIds) fact(`answer:${id}`, { value: 'no' });
});
afterEach(() => {
  store.$client.close();
  here.close();
});

const record = <K extends CommandKind>(kind: K, payload: Payload<K>, at = now) =>
  carryOut(store, { id: randomUUID(), kind, payload }, at);
const fact = (key: Payload<'fact.add'>['key'], value: unknown) =>
  record('fact.add', { factId: randomUUID(), clientId: ids.clientId, key, value, basedOn: null });
const look = (protocol: Payload<'look.save'>['protocol'], values: object) =>
  record('look.save', {
    lookId: randomUUID(),
    visitId: ids.visitId,
    protocol,
    moment: 'before',
    takenAt: new Date(now).toISOString(),
    raw: { ...blankRaw(protocol), ...values },
    revision: 0,
  });
const visit = () => visitRecord(store, visitOfDay(store, ids.clientId, '2026-11-23')!);

describe('answers', () => {
  test('a due date 60 weeks off is refused in one sentence, a possible one is kept', () => {
    expect(fact('answer:pregnancy', { value: 'yes', dueDate: '2028-01-17' })).toMatchObject({
      state: 'refused',
      why: expect.stringContaining('60 weeks ahead'),
    });
    expect(fact('answer:pregnancy', { value: 'yes', dueDate: '2027-03-15' })).toMatchObject({ state: 'conflict' });
  });

  test('limits that were set before there was one more stay as they were set, and the new one is the trade’s', () => {
    const { holdSeconds: _, ...before } = { ...defaultLimits, bumpFromWeek: 20 };
    store.$client.prepare("insert into settings (key, value) values ('limits', ?)").run(JSON.stringify(before));
    const aside: never[] = [];
    expect(readSettings(store, aside).limits).toEqual({ ...defaultLimits, bumpFromWeek: 20 });
    expect(aside).toEqual([]);
    // So do those of a browser that has not been reloaded since.
    expect(record('settings.change', { limits: { ...before, bumpFromWeek: 22 } as never }).state).toBe('saved');
    expect(readSettings(store).limits).toEqual({ ...defaultLimits, bumpFromWeek: 22 });
  });

  test('limits set by the coach hold on the server, and absurd ones are refused', () => {
    fact('answer:pregnancy', { value: 'yes', weekOnDay: 30 });
    expect(look('sideBend', { left: 2, position: 'standing' }).state).toBe('saved');
    expect(look('quietLook', { position: 'hook-lying', taps: [0, 4] })).toMatchObject({ state: 'refused' });
    expect(look('floor', { position: 'sitting', lifts: 'yes' }).state).toBe('saved');
    expect(record('settings.change', { limits: { ...defaultLimits, bumpFromWeek: 200 } })).toMatchObject({
      state: 'refused',
      why: expect.stringContaining('at most 28'),
    });
    expect(record('settings.change', { limits: { ...defaultLimits, lastWeeksFromWeek: 28 } }).state).toBe('saved');
    expect(readSettings(store).limits.lastWeeksFromWeek).toBe(28);
    expect(look('floor', { position: 'sitting', lifts: 'yes' })).toMatchObject({ state: 'refused' });
  });
});

describe('a plan made weeks ago', () => {
  const item: PlanItem = {
    id: 'item',
    drillId: 'half-dome-back',
    position: 'prone over half-dome',
    props: ['halfDome'],
    side: 'none',
    cadences: [cadence(5, 6)],
    breaths: 9,
    sets: 1,
    restSeconds: 0,
    setUpSeconds: 30,
    changes: [],
    reasons: [],
    byHand: false,
  };
  const runOn = (at: number) => record('run.create', { runId: randomUUID(), visitId: ids.visitId, items: [item] }, at);
  const askedOn = (at: number) => {
    for (const key of ['emergency', 'redFlags'] as const) {
      record(
        'fact.add',
        { factId: randomUUID(), clientId: ids.clientId, key, value: { present: [] }, basedOn: null },
        at,
      );
    }
  };

  test('is held against the gates of the day it is opened on, as the weeks have passed', () => {
    fact('answer:pregnancy', { value: 'yes', weekOnDay: 14 });
    record('plan.save', {
      planId: randomUUID(),
      visitId: ids.visitId,
      plan: {
        request: {
          intent: 'openSidesAndBack',
          side: null,
          minutes: 20,
          propsAtHand: ['halfDome'],
          leadSchool: 'openAllRegions',
        },
        proven: false,
        items: [item],
        refusals: [],
      },
      revision: 0,
    });
    askedOn(now);
    expect(runOn(now).state).toBe('saved');
    const threeWeeksOn = now + 21 * 86_400_000;
    askedOn(threeWeeksOn);
    expect(runOn(threeWeeksOn)).toMatchObject({ state: 'refused', why: expect.stringContaining('week 17') });
  });
});

test('a week put right after the signs were asked is no new telling; a pregnancy told after them is', () => {
  const ask = () => {
    for (const key of ['emergency', 'redFlags'] as const) fact(key, { present: [] });
  };
  const state = () => pathState(knownClientOf(store, ids.clientId).profile, '2026-11-23', []).state;
  fact('answer:pregnancy', { value: 'no' });
  ask();
  expect(state()).toBe('open');
  fact('answer:pregnancy', { value: 'yes', weekOnDay: 20 });
  expect(state()).toBe('not asked');
  ask();
  expect(state()).toBe('open');
  fact('answer:pregnancy', { value: 'yes', weekOnDay: 21 });
  expect(state()).toBe('open');
});

describe('looks', () => {
  test('a gated field is refused where it is off, the rest of the protocol is kept', () => {
    fact('answer:pelvicGirdlePain', { value: 'yes' });
    expect(look('wallOrder', { first: 'upper' }).state).toBe('saved');
    expect(look('wallOrder', { first: 'upper', marchLeft: [] })).toMatchObject({
      state: 'refused',
      why: expect.stringContaining('one-legged marches'),
    });
  });

  test('absurd values are refused in a sentence', () => {
    expect(look('tape', { levels: { fourth: [{ exhaleCm: 900, inhaleCm: null }] } })).toMatchObject({
      state: 'refused',
      why: expect.stringContaining('250 cm'),
    });
    expect(look('marker', { measure: 'ease', readings: [40] }).state).toBe('refused');
    expect(look('questionnaire', { answers: [1, 2] }).state).toBe('refused');
  });

  test('the list of the visit and the word on a finding are kept; the newest list counts', () => {
    record('visit.lookList', { visitId: ids.visitId, list: { set: 'full', protocols: ['tape', 'quietLook'] } });
    record('visit.lookList', { visitId: ids.visitId, list: { set: 'first', protocols: ['quietLook'] } });
    expect(visit().lookList).toEqual({ set: 'first', protocols: ['quietLook'] });
    const judge = (verdict: 'rejected' | 'as read') =>
      record('finding.judge', {
        judgementId: randomUUID(),
        visitId: ids.visitId,
        judgement: { finding: 'sighs', verdict },
      });
    judge('rejected');
    judge('as read');
    expect(visit().judgements.map(({ verdict }) => verdict)).toEqual(['rejected', 'as read']);
    expect(
      record('finding.judge', {
        judgementId: randomUUID(),
        visitId: ids.visitId,
        judgement: { finding: 'sneezes' as 'sighs', verdict: 'rejected' },
      }).state,
    ).toBe('refused');
  });
});

describe('photos', () => {
  const photoId = '00000000-0000-4000-8000-00000000000a';
  const command = (data: Buffer) => ({ photoId, clientId: ids.clientId, data: data.toString('base64') });
  const picture = () =>
    sharp({ create: { width: 40, height: 20, channels: 3, background: '#808080' } })
      .withExif({ IFD0: { Copyright: 'somebody', Model: 'a camera' } })
      .jpeg()
      .toBuffer();

  /** A picture as the door takes it in: checked first, then row and file together. */
  async function send(payload: ReturnType<typeof command>) {
    const prepared = await preparePhoto(store, payload);
    if (prepared && 'refused' in prepared) return prepared.refused;
    const drafts = new Map(prepared ? [[prepared.photoId, prepared.draft]] : []);
    return carryOutAll(store, [{ id: randomUUID(), kind: 'photo.add', payload }], now, drafts).outcomes[0]!;
  }
  const files = () => (existsSync(join(here.folder, 'photos')) ? readdirSync(join(here.folder, 'photos')) : []);

  test('are stripped of their metadata, kept in the data folder for the owner alone, and given back', async () => {
    const before = await picture();
    expect((await sharp(before).metadata()).exif).toBeDefined();
    expect((await send(command(before))).state).toBe('saved');
    const kept = readPhoto(store, photoId)!;
    const { format, width, height, exif } = await sharp(kept).metadata();
    expect({ format, width, height, exif }).toEqual({ format: 'jpeg', width: 40, height: 20, exif: undefined });
    const path = join(here.folder, 'photos', `${photoId}.jpg`);
    expect(readFileSync(path).equals(kept)).toBe(true);
    expect(statSync(path).mode & 0o777).toBe(0o600);
    expect(statSync(join(here.folder, 'photos')).mode & 0o777).toBe(0o700);
    expect(files()).toEqual([`${photoId}.jpg`]);
    expect(readPhoto(store, randomUUID())).toBeNull();
    expect(readPhoto(store, '../studio.db')).toBeNull();
  });

  test('sent twice, the first stays', async () => {
    await send(command(await picture()));
    const other = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    expect(await preparePhoto(store, command(other))).toBeNull();
    expect((await sharp(readFileSync(join(here.folder, 'photos', `${photoId}.jpg`))).metadata()).width).toBe(40);
  });

  test('what is no picture, or one of another kind, is refused by its content and not written', async () => {
    const refused = async (payload: ReturnType<typeof command>, why: RegExp) =>
      expect(await send(payload)).toMatchObject({ state: 'refused', why: expect.stringMatching(why) });
    await refused(command(Buffer.from('this is no picture at all')), /not a picture/);
    const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');
    await refused(command(svg), /not a picture/);
    await refused({ ...command(svg), photoId: '../../etc/passwd' }, /./);
    await refused({ ...command(svg), data: 'x'.repeat(11_000_001) }, /too large/);
    expect(files()).toEqual([]);
  });

  test('one of more than four megapixels is refused before it is unfolded', async () => {
    const large = await sharp({ create: { width: 2001, height: 2000, channels: 3, background: '#fff' } })
      .jpeg()
      .toBuffer();
    expect(await send(command(large))).toMatchObject({ why: expect.stringMatching(/4 megapixels/) });
    expect(files()).toEqual([]);
  });

  test('of a client that is not there nothing is written', async () => {
    const nobody = { ...command(await picture()), clientId: randomUUID() };
    expect(await send(nobody)).toMatchObject({ state: 'refused', code: 'gone' });
    expect(files()).toEqual([]);
  });

  test('a file without its row counts for nothing, and the next picture of that name takes its place', async () => {
    await send({ ...command(await picture()), photoId: randomUUID() });
    writeFileSync(join(here.folder, 'photos', `${photoId}.jpg`), '');
    expect(readPhoto(store, photoId)).toBeNull();
    expect((await send(command(await picture()))).state).toBe('saved');
    expect(readPhoto(store, photoId)!.length).toBeGreaterThan(100);
  });
});
