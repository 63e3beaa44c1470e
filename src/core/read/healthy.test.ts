import { type LookPosition, type LookRecord, type ProtocolId, type Raw, blankRaw } from '../look';
import { chanceFrom } from '../numbers';
import { type Grades, regionIds } from '../trunk';
import { likelyPatterns, mayLead, nextLook, readFindings, scorePatterns } from '.';

let made = 0;
const look = <P extends ProtocolId>(protocol: P, raw: Partial<Raw<P>>): LookRecord => ({
  id: `look-${(made += 1)}`,
  visitId: 'visit',
  protocol,
  version: 1,
  moment: 'before',
  takenAt: `2026-11-23T10:${String(made % 60).padStart(2, '0')}:00Z`,
  raw: blankRaw(protocol, raw),
});
const likely = (...records: LookRecord[]) => {
  const findings = readFindings(records);
  return likelyPatterns(scorePatterns(findings), findings);
};
const leads = (...records: LookRecord[]) => likely(...records).shown.map(({ pattern }) => pattern.id);
const hints = (...records: LookRecord[]) => likely(...records).hinted.map(({ pattern }) => pattern.id);
const severity = (id: string, ...records: LookRecord[]) =>
  readFindings(records).find((finding) => finding.id === id)?.severity ?? 'unknown';

const all = (grade: number) => Object.fromEntries(regionIds.map((id) => [id, grade])) as Grades;
const map = (position: LookPosition, quiet: Partial<Grades>, deep: Partial<Grades>) =>
  look('regionMap', {
    position,
    quiet: { ...all(1), ...quiet },
    deep: { ...all(2), ...deep },
    neckQuiet: 0,
    neckDeep: 0,
    extension: 'no',
  });
/** What an even person shows at everything else. */
const evenHands = look('twoHands', { leads: 'together', movesMore: 'even', bellyDrawsIn: 'no', deepLeads: 'together' });
const evenBend = look('sideBend', { left: 2, right: 2 });
const evenStack = {
  flareRest: 0,
  flareExhale: 0,
  thorax: 'over',
  pelvis: 'neutral',
  lowBackOff: 'no',
  midBackStiff: 'no',
  obliquesGrip: 'no',
} as const;

// Common practice, no published source: what a position gives, and that one sign is no pattern.
describe('an even person reads even', () => {
  test.each<[LookPosition, Partial<Grades>]>([
    // Lying gives the belly a step more and the chest and backs less [R5, as a direction].
    ['hook-lying', { belly: 3, chestFront: 2, chestBack: 2 }],
    ['sitting', {}],
    ['standing', {}],
  ])('%s', (position, parts) => {
    const quiet = Object.fromEntries(Object.entries(parts).map(([id, grade]) => [id, grade! - 1]));
    expect(leads(map(position, quiet, parts), evenHands, evenBend)).toEqual(['even']);
    expect(hints(map(position, quiet, parts), evenHands, evenBend)).toEqual([]);
  });

  test('a belly that leads the lying breath, as lying gives it, is no belly-only breath', () => {
    const lying = map('hook-lying', { belly: 2 }, { belly: 3 });
    const hands = look('twoHands', { leads: 'belly', movesMore: 'belly', bellyDrawsIn: 'no' });
    expect(leads(lying, hands, evenBend)).toEqual(['even']);
    // The same grades sitting are the person's own.
    expect(severity('bellyTakesMost', map('sitting', { belly: 2 }, { belly: 3 }))).toBe(2);
    expect(severity('bellyTakesMost', lying)).toBe(0);
  });
});

describe('one thing alone is never a pattern', () => {
  test('a quiet map only', () => {
    const quiet = look('regionMap', {
      position: 'sitting',
      quiet: { ...all(2), leftSide: 0, leftBack: 0, belly: 3 },
      neckQuiet: 0,
    });
    expect(leads(quiet, evenHands, look('sideBend', { left: 2, right: 2 }))).toEqual(['even']);
  });

  test.each(['leftSide', 'rightSide', 'leftBack', 'rightBack'] as const)('one step on one pair: %s', (part) => {
    expect(leads(map('sitting', { [part]: 0 }, { [part]: 1 }), evenHands, evenBend)).toEqual(['even']);
  });

  test('one hold of 17 s', () => {
    const hold = look('calmHold', { tries: [{ seconds: 17, feeling: 'calm', firstBreath: 'nose and quiet' }] });
    expect(leads(hold, map('sitting', {}, {}), evenHands, evenBend)).toEqual(['even']);
    // Nor with a mouth a little open.
    const quiet = look('quietLook', { route: 'both', sound: 'silent', starts: 'ribs' });
    expect(leads(hold, quiet, map('sitting', {}, {}), evenHands, evenBend)).toEqual(['even']);
  });

  test('the thorax in front alone', () => {
    const front = look('stack', { ...evenStack, thorax: 'in front' });
    expect(leads(front, map('sitting', {}, {}), evenHands, evenBend)).toEqual(['even']);
    expect(severity('ribsForward', front)).toBe(2);
  });

  test('a brisk rate, still mouth, a belly said once to draw in', () => {
    const brisk = look('quietLook', {
      taps: Array.from({ length: 19 }, (_, i) => (i * 60) / 18),
      route: 'nose',
      sound: 'silent',
      starts: 'ribs',
    });
    const once = look('twoHands', { leads: 'together', movesMore: 'even', bellyDrawsIn: 'yes' });
    expect(leads(brisk, once, map('sitting', {}, {}), evenBend)).toEqual(['even']);
  });
});

describe('the pelvic floor is asked fairly', () => {
  const felt = { softens: 'yes', letsGo: 'yes', lifts: 'yes', pain: 'no', urgency: 'no', glutesGrip: 'no' } as const;
  const rest = [map('sitting', {}, {}), evenHands, evenBend];

  test('what can’t be felt is unknown, not fine and not a fault', () => {
    const unfelt = look('floor', { ...felt, softens: 'can’t feel', letsGo: 'can’t feel', leaks: 'no' });
    expect(severity('floorHolds', unfelt)).toBe('unknown');
    expect(leads(unfelt, ...rest)).toEqual(['even']);
    expect(likely(unfelt, ...rest).shown[0]!.pattern.id).toBe('even');
  });

  test('with pain, urgency and gripping it points to a floor that holds', () => {
    const holding = look('floor', {
      ...felt,
      softens: 'can’t feel',
      letsGo: 'can’t feel',
      pain: 'yes',
      urgency: 'yes',
      glutesGrip: 'yes',
    });
    expect(leads(holding, ...rest)[0]).toBe('floorHolds');
  });

  test('a leak with urge only is no leak with effort', () => {
    const leak = (leaksWith: Raw<'floor'>['leaksWith']) =>
      look('floor', { ...felt, lifts: 'no', bearsDown: 'yes', leaks: 'yes', leaksWith });
    expect(leads(leak(['cough', 'jump']), ...rest)[0]).toBe('floorLate');
    expect(leads(leak(['urge']), ...rest)).toEqual(['even']);
    expect(severity('urgency', leak(['urge']))).toBe(2);
  });

  test('release before lift: a floor that can’t let go comes before one that is late', () => {
    const both = look('floor', {
      softens: 'no',
      letsGo: 'no',
      lifts: 'no',
      glutesGrip: 'yes',
      bearsDown: 'yes',
      leaks: 'yes',
      leaksWith: ['cough'],
      leaksOften: 'daily',
    });
    const order = leads(both, ...rest);
    expect(order.indexOf('floorHolds')).toBeLessThan(order.indexOf('floorLate'));
    expect(order).toContain('floorLate');
  });
});

describe('shapes the trade knows', () => {
  test('backs closed beside open sides is a pattern', () => {
    const backs = map(
      'sitting',
      { leftBack: 0, rightBack: 0, leftSide: 2, rightSide: 2 },
      { leftBack: 0, rightBack: 0, leftSide: 3, rightSide: 3 },
    );
    expect(leads(backs, evenHands, evenBend)[0]).toBe('sidesAndBackClosed');
  });

  test('a diagonal difference does not cancel: the sides say one side, and the bend with them', () => {
    const diagonal = map(
      'sitting',
      { leftSide: 0, rightSide: 2, rightBack: 0 },
      { leftSide: 0, rightSide: 3, rightBack: 1 },
    );
    expect(severity('oneSideLess', diagonal)).toBeGreaterThanOrEqual(2);
    const { shown } = likely(diagonal, evenHands, look('sideBend', { left: 1, right: 3 }));
    expect(shown[0]).toMatchObject({ pattern: { id: 'oneSide' }, side: 'left' });
  });

  test('a flare that stays after a full exhale is held in inhale, also with the ribs in front', () => {
    const stack = look('stack', {
      ...evenStack,
      flareRest: 2,
      flareExhale: 3,
      thorax: 'in front',
      midBackStiff: 'yes',
    });
    const order = leads(stack, map('sitting', {}, {}), evenHands, evenBend);
    expect(order[0]).toBe('heldInInhale');
  });

  test('a chest that leads is not called paradoxical unless the belly draws in or the waist is smaller', () => {
    const chest = [
      look('quietLook', { starts: 'chest', route: 'nose', sound: 'silent' }),
      look('twoHands', { leads: 'chest', movesMore: 'chest', deepLeads: 'chest', bellyDrawsIn: 'no' }),
      look('tape', { levels: { waist: [{ exhaleCm: 80, inhaleCm: 82 }] } }),
      map('sitting', { belly: 0, chestFront: 2 }, { belly: 0, chestFront: 3 }),
    ];
    const order = leads(...chest);
    expect(order[0]).toBe('upperChest');
    expect(order).not.toContain('paradoxical');
  });
});

describe('two readings of what decides', () => {
  const hands = (again: boolean, leading: 'chest' | 'belly') =>
    look('twoHands', {
      leads: leading,
      movesMore: leading,
      deepLeads: leading,
      bellyDrawsIn: 'no',
      ...(again ? { again } : {}),
    });
  const rest = [map('sitting', { belly: 0 }, { belly: 1, chestFront: 3 }), evenBend];

  test('both count, and what only one of them shows is slight', () => {
    expect(severity('chestLeads', hands(false, 'chest'), hands(true, 'chest'))).toBe(3);
    expect(severity('chestLeads', hands(false, 'chest'), hands(true, 'belly'))).toBe(1);
    // Begun afresh it takes the place of the one before.
    expect(severity('chestLeads', hands(false, 'chest'), hands(false, 'belly'))).toBe(0);
  });

  test('a second reading that says otherwise takes the lead away', () => {
    expect(leads(hands(false, 'chest'), ...rest)[0]).toBe('upperChest');
    expect(leads(hands(false, 'chest'), hands(true, 'belly'), ...rest)).not.toContain('upperChest');
  });

  test('what would settle it is asked for: first what was not looked at, then what decides', () => {
    const records = [hands(false, 'chest'), ...rest];
    const reading = likely(...records);
    const taken = records.map(({ protocol }) => protocol);
    const fresh = nextLook(reading, taken, [])!;
    expect(fresh.again).toBe(false);
    expect(taken).not.toContain(fresh.protocol);
    const second = nextLook(reading, taken, [], (protocol) => taken.includes(protocol))!;
    expect(second).toMatchObject({ protocol: 'twoHands', again: true });
    expect(nextLook(likely(map('sitting', {}, {}), evenBend, evenHands), ['regionMap'], [])).toBeNull();
  });
});

test('nothing is said of what was not looked for', () => {
  const { notLookedFor } = likely(map('sitting', {}, {}), evenHands, evenBend);
  const names = notLookedFor.map(({ id }) => id);
  expect(names).toEqual(
    expect.arrayContaining(['topDown', 'floorHolds', 'floorLate', 'heldInInhale', 'positionDependent']),
  );
  expect(names).not.toContain('oneSide');
});

test('no lead without two separate signs, or a clear step seen twice, whatever was seen', () => {
  const { pick } = chanceFrom(5);
  for (let round = 0; round < 300; round += 1) {
    const grades = () => Object.fromEntries(regionIds.map((id) => [id, pick([0, 1, 2, 3, null])])) as Grades;
    const records = [
      look('regionMap', { position: pick(['hook-lying', 'sitting', 'standing']), quiet: grades(), deep: grades() }),
      look('twoHands', { leads: pick(['belly', 'together', 'chest']), bellyDrawsIn: pick(['yes', 'no']) }),
      look('stack', { flareExhale: pick([0, 1, 2, 3, null]), thorax: pick(['in front', 'over']) }),
    ];
    for (const score of scorePatterns(readFindings(records)).filter(mayLead)) {
      const signs = score.evidenceFor.filter(({ points }) => points >= 2);
      const clear = score.evidenceFor.some(({ points, times }) => points >= 5 && times >= 2);
      expect(signs.length >= 2 || clear).toBe(true);
    }
  }
});
