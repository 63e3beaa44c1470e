import * as z from 'zod/mini';
import { withoutStop } from '../../reasons';
import { gradeSchema, gradesSchema, ringInWords, unobserved } from '../../trunk';
import { bestGrades } from '../bestGrades';
import { protocol } from '../define';
import { yesNo } from '../fields';
import { anywhere } from '../positions';

/** What it finds is read from all maps of a day together, in the room `read`: a part is held against its position and the rest. */
export const regionMap = protocol({
  name: 'Region map',
  minutes: 1.5,
  positions: [...anywhere, 'prone', 'quadruped', 'long kneel'],
  setUp: 'Hands round the ribs. Five ordinary breaths, then three deep ones. Tap a part to grade it.',
  means: 'What moved under the hand, graded by eye and touch. It ranks parts; it measures no volume.',
  takenTwice: true,
  without: {
    says: 'Hands round the ribs.',
    hands: {
      'own hands': 'The client’s own hands round the ribs; you watch.',
      no: 'By eye alone, from the front and from the side.',
    },
  },
  kept: {
    quiet: gradesSchema,
    deep: gradesSchema,
    /** Accessory effort of neck and shoulders, 0 to 3. */
    neckQuiet: gradeSchema,
    neckDeep: gradeSchema,
    /** The front moves because the spine arches: not true expansion. */
    extension: yesNo,
    /** Set on a map graded again without seeing the first, to learn the coach's own agreement. */
    blindOf: z.optional(z.uuid()),
  },
  blank: { quiet: unobserved(), deep: unobserved(), neckQuiet: null, neckDeep: null },
  contains: ({ deep }) => (Object.values(deep).some((grade) => grade !== null) ? ['deepBreath'] : []),
  tells: (raw) => {
    const [first] = ringInWords(bestGrades(raw));
    return first === undefined ? null : withoutStop(first);
  },
  findings: {
    neckWorks: 'neck and shoulders work',
    bellyTakesMost: 'the belly takes more than its part',
    chestTakesMost: 'the front of the chest takes more than its part',
    bellyStill: 'the belly moves less than the rest',
    sternumStill: 'the front of the chest moves less than the rest',
    chestBackStill: 'the back of the chest moves less than the rest',
    sidesStill: 'both sides move less than the rest',
    sidesOpen: 'both sides move more than the rest',
    backsStill: 'both backs move less than the rest',
    backsOpen: 'both backs move more than the rest',
    backsLag: 'the backs move clearly less than the sides',
    oneSideLess: 'one side gives less than the other',
    floorStill: 'the pelvic floor is hardly felt to move',
    smallEverywhere: 'the whole breath is small, also on deep breaths',
    allAvailable: 'every part is available',
    frontByArching: 'the front moves by arching the spine',
    lostUpright: 'parts that are there lying are lost upright',
  },
});
