import { type Component } from '../safety';
import { unobserved } from '../trunk';
import { type ProtocolId, type Raw } from './rawSchemas';
import { protocols } from './protocols';

interface FieldBase {
  key: string;
  question: string;
  /** Heading under which it stands; ordinary and deep breaths are kept apart by it. */
  group?: string;
  /** Gated apart from the rest of the protocol. */
  components?: readonly Component[];
  /** Asked only once another field has this value. */
  when?: { key: string; is: string };
}

/** One thing to enter: what is asked and what can be answered. The raw schema checks the same values. */
export type FormField =
  | (FieldBase & { kind: 'choice'; choices: readonly (readonly [string, string])[] })
  | (FieldBase & { kind: 'ticks'; choices: readonly (readonly [string, string])[]; none?: string })
  | (FieldBase & { kind: 'grade'; words: readonly [string, string, string, string] })
  | (FieldBase & { kind: 'scale'; low: string; high: string })
  | (FieldBase & { kind: 'seconds' });

const notSeen = ['not observed', 'Not seen'] as const;
const notAsked = ['not observed', 'Not asked'] as const;
const yesNo = [['no', 'No'], ['yes', 'Yes'], notSeen] as const;
const askedYesNo = [['no', 'No'], ['yes', 'Yes'], notAsked] as const;
const felt = [['yes', 'Yes'], ['no', 'No'], ['can’t feel', 'Can’t feel'], notAsked] as const;
const hands = [['belly', 'Belly hand'], ['together', 'Together'], ['chest', 'Chest hand'], notSeen] as const;
const flare = ['none', 'little', 'clear', 'far'] as const;
const opens = ['nothing', 'a trace', 'clear', 'wide'] as const;

const choice = (
  key: string,
  question: string,
  choices: readonly (readonly [string, string])[],
  rest: Partial<FieldBase> = {},
): FormField => ({ kind: 'choice', key, question, choices, ...rest });

const ordinary = 'Five ordinary breaths';
const deep = 'Five deep breaths';
const marchFaults = [
  ['belly', 'belly pops up'],
  ['back', 'back arches'],
  ['hips', 'hips rock'],
] as const;

/** The protocols that are entered by a list of fields; the others have a screen of their own for their main part. */
const table = {
  quietLook: [
    choice('starts', 'Where it starts', [['belly', 'Belly'], ['ribs', 'Ribs'], ['chest', 'Chest'], notSeen]),
    choice('route', 'Through', [['nose', 'Nose'], ['mouth', 'Mouth'], ['both', 'Both'], notSeen]),
    choice('sound', 'Sound', [
      ['silent', 'Silent'],
      ['audible', 'Audible'],
      ['not observed', 'Not heard for'],
    ]),
    {
      kind: 'ticks',
      key: 'seen',
      question: 'Also seen',
      choices: [
        ['sighs', 'Sighs'],
        ['yawns', 'Yawns'],
        ['pauses', 'Pauses'],
        ['shoulders', 'Shoulders rise'],
      ],
    },
  ],
  twoHands: [
    choice('leads', 'Five quiet breaths: which hand leads?', hands),
    choice('movesMore', 'Which moves more?', [['belly', 'Belly'], ['even', 'Even'], ['chest', 'Chest'], notSeen]),
    choice('bellyDrawsIn', 'Does the belly draw in on the inhale?', [
      ['no', 'No'],
      ['yes', 'Yes, it draws in'],
      notSeen,
    ]),
    choice('deepLeads', 'One or two deeper breaths: which hand leads?', hands, { components: ['deepBreath'] }),
    choice('freeVoice', 'Humming, swallowing, turning the head meanwhile', [
      ['free', 'Stay free'],
      ['tense', 'Tense or stuck'],
      ['not observed', 'Not tried'],
    ]),
  ],
  frontOn: [
    choice('shoulders', 'Shoulders rise?', yesNo, { group: ordinary }),
    choice('upperOnly', 'Only the upper chest moves?', yesNo, { group: ordinary }),
    choice('sides', 'Side ribs widen?', yesNo, { group: ordinary }),
    choice('nostrils', 'Nostrils flare?', yesNo, { group: ordinary }),
    choice('shouldersDeep', 'Shoulders rise on the deep ones?', yesNo, { group: deep }),
    choice('upperOnlyDeep', 'Only the upper chest moves on the deep ones?', yesNo, { group: deep }),
    choice('sidesDeep', 'Side ribs widen on the deep ones?', yesNo, { group: deep }),
    choice('neckCordsDeep', 'Neck cords stand out?', yesNo, { group: deep }),
    choice('yawnsDaily', 'Yawns often in daily life?', askedYesNo, { group: 'Asked' }),
  ],
  sideBend: [
    {
      kind: 'grade',
      key: 'left',
      question: 'Bending to the right, the client’s left side opens',
      words: opens,
    },
    {
      kind: 'grade',
      key: 'right',
      question: 'Bending to the left, the client’s right side opens',
      words: opens,
    },
  ],
  stack: [
    choice('infrasternal', 'Infrasternal angle', [
      ['narrow', 'Narrow'],
      ['middle', 'Middle'],
      ['wide', 'Wide'],
      notSeen,
    ]),
    { kind: 'grade', key: 'flareRest', question: 'Rib flare at rest', words: flare },
    {
      kind: 'grade',
      key: 'flareExhale',
      question: 'Rib flare after a full exhale',
      words: flare,
      components: ['deepBreath'],
    },
    choice('thorax', 'Thorax against the pelvis', [
      ['in front', 'In front'],
      ['over', 'Over'],
      ['behind', 'Behind'],
      notSeen,
    ]),
    choice('pelvis', 'Pelvis, tipped', [
      ['tipped forward', 'Forward'],
      ['neutral', 'Neutral'],
      ['tucked', 'Tucked'],
      notSeen,
    ]),
    choice('lowBackOff', 'Low back off the floor in hook-lying?', yesNo),
    choice('midBackStiff', 'Mid-back stiff?', yesNo),
    choice('obliquesGrip', 'Obliques grip at rest?', yesNo),
  ],
  exhale: [
    { kind: 'seconds', key: 'seconds', question: 'One easy full exhale' },
    choice('sound', 'Even, or dumped at once?', [
      ['even', 'Even'],
      ['dumping', 'Loud, then nothing'],
      ['not observed', 'Not heard for'],
    ]),
    choice('ribsDown', 'Do the ribs come down?', yesNo),
    choice('abdominalsFelt', 'Abdominals felt at the end?', askedYesNo),
    { kind: 'scale', key: 'nextInhale', question: 'How full does the next inhale feel?', low: 'blocked', high: 'full' },
  ],
  wallOrder: [
    choice('first', 'What draws in first on the exhale?', [
      ['lower', 'Lower'],
      ['together', 'Together'],
      ['upper', 'Upper'],
      notSeen,
    ]),
    choice('lowerBalloons', 'Does the lower belly balloon?', yesNo),
    {
      kind: 'ticks',
      key: 'marchLeft',
      question: 'March, left foot up on the exhale',
      choices: marchFaults,
      none: 'steady',
      components: ['march'],
    },
    {
      kind: 'ticks',
      key: 'marchRight',
      question: 'March, right foot up on the exhale',
      choices: marchFaults,
      none: 'steady',
      components: ['march'],
    },
  ],
  floor: [
    choice('softens', 'Softens on the inhale?', felt),
    choice('letsGo', 'Can let go fully?', felt),
    choice('lifts', 'Lifts gently on the exhale?', felt, { components: ['floorLift'] }),
    choice('bearsDown', 'Bears down on effort?', askedYesNo),
    choice('glutesGrip', 'Glutes grip?', askedYesNo),
    choice('pain', 'Pain there?', askedYesNo),
    choice('urgency', 'Constipation or urgency?', askedYesNo),
    choice('leaks', 'Leaks?', askedYesNo),
    {
      kind: 'ticks',
      key: 'leaksWith',
      question: 'With what?',
      choices: [
        ['cough', 'cough, sneeze'],
        ['laugh', 'laugh'],
        ['jump', 'jump, run'],
        ['lift', 'lift, rise'],
        ['urge', 'on the way'],
      ],
      when: { key: 'leaks', is: 'yes' },
    },
    choice(
      'leaksOften',
      'How often?',
      [['less than weekly', 'Less than weekly'], ['weekly', 'Weekly'], ['daily', 'Daily'], notAsked],
      { when: { key: 'leaks', is: 'yes' } },
    ),
    choice('leaksHowMuch', 'How much?', [['drops', 'Drops'], ['a little', 'A little'], ['more', 'More'], notAsked], {
      when: { key: 'leaks', is: 'yes' },
    }),
  ],
  pelvicRock: [
    choice('nods', 'Does the head nod?', yesNo),
    choice(
      'stuckAt',
      'Where does it stop?',
      [
        ['low back', 'Low back'],
        ['waist', 'Waist'],
        ['mid-back', 'Mid-back'],
        ['upper back', 'Upper back'],
        ['neck', 'Neck'],
        notSeen,
      ],
      { when: { key: 'nods', is: 'no' } },
    ),
    choice('freedBySoftness', 'Freed by a little faster rock and a softer back?', yesNo, {
      when: { key: 'nods', is: 'no' },
    }),
  ],
  tenCount: [
    choice('result', 'After the ten', [
      ['calm to ten', 'Calm to ten'],
      ['stopped before ten', 'Stopped before ten'],
      ['coughed', 'Coughed on the exhale'],
      ['not observed', 'Not done'],
    ]),
  ],
} as const satisfies Partial<Record<ProtocolId, readonly FormField[]>>;

export type FormProtocol = keyof typeof table;
export const formProtocols = Object.keys(table) as FormProtocol[];
export const forms: Readonly<Record<FormProtocol, readonly FormField[]>> = table;

/** Everything of a protocol that may be gated, field by field. */
export function fieldComponents(protocol: FormProtocol): Component[] {
  return forms[protocol].flatMap(({ components = [] }) => components);
}

const notObserved = 'not observed' as const;

/** What a protocol starts with: nothing observed, in its usual position. */
const blanks: { [P in ProtocolId]: Omit<Raw<P>, 'position'> } = {
  quietLook: { taps: [], starts: notObserved, route: notObserved, sound: notObserved, seen: [] },
  twoHands: {
    leads: notObserved,
    movesMore: notObserved,
    bellyDrawsIn: notObserved,
    deepLeads: notObserved,
    freeVoice: notObserved,
  },
  frontOn: {
    shoulders: notObserved,
    upperOnly: notObserved,
    sides: notObserved,
    nostrils: notObserved,
    shouldersDeep: notObserved,
    upperOnlyDeep: notObserved,
    sidesDeep: notObserved,
    neckCordsDeep: notObserved,
    yawnsDaily: notObserved,
  },
  regionMap: {
    quiet: unobserved(),
    deep: unobserved(),
    neckQuiet: null,
    neckDeep: null,
    extension: notObserved,
  },
  tape: { unit: 'cm', levels: {}, paradoxical: [], morningStiffness: notObserved },
  twoLine: {
    quiet: { upperDegrees: null, lowerDegrees: null },
    deep: { upperDegrees: null, lowerDegrees: null },
  },
  fingerGap: { unit: 'cm', goes: [], shrugs: notObserved },
  sideBend: { left: null, right: null },
  postureSearch: { depth: {} },
  stack: {
    infrasternal: notObserved,
    flareRest: null,
    flareExhale: null,
    thorax: notObserved,
    pelvis: notObserved,
    lowBackOff: notObserved,
    midBackStiff: notObserved,
    obliquesGrip: notObserved,
    photos: [],
  },
  exhale: {
    seconds: [],
    sound: notObserved,
    ribsDown: notObserved,
    abdominalsFelt: notObserved,
    nextInhale: null,
  },
  wallOrder: { first: notObserved, lowerBalloons: notObserved, marchLeft: null, marchRight: null },
  floor: {
    softens: notObserved,
    lifts: notObserved,
    bearsDown: notObserved,
    glutesGrip: notObserved,
    letsGo: notObserved,
    pain: notObserved,
    urgency: notObserved,
    leaks: notObserved,
    leaksWith: [],
    leaksOften: notObserved,
    leaksHowMuch: notObserved,
  },
  pelvicRock: { nods: notObserved, stuckAt: notObserved, freedBySoftness: notObserved },
  calmHold: { tries: [] },
  tenCount: { result: notObserved },
  questionnaire: { answers: Array<null>(16).fill(null), breathlessNow: null, breathlessEffort: null },
  marker: { measure: 'ease', readings: [] },
};

/**
 * The raw record a protocol begins with, with the values given and the rest not observed.
 *
 * @example blankRaw('sideBend', { left: 2 }) // { position: 'standing', left: 2, right: null }
 */
export function blankRaw<P extends ProtocolId>(protocol: P, values: Partial<Raw<P>> = {}): Raw<P> {
  const blank = { position: protocols[protocol].positions[0]!, ...structuredClone(blanks[protocol]) };
  return { ...blank, ...values } as unknown as Raw<P>;
}
