import { type Component, type FormId, formIds, forms } from '../safety';
import { type AxisId, type StanceOf } from '../schools';
import { fastCycleSeconds } from './contains';
import { naturalPauseSeconds } from '../dose';
import { movementOf, repetitionOf } from '../load';
import { count, cueOf, image, touch } from './drill';
import { type Position, type PositionId, positions } from './positions';
import { type Cue, type Drill, type Range } from './schema';

type StepPhase = Drill['steps'][number]['phase'];

/** How a drill is remade in a form: which of its lines go, and what stands there instead. */
interface Remake {
  /** Lines that say what the form takes out. A drill whose name or purpose says it has nothing left, and is off. */
  out?: RegExp;
  /** Put in the place of the lines that go; with `always` in the place of that phase's line in any case. */
  steps?: Partial<Record<StepPhase, string>>;
  always?: true;
  /** Added to the set-up. */
  setUp?: string;
  floor?: string;
  abdominal?: string;
  cue: Cue;
  /** One set of the fewest breaths. */
  least?: true;
  /** Whether the form is one of this drill at all. */
  fits?: (drill: Drill, position: Position) => boolean;
  edit?: (drill: Drill) => Partial<Drill>;
}

const lying: readonly PositionId[] = ['legs on a chair', 'hook-lying', '90/90', 'side-lying', 'bridge'];
const carriedByArms: readonly PositionId[] = ['bear', 'forearm kneel', 'side plank'];

const say = (words: string): Cue => cueOf('instruction', words);

const atMost = ({ min, start, max }: Range, most: number): Range => ({
  min: Math.min(min, most),
  start: Math.min(start, most),
  max: Math.min(max, most),
});

const withBreath = (drill: Drill, most: { inhale?: number; exhale?: number; pause?: number }): Partial<Drill> => {
  const { breath } = drill;
  if (breath.kind !== 'steady') return {};
  const limited = (range: Range, limit: number | undefined) => (limit === undefined ? range : atMost(range, limit));
  return {
    breath: {
      kind: 'steady',
      inhale: limited(breath.inhale, most.inhale),
      topPause: limited(breath.topPause, most.pause),
      exhale: limited(breath.exhale, most.exhale),
      bottomPause: limited(breath.bottomPause, most.pause),
    },
  };
};

const withStance = <A extends AxisId>(drill: Drill, axis: A, stance: StanceOf<A>): Partial<Drill> => ({
  stances: { ...drill.stances, [axis]: { stance, scope: 'this drill' } },
});

const withoutSkill = (drill: Drill, skill: keyof Drill['skills']): Partial<Drill> => {
  const { [skill]: _gone, ...skills } = drill.skills;
  return { skills };
};

/** Lines that tell somebody to lift the floor. */
const liftWords =
  /\b(gather\w*|zip|quarter|third)\b|\bfloor (and )?lifts\b|\b(gentle|light) lift\b|\bthe lift (stays|is renewed)\b|\blift going up\b|\bfloor recoils before\b/i;

/** Where the effort goes with the inhale there is nothing to exhale through. */
const effortGoesOut = ({ load, movement }: Drill): boolean =>
  load
    ? repetitionOf(load, movementOf(load).pull.hand).parts.every(({ effort, breath }) => !effort || breath === 'out')
    : movement !== 'press' && movement !== 'row';

/** What becomes different in each form. Common practice; the wording ours. */
const remakes: Readonly<Record<FormId, Remake>> = {
  noPause: {
    out: /\b(wait|pauses?|hold|counts?|rest there|rest on the air)\b/i,
    cue: say('Straight on, no pause'),
    fits: ({ family }) => family !== 'hold',
    edit: (drill) => ({ ...withBreath(drill, { pause: naturalPauseSeconds }), ...withStance(drill, 'hold', 'none') }),
  },
  noStay: {
    out: /\bstay(s|ing)?\b/i,
    cue: say('Lift, and come down'),
    fits: ({ stay }) => stay !== null,
    edit: () => ({ stay: null }),
  },
  shortSets: {
    setUp: 'Look at something in the room; end it whenever you like.',
    cue: say('Stop when you like'),
    least: true,
    edit: (drill) => withBreath(drill, { pause: 3 }),
  },
  softExhale: {
    out: /\b(it all out|all the way|empty|full exhale|force[ds]?)\b/i,
    steps: { exhale: 'Out through pursed lips, softly; stop well before empty.' },
    cue: say('Stop before empty'),
    fits: ({ props }) => !props.includes('balloon'),
    edit: (drill) => ({
      ...withBreath(drill, { exhale: 6 }),
      ...withStance(drill, 'exhaleRoute', 'pursed or straw, even volume'),
    }),
  },
  // Another position or prop is another choice, never a remark about the one at hand.
  offTheBack: { cue: say('Sitting or on the side'), fits: () => false },
  latexFree: { cue: touch('A towel will do'), fits: () => false },
  releaseOnly: {
    out: liftWords,
    steps: { inhale: 'Let the floor go.', exhale: 'Long and easy; nothing is done below.' },
    floor: 'Release only: softens on the inhale, nothing is lifted on the exhale.',
    cue: say('Nothing to lift'),
    edit: (drill) => ({
      ...withStance(drill, 'pelvicFloor', 'only release'),
      ...withoutSkill(drill, 'floorTiming'),
      answers: drill.answers.filter((pattern) => pattern !== 'floorLate'),
    }),
  },
  gentleFloor: {
    out: liftWords,
    steps: { exhale: 'Let the floor come home by itself; a hint of a lift at most.' },
    floor: 'Widens and settles; at most a hint of a lift, a tenth of what there is.',
    cue: say('A hint, no more'),
    least: true,
    fits: ({ stances }) => stances.pelvicFloor?.stance !== 'light hold through breaths',
  },
  hipsRaised: {
    setUp: 'A firm pillow under the hips, so that they lie higher than the ribs.',
    floor: 'A gentle lift on the exhale only, then let go; never down, never held.',
    cue: touch('Hips heavy on the pillow'),
    fits: (_drill, { id }) => (lying as readonly string[]).includes(id),
  },
  smallBridge: {
    steps: { exhale: 'Low belly first, then the hips a hand’s width up, knees together.' },
    always: true,
    setUp: 'Knees together, a pillow between them.',
    cue: say('A hand’s width up'),
    least: true,
  },
  smallerLever: {
    out: /\b(foot|feet) leaves\b/i,
    setUp: 'A smaller lever: a hand’s width and no more, or half the weight; the first doming ends the set.',
    abdominal: 'Low to high, before anything moves; nothing domes.',
    cue: say('Small, low to high'),
    least: true,
    fits: (_drill, { id }) => !(carriedByArms as readonly string[]).includes(id),
  },
  exhaleFirst: {
    setUp: 'Every exhale begins before the effort and lasts through it; the first leak ends the set.',
    abdominal: 'Low first, then upward, before anything moves.',
    cue: say('Out first, then move'),
    least: true,
    fits: effortGoesOut,
  },
  exhaleThrough: {
    setUp: 'Half the effort of other days. Count out loud through it, so that no breath is held.',
    abdominal: 'No more than the movement needs, never held.',
    cue: count('Count out loud'),
    least: true,
    fits: effortGoesOut,
  },
  easyBreath: {
    out: /\b(all the way|deep|large|larger|six breaths|five counts)\b/i,
    setUp: 'A breath of ordinary size, no larger.',
    cue: say('Ordinary size'),
    fits: ({ stances }) => stances.inhale?.stance !== 'as full as possible',
    edit: (drill) => ({
      ...withBreath(drill, { inhale: 4, exhale: 6 }),
      ...(drill.breath.kind === 'ladder' ? slowerLadder(drill.breath.rungs) : {}),
    }),
  },
  smallBend: {
    out: /\bhand\b/i,
    steps: { inhale: 'A small breath into the long side.' },
    always: true,
    setUp: 'A hand’s breadth over and no further; hands off the sore place.',
    cue: say('A small bend is plenty'),
    least: true,
    edit: (drill) => withBreath(drill, { inhale: 4 }),
  },
  midRange: {
    out: /\bbone by bone\b|\bbends? over\b|\barched\b|\bslouched\b/i,
    setUp: 'Half the way to either end, then back to the middle.',
    cue: say('Half the way'),
  },
  flatBack: {
    out: /\bround(er|ed|ing)?\b/i,
    steps: { exhale: 'Push the floor away, the back long and flat.' },
    setUp: 'The back stays long and flat.',
    cue: image('A table top'),
    fits: ({ movement }) => movement !== 'forwardFold',
  },
  smallTurns: {
    out: /\b(edge|tight)\b/i,
    steps: { exhale: 'Eyes first, then the head a little, and back.', bottomPause: 'A short pause in the middle.' },
    setUp: 'A small easy range; breathe in the middle, never at the end of it.',
    cue: say('Small, then back'),
    least: true,
  },
  armsLow: {
    out: /\bbehind the head\b|\barms? (float )?up\b|\babove the head\b|\boverhead\b/i,
    setUp: 'Arms low, no higher than the shoulders.',
    cue: say('Arms stay low'),
  },
  eyesOpen: {
    out: /\beyes (are )?closed\b|\bclose (the|your) eyes\b/i,
    setUp: 'Eyes open, resting on something near.',
    cue: say('Eyes open, looking near'),
  },
  ribsAlone: {
    out: /\bribs (come|melt|slide|are brought|rest)\b|\bribs down\b|\bribs? low\b/i,
    steps: { exhale: 'Out softly; the ribs do as they like.', inhale: 'In, small; the ribs do as they like.' },
    setUp: 'The ribs are left as they are.',
    cue: say('Leave the ribs alone'),
    edit: (drill) => withStance(drill, 'ribsOnExhale', 'let soften'),
  },
  shortStand: {
    setUp: 'Sit down as soon as the set is over.',
    cue: say('Then sit down'),
    least: true,
  },
};

/** A ladder that begins where a breath is no longer fast. */
function slowerLadder(rungs: Extract<Drill['breath'], { kind: 'ladder' }>['rungs']): Partial<Drill> {
  const slow = rungs.filter(({ inhaleSeconds, exhaleSeconds }) => inhaleSeconds + exhaleSeconds > fastCycleSeconds);
  const breaths = { min: slow.length, start: slow.length, max: slow.length };
  return slow.length === 0 ? {} : { breath: { kind: 'ladder', rungs: slow }, breaths };
}

const sentences = (text: string) => text.match(/[^.!?]+[.!?]+/g)?.map((one) => one.trim()) ?? [text];

function inForm(drill: Drill, form: FormId, position: Position): Drill | null {
  const { out, steps = {}, always, setUp, floor, abdominal, cue, least, fits, edit } = remakes[form];
  const says = (words: string) => out?.test(words) ?? false;
  if (fits && !fits(drill, position)) return null;
  if (says(drill.name) || says(drill.purpose)) return null;
  const kept = drill.steps.flatMap((step) => {
    const instead = steps[step.phase];
    if (says(step.words) || (always && instead !== undefined)) return instead ? [{ ...step, words: instead }] : [];
    return [step];
  });
  const fewest = ({ min }: Range): Range => ({ min, start: min, max: min });
  const set = [...sentences(drill.setUp).filter((one) => !says(one)), ...(setUp ? [setUp] : [])].join(' ');
  const takenOut: readonly Component[] = forms[form].takesOut;
  return {
    ...drill,
    ...(least ? { breaths: fewest(drill.breaths), sets: { min: 1, start: 1, max: 1 } } : {}),
    ...edit?.(drill),
    steps: kept,
    setUp: set || position.setUp,
    floorCue: floor ?? (says(drill.floorCue) ? 'Leave it alone.' : drill.floorCue),
    abdominalCue: abdominal ?? (says(drill.abdominalCue) ? 'Soft.' : drill.abdominalCue),
    cues: [cue, ...drill.cues.filter(({ words }) => !says(words))].slice(0, 8),
    components: drill.components.filter((component) => !takenOut.includes(component)),
  };
}

/** In this order: what another form says of the same line is said over by letting go, and by what protects. */
const inOrder = (list: readonly FormId[]) => [...new Set(list)].sort((a, b) => order.indexOf(a) - order.indexOf(b));
const order = [...formIds].sort((a, b) => Number(a === 'releaseOnly') - Number(b === 'releaseOnly'));

/**
 * A drill in other forms: its steps, cues, lines, breath and dose as they are then. What it no longer contains is gone from
 * its words too.
 *
 * @param position where it is done: some forms belong to some positions
 * @returns null where a form would leave nothing of the drill: then it is off
 * @example remade(findDrill('ball-bridge')!, ['releaseOnly'], 'bridge')!.floorCue // 'Release only: …'
 */
export function remade(drill: Drill, list: readonly FormId[], position: PositionId): Drill | null {
  if (list.length === 0) return drill;
  const wanted = inOrder(list);
  const key = `${position}|${wanted.join()}`;
  const known = remembered.get(drill) ?? new Map<string, Drill | null>();
  remembered.set(drill, known);
  const found = known.get(key);
  if (found !== undefined) return found;
  const made = wanted.reduce<Drill | null>((now, form) => now && inForm(now, form, positions[position]), drill);
  known.set(key, made);
  return made;
}

const remembered = new WeakMap<Drill, Map<string, Drill | null>>();
