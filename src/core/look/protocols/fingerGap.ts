import * as z from 'zod/mini';
import { protocol } from '../define';
import { yesNo } from '../fields';
import { below } from '../finding';
import { excursionOf, girthGoesSchema, giveOrTake, lengthUnit, singleGoes, smallGapCm } from '../girth';
import { lengthInWords } from '../length';

export const fingerGap = protocol({
  name: 'Finger gap',
  minutes: 1,
  positions: ['sitting', 'standing', 'hook-lying'],
  setUp:
    'Hands wrapped round the lower ribs, fingers in front, thumbs behind. The gap at the end of the exhale and of the inhale.',
  means: 'Cheap and repeatable, also at home. If the shoulders shrug, slide the hands lower and take it again.',
  picture: 'fingers',
  kept: { unit: lengthUnit, goes: z._default(girthGoesSchema, []), shrugs: yesNo },
  tells: ({ goes, unit }) => {
    const gap = excursionOf(goes);
    return !gap || gap.goes === 0 ? null : `opens ${lengthInWords(gap.meanCm, unit)}${giveOrTake(gap.spreadCm, unit)}`;
  },
  findings: { gapSmall: 'the finger gap opens little' },
  reads: ({ goes, unit }) => {
    const gap = excursionOf(goes);
    if (!gap || gap.goes === 0) return {};
    const severity = below(gap.meanCm, [
      [smallGapCm / 2, 3],
      [smallGapCm, 2],
    ]);
    return { gapSmall: { severity, words: `the finger gap opens ${lengthInWords(gap.meanCm, unit)}` } };
  },
  follows: {
    gap: {
      name: 'finger gap',
      unit: 'cm',
      inInches: 'in',
      digits: 1,
      typicalError: 0.4,
      goes: ({ goes }) => singleGoes(goes),
    },
  },
});
