import { regionIds } from '../trunk';

export const skillIds = [
  'settle',
  'exhale',
  'nose',
  'lowBreath',
  'lightness',
  'release',
  'stack',
  'lowToHigh',
  'floorTiming',
  'tolerance',
  'variety',
] as const;

/** Regions a drill opens. In a sided drill `openSide` and `openBack` are the side that is worked. */
export const openedIds = [...regionIds, 'openSide', 'openBack'] as const;

/** What a drill is mainly for; the catalogue is browsed by it, and a plan begins with one kind and ends with another. */
export const families = {
  settle: 'settle and find the low breath',
  exhale: 'a longer, complete exhale',
  open: 'open sides, back and chest',
  stack: 'ribs over pelvis',
  release: 'let go and lengthen',
  floor: 'pelvic floor and lower abdominals',
  strength: 'strength with the breath',
  move: 'movement with the breath',
  hold: 'pauses and holds',
  carry: 'carry it into daily posture',
} as const;
export type FamilyId = keyof typeof families;
export const familyIds = Object.keys(families) as [FamilyId, ...FamilyId[]];

export const cueKinds = ['image', 'touch', 'instruction', 'sound', 'count'] as const;
export type CueKind = (typeof cueKinds)[number];

/** When in a breath a step of a drill is done, as it is read. */
export const stepPhaseNames = {
  throughout: 'Throughout',
  inhale: 'In',
  topPause: 'Pause',
  exhale: 'Out',
  bottomPause: 'Pause',
} as const;
export const stepPhaseIds = Object.keys(stepPhaseNames) as [
  keyof typeof stepPhaseNames,
  ...(keyof typeof stepPhaseNames)[],
];
