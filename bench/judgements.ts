/** What a practitioner of another school would say of each plan. Kept by hand; common practice, no published source. */
export const judgements: Readonly<Record<string, string>> = {
  upperChest:
    'A lateral coach: “No band before 40 minutes?” The towel is the fourth step of the trade’s order and comes with the fourth place. Shape, nose, long exhale, hands: the order holds, though the hands come after the hiss, since sitting comes after lying. Never three of a kind now: back, side, propped, sitting; the words still differ more than the breath does.',
  bellyOnly:
    'A quiet-chest coach: “You contain what I would praise.” That is the disagreement the Read page shows, not a fault. The long exhale stands before the stack, where the trade names the stack first: within a stage easier positions come first, and the stack profits from ribs that came down. The straw at 40 minutes, sitting down before one lies again, costs a change of position that a coach may not want.',
  heldInInhale:
    'An all-regions coach would want the half-dome sooner. At 15 minutes it is not in; exhale and stack are, which is the trade’s order. At 40 minutes hiss, straw and heels on the wall are three ways to one long exhale; two would do, and the third goes with one press.',
  pitchedForward:
    'A stacker: “Ribs back over the pelvis before you fill them.” Towel, wall and elbows come in the order of the row; the light tension from below has the ball. Half-dome with ribs carried in front is right for the mid-back, and the coach watches that it does not hang.',
  sidesAndBackClosed:
    'A stacker would keep a light front tension while the back opens; nothing here teaches it. Side up, towel, wall behind, half-dome: three kinds of feedback, gentle to demanding. Forty minutes put hands between, which is what a coach would do with the time.',
  oneSide:
    'A stacker: “The open side is held in inhale: let it down first.” No drill exhales into the open side alone; the catalogue has none. Only one side is worked, so forty minutes have nothing more that answers and the straw is there to rest between bends: the page says 9 minutes are left, which is true and a gap of the catalogue.',
  pumpClosed:
    'A quiet-chest coach would not treat it. Quadruped comes before the sternum breath, because the floor comes before the chair; the trade names the band and the sternum first. The calm-down breath answers nothing here but to begin.',
  paradoxical:
    'Anybody: “Is it still there inclined and sitting? Then refer.” The plan is small, propped and under the hands; from 25 minutes on the tuck lies flat, where a weak diaphragm shows most, so a coach who saw it lying keeps that position out.',
  forcedBelly:
    'A stacker would give the belly something to meter it. Wait and let it come, then the wall behind: the trade’s two steps. Quiet nose before both is right.',
  shallowBraced:
    'A load coach: “Lying for 25 minutes teaches bracing on the floor only.” For a first visit support, release and a longer exhale are the row. Figure four gives way to widen and settle at 40 minutes; either answers the row, and the hips would be this reviewer’s choice.',
  topDown:
    'A load coach would skip the drawing-in and scale a brace. Ball, heel slide, march in the order of the row; the march is there from 25 minutes on. Supported release to begin costs three minutes that some would rather give to the ball; three sets of the ball on a first day are for somebody who does not tire.',
  floorHolds:
    'A lateral coach would let the floor follow the breath. Release, child’s pose, hips and figure four, no lift, nothing on the front: the row as it stands. Three sets of figure four at 40 minutes are a stay, not an effort.',
  floorLate:
    'A load coach: “Bridge sooner, and breathe out.” The timing comes with its own first step (widen and settle) after the ball, because sitting comes after lying; bridge and chair rise follow from 25 and 40 minutes. Side-lying, upper ribs open is the back-rib work here; at 40 minutes a straw takes its place, where this reviewer would keep the ribs.',
  airHunger:
    'A quiet-chest coach: “Holds are not needed.” The pauses are short and come after nose and lightness. Five and five is one cadence too many for somebody who gulps; it can be taken out with one press.',
  positionDependent:
    'A stacker would stack before searching. The tuck is where the breath is good; then the tilt, then own hands, sitting or standing: one position up, as the trade says. The squat at 40 minutes tries the find where it is lost most easily, which is bold for a first visit.',
  even: 'A breathing teacher would look for something to mend. Nothing is: neutral, rise, hinge, squat, walk. Two of them are new at once, the most that is allowed. The straw at 40 minutes is a rest between sets rather than an answer.',
};
