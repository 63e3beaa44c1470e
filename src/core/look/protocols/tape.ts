import * as z from 'zod/mini';
import { protocol } from '../define';
import { yesNo } from '../fields';
import { type FoundHere, type Severity, below, ifThere } from '../finding';
import {
  excursionOf,
  expansionBand,
  expansionProvenance,
  girthGoesSchema,
  giveOrTake,
  lengthUnit,
  singleGoes,
} from '../girth';
import { lengthInWords } from '../length';

export const tapeLevels = ['armpit', 'fourth', 'xiphoid', 'waist'] as const;
export type TapeLevel = (typeof tapeLevels)[number];

/** Names of the levels of the tape. */
const levelNames = { armpit: 'armpit', fourth: 'fourth space', xiphoid: 'xiphoid', waist: 'waist' } as const;

const findings = {
  tapeSmall: 'the girth changes little',
  waistSmaller: 'the waist is smaller at full inhale',
};

export const tape = protocol({
  name: 'Tape',
  minutes: 3,
  positions: ['standing', 'sitting'],
  setUp: 'Tape round the chest, full breath out, then full breath in. Three goes; the fourth intercostal space first.',
  means: 'How much the girth changes. It falls with age, and says nothing about where the air went.',
  components: ['deepBreath', 'forcedExhale'],
  picture: 'tape',
  kept: {
    unit: lengthUnit,
    levels: z._default(z.partialRecord(z.enum(tapeLevels), girthGoesSchema), {}),
    /** Levels at which the girth really was smaller at full inhale, as the coach confirmed. */
    paradoxical: z._default(z.array(z.enum(tapeLevels)), []),
    morningStiffness: yesNo,
  },
  tells: ({ levels, paradoxical, unit }) => {
    const level = levels.fourth ? 'fourth' : tapeLevels.find((id) => levels[id]);
    const excursion = level && excursionOf(levels[level] ?? [], paradoxical.includes(level));
    if (!level || !excursion || excursion.goes === 0) return null;
    const words = `${levelNames[level]} ${lengthInWords(excursion.meanCm, unit)}${giveOrTake(excursion.spreadCm, unit)}`;
    return level === 'fourth'
      ? { words: `${words}: ${expansionBand(excursion.meanCm)}`, provenance: expansionProvenance }
      : words;
  },
  findings,
  reads: ({ levels, paradoxical, unit }) => {
    const found: FoundHere<keyof typeof findings> = {};
    const fourth = excursionOf(levels.fourth ?? [], paradoxical.includes('fourth'));
    if (fourth && fourth.goes > 0) {
      // [R6]: 2.5 cm or less markedly small, about 5 cm or more usual; the step between is ours.
      const severity: Severity =
        fourth.meanCm <= 2.5
          ? 3
          : below(fourth.meanCm, [
              [4, 2],
              [5, 1],
            ]);
      found.tapeSmall = { severity, words: `chest girth changes by ${lengthInWords(fourth.meanCm, unit)}` };
    }
    if (levels.waist || paradoxical.length > 0) found.waistSmaller = ifThere(paradoxical.includes('waist'), 3);
    return found;
  },
  follows: {
    girth: {
      name: 'chest excursion, fourth space',
      unit: 'cm',
      inInches: 'in',
      digits: 1,
      typicalError: 0.5,
      goes: ({ levels, paradoxical }) => (paradoxical.includes('fourth') ? [] : singleGoes(levels.fourth)),
    },
  },
});
