export {
  type AxisId,
  type SchoolId,
  type StanceChoice,
  type StanceOf,
  type Stances,
  axes,
  axisIds,
  clashes,
  contradictions,
  everydayRules,
  schoolIds,
  schools,
} from './schools';
