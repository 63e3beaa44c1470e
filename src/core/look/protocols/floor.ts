import { protocol } from '../define';
import { answers, choice, ticks } from '../fields';
import { type FoundHere, type Severity, fromAnswers, ifThere } from '../finding';
import { leaksWithEffort } from '../leaks';

const softensInWords = { yes: 'softens', no: 'does not soften', 'can’t feel': 'can’t be felt' } as const;

/** What can't be felt is not known: neither fine nor a fault. */
const known = <T extends string>(answer: T) =>
  (answer === 'can’t feel' ? 'not observed' : answer) as Exclude<T, 'can’t feel'>;

const ifLeaks = { when: { key: 'leaks', is: 'yes' } };

const findings = {
  floorHolds: 'the pelvic floor does not soften on the inhale',
  cannotFeelFloor: 'the pelvic floor can’t be felt',
  floorNoLift: 'no lift felt on the exhale',
  cannotLetGo: 'the pelvic floor can’t let go fully',
  floorPain: 'pelvic-floor pain',
  urgency: 'constipation or urgency',
  bearsDown: 'bears down on effort',
  glutesGrip: 'the glutes grip',
  leaks: 'leaks with effort',
};

export const floor = protocol({
  name: 'Pelvic-floor coordination',
  minutes: 1.2,
  positions: ['hook-lying', 'propped', 'side-lying', 'sitting'],
  setUp: 'Asked, never examined here. The client feels for it, with the sit bones as feelers.',
  means: 'What the client feels and tells. A pelvic-health clinician examines; Kokyu does not.',
  takenTwice: true,
  fields: {
    softens: choice('Softens on the inhale?', answers.felt),
    letsGo: choice('Can let go fully?', answers.felt),
    lifts: choice('Lifts gently on the exhale?', answers.felt, { components: ['floorLift'] }),
    bearsDown: choice('Bears down on effort?', answers.askedYesNo),
    glutesGrip: choice('Glutes grip?', answers.askedYesNo),
    pain: choice('Pain there?', answers.askedYesNo),
    urgency: choice('Constipation or urgency?', answers.askedYesNo),
    leaks: choice('Leaks?', answers.askedYesNo),
    leaksWith: ticks(
      'With what?',
      [
        ['cough', 'cough, sneeze'],
        ['laugh', 'laugh'],
        ['jump', 'jump, run'],
        ['lift', 'lift, rise'],
        ['urge', 'on the way'],
      ],
      ifLeaks,
    ),
    leaksOften: choice(
      'How often?',
      [['less than weekly', 'Less than weekly'], ['weekly', 'Weekly'], ['daily', 'Daily'], answers.notAsked],
      ifLeaks,
    ),
    leaksHowMuch: choice(
      'How much?',
      [['drops', 'Drops'], ['a little', 'A little'], ['more', 'More'], answers.notAsked],
      ifLeaks,
    ),
  },
  tells: (raw) => {
    const words = [
      ...(raw.softens === 'not observed' ? [] : [softensInWords[raw.softens]]),
      ...(raw.leaks === 'yes' ? [leaksWithEffort(raw) ? 'leaks' : 'leaks on the way'] : []),
      ...(raw.pain === 'yes' ? ['pain'] : []),
    ];
    return words.length === 0 ? null : words.join(', ');
  },
  findings,
  reads: (raw) => {
    const felt = { ...raw, softens: known(raw.softens), lifts: known(raw.lifts), letsGo: known(raw.letsGo) };
    const found: FoundHere<keyof typeof findings> = fromAnswers(felt, [
      ['softens', 'floorHolds', 3, 'no'],
      ['lifts', 'floorNoLift', 2, 'no'],
      ['letsGo', 'cannotLetGo', 3, 'no'],
      ['pain', 'floorPain', 3],
      ['urgency', 'urgency', 2],
      ['bearsDown', 'bearsDown', 3],
      ['glutesGrip', 'glutesGrip', 2],
    ]);
    const asked = [raw.softens, raw.letsGo].filter((answer) => answer !== 'not observed');
    if (asked.length > 0) {
      const unfelt = asked.filter((answer) => answer === 'can’t feel').length;
      const beside = [raw.pain, raw.urgency, raw.glutesGrip].filter((answer) => answer === 'yes').length;
      found.cannotFeelFloor = {
        severity: unfelt === 0 ? 0 : (Math.min(3, 1 + beside) as Severity),
        words:
          unfelt > 0 && beside > 0
            ? 'the pelvic floor can’t be felt, and there is pain, urgency or gripping'
            : findings.cannotFeelFloor,
      };
    }
    if (raw.leaks !== 'not observed') {
      const urgeOnly = raw.leaks === 'yes' && leaksWithEffort(raw) === false;
      found.leaks = urgeOnly
        ? { severity: 0, words: 'leaks on the way only, not with effort' }
        : ifThere(raw.leaks === 'yes', raw.leaksOften === 'daily' || raw.leaksHowMuch === 'more' ? 3 : 2);
      if (urgeOnly) found.urgency = { severity: 2, words: 'leaks on the way: an urge, not an effort' };
    }
    return found;
  },
});
