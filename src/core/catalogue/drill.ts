import { cadence, ladder } from '../cadence';
import { type Drill, type Range } from './schema';

/** @example range(10, 10, 30) // start at the low end */
export const range = (min: number, start: number, max: number): Range => ({ min, start, max });

const nothing = range(0, 0, 0);

type Breath = { inhale: Range; exhale: Range; topPause?: Range; bottomPause?: Range };

/** A drill as it is written down: what most drills share is left out. */
type Written = Omit<
  Drill,
  | 'steps'
  | 'breath'
  | 'stances'
  | 'props'
  | 'sets'
  | 'restSeconds'
  | 'sides'
  | 'quiets'
  | 'prerequisites'
  | 'components'
  | 'easier'
  | 'harder'
  | 'provenance'
> & {
  steps: [Drill['steps'][number]['phase'], string][];
  stances: Partial<Record<keyof Drill['stances'], string>>;
  /** Axes whose stance is meant as an everyday rule and not for this drill alone. */
  everyday?: (keyof Drill['stances'])[];
} & ({ breath: Breath; rungs?: never } | { rungs: number; breath?: never }) &
  Partial<
    Pick<
      Drill,
      'props' | 'sets' | 'restSeconds' | 'sides' | 'quiets' | 'prerequisites' | 'components' | 'easier' | 'harder'
    >
  >;

/** Fills in what a written drill leaves out. Checked by the schema where the catalogue is put together. */
export function drill({ steps, breath, rungs, stances, everyday = [], ...rest }: Written): Drill {
  return {
    props: [],
    sets: range(1, 1, 3),
    restSeconds: 20,
    sides: 'none',
    quiets: [],
    prerequisites: [],
    components: [],
    easier: null,
    harder: null,
    provenance: 'common practice',
    ...rest,
    steps: steps.map(([phase, words]) => ({ phase, words })),
    breath: breath
      ? { kind: 'steady', topPause: nothing, bottomPause: nothing, ...breath }
      : { kind: 'ladder', rungs: ladder(rungs) },
    stances: Object.fromEntries(
      Object.entries(stances).map(([axis, stance]) => [
        axis,
        { stance, scope: (everyday as string[]).includes(axis) ? 'everyday rule' : 'this drill' },
      ]),
    ) as Drill['stances'],
  };
}

/** The cadence a steady drill starts with; the first rung of a ladder. */
export function startCadence({ breath }: Drill) {
  return breath.kind === 'ladder'
    ? breath.rungs[0]!
    : cadence(breath.inhale.start, breath.exhale.start, {
        topPauseSeconds: breath.topPause.start,
        bottomPauseSeconds: breath.bottomPause.start,
      });
}
