import { type RegionId, regionIds } from '../trunk';
import { type Chance } from '../numbers';
import {
  type Evidence,
  type Measured,
  type Sign,
  type TroubleId,
  evidenceOf,
  measuredIds,
  signIds,
  signRates,
  usualNumbers,
} from './evidence';

export const degrees = ['mild', 'clear', 'marked'] as const;
export type Degree = (typeof degrees)[number];
/** How much of the marked evidence is there. Ours. */
const partOf: Readonly<Record<Degree, number>> = { mild: 0.45, clear: 0.75, marked: 1 };
/** A sign is there or not: what is clear shows its signs nearly as often as what is marked. Ours. */
const signPartOf: Readonly<Record<Degree, number>> = { mild: 0.45, clear: 0.95, marked: 1 };

/** Somebody as they are, whatever a coach sees of it. */
export interface Person {
  trouble: TroubleId | null;
  degree: Degree | null;
  side: 'left' | 'right' | null;
  /** How far each part opens on a deep breath, sitting, in grades; not cut to the scale. */
  trunk: Record<RegionId, number>;
  /** How much less it is on a quiet breath. */
  quietLess: number;
  signs: Record<Sign, boolean>;
  numbers: Record<Measured, number>;
  /** How far each side opens in a bend. */
  bend: { left: number; right: number };
  /** Feels the pelvic floor at all. */
  feelsFloor: boolean;
}

/** How people differ beyond what is wrong with them; the worlds of the study change it. Sizes ours. */
export interface People {
  /** Spread of a single part about the person's own breath, in grades. */
  partSpread: number;
  /** Factor on how often even people show a sign that means nothing in them. */
  signFactor: number;
}
export const usualPeople: People = { partSpread: 0.28, signFactor: 1 };

const pairs = [
  ['leftSide', 'rightSide'],
  ['leftBack', 'rightBack'],
] as const;

/**
 * A made-up person with one way of breathing, or an even one.
 *
 * @param trouble what is so of them; null for an even person
 * @param degree how marked it is
 * @example personWith(chanceFrom(1), null, null).trouble // null
 */
export function personWith(
  chance: Chance,
  trouble: TroubleId | null,
  degree: Degree | null,
  people: People = usualPeople,
): Person {
  const evidence: Evidence = trouble ? evidenceOf[trouble] : {};
  const part = degree ? partOf[degree] : 0;
  const signPart = degree ? signPartOf[degree] : 0;
  const side = trouble === 'oneSide' ? chance.pick(['left', 'right'] as const) : null;
  const size = chance.normal(2.3, 0.3);
  const trunk = {} as Record<RegionId, number>;
  for (const id of regionIds) trunk[id] = size + chance.normal(0, people.partSpread);
  // Left and right of one body differ less than two parts of it.
  for (const [left, right] of pairs) {
    const middle = (trunk[left] + trunk[right]) / 2;
    const lean = chance.normal(0, people.partSpread * 0.6);
    trunk[left] = middle + lean;
    trunk[right] = middle - lean;
  }
  for (const id of regionIds) trunk[id] += (evidence.everywhere ?? 0) * part;
  const moved = Object.entries(evidence.regions ?? {}) as [RegionId | 'closedSide' | 'closedBack', number][];
  for (const [id, steps] of moved) trunk[definite(id, side)] += steps * part;

  const signs = {} as Record<Sign, boolean>;
  for (const id of signIds) {
    const usual = Math.min(0.9, signRates[id] * people.signFactor);
    const marked = evidence.signs?.[id];
    signs[id] = chance.yes(marked === undefined ? usual : usual + Math.max(0, marked - usual) * signPart);
  }
  const numbers = {} as Record<Measured, number>;
  for (const id of measuredIds) {
    const [mean, spread] = usualNumbers[id];
    numbers[id] = chance.normal(mean + (evidence.numbers?.[id] ?? 0) * part, spread);
  }
  const bendOf = (which: 'left' | 'right') =>
    numbers.bend + chance.normal(0, 0.25) + (which === side ? (evidence.closedBend ?? 0) * part : 0);
  return {
    trouble,
    degree,
    side,
    trunk,
    quietLess: Math.max(0.2, chance.normal(0.7, 0.2)),
    signs,
    numbers,
    bend: { left: bendOf('left'), right: bendOf('right') },
    feelsFloor: chance.yes(trouble === 'floorHolds' ? 0.6 : 0.8),
  };
}

function definite(id: RegionId | 'closedSide' | 'closedBack', side: 'left' | 'right' | null): RegionId {
  if (id === 'closedSide') return side === 'right' ? 'rightSide' : 'leftSide';
  if (id === 'closedBack') return side === 'right' ? 'rightBack' : 'leftBack';
  return id;
}
