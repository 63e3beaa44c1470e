import { type Reason, commonPractice } from '../reasons';

/** The rules by which a plan takes a drill or leaves it, by code, as they are told. Logic asks the code, people read the words. */
const reasonRules = {
  sound: 'A drill fits the schema.',
  stopped: 'A drill that ended in a stop waits for the coach.',
  yourWord: 'Your word',
  locked: 'Locked',
  gentleOverVisits: 'Gentle to demanding, over visits too',
  oneEverydayRule: 'One everyday rule a plan: two that contradict never meet.',
  positionsToAvoid: 'Positions to avoid',
  propOrSubstitute: 'Props at hand, or a substitute.',
  propsAtHand: 'Props at hand',
  cautions: 'Cautions',
  nothingBlocked: 'Nothing blocked',
  wanted: 'Wanted by the intent',
  wantedBeyond: 'Wanted by the intent, beyond what the rest gives',
  settlesFirst: 'Settling comes first',
  endsInDay: 'Every plan ends in daily posture',
  confirmed: 'Confirmed patterns',
  firstAnswers: 'First answers come first',
  fit: 'Fit and what happened before',
  order: 'Order',
  fewChanges: 'Few changes of position',
  gentle: 'Gentle to demanding',
  floorToStanding: 'Floor, chair, standing; gentle to demanding',
  smallBegin: 'Begin small; change one thing at a time.',
  steps: 'One step up after a calm time, one back after two that were not.',
  minutes: 'Minutes of the visit',
  hardRules: 'Hard rules',
  worth: 'Worth',
  diminishing: 'Diminishing returns',
} as const;
export type ReasonCode = keyof typeof reasonRules;

/** Left out by weighing, so that what it would cost can be said; the others are out whatever they cost. */
const weighed: ReadonlySet<string> = new Set<ReasonCode>(['minutes', 'hardRules', 'worth', 'diminishing']);

/**
 * A reason by a rule of planning.
 *
 * @source common practice
 * @example because('worth', 'As good as another.').rule // 'Worth'
 */
export const because = (code: ReasonCode, what: string): Reason => ({
  code,
  what,
  rule: reasonRules[code],
  records: [],
  provenance: commonPractice,
});

/** Whether a drill that is left out for a reason can be priced. @example canBePriced(because('yourWord', 'You took it out.')) // false */
export const canBePriced = ({ code }: Reason): boolean => code !== undefined && weighed.has(code);
