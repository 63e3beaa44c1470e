import { type ConditionId, type SeenCaution } from '../safety';
import { leaksWithEffort } from './leaks';
import { type ProtocolId, type Raw } from './protocols';
import { type LookRecord, countingLooks, isOf } from './records';

/** A caution that gates although nobody told it on Screen. */
interface CautionFound<R> {
  condition: ConditionId;
  words: string;
  there: (raw: R) => boolean;
}

/**
 * What a record of a protocol tells that gates. Beside the protocols, so that a page need not load them to know what is off.
 *
 * @source a floor that holds, found in Look, gates like one told: common practice, ours
 */
const cautionsIn: { readonly [P in ProtocolId]?: readonly CautionFound<Raw<P>>[] } = {
  floor: [
    {
      condition: 'holdingFloor',
      words: 'a floor that won’t let go, found in Look',
      there: ({ softens, letsGo, pain }) => softens === 'no' || letsGo === 'no' || pain === 'yes',
    },
    {
      condition: 'leaking',
      words: 'leaking with effort, found in Look',
      there: (raw) => leaksWithEffort(raw) === true,
    },
  ],
};

/**
 * Cautions that a look found although nobody told them on Screen: they gate like a told one, until a newer look of the
 * same kind finds otherwise.
 *
 * @param looks of any number of visits, in any order
 * @example cautionsSeen([floorRecord])[0]?.condition // 'leaking'
 */
export function cautionsSeen(looks: readonly LookRecord[]): SeenCaution[] {
  return Object.entries(cautionsIn).flatMap(([id, cautions]: [string, readonly CautionFound<never>[]]) => {
    // A look taken again stands beside the one before: what either found is minded, also while the second is half done.
    const counting = countingLooks(looks.filter((look) => isOf(look, id as ProtocolId)));
    return cautions.flatMap(({ condition, words, there }) => {
      const record = counting.find(({ raw }) => there(raw as never));
      return record ? [{ condition, recordId: record.id, words }] : [];
    });
  });
}
