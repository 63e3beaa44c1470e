import { easyExhaleOf } from '../easyExhale';
import { protocol } from '../define';
import { answers, choice, scale, timed } from '../fields';
import { type FoundHere, below, fromAnswers } from '../finding';
import { anywhere } from '../positions';

const findings = {
  exhaleShort: 'the easy exhale is short',
  exhaleDumps: 'the air is dumped at once',
  ribsStayUp: 'the ribs do not come down on the exhale',
  absNotFelt: 'no abdominals felt at the end of the exhale',
  nextInhaleTight: 'the next inhale does not feel full',
};

export const exhale = protocol({
  name: 'Exhale quality',
  minutes: 1,
  positions: anywhere,
  setUp: 'One easy, full exhale. Start and stop with a tap. Then ask how full the next inhale feels.',
  means: 'How the air goes out and what comes back. Longer is not better by itself.',
  takenTwice: true,
  components: ['deepBreath'],
  fields: {
    seconds: timed('One easy full exhale'),
    sound: choice(
      'Even, or dumped at once?',
      [
        ['even', 'Even'],
        ['dumping', 'Loud, then nothing'],
        ['not observed', 'Not heard for'],
      ],
      { usual: 'even' },
    ),
    ribsDown: choice('Do the ribs come down?', answers.yesNo, { usual: 'yes' }),
    abdominalsFelt: choice('Abdominals felt at the end?', answers.askedYesNo),
    nextInhale: scale('How full does the next inhale feel?', 'blocked', 'full'),
  },
  tells: ({ seconds, sound, ribsDown }) => {
    const length = easyExhaleOf(seconds);
    const words = [
      ...(length === null ? [] : [`${length.toFixed(1)} s`]),
      ...(sound === 'not observed' ? [] : [sound]),
      ...(ribsDown === 'no' ? ['ribs stay up'] : []),
    ];
    return words.length === 0 ? null : words.join(', ');
  },
  findings,
  reads: (raw) => {
    const found: FoundHere<keyof typeof findings> = fromAnswers(raw, [
      ['sound', 'exhaleDumps', 2, 'dumping'],
      ['ribsDown', 'ribsStayUp', 3, 'no'],
      ['abdominalsFelt', 'absNotFelt', 2, 'no'],
    ]);
    if (raw.seconds.length > 0) {
      // Short is who never had a longer one.
      const longest = Math.max(...raw.seconds);
      found.exhaleShort = {
        severity: below(longest, [
          [3, 3],
          [5, 2],
        ]),
        words: `${raw.seconds.length > 1 ? 'longest ' : ''}easy exhale of ${longest.toFixed(1)} s`,
      };
    }
    if (raw.nextInhale !== null) {
      found.nextInhaleTight = {
        severity: below(raw.nextInhale, [
          [3, 3],
          [5.5, 2],
        ]),
      };
    }
    return found;
  },
  follows: {
    exhale: {
      name: 'easy full exhale',
      unit: 's',
      digits: 1,
      typicalError: 1,
      goes: ({ seconds }) => seconds,
      value: ({ seconds }) => easyExhaleOf(seconds),
    },
  },
});
