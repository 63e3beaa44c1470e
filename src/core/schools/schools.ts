/** Axes on which schools of coaching disagree, and the stances on each. */
export const axes = {
  chestOnInhale: { name: 'chest on inhale', stances: ['stays quiet', 'moves front-and-back', 'isolated on purpose'] },
  bellyOnInhale: {
    name: 'belly on inhale',
    stances: ['rises freely', 'rises gently', 'is contained by light tension'],
  },
  exhaleRoute: {
    name: 'exhale route',
    stances: ['nose, silent', 'pursed or straw, even volume', 'open-mouth sigh or hiss', 'balloon'],
  },
  abdominalStrategy: {
    name: 'abdominal strategy',
    stances: ['relaxed', 'opposition', 'low-to-high', 'drawn-in hollow', 'brace matched to the load'],
  },
  inhale: {
    name: 'inhale route and size',
    stances: ['nose', 'mouth allowed', 'as full as possible', 'small, slow, silent'],
  },
  glutes: { name: 'glutes', stances: ['help', 'stay relaxed'] },
  hips: {
    name: 'hips in side plank and bridge',
    stances: ['straight', 'slightly bent', 'peeled bone by bone', 'ribs and pelvis kept together'],
  },
  bandLevel: { name: 'band level', stances: ['waist', 'lower ribs', 'under the chest'] },
  pelvis: {
    name: 'pelvis',
    stances: ['neutral', 'slight back-tip to stack', 'shift back without tucking', 'slight forward tip in sitting'],
  },
  ribsOnExhale: {
    name: 'ribs on exhale',
    stances: ['let soften', 'actively brought down and in', 'kept from being pulled down'],
  },
  pelvicFloor: {
    name: 'pelvic floor',
    stances: ['only release', 'moves with the breath', 'gentle lift on exhale', 'light hold through breaths'],
  },
  hold: { name: 'hold', stances: ['none', 'natural pause', 'calm after exhale', 'after full inhale'] },
} as const;

export type AxisId = keyof typeof axes;
export const axisIds = Object.keys(axes) as [AxisId, ...AxisId[]];

/** A stance of an axis. */
export type StanceOf<A extends AxisId = AxisId> = (typeof axes)[A]['stances'][number];

/** What is taught on each axis, where something is. */
export type StanceChoice = { [A in AxisId]?: StanceOf<A> };

/** A stance in one drill is ordinary teaching; only everyday rules contradict each other. */
export type Stances = { [A in AxisId]?: { stance: StanceOf<A>; scope: 'this drill' | 'everyday rule' } };

/** Pairs that can't both be everyday rules: the sparse table of contradictions. Common practice. */
export const contradictions: { readonly [A in AxisId]?: readonly (readonly [StanceOf<A>, StanceOf<A>])[] } = {
  chestOnInhale: [['stays quiet', 'moves front-and-back']],
  bellyOnInhale: [
    ['rises freely', 'is contained by light tension'],
    ['rises gently', 'is contained by light tension'],
  ],
  abdominalStrategy: [
    ['relaxed', 'opposition'],
    ['relaxed', 'drawn-in hollow'],
    ['drawn-in hollow', 'brace matched to the load'],
  ],
  inhale: [['as full as possible', 'small, slow, silent']],
  glutes: [['help', 'stay relaxed']],
  hips: [['peeled bone by bone', 'ribs and pelvis kept together']],
  ribsOnExhale: [['actively brought down and in', 'kept from being pulled down']],
  pelvicFloor: [
    ['only release', 'gentle lift on exhale'],
    ['only release', 'light hold through breaths'],
  ],
};

export interface School {
  id: string;
  name: string;
  /** What it holds, in one sentence. */
  holds: string;
  everyday: StanceChoice;
}

const table = {
  openAllRegions: {
    name: 'open all regions',
    holds:
      'No single correct place: pump, bucket and diaphragm must all be available; positions decide where the resistance is.',
    everyday: {},
  },
  quietChest: {
    name: 'quiet chest',
    holds: 'The belly hand moves, the chest hand is still; nose, 2 in 6 out; all-round comes later.',
    everyday: { chestOnInhale: 'stays quiet', bellyOnInhale: 'rises freely', inhale: 'small, slow, silent' },
  },
  oppositionAndStack: {
    name: 'opposition and stack',
    holds: 'Exhale first until the outer and front abdominals arrive, keep a light front tension, fill back and sides.',
    everyday: { bellyOnInhale: 'is contained by light tension', abdominalStrategy: 'opposition' },
  },
  lateralAnd360: {
    name: 'lateral and 360',
    holds: 'Band round the ribs, sides and back, even pursed exhale, the pelvic floor recoils.',
    everyday: { bellyOnInhale: 'rises gently', pelvicFloor: 'moves with the breath' },
  },
  pelvicFloorTeam: {
    name: 'pelvic-floor team',
    holds: 'Lower first, lift with the exhale for leaking; lengthen and release for a floor that holds.',
    everyday: { abdominalStrategy: 'low-to-high' },
  },
  loadMatched: {
    name: 'load-matched bracing',
    holds: 'No drawing-in; stiffness scaled to the load, breathing matched to rib motion and load.',
    everyday: { abdominalStrategy: 'brace matched to the load' },
  },
  airHungerTolerance: {
    name: 'air-hunger tolerance',
    holds: 'Light nose breathing, calm holds.',
    everyday: { inhale: 'small, slow, silent' },
  },
} satisfies Record<string, Omit<School, 'id'>>;

export type SchoolId = keyof typeof table;
export const schoolIds = Object.keys(table) as [SchoolId, ...SchoolId[]];
export const schools = Object.fromEntries(schoolIds.map((id) => [id, { id, ...table[id] }])) as Record<
  SchoolId,
  School
>;

/** Two stances that can't both hold every day. */
export interface Clash {
  axis: AxisId;
  one: StanceOf;
  other: StanceOf;
}

/**
 * Where two sets of everyday rules contradict each other. Stances that belong to one drill never clash.
 *
 * @example clashes({ bellyOnInhale: 'rises freely' }, { bellyOnInhale: 'is contained by light tension' }).length // 1
 */
export function clashes(one: StanceChoice, other: StanceChoice): Clash[] {
  return axisIds.flatMap((axis) => {
    const [a, b] = [one[axis], other[axis]];
    if (!a || !b || a === b) return [];
    const pair = contradictions[axis]?.some(([x, y]) => (x === a && y === b) || (x === b && y === a));
    return pair ? [{ axis, one: a, other: b }] : [];
  });
}

/** The everyday rules among a drill's stances. */
export function everydayRules(stances: Stances): StanceChoice {
  return Object.fromEntries(
    Object.entries(stances)
      .filter(([, { scope }]) => scope === 'everyday rule')
      .map(([axis, { stance }]) => [axis, stance]),
  );
}
