import { type CountedRate } from '../safety';
import { rateOf } from './quietRate';
import { type LookRecord, byTime, isOf } from './records';

/**
 * The unannounced counts of the resting rate among looks of a visit, oldest first, as far as the path needs them.
 *
 * @example countsAmong([quietLook])[0]?.breathsPerMinute // 15
 */
export const countsAmong = (looks: readonly LookRecord[]): CountedRate[] =>
  looks
    .filter((look) => isOf(look, 'quietLook'))
    .filter(({ moment }) => moment === 'before')
    .sort(byTime)
    .flatMap(({ id, raw }) => {
      const rate = rateOf(raw.taps);
      return rate ? [{ breathsPerMinute: rate.breathsPerMinute, seconds: rate.seconds, recordId: id }] : [];
    });
