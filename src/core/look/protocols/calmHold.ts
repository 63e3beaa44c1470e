import * as z from 'zod/mini';
import {
  calmHold as calmHoldOf,
  firstBreaths,
  holdBandProvenance,
  holdCounts,
  holdFeelings,
  mostHoldTries,
} from '../calmHold';
import { protocol } from '../define';
import { below, ifThere } from '../finding';
import { anywhere } from '../positions';

export const calmHold = protocol({
  name: 'Calm exhale hold',
  minutes: 3,
  positions: [...anywhere, 'walking'],
  setUp:
    'A normal, not deep, breath out; pinch the nose; start. Stop at the first clear wish to breathe, before any strain.',
  means: 'How soon the wish to breathe comes. It does not read the blood’s carbon dioxide, and longer is not better.',
  components: ['hold', 'longHold'],
  kept: {
    tries: z
      .array(
        z.object({
          seconds: z.number().check(z.minimum(0), z.maximum(300)),
          feeling: z.enum(holdFeelings),
          firstBreath: z.enum(firstBreaths),
          /** Steps taken, when it was done walking. */
          steps: z.optional(z.number().check(z.int(), z.minimum(0), z.maximum(600))),
          /** When it was over, so that the rest after it outlives a reload. */
          endedAt: z.optional(z.iso.datetime()),
        }),
      )
      .check(z.maxLength(mostHoldTries)),
  },
  blank: { tries: [] },
  tells: ({ tries }) => {
    if (tries.length === 0) return null;
    const { seconds, steps, band } = calmHoldOf(tries);
    const walked = steps === null ? '' : `${Math.round(steps)} steps, `;
    const words = seconds === null ? 'no calm try' : `${walked}${Math.round(seconds)} s, ${band!.words}`;
    return { words, provenance: holdBandProvenance };
  },
  findings: {
    holdShort: 'the calm exhale hold is short',
    gaspAfterHold: 'a gasp or strain ends the hold',
  },
  reads: ({ tries, position }) => {
    if (tries.length === 0) return {};
    // Walking uses air: a walked hold is shorter for everybody and is followed in steps, not read as short.
    const seconds = position === 'walking' ? null : calmHoldOf(tries).seconds;
    const gaspAfterHold = ifThere(tries.some((hold) => !holdCounts(hold)));
    if (seconds === null) return { gaspAfterHold };
    const severity = below(seconds, [
      [10, 3],
      [15, 2],
      [20, 1],
    ]);
    return { gaspAfterHold, holdShort: { severity, words: `calm exhale hold ${Math.round(seconds)} s` } };
  },
  follows: {
    hold: {
      name: 'calm exhale hold',
      unit: 's',
      digits: 0,
      typicalError: 2.5,
      goes: ({ tries }) => tries.filter(holdCounts).map(({ seconds }) => seconds),
      // The middle of the calm tries, not their mean.
      value: ({ tries }) => (tries.length === 0 ? null : calmHoldOf(tries).seconds),
    },
  },
});
