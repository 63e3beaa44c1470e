import { type StanceOf, type Stances } from '../schools';
import { type RegionId } from './regions';

/**
 * How far each part of the canister travels in one breath, as a teaching figure shows it. 1 is a full, free breath of that
 * part; the numbers are for drawing and say nothing about a client. Ours; common practice, no published source.
 */
export interface TrunkMotion {
  /** The dome going down on the inhale. */
  dome: number;
  /** The belly coming forward on the inhale, and how far in it is carried all the while (a drawn-in hollow). */
  belly: number;
  bellyOffset: number;
  /** The lower belly draws in first on the exhale, then upward. */
  lowToHigh: boolean;
  /** How firm the wall is drawn: soft, light, firm. */
  wall: 'soft' | 'light' | 'firm';
  chestFront: number;
  chestBack: number;
  sides: { left: number; right: number };
  lowBack: number;
  /** The ribs at the end of the exhale: below rest when brought down, above it when kept from being pulled down. */
  ribsAfterExhale: number;
  /** The floor going down on the inhale, lifted above rest at the end of the exhale, and held up all the while. */
  floorDown: number;
  floorLift: number;
  floorOffset: number;
  /** What the figure shows, in sentences. */
  words: string[];
}

const bellies: Readonly<Record<StanceOf<'bellyOnInhale'>, { belly: number; words: string }>> = {
  'rises freely': { belly: 1, words: 'The belly rises freely.' },
  'rises gently': { belly: 0.55, words: 'The belly rises a little.' },
  'is contained by light tension': { belly: 0.15, words: 'The belly is held lightly: ribs and back widen instead.' },
};

const chests: Readonly<Record<StanceOf<'chestOnInhale'>, { front: number; back: number; words: string | null }>> = {
  'stays quiet': { front: 0.05, back: 0.1, words: 'The chest stays quiet.' },
  'moves front-and-back': { front: 0.6, back: 0.5, words: 'The chest moves front and back.' },
  'isolated on purpose': { front: 0.9, back: 0.5, words: 'The chest alone, on purpose.' },
};

const walls: Readonly<
  Record<
    StanceOf<'abdominalStrategy'>,
    { wall: TrunkMotion['wall']; offset: number; part: number; low: boolean; words: string | null }
  >
> = {
  relaxed: { wall: 'soft', offset: 0, part: 1, low: false, words: null },
  opposition: { wall: 'light', offset: 0, part: 0.5, low: false, words: 'The front keeps a light tension.' },
  'low-to-high': {
    wall: 'light',
    offset: 0,
    part: 1,
    low: true,
    words: 'The lower belly draws in first, then upward.',
  },
  'drawn-in hollow': { wall: 'firm', offset: -0.5, part: 0.2, low: false, words: 'The belly stays drawn in.' },
  'brace matched to the load': {
    wall: 'firm',
    offset: 0.1,
    part: 0.25,
    low: false,
    words: 'The wall is firm all round.',
  },
};

const ribs: Readonly<Record<StanceOf<'ribsOnExhale'>, { after: number; words: string | null }>> = {
  'let soften': { after: 0, words: null },
  'actively brought down and in': { after: -0.35, words: 'The ribs are brought down and in on the exhale.' },
  'kept from being pulled down': { after: 0.3, words: 'The ribs are kept from being pulled down.' },
};

const floors: Readonly<Record<StanceOf<'pelvicFloor'>, { down: number; lift: number; offset: number; words: string }>> =
  {
    'only release': { down: 1, lift: 0, offset: 0, words: 'The floor only lets go.' },
    'moves with the breath': {
      down: 0.7,
      lift: 0.15,
      offset: 0,
      words: 'The floor sinks on the inhale and recoils on the exhale.',
    },
    'gentle lift on exhale': { down: 0.6, lift: 0.6, offset: 0, words: 'The floor lifts gently on the exhale.' },
    'light hold through breaths': { down: 0.25, lift: 0.15, offset: 0.4, words: 'The floor keeps a light lift.' },
  };

/** Gains of the catalogue run from 1 to 3. */
const opened = (gain: number | undefined, base: number) => Math.max(base, ((gain ?? 0) / 3) * 1);

/**
 * How the canister moves in a drill: from its stances, and the regions it opens.
 *
 * @param stances of the drill; an axis without one moves as in a free breath
 * @param opens regions the drill opens, 1 to 3, on the side worked
 * @example trunkMotion({ bellyOnInhale: { stance: 'is contained by light tension', scope: 'this drill' } }, {}).belly // 0.15
 */
export function trunkMotion(stances: Stances, opens: Partial<Record<RegionId, number>>): TrunkMotion {
  const belly = bellies[stances.bellyOnInhale?.stance ?? 'rises gently'];
  const chest = stances.chestOnInhale && chests[stances.chestOnInhale.stance];
  const wall = walls[stances.abdominalStrategy?.stance ?? 'relaxed'];
  const rib = ribs[stances.ribsOnExhale?.stance ?? 'let soften'];
  const floor = floors[stances.pelvicFloor?.stance ?? 'moves with the breath'];
  const contained = belly.belly < 0.3;
  const side = contained ? 0.6 : 0.35;
  return {
    dome: 1,
    belly: belly.belly * wall.part,
    bellyOffset: wall.offset,
    lowToHigh: wall.low,
    wall: contained && wall.wall === 'soft' ? 'light' : wall.wall,
    chestFront: chest?.front ?? opened(opens.chestFront, 0.15),
    chestBack: chest?.back ?? opened(opens.chestBack, 0.15),
    sides: { left: opened(opens.leftSide, side), right: opened(opens.rightSide, side) },
    lowBack: opened(Math.max(opens.lowBack ?? 0, opens.leftBack ?? 0, opens.rightBack ?? 0), contained ? 0.5 : 0.2),
    ribsAfterExhale: rib.after,
    floorDown: floor.down,
    floorLift: floor.lift,
    floorOffset: floor.offset,
    words: [
      'The dome goes down on the inhale.',
      belly.words,
      ...[chest?.words, wall.words, rib.words].filter((words): words is string => typeof words === 'string'),
      floor.words,
    ],
  };
}

/** How far along each part is at one moment: 0 rest, 1 a full free breath; below 0 drawn past rest. */
export interface TrunkMoment {
  dome: number;
  upperBelly: number;
  lowerBelly: number;
  chestFront: number;
  chestBack: number;
  leftSide: number;
  rightSide: number;
  lowBack: number;
  /** Above 0 lifted, below 0 sunk. */
  floor: number;
}

/** How much of the exhale the lower belly is ahead of the upper when it draws in first. */
const lowLead = 0.35;

const smooth = (x: number) => {
  const t = Math.min(1, Math.max(0, x));
  return t * t * (3 - 2 * t);
};

/**
 * The canister at a moment of a breath.
 *
 * @param level how full, 0 to 1, as {@link phaseAt} gives it
 * @param exhaling whether the air is going out or has gone out
 * @example trunkAt(trunkMotion({}, {}), 1, false).dome // 1
 */
export function trunkAt(motion: TrunkMotion, level: number, exhaling: boolean): TrunkMoment {
  const full = Math.min(1, Math.max(0, level));
  const empty = 1 - full;
  const ahead = motion.lowToHigh && exhaling;
  const lower = ahead ? 1 - smooth(empty / (1 - lowLead)) : full;
  const upper = ahead ? 1 - smooth((empty - lowLead) / (1 - lowLead)) : full;
  // Past rest only on the way out and after it; the inhale begins from there.
  const spent = smooth(empty) * motion.ribsAfterExhale;
  const rib = (amplitude: number) => full * amplitude + spent * Math.max(amplitude, 0.3);
  return {
    dome: full * motion.dome,
    upperBelly: upper * motion.belly + motion.bellyOffset,
    lowerBelly: lower * motion.belly + motion.bellyOffset - (motion.lowToHigh ? smooth(1 - lower) * 0.3 : 0),
    chestFront: rib(motion.chestFront),
    chestBack: rib(motion.chestBack),
    leftSide: rib(motion.sides.left),
    rightSide: rib(motion.sides.right),
    lowBack: full * motion.lowBack,
    floor: motion.floorOffset - full * motion.floorDown + smooth(empty) * motion.floorLift,
  };
}
