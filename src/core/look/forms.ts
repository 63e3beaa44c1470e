import { type Component } from '../safety';
import { type ProtocolId } from './rawSchemas';

interface FieldBase {
  key: string;
  question: string;
  /** Heading under which it stands; ordinary and deep breaths are kept apart by it. */
  group?: string;
  /** Gated apart from the rest of the protocol. */
  components?: readonly Component[];
  /** Asked only once another field has this value. */
  when?: { key: string; is: string };
  /** What it is when there is nothing to note: what "nothing else to note" fills in. */
  usual?: string | number | readonly string[];
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
    choice('shoulders', 'Shoulders rise?', yesNo, { group: ordinary, usual: 'no' }),
    choice('upperOnly', 'Only the upper chest moves?', yesNo, { group: ordinary, usual: 'no' }),
    choice('sides', 'Side ribs widen?', yesNo, { group: ordinary, usual: 'yes' }),
    choice('nostrils', 'Nostrils flare?', yesNo, { group: ordinary, usual: 'no' }),
    choice('shouldersDeep', 'Shoulders rise on the deep ones?', yesNo, { group: deep, usual: 'no' }),
    choice('upperOnlyDeep', 'Only the upper chest moves on the deep ones?', yesNo, { group: deep, usual: 'no' }),
    choice('sidesDeep', 'Side ribs widen on the deep ones?', yesNo, { group: deep, usual: 'yes' }),
    choice('neckCordsDeep', 'Neck cords stand out?', yesNo, { group: deep, usual: 'no' }),
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
    choice(
      'infrasternal',
      'Infrasternal angle',
      [['narrow', 'Narrow'], ['middle', 'Middle'], ['wide', 'Wide'], notSeen],
      { usual: 'middle' },
    ),
    { kind: 'grade', key: 'flareRest', question: 'Rib flare at rest', words: flare, usual: 0 },
    {
      kind: 'grade',
      key: 'flareExhale',
      question: 'Rib flare after a full exhale',
      words: flare,
      usual: 0,
      components: ['deepBreath'],
    },
    choice(
      'thorax',
      'Thorax against the pelvis',
      [['in front', 'In front'], ['over', 'Over'], ['behind', 'Behind'], notSeen],
      { usual: 'over' },
    ),
    choice(
      'pelvis',
      'Pelvis, tipped',
      [['tipped forward', 'Forward'], ['neutral', 'Neutral'], ['tucked', 'Tucked'], notSeen],
      { usual: 'neutral' },
    ),
    choice('lowBackOff', 'Low back off the floor in hook-lying?', yesNo, { usual: 'no' }),
    choice('midBackStiff', 'Mid-back stiff?', yesNo, { usual: 'no' }),
    choice('obliquesGrip', 'Obliques grip at rest?', yesNo, { usual: 'no' }),
  ],
  exhale: [
    { kind: 'seconds', key: 'seconds', question: 'One easy full exhale' },
    choice(
      'sound',
      'Even, or dumped at once?',
      [
        ['even', 'Even'],
        ['dumping', 'Loud, then nothing'],
        ['not observed', 'Not heard for'],
      ],
      { usual: 'even' },
    ),
    choice('ribsDown', 'Do the ribs come down?', yesNo, { usual: 'yes' }),
    choice('abdominalsFelt', 'Abdominals felt at the end?', askedYesNo),
    { kind: 'scale', key: 'nextInhale', question: 'How full does the next inhale feel?', low: 'blocked', high: 'full' },
  ],
  wallOrder: [
    choice(
      'first',
      'What draws in first on the exhale?',
      [['lower', 'Lower'], ['together', 'Together'], ['upper', 'Upper'], notSeen],
      { usual: 'lower' },
    ),
    choice('lowerBalloons', 'Does the lower belly balloon?', yesNo, { usual: 'no' }),
    {
      kind: 'ticks',
      key: 'marchLeft',
      question: 'March, left foot up on the exhale',
      choices: marchFaults,
      none: 'steady',
      usual: [],
      components: ['march'],
    },
    {
      kind: 'ticks',
      key: 'marchRight',
      question: 'March, right foot up on the exhale',
      choices: marchFaults,
      none: 'steady',
      usual: [],
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

const isOpen = (value: unknown) => value === null || value === 'not observed';

/** What of a protocol is looked at in one go: a group of it, or what is gated alike. */
const partOf = ({ group, components = [] }: FormField) => group ?? components.join(' ');

/**
 * The parts of a form in which "nothing else to note" has anything to fill in, each with the record it would leave. A part of which
 * nothing was entered was perhaps never looked at: it is named, so that whoever presses says which part it is about. What is asked of
 * the client is never filled in.
 *
 * @param open says whether a field may be answered today
 * @returns a part whose fields are fewer than two to fill is left out: one is quicker by hand
 * @example nothingElse('pelvicRock', blankRaw('pelvicRock'), () => true) // []
 */
export function nothingElse(
  protocol: FormProtocol,
  raw: Readonly<Record<string, unknown>>,
  open: (field: FormField) => boolean,
): { part: string; group: string | null; raw: Record<string, unknown> }[] {
  const fields = forms[protocol];
  return [...new Set(fields.map(partOf))].flatMap((part) => {
    const filled = fields.filter(
      (field) =>
        partOf(field) === part &&
        field.usual !== undefined &&
        isOpen(raw[field.key]) &&
        (!field.when || raw[field.when.key] === field.when.is) &&
        open(field),
    );
    if (filled.length < 2) return [];
    const values = Object.fromEntries(filled.map(({ key, usual }) => [key, usual]));
    return [{ part, group: filled[0]!.group ?? null, raw: { ...raw, ...values } }];
  });
}
