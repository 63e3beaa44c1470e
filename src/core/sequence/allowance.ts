import { type Drill, changeSeconds, positionIds, positions } from '../catalogue';
import { defaultLimits } from '../safety';
import { clashes, everydayRules } from '../schools';
import { type Limits } from './choiceRules';
import { recheckSeconds } from './plan';
import { type PlanItem } from './planSchema';
import { changePointsASecond, mostAlike, mostBaseChanges, mostItems, mostLevelRise, mostNewDrills } from './rules';

/** Every change between two positions, as the planner counts it. The same for everyone, so it is made once. */
const changeTable: Limits['change'] = Object.fromEntries(
  positionIds.map((from) => [
    from,
    Object.fromEntries(
      positionIds.map((to) => {
        const seconds = changeSeconds(from, to);
        return [
          to,
          {
            seconds,
            points: seconds * changePointsASecond,
            base: positions[from].base !== positions[to].base,
          },
        ];
      }),
    ),
  ]),
);

/** What a plan may use in the minutes there are, whoever it is for: without rules on which drills may meet, must be in, begin or end it. */
export const limitsOf = (minutes: number): Limits => ({
  change: changeTable,
  mostItems: mostItems(minutes),
  mostSeconds: minutes * 60 - recheckSeconds,
  mostHoldSeconds: defaultLimits.holdSeconds,
  mostNew: mostNewDrills,
  mostAlike,
  mostBaseChanges,
  mostLevelRise,
  clashes: [],
  musts: [],
  settleFirst: false,
  carryLast: false,
});

/** Drills whose everyday rules contradict, each pair once. What is marked a deliberate contrast contradicts nobody. */
export function clashingPairs(
  candidates: readonly { item: Pick<PlanItem, 'contrast'>; drill: Drill }[],
): (readonly [string, string])[] {
  const rules = new Map(
    candidates
      .filter(({ item }) => !item.contrast)
      .map(({ drill }) => [drill.id, everydayRules(drill.stances)] as const)
      .filter(([, own]) => Object.keys(own).length > 0),
  );
  const ids = [...rules.keys()];
  return ids.flatMap((one, i) =>
    ids
      .slice(i + 1)
      .filter((other) => clashes(rules.get(one)!, rules.get(other)!).length > 0)
      .map((other) => [one, other] as const),
  );
}
