import { type PlanItem } from './planSchema';
/** How a broken rule weighs: `off` may not be coached, `mind` is a warning that leaves the choice with the coach. */
type Level = 'off' | 'mind';

/**
 * What a plan can break, by its code: how it weighs, what it is in short, and the way out. The sizes stand in `rules.ts`. What a choice
 * of drills can break stands as a rule in `choiceRules.ts`, by which the search counts, every solver's answer is judged and a plan
 * changed by hand is checked. Common practice.
 */
export const planRules = {
  gone: { level: 'off', wayOut: 'Take it out.' },
  /** The way out is worked out for the person and the drill. */
  gated: { level: 'off', wayOut: 'Swap it for another.' },
  holdAfterHold: {
    level: 'off',
    short: 'two holds back to back',
    wayOut: 'Put something without a pause between them.',
  },
  holdsTooLong: { level: 'off', short: 'more holds than the cap', wayOut: 'Shorten a pause or take breaths out.' },
  contradicts: {
    level: 'off',
    short: 'two everyday rules contradict',
    wayOut: 'Swap one of them, or mark it as a deliberate contrast.',
  },
  propMissing: { level: 'mind', wayOut: 'Tick it, or swap.' },
  doseUnusual: { level: 'mind', wayOut: 'Bring it back, or keep it knowingly.' },
  wantsBefore: { level: 'mind', short: 'something comes before what it needs', wayOut: 'Put that before it, or swap.' },
  stepsUp: { level: 'mind', short: 'too big a step up', wayOut: 'Put something between, or move it later.' },
  opensFirst: { level: 'mind', wayOut: 'Move the exhale drill before it.' },
  twice: { level: 'mind', short: 'the same drill twice', wayOut: 'Take one out, or make the other longer.' },
  tooLong: { level: 'mind', short: 'longer than the minutes there are', wayOut: 'Take breaths or an item out.' },
  basesChange: {
    level: 'mind',
    short: 'too many changes between floor, chair and standing',
    wayOut: 'Put items in the same position together.',
  },
  notSettled: {
    level: 'mind',
    short: 'settling does not come first',
    wayOut: 'Move or add a drill that settles to the front.',
  },
  notCarried: { level: 'mind', short: 'nothing carries it into the day', wayOut: 'Add a carry-over drill at the end.' },
  tooMany: { level: 'mind', short: 'too many things for the visit', wayOut: 'Take one out.' },
  tooNew: { level: 'mind', short: 'too much that is new', wayOut: 'Swap one for something known or easier.' },
  tooAlike: {
    level: 'mind',
    short: 'three of the same breath and shape',
    wayOut: 'Swap one for another breath, another position or something that moves.',
  },
  /** Kept by the planner alone; a coach may carry over as much as they like, and leave out what was asked for. */
  carriesTwice: { level: 'mind', short: 'more than one thing to carry over', wayOut: 'Take one of them out.' },
  mustMissing: { level: 'mind', short: 'something that must be in is missing', wayOut: 'Put it back.' },
} as const satisfies Record<string, { level: Level; short?: string; wayOut: string }>;

export type PlanRuleId = keyof typeof planRules;

/** Rules that a choice of drills can break, whoever made it. */
export type ChoiceRuleId = {
  [K in PlanRuleId]: (typeof planRules)[K] extends { short: string } ? K : never;
}[PlanRuleId];

/** A broken rule in a few words, as what a plan would be. @example inShort('tooMany') // 'too many things for the visit' */
export const inShort = (code: ChoiceRuleId): string => planRules[code].short;

/** A rule that a plan breaks, as a whole or at an item. */
export interface BrokenRule {
  code: PlanRuleId;
  level: Level;
  itemId: string | null;
  what: string;
  wayOut: string;
  /** The item as it may be done today, where a press can put it in its place. */
  fix?: PlanItem;
}

/** @example broken('tooMany', null, '8 things; 6 are enough for 20 minutes.').wayOut // 'Take one out.' */
export const broken = (code: PlanRuleId, itemId: string | null, what: string): BrokenRule => ({
  code,
  itemId,
  what,
  ...planRules[code],
});
