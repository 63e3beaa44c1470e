import { protocol } from '../define';
import { answers, choice, ticksOnceDone } from '../fields';
import { type FoundHere, ifThere } from '../finding';

const marchFaults = [
  ['belly', 'belly pops up'],
  ['back', 'back arches'],
  ['hips', 'hips rock'],
] as const;
const march = (side: 'left' | 'right') =>
  ticksOnceDone(`March, ${side} foot up on the exhale`, marchFaults, 'steady', { usual: [], components: ['march'] });

type Marched = readonly string[] | null;

/** How the march went, of the sides that were tried. */
function marchInWords(left: Marched, right: Marched): string[] {
  if (left === null && right === null) return [];
  if ([...(left ?? []), ...(right ?? [])].length > 0) return ['march unsteady'];
  return [left && right ? 'march steady' : `march steady on the ${left ? 'left' : 'right'}`];
}

const findings = {
  upperAbsFirst: 'the upper abdominals come first',
  lowerBalloons: 'the lower belly balloons on the exhale',
  marchPops: 'the belly pops up on the march',
  marchArches: 'back or hips give way on the march',
  separation: 'abdominal separation',
};

export const wallOrder = protocol({
  name: 'Order of the abdominal wall',
  minutes: 1.2,
  positions: ['hook-lying', 'propped', 'side-lying', 'sitting'],
  setUp:
    'Hands above the pubic bone: what draws in first on the exhale? Then one foot up a hand’s width, 8 to 10 cm, on an exhale, left and right.',
  means: 'In which order the wall works at little load. Not strength.',
  takenTwice: true,
  picture: 'march',
  fields: {
    first: choice(
      'What draws in first on the exhale?',
      [['lower', 'Lower'], ['together', 'Together'], ['upper', 'Upper'], answers.notSeen],
      { usual: 'lower' },
    ),
    lowerBalloons: choice('Does the lower belly balloon?', answers.yesNo, { usual: 'no' }),
    marchLeft: march('left'),
    marchRight: march('right'),
  },
  tells: ({ first, lowerBalloons, marchLeft, marchRight }) => {
    const words = [
      ...(first === 'not observed' ? [] : [first === 'together' ? 'all together' : `${first} first`]),
      ...(lowerBalloons === 'yes' ? ['lower belly balloons'] : []),
      ...marchInWords(marchLeft, marchRight),
    ];
    return words.length === 0 ? null : words.join(', ');
  },
  findings,
  reads: ({ first, lowerBalloons, marchLeft, marchRight }) => {
    const found: FoundHere<keyof typeof findings> = {};
    if (first !== 'not observed') found.upperAbsFirst = ifThere(first === 'upper', 3);
    if (lowerBalloons !== 'not observed') found.lowerBalloons = ifThere(lowerBalloons === 'yes', 3);
    const marched = [marchLeft, marchRight].filter((faults) => faults !== null);
    if (marched.length > 0) {
      const times = (fault: 'belly' | 'back' | 'hips') => marched.filter((faults) => faults.includes(fault)).length;
      found.marchPops = { severity: times('belly') === 0 ? 0 : times('belly') === 2 ? 3 : 2 };
      const other = times('back') + times('hips');
      found.marchArches = { severity: other === 0 ? 0 : other === 1 ? 1 : 2 };
    }
    return found;
  },
});
