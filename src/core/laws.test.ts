import fc from 'fast-check';
import { rounds } from '../../scripts/rounds';
import { type Cadence, cadence, cycleSeconds, phaseAt, planBreaths, tonesBetween } from './cadence';
import {
  type RunEvent,
  type StampedEvent,
  cursorAt,
  foldRun,
  freshRun,
  locate,
  reduceRun,
  summariseRun,
  timelineOf,
} from './coach';
import { segmentsOf, totalsOf } from './dose';
import { type LookRecord, blankRaw, quietRate, settleDoubt } from './look';
import { readFindings, scorePatterns } from './read';
import {
  type Answer,
  type ConditionId,
  type Profile,
  checkComponents,
  componentIds,
  conditionIds,
  emptyProfile,
  evaluateGates,
} from './safety';
import { type PlanItem, makePlan, planSchema, planTotals } from './sequence';
import {
  type Grades,
  effectMultipliers,
  evenYields,
  mirrored,
  predictShares,
  regionIds,
  summariseRing,
  trunkEffects,
} from './trunk';
import { met } from '../../scripts/met';

/** Laws that hold whatever the numbers are. A case that breaks one is made smaller before it is told of. */
const law = (times: number, holds: (from: Source) => void) =>
  fc.assert(
    fc.property(fc.gen(), (draw) => holds(source(draw))),
    { numRuns: rounds(times), seed: 11 },
  );

function source(draw: fc.GeneratorValue) {
  const below = (limit: number) => draw(fc.nat, limit - 1);
  return {
    next: () => draw(fc.double, { min: 0, max: 1, maxExcluded: true, noNaN: true }),
    below,
    pick: <T>(list: readonly T[]): T => list[below(list.length)]!,
    chance: (part: number) => below(100) < part * 100,
  };
}
type Source = ReturnType<typeof source>;

const today = '2026-11-23';
const someCadence = (from: Source): Cadence =>
  cadence(1 + from.below(10) / 2, 1 + from.below(14) / 2, {
    topPauseSeconds: from.chance(0.3) ? from.below(5) : 0,
    bottomPauseSeconds: from.chance(0.3) ? from.below(5) : 0,
  });
const someGrades = (from: Source): Grades =>
  Object.fromEntries(regionIds.map((id) => [id, from.chance(0.2) ? null : from.below(4)])) as Grades;
const answer = (value: Answer['value']): Answer => ({ value, day: today, recordId: 'fact', detail: {} });
const someProfile = (from: Source): Profile => ({
  ...emptyProfile,
  answers: Object.fromEntries(
    conditionIds.map((id) => [id, answer(from.chance(0.15) ? 'yes' : from.chance(0.1) ? 'unknown' : 'no')]),
  ),
});
const someItem = (from: Source, id: string): PlanItem => ({
  id,
  drillId: from.pick(['quiet-nose', 'towel-hug', 'side-bend-open']),
  position: from.pick(['sitting', 'hook-lying', 'standing'] as const),
  props: [],
  side: from.pick(['none', 'left', 'both'] as const),
  cadences: [someCadence(from)],
  breaths: 1 + from.below(8),
  sets: 1 + from.below(3),
  restSeconds: from.below(30),
  setUpSeconds: from.below(60),
  changes: [],
  reasons: [],
  byHand: false,
});

/** The plainest way to answer what phaseAt answers: walk from the beginning, phase by phase. */
function plainPhase(cadences: readonly Cadence[], t: number) {
  let at = 0;
  for (const [breath, one] of cadences.entries()) {
    const pieces = [
      ['inhale', one.inhaleSeconds],
      ['topPause', one.topPauseSeconds],
      ['exhale', one.exhaleSeconds],
      ['bottomPause', one.bottomPauseSeconds],
    ] as const;
    for (const [phase, seconds] of pieces) {
      if (seconds > 0 && t < at + seconds) return { breath, phase, into: t - at };
      at += seconds;
    }
  }
  return null;
}

describe('breath', () => {
  test('phaseAt agrees with walking through the breaths one by one', () => {
    law(150, (from) => {
      const stretches = Array.from({ length: 1 + from.below(4) }, () => ({
        cadence: someCadence(from),
        breaths: 1 + from.below(5),
      }));
      const plan = planBreaths(stretches);
      for (let i = 0; i < 20; i += 1) {
        // A millisecond off the edges, where two ways of adding seconds may differ in the last digit.
        const t = Math.floor(from.next() * plan.totalSeconds * 10) / 10 + 0.001;
        const plain = plainPhase(plan.cadences, t);
        if (!plain) continue;
        const moment = phaseAt(plan, t);
        expect([moment.breath, moment.phase, moment.intoSeconds, moment.level >= 0 && moment.level <= 1]).toEqual([
          plain.breath,
          plain.phase,
          expect.closeTo(plain.into, 6),
          true,
        ]);
      }
    });
  });

  test('there is a tone at the start of every phase that has a length, one for the last second of a long one, and nowhere else', () => {
    law(60, (from) => {
      const one = someCadence(from);
      const breaths = 1 + from.below(6);
      const plan = planBreaths([{ cadence: one, breaths }]);
      const tones = tonesBetween(plan, 0, plan.totalSeconds);
      const pieces = [
        ['inhale', one.inhaleSeconds],
        ['topPause', one.topPauseSeconds],
        ['exhale', one.exhaleSeconds],
        ['bottomPause', one.bottomPauseSeconds],
      ] as const;
      const starts = Array.from({ length: breaths }, () => pieces.filter(([, seconds]) => seconds > 0))
        .flat()
        .reduce<{ at: number; list: [number, string][] }>(
          ({ at, list }, [phase, seconds]) => ({ at: at + seconds, list: [...list, [at, phase]] }),
          { at: 0, list: [] },
        ).list;
      const told = tones
        .filter(({ kind }) => kind === 'phase')
        .map(({ atSeconds, phase }) => [atSeconds.toFixed(3), phase]);
      expect(told).toEqual(starts.map(([at, phase]) => [at.toFixed(3), phase]));
      for (const tone of tones.filter(({ kind }) => kind !== 'phase')) {
        const moment = phaseAt(plan, tone.atSeconds + 0.0005);
        expect([moment.phase, moment.breath]).toEqual([tone.phase, tone.breath]);
        expect(Math.abs(moment.intoSeconds - (moment.phaseSeconds - 1))).toBeLessThan(0.001);
      }
    });
  });

  test('settling a doubt changes the number of taps by one and leaves the length of the count', () => {
    law(100, (from) => {
      const taps = [0];
      for (let i = 0; i < 12; i += 1) {
        const odd = i > 0 && i < 11 && from.chance(0.15);
        taps.push(taps.at(-1)! + (odd ? from.pick([0.6, 9]) : 3.8 + from.next() * 0.4));
      }
      for (const doubt of quietRate(taps).doubts) {
        const settled = settleDoubt(taps, doubt);
        expect(Math.abs(settled.length - taps.length)).toBe(1);
        if (met(doubt.tap < taps.length - 1)) expect(settled.at(-1)).toBe(taps.at(-1));
        expect([...settled].sort((a, b) => a - b)).toEqual(settled);
      }
    });
  });
});

describe('dose and run', () => {
  test('totals and the run’s clock can’t disagree', () => {
    law(120, (from) => {
      const items = Array.from({ length: 1 + from.below(6) }, (_, i) => someItem(from, `item-${i}`));
      const timeline = timelineOf(items);
      const { perItem, whole } = planTotals(items);
      const sum = perItem.reduce((total, { seconds }) => total + seconds, 0);
      expect(timeline.totalSeconds).toBeCloseTo(sum, 6);
      expect(whole.seconds - 60).toBeCloseTo(sum, 6);
      const breathed = timeline.segments.reduce((total, { breaths }) => total + (breaths?.cadences.length ?? 0), 0);
      expect(breathed).toBe(whole.breaths);
      timeline.segments
        .slice(1)
        .forEach((timed, i) => expect(timed.startSeconds).toBeCloseTo(timeline.segments[i]!.endSeconds, 6));
    });
  });

  test('one more breath costs one cycle on each side and set', () => {
    law(80, (from) => {
      const item = someItem(from, 'one');
      const more =
        totalsOf(segmentsOf({ ...item, breaths: item.breaths + 1 })).seconds - totalsOf(segmentsOf(item)).seconds;
      const times = item.sets * (item.side === 'both' ? 2 : 1);
      expect(more).toBeCloseTo(times * cycleSeconds(item.cadences[0]!), 6);
    });
  });

  test('whatever happens in a run, it folds: the clock stays within the plan and time done is never negative', () => {
    law(150, (from) => {
      const kinds: ((item: number) => RunEvent)[] = [
        () => ({ type: 'start' }),
        () => ({ type: 'pause', why: 'by hand' }),
        () => ({ type: 'resume' }),
        () => ({ type: 'jump', toSeconds: from.below(900), why: 'next' }),
        (item) => ({ type: 'breath', item, set: 1, breath: 0 }),
        (item) => ({ type: 'fault', item, fault: null }),
        (item) => ({ type: 'stop', item }),
        () => ({ type: 'settled', symptoms: [], note: '', then: from.pick(['go on', 'end']) }),
        (item) => ({ type: 'swap', item, to: someItem(from, 'swapped') }),
        () => ({ type: 'end', why: 'by hand' }),
      ];
      const items = Array.from({ length: 1 + from.below(4) }, (_, i) => someItem(from, `item-${i}`));
      let at = 1_000_000;
      // Left to chance, hardly a run goes on to its last event: every other one begins at once and is not ended.
      const goesOn = from.chance(0.5);
      const possible = goesOn ? kinds.slice(0, 6) : kinds;
      const events: StampedEvent[] = Array.from({ length: 3 + from.below(20) }, (_, seq) => ({
        id: `00000000-0000-4000-8000-${String(seq).padStart(12, '0')}`,
        seq,
        atEpochMs: (at += from.below(20_000)),
        event: goesOn && seq === 0 ? { type: 'start' } : from.pick(possible)(from.below(items.length)),
      }));
      const whole = foldRun(items, events);
      const stepwise = events.reduce(reduceRun, freshRun(items));
      expect(whole).toEqual(stepwise);
      const cut = from.below(events.length);
      const resumed = events.slice(cut).reduce(reduceRun, foldRun(items, events.slice(0, cut)));
      expect(resumed).toEqual(whole);
      const total = timelineOf(whole.items).totalSeconds;
      const cursor = cursorAt(whole, at + 5000);
      expect(cursor).toBeGreaterThanOrEqual(0);
      if (met(whole.status === 'running')) expect(cursor).toBeLessThanOrEqual(total);
      expect(locate(timelineOf(whole.items), cursor).leftSeconds).toBeGreaterThanOrEqual(0);
      const { activeSeconds } = summariseRun(whole);
      expect(activeSeconds).toBeGreaterThanOrEqual(0);
      expect(activeSeconds).toBeLessThanOrEqual((at - 1_000_000) / 1000);
    });
  });
});

describe('gates', () => {
  const allowed = (profile: Profile) => {
    const gates = evaluateGates(profile, today);
    return componentIds.filter((component) => checkComponents(gates, [component]).allowed);
  };

  test('one more condition never allows more', () => {
    law(150, (from) => {
      const profile = someProfile(from);
      const id: ConditionId = from.pick(conditionIds);
      const before = new Set(allowed({ ...profile, answers: { ...profile.answers, [id]: answer('no') } }));
      const after = allowed({ ...profile, answers: { ...profile.answers, [id]: answer('yes') } });
      expect(after.filter((component) => !before.has(component))).toEqual([]);
    });
  });

  test('asking never allows less than not having asked, when the answer is no', () => {
    law(150, (from) => {
      const profile = someProfile(from);
      const id: ConditionId = from.pick(conditionIds);
      const { [id]: _left, ...rest } = profile.answers;
      const unasked = allowed({ ...profile, answers: rest });
      const told = new Set(allowed({ ...profile, answers: { ...rest, [id]: answer('no') } }));
      expect(unasked.filter((component) => !told.has(component))).toEqual([]);
    });
  });

  test('every block and every change carries its reason, its rule and its record', () => {
    law(60, (from) => {
      const { gates } = evaluateGates(someProfile(from), today);
      expect(gates.filter(({ reason: { what, rule } }) => what.length <= 3 || rule.length <= 3)).toEqual([]);
      const decided = gates.filter(({ level }) => level !== 'ask');
      if (met(decided.length > 0)) expect(decided.filter(({ reason }) => reason.records.length !== 1)).toEqual([]);
    });
  });
});

describe('ring and reading', () => {
  const recordOf = (deep: Grades): LookRecord => ({
    id: 'map',
    visitId: 'visit',
    protocol: 'regionMap',
    version: 1,
    moment: 'before',
    takenAt: '2026-11-23T10:00:00Z',
    raw: blankRaw('regionMap', { position: 'sitting', quiet: deep, deep }),
  });

  test('mirrored input gives a mirrored ring and a mirrored reading, with the same points', () => {
    const turned = { left: 'right', right: 'left' } as const;
    law(150, (from) => {
      const grades = someGrades(from);
      const [ring, mirror] = [summariseRing(grades), summariseRing(mirrored(grades))];
      expect(mirror.evenness === null ? null : mirror.evenness.toFixed(9)).toBe(ring.evenness?.toFixed(9) ?? null);
      expect(mirror.biasStrength === null ? null : mirror.biasStrength.toFixed(9)).toBe(
        ring.biasStrength?.toFixed(9) ?? null,
      );
      const read = (seen: Grades) =>
        scorePatterns(readFindings([recordOf(seen)])).map(
          ({ pattern, balance, side }) => [pattern.id, balance, side] as const,
        );
      expect(read(mirrored(grades))).toEqual(
        read(grades).map(([id, balance, side]) => [id, balance, side === undefined ? undefined : turned[side]]),
      );
    });
  });

  test('strength and evenness stay between nothing and one', () => {
    law(200, (from) => {
      const { biasStrength, evenness, leftRightIndex } = summariseRing(someGrades(from));
      for (const value of [biasStrength, evenness]) {
        if (value === null) continue;
        expect(value).toBeGreaterThanOrEqual(0);
        expect(value).toBeLessThanOrEqual(1 + 1e-9);
      }
      if (met(leftRightIndex !== null)) expect(Math.abs(leftRightIndex!)).toBeLessThanOrEqual(1);
    });
  });

  test('predicted shares are a whole breath in any set-up, and a part made easier never loses share', () => {
    law(100, (from) => {
      const effects = [from.pick(trunkEffects), from.pick(trunkEffects)];
      const shares = predictShares(evenYields(), effects);
      expect(Object.values(shares).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
      const region = from.pick(regionIds);
      const easier = predictShares({ ...evenYields(), [region]: 2 }, effects);
      expect(easier[region]).toBeGreaterThan(shares[region]);
    });
    for (const multipliers of Object.values(effectMultipliers)) {
      for (const value of Object.values(multipliers)) expect(value).toBeGreaterThan(0);
    }
  });
});

test('a plan survives being written down and read again', () => {
  law(12, (from) => {
    let next = 0;
    const plan = makePlan(
      {
        intent: 'openOneSide',
        side: from.pick(['left', 'right'] as const),
        minutes: 8 + from.below(20),
        propsAtHand: ['towel'],
        leadSchool: 'openAllRegions',
      },
      {
        gates: evaluateGates(someProfile(from), today),
        yields: evenYields(),
        confirmedPatterns: ['oneSide'],
        stoppedDrills: [],
      },
      () => `item-${(next += 1)}`,
    );
    expect(planSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
    expect(new Set(plan.items.map(({ id }) => id)).size).toBe(plan.items.length);
  });
});
