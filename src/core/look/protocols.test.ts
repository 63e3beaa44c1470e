import { checkComponents, componentIds, conditionIds, emptyProfile, evaluateGates } from '../safety';
import type * as z from 'zod/mini';
import { generator, seeded } from '../fixtures/generate';
import { regionIds, unobserved } from '../trunk';
import {
  type LookRecord,
  type ProtocolId,
  type Raw,
  allOf,
  baseMap,
  bestPosture,
  blankRaw,
  blindPairs,
  expectedMinutes,
  formProtocols,
  forms,
  lookList,
  lookResult,
  mapsByPosition,
  type FormField,
  type Followed,
  type FormProtocol,
  nothingElse,
  protocolIds,
  protocols,
  quietRate,
  rawComponents,
  rawSchemas,
  settleDoubt,
} from '.';
import { met } from '../../../scripts/met';

let made = 0;
const record = <P extends ProtocolId>(protocol: P, raw: Partial<Raw<P>>, id = `r${(made += 1)}`): LookRecord<P> => ({
  id,
  visitId: 'visit',
  protocol,
  version: 1,
  moment: 'before',
  takenAt: `2026-11-23T10:${String(made % 60).padStart(2, '0')}:00Z`,
  raw: blankRaw(protocol, raw),
});

describe('what is derived from the protocols', () => {
  const keysOf = (what: 'findings' | 'follows') => protocolIds.flatMap((id) => Object.keys(protocols[id][what]));

  test('a finding is settled by one protocol, a measure followed by one', () => {
    for (const keys of [keysOf('findings'), keysOf('follows')]) expect(new Set(keys).size).toBe(keys.length);
  });

  test('a protocol reads nothing that none states as a finding, whatever a record holds', () => {
    const known = new Set(keysOf('findings'));
    for (const id of protocolIds) {
      const make = generator(protocols[id].schema as z.ZodMiniType, seeded(id.length));
      const reads = protocols[id].reads as ((raw: unknown) => object) | undefined;
      const read = new Set(Array.from({ length: 60 }, make).flatMap((raw) => Object.keys(reads?.(raw) ?? {})));
      expect([id, [...read].filter((finding) => !known.has(finding))]).toEqual([id, []]);
    }
  });

  test('what is followed has no value where nothing was entered', () => {
    for (const id of protocolIds) {
      for (const { goes, value } of Object.values(protocols[id].follows) as Followed<unknown>[]) {
        const blank = blankRaw(id);
        expect([id, goes(blank), value?.(blank) ?? null]).toEqual([id, [], null]);
      }
    }
  });
});

describe('every protocol', () => {
  test.each(protocolIds)('%s: words, minutes, positions, known components, and a blank that is whole', (id) => {
    const { name, setUp, means, minutes, positions, components } = protocols[id];
    expect([name, setUp, means].every((words) => words.length > 3)).toBe(true);
    expect(minutes).toBeGreaterThan(0);
    expect(positions.length).toBeGreaterThan(0);
    expect(components.every((component) => componentIds.includes(component))).toBe(true);
    expect(rawSchemas[id].parse(blankRaw(id))).toEqual(blankRaw(id));
    expect(lookResult(record(id, {}))).toBeNull();
  });

  test('each field of a form is a key of its record, and every choice it offers is one the record takes', () => {
    for (const protocol of formProtocols) {
      for (const field of forms[protocol]) {
        const blank = blankRaw(protocol) as Record<string, unknown>;
        expect([protocol, field.key, field.key in blank]).toEqual([protocol, field.key, true]);
        const values =
          field.kind === 'choice'
            ? field.choices.map(([value]) => value)
            : field.kind === 'ticks'
              ? field.choices.map(([value]) => [value])
              : field.kind === 'seconds'
                ? [[4.2]]
                : [0, 3];
        for (const value of values) {
          expect([field.key, rawSchemas[protocol].safeParse({ ...blank, [field.key]: value }).success]).toEqual([
            field.key,
            true,
          ]);
        }
        expect(rawSchemas[protocol].safeParse({ ...blank, [field.key]: 'nonsense' }).success).toBe(false);
      }
    }
  });

  test('the sets: a first look of about six minutes, everything, and what was marked last time', () => {
    expect(lookList('first').protocols).toEqual([
      'quietLook',
      'twoHands',
      'sideBend',
      'regionMap',
      'stack',
      'postureSearch',
    ]);
    expect(expectedMinutes(lookList('first').protocols)).toBeLessThan(7);
    expect([...lookList('full').protocols].sort()).toEqual([...protocolIds].sort());
    // What was told on Screen puts its looks into any set.
    expect(lookList('first', [], ['floor', 'wallOrder']).protocols.slice(-2)).toEqual(['wallOrder', 'floor']);
    expect(lookList('recheck', ['stack', 'regionMap']).protocols).toEqual([
      'quietLook',
      'regionMap',
      'stack',
      'marker',
    ]);
  });
});

describe('gates apply to tests', () => {
  const no = { value: 'no' as const, day: '2026-11-23', recordId: 'f', detail: {} };
  const clear = { ...emptyProfile, answers: Object.fromEntries(conditionIds.map((id) => [id, no])) };
  const gatesWith = (id: (typeof conditionIds)[number]) =>
    evaluateGates({ ...clear, answers: { ...clear.answers, [id]: { ...no, value: 'yes' } } }, '2026-11-23');
  const allowed = (id: (typeof conditionIds)[number], protocol: ProtocolId, raw: object = {}) =>
    checkComponents(gatesWith(id), rawComponents(protocol, blankRaw(protocol, raw))).allowed;

  // Deep breaths, tape, holds, marches and side bends only where allowed: common practice.
  test.each([
    ['collapsedLung', 'frontOn', {}],
    ['collapsedLung', 'tape', {}],
    ['lung', 'tape', {}],
    ['heart', 'calmHold', {}],
    ['heart', 'tenCount', {}],
    ['pregnancy', 'tenCount', {}],
    ['pelvicGirdlePain', 'wallOrder', { marchLeft: [] }],
    ['holdingFloor', 'floor', { lifts: 'yes' }],
    ['collapsedLung', 'regionMap', { deep: { ...unobserved(), belly: 1 } }],
    ['collapsedLung', 'twoHands', { deepLeads: 'chest' }],
    ['collapsedLung', 'marker', { measure: 'ease', readings: [4] }],
    ['shoulder', 'marker', { measure: 'shoulderReach', readings: [90] }],
    ['back', 'postureSearch', { depth: { sitting: { arched: 2 } } }],
    ['osteoporosis', 'postureSearch', { depth: { sitting: { slouched: 2 } } }],
    ['collapsedLung', 'twoLine', { deep: { upperDegrees: 10, lowerDegrees: 10 } }],
  ] as const)('%s keeps %s %j away', (condition, protocol, raw) => {
    expect(allowed(condition, protocol, raw)).toBe(false);
    expect(
      checkComponents(evaluateGates(clear, '2026-11-23'), rawComponents(protocol, blankRaw(protocol, raw as never)))
        .allowed,
    ).toBe(true);
  });

  test('the rest of such a protocol stays open', () => {
    expect(allowed('pelvicGirdlePain', 'wallOrder', { first: 'upper' })).toBe(true);
    expect(allowed('holdingFloor', 'floor', { softens: 'no' })).toBe(true);
    expect(allowed('collapsedLung', 'regionMap', { quiet: { ...unobserved(), belly: 1 } })).toBe(true);
    expect(allowed('back', 'postureSearch', { depth: { sitting: { between: 6 } } })).toBe(true);
  });
});

describe('maps', () => {
  const map = (position: Raw<'regionMap'>['position'], belly: number | null, rest: object = {}) =>
    record('regionMap', { position, quiet: { ...unobserved(), belly }, ...rest });

  test('one map a position; the easiest graded one is read', () => {
    const [standing, lying, sitting, empty] = [
      map('standing', 1),
      map('hook-lying', 2),
      map('sitting', 2),
      map('side-lying', null),
    ];
    const all = [standing, lying, sitting, empty];
    expect(mapsByPosition(all, 'before').map(({ position }) => position)).toEqual([
      'hook-lying',
      'side-lying',
      'sitting',
      'standing',
    ]);
    expect(baseMap(all, 'before')).toBe(lying);
    expect(baseMap([standing, empty], 'before')).toBe(standing);
    expect(baseMap([], 'before')).toBeNull();
  });

  test('a map graded blind is kept apart and pairs with the first', () => {
    const first = record('regionMap', { quiet: { ...unobserved(), belly: 2, lowBack: 1 } }, 'first');
    const blind = record('regionMap', { quiet: { ...unobserved(), belly: 3 }, blindOf: 'first' });
    expect(allOf([first, blind], 'regionMap', 'before')).toEqual([first]);
    expect(blindPairs([first, blind])).toEqual([[2, 3]]);
    expect(blindPairs([blind])).toEqual([]);
  });
});

describe('posture search', () => {
  test('finds the deepest posture of each position, and what arching, slouching and coming up cost', () => {
    const result = bestPosture({
      lying: { between: 9 },
      sitting: { between: 6, arched: 2, slouched: 4, frontUp: 7 },
      standing: { between: 5 },
    });
    expect(result.best).toEqual({
      lying: { tilt: 'between', depth: 9 },
      sitting: { tilt: 'frontUp', depth: 7 },
      standing: { tilt: 'between', depth: 5 },
    });
    expect(result).toMatchObject({ dropArched: 5, dropSlouched: 3, lostSitting: 2, lostStanding: 4 });
  });

  test('what was not tried costs nothing and says nothing', () => {
    expect(bestPosture({})).toEqual({
      best: {},
      dropArched: null,
      dropSlouched: null,
      lostSitting: null,
      lostStanding: null,
    });
    expect(bestPosture({ sitting: { between: 5 } }).lostSitting).toBeNull();
  });
});

describe('results in a few words', () => {
  test.each<[ProtocolId, object, string]>([
    ['quietLook', { taps: [0, 4, 8, 12, 16] }, '15.0 a minute, usual'],
    ['twoHands', { leads: 'chest' }, 'the chest hand leads'],
    ['twoHands', { bellyDrawsIn: 'yes' }, 'the belly draws in'],
    ['frontOn', { shoulders: 'no', shouldersDeep: 'yes' }, 'fine at rest, lifts on deep breaths'],
    ['frontOn', { shoulders: 'no', upperOnlyDeep: 'yes' }, 'fine at rest, lifts on deep breaths'],
    ['frontOn', { upperOnly: 'no', neckCordsDeep: 'yes' }, 'fine at rest, lifts on deep breaths'],
    ['frontOn', { upperOnly: 'yes', shouldersDeep: 'no' }, 'the upper chest works at rest'],
    ['frontOn', { shoulders: 'no', shouldersDeep: 'no' }, 'free at both'],
    // Of what was not looked at nothing is said.
    ['frontOn', { shoulders: 'no' }, 'free at rest'],
    ['frontOn', { neckCordsDeep: 'no' }, 'free on deep breaths'],
    ['frontOn', { shouldersDeep: 'yes' }, 'lifts on deep breaths'],
    ['frontOn', { nostrils: 'yes' }, 'the nostrils flare on ordinary breaths'],
    ['frontOn', { nostrils: 'no' }, 'nothing to note'],
    ['quietLook', { seen: ['shoulders'] }, 'the shoulders rise'],
    ['stack', { pelvis: 'tipped forward' }, 'the pelvis is tipped forward'],
    ['floor', { letsGo: 'no' }, 'the pelvic floor can’t let go fully'],
    ['tape', { levels: { fourth: [{ exhaleCm: 90, inhaleCm: 92 }] } }, 'fourth space 2.0 cm: markedly small'],
    ['tape', { unit: 'in', levels: { waist: [{ exhaleCm: 80, inhaleCm: 85.08 }] } }, 'waist 2.0 in'],
    ['twoLine', { quiet: { upperDegrees: 60, lowerDegrees: 20 } }, 'upper ribs 75 %, balance 40°'],
    ['fingerGap', { goes: [{ exhaleCm: 4, inhaleCm: 7 }] }, 'opens 3.0 cm'],
    ['sideBend', { left: 1, right: null }, 'left 1, right –'],
    ['postureSearch', { depth: { sitting: { frontUp: 7 } } }, 'sitting 7, front of the pelvis a little up'],
    ['stack', { flareRest: 2, flareExhale: 0, thorax: 'over' }, 'no flare; thorax over the pelvis'],
    ['exhale', { seconds: [3, 9, 5], sound: 'even', ribsDown: 'no' }, '5.0 s, even, ribs stay up'],
    ['wallOrder', { first: 'upper', lowerBalloons: 'yes' }, 'upper first, lower belly balloons'],
    ['wallOrder', { marchLeft: [], marchRight: [] }, 'march steady'],
    ['wallOrder', { marchLeft: [] }, 'march steady on the left'],
    ['wallOrder', { first: 'together', marchRight: [] }, 'all together, march steady on the right'],
    ['wallOrder', { lowerBalloons: 'yes', marchLeft: ['hips'] }, 'lower belly balloons, march unsteady'],
    ['floor', { softens: 'no', leaks: 'yes' }, 'does not soften, leaks'],
    ['pelvicRock', { nods: 'no', stuckAt: 'waist' }, 'no nod, stuck at the waist'],
    ['calmHold', { tries: [{ seconds: 22, feeling: 'calm', firstBreath: 'nose and quiet' }] }, '22 s, middling'],
    ['tenCount', { result: 'coughed' }, 'coughed'],
    ['questionnaire', { answers: Array(16).fill(2) }, '32 of 64, above 23'],
    ['marker', { measure: 'hipRotation', readings: [30, 34] }, 'hip inward rotation 32.0 degrees'],
    ['regionMap', { deep: { ...unobserved(), leftSide: 1, rightSide: 2 } }, 'Left side gives one step less than right'],
  ])('%s %j: %s', (protocol, raw, words) => {
    expect(lookResult(record(protocol, raw))?.words).toBe(words);
  });
});

/** Every answer a field can have but for none. */
const answersTo = (field: (typeof forms)[FormProtocol][number]): unknown[] => {
  switch (field.kind) {
    case 'choice':
      return field.choices.map(([value]) => value).filter((value) => value !== 'not observed');
    case 'ticks':
      return [...field.choices.map(([value]) => [value]), ...(field.none === undefined ? [] : [[]])];
    case 'grade':
      return [0, 1, 2, 3];
    case 'scale':
      return [0, 5, 10];
    case 'seconds':
      return [[2], [9]];
  }
};
const alone = formProtocols.flatMap((protocol) =>
  forms[protocol].flatMap((field) => answersTo(field).map((answer) => [protocol, field.key, answer] as const)),
);

test.each(alone)(
  '%s with nothing but %s %j gives a result where it says something of a finding',
  (protocol, key, answer) => {
    const one = record(protocol, { [key]: answer });
    const { reads } = protocols[protocol] as { reads?: (raw: unknown) => object };
    const says = Object.keys(reads?.(one.raw) ?? {}).length > 0;
    const words = lookResult(one)?.words ?? null;
    if (met(says)) expect(words).toMatch(/^\S.*\S$|^\S$/);
    expect(words ?? '').not.toMatch(/[a-z][A-Z]|undefined/);
  },
);

test('a count broken off for long is asked about, and the longer stretch can be kept', () => {
  const taps = [0, 4, 8, 12, 52, 56, 60];
  const { doubts } = quietRate(taps);
  expect(doubts).toMatchObject([{ kind: 'gap', tap: 4 }]);
  expect(settleDoubt(taps, doubts[0]!)).toEqual([0, 4, 8, 12]);
  expect(settleDoubt([0, 30, 34, 38, 42], { kind: 'gap', tap: 1, intervalSeconds: 30 })).toEqual([0, 4, 8, 12]);
});

test('grades half filled are kept as they are', () => {
  const half = { ...unobserved(), belly: 2 };
  expect(rawSchemas.regionMap.parse(blankRaw('regionMap', { quiet: half })).quiet).toEqual(half);
  expect(Object.keys(half)).toHaveLength(regionIds.length);
});

describe('nothing else to note', () => {
  const parts = (protocol: FormProtocol, raw: object, open = () => true) =>
    nothingElse(protocol, raw as Record<string, unknown>, open);

  test('fills what is still open of one part with the usual, and leaves what was entered', () => {
    const raw = blankRaw('frontOn', { shoulders: 'yes' });
    const [ordinary, deep] = parts('frontOn', raw);
    expect(ordinary!.raw).toMatchObject({ shoulders: 'yes', upperOnly: 'no', sides: 'yes' });
    // Deep breaths were perhaps never looked at: they are a part of their own.
    expect(ordinary!.raw).toMatchObject({ upperOnlyDeep: 'not observed', sidesDeep: 'not observed' });
    expect(deep!.raw).toMatchObject({ upperOnly: 'not observed', sidesDeep: 'yes' });
    expect(parts('frontOn', { ...ordinary!.raw, ...blankRaw('frontOn', {}), ...ordinary!.raw })).toHaveLength(1);
  });

  test('what is asked of the client is never filled in', () => {
    expect(parts('floor', blankRaw('floor'))).toEqual([]);
    for (const protocol of formProtocols) {
      const asked = forms[protocol].filter(
        (field) => field.kind === 'choice' && field.choices.some(([, label]) => label === 'Not asked'),
      );
      for (const { raw } of parts(protocol, blankRaw(protocol))) {
        for (const { key } of asked) expect([protocol, key, raw[key]]).toEqual([protocol, key, 'not observed']);
      }
    }
  });

  test('what is gated apart is filled apart, and not where it is off', () => {
    const off = ({ components = [] }: FormField) => !components.includes('march');
    const blank = blankRaw('wallOrder') as unknown as Record<string, unknown>;
    const [watched, march] = nothingElse('wallOrder', blank, () => true);
    expect(watched!.raw).toMatchObject({ first: 'lower', marchLeft: null });
    expect(march!.raw).toMatchObject({ first: 'not observed', marchLeft: [], marchRight: [] });
    expect(nothingElse('wallOrder', blank, off)).toHaveLength(1);
  });

  test('the usual of every field is one its record takes', () => {
    for (const protocol of formProtocols) {
      for (const { raw } of parts(protocol, blankRaw(protocol))) {
        expect([protocol, rawSchemas[protocol].safeParse(raw).success]).toEqual([protocol, true]);
      }
    }
  });
});
