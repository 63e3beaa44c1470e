import * as z from 'zod/mini';
import { protocol } from '../define';
import { above } from '../finding';
import { twoLine as twoLineOf, twoLineProvenance } from '../twoLine';

/** Angles of the two lines from the horizontal: the upper one upward, the lower one downward. */
const lines = z.object({
  upperDegrees: z._default(z.nullable(z.number().check(z.minimum(0), z.maximum(90))), null),
  lowerDegrees: z._default(z.nullable(z.number().check(z.minimum(0), z.maximum(90))), null),
});
const notDrawn = { upperDegrees: null, lowerDegrees: null };

type Lines = z.infer<typeof lines>;

/** What two lines give, or null while one is missing or both lie on the horizontal. */
const drawn = ({ upperDegrees: upper, lowerDegrees: lower }: Lines) =>
  upper === null || lower === null || upper + lower === 0 ? null : twoLineOf(upper, lower);

export const twoLine = protocol({
  name: 'Two-line hand estimate',
  minutes: 1,
  positions: ['sitting'],
  picture: 'lines',
  setUp:
    'Sit behind, hands on the lower ribs and waist, thumbs to the spine. Draw what the upper and the lower ribs do.',
  means: 'How the motion is shared between upper and lower ribs, as the hands felt it.',
  components: ['coachTouch'],
  kept: { quiet: z._default(lines, notDrawn), deep: z._default(lines, notDrawn) },
  contains: ({ deep }) => (deep.upperDegrees === null ? [] : ['deepBreath']),
  tells: ({ quiet, deep }) => {
    const given = drawn(quiet) ?? drawn(deep);
    return (
      given && {
        words: `upper ribs ${given.percentRibCage.toFixed(0)} %, balance ${given.balanceDegrees.toFixed(0)}°`,
        provenance: twoLineProvenance,
      }
    );
  },
  findings: { ribCageLead: 'the upper ribs move more than the lower' },
  reads: ({ quiet }) => {
    const given = drawn(quiet);
    if (!given) return {};
    const severity = above(given.percentRibCage, [
      [80, 3],
      [70, 2],
      [60, 1],
    ]);
    return { ribCageLead: { severity, words: `upper ribs do ${given.percentRibCage.toFixed(0)} % of the motion` } };
  },
});
