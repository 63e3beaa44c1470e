import { type Drill } from '../catalogue';
import { type AxisId, type SchoolId, schools } from '../schools';

/**
 * On how many of the axes that schools differ on a drill stands as one of them teaches every day.
 *
 * @example axesShared(findDrill('hook-stack')!, 'oppositionAndStack') > 0 // true
 */
export const axesShared = ({ stances }: Pick<Drill, 'stances'>, school: SchoolId): number =>
  (Object.entries(schools[school].everyday) as [AxisId, string][]).filter(
    ([axis, stance]) => stances[axis]?.stance === stance,
  ).length;
