import { type ComplaintPlace, type ConditionId, type SymptomId } from '@/core/safety';
import { type Grades, unobserved } from '@/core/trunk';
import { type Lift } from '@/core/load';
import { type ProtocolId, type Raw } from '@/core/look';
import { type IntentId } from '@/core/read';

type Quiet = Omit<Raw<'quietLook'>, 'taps'> & { rate: number; spread: number };

/** What was seen at one visit, in the order of the looks. */
export interface DemoVisit {
  daysAgo: number;
  quiet: Quiet;
  hands: Raw<'twoHands'>;
  map: { quiet: Partial<Grades>; deep: Partial<Grades>; neckQuiet: number; neckDeep: number };
  /** Map after the drills, deep breaths; left out when it was not rechecked. */
  mapAfter?: Partial<Grades>;
  /** Further looks, as far as they were taken. */
  more?: { [P in ProtocolId]?: Partial<Raw<P>> };
  holds?: Raw<'calmHold'>['tries'];
  ease: { before: [number, number]; after: [number, number] };
  intent: IntentId;
  side?: 'left' | 'right';
  patterns: string[];
  /** How much of the complaint there was, 0 to 10; leaks and symptoms where they were asked. */
  told: { level: number; leaks?: number; signs?: readonly SymptomId[] };
  /** Rungs of the way from the mat into life that were coached after the plan, by their drills. */
  carried?: readonly string[];
  /** Sets under a load that were logged. */
  lifted?: readonly Pick<Lift, 'movementId' | 'kg' | 'repetitions' | 'effort' | 'breath'>[];
  /** A drill that was stopped, by its place in the plan. */
  stoppedAt?: number;
}

export interface DemoPerson {
  name: string;
  birthDay: string;
  complaint: string;
  places: readonly ComplaintPlace[];
  goal: string;
  touch: 'yes' | 'own hands' | 'no';
  clinician?: string;
  yes: Partial<Record<ConditionId, { weekOnDay?: number; note?: string; side?: 'left' | 'right' }>>;
  /** Left unasked, so that the safety line has something to ask. */
  unasked?: ConditionId[];
  visits: DemoVisit[];
  /** Booked today, hours and minutes in the studio's zone. */
  today?: { hour: number; minute: number; minutes: number; note: string };
}

const quiet = (rate: number, spread: number, rest: Partial<Quiet> = {}): Quiet => ({
  position: 'hook-lying',
  rate,
  spread,
  starts: 'belly',
  route: 'nose',
  sound: 'silent',
  seen: [],
  ...rest,
});

const hands = (rest: Partial<Raw<'twoHands'>>): Raw<'twoHands'> => ({
  position: 'hook-lying',
  leads: 'belly',
  movesMore: 'belly',
  bellyDrawsIn: 'no',
  deepLeads: 'together',
  freeVoice: 'not observed',
  ...rest,
});

const even = (grade: number): Partial<Grades> =>
  Object.fromEntries(Object.keys(unobserved()).map((region) => [region, grade]));

const calm = (...seconds: number[]): Raw<'calmHold'>['tries'] =>
  seconds.map((value) => ({ seconds: value, feeling: 'calm', firstBreath: 'nose and quiet' }));

/** Everybody here is invented, and so is the town. */
export const people: readonly DemoPerson[] = [
  {
    name: 'Ilse Marrow',
    birthDay: '1993-04-18',
    complaint: 'Mid-back ache at the ferry wheel by four o’clock, and less room for the breath every week.',
    places: ['mid-back'],
    goal: 'Get through a shift without holding the rail.',
    touch: 'own hands',
    clinician: 'Midwife, Saltmarsh Quay surgery',
    yes: { pregnancy: { weekOnDay: 29 }, reflux: {} },
    visits: [
      {
        daysAgo: 21,
        told: { level: 6, leaks: 0, signs: ['breathless'] },
        quiet: quiet(17.2, 0.5, { position: 'side-lying' }),
        hands: hands({ position: 'sitting', deepLeads: 'chest' }),
        map: {
          quiet: { ...even(1), belly: 2, leftBack: 0, rightBack: 0 },
          deep: { ...even(1), belly: 2, leftBack: 0, rightBack: 0, chestFront: 2 },
          neckQuiet: 0,
          neckDeep: 1,
        },
        mapAfter: { ...even(1), belly: 2, leftSide: 2, rightSide: 2, chestFront: 2 },
        ease: { before: [4, 4.5], after: [5.5, 6] },
        intent: 'openSidesAndBack',
        patterns: ['sidesAndBackClosed'],
      },
      {
        daysAgo: 7,
        told: { level: 5, leaks: 0, signs: [] },
        quiet: quiet(16.4, 0.4, { position: 'side-lying' }),
        hands: hands({ position: 'sitting' }),
        map: {
          quiet: { ...even(1), belly: 2, leftBack: 0, rightBack: 0 },
          deep: { ...even(1), belly: 2, chestFront: 2 },
          neckQuiet: 0,
          neckDeep: 1,
        },
        mapAfter: { ...even(2), belly: 3, leftBack: 2, rightBack: 2, chestBack: 1, lowBack: 1 },
        ease: { before: [5, 5], after: [6.5, 6.5] },
        intent: 'openSidesAndBack',
        patterns: ['sidesAndBackClosed'],
      },
    ],
    today: { hour: 9, minute: 0, minutes: 45, note: 'asked for the towel again' },
  },
  {
    name: 'Bram Okkerly',
    birthDay: '1979-11-02',
    complaint: 'Neck and shoulders tight from the deck; sighs all day and can’t get a full breath.',
    places: ['neck', 'shoulder blade'],
    goal: 'Breathe without the shoulders.',
    touch: 'yes',
    yes: { neck: {} },
    visits: [
      {
        daysAgo: 35,
        carried: ['carry-sitting'],
        told: { level: 6, signs: ['headache'] },
        quiet: quiet(21.4, 0.9, { starts: 'chest', route: 'mouth', sound: 'audible', seen: ['sighs', 'shoulders'] }),
        hands: hands({ leads: 'chest', movesMore: 'chest', deepLeads: 'chest' }),
        map: {
          quiet: { ...even(1), chestFront: 3, belly: 0 },
          deep: { ...even(1), chestFront: 3, belly: 1 },
          neckQuiet: 2,
          neckDeep: 3,
        },
        mapAfter: { ...even(1), chestFront: 3, belly: 2 },
        more: {
          frontOn: {
            shoulders: 'yes',
            upperOnly: 'yes',
            shouldersDeep: 'yes',
            neckCordsDeep: 'yes',
            yawnsDaily: 'yes',
          },
          questionnaire: { answers: [1, 3, 0, 1, 0, 2, 2, 2, 1, 1, 3, 0, 0, 2, 1, 2] },
        },
        holds: [
          { seconds: 9, feeling: 'at the edge', firstBreath: 'mouth' },
          { seconds: 8.5, feeling: 'calm', firstBreath: 'nose and big' },
        ],
        ease: { before: [3, 3.5], after: [5, 5] },
        intent: 'lowerBreath',
        patterns: ['upperChest'],
      },
      {
        daysAgo: 21,
        carried: ['carry-standing', 'carry-walking'],
        lifted: [{ movementId: 'haul-line', kg: 12, repetitions: 20, effort: 4, breath: 'went along' }],
        told: { level: 5, signs: [] },
        quiet: quiet(18.9, 0.8, { starts: 'chest', route: 'both', seen: ['sighs'] }),
        hands: hands({ leads: 'chest', movesMore: 'even', deepLeads: 'chest' }),
        map: {
          quiet: { ...even(1), chestFront: 2, belly: 1 },
          deep: { ...even(1), chestFront: 3, belly: 2 },
          neckQuiet: 1,
          neckDeep: 2,
        },
        mapAfter: { ...even(2), chestFront: 2, belly: 2, chestBack: 1 },
        holds: calm(11, 12.5),
        ease: { before: [4.5, 4], after: [6, 5.5] },
        intent: 'lowerBreath',
        patterns: ['upperChest', 'airHunger'],
      },
      {
        daysAgo: 7,
        carried: ['chair-rise'],
        lifted: [
          { movementId: 'haul-line', kg: 18, repetitions: 20, effort: 5, breath: 'went along' },
          { movementId: 'haul-line', kg: 26, repetitions: 12, effort: 8, breath: 'held' },
        ],
        told: { level: 4, signs: [] },
        quiet: quiet(16.1, 0.6, { starts: 'belly', route: 'both', seen: ['sighs', 'yawns'] }),
        hands: hands({ deepLeads: 'chest' }),
        map: {
          quiet: { ...even(1), belly: 2, chestFront: 2 },
          deep: { ...even(2), belly: 2, chestFront: 3, chestBack: 1 },
          neckQuiet: 0,
          neckDeep: 1,
        },
        mapAfter: { ...even(2), belly: 3, chestFront: 2 },
        holds: calm(13, 14.5, 14),
        ease: { before: [5.5, 5.5], after: [7, 7] },
        intent: 'lowerBreath',
        patterns: ['airHunger'],
      },
    ],
    today: { hour: 10, minute: 0, minutes: 40, note: '' },
  },
  {
    name: 'Tamsin Fenwreath',
    birthDay: '2001-06-30',
    complaint: 'Left side of the ribs feels stuck since the autumn regatta; always rows on the same side.',
    places: ['ribs'],
    goal: 'The same breath on both sides of the boat.',
    touch: 'yes',
    yes: {},
    visits: [
      {
        daysAgo: 14,
        told: { level: 6, signs: ['pain'] },
        quiet: quiet(12.8, 0.4, { starts: 'ribs' }),
        hands: hands({ leads: 'together', movesMore: 'even' }),
        map: {
          quiet: { ...even(2), leftSide: 1, leftBack: 1 },
          deep: { ...even(3), leftSide: 1, leftBack: 1, lowBack: 2 },
          neckQuiet: 0,
          neckDeep: 0,
        },
        mapAfter: { ...even(3), leftSide: 2, leftBack: 1, lowBack: 2 },
        more: {
          sideBend: { left: 1, right: 3 },
          tape: {
            levels: {
              fourth: [
                { exhaleCm: 84, inhaleCm: 89.5 },
                { exhaleCm: 84, inhaleCm: 89 },
              ],
            },
          },
        },
        holds: calm(31, 33),
        ease: { before: [6, 6], after: [7, 7.5] },
        intent: 'openOneSide',
        side: 'left',
        patterns: ['oneSide'],
      },
      {
        daysAgo: 6,
        told: { level: 4, signs: [] },
        quiet: quiet(12.4, 0.3, { starts: 'ribs' }),
        hands: hands({ leads: 'together', movesMore: 'even' }),
        map: {
          quiet: { ...even(2), leftSide: 1, leftBack: 1 },
          deep: { ...even(3), leftSide: 2, leftBack: 2, lowBack: 2 },
          neckQuiet: 0,
          neckDeep: 0,
        },
        mapAfter: { ...even(3), leftBack: 3, lowBack: 2 },
        more: {
          sideBend: { left: 1, right: 3 },
          tape: {
            levels: {
              fourth: [
                { exhaleCm: 84, inhaleCm: 90 },
                { exhaleCm: 83.5, inhaleCm: 89.5 },
              ],
            },
          },
        },
        holds: calm(34, 33, 35),
        ease: { before: [6.5, 7], after: [8, 8] },
        intent: 'openOneSide',
        side: 'left',
        patterns: ['oneSide'],
      },
    ],
    today: { hour: 11, minute: 15, minutes: 40, note: 'bring the half-dome' },
  },
  {
    name: 'Odile Pennyroyal',
    birthDay: '1966-02-09',
    complaint: 'Runs out of air before the end of a phrase in the choir; back sore after rehearsals.',
    places: ['low back'],
    goal: 'Sing a line of the alto part in one breath.',
    touch: 'own hands',
    clinician: 'Dr Aldous Reedham, Saltmarsh Quay surgery',
    yes: { heart: { note: 'blood pressure, on tablets, stable' }, osteoporosis: {} },
    visits: [
      {
        daysAgo: 28,
        told: { level: 5, leaks: 2, signs: [] },
        quiet: quiet(15.2, 0.5),
        hands: hands({}),
        map: {
          quiet: { ...even(1), belly: 3, leftSide: 0, rightSide: 0, leftBack: 0, rightBack: 0 },
          deep: { ...even(1), belly: 3, leftSide: 1, rightSide: 1, leftBack: 0, rightBack: 0 },
          neckQuiet: 0,
          neckDeep: 1,
        },
        mapAfter: { ...even(1), belly: 3, leftSide: 2, rightSide: 1 },
        ease: { before: [5, 5], after: [5.5, 5.5] },
        intent: 'stackAndSpread',
        patterns: ['bellyOnly'],
      },
      {
        daysAgo: 13,
        told: { level: 4, leaks: 0, signs: [] },
        quiet: quiet(14.6, 0.4),
        hands: hands({}),
        map: {
          quiet: { ...even(1), belly: 3 },
          deep: { ...even(1), belly: 3, leftSide: 1, rightSide: 1 },
          neckQuiet: 0,
          neckDeep: 0,
        },
        mapAfter: { ...even(1), belly: 2, leftSide: 2, rightSide: 2 },
        more: {
          stack: { flareRest: 2, flareExhale: 1, pelvis: 'tipped forward', lowBackOff: 'yes' },
          exhale: { seconds: [7.5, 8.1], sound: 'even', ribsDown: 'yes', nextInhale: 6 },
        },
        ease: { before: [5.5, 5], after: [6.5, 6.5] },
        intent: 'stackAndSpread',
        patterns: ['bellyOnly'],
        stoppedAt: 2,
      },
    ],
    today: { hour: 14, minute: 0, minutes: 45, note: 'concert on Saturday' },
  },
  {
    name: 'Joss Calder',
    birthDay: '1988-08-21',
    complaint: 'Hunched over the wheel in the pottery; chest feels flat, sharp spot behind one shoulder blade.',
    places: ['shoulder blade', 'mid-back'],
    goal: 'Throw for an afternoon and not pay for it.',
    touch: 'yes',
    yes: { wrist: { side: 'right' }, latex: {} },
    unasked: ['reflux', 'hernia', 'eyeHead'],
    visits: [
      {
        daysAgo: 10,
        told: { level: 7, signs: ['pain'] },
        quiet: quiet(13.9, 0.5, { starts: 'ribs' }),
        hands: hands({ leads: 'together', movesMore: 'belly' }),
        map: {
          quiet: { ...even(2), chestFront: 0, chestBack: 0 },
          deep: { ...even(2), chestFront: 1, chestBack: 0, leftSide: 3, rightSide: 3 },
          neckQuiet: 1,
          neckDeep: 1,
        },
        mapAfter: { ...even(2), chestFront: 2, chestBack: 1, leftSide: 3, rightSide: 3 },
        ease: { before: [5, 5.5], after: [6, 6] },
        intent: 'openPump',
        patterns: ['pumpClosed'],
      },
      {
        daysAgo: 3,
        told: { level: 6, signs: ['pain'] },
        quiet: quiet(13.5, 0.4, { starts: 'ribs' }),
        hands: hands({ leads: 'together', movesMore: 'even' }),
        map: {
          quiet: { ...even(2), chestFront: 0, chestBack: 0 },
          deep: { ...even(2), chestFront: 1, chestBack: 1, leftSide: 3, rightSide: 3 },
          neckQuiet: 0,
          neckDeep: 1,
        },
        mapAfter: { ...even(2), chestFront: 2, chestBack: 2, leftSide: 3, rightSide: 3 },
        more: { pelvicRock: { nods: 'no', stuckAt: 'mid-back', freedBySoftness: 'yes' } },
        ease: { before: [6, 6], after: [7, 6.5] },
        intent: 'openPump',
        patterns: ['pumpClosed'],
      },
    ],
    today: { hour: 15, minute: 30, minutes: 30, note: '' },
  },
  {
    name: 'Wilf Harbottle',
    birthDay: '1957-12-12',
    complaint: 'Short of breath on the sea wall; was told to “breathe into the belly” and it made it worse.',
    places: ['ribs', 'belly'],
    goal: 'Walk to the lighthouse and back.',
    touch: 'no',
    clinician: 'Respiratory nurse, Saltmarsh Quay surgery',
    yes: { lung: { note: 'COPD; inhaler in the coat pocket' } },
    visits: [
      {
        daysAgo: 40,
        told: { level: 5, signs: ['breathless'] },
        quiet: quiet(20.6, 1.1, { position: 'sitting', route: 'mouth', sound: 'audible', seen: ['pauses'] }),
        hands: hands({ position: 'sitting', leads: 'chest', movesMore: 'chest', deepLeads: 'chest' }),
        map: {
          quiet: { ...even(1), chestFront: 1, belly: 0 },
          deep: { ...even(1), chestFront: 1, belly: 1 },
          neckQuiet: 2,
          neckDeep: 2,
        },
        ease: { before: [3, 3], after: [4, 4] },
        intent: 'letGo',
        patterns: ['shallowBraced'],
      },
      {
        daysAgo: 26,
        told: { level: 5, signs: ['breathless', 'dizzy'] },
        quiet: quiet(19.1, 0.9, { position: 'sitting', route: 'both', sound: 'audible' }),
        hands: hands({ position: 'sitting', leads: 'chest', movesMore: 'even', deepLeads: 'chest' }),
        map: {
          quiet: { ...even(1), chestFront: 2, belly: 0 },
          deep: { ...even(1), belly: 1, chestFront: 2, leftSide: 2, rightSide: 2 },
          neckQuiet: 1,
          neckDeep: 3,
        },
        mapAfter: { ...even(1), belly: 2, leftSide: 2, rightSide: 2 },
        ease: { before: [3.5, 4], after: [4.5, 5] },
        intent: 'letGo',
        patterns: ['upperChest'],
      },
    ],
  },
];
