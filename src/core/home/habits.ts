import { awakeMinutes, clockAfter, sinceWaking } from './clock';
import { type Go, type HomePlan } from './practice';

/** A way to spread something over the day. */
interface Habit {
  name: string;
  says: string;
  /** When in the day, in minutes since getting up, and what it hangs on. */
  times: (day: Pick<HomePlan, 'wakes' | 'sleeps' | 'sits'>) => readonly (readonly [minutes: number, hangsOn: string])[];
  /** Breaths of one go, where the habit says so; else the drill's own dose. */
  breaths?: number;
}

const ends = (day: Pick<HomePlan, 'wakes' | 'sleeps'>) => awakeMinutes(day);

/** Nobody sets an alarm for seven minutes past. */
const quarter = (minutes: number) => Math.round(minutes / 15) * 15;

/** A sitting is broken up after so many minutes. Common practice: 60 to 75. */
const sittingMinutes = 70;

/** Things passed anyway, and about when. Common practice that they are used; which and when is ours. */
const passed: readonly (readonly [part: number, thing: string])[] = [
  [0.05, 'first kettle'],
  [0.2, 'front door'],
  [0.45, 'second kettle'],
  [0.65, 'the stairs'],
  [0.85, 'brushing teeth'],
];

/** The plans the trade gives for a day. Common practice, no published source. */
export const habits = {
  wakingAndBed: {
    name: 'on waking and in bed',
    says: 'A set on waking and one at bedtime.',
    times: (day) => [
      [Math.min(10, Math.floor(ends(day) / 2)), 'on waking'],
      [Math.max(Math.floor(ends(day) / 2), ends(day) - 15), 'in bed'],
    ],
  },
  eachHour: {
    name: 'each waking hour',
    says: 'Two or three breaths each waking hour.',
    times: (day) =>
      Array.from({ length: Math.floor(ends(day) / 60) }, (_, hour) => [hour * 60 + 30, `hour ${hour + 1}`] as const),
    breaths: 3,
  },
  afterSitting: {
    name: 'after each long sit',
    says: 'After each 70 minutes of sitting.',
    times: ({ sits, ...day }) => {
      if (!sits) return [];
      const from = sinceWaking(sits.from, day);
      const to = sinceWaking(sits.to, day);
      const list: [number, string][] = [];
      for (let at = from + sittingMinutes; at <= to; at += sittingMinutes) list.push([at, 'up from the chair']);
      return list;
    },
  },
  rechecks: {
    name: 'three rechecks',
    says: 'Three times a day, to look how it is.',
    times: (day) => [0.2, 0.5, 0.8].map((part, at) => [quarter(ends(day) * part), `recheck ${at + 1}`] as const),
  },
  askHourly: {
    name: 'one breath, asked hourly',
    says: '“Can I breathe low here?”, once an hour, wherever they are.',
    times: (day) =>
      Array.from({ length: Math.floor(ends(day) / 60) }, (_, hour) => [hour * 60 + 45, 'low here?'] as const),
    breaths: 1,
  },
  things: {
    name: 'with things passed anyway',
    says: 'With the kettle, the door, the stairs.',
    times: (day) => passed.map(([part, thing]) => [quarter(ends(day) * part), thing] as const),
  },
} as const satisfies Readonly<Record<string, Habit>>;
export type HabitId = keyof typeof habits;
export const habitIds = Object.keys(habits) as [HabitId, ...HabitId[]];

/**
 * The times of the day of a habit, for one thing to do.
 *
 * @param newId makes an id for each
 * @example goesOf('wakingAndBed', 'item', day, newId).map(({ at }) => at) // ['06:40', '22:15']
 */
export function goesOf(
  habit: HabitId,
  itemId: string,
  day: Pick<HomePlan, 'wakes' | 'sleeps' | 'sits'>,
  newId: () => string,
): Go[] {
  const awake = awakeMinutes(day);
  return (habits[habit] as Habit).times(day).map(([minutes, hangsOn]) => ({
    id: newId(),
    itemId,
    // A day shorter than the habit was thought for still ends when they go to sleep.
    at: clockAfter(day, Math.min(awake, minutes)),
    with: hangsOn,
  }));
}

/** Breaths of one go by the habit, or null where the drill's own dose holds. @example breathsOf('askHourly') // 1 */
export const breathsOf = (habit: HabitId): number | null => (habits[habit] as Habit).breaths ?? null;

/**
 * The times of a day in order, from getting up.
 *
 * @example inOrderOfDay(plan)[0]?.with // 'on waking'
 */
export const inOrderOfDay = ({ goes, wakes }: Pick<HomePlan, 'goes' | 'wakes'>): Go[] =>
  [...goes].sort((a, b) => sinceWaking(a.at, { wakes }) - sinceWaking(b.at, { wakes }));

/**
 * A time of the day moved, kept between getting up and going to sleep.
 *
 * @param by minutes, negative for earlier
 * @example moved(go, 15, { wakes: '06:30', sleeps: '22:30' }).at // '07:15'
 */
export function moved(go: Go, by: number, day: Pick<HomePlan, 'wakes' | 'sleeps'>): Go {
  const since = sinceWaking(go.at, day);
  const from = since > awakeMinutes(day) ? 0 : since;
  return { ...go, at: clockAfter(day, Math.max(0, Math.min(awakeMinutes(day), from + by))) };
}
