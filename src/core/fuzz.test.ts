import type * as z from 'zod/mini';
import { drillSchema, findDrill } from './catalogue';
import {
  digestOf,
  drillHistoryOf,
  faultHistoryOf,
  stateOf,
  stampedEventSchema,
  stoppedDrillsOf,
  summariseRun,
  timelineOf,
  unnamedMarks,
} from './coach';
import { idOf, visitOf } from './fixtures';
import { generator, seeded } from './fixtures/generate';
import { baseMap, bestGrades, lookResult, protocolIds, rawComponents, rawSchemas, rateOf, versionOf } from './look';
import { judgeFindings, likelyPatterns, readFindings, scorePatterns, snapshotOf } from './read';
import { type StoredLook } from './record';
import {
  type Fact,
  type FactKey,
  emptyProfile,
  evaluateGates,
  factKeys,
  factSchemas,
  flaggedConditions,
  knownClient,
  pathState,
  screeningAge,
} from './safety';
import { checkPlan, makePlan, planItemSchema, planTotals, seenEffects } from './sequence';
import { followed, markerBeforeAfter, repeatsOf, visitNote, visitStory } from './track';
import { estimateYields, evenYields } from './trunk';
import { rounds } from '../../scripts/rounds';
import { met } from '../../scripts/met';

/**
 * Whatever the schemas take in may lie in the file of a studio, so nothing that is made of it for a page may throw. Ten thousand
 * records, each within its schema and otherwise by chance, edges more often than not.
 */
const day = '2026-11-25';
const known = knownClient([]);
const gates = evaluateGates(emptyProfile, day);

/** All that pages make of the looks of a visit. */
function madeOfLooks(looks: StoredLook[]) {
  for (const look of looks) {
    lookResult(look);
    rawComponents(look.protocol, look.raw);
  }
  const findings = readFindings(looks);
  const { read } = judgeFindings(findings, []);
  const likely = likelyPatterns(scorePatterns(read), read);
  snapshotOf(read, likely.shown);
  const map = baseMap(looks, 'before');
  if (map) estimateYields(bestGrades(map.raw), seenEffects(map.raw.position));
  followed(looks, () => day);
  markerBeforeAfter(looks);
  const visit = visitOf(day, { looks });
  visitStory(known, gates, visit);
  visitNote(known, gates, visit, repeatsOf(looks), []);
}

test.each(protocolIds.map((id, seed) => [id, seed] as const))('looks of %s, up to 400 of them', (protocol, seed) => {
  const random = seeded(seed + 1);
  const raw = generator(rawSchemas[protocol] as z.ZodMiniType, random);
  let made = 0;
  for (let n = 0; n < rounds(200); n += 1) {
    const looks = (['before', 'after'] as const).flatMap((moment, i): StoredLook[] => {
      const value = raw();
      if (value === null) return [];
      const record = { id: idOf(n * 2 + i), visitId: 'visit', protocol, version: versionOf(protocol), moment };
      return [{ ...record, takenAt: `${day}T10:0${i}:00.000Z`, revision: 1, raw: value } as StoredLook];
    });
    made += looks.length;
    try {
      madeOfLooks(looks);
    } catch (error) {
      throw new Error(`${String(error)}: ${JSON.stringify(looks.map(({ raw: value }) => value))}`);
    }
  }
  expect(made).toBeGreaterThan(1.8 * rounds(200));
});

test('taps in whatever order, also those that no schema takes in, give a rate or none', () => {
  const random = seeded(7);
  for (let n = 0; n < 3000; n += 1) {
    const taps = Array.from({ length: Math.floor(random() * 12) }, () => Math.round(random() * 3000) / 100 - 2);
    if (random() < 0.7) taps.sort((a, b) => a - b);
    const rate = rateOf(taps);
    if (met(rate)) expect(Number.isFinite(rate.breathsPerMinute) && rate.breathsPerMinute > 0).toBe(true);
  }
});

test('two taps at one hundredth of a second are one, in the schema and in the rate', () => {
  const stored = rawSchemas.quietLook.parse({ position: 'sitting', taps: [0, 0, 5, 5.01, 10, 15, 15.19, 20] });
  expect(stored.taps).toEqual([0, 5, 10, 15, 20]);
  expect(rateOf([0, 0, 5, 5.01, 10, 15, 15.19, 20])?.breathsPerMinute).toBe(12);
  expect(rawSchemas.quietLook.parse({ position: 'sitting', taps: [0, 0.2, 0.4] }).taps).toHaveLength(3);
  expect(rawSchemas.quietLook.safeParse({ position: 'sitting', taps: [0, 5, 4] }).success).toBe(false);
  expect(rateOf([0, 5, 4, 10, 15])).toBeNull();
});

test('facts of every key, up to 1,500 of them, and everything that is made of a client', () => {
  const random = seeded(3);
  const makers = factKeys.map((key) => [key, generator(factSchemas[key] as z.ZodMiniType, random)] as const);
  for (let n = 0; n < rounds(150); n += 1) {
    const facts = Array.from({ length: 10 }, (_, i): Fact => {
      const [key, make] = makers[Math.floor(random() * makers.length)]!;
      return { id: idOf(i), key: key as FactKey, value: make(), at: `${day}T09:00:0${i}.000Z`, day };
    });
    const client = knownClient(facts);
    const limits = evaluateGates(client.profile, day);
    flaggedConditions(client.profile, day);
    screeningAge(client.profile, day);
    pathState(client.profile, day, []);
    visitStory(client, limits, null);
    visitNote(client, limits, visitOf(day), {}, []);
  }
});

test('runs of any events, up to 400 runs of up to 40, folded and summed up', () => {
  const random = seeded(5);
  const item = generator(planItemSchema, random);
  const event = generator(stampedEventSchema.shape.event, random);
  let events = 0;
  for (let n = 0; n < rounds(400); n += 1) {
    const items = Array.from({ length: 1 + Math.floor(random() * 3) }, () => item()).filter((one) => one !== null);
    if (items.length === 0) continue;
    const list = Array.from({ length: Math.floor(random() * 40) }, (_, seq) => ({ seq, event: event() })).flatMap(
      ({ seq, event: one }) => (one ? [{ id: idOf(seq), seq, atEpochMs: seq * 1500, event: one }] : []),
    );
    events += list.length;
    const run = { id: 'run', visitId: 'visit', at: `${day}T10:00:00.000Z`, items, events: list, members: [] };
    const state = stateOf(run);
    timelineOf(state.items);
    unnamedMarks(state);
    stoppedDrillsOf(state);
    const digest = digestOf(summariseRun(state, 'client'));
    drillHistoryOf([digest]);
    faultHistoryOf([digest]);
    const visit = visitOf(day, { runs: [run] });
    visitStory(known, gates, visit);
    visitNote(known, gates, visit, {}, []);
    planTotals(items);
  }
  expect(events).toBeGreaterThan(10 * rounds(400));
});

describe('drills of the coach’s own', () => {
  const request = {
    intent: 'lowerBreath' as const,
    side: null,
    minutes: 12,
    propsAtHand: ['towel' as const],
    leadSchool: 'openAllRegions' as const,
  };
  const context = { gates, yields: evenYields(), confirmedPatterns: [], stoppedDrills: [] };
  let made = 0;
  const newId = () => idOf((made += 1));

  test('whatever the schema takes in can be planned with and checked', () => {
    const random = seeded(9);
    const maker = generator(drillSchema, random);
    for (let n = 0; n < 12; n += 1) {
      const drill = maker();
      if (!drill) continue;
      const plan = makePlan(request, { ...context, ownDrills: [{ ...drill, id: `own-${n}` }] }, newId);
      checkPlan(plan, gates);
      expect(plan.items.length).toBeGreaterThan(0);
    }
  });

  test.each([0, 100, -1, Number.NaN])(
    'one with a breath of %d s is left out, and said to be; everything else is planned',
    (seconds) => {
      const good = { ...baseDrill(), id: 'own-good' };
      const bad = {
        ...baseDrill(),
        id: 'own-bad',
        breath: { ...baseDrill().breath, exhale: { min: seconds, start: seconds, max: seconds } },
      };
      expect(drillSchema.safeParse(good).success).toBe(true);
      expect(drillSchema.safeParse(bad).success).toBe(false);
      const plan = makePlan(request, { ...context, ownDrills: [good, bad as never] }, newId);
      expect(plan.items.length).toBeGreaterThan(0);
      expect(plan.refusals.find(({ drillId }) => drillId === 'own-bad')?.reason.what).toMatch(/^Can’t be planned with/);
    },
  );

  function baseDrill() {
    const drill = structuredClone(drillSchema.parse(JSON.parse(JSON.stringify(findDrill('quiet-nose')))));
    return drill as typeof drill & { breath: Extract<typeof drill.breath, { kind: 'steady' }> };
  }
});
