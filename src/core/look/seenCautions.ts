import { type SeenCaution } from '../safety';
import { type Raw } from './rawSchemas';
import { type LookRecord, countingLooks, isOf } from './records';

/**
 * Whether leaking goes with effort; with nothing but an urge, on the way, it does not. Null where it was not asked.
 *
 * @example leaksWithEffort({ leaks: 'yes', leaksWith: ['urge'] }) // false
 */
export function leaksWithEffort({ leaks, leaksWith }: Pick<Raw<'floor'>, 'leaks' | 'leaksWith'>): boolean | null {
  if (leaks === 'not observed') return null;
  return leaks === 'yes' && !(leaksWith.length > 0 && leaksWith.every((what) => what === 'urge'));
}

/**
 * Cautions that a look found although nobody told them on Screen: they gate like a told one, until a newer look of the
 * same kind finds otherwise.
 *
 * @param looks of any number of visits, in any order
 * @source a floor that holds, found in Look, gates like one told: common practice, ours
 * @example cautionsSeen([floorRecord])[0]?.condition // 'holdingFloor'
 */
export function cautionsSeen(looks: readonly LookRecord[]): SeenCaution[] {
  // A look taken again stands beside the one before: what either found is minded, also while the second is half done.
  const floors = countingLooks(looks.filter((look) => isOf(look, 'floor')));
  const where = (found: (raw: Raw<'floor'>) => boolean) => floors.find(({ raw }) => found(raw))?.id;
  const holds = where(({ softens, letsGo, pain }) => softens === 'no' || letsGo === 'no' || pain === 'yes');
  const leaks = where((raw) => leaksWithEffort(raw) === true);
  return [
    ...(holds
      ? [{ condition: 'holdingFloor' as const, recordId: holds, words: 'a floor that won’t let go, found in Look' }]
      : []),
    ...(leaks ? [{ condition: 'leaking' as const, recordId: leaks, words: 'leaking with effort, found in Look' }] : []),
  ];
}
