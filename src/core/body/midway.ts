import { type Arm, type Leg, type Pose, type Side } from './pose';
import { type Body, solve } from './solve';
import { type Bend, type Swelling } from './trunk';
import { type Vec, between, minus } from '../vector';

const mix = (a: number, b: number, part: number) => a + (b - a) * part;
const mixBend = (a: Bend | undefined, b: Bend | undefined, part: number): Bend => ({
  forward: mix(a?.forward ?? 0, b?.forward ?? 0, part),
  left: mix(a?.left ?? 0, b?.left ?? 0, part),
  turn: mix(a?.turn ?? 0, b?.turn ?? 0, part),
});
const outward = ([x, y, z]: Vec, side: Side): Vec => [x, side === 'left' ? y : -y, z];

/**
 * A body on its way from one pose to another of the same person: pelvis and spine go evenly, feet and hands take the straight way,
 * knees and elbows follow by reach.
 *
 * @param part 0 at the first, 1 at the second
 * @param swelling how far parts of the trunk stand out by the breath, in metres
 */
export function midway(a: Body, b: Body, part: number, swelling: Swelling = {}): Body {
  const [from, to] = [a.stands, b.stands];
  const legs = (side: Side): Leg => {
    const [one, other] = [a.legs[side], b.legs[side]];
    const knee = minus(
      between(one.knee, other.knee, part),
      between(between(one.hip, other.hip, part), between(one.ankle, other.ankle, part), 0.5),
    );
    return {
      foot: outward(between(one.ankle, other.ankle, part), side),
      knee: outward(knee, side),
      toes: outward(between(minus(one.toe, one.heel), minus(other.toe, other.heel), part), side),
      sole: outward(between(one.sole, other.sole, part), side),
    };
  };
  const arms = (side: Side): Arm => {
    const [one, other] = [a.arms[side], b.arms[side]];
    const elbow = minus(
      between(one.elbow, other.elbow, part),
      between(between(one.shoulder, other.shoulder, part), between(one.wrist, other.wrist, part), 0.5),
    );
    return {
      hand: {
        within: 'room',
        at: outward(between(one.palm, other.palm, part), side),
        fingers: outward(between(minus(one.knuckles, one.wrist), minus(other.knuckles, other.wrist), part), side),
        palm: outward(between(one.faces, other.faces, part), side),
        grip: one.grip,
      },
      elbow: outward(elbow, side),
      elbowWithin: 'room',
    };
  };
  const pose: Pose = {
    root: {
      pitch: mix(from.root.pitch, to.root.pitch, part),
      roll: mix(from.root.roll ?? 0, to.root.roll ?? 0, part),
      lean: mix(from.root.lean ?? 0, to.root.lean ?? 0, part),
      turn: mix(from.root.turn ?? 0, to.root.turn ?? 0, part),
      at: between(from.root.at, to.root.at, part),
    },
    lumbar: mixBend(from.lumbar, to.lumbar, part),
    thoracic: mixBend(from.thoracic, to.thoracic, part),
    neck: mixBend(from.neck, to.neck, part),
    head: mixBend(from.head, to.head, part),
    legs: { left: legs('left'), right: legs('right') },
    arms: { left: arms('left'), right: arms('right') },
    touches: [],
    free: [],
  };
  return solve(pose, a.build, swelling);
}
