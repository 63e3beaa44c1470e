import { type Raw, bestGrades } from '../look';
import { type Grades, type RegionId, regionIds } from '../trunk';
import { type Readings, type Reading, type Severity } from './findings';
import { type FindingId } from './findingTable';

/** Severity of a part that gives little: nothing at all 3, a trace 2, clear or full 0. */
const stillness = (grade: number): Severity => (grade === 0 ? 3 : grade === 1 ? 2 : 0);
/** Severity of parts that are all there: full 3, clear 2. */
const openness = (least: number): Severity => (least >= 3 ? 3 : least === 2 ? 2 : 0);

/** What one region map says. The better of quiet and deep counts: a part that opens on a deep breath is available. */
export function readMap(raw: Raw<'regionMap'>): Readings {
  const found: Readings = {};
  const best = bestGrades(raw);
  const single = (finding: FindingId, id: RegionId) => {
    const grade = best[id];
    if (grade !== null) found[finding] = { severity: stillness(grade) };
  };
  single('bellyStill', 'belly');
  single('sternumStill', 'chestFront');
  single('chestBackStill', 'chestBack');
  single('floorStill', 'pelvicFloor');

  const pair = (still: FindingId, open: FindingId, left: RegionId, right: RegionId) => {
    const [l, r] = [best[left], best[right]];
    if (l === null || r === null) return;
    found[still] = { severity: stillness(Math.max(l, r)) };
    found[open] = { severity: openness(Math.min(l, r)) };
  };
  pair('sidesStill', 'sidesOpen', 'leftSide', 'rightSide');
  pair('backsStill', 'backsOpen', 'leftBack', 'rightBack');

  const lean = oneSideLess(raw);
  if (lean) found.oneSideLess = lean;

  const neck = Math.max(raw.neckQuiet ?? -1, (raw.neckDeep ?? 0) - (raw.neckQuiet === null ? 0 : 1));
  if (raw.neckQuiet !== null || raw.neckDeep !== null) found.neckWorks = { severity: Math.max(0, neck) as Severity };
  if (raw.extension !== 'not observed') found.frontByArching = { severity: raw.extension === 'yes' ? 2 : 0 };

  const { belly } = best;
  const others = (['leftSide', 'rightSide', 'chestFront'] as const).map((id) => best[id]);
  if (belly !== null && others.every((grade) => grade !== null)) {
    const lead = belly - Math.max(...(others as number[]));
    found.bellyTakesMost = { severity: belly >= 2 && lead >= 1 ? (lead >= 2 ? 3 : 2) : 0 };
  }

  const all = regionIds.map((id) => best[id]).filter((grade): grade is number => grade !== null);
  if (all.length >= 5) {
    found.smallEverywhere = { severity: stillness(Math.max(...all)) };
    found.allAvailable = { severity: openness(Math.min(...all)) };
  }
  return found;
}

function oneSideLess(raw: Raw<'regionMap'>): Reading | null {
  const of = (grades: Grades, left: RegionId, right: RegionId) =>
    grades[left] == null || grades[right] == null ? null : grades[right] - grades[left];
  const steps = (['quiet', 'deep'] as const)
    .flatMap((breath) => [of(raw[breath], 'leftSide', 'rightSide'), of(raw[breath], 'leftBack', 'rightBack')])
    .filter((step): step is number => step !== null);
  if (steps.length === 0) return null;
  const sum = steps.reduce((total, step) => total + step, 0);
  const widest = Math.max(...steps.map(Math.abs));
  if (sum === 0 || widest === 0) return { severity: 0, words: 'left and right give alike' };
  const side = sum > 0 ? 'left' : 'right';
  return { severity: Math.min(3, widest + 1) as Severity, side, words: `the ${side} side gives less` };
}

/** What a second map in a harder position adds: parts that are there in the easier one and lost in it. */
export function readUpright(easier: Raw<'regionMap'>, harder: Raw<'regionMap'>): Readings {
  const [before, after] = [bestGrades(easier), bestGrades(harder)];
  const both = regionIds.filter((id) => before[id] !== null && after[id] !== null);
  if (both.length < 4) return {};
  const lost = both.filter((id) => before[id]! >= 2 && after[id]! <= before[id]! - 1);
  const far = lost.filter((id) => after[id]! <= before[id]! - 2);
  const severity: Severity = far.length >= 2 ? 3 : lost.length >= 3 ? 2 : lost.length > 0 ? 1 : 0;
  return {
    lostUpright: {
      severity,
      words:
        lost.length === 0 ? `as free ${harder.position} as ${easier.position}` : `parts are lost ${harder.position}`,
    },
  };
}
