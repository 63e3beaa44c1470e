import { type FindingId, type Found, type FoundHere, type LookPosition, type Raw, type Severity } from '../look';
import { type Grades, type RegionId, givenAt, regionIds, unobserved } from '../trunk';

/** What the trunk of an ordinary person shows, in grades, by the size of the breath. Common practice, the sizes ours. */
const usualMean = { quiet: 1.6, deep: 2.3 } as const;
/** Own breath is judged by what was seen of it and, as two more parts, by what is usual: one part alone is no mean. */
const usualParts = 2;

const breathKinds = ['quiet', 'deep'] as const;
type Seen = Pick<Raw<'regionMap'>, 'quiet' | 'deep' | 'position'>;

/** A part, or some of them taken together, against the person's own breath there. */
interface Against {
  /** Mean over quiet and deep breaths, in grades above (+) or below (−) the person's own. */
  steps: number;
  /** In how many looks at it: quiet and deep of a map are two. */
  times: number;
}

/** Grades less what the position gives, so that lying, sitting and standing can be held against the same edges. */
interface Trunk {
  /** Null where a part was not seen. */
  of(...parts: readonly RegionId[]): Against | null;
  /** Own mean against what is usual, in grades. */
  size: Against | null;
  /** Weighted difference of left and right, positive where the left gives less. */
  lean: Against | null;
  /** How much less both backs give than both sides. */
  backsBehindSides: Against | null;
  /** The lowest of the parts against what is usual; null under five parts. */
  least: number | null;
}

const round = (value: number) => Math.round(value * 1e6) / 1e6;

/**
 * Holds maps of one position against what that position gives and against the person's own mean. Several maps (a look
 * taken again) count as so many looks.
 *
 * @param maps of one position
 */
function trunkOf(maps: readonly Seen[]): Trunk {
  const looks = maps.flatMap((map) =>
    breathKinds.flatMap((breath) => {
      const grades = lessGiven(map[breath], map.position);
      const seen = trunkParts.flatMap((id) => (grades[id] === null ? [] : [grades[id]]));
      if (seen.length === 0 && grades.pelvicFloor === null) return [];
      const sum = seen.reduce((total, grade) => total + grade, 0);
      const own = (sum + usualParts * usualMean[breath]) / (seen.length + usualParts);
      return [
        {
          grades,
          own,
          seen: seen.length,
          breath,
          size: seen.length === 0 ? 0 : sum / seen.length - usualMean[breath],
          position: map.position,
        },
      ];
    }),
  );
  const mean = (values: readonly number[]): Against | null =>
    values.length === 0
      ? null
      : { steps: round(values.reduce((sum, value) => sum + value, 0) / values.length), times: values.length };
  return {
    of: (...parts) => {
      // Plain loops: years of visits are read again at every change.
      const steps: number[] = [];
      for (const { grades, own } of looks) {
        let sum = 0;
        for (const id of parts) sum += grades[id] ?? Number.NaN;
        if (!Number.isNaN(sum)) steps.push(sum / parts.length - own);
      }
      return mean(steps);
    },
    size: mean(looks.filter(({ seen }) => seen >= 5).map(({ size }) => size)),
    lean: mean(looks.flatMap(({ grades, position }) => (position === 'side-lying' ? [] : leanOf(grades)))),
    backsBehindSides: mean(
      looks.flatMap(({ grades: { leftSide, rightSide, leftBack, rightBack } }) =>
        leftSide === null || rightSide === null || leftBack === null || rightBack === null
          ? []
          : [(leftSide + rightSide - leftBack - rightBack) / 2],
      ),
    ),
    least: leastOf(looks),
  };
}

const trunkParts = regionIds.filter((id) => id !== 'pelvicFloor');

function lessGiven(grades: Partial<Grades>, position: LookPosition): Grades {
  const less = unobserved();
  for (const id of regionIds) {
    const grade = grades[id] ?? null;
    if (grade !== null) less[id] = grade - givenAt(position, id);
  }
  return less;
}

/** The sides count twice the backs: they are seen and felt, the backs mostly felt. */
function leanOf(grades: Grades): number[] {
  const pairs = [
    ['leftSide', 'rightSide', 2],
    ['leftBack', 'rightBack', 1],
  ] as const;
  const seen = pairs.filter(([left, right]) => grades[left] !== null && grades[right] !== null);
  const weight = seen.reduce((sum, [, , one]) => sum + one, 0);
  if (weight === 0) return [];
  return [seen.reduce((sum, [left, right, one]) => sum + one * (grades[right]! - grades[left]!), 0) / weight];
}

function leastOf(looks: readonly { grades: Grades; breath: 'quiet' | 'deep' }[]): number | null {
  let [lowest, seen] = [Number.POSITIVE_INFINITY, 0];
  for (const id of trunkParts) {
    let most = Number.NEGATIVE_INFINITY;
    for (const { grades, breath } of looks) {
      const grade = grades[id];
      if (grade !== null) most = Math.max(most, grade - usualMean[breath]);
    }
    if (most === Number.NEGATIVE_INFINITY) continue;
    seen += 1;
    lowest = Math.min(lowest, most);
  }
  return seen < 5 ? null : lowest;
}

/** How marked a step is. What was seen once is never more than slight: a step counts when it is seen twice. */
function marked(against: Against, [slight, clear, far]: readonly [number, number, number]): Severity {
  const severity = against.steps >= far ? 3 : against.steps >= clear ? 2 : against.steps >= slight ? 1 : 0;
  return (against.times < 2 ? Math.min(1, severity) : severity) as Severity;
}
const turned = ({ steps, times }: Against): Against => ({ steps: -steps, times });

/** Edges in grades against the person's own breath. Common practice that a step is a step; the sizes ours. */
const partEdges = [0.4, 0.75, 1.15] as const;
const pairEdges = [0.35, 0.6, 0.95] as const;
const sizeEdges = [0.5, 0.8, 1.1] as const;
const lagEdges = [0.7, 1, 1.4] as const;
const leanEdges = [0.6, 0.9, 1.25] as const;

const parts: readonly (readonly [FindingId, 'less' | 'more', readonly RegionId[]])[] = [
  ['bellyStill', 'less', ['belly']],
  ['bellyTakesMost', 'more', ['belly']],
  ['sternumStill', 'less', ['chestFront']],
  ['chestTakesMost', 'more', ['chestFront']],
  ['chestBackStill', 'less', ['chestBack']],
  ['floorStill', 'less', ['pelvicFloor']],
  ['sidesStill', 'less', ['leftSide', 'rightSide']],
  ['sidesOpen', 'more', ['leftSide', 'rightSide']],
  ['backsStill', 'less', ['leftBack', 'rightBack']],
  ['backsOpen', 'more', ['leftBack', 'rightBack']],
];

/** What the region maps of one position say, quiet and deep together. */
export function readMap(maps: readonly Raw<'regionMap'>[]): FoundHere<FindingId> {
  const found: FoundHere<FindingId> = {};
  const trunk = trunkOf(maps);
  for (const [finding, way, of] of parts) {
    const against = trunk.of(...of);
    if (!against) continue;
    const severity = marked(way === 'less' ? turned(against) : against, of.length > 1 ? pairEdges : partEdges);
    found[finding] = { severity, times: against.times };
  }
  const lag = trunk.backsBehindSides;
  if (lag) found.backsLag = { severity: marked(lag, lagEdges), times: lag.times };
  if (trunk.size) found.smallEverywhere = { severity: marked(turned(trunk.size), sizeEdges), times: trunk.size.times };
  const lean = trunk.lean && readLean(trunk.lean);
  if (lean) found.oneSideLess = lean;
  if (trunk.least !== null) {
    const { least } = trunk;
    const severity: Severity = least >= -0.4 ? 3 : least >= -0.9 ? 2 : least >= -1.4 ? 1 : 0;
    found.allAvailable = { severity, ...(severity === 1 ? { words: 'not every part is fully available' } : {}) };
  }

  const effort = maps.flatMap(({ neckQuiet, neckDeep }) => {
    // Effort only on the deep breath counts a step less than effort at rest.
    if (neckQuiet === null && neckDeep === null) return [];
    return [Math.max(neckQuiet ?? 0, (neckDeep ?? 0) - (neckQuiet === null ? 0 : 1))];
  });
  if (effort.length > 0) {
    found.neckWorks = { severity: Math.round(effort.reduce((sum, one) => sum + one, 0) / effort.length) as Severity };
  }
  const arched = maps.filter(({ extension }) => extension !== 'not observed');
  if (arched.length > 0) {
    found.frontByArching = { severity: arched.every(({ extension }) => extension === 'yes') ? 2 : 0 };
  }
  return found;
}

function readLean(lean: Against): Found {
  const side = lean.steps > 0 ? 'left' : 'right';
  const severity = marked({ ...lean, steps: Math.abs(lean.steps) }, leanEdges);
  const { times } = lean;
  return severity === 0
    ? { severity, times, words: lean.steps === 0 ? 'left and right give alike' : 'left and right give nearly alike' }
    : { severity, side, times, words: `the ${side} side gives less` };
}

/**
 * What maps in a harder position add: parts that are there in the easier one and lost in it, each against what its
 * position gives.
 */
export function readUpright(
  easier: readonly Raw<'regionMap'>[],
  harder: readonly Raw<'regionMap'>[],
): FoundHere<FindingId> {
  const [before, after] = [easier, harder].map(levelsOf) as [Grades, Grades];
  const both = regionIds.filter((id) => before[id] !== null && after[id] !== null);
  if (both.length < 4) return {};
  const drop = both.reduce((sum, id) => sum + before[id]! - after[id]!, 0) / both.length;
  const severity: Severity = drop >= 1.2 ? 3 : drop >= 0.8 ? 2 : drop >= 0.5 ? 1 : 0;
  const [here, there] = [easier[0]!.position, harder[0]!.position];
  return {
    lostUpright: { severity, words: severity === 0 ? `as free ${there} as ${here}` : `parts are lost ${there}` },
  };
}

/** Each part over all looks at it, against what is usual for that size of breath. */
function levelsOf(maps: readonly Raw<'regionMap'>[]): Grades {
  const levels = unobserved();
  for (const id of regionIds) {
    const seen = maps.flatMap((map) =>
      breathKinds.flatMap((breath) => {
        const grade = map[breath][id] ?? null;
        return grade === null ? [] : [grade - givenAt(map.position, id) - usualMean[breath]];
      }),
    );
    if (seen.length > 0) levels[id] = seen.reduce((sum, one) => sum + one, 0) / seen.length;
  }
  return levels;
}
