import { durationInWords, segmentsOf, totalsOf } from '../dose';
import { type PlanItem } from '../sequence';
import { mostItems } from './mostItems';
import { type HomeItem, type HomePlan } from './practice';
import { awakeMinutes, sinceWaking } from './clock';

/** Most of a day that a practice takes, unless the coach sets another. Common practice, the numbers ours. */
interface Load {
  minutes: number;
  breaths: number;
}
export const sensibleLoad: Load = { minutes: 15, breaths: 120 };

/** One go without setting up: seconds of breathing, resting and staying, and its breaths. */
export function goTotals(item: PlanItem): { seconds: number; breaths: number } {
  const { seconds, breaths } = totalsOf(segmentsOf({ ...item, setUpSeconds: 0 }));
  return { seconds, breaths };
}

interface DayTotals {
  goes: number;
  seconds: number;
  breaths: number;
  /** The same with getting into position each time. */
  withSetUpSeconds: number;
  week: { seconds: number; breaths: number };
}

/**
 * What a plan asks for in a day and a week.
 *
 * @example dayTotals({ items: [tenBreathsOfTenSeconds], goes: [morning, evening] }).seconds // 200
 */
export function dayTotals({ items, goes }: Pick<HomePlan, 'items' | 'goes'>): DayTotals {
  const byId = new Map(items.map((one) => [one.id, { ...goTotals(one.item), setUp: one.item.setUpSeconds }]));
  let [count, seconds, breaths, setUp] = [0, 0, 0, 0];
  for (const { itemId } of goes) {
    const one = byId.get(itemId);
    if (!one) continue;
    count += 1;
    seconds += one.seconds;
    breaths += one.breaths;
    setUp += one.setUp;
  }
  return {
    goes: count,
    seconds,
    breaths,
    withSetUpSeconds: seconds + setUp,
    week: { seconds: seconds * 7, breaths: breaths * 7 },
  };
}

const numbers = [
  'No',
  'One',
  'Two',
  'Three',
  'Four',
  'Five',
  'Six',
  'Seven',
  'Eight',
  'Nine',
  'Ten',
  'Eleven',
  'Twelve',
];
const counted = (count: number) => numbers[count] ?? String(count);

/**
 * The sum of a day in plain words.
 *
 * @example dayInPlainWords(totals) // 'Twice a day, about three minutes in all'
 */
export function dayInPlainWords({ goes, seconds }: Pick<DayTotals, 'goes' | 'seconds'>): string {
  if (goes === 0) return 'Nothing is asked yet';
  const often = goes === 1 ? 'Once a day' : goes === 2 ? 'Twice a day' : `${counted(goes)} times a day`;
  return `${often}, ${minutesInWords(seconds)} in all`;
}

function minutesInWords(seconds: number): string {
  if (seconds < 90) return `${Math.round(seconds)} seconds`;
  const minutes = Math.round(seconds / 60);
  return `about ${counted(minutes).toLowerCase()} minutes`;
}

/**
 * What stands against handing a plan over, a sentence each with the way out; empty when it can go.
 *
 * @param most of a day, as the coach set it
 * @example homeFaults(plan) // []
 */
export function homeFaults(plan: HomePlan, most: Load = sensibleLoad): { code: HomeFault; what: string }[] {
  const found: { code: HomeFault; what: string }[] = [];
  const awake = awakeMinutes(plan);
  const { seconds, breaths } = dayTotals(plan);
  const tell = (code: HomeFault, what: string) => found.push({ code, what });
  if (plan.items.length === 0) tell('nothing', 'Nothing goes home yet. Choose at least one thing.');
  if (plan.items.length > mostItems && plan.moreReason.trim() === '')
    tell('more than three', `${counted(plan.items.length)} things go home: say why more than three.`);
  if (plan.wakes === plan.sleeps) tell('hours', 'They get up and go to sleep at the same time. Change one of the two.');
  else if (awake < 6 * 60)
    tell('hours', `From ${plan.wakes} to ${plan.sleeps} are only ${durationOf(awake)}. Check the waking hours.`);
  const without = plan.items.filter(({ id }) => !plan.goes.some(({ itemId }) => itemId === id));
  if (without.length > 0)
    tell(
      'no time',
      `${without.length === 1 ? 'One thing has' : 'Some things have'} no time of the day yet. Choose when.`,
    );
  const asleep = plan.goes.filter(({ at }) => sinceWaking(at, plan) > awake);
  if (asleep.length > 0)
    tell('asleep', `At ${asleep[0]!.at} they are asleep (${plan.sleeps} to ${plan.wakes}). Move it or take it out.`);
  if (seconds > most.minutes * 60)
    tell('load', `${durationInWords(seconds)} a day is more than ${most.minutes} minutes. Take something out.`);
  if (breaths > most.breaths)
    tell('load', `${breaths} breaths a day are more than ${most.breaths}. Take something out.`);
  return found;
}
type HomeFault = 'nothing' | 'more than three' | 'hours' | 'no time' | 'asleep' | 'load';

const durationOf = (minutes: number) => {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return `${hours} h${rest === 0 ? '' : ` ${rest} min`}`;
};

/** The id of what goes home, by its drill: for the note. @example homeDrills(plan) // ['two-hand-belly'] */
export const homeDrills = ({ items }: { items: readonly HomeItem[] }): string[] => [
  ...new Set(items.map(({ item }) => item.drillId)),
];
