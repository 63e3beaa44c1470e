import { protocol } from '../define';
import { answers, choice } from '../fields';

const ifNot = { when: { key: 'nods', is: 'no' } };

export const pelvicRock = protocol({
  name: 'Pelvic rock',
  minutes: 0.7,
  positions: ['hook-lying'],
  picture: 'rock',
  setUp: 'Rock the pelvis gently with the feet. Does the head nod?',
  means: 'Whether movement passes through the spine. A little faster and a softer back often frees it.',
  takenTwice: true,
  fields: {
    nods: choice('Does the head nod?', answers.yesNo),
    stuckAt: choice(
      'Where does it stop?',
      [
        ['low back', 'Low back'],
        ['waist', 'Waist'],
        ['mid-back', 'Mid-back'],
        ['upper back', 'Upper back'],
        ['neck', 'Neck'],
        answers.notSeen,
      ],
      ifNot,
    ),
    freedBySoftness: choice('Freed by a little faster rock and a softer back?', answers.yesNo, ifNot),
  },
  tells: ({ nods, stuckAt }) =>
    nods === 'not observed'
      ? null
      : nods === 'yes'
        ? 'the head nods'
        : `no nod${stuckAt === 'not observed' ? '' : `, stuck at the ${stuckAt}`}`,
  findings: { noNod: 'the pelvic rock does not reach the head' },
  reads: ({ nods, stuckAt }) => {
    if (nods === 'not observed') return {};
    const stops = nods === 'no' && stuckAt !== 'not observed';
    const words = stops ? `the pelvic rock stops at the ${stuckAt}` : 'the pelvic rock does not reach the head';
    return { noNod: { severity: nods === 'yes' ? 0 : 2, words } };
  },
});
