import { type Component } from './components';

/** Another form in which something is done: what becomes different, in words, and what it takes out. */
export interface Form {
  says: string;
  /** Components that are no longer in what is done in this form. */
  takesOut: readonly Component[];
}

const row = (says: string, ...takesOut: Component[]): Form => ({ says, takesOut });

/**
 * The other forms a caution can ask for. A form is no remark: the catalogue remakes the drill in it, with other steps,
 * cues, lines, position or dose, and what it can't remake is off. Common practice.
 */
export const forms = {
  noPause: row('no pause, straight on', 'hold', 'longHold'),
  noStay: row('no stay at the end', 'longStay', 'strain'),
  shortSets: row('one short set with an outside focus, ended at will'),
  softExhale: row('soft pursed exhale, never to empty', 'forcedExhale'),
  offTheBack: row('sitting, propped or on the side'),
  latexFree: row('a towel or a latex-free band', 'latex'),
  releaseOnly: row('release only on the exhale', 'floorLift', 'strongFloor'),
  gentleFloor: row('widen and settle, the floor hardly at all'),
  hipsRaised: row('lying, hips raised, a lift on the exhale only'),
  smallBridge: row('knees together, a hand’s width up'),
  smallerLever: row('low to high with a smaller lever'),
  exhaleFirst: row('exhale before and through the effort, low to high'),
  exhaleThrough: row('exhale through the effort, counted out loud'),
  easyBreath: row('an easy breath of ordinary size', 'deepBreath', 'fastBreath'),
  smallBend: row('a small bend, the breath small, hands off the sore place'),
  midRange: row('mid-range, half the way', 'endRangeArch', 'endRangeTuck'),
  flatBack: row('flat, long back', 'loadedRounding'),
  smallTurns: row('a small easy range, breathing in the middle', 'tightEdge'),
  armsLow: row('arms low', 'armsOverhead'),
  eyesOpen: row('eyes open', 'closedEyes'),
  ribsAlone: row('the ribs are left as they are', 'flare'),
  shortStand: row('a short set, sitting in between', 'longStanding'),
} as const satisfies Record<string, Form>;

export type FormId = keyof typeof forms;
export const formIds = Object.keys(forms) as [FormId, ...FormId[]];

/**
 * The smallest change that takes a blocked component out of a drill and leaves the rest as it is, where there is one. What is
 * not listed can't be taken out without making another drill of it. Common practice.
 */
export const waysOut: Readonly<Partial<Record<Component, FormId>>> = {
  hold: 'noPause',
  longHold: 'noPause',
  longStay: 'noStay',
  strain: 'noStay',
  forcedExhale: 'softExhale',
  floorLift: 'releaseOnly',
  deepBreath: 'easyBreath',
  fastBreath: 'easyBreath',
  endRangeTuck: 'midRange',
  endRangeArch: 'midRange',
  loadedRounding: 'flatBack',
  tightEdge: 'smallTurns',
  armsOverhead: 'armsLow',
  closedEyes: 'eyesOpen',
  flare: 'ribsAlone',
  longStanding: 'shortStand',
  flatSupine: 'offTheBack',
  latex: 'latexFree',
};

/**
 * What a change stands for when two rows ask for different forms of the same thing: letting go comes before lifting,
 * protecting before opening, and both before a mere change of form.
 */
export const principles = ['release', 'protect', 'form'] as const;
export type Principle = (typeof principles)[number];
