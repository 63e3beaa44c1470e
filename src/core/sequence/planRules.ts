/** How a broken rule weighs: `off` may not be coached, `mind` is a warning that leaves the choice with the coach. */
type Level = 'off' | 'mind';

/**
 * What a plan can break, by its code: how it weighs, and the way out. The sizes stand in `rules.ts`; the planner keeps all of them, a
 * plan changed by hand is held against each. Common practice.
 */
export const planRules = {
  gone: { level: 'off', wayOut: 'Take it out.' },
  /** The way out is worked out for the person and the drill. */
  gated: { level: 'off', wayOut: 'Swap it for another.' },
  holdAfterHold: { level: 'off', wayOut: 'Put something without a pause between them.' },
  holdsTooLong: { level: 'off', wayOut: 'Shorten a pause or take breaths out.' },
  contradicts: { level: 'off', wayOut: 'Swap one of them, or mark it as a deliberate contrast.' },
  propMissing: { level: 'mind', wayOut: 'Tick it, or swap.' },
  doseUnusual: { level: 'mind', wayOut: 'Bring it back, or keep it knowingly.' },
  wantsBefore: { level: 'mind', wayOut: 'Put that before it, or swap.' },
  stepsUp: { level: 'mind', wayOut: 'Put something between, or move it later.' },
  opensFirst: { level: 'mind', wayOut: 'Move the exhale drill before it.' },
  twice: { level: 'mind', wayOut: 'Take one out, or make the other longer.' },
  tooLong: { level: 'mind', wayOut: 'Take breaths or an item out.' },
  basesChange: { level: 'mind', wayOut: 'Put items in the same position together.' },
  notSettled: { level: 'mind', wayOut: 'Move or add a drill that settles to the front.' },
  notCarried: { level: 'mind', wayOut: 'Add a carry-over drill at the end.' },
  tooMany: { level: 'mind', wayOut: 'Take one out.' },
  tooNew: { level: 'mind', wayOut: 'Swap one for something known or easier.' },
  tooAlike: { level: 'mind', wayOut: 'Swap one for another breath, another position or something that moves.' },
} as const satisfies Record<string, { level: Level; wayOut: string }>;

export type PlanRuleId = keyof typeof planRules;

/** A rule that a plan breaks, as a whole or at an item. */
export interface PlanProblem {
  code: PlanRuleId;
  level: Level;
  itemId: string | null;
  what: string;
  wayOut: string;
}

/** @example broken('tooMany', null, '8 things; 6 are enough for 20 minutes.').wayOut // 'Take one out.' */
export const broken = (code: PlanRuleId, itemId: string | null, what: string): PlanProblem => ({
  code,
  itemId,
  what,
  ...planRules[code],
});
