import { type Bend } from './trunk';
import { type Vec } from '../vector';

export type Side = 'left' | 'right';
export const sides = ['left', 'right'] as const;

/**
 * A direction or place in the room as one side of the body has it: ahead, outward from the middle, up. The same numbers mean
 * the mirrored thing on the other side.
 */
type Outward = Vec;

/** How a piece of a limb goes: in a direction, or level in a direction (degrees outward from ahead) until it ends at a height. */
export type Aim = { toward: Outward } | { heading: number; ends: number | 'rest' };

export type Leg =
  /** The ankle is put somewhere, the knee points where it is told. */
  | { foot: Outward; knee: Outward; toes?: Outward; sole?: Outward }
  /** Thigh and shank are laid. */
  | { thigh: Aim; shank: Aim; toes?: Outward; sole?: Outward };

/** In which directions a hand is placed: those of the room, or headward, front and outward of a part of the body. */
export type Within = 'room' | 'pelvis' | 'chest' | 'head';

/** Where a palm lies, which way its fingers go and which way it faces. */
export type Hand =
  /** On the trunk: height above the hip joints, degrees from the front to the hand's own side, fingers turned from headward to that side. */
  | { on: 'trunk'; height: number; round: number; fingers: number; within?: never }
  /** On a limb: how far along from its root, and which way out of its middle line. */
  | {
      on: 'thigh' | 'shank' | 'upperArm';
      of: 'own' | 'other';
      along: number;
      away: Outward;
      fingers: Outward;
      within?: never;
    }
  | { within: Within; at: Vec; fingers: Vec; palm: Vec; grip?: boolean };

export type Arm =
  | { hand: Hand; elbow: Vec; elbowWithin?: Within }
  /** Upper arm, forearm and hand are laid, in directions of the room or of the chest. */
  | { within: Within; upper: Vec; fore: Vec; fingers?: Vec; palm?: Vec; grip?: boolean };

/** What is solved for so that the body touches what carries it. */
export type Unknown = 'up' | 'pitch' | 'nod' | 'ahead';

/** A part that touches, and at which height. */
export interface Contact {
  part: 'pelvis' | 'belly' | 'chest' | 'head' | 'knees' | 'shoulders' | 'hips' | 'elbows';
  at: number;
}

/** A pose as somebody who teaches it would tell it. Degrees and metres. */
export interface Pose {
  root: {
    /** 0 upright, 90 face down with the head ahead, -90 on the back with the head behind. */
    pitch: number;
    /** About the body's own length; -90 on the back is the left side up. */
    roll?: number;
    /** To the left. */
    lean?: number;
    /** Of the whole, seen from above, to the left. */
    turn?: number;
    at: Vec;
  };
  lumbar?: Bend;
  thoracic?: Bend;
  neck?: Bend;
  head?: Bend;
  legs: Readonly<Record<Side, Leg>>;
  arms: Readonly<Record<Side, Arm>>;
  touches: readonly Contact[];
  free: readonly Unknown[];
}

const mirroredBend = (bend: Bend | undefined): Bend | undefined =>
  bend && {
    ...bend,
    ...(bend.left === undefined ? {} : { left: -bend.left }),
    ...(bend.turn === undefined ? {} : { turn: -bend.turn }),
  };

/**
 * The same pose with left and right exchanged.
 */
export function mirrored(pose: Pose): Pose {
  const { roll, lean, turn, at } = pose.root;
  const negative = (value: number | undefined) => (value === undefined || value === 0 ? value : -value);
  return {
    ...pose,
    root: {
      ...pose.root,
      at: [at[0], at[1] === 0 ? 0 : -at[1], at[2]],
      ...(roll === undefined ? {} : { roll: negative(roll)! }),
      ...(lean === undefined ? {} : { lean: negative(lean)! }),
      ...(turn === undefined ? {} : { turn: negative(turn)! }),
    },
    lumbar: mirroredBend(pose.lumbar),
    thoracic: mirroredBend(pose.thoracic),
    neck: mirroredBend(pose.neck),
    head: mirroredBend(pose.head),
    legs: { left: pose.legs.right, right: pose.legs.left },
    arms: { left: pose.arms.right, right: pose.arms.left },
  };
}
