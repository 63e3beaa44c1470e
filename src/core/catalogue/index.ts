import { type Drill, drillSchema } from './schema';
import { floorDrills } from './drills.floor';
import { openDrills } from './drills.open';
import { settleDrills } from './drills.settle';
import { stackDrills } from './drills.stack';

/** The built-in drills. The catalogue's test holds each against the schema. */
export const drills: readonly Drill[] = [...settleDrills, ...stackDrills, ...floorDrills, ...openDrills];

const byId = new Map(drills.map((drill) => [drill.id, drill]));

/** A drill by its id, or undefined: an old plan may name a drill that is no longer here. */
export const findDrill = (id: string): Drill | undefined => byId.get(id);

export { drillSchema };
export { startCadence } from './drill';
export { type FaultId, faultIds, faults } from './faults';
export { type Position, type PositionId, changeSeconds, positionIds, positionList, positions } from './positions';
export { type Prop, type PropId, bodyProps, propIds, propList, props, substituteFor } from './props';
export { type Drill, type OpenedId, type Range } from './schema';
