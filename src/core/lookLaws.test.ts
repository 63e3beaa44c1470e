/** Laws of looking, reading and gates, tried on many made-up cases from a repeatable source. */
import { type Choices, choices } from './fixtures';
import {
  type LookRecord,
  type ProtocolId,
  type Raw,
  blankRaw,
  excursionOf,
  lookList,
  lookResult,
  protocolIds,
  protocols,
  questionnaireSum,
  quietRate,
  rawComponents,
  twoLine,
  weightedKappa,
} from './look';
import {
  type Finding,
  type FindingId,
  findingIds,
  findingTable,
  judgeFindings,
  likelyPatterns,
  patterns,
  readFindings,
  readingChanges,
  scorePatterns,
  snapshotOf,
} from './read';
import {
  type ConditionId,
  type Profile,
  checkComponents,
  componentIds,
  conditionIds,
  emptyProfile,
  evaluateGates,
  gateChanges,
} from './safety';
import {
  type Grades,
  evenYields,
  predictShares,
  rankSetUps,
  regionIds,
  sharesAsGrades,
  trunkEffects,
  unobserved,
} from './trunk';
import { met } from '../../scripts/met';

const today = '2026-11-23';
const record = <P extends ProtocolId>(protocol: P, raw: Partial<Raw<P>>): LookRecord<P> => ({
  id: `look-${protocol}`,
  visitId: 'visit',
  protocol,
  version: 1,
  moment: 'before',
  takenAt: `${today}T10:00:00Z`,
  raw: blankRaw(protocol, raw),
});
const someFindings = (from: Choices): Finding[] =>
  findingIds
    .filter(() => from.chance(0.5))
    .map((id) => ({
      id,
      severity: from.below(4) as 0,
      words: findingTable[id].words,
      record: { kind: 'look', id: 'look', label: 'look' },
      alsoFrom: [],
      times: 1 + from.below(2),
      protocol: findingTable[id].settledBy,
    }));
const balanceOf = (findings: readonly Finding[], patternId: string) =>
  scorePatterns(findings).find(({ pattern }) => pattern.id === patternId)!.balance;
const someGrades = (from: Choices): Grades =>
  Object.fromEntries(regionIds.map((id) => [id, from.chance(0.25) ? null : from.below(4)])) as Grades;

describe('reading', () => {
  test('a finding more marked speaks more for a pattern, or more against it, never now one and now the other', () => {
    const from = choices(11);
    for (let round = 0; round < 40; round += 1) {
      const findings = someFindings(from);
      for (const { id, rows } of patterns) {
        const spoken = Object.keys(rows) as FindingId[];
        if (spoken.length === 0) continue;
        const finding = from.pick(spoken);
        const ladder = ([0, 1, 2, 3] as const).map((severity) =>
          balanceOf(
            [
              ...findings.filter((one) => one.id !== finding),
              { ...someFindings(choices(3))[0]!, id: finding, severity },
            ],
            id,
          ),
        );
        const up = [...ladder].sort((a, b) => a - b);
        expect([id, finding, ladder]).toEqual([id, finding, ladder[0]! <= ladder[3]! ? up : [...up].reverse()]);
      }
    }
  });

  test('more shoulder lift never lowers “upper-chest lead”, whatever else was seen', () => {
    const from = choices(17);
    const levels: Partial<Raw<'frontOn'>>[] = [
      { shoulders: 'no', shouldersDeep: 'no' },
      { shoulders: 'no', shouldersDeep: 'yes' },
      { shoulders: 'yes', shouldersDeep: 'yes' },
    ];
    for (let round = 0; round < 60; round += 1) {
      const map = record('regionMap', { deep: someGrades(from), neckDeep: from.below(4) });
      const leads = record('twoHands', { leads: from.pick(['belly', 'together', 'chest'] as const) });
      const ladder = levels.map((front) =>
        balanceOf(readFindings([record('frontOn', front), map, leads]), 'upperChest'),
      );
      expect(ladder).toEqual([...ladder].sort((a, b) => a - b));
    }
  });

  test('points always add up, nothing is hidden, and the order does not depend on the order of the findings', () => {
    const from = choices(23);
    for (let round = 0; round < 60; round += 1) {
      const findings = someFindings(from);
      const scores = scorePatterns(findings);
      expect(new Set(scores.map(({ pattern }) => pattern.id)).size).toBe(patterns.length);
      const sum = (lines: readonly { points: number }[]) => lines.reduce((total, { points }) => total + points, 0);
      const told = scores.map(({ evidenceFor, evidenceAgainst, pointsFor, pointsAgainst }) => [
        sum(evidenceFor),
        sum(evidenceAgainst),
        pointsFor - pointsAgainst,
      ]);
      expect(told).toEqual(scores.map((one) => [one.pointsFor, one.pointsAgainst, one.balance]));
      const seen = new Set(findings.map(({ id }) => id));
      expect(scores.flatMap(({ missing }) => missing).filter(({ finding }) => seen.has(finding))).toEqual([]);
      expect(
        scores.filter(
          ({ pattern, evidenceFor, missing }) => Object.keys(pattern.rows).length < evidenceFor.length + missing.length,
        ),
      ).toEqual([]);
      const turned = scorePatterns([...findings].reverse());
      expect(turned.map(({ pattern, balance }) => [pattern.id, balance])).toEqual(
        scores.map(({ pattern, balance }) => [pattern.id, balance]),
      );
    }
  });

  test('a tie is called exactly when the two that lead are within two points; what settles it really turns them', () => {
    const from = choices(29);
    let ties = 0;
    for (let round = 0; round < 200; round += 1) {
      const findings = someFindings(from).filter(() => from.chance(0.6));
      const { shown, tie, settledBy } = likelyPatterns(scorePatterns(findings), findings);
      const [first, second] = shown;
      expect(tie).toBe(first !== undefined && second !== undefined && Math.abs(first.balance - second.balance) <= 2);
      if (!first || !second) continue;
      for (const { finding } of settledBy) {
        const turned = ([0, 1, 2, 3] as const).some((severity) => {
          const more = [...findings, { ...findings[0]!, id: finding, severity }];
          return balanceOf(more, second.pattern.id) > balanceOf(more, first.pattern.id);
        });
        expect([finding, turned]).toEqual([finding, true]);
      }
      ties += Number(tie);
    }
    expect(ties).toBeGreaterThan(5);
  });

  test('rejecting everything leaves nothing to read; a snapshot against itself tells no change', () => {
    const from = choices(31);
    for (let round = 0; round < 30; round += 1) {
      const findings = someFindings(from);
      const { read } = judgeFindings(
        findings,
        findings.map(({ id }) => ({ finding: id, verdict: 'rejected' as const })),
      );
      expect(read).toEqual([]);
      const snapshot = snapshotOf(findings, likelyPatterns(scorePatterns(findings), findings).shown);
      expect(readingChanges(snapshot, snapshot, {})).toEqual([]);
      const without = snapshotOf(findings.slice(1), []);
      const told = readingChanges(snapshot, { ...without, order: snapshot.order }, {});
      expect(told.length).toBe(findings[0] && findings[0].severity > 0 ? 1 : 0);
    }
  });

  test('nothing looked at says nothing, protocol by protocol', () => {
    for (const protocol of protocolIds) {
      expect([protocol, readFindings([record(protocol, {})])]).toEqual([protocol, []]);
      expect(lookResult(record(protocol, {}))).toBeNull();
    }
  });
});

describe('gates', () => {
  const answer = (value: 'yes' | 'no' | 'unknown') => ({ value, day: today, recordId: 'fact', detail: {} });
  const profileOf = (from: Choices, yes: number): Profile => ({
    ...emptyProfile,
    answers: Object.fromEntries(conditionIds.map((id) => [id, answer(from.chance(yes) ? 'yes' : 'no')])),
  });

  test('one more condition never frees anything, one fewer never blocks anything', () => {
    const from = choices(41);
    for (let round = 0; round < 120; round += 1) {
      const less = profileOf(from, 0.12);
      const id: ConditionId = from.pick(conditionIds);
      const more: Profile = { ...less, answers: { ...less.answers, [id]: answer('yes') } };
      const [before, after] = [evaluateGates(less, today), evaluateGates(more, today)];
      expect(gateChanges(before, after).freed).toEqual([]);
      expect(gateChanges(after, before).blocked).toEqual([]);
      const free = componentIds.filter((component) => checkComponents(after, [component]).allowed);
      if (met(free.length > 0))
        expect(free.filter((component) => !checkComponents(before, [component]).allowed)).toEqual([]);
    }
  });

  test('every refusal has a reason that can be said, every change a form, and what gives way names what goes first', () => {
    const from = choices(43);
    for (let round = 0; round < 80; round += 1) {
      const gates = evaluateGates(profileOf(from, 0.3), today);
      // Of many things some are always off; of one or two seldom any.
      const wanted = componentIds.filter(() => from.chance(round % 2 ? 0.2 : 0.02));
      const { refusals, changes, overruled, allowed, smallestChange } = checkComponents(gates, wanted);
      expect(allowed).toBe(refusals.length === 0);
      expect(refusals.every(({ reason }) => reason.what.length > 3 && reason.records.length > 0)).toBe(true);
      expect(changes.every(({ form }) => Boolean(form))).toBe(true);
      for (const { gate, by } of overruled) {
        expect(by.component).toBe(gate.component);
        expect(changes).toContain(by);
        expect(changes).not.toContain(gate);
      }
      if (met(allowed)) expect(smallestChange).toBeNull();
    }
  });

  test('what a blank look contains is never more than its protocol says', () => {
    for (const protocol of protocolIds) {
      const contained = rawComponents(protocol, blankRaw(protocol));
      expect([protocol, contained]).toEqual([protocol, protocols[protocol].components]);
    }
    expect(rawComponents('wallOrder', blankRaw('wallOrder'))).toEqual([]);
    expect(rawComponents('marker', blankRaw('marker'))).toEqual([]);
  });
});

describe('measures', () => {
  test('swapping the two lines turns the balance and keeps the area', () => {
    const from = choices(47);
    for (let round = 0; round < 100; round += 1) {
      const [a, b] = [1 + from.below(90), 1 + from.below(90)];
      const [one, other] = [twoLine(a, b), twoLine(b, a)];
      expect(other.areaDegrees).toBe(one.areaDegrees);
      expect(other.balanceDegrees + one.balanceDegrees).toBe(0);
      expect(one.percentRibCage + other.percentRibCage).toBeCloseTo(100, 9);
    }
  });

  test('an excursion lies between its smallest and its largest go, and a shift of the tape changes nothing', () => {
    const from = choices(53);
    for (let round = 0; round < 100; round += 1) {
      const goes = Array.from({ length: 1 + from.below(3) }, () => {
        const exhaleCm = 70 + from.below(40);
        return { exhaleCm, inhaleCm: exhaleCm + from.below(9) };
      });
      const changes = goes.map(({ exhaleCm, inhaleCm }) => inhaleCm - exhaleCm);
      const { meanCm, spreadCm } = excursionOf(goes)!;
      expect(meanCm).toBeGreaterThanOrEqual(Math.min(...changes));
      expect(meanCm).toBeLessThanOrEqual(Math.max(...changes));
      const moved = goes.map(({ exhaleCm, inhaleCm }) => ({ exhaleCm: exhaleCm + 5, inhaleCm: inhaleCm + 5 }));
      expect(excursionOf(moved)).toEqual(expect.objectContaining({ meanCm, spreadCm }));
    }
  });

  test('one more point in the questionnaire is one more in the sum, and a cut once passed stays passed', () => {
    const from = choices(59);
    for (let round = 0; round < 60; round += 1) {
      const answers = Array.from({ length: 16 }, () => from.below(4));
      const at = from.below(16);
      const more = answers.map((answer, i) => (i === at ? answer + 1 : answer));
      expect(questionnaireSum(more).sum).toBe(questionnaireSum(answers).sum + 1);
      if (met(questionnaireSum(answers).above23)) expect(questionnaireSum(more).above23).toBe(true);
      if (met(questionnaireSum(answers).above23)) expect(questionnaireSum(answers).above19).toBe(true);
    }
  });

  test('kappa is at most 1, the same both ways round, and 1 only for full agreement', () => {
    const from = choices(61);
    for (let round = 0; round < 60; round += 1) {
      const pairs = Array.from({ length: 2 + from.below(12) }, (): [number, number] => [from.below(4), from.below(4)]);
      const kappa = weightedKappa(pairs);
      if (kappa === null) continue;
      expect(kappa).toBeLessThanOrEqual(1 + 1e-12);
      expect(weightedKappa(pairs.map(([a, b]): [number, number] => [b, a]))).toBeCloseTo(kappa, 12);
      expect(kappa > 1 - 1e-12).toBe(pairs.every(([a, b]) => a === b));
    }
  });

  test('a rate does not depend on when the clock was started', () => {
    const from = choices(67);
    for (let round = 0; round < 40; round += 1) {
      let at = 0;
      const taps = Array.from({ length: 5 + from.below(15) }, () => (at += 2 + from.next() * 4));
      const shifted = taps.map((tap) => tap + 100);
      expect(quietRate(shifted).breathsPerMinute).toBeCloseTo(quietRate(taps).breathsPerMinute, 9);
    }
  });
});

describe('where the air goes', () => {
  test('ranking keeps every set-up, best first, and predicted rings stay on the scale', () => {
    const from = choices(71);
    for (let round = 0; round < 60; round += 1) {
      const setUps = Array.from({ length: 12 }, (_, i) => ({
        id: String(i),
        effects: [from.pick(trunkEffects), from.pick(trunkEffects)],
      }));
      const wanted = { [from.pick(regionIds)]: 1 + from.below(3) };
      const ranked = rankSetUps(evenYields(), setUps, wanted);
      expect(ranked.map(({ id }) => id).sort()).toEqual(setUps.map(({ id }) => id).sort());
      expect(ranked.map(({ gain }) => gain)).toEqual(ranked.map(({ gain }) => gain).sort((a, b) => b - a));
      const shown = sharesAsGrades(predictShares(evenYields(), setUps[0]!.effects), from.next() * 3);
      expect(Object.values(shown).every((value) => value >= 0 && value <= 3)).toBe(true);
    }
  });
});

test('a recheck looks again at what was marked, and always at the rate and the marker', () => {
  const from = choices(73);
  for (let round = 0; round < 30; round += 1) {
    const found = protocolIds.filter(() => from.chance(0.3));
    const { protocols: list } = lookList('recheck', found);
    expect(new Set(list)).toEqual(new Set(['quietLook', 'marker', ...found]));
    const order = lookList('full').protocols;
    expect([...list].sort((a, b) => order.indexOf(a) - order.indexOf(b))).toEqual([...list]);
  }
  expect(unobserved().belly).toBeNull();
});
