import { protocol } from '../define';
import { answers, choice } from '../fields';
import { fromAnswers } from '../finding';
import { anywhere } from '../positions';

const hands = [['belly', 'Belly hand'], ['together', 'Together'], ['chest', 'Chest hand'], answers.notSeen] as const;

export const twoHands = protocol({
  name: 'Two hands',
  minutes: 0.7,
  positions: anywhere,
  setUp: 'One hand on the breastbone, one over the navel. Five quiet breaths, then one or two deeper.',
  means: 'Which hand leads and which moves more, today, here. Neither is wrong by itself.',
  takenTwice: true,
  picture: 'hands',
  fields: {
    leads: choice('Five quiet breaths: which hand leads?', hands),
    movesMore: choice('Which moves more?', [['belly', 'Belly'], ['even', 'Even'], ['chest', 'Chest'], answers.notSeen]),
    bellyDrawsIn: choice('Does the belly draw in on the inhale?', [
      ['no', 'No'],
      ['yes', 'Yes, it draws in'],
      answers.notSeen,
    ]),
    deepLeads: choice('One or two deeper breaths: which hand leads?', hands, { components: ['deepBreath'] }),
    /** Voice coloured, swallowing and head turning stay free when no tension is used. */
    freeVoice: choice('Humming, swallowing, turning the head meanwhile', [
      ['free', 'Stay free'],
      ['tense', 'Tense or stuck'],
      ['not observed', 'Not tried'],
    ]),
  },
  tells: ({ leads, bellyDrawsIn }) =>
    bellyDrawsIn === 'yes'
      ? 'the belly draws in'
      : leads === 'not observed'
        ? null
        : leads === 'together'
          ? 'both hands together'
          : `the ${leads} hand leads`,
  findings: {
    chestLeads: 'the chest leads the breath',
    bellyLeads: 'the belly leads the breath',
    chestLeadsDeep: 'the chest leads as soon as the breath is deeper',
    bellyDrawsIn: 'the belly draws in on the inhale',
    tensionInBreath: 'voice or swallowing stuck while breathing',
  },
  reads: (raw) => {
    const strong = raw.movesMore === 'not observed' || raw.movesMore === raw.leads ? 3 : 2;
    return fromAnswers(raw, [
      ['leads', 'chestLeads', strong, 'chest'],
      ['leads', 'bellyLeads', strong, 'belly'],
      ['deepLeads', 'chestLeadsDeep', 2, 'chest'],
      ['bellyDrawsIn', 'bellyDrawsIn', 3],
      ['freeVoice', 'tensionInBreath', 2, 'tense'],
    ]);
  },
});
