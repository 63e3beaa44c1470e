import {
  type Cadence,
  type Phase,
  longestPhaseSeconds,
  phases as breathPhases,
  shortestPhaseSeconds,
} from '../cadence';
import {
  type DrillLoad,
  componentsUnder,
  findMovement,
  movementOf,
  repetitionOf,
  saidOf,
  setsBy,
  strategies,
} from '../load';
import { capital, listed, lowered } from '../reasons';
import { count, drill, range, repetitions } from './drill';
import { type MovementId } from './movements';
import { type PositionId } from './positions';
import { type PropId } from './props';
import { type Drill, type Range } from './schema';

type Step = [Drill['steps'][number]['phase'], string];

/** How a light load of the library begins. */
const light = (movementId: string, rest: Partial<DrillLoad> = {}): DrillLoad => ({
  movementId,
  own: null,
  toward: null,
  kg: movementOf({ movementId, own: null }).startKg,
  strategy: 'with',
  through: false,
  ...rest,
});

/**
 * A built-in drill's steps from its movement: its words say what is done in each part, the rule of breath under load which phase that is.
 *
 * @param words by the names of the movement's parts
 * @throws {RangeError} where a part has no words
 * @example ofMovement('squat', { down: 'Down, sit bones wide.', up: 'Up.' }).steps[0] // ['inhale', 'Down, sit bones wide.']
 */
export function ofMovement(
  movementId: string,
  words: Readonly<Record<string, string>>,
  rest: Partial<DrillLoad> = {},
): { steps: Step[]; load: DrillLoad } {
  const load = light(movementId, rest);
  const { phases, movement } = repetitionOf(load, movementOf(load).pull.hand);
  for (const { name } of movement.parts)
    if (words[name] === undefined) throw new RangeError(`No words for “${name}” of ${movement.name}.`);
  const steps = breathPhases.flatMap((phase) =>
    phases[phase].map(({ part }): Step => [phase, words[part === null ? '' : movement.parts[part]!.name]!]),
  );
  return { steps: steps.filter(([, said]) => said !== undefined), load };
}

/** From where a dose may be turned to where, about where it begins. */
const about = (seconds: number): Range => {
  const half = (value: number) => Math.round(value * 2) / 2;
  return seconds === 0
    ? range(0, 0, 0)
    : range(
        Math.max(shortestPhaseSeconds, half(seconds * 0.75)),
        Math.max(shortestPhaseSeconds, half(seconds)),
        Math.min(longestPhaseSeconds, half(seconds * 1.5) + 0.5),
      );
};

const pausing = (seconds: number): Range => range(0, Math.round(seconds * 10) / 10, Math.max(1, Math.ceil(seconds)));

const breathAbout = ({ inhaleSeconds, topPauseSeconds, exhaleSeconds }: Cadence) => ({
  inhale: about(inhaleSeconds),
  topPause: pausing(topPauseSeconds),
  exhale: about(exhaleSeconds),
});

/** How hard it is, and what is counted, by how breath and load go together. Common practice. */
const asDrills: Readonly<Record<DrillLoad['strategy'], Pick<Drill, 'level' | 'counting'>>> = {
  with: { level: 3, counting: repetitions(1) },
  keep: { level: 5, counting: repetitions(1) },
  between: { level: 6, counting: repetitions(1) },
  burst: { level: 5, counting: repetitions(1) },
  steady: { level: 3, counting: { each: 'breath', breathsEach: 1, feet: false } },
};

/** What is done in a phase where the load decides more than the ribs. */
const keptWords: Readonly<Partial<Record<DrillLoad['strategy'], Partial<Record<Phase, string>>>>> = {
  keep: {
    inhale: 'Fill first, easily, and stiffen.',
    topPause: 'Keep it up to the hard part.',
    exhale: 'Let it go past the hard part, a little at a time.',
  },
  between: {
    inhale: 'In, to about 70 %. Stiffen.',
    topPause: 'The whole repetition.',
    exhale: 'Out, loose, and breathe.',
  },
  steady: { inhale: 'A small breath in, the trunk as it is.', exhale: 'A small breath out; nothing lets go.' },
};

/** Where the load decides, the cue is how it is done and not which part goes with which breath. */
const keptCues: Readonly<Partial<Record<DrillLoad['strategy'], readonly string[]>>> = {
  keep: ['Fill, stiffen, then move', 'Let it go late'],
  between: ['Stiffen before you move', 'Breathe between them'],
  steady: ['Small breaths, tall', 'Talk as you walk'],
};

/** What the name says of how heavy it is. */
const howHeavy: Readonly<Partial<Record<DrillLoad['strategy'], string>>> = {
  keep: ', heavy',
  between: ', near the most',
};

const placeOf: Readonly<Record<ReturnType<typeof movementOf>['ground'], PositionId>> = {
  feet: 'standing',
  step: 'standing',
  split: 'standing',
  seat: 'sitting',
  hands: 'quadruped',
  back: 'bridge',
};

/** Movements whose figure is drawn as the drill of the catalogue is, since more than the feet carry the body. */
const drawnAs: Readonly<Record<string, { movement: MovementId; position: PositionId }>> = {
  'chair-rise': { movement: 'chairRise', position: 'sitting' },
  bridge: { movement: 'bridge', position: 'bridge' },
  bear: { movement: 'kneesFloat', position: 'bear' },
};

/** A movement and how it is loaded, as a drill: steps, breath, dose, cues and what it contains all follow from the rule. */
export function loadedDrill(id: string, load: DrillLoad): Drill {
  const told = movementOf(load);
  const { cadence, phases, parts, movement } = repetitionOf(load, told.pull.hand);
  const { strategy, kg } = load;
  const { says, pulse } = strategies[strategy];
  const usual = setsBy[strategy];
  const oneSided = told.pull.hand === 'left' || told.pull.hand === 'right';
  const [, , up] = load.toward ?? told.pull.toward;
  const hangs = kg > 0 && up < -0.9;
  const fixed = kg > 0 && told.pull.hand !== 'none' && !hangs;
  const kept = keptWords[strategy];
  const steps = breathPhases.flatMap((phase): Step[] => {
    const said = phases[phase].flatMap(({ part }) => (part === null ? [] : parts[part]!));
    const extra = kept?.[phase];
    if (phases[phase].length === 0 || cadence[`${phase}Seconds`] === 0) return [];
    if (extra)
      return [
        [
          phase,
          said.length > 0 && strategy === 'keep' ? `${capital(listed(said.map(({ name }) => name)))}. ${extra}` : extra,
        ],
      ];
    return said.length > 0
      ? said.map((part): Step => [phase, saidOf(part)])
      : [[phase, phase === 'inhale' ? 'Breathe in where you are.' : 'Breathe out where you are.']];
  });
  const byPart = parts
    .map(({ name, breath }) => `${capital(breath)} on ${name}`)
    .filter((words) => words.split(' ').length <= 5);
  const asDrill = load.own ? undefined : drawnAs[load.movementId];
  const position =
    asDrill?.position ?? (hangs && placeOf[movement.ground] === 'standing' ? 'loaded stand' : placeOf[movement.ground]);
  const props: PropId[] = [
    ...(hangs ? (['weight'] as const) : []),
    ...(fixed ? (['fixedBand'] as const) : []),
    ...(movement.ground === 'seat' ? (['chair'] as const) : []),
  ];
  return drill({
    id,
    name: `${told.name.slice(0, 44)}${howHeavy[strategy] ?? ''}`,
    family: 'move',
    purpose: says,
    positions: [position],
    props,
    load,
    movement: asDrill?.movement ?? 'none',
    setUp: `As the figure shows. Works: ${lowered(told.works || 'the whole body')}. Not this: ${lowered(told.mistake || 'the breath held where it needn’t be.')}`,
    setUpSeconds: 30,
    steps: steps.length > 1 ? steps : [...steps, ['throughout', 'Easy, and even.']],
    breath: breathAbout(cadence),
    ...asDrills[strategy],
    breaths: usual.repetitions,
    sets: usual.sets,
    restSeconds: usual.restSeconds,
    sides: oneSided ? 'one or both' : 'none',
    floorCue: strategy === 'with' ? 'Recoils before the effort.' : 'Firm with the rest of the trunk, no more.',
    abdominalCue: pulse ? 'Stiff with the repetition, loose between.' : 'A mild stiffness all the way.',
    stances: { abdominalStrategy: 'brace matched to the load' },
    opens: {},
    skills: { variety: 2 },
    answers: ['even'],
    // A breath kept against a load is a held breath, however short.
    components: [
      ...componentsUnder(movement, kg),
      ...(strategy === 'keep' || strategy === 'between' ? (['strain'] as const) : []),
    ],
    cues: [
      ...(keptCues[strategy] ?? byPart),
      pulse ? 'Firm, then loose' : 'Stay a little firm',
      count('Count, and talk after'),
    ],
    faults: ['heldBreath', 'dumped', 'arching', 'shoulders'],
  });
}

const named = /^load-(.+)-(with|keep|between|burst|steady)(-out)?$/;
const byId = new Map<string, Drill | null>();

/**
 * A movement of the library as a drill of the catalogue, by its name: what was planned and coached with it leads to it for good.
 *
 * @example loadDrill('load-squat-with')?.name // 'Squat'
 */
export function loadDrill(id: string): Drill | undefined {
  const known = byId.get(id);
  if (known !== undefined) return known ?? undefined;
  const [, movementId, strategy, out] = named.exec(id) ?? [];
  const movement = movementId === undefined ? undefined : findMovement(movementId);
  const made = movement
    ? loadedDrill(id, light(movement.id, { strategy: strategy as DrillLoad['strategy'], through: out !== undefined }))
    : null;
  // Ids that lead nowhere come from old records, and there may be any number of them.
  if (made) byId.set(id, made);
  return made ?? undefined;
}
