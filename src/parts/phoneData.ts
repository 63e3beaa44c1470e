import { clientFigure } from '@/core/coach';
import { segmentsOf } from '@/core/dose';
import { type StoredHome, homeNotice, homeWords, inOrderOfDay, stopWords } from '@/core/home';
import { type WeightUnit } from '@/core/load';
import { mannerOfDates } from '@/core/record';
import { type PhoneData, type PhonePiece } from '@/phone/data';
import { bodySvg } from './figures/body/bodySvg';

/** What the page on a phone is made from: words, figures, pieces of breath; nothing of the person. */
export function phoneDataOf(
  { visitId, plan }: StoredHome,
  { studio, weights, week }: { studio: string; weights: WeightUnit; week?: number },
): PhoneData {
  return {
    planId: visitId,
    studio,
    from: plan.from,
    days: plan.days,
    manner: mannerOfDates(),
    wakes: plan.wakes,
    sleeps: plan.sleeps,
    items: plan.items.map(({ id, item, cue, feels, notMeant }) => {
      const words = homeWords(item, weights);
      const { spec, opened } = clientFigure(item, item.side, week);
      return {
        id,
        name: words.name,
        where: words.where,
        steps: words.steps.map(({ lead, words: step }) => `${lead}${step}`),
        dose: words.dose,
        cue,
        feels,
        notMeant,
        figure: bodySvg(spec, { opened, paint: 'screen' }),
        pieces: segmentsOf({ ...item, setUpSeconds: 0 }).flatMap((segment): PhonePiece[] => {
          switch (segment.kind) {
            case 'breaths':
              return [{ kind: 'breaths', stretches: segment.stretches, side: segment.side }];
            case 'rest':
              return [{ kind: 'rest', seconds: segment.seconds, words: 'Rest' }];
            case 'stay':
              return [{ kind: 'rest', seconds: segment.seconds, words: 'Stay' }];
            case 'change side':
              return [{ kind: 'rest', seconds: segment.seconds, words: `Now ${segment.to}` }];
            default:
              return [];
          }
        }),
      };
    }),
    goes: inOrderOfDay(plan),
    stop: stopWords,
    notice: homeNotice,
  };
}
