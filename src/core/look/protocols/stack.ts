import * as z from 'zod/mini';
import { landmarkPhotoSchema, photoFigureOrNull, photoInWords, photoMeasures } from '../angles';
import { protocol } from '../define';
import { answers, choice, graded } from '../fields';
import { type FoundHere, type Severity, above, fromAnswers } from '../finding';

const flare = ['none', 'little', 'clear', 'far'] as const;

const findings = {
  flareRest: 'the lower front ribs flare at rest',
  flareStays: 'the flare stays after a full exhale',
  ribsForward: 'the ribs are carried in front of the pelvis',
  pelvisForward: 'the pelvis is tipped forward',
  lowBackOff: 'the low back stays off the floor',
  midBackStiff: 'the mid-back is stiff',
  obliquesGrip: 'the obliques grip at rest',
};

export const stack = protocol({
  name: 'Stack',
  minutes: 1.5,
  positions: ['hook-lying', 'standing', 'sitting', 'long kneel'],
  setUp:
    'Look at the costal arch, the lower front ribs at rest and after a full exhale, the thorax over the pelvis, the pelvis.',
  means: 'How ribs and pelvis are carried today. Shapes differ between people; only what does not move is a finding.',
  takenTwice: true,
  fields: {
    infrasternal: choice(
      'Infrasternal angle',
      [['narrow', 'Narrow'], ['middle', 'Middle'], ['wide', 'Wide'], answers.notSeen],
      { usual: 'middle' },
    ),
    flareRest: graded('Rib flare at rest', flare, { usual: 0 }),
    flareExhale: graded('Rib flare after a full exhale', flare, { usual: 0, components: ['deepBreath'] }),
    thorax: choice(
      'Thorax against the pelvis',
      [['in front', 'In front'], ['over', 'Over'], ['behind', 'Behind'], answers.notSeen],
      { usual: 'over' },
    ),
    pelvis: choice(
      'Pelvis, tipped',
      [['tipped forward', 'Forward'], ['neutral', 'Neutral'], ['tucked', 'Tucked'], answers.notSeen],
      { usual: 'neutral' },
    ),
    lowBackOff: choice('Low back off the floor in hook-lying?', answers.yesNo, { usual: 'no' }),
    midBackStiff: choice('Mid-back stiff?', answers.yesNo, { usual: 'no' }),
    obliquesGrip: choice('Obliques grip at rest?', answers.yesNo, { usual: 'no' }),
  },
  kept: { photos: z._default(z.array(landmarkPhotoSchema).check(z.maxLength(6)), []) },
  tells: ({ flareExhale, flareRest, thorax, photos }) => {
    const measured = photos.flatMap((photo) => {
      const figure = photoFigureOrNull(photo);
      return figure === null ? [] : [`${photoMeasures[photo.measure].name} ${photoInWords(photo.measure, figure)}`];
    });
    const flared = flareExhale ?? flareRest;
    const words = [
      ...(flared === null ? [] : [flared === 0 ? 'no flare' : flareExhale === null ? 'flare at rest' : 'flare stays']),
      ...(thorax === 'not observed' ? [] : [`thorax ${thorax === 'over' ? 'over the pelvis' : thorax}`]),
      ...measured,
    ];
    return words.length === 0 ? null : words.join('; ');
  },
  findings,
  reads: (raw) => {
    const found: FoundHere<keyof typeof findings> = fromAnswers(raw, [
      ['thorax', 'ribsForward', 2, 'in front'],
      ['pelvis', 'pelvisForward', 2, 'tipped forward'],
      ['lowBackOff', 'lowBackOff', 2],
      ['midBackStiff', 'midBackStiff', 2],
      ['obliquesGrip', 'obliquesGrip', 2],
    ]);
    if (raw.flareRest !== null) found.flareRest = { severity: raw.flareRest as Severity };
    if (raw.flareExhale !== null) found.flareStays = { severity: raw.flareExhale as Severity };
    for (const photo of raw.photos) {
      const figure = photoFigureOrNull(photo);
      if (figure === null) continue;
      if (photo.measure === 'pelvicTilt') {
        found.pelvisForward = {
          severity: above(figure, [
            [16, 3],
            [9, 2],
          ]),
          words: `the pelvis is tipped ${figure.toFixed(0)}° on the photo`,
        };
      }
      if (photo.measure === 'thoraxOffset') {
        found.ribsForward = {
          severity: above(figure, [
            [12, 3],
            [6, 2],
          ]),
          words: `the ribs stand ${figure.toFixed(0)} % in front of the pelvis on the photo`,
        };
      }
    }
    return found;
  },
});
