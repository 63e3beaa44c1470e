import { type SeenCaution } from '../safety';
import { type CautionFound } from './define';
import { protocolIds, protocols } from './protocols';
import { type LookRecord, countingLooks, isOf } from './records';

/**
 * Cautions that a look found although nobody told them on Screen: they gate like a told one, until a newer look of the
 * same kind finds otherwise.
 *
 * @param looks of any number of visits, in any order
 * @source a floor that holds, found in Look, gates like one told: common practice, ours
 * @example cautionsSeen([floorRecord])[0]?.condition // 'leaking'
 */
export function cautionsSeen(looks: readonly LookRecord[]): SeenCaution[] {
  return protocolIds.flatMap((id) => {
    const cautions: readonly CautionFound<never>[] = protocols[id].cautions;
    if (cautions.length === 0) return [];
    // A look taken again stands beside the one before: what either found is minded, also while the second is half done.
    const counting = countingLooks(looks.filter((look) => isOf(look, id)));
    return cautions.flatMap(({ condition, words, there }) => {
      const record = counting.find(({ raw }) => there(raw as never));
      return record ? [{ condition, recordId: record.id, words }] : [];
    });
  });
}
