import { minuteOf, timeOf } from '../record/day';
import { type HomePlan } from './practice';

const minutesOfDay = 24 * 60;
/** The hours between getting up and going to sleep. */
type Waking = Pick<HomePlan, 'wakes' | 'sleeps'>;

/**
 * Minutes from getting up to going to sleep, also past midnight. As long as a whole day where both are the same.
 *
 * @example awakeMinutes({ wakes: '06:30', sleeps: '22:30' }) // 960
 * @example awakeMinutes({ wakes: '15:00', sleeps: '06:00' }) // 900
 */
export const awakeMinutes = ({ wakes, sleeps }: Waking): number =>
  (minuteOf(sleeps) - minuteOf(wakes) + minutesOfDay) % minutesOfDay || minutesOfDay;

/**
 * Minutes since getting up at a time of the clock; beyond `awakeMinutes` they are asleep.
 *
 * @example sinceWaking('00:30', { wakes: '08:00', sleeps: '01:00' }) // 990
 */
export const sinceWaking = (at: string, { wakes }: Pick<Waking, 'wakes'>): number =>
  (minuteOf(at) - minuteOf(wakes) + minutesOfDay) % minutesOfDay;

/**
 * The time of the clock so many minutes after getting up.
 *
 * @example clockAfter({ wakes: '08:00' }, 990) // '00:30'
 */
export const clockAfter = ({ wakes }: Pick<Waking, 'wakes'>, minutes: number): string =>
  timeOf((((minuteOf(wakes) + minutes) % minutesOfDay) + minutesOfDay) % minutesOfDay);

/**
 * Whether a time of a plan's day falls on the next day of the calendar.
 *
 * @example isNextDay('00:30', { wakes: '08:00' }) // true
 */
export const isNextDay = (at: string, { wakes }: Pick<Waking, 'wakes'>): boolean => minuteOf(at) < minuteOf(wakes);
