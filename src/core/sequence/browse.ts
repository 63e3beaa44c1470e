import { type Drill, type FamilyId, type PositionId, type PropId, families } from '../catalogue';
import { type ConditionId, type Gates, type Profile, conditionIds, emptyProfile, evaluateGates } from '../safety';
import { type SchoolId, clashes, everydayRules, schools } from '../schools';
import { type RegionId, regions } from '../trunk';
import { openedRegions } from './gains';
import { axesShared } from './schoolFit';
import { type Suit, suitOf } from './suits';

/** What the catalogue is browsed by; nothing chosen means everything. */
export interface Wishes {
  words: string;
  family: FamilyId | '';
  region: RegionId | '';
  position: PositionId | '';
  prop: PropId | '' | 'none';
  school: SchoolId | '';
  caution: ConditionId | '';
}

export const noWishes: Wishes = { words: '', family: '', region: '', position: '', prop: '', school: '', caution: '' };

export interface Hit {
  drill: Drill;
  own: boolean;
  /** How it stands under the caution asked for. */
  suit: Suit | null;
}

/**
 * Limits of somebody with one condition and nothing else; a condition that needs a week or date counts as near.
 *
 * @param today yyyy-mm-dd
 * @example gatesOfOne('pregnancy', '2026-11-23').gates.some(({ component }) => component === 'hold') // true
 */
export function gatesOfOne(condition: ConditionId, today: string): Gates {
  const answers = Object.fromEntries(
    conditionIds.map((id) => [
      id,
      { value: id === condition ? 'yes' : 'no', day: today, recordId: 'catalogue', detail: {} },
    ]),
  ) as Profile['answers'];
  return evaluateGates({ ...emptyProfile, answers }, today);
}

/** Everything a search looks in. */
const textOf = (drill: Drill) =>
  [
    drill.name,
    drill.purpose,
    drill.setUp,
    families[drill.family],
    ...drill.positions,
    ...drill.props,
    ...drill.cues.map(({ words }) => words),
    ...Object.keys(openedRegions(drill, 'both')).map((id) => regions[id as RegionId].name),
  ]
    .join(' ')
    .toLowerCase();

/**
 * On how many axes a drill stands as a school teaches; below 0 where it teaches against it every day.
 *
 * @example schoolFit(findDrill('hook-stack')!, 'oppositionAndStack') > 0 // true
 */
export function schoolFit(drill: Drill, school: SchoolId): number {
  if (clashes(everydayRules(drill.stances), schools[school].everyday).length > 0) return -1;
  return axesShared(drill, school);
}

/**
 * The drills that answer every wish. With a school, those that fit it best come first; with a caution, what stays as it is
 * comes before what changes, and what is off is left out.
 *
 * @param own ids of the coach's own drills
 * @param today yyyy-mm-dd
 * @example browse([findDrill('towel-hug')!], new Set(), { ...noWishes, family: 'open' }, '2026-11-23')[0]?.drill.id // 'towel-hug'
 */
export function browse(drills: readonly Drill[], own: ReadonlySet<string>, wishes: Wishes, today: string): Hit[] {
  const words = wishes.words.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const gates = wishes.caution ? gatesOfOne(wishes.caution, today) : null;
  const order = { 'as it is': 0, changed: 1, off: 2 } as const;
  return drills
    .filter((drill) => {
      const text = textOf(drill);
      return (
        words.every((word) => text.includes(word)) &&
        (!wishes.family || drill.family === wishes.family) &&
        (!wishes.region || wishes.region in openedRegions(drill, 'both')) &&
        (!wishes.position || drill.positions.includes(wishes.position)) &&
        (!wishes.prop || (wishes.prop === 'none' ? drill.props.length === 0 : drill.props.includes(wishes.prop))) &&
        (!wishes.school || schoolFit(drill, wishes.school) >= 0)
      );
    })
    .map((drill): Hit => ({ drill, own: own.has(drill.id), suit: gates ? suitOf(drill, gates) : null }))
    .filter(({ suit }) => suit?.level !== 'off')
    .sort(
      (a, b) =>
        (a.suit && b.suit ? order[a.suit.level] - order[b.suit.level] : 0) ||
        (wishes.school ? schoolFit(b.drill, wishes.school) - schoolFit(a.drill, wishes.school) : 0),
    );
}
