/** How breath and load go together. */
export type StrategyId = 'with' | 'keep' | 'between' | 'burst' | 'steady';

interface Strategy {
  name: string;
  /** How much air. */
  air: string;
  /** Percent of the most somebody can stiffen: from, to, as the load grows from where the strategy begins to where it ends. */
  stiffness: readonly [from: number, to: number];
  /** Whether the stiffness comes and goes with the repetition. */
  pulse: boolean;
  says: string;
}

/** Common practice, no published source; the percents of stiffness are ours. */
export const strategies: Readonly<Record<StrategyId, Strategy>> = {
  with: {
    name: 'breathe with the movement',
    air: 'an easy breath',
    stiffness: [5, 30],
    pulse: false,
    says: 'Light enough: the breath goes with the movement, and a mild stiffness stays all the way.',
  },
  keep: {
    name: 'fill, stiffen, let go late',
    air: 'a full, easy breath first',
    stiffness: [50, 85],
    pulse: true,
    says: 'Breathe in first, stiffen, move; let the air go only past the hard part, a little at a time.',
  },
  between: {
    name: 'breathe between repetitions',
    air: 'about 70 % of a full breath',
    stiffness: [85, 100],
    pulse: true,
    says: 'Near the most: in to about 70 %, stiffen, do the repetition, breathe between repetitions.',
  },
  burst: {
    name: 'firm at the instant',
    air: 'a small breath',
    stiffness: [60, 60],
    pulse: true,
    says: 'Loose before and after, firm only at the instant, the breath sharp and short with it.',
  },
  steady: {
    name: 'small breaths over a stiff trunk',
    air: 'small, easy breaths',
    stiffness: [10, 40],
    pulse: false,
    says: 'Nothing repeats: keep a mild stiffness and breathe small and easy over it.',
  },
};

/** Up to so much of one lift, or with so many repetitions possible, the breath goes with the movement. Common practice. */
export const withUpToPercent = 60;
const withFromRepetitions = 22;
/** Near the most. Common practice; the percent ours. */
const betweenFromPercent = 90;
/** Effort of 10 up to which, and from which. Common practice; the numbers ours. */
const withUpToEffort = 6;
const betweenFromEffort = 9;

export interface HowHeavy {
  /** Of one lift, as the formulas have it; null where it is not known. */
  percent: { low: number; high: number } | null;
  /** Possible with this load; null where it is not known. */
  repetitions: number | null;
  /** 0 to 10, as they say it; null where it was not asked. */
  effort: number | null;
  explosive: boolean;
  steady: boolean;
}

/** The middle of what is said of a load, in percent of one lift; null where nothing is. */
export function middlePercent({ percent, effort }: Pick<HowHeavy, 'percent' | 'effort'>): number | null {
  if (percent) return (percent.low + percent.high) / 2;
  // What feels like so much of ten is taken as so much of a hundred: nothing better is known then.
  return effort === null ? null : effort * 10;
}

/**
 * Which way a load asks for, and whether the border to the next lies within what is said of it.
 *
 * @example strategyFor({ percent: { low: 57, high: 62 }, repetitions: 18, effort: null, explosive: false, steady: false }).nearBorder // true
 */
export function strategyFor({ percent, repetitions, effort, explosive, steady }: HowHeavy): {
  id: StrategyId;
  nearBorder: boolean;
} {
  if (explosive) return { id: 'burst', nearBorder: false };
  if (steady) return { id: 'steady', nearBorder: false };
  if (repetitions !== null && repetitions >= withFromRepetitions) return { id: 'with', nearBorder: false };
  const middle = middlePercent({ percent, effort });
  if (middle === null) return { id: 'with', nearBorder: false };
  const nearBorder = percent !== null && percent.low <= withUpToPercent && percent.high > withUpToPercent;
  if (percent === null && effort !== null)
    return { id: effort <= withUpToEffort ? 'with' : effort < betweenFromEffort ? 'keep' : 'between', nearBorder };
  if (middle <= withUpToPercent) return { id: 'with', nearBorder };
  return { id: middle < betweenFromPercent ? 'keep' : 'between', nearBorder };
}

/** Where each strategy begins and ends, in percent of one lift. */
const reach: Readonly<Record<StrategyId, readonly [number, number]>> = {
  with: [0, withUpToPercent],
  keep: [withUpToPercent, betweenFromPercent],
  between: [betweenFromPercent, 100],
  burst: [0, 100],
  steady: [0, 100],
};

/**
 * How stiff, in percent of the most, tuned to the load.
 *
 * @param middle percent of one lift; null where it is not known
 * @example stiffnessFor('with', 60) // 30
 */
export function stiffnessFor(id: StrategyId, middle: number | null): number {
  const [from, to] = strategies[id].stiffness;
  const [begins, ends] = reach[id];
  const part = middle === null ? 0 : Math.max(0, Math.min(1, (middle - begins) / (ends - begins)));
  return Math.round(from + (to - from) * part);
}
