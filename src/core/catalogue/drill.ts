import { cadence, ladder } from '../cadence';
import { commonPractice } from '../reasons';
import { type AxisId, type StanceChoice, type StanceOf } from '../schools';
import { type Cue, type Drill, type Range } from './schema';
import { type CueKind } from './vocabulary';

/** @example range(10, 10, 30) // { start: 10, min: 10, max: 30 } */
export const range = (min: number, start: number, max: number): Range => ({ min, start, max });

const nothing = range(0, 0, 0);

type Breath = { inhale: Range; exhale: Range; topPause?: Range; bottomPause?: Range };

/** A drill as it is written down: what most drills share is left out. */
type Written = Omit<
  Drill,
  | 'steps'
  | 'cues'
  | 'movement'
  | 'load'
  | 'hands'
  | 'legs'
  | 'band'
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
  | 'counting'
  | 'setsAre'
  | 'afterSet'
  | 'stay'
  | 'otherWay'
> & {
  steps: [Drill['steps'][number]['phase'], string][];
  stances: StanceChoice;
  /** A plain string is an instruction. */
  cues: readonly (string | Cue)[];
  /** Axes whose stance is meant as an everyday rule and not for this drill alone. */
  everyday?: (keyof Drill['stances'])[];
} & ({ breath: Breath; rungs?: never } | { rungs: number; breath?: never }) &
  Partial<
    Pick<
      Drill,
      | 'movement'
      | 'load'
      | 'hands'
      | 'legs'
      | 'band'
      | 'provenance'
      | 'props'
      | 'sets'
      | 'restSeconds'
      | 'sides'
      | 'quiets'
      | 'prerequisites'
      | 'components'
      | 'easier'
      | 'harder'
      | 'counting'
      | 'setsAre'
      | 'afterSet'
      | 'stay'
      | 'otherWay'
    >
  >;

/** A cue of a kind. @example cueOf('count', 'Five, then talk') // { kind: 'count', words: 'Five, then talk', … } */
export const cueOf = (kind: CueKind, words: string): Cue => ({ words, kind, care: null, stance: null });

/** A picture to breathe with. @example image('A lantern, all round').kind // 'image' */
export const image = (words: string) => cueOf('image', words);
/** Repetitions of so many breaths each. */
export const repetitions = (breathsEach: 1 | 2, feet = false): Drill['counting'] => ({
  each: 'repetition',
  breathsEach,
  feet,
});

/** Felt rather than said: a hand, a band, the floor, a wall. */
export const touch = (words: string) => cueOf('touch', words);
export const sound = (words: string) => cueOf('sound', words);
export const count = (words: string) => cueOf('count', words);

/** Handle with care: for whom this wording goes wrong. */
export const care = (cue: string | Cue, forWhom: string): Cue => ({
  ...(typeof cue === 'string' ? cueOf('instruction', cue) : cue),
  care: forWhom,
});

/** A cue whose wording teaches an everyday rule. */
export const teaches = <A extends AxisId>(cue: string | Cue, axis: A, stance: StanceOf<A>): Cue => ({
  ...(typeof cue === 'string' ? cueOf('instruction', cue) : cue),
  stance: { axis, stance },
});

/** Fills in what a written drill leaves out. Checked by the schema where the catalogue is put together. */
export function drill({ steps, cues, breath, rungs, stances, everyday = [], ...rest }: Written): Drill {
  return {
    movement: 'none',
    load: null,
    hands: 'at rest',
    legs: 'as the position',
    band: 'lower ribs',
    props: [],
    sets: range(1, 1, 3),
    restSeconds: 20,
    sides: 'none',
    quiets: [],
    prerequisites: [],
    components: [],
    easier: null,
    harder: null,
    counting: { each: 'breath', breathsEach: 1, feet: false },
    setsAre: 'sets',
    afterSet: null,
    stay: null,
    otherWay: null,
    provenance: commonPractice,
    ...rest,
    cues: cues.map((cue) => (typeof cue === 'string' ? cueOf('instruction', cue) : cue)),
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

/** One breath a repetition. */
export const repetition = { inhale: range(2, 3, 4), exhale: range(2, 3, 5) };
