import { type LookRecord, type ProtocolId, type Raw, blankRaw, rawSchemas } from '@/core/look';
import { type Grades, regionIds } from '@/core/trunk';

/** What was seen of a person, by protocol; everything else was not looked for. */
export type Seen = { [P in ProtocolId]?: Partial<Raw<P>> } & {
  /** Counted resting rate; turned into taps by whoever takes the look. */
  rate?: number;
};

/** A person made up so that one reading is the right one. */
export interface Constructed {
  id: string;
  /** Who they could be, in the invented town. */
  who: string;
  seen: Seen;
  /** The pattern that must come first, or the two that must both be shown and called close. */
  expected: readonly string[];
  tie?: boolean;
}

const all = (grade: number): Grades => Object.fromEntries(regionIds.map((id) => [id, grade])) as Grades;
/** Sitting, where no part is given more than another; a quiet breath shows a step less of everything. */
const map = (base: number, parts: Partial<Grades> = {}, rest: Partial<Raw<'regionMap'>> = {}) => ({
  position: 'sitting' as const,
  deep: { ...all(base), ...parts },
  quiet: Object.fromEntries(
    Object.entries({ ...all(base), ...parts }).map(([id, grade]) => [id, Math.max(0, (grade ?? 0) - 1)]),
  ) as Grades,
  neckQuiet: 0,
  neckDeep: 0,
  ...rest,
});
const quietNose = { starts: 'ribs', route: 'nose', sound: 'silent' } as const;
const together = { leads: 'together', movesMore: 'even', bellyDrawsIn: 'no', deepLeads: 'together' } as const;
const easyFront = {
  shoulders: 'no',
  upperOnly: 'no',
  sides: 'yes',
  nostrils: 'no',
  shouldersDeep: 'no',
  upperOnlyDeep: 'no',
  neckCordsDeep: 'no',
} as const;

/** One person for each main pattern, a mixed one, and an even one. */
export const constructed: readonly Constructed[] = [
  {
    id: 'upperChest',
    who: 'a deckhand whose shoulders do the breathing',
    seen: {
      rate: 21,
      quietLook: { starts: 'chest', route: 'mouth', sound: 'silent', seen: ['shoulders'] },
      twoHands: { leads: 'chest', movesMore: 'chest', bellyDrawsIn: 'no', deepLeads: 'chest' },
      frontOn: { ...easyFront, shoulders: 'yes', upperOnly: 'yes', shouldersDeep: 'yes', neckCordsDeep: 'yes' },
      regionMap: map(1, { belly: 0, chestFront: 3 }, { neckQuiet: 2, neckDeep: 3 }),
    },
    expected: ['upperChest'],
  },
  {
    id: 'bellyOnly',
    who: 'a choir alto told to push the belly out',
    seen: {
      rate: 14,
      quietLook: { ...quietNose, starts: 'belly' },
      twoHands: { ...together, leads: 'belly', movesMore: 'belly', deepLeads: 'belly' },
      regionMap: map(0, { belly: 3, chestBack: 1, lowBack: 1 }),
      stack: {
        flareRest: 1,
        flareExhale: 0,
        thorax: 'over',
        pelvis: 'tipped forward',
        lowBackOff: 'yes',
        obliquesGrip: 'no',
      },
    },
    expected: ['bellyOnly'],
  },
  {
    id: 'heldInInhale',
    who: 'a swimmer who can’t get a full breath',
    seen: {
      rate: 15,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2, { chestBack: 1 }),
      stack: {
        flareRest: 2,
        flareExhale: 3,
        thorax: 'over',
        pelvis: 'neutral',
        lowBackOff: 'no',
        midBackStiff: 'yes',
        obliquesGrip: 'no',
      },
      exhale: { seconds: [2.5], sound: 'dumping', ribsDown: 'no', abdominalsFelt: 'no', nextInhale: 3 },
    },
    expected: ['heldInInhale'],
  },
  {
    id: 'pitchedForward',
    who: 'a dancer with the ribs carried in front',
    seen: {
      rate: 14,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2, { leftBack: 1, rightBack: 1 }),
      stack: {
        flareRest: 2,
        flareExhale: 0,
        thorax: 'in front',
        pelvis: 'tipped forward',
        lowBackOff: 'no',
        midBackStiff: 'yes',
        obliquesGrip: 'yes',
      },
    },
    expected: ['pitchedForward'],
  },
  {
    id: 'sidesAndBackClosed',
    who: 'a potter closed at the sides and behind',
    seen: {
      rate: 14,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2, { leftSide: 0, rightSide: 0, leftBack: 0, rightBack: 0 }),
      sideBend: { left: 1, right: 1 },
      tape: { levels: { fourth: [{ exhaleCm: 92, inhaleCm: 94 }] } },
      fingerGap: { goes: [{ exhaleCm: 5, inhaleCm: 6 }], shrugs: 'no' },
    },
    expected: ['sidesAndBackClosed'],
  },
  {
    id: 'oneSide',
    who: 'a rower who always sits on the same side',
    seen: {
      rate: 13,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(3, { leftSide: 1, leftBack: 1 }),
      sideBend: { left: 1, right: 3 },
    },
    expected: ['oneSide'],
  },
  {
    id: 'pumpClosed',
    who: 'a net mender with a flat, still chest',
    seen: {
      rate: 14,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2, { chestFront: 0, chestBack: 0, leftSide: 3, rightSide: 3 }),
      pelvicRock: { nods: 'no', stuckAt: 'mid-back' },
    },
    expected: ['pumpClosed'],
  },
  {
    id: 'paradoxical',
    who: 'a cellist whose belly goes in',
    seen: {
      rate: 16,
      quietLook: quietNose,
      twoHands: { leads: 'chest', movesMore: 'chest', bellyDrawsIn: 'yes', deepLeads: 'chest' },
      frontOn: easyFront,
      regionMap: map(2, { belly: 1 }),
    },
    expected: ['paradoxical'],
  },
  {
    id: 'forcedBelly',
    who: 'a lighthouse keeper who pushes and puffs',
    seen: {
      rate: 15,
      quietLook: { ...quietNose, sound: 'audible', starts: 'belly' },
      twoHands: { ...together, leads: 'belly', movesMore: 'belly', deepLeads: 'belly', freeVoice: 'tense' },
      regionMap: map(2, { belly: 3, leftSide: 1, rightSide: 1, chestFront: 2 }),
      stack: { flareRest: 0, flareExhale: 0, thorax: 'over', pelvis: 'neutral', lowBackOff: 'no', obliquesGrip: 'no' },
    },
    expected: ['forcedBelly'],
  },
  {
    id: 'shallowBraced',
    who: 'a harbour clerk held tight everywhere',
    seen: {
      rate: 17,
      quietLook: { ...quietNose, seen: ['sighs'] },
      twoHands: { ...together, freeVoice: 'tense' },
      regionMap: map(1),
      tape: { levels: { fourth: [{ exhaleCm: 88, inhaleCm: 90 }] } },
      stack: { flareRest: 0, flareExhale: 0, thorax: 'over', pelvis: 'neutral', lowBackOff: 'no', obliquesGrip: 'yes' },
    },
    expected: ['shallowBraced'],
  },
  {
    id: 'topDown',
    who: 'a gig builder whose lower belly balloons',
    seen: {
      rate: 13,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2),
      wallOrder: { first: 'upper', lowerBalloons: 'yes', marchLeft: ['belly'], marchRight: ['belly', 'hips'] },
    },
    expected: ['topDown'],
  },
  {
    id: 'floorHolds',
    who: 'a violin maker whose floor won’t let go',
    seen: {
      rate: 14,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2, { pelvicFloor: 0 }),
      floor: {
        softens: 'no',
        letsGo: 'no',
        bearsDown: 'no',
        glutesGrip: 'yes',
        pain: 'yes',
        urgency: 'yes',
        leaks: 'no',
      },
    },
    expected: ['floorHolds'],
  },
  {
    id: 'floorLate',
    who: 'a coastal runner who leaks downhill',
    seen: {
      rate: 13,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2),
      floor: {
        softens: 'yes',
        letsGo: 'yes',
        lifts: 'no',
        bearsDown: 'yes',
        glutesGrip: 'no',
        pain: 'no',
        urgency: 'no',
        leaks: 'yes',
        leaksWith: ['jump', 'cough'],
        leaksOften: 'weekly',
      },
    },
    expected: ['floorLate'],
  },
  {
    id: 'airHunger',
    who: 'an auctioneer who sighs and gulps',
    seen: {
      rate: 18,
      quietLook: { starts: 'ribs', route: 'mouth', sound: 'silent', seen: ['sighs', 'yawns'] },
      twoHands: together,
      regionMap: map(2),
      calmHold: { tries: [{ seconds: 8, feeling: 'calm', firstBreath: 'nose and quiet' }] },
      questionnaire: { answers: [1, 3, 0, 2, 0, 3, 3, 2, 1, 1, 3, 0, 0, 2, 2, 2] },
    },
    expected: ['airHunger'],
  },
  {
    id: 'positionDependent',
    who: 'a tailor who loses the breath on sitting up',
    seen: {
      rate: 13,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2),
      postureSearch: {
        depth: {
          lying: { between: 9 },
          sitting: { between: 5, arched: 2, slouched: 2 },
          standing: { between: 3, arched: 1 },
        },
      },
    },
    expected: ['positionDependent'],
  },
  {
    id: 'mixed',
    who: 'a sailmaker closed on the left, and stiff in a bend both ways',
    seen: {
      rate: 14,
      quietLook: quietNose,
      twoHands: together,
      regionMap: map(2, { leftSide: 0, leftBack: 0 }, { quiet: { ...all(1), leftSide: 0, leftBack: 0 } }),
      sideBend: { left: 0, right: 2 },
    },
    expected: ['oneSide', 'sidesAndBackClosed'],
    tie: true,
  },
  {
    id: 'even',
    who: 'a ferry pilot with nothing to fix',
    seen: {
      rate: 12,
      quietLook: quietNose,
      twoHands: together,
      frontOn: easyFront,
      regionMap: map(3),
      sideBend: { left: 3, right: 3 },
      stack: {
        flareRest: 0,
        flareExhale: 0,
        thorax: 'over',
        pelvis: 'neutral',
        lowBackOff: 'no',
        midBackStiff: 'no',
        obliquesGrip: 'no',
      },
      postureSearch: {
        depth: { lying: { between: 8 }, sitting: { between: 8, arched: 7, slouched: 7 }, standing: { between: 8 } },
      },
      tape: { levels: { fourth: [{ exhaleCm: 90, inhaleCm: 96 }] } },
      twoLine: { quiet: { upperDegrees: 30, lowerDegrees: 30 } },
      fingerGap: { goes: [{ exhaleCm: 4, inhaleCm: 7.5 }], shrugs: 'no' },
      exhale: { seconds: [8], sound: 'even', ribsDown: 'yes', abdominalsFelt: 'yes', nextInhale: 8 },
      wallOrder: { first: 'lower', lowerBalloons: 'no', marchLeft: [], marchRight: [] },
      floor: {
        softens: 'yes',
        letsGo: 'yes',
        lifts: 'yes',
        bearsDown: 'no',
        glutesGrip: 'no',
        pain: 'no',
        urgency: 'no',
        leaks: 'no',
      },
      pelvicRock: { nods: 'yes' },
      tenCount: { result: 'calm to ten' },
      questionnaire: { answers: Array<number>(16).fill(0) },
      marker: { readings: [8, 8] },
      calmHold: { tries: [{ seconds: 32, feeling: 'calm', firstBreath: 'nose and quiet' }] },
    },
    expected: ['even'],
  },
];

/** What was seen of a person, as the records that looks would leave. */
export function recordsOf({ rate, ...seen }: Seen): LookRecord[] {
  const taps = rate ? Array.from({ length: rate + 2 }, (_, i) => Math.round((i * 6000) / rate) / 100) : [];
  return (Object.entries(seen) as [ProtocolId, object][]).map(([protocol, raw]) => ({
    id: `look-${protocol}`,
    visitId: 'visit',
    protocol,
    version: 1,
    moment: 'before',
    takenAt: '2026-11-23T10:00:00.000Z',
    raw: rawSchemas[protocol].parse({ ...blankRaw(protocol), ...(protocol === 'quietLook' ? { taps } : {}), ...raw }),
  })) as LookRecord[];
}
