import { type Drill } from './schema';
import { carryDrills } from './drills/carry';
import { exhaleDrills } from './drills/exhale';
import { floorDrills } from './drills/floor';
import { holdDrills } from './drills/hold';
import { moveDrills } from './drills/move';
import { openDrills } from './drills/open';
import { releaseDrills } from './drills/release';
import { settleDrills } from './drills/settle';
import { stackDrills } from './drills/stack';
import { strengthDrills } from './drills/strength';
import { loadDrill } from './underLoad';

/** The built-in drills, family by family. The catalogue's test holds each against the schema. */
export const drills: readonly Drill[] = [
  ...settleDrills,
  ...exhaleDrills,
  ...openDrills,
  ...stackDrills,
  ...releaseDrills,
  ...floorDrills,
  ...strengthDrills,
  ...moveDrills,
  ...holdDrills,
  ...carryDrills,
];

const byId = new Map(drills.map((drill) => [drill.id, drill]));

/** Drills that became one with another: old plans and records still lead to it. */
const mergedInto = new Map([['floor-lets-go', 'supported-release']]);

/** A drill by its id, or undefined: an old plan may name a drill that is no longer here. */
export const findDrill = (id: string): Drill | undefined => byId.get(mergedInto.get(id) ?? id) ?? loadDrill(id);

export { componentsOf, pauses } from './contains';
export { inProps } from './inProps';
export { remade } from './remake';
export { startCadence } from './drill';
export { drillOfLoad, drillUnderLoad } from './ownLoad';
export { type BandLevel, type HandsId, type LegsId, bandLevelIds, handIds, legIds } from './figure';
export { movementInWords } from './movementInWords';
export { type MovementId, movementIds, movementWords } from './movements';
export { type FaultId, correctionLadder, faultIds, faults } from './faults';
export { type PositionId, changeSeconds, placeInOrder, positionIds, positionList, positions } from './positions';
export { type PropId, asGood, bodyProps, propIds, propList, props, propsInWords, substituteFor } from './props';
export { type Cue, type Drill, type Range, drillSchema } from './schema';
export { type FamilyId, cueKinds, families, familyIds, openedIds, skillIds, stepPhaseNames } from './vocabulary';
