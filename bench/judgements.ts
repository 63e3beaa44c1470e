/** What a practitioner of another school would say of each plan. Kept by hand; common practice, no published source. */
export const judgements: Readonly<Record<string, string>> = {
  upperChest:
    'A lateral coach: “No band before the fourth visit?” The towel is the fourth step of the trade’s order and does not come in even at 40 minutes, since the side carries on what the tuck began. The order (shape, nose, hands, long exhale) holds; four drills on the same side are a little alike.',
  bellyOnly:
    'A quiet-chest coach: “You contain what I would praise.” That is the disagreement the Read page shows, not a fault. The long exhale stands before the stack, where the trade names the stack first: within a stage easier positions come first, and the stack profits from ribs that came down.',
  heldInInhale:
    'An all-regions coach would want the half-dome sooner. At 15 minutes it is not in; exhale and stack are, which is the trade’s order. The straw beside the wall exhale at 25 minutes is one exhale more than most would give.',
  pitchedForward:
    'A stacker: “Ribs back over the pelvis before you fill them.” Towel, wall and elbows come in the order of the row; the light tension from below has the ball. Half-dome with ribs carried in front is right for the mid-back, and the coach watches that it does not hang.',
  sidesAndBackClosed:
    'A stacker would keep a light front tension while the back opens; nothing here teaches it. Side up, towel, wall behind, half-dome: three kinds of feedback, gentle to demanding.',
  oneSide:
    'A stacker: “The open side is held in inhale: let it down first.” No drill exhales into the open side alone; the catalogue has none. Only one side is worked, so a long visit has nothing more that answers: the page says 20 minutes are left, which is true and a gap of the catalogue.',
  pumpClosed:
    'A quiet-chest coach would not treat it. Quadruped comes before the sternum breath, because the floor comes before standing; the trade names the band and the sternum first. The calm-down breath answers nothing here but to begin.',
  paradoxical:
    'Anybody: “Is it still there inclined and sitting? Then refer.” The plan is small, propped and under the hands; at 25 minutes the tuck lies flat, where a weak diaphragm shows most, so a coach who saw it lying keeps that position out.',
  forcedBelly:
    'A stacker would give the belly something to meter it. Wait and let it come, then the wall behind: the trade’s two steps. Quiet nose before both is right.',
  shallowBraced:
    'A load coach: “Lying for 25 minutes teaches bracing on the floor only.” For a first visit support, release and a longer exhale are the row. The two long exhales next to each other are alike in shape.',
  topDown:
    'A load coach would skip the drawing-in and scale a brace. Ball, heel slide, march in the order of the row; the march is there from 25 minutes on. Supported release to begin costs three minutes that some would rather give to the ball.',
  floorHolds:
    'A lateral coach would let the floor follow the breath. Release, child’s pose, hips and figure four, no lift, nothing on the front: the row as it stands.',
  floorLate:
    'A load coach: “Bridge sooner, and breathe out.” The timing comes with its own first step (widen and settle) after the ball, because sitting comes after lying; bridge and chair rise follow from 25 and 40 minutes. Side-lying, upper ribs open is the back-rib work here.',
  airHunger:
    'A quiet-chest coach: “Holds are not needed.” The pauses are short and come after nose and lightness. Five and five is one cadence too many for somebody who gulps; it can be taken out with one press.',
  positionDependent:
    'A stacker would stack before searching. The tuck is where the breath is good; then the tilt, then own hands, sitting or standing: one position up, as the trade says. The band at the waist at 15 minutes stands for one more round of the search.',
  even: 'A breathing teacher would look for something to mend. Nothing is: neutral, hinge, squat, rise, walk. Two of them are new at once, the most that is allowed.',
};
