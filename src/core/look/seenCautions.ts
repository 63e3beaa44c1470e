import { type SeenCaution } from '../safety';
import { type LookRecord, byTime, isOf } from './records';

/**
 * Cautions that a look found although nobody told them on Screen: they gate like a told one, until a newer look of the
 * same kind finds otherwise.
 *
 * @param looks of any number of visits, in any order
 * @source a floor that holds, found in Look, gates like one told: common practice, ours
 * @example cautionsSeen([floorRecord])[0]?.condition // 'holdingFloor'
 */
export function cautionsSeen(looks: readonly LookRecord[]): SeenCaution[] {
  const floor = looks
    .filter((look) => isOf(look, 'floor'))
    .sort(byTime)
    .at(-1);
  if (!floor) return [];
  const { softens, letsGo, pain, leaks } = floor.raw;
  const seen: SeenCaution[] = [];
  if (softens === 'no' || letsGo === 'no' || pain === 'yes') {
    seen.push({ condition: 'holdingFloor', recordId: floor.id, words: 'a floor that won’t let go, found in Look' });
  }
  if (leaks === 'yes') {
    seen.push({ condition: 'leaking', recordId: floor.id, words: 'leaking with effort, found in Look' });
  }
  return seen;
}
