import { type MeasuredBreath } from '../cadence';
import { easyExhaleOf } from './easyExhale';
import { rateOf } from './quietRate';
import { type LookRecord, allOf, newest } from './records';

/**
 * What was measured of a client's own breath before the work, for the comfort of a cadence: breaths a minute at rest, and the
 * middle of the easy full exhales of the newest look that has any, in seconds.
 *
 * @example restingBreathOf([quietLook]).ratePerMinute // 15
 */
export function restingBreathOf(looks: readonly LookRecord[]): MeasuredBreath {
  const quiet = newest(looks, 'quietLook', 'before');
  // One taken a second time may have no seconds yet.
  const exhale = allOf(looks, 'exhale', 'before').findLast(({ raw }) => raw.seconds.length > 0);
  return {
    ratePerMinute: (quiet && rateOf(quiet.raw.taps)?.breathsPerMinute) ?? null,
    exhaleSeconds: easyExhaleOf(exhale?.raw.seconds ?? []),
  };
}
