import { protocol } from '../define';
import { graded } from '../fields';
import { type Severity, below } from '../finding';

const opens = ['nothing', 'a trace', 'clear', 'wide'] as const;

export const sideBend = protocol({
  name: 'Side-bend test',
  minutes: 0.6,
  positions: ['standing', 'sitting', 'long kneel'],
  setUp: 'Bend away, hand on the open side, inhale. The open side should widen. Then the other way.',
  means: 'Whether a side opens once it has the way of least resistance. Not the length of the bend.',
  takenTwice: true,
  components: ['sideBend'],
  picture: 'sideBend',
  fields: {
    left: graded('Bending to the right, the client’s left side opens', opens),
    right: graded('Bending to the left, the client’s right side opens', opens),
  },
  tells: ({ left, right }) => (left === null && right === null ? null : `left ${left ?? '–'}, right ${right ?? '–'}`),
  findings: {
    bendPoor: 'neither side opens in a side bend',
    bendDiffers: 'one side opens less in a side bend',
    /** Read beside the region map. */
    bendDisagrees: 'the side bend does not agree with the map',
  },
  reads: ({ left, right }) => {
    if (left === null || right === null) return {};
    const step = Math.abs(left - right);
    const side = left < right ? 'left' : 'right';
    return {
      bendPoor: {
        severity: below(left + right, [
          [2.1, 3],
          [3.1, 2],
          [4.1, 1],
        ]),
      },
      bendDiffers:
        step === 0
          ? { severity: 0, words: 'both sides open alike in a side bend' }
          : { severity: Math.min(3, step) as Severity, side, words: `the ${side} side opens less in a side bend` },
    };
  },
});
