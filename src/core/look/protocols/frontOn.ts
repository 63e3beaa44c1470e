import { protocol } from '../define';
import { answers, choice } from '../fields';
import { fromAnswers } from '../finding';

const ordinary = 'Five ordinary breaths';
const deep = 'Five deep breaths';

type Seen = 'yes' | 'no' | 'not observed';

/** Whether the upper chest works in breaths of one kind; null where nothing of it was looked at. */
const moves = (...seen: Seen[]): 'up' | 'free' | null =>
  seen.includes('yes') ? 'up' : seen.includes('no') ? 'free' : null;

export const frontOn = protocol({
  name: 'Front-on, five and five',
  minutes: 0.8,
  positions: ['standing', 'sitting'],
  setUp: 'Standing, from the front: five ordinary breaths, then five deep ones.',
  means: 'Ordinary and deep are kept apart: many are fine at rest and lift the shoulders as soon as they try.',
  takenTwice: true,
  components: ['deepBreath'],
  fields: {
    shoulders: choice('Shoulders rise?', answers.yesNo, { group: ordinary, usual: 'no' }),
    upperOnly: choice('Only the upper chest moves?', answers.yesNo, { group: ordinary, usual: 'no' }),
    sides: choice('Side ribs widen?', answers.yesNo, { group: ordinary, usual: 'yes' }),
    nostrils: choice('Nostrils flare?', answers.yesNo, { group: ordinary, usual: 'no' }),
    shouldersDeep: choice('Shoulders rise on the deep ones?', answers.yesNo, { group: deep, usual: 'no' }),
    upperOnlyDeep: choice('Only the upper chest moves on the deep ones?', answers.yesNo, { group: deep, usual: 'no' }),
    sidesDeep: choice('Side ribs widen on the deep ones?', answers.yesNo, { group: deep, usual: 'yes' }),
    neckCordsDeep: choice('Neck cords stand out?', answers.yesNo, { group: deep, usual: 'no' }),
    yawnsDaily: choice('Yawns often in daily life?', answers.askedYesNo, { group: 'Asked' }),
  },
  tells: (raw) => {
    const atRest = moves(raw.shoulders, raw.upperOnly);
    const onDeep = moves(raw.shouldersDeep, raw.upperOnlyDeep, raw.neckCordsDeep);
    if (atRest === 'up') return 'the upper chest works at rest';
    if (onDeep === 'up') return atRest === 'free' ? 'fine at rest, lifts on deep breaths' : 'lifts on deep breaths';
    if (atRest && onDeep) return 'free at both';
    // Of what was not looked at nothing is said.
    return atRest ? 'free at rest' : onDeep ? 'free on deep breaths' : null;
  },
  findings: {
    shouldersRise: 'the shoulders rise',
    shouldersRiseDeep: 'the shoulders rise on deep breaths',
    upperOnly: 'only the upper chest moves',
    sidesStillFront: 'seen from the front, the side ribs don’t widen',
    nostrilsFlare: 'the nostrils flare on ordinary breaths',
    neckCords: 'neck cords stand out on deep breaths',
  },
  reads: (raw) =>
    fromAnswers(raw, [
      ['shoulders', 'shouldersRise', 3],
      ['shouldersDeep', 'shouldersRiseDeep', 2],
      ['upperOnlyDeep', 'upperOnly', 1],
      ['upperOnly', 'upperOnly', 3],
      ['nostrils', 'nostrilsFlare', 2],
      ['neckCordsDeep', 'neckCords', 2],
      ['yawnsDaily', 'sighs', 1],
      // A part that opens on a deep breath is available, so the deep ones decide where they were seen.
      [raw.sidesDeep === 'not observed' ? 'sides' : 'sidesDeep', 'sidesStillFront', 2, 'no'],
    ]),
});
