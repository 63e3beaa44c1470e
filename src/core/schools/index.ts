export {
  type AxisId,
  type SchoolId,
  type Stances,
  axes,
  axisIds,
  clashes,
  contradictions,
  everydayRules,
  schoolIds,
  schools,
} from './schools';
