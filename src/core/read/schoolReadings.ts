import { type SchoolId } from '../schools';

/** How schools read the same pattern; one that is not listed has no reading of its own. */
export interface SchoolReading {
  readings: Partial<Record<SchoolId, string>>;
  /** Where they part, in one sentence. */
  disagreement: string;
}

/** By pattern id. Opinion of the trade, common practice; none of it is printed as fact. */
export const schoolReadings: Readonly<Record<string, SchoolReading>> = {
  upperChest: {
    readings: {
      quietChest: 'A low breath lost by disuse: still the chest hand, let the belly hand move, in 2 out 6.',
      oppositionAndStack: 'Sparing the neck is right, but first the exhale until the front abdominals arrive.',
      lateralAnd360: 'Too much up, too little wide: a band round the lower ribs.',
      openAllRegions: 'One way out too many used: the chest may move, it must not be the only part.',
      airHungerTolerance: 'More air than is needed: a lighter nose breath comes before any region.',
    },
    disagreement:
      'They agree on sparing the neck; they part on whether the chest should then be still or simply not alone.',
  },
  bellyOnly: {
    readings: {
      quietChest: 'A belly that rises under a still chest is the wanted breath; all-round comes later.',
      oppositionAndStack: 'A belly let go: less lower-rib motion, weight forward, back squeezed; contain it lightly.',
      lateralAnd360: 'The belly may rise gently, but sides and back must fill the band.',
      openAllRegions: 'Only one way out: nothing wrong with the belly, the others are missing.',
      loadMatched: 'No concern unless the trunk can’t be stiffened for the load.',
    },
    disagreement:
      'What one school calls the goal, another calls the fault: whether the belly should rise freely or be contained.',
  },
  heldInInhale: {
    readings: {
      oppositionAndStack: 'The exhale is not finished: sigh or hiss until ribs and abdominals arrive, then inhale.',
      lateralAnd360: 'Let the ribs soften on an even pursed exhale; do not pull them.',
      openAllRegions: 'Muscles already short have little left to inhale with: down first, then over the half-dome.',
      loadMatched: 'Ribs lifted a little are wanted under load; only a chest that can’t come down is a concern.',
    },
    disagreement: 'Whether ribs are actively brought down, left to soften, or kept from being pulled down.',
  },
  pitchedForward: {
    readings: {
      oppositionAndStack: 'Shift the ribs back over the pelvis with a slight back-tip, then keep the tension.',
      lateralAnd360: 'Back ribs first, with a towel to breathe into.',
      pelvicFloorTeam: 'The lids of the canister do not face each other: stack before any floor work.',
      openAllRegions: 'The back is the way out that is missing.',
    },
    disagreement: 'Whether the trunk is stacked by tension from the front or by opening the back.',
  },
  sidesAndBackClosed: {
    readings: {
      quietChest: 'All-round comes later: first a low breath that is there every time.',
      oppositionAndStack: 'A light front tension sends the breath to sides and back.',
      lateralAnd360: 'The main finding: band round the ribs, even pursed exhale.',
      openAllRegions: 'Change the position until the sides are the easiest way out.',
    },
    disagreement:
      'Whether sides and back are opened by tension in front, by a band to push against, or by position alone.',
  },
  oneSide: {
    readings: {
      lateralAnd360: 'Hand or band on the closed side, even exhale.',
      openAllRegions: 'Side-lying or bending makes the closed side the easiest way.',
      oppositionAndStack: 'The open side is held in inhale: exhale there first.',
    },
    disagreement: 'Whether one opens the closed side or lets the open side come down.',
  },
  pumpClosed: {
    readings: {
      quietChest: 'A chest that stays quiet is no finding.',
      openAllRegions: 'The pump must be available too: sides quiet, sternum and shoulder blades.',
      oppositionAndStack: 'The sternum stays fairly high and comes forward; back of the chest over the half-dome.',
    },
    disagreement: 'Whether a still chest is the goal or a closed way.',
  },
  paradoxical: {
    readings: {
      quietChest: 'The breath is too big: smaller, under a hand.',
      oppositionAndStack: 'Drawing in on the inhale is effort the wrong way round: exhale, pause, let it come.',
      airHungerTolerance: 'Less air, through the nose.',
    },
    disagreement: 'None that matters here: smaller first; if it stays at rest, refer.',
  },
  forcedBelly: {
    readings: {
      quietChest: 'The belly should rise by itself: let it come, no pushing.',
      oppositionAndStack: 'A belly pushed out needs a light tension that meters the inhale.',
      lateralAnd360: 'Give sides and back a wall to fill.',
      loadMatched: 'Pushing out is a brace at the wrong time.',
    },
    disagreement: 'Whether the belly is freed or contained once the pushing stops.',
  },
  shallowBraced: {
    readings: {
      quietChest: 'Support, rest, then a small low breath.',
      pelvicFloorTeam: 'Top and bottom lid both hold: release set first.',
      openAllRegions: 'Every way out is narrow: the position that gives most first.',
      loadMatched: 'Stiff without a load: a brace that is never let go costs speed and air.',
    },
    disagreement: 'Little: all let go first; they part on what comes after.',
  },
  topDown: {
    readings: {
      pelvicFloorTeam: 'Lower first, hands low, ball between the knees.',
      oppositionAndStack: 'Exhale until front and outer abdominals arrive together; order matters less.',
      loadMatched: 'No drawing-in: the wall should stiffen all round, scaled to the load.',
    },
    disagreement: 'Whether the abdominals come low-to-high, all together, or as a brace.',
  },
  floorHolds: {
    readings: {
      pelvicFloorTeam: 'Lengthen and release; no lifts until it lets go.',
      lateralAnd360: 'The floor recoils by itself once the breath reaches it.',
      oppositionAndStack: 'Stack first: a floor under a tipped pelvis can’t let go.',
    },
    disagreement: 'Whether the floor is released directly, or follows once the trunk is stacked.',
  },
  floorLate: {
    readings: {
      pelvicFloorTeam: 'Lift with the exhale at 25–30 %, before the effort.',
      lateralAnd360: 'The floor recoils on the exhale; no separate lift.',
      loadMatched: 'The brace must come before the load; breathing out through it is enough.',
    },
    disagreement: 'Whether the lift is taught on its own or left to come with the exhale or the brace.',
  },
  airHunger: {
    readings: {
      airHungerTolerance: 'Light nose breathing, calm holds; praise calm.',
      quietChest: 'Nose, small and slow; holds are not needed.',
      openAllRegions: 'Ask first whether a closed region makes the breath feel short.',
    },
    disagreement: 'Whether the wish to breathe is trained by holds or eases by itself with a better breath.',
  },
  positionDependent: {
    readings: {
      quietChest: 'The posture that takes the deepest low breath is good posture: find it in each position.',
      oppositionAndStack: 'The stack is lost against gravity: keep the tension on the way up.',
      openAllRegions: 'Positions decide where the resistance is: one step harder at a time.',
    },
    disagreement: 'Whether posture follows the breath or the breath follows the stack.',
  },
  even: {
    readings: {
      loadMatched: 'Load and move; match stiffness to the task.',
      openAllRegions: 'Nothing to fix: vary.',
      quietChest: 'Keep it as a daily habit.',
    },
    disagreement: 'None: nobody would fix this.',
  },
};
