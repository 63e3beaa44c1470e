import { planItem } from '../fixtures';
import { certItems } from '../formats';
import { gatesOfPerson, testDay } from '../fixtures/people';
import { knownClient } from '../safety';
import { type LetterFrom, notOursIn, progressLetter } from './letter';

const from = (part: Partial<LetterFrom> = {}): LetterFrom => ({
  studio: 'Saltmarsh Movement Rooms',
  name: 'Tamsin Fenwreath',
  known: knownClient([
    { id: 'a', key: 'complaint', value: 'Left side feels stuck', at: `${testDay}T10:00:00.000Z`, day: testDay },
    { id: 'b', key: 'clinician', value: 'Dr Orla Quay', at: `${testDay}T10:00:00.000Z`, day: testDay },
  ]),
  gates: gatesOfPerson({ pregnancy: { weekOnDay: 24 } }),
  days: ['2026-11-01', '2026-11-15'],
  today: testDay,
  told: [],
  over: [
    {
      measure: 'ease',
      points: [
        ['2026-11-01', 5, 'sitting', null],
        ['2026-11-15', 8, 'sitting', null],
      ],
      change: null,
    },
  ],
  plan: {
    request: { intent: 'openOneSide', side: 'left', minutes: 20, propsAtHand: [], leadSchool: 'openAllRegions' },
    proven: true,
    items: [planItem({ drillId: 'side-bend-open', position: 'sitting', side: 'left' })],
    refusals: [],
  },
  atHome: ['From 1 November: everything on 9 of 14 days.'],
  stopped: [],
  lengths: 'cm',
  ...part,
});

test('it says what they came for, what is minded, what was measured and done, and whose word comes first', () => {
  const letter = progressLetter(from());
  for (const words of [
    'To Dr Orla Quay',
    'Came for: Left side feels stuck',
    '2 times, from 1 November',
    'Minded: ',
    'Side bend',
    '9 of 14 days',
  ])
    expect(letter).toContain(words);
  expect(letter).toMatch(/no diagnosis; your word comes first/);
});

test('it answers the items of the template [R14], but for the steps of each exercise', () => {
  const letter = progressLetter(from()).toLowerCase();
  const told = certItems.filter((item) => letter.includes(`- ${item}:`));
  expect(told).toHaveLength(certItems.length - 1);
});

test('a client with nothing yet gets a letter all the same', () => {
  const letter = progressLetter(from({ known: knownClient([]), days: [], over: [], plan: null, atHome: [] }));
  expect(letter).toContain('To the clinician in charge');
  expect(letter).not.toMatch(/undefined|null|NaN/);
});

test('what we write ourselves uses no word that is not ours; what a coach adds is told', () => {
  expect(notOursIn(progressLetter(from()))).toEqual([]);
  expect(notOursIn('The patient was treated for a breathing disorder and will heal.')).toEqual([
    '“heal”: say what changed.',
    '“treated”: say what was practised.',
    '“patient”: say the client’s name.',
    '“disorder”: say what was seen.',
  ]);
  expect(notOursIn('It is no diagnosis.')).toEqual([]);
  expect(notOursIn('My diagnosis')).toHaveLength(1);
});
