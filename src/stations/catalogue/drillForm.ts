import { type Phase, phases } from '@/core/cadence';
import {
  type Drill,
  type Range,
  bandLevelIds,
  faultIds,
  faults,
  families,
  familyIds,
  handIds,
  legIds,
  movementIds,
  movementWords,
  openedIds,
  positionIds,
  propList,
  skillIds,
} from '@/core/catalogue';
import { patterns, skills } from '@/core/read';
import { componentIds, components } from '@/core/safety';
import { type AxisId, axes, axisIds } from '@/core/schools';
import { type RegionId, regions } from '@/core/trunk';

export type Choices = readonly (readonly [id: string, words: string])[];
type Change<T> = (value: T, drill: Drill) => Partial<Drill>;

/** What of a drill is entered, and how. Where a field takes more than its own part of the drill, it says what it changes. */
export type DrillField =
  | { kind: 'text'; key: TextKey; label: string; long?: true; wants: string }
  | { kind: 'remark'; label: string; most: number; value: (drill: Drill) => string; change: Change<string> }
  | {
      kind: 'select';
      label: string;
      /** 'drills' are all the others, by name. */
      choices: Choices | 'drills';
      none?: string;
      value: (drill: Drill) => string;
      change: Change<string>;
      faults?: keyof Drill;
    }
  | {
      kind: 'ticks';
      key: TickKey;
      label: string;
      choices: Choices;
      wants?: string;
      /** What stands under it, worked out from the drill. */
      told?: 'what it contains besides';
    }
  | {
      kind: 'number';
      label: string;
      unit?: string;
      from: number;
      to: number;
      step?: number;
      value: (drill: Drill) => number;
      change: Change<number>;
    }
  | { kind: 'chips'; label: string; choices: Choices; value: (drill: Drill) => string; change: Change<string> }
  | { kind: 'range'; label: string; step: number; value: (drill: Drill) => Range | null; change: Change<Range> }
  | { kind: 'gains'; key: 'opens' | 'skills'; names: Choices }
  | { kind: 'steps' | 'cues'; wants: string }
  /** The rungs of a breath that climbs: told, not entered. */
  | { kind: 'ladder' }
  | { kind: 'stance'; axis: AxisId }
  /** Where faults of several parts of the drill are told together. */
  | { kind: 'faults'; of: readonly (keyof Drill)[] }
  | { kind: 'row'; as: keyof typeof rowClass; fields: readonly DrillField[] };

type TextKey = 'name' | 'purpose' | 'setUp' | 'floorCue' | 'abdominalCue';
type TickKey = 'positions' | 'props' | 'answers' | 'components' | 'faults';

/** How fields stand beside each other. */
export const rowClass = {
  three: 'grid gap-4 sm:grid-cols-3',
  two: 'grid gap-4 sm:grid-cols-2',
  four: 'grid gap-4 sm:grid-cols-2 lg:grid-cols-4',
  pairs: 'grid gap-x-6 gap-y-3 sm:grid-cols-2',
  line: 'flex flex-wrap items-end gap-x-6 gap-y-3',
} as const;

const asTheyAre = (ids: readonly string[]): Choices => ids.map((id) => [id, id]);
const namedBy = <K extends string>(ids: readonly K[], name: (id: K) => string): Choices =>
  ids.map((id) => [id, name(id)]);

/** A choice of one part of the drill from a list of its own. */
const select = (
  key: 'family' | 'movement' | 'hands' | 'legs' | 'band',
  label: string,
  choices: Choices,
): DrillField => ({
  kind: 'select',
  label,
  choices,
  value: (drill) => drill[key],
  change: (value) => ({ [key]: value }) as Partial<Drill>,
});

const neighbour = (key: 'easier' | 'harder' | 'otherWay', label: string): DrillField => ({
  kind: 'select',
  label,
  choices: 'drills',
  none: 'none',
  value: (drill) => drill[key] ?? '',
  change: (id) => ({ [key]: id || null }),
  faults: key,
});

const count = (key: 'breaths' | 'sets', label: string): DrillField => ({
  kind: 'range',
  label,
  step: 1,
  value: (drill) => drill[key],
  change: (range) => ({ [key]: range }),
});

/** What a phase is called where a step says when it is done, and how long it lasts. */
export const phaseNames = {
  throughout: 'throughout',
  inhale: 'in',
  topPause: 'pause after in',
  exhale: 'out',
  bottomPause: 'pause after out',
} as const;

const phase = (key: Phase): DrillField => ({
  kind: 'range',
  label: `${phaseNames[key]}, seconds`,
  step: 0.5,
  value: ({ breath }) => (breath.kind === 'steady' ? breath[key] : null),
  change: (range, { breath }) => (breath.kind === 'steady' ? { breath: { ...breath, [key]: range } } : {}),
});

const lies: Partial<Record<string, string>> = { 'lower ribs': 'round the lower ribs', waist: 'round the waist' };
const sided: Partial<Record<string, string>> = { openSide: 'the open side', openBack: 'the back of the open side' };

/** What the drill is, beside its figure. */
export const aboutFields: readonly DrillField[] = [
  { kind: 'text', key: 'name', label: 'Name', wants: 'Name: at least three letters.' },
  {
    kind: 'text',
    key: 'purpose',
    label: 'What it does, in one sentence',
    wants: 'What it does: a sentence of at least ten letters.',
  },
  {
    kind: 'row',
    as: 'three',
    fields: [
      select(
        'family',
        'What for',
        namedBy(familyIds, (id) => families[id]),
      ),
      select(
        'movement',
        'Movement',
        namedBy(movementIds, (id) => movementWords[id]),
      ),
      select('hands', 'Hands', asTheyAre(handIds)),
      select('legs', 'Legs', asTheyAre(legIds)),
      select(
        'band',
        'Band or towel lies',
        namedBy(bandLevelIds, (id) => lies[id] ?? id),
      ),
      {
        kind: 'number',
        label: 'Level (1 to 6)',
        from: 1,
        to: 6,
        value: ({ level }) => level,
        change: (level) => ({ level }),
      },
    ],
  },
  {
    kind: 'ticks',
    key: 'positions',
    label: 'Positions, the first ticked is shown first',
    choices: asTheyAre(positionIds),
    wants: 'Positions: tick at least one.',
  },
  { kind: 'ticks', key: 'props', label: 'Props', choices: propList.map(({ id, name }) => [id, name]) },
  {
    kind: 'text',
    key: 'setUp',
    label: 'Set-up',
    long: true,
    wants: 'Set-up: a sentence of at least ten letters.',
  },
  {
    kind: 'number',
    label: 'Set-up time',
    unit: 's',
    from: 5,
    to: 180,
    step: 5,
    value: ({ setUpSeconds }) => setUpSeconds,
    change: (setUpSeconds) => ({ setUpSeconds }),
  },
];

/** Everything else, group by group. */
export const fieldGroups: readonly { title: string; fields: readonly DrillField[] }[] = [
  { title: 'Steps', fields: [{ kind: 'steps', wants: 'Steps: at least two, each with a few words.' }] },
  {
    title: 'Breath and dose',
    fields: [
      ...phases.map(phase),
      { kind: 'ladder' },
      count('breaths', 'breaths a set'),
      count('sets', 'sets'),
      { kind: 'faults', of: ['breath', 'breaths', 'sets'] },
      {
        kind: 'row',
        as: 'line',
        fields: [
          {
            kind: 'number',
            label: 'Rest between sets',
            unit: 's',
            from: 0,
            to: 180,
            step: 5,
            value: ({ restSeconds }) => restSeconds,
            change: (restSeconds) => ({ restSeconds }),
          },
          {
            kind: 'chips',
            label: 'Sides',
            choices: [
              ['none', 'None'],
              ['one or both', 'One side or both'],
            ],
            value: ({ sides }) => sides,
            change: (sides) => ({ sides: sides as Drill['sides'] }),
          },
        ],
      },
      {
        kind: 'row',
        as: 'two',
        fields: [
          { kind: 'text', key: 'floorCue', label: 'Pelvic floor', wants: 'Pelvic floor: a few words.' },
          { kind: 'text', key: 'abdominalCue', label: 'Abdominals', wants: 'Abdominals: a few words.' },
        ],
      },
    ],
  },
  {
    title: 'Cues, at most five words each',
    fields: [{ kind: 'cues', wants: 'Cues: at least two, each of at most five words.' }],
  },
  {
    title: 'What it gains, 0 to 3',
    fields: [
      { kind: 'gains', key: 'opens', names: namedBy(openedIds, (id) => sided[id] ?? regions[id as RegionId].name) },
      { kind: 'gains', key: 'skills', names: namedBy(skillIds, (id) => skills[id]) },
      {
        kind: 'ticks',
        key: 'answers',
        label: 'Patterns it answers, the first ticked above all',
        choices: patterns.map(({ id, name }) => [id, name]),
        wants: 'Answers: tick at least one pattern.',
      },
    ],
  },
  {
    title: 'Safety and faults',
    fields: [
      {
        kind: 'ticks',
        key: 'components',
        label: 'What it contains: each is gated for the clients it is not for',
        choices: namedBy(componentIds, (id) => components[id]),
        told: 'what it contains besides',
      },
      {
        kind: 'ticks',
        key: 'faults',
        label: 'Faults to look for',
        choices: namedBy(faultIds, (id) => faults[id].words),
        wants: 'Faults: tick at least two.',
      },
    ],
  },
  {
    title: 'What is counted',
    fields: [
      {
        kind: 'row',
        as: 'line',
        fields: [
          {
            kind: 'chips',
            label: 'A set counts',
            choices: [
              ['breaths', 'Breaths'],
              ['1', 'Repetitions of one breath'],
              ['2', 'Repetitions of two'],
            ],
            value: ({ counting }) => (counting.each === 'breath' ? 'breaths' : `${counting.breathsEach}`),
            change: (value, { counting }) => ({
              counting:
                value === 'breaths'
                  ? { each: 'breath', breathsEach: 1, feet: false }
                  : { ...counting, each: 'repetition', breathsEach: Number(value) },
            }),
          },
          {
            kind: 'chips',
            label: 'Feet',
            choices: [
              ['no', 'Do not change'],
              ['change', 'Change each repetition'],
            ],
            value: ({ counting }) => (counting.feet ? 'change' : 'no'),
            change: (value, { counting }) => ({
              counting: { ...counting, each: 'repetition', feet: value === 'change' },
            }),
          },
          {
            kind: 'chips',
            label: 'A set is called',
            choices: [
              ['sets', 'Set'],
              ['rounds', 'Round'],
              ['levels', 'Level'],
            ],
            value: ({ setsAre }) => setsAre,
            change: (setsAre) => ({ setsAre: setsAre as Drill['setsAre'] }),
          },
          {
            kind: 'number',
            label: 'Stay after a set',
            unit: 's',
            from: 0,
            to: 60,
            step: 5,
            value: ({ stay }) => stay?.start ?? 0,
            change: (seconds) => ({
              stay: seconds === 0 ? null : { min: 0, start: seconds, max: Math.max(30, seconds) },
            }),
          },
        ],
      },
      {
        kind: 'remark',
        label: 'Asked or done after each set',
        most: 120,
        value: ({ afterSet }) => afterSet ?? '',
        change: (words) => ({ afterSet: words === '' ? null : words }),
      },
    ],
  },
  {
    title: 'Neighbours and stances',
    fields: [
      {
        kind: 'row',
        as: 'four',
        fields: [
          neighbour('easier', 'Easier neighbour'),
          neighbour('harder', 'Harder neighbour'),
          neighbour('otherWay', 'Another way'),
          {
            kind: 'select',
            label: 'Wants first',
            choices: 'drills',
            none: 'nothing',
            value: ({ prerequisites }) => prerequisites[0] ?? '',
            change: (id) => ({ prerequisites: id ? [id] : [] }),
          },
        ],
      },
      { kind: 'row', as: 'pairs', fields: axisIds.map((axis): DrillField => ({ kind: 'stance', axis })) },
    ],
  },
];

/** A drill's stance on an axis, and whether it is meant for every day; the others stay as they are. */
export function withStance(
  { stances }: Drill,
  axis: AxisId,
  value: { stance: string; scope: 'this drill' | 'everyday rule' } | null,
): Partial<Drill> {
  const { [axis]: _, ...rest } = stances;
  return { stances: value ? { ...rest, [axis]: value } : rest };
}

const everyField = (fields: readonly DrillField[]): readonly DrillField[] =>
  fields.flatMap((field) => (field.kind === 'row' ? everyField(field.fields) : [field]));

/** What each part of a drill has to be, a sentence each, as its field says it. */
export const wantedOf: ReadonlyMap<string, string> = new Map(
  [...aboutFields, ...fieldGroups.flatMap(({ fields }) => fields)].flatMap((field) =>
    everyField([field]).flatMap((one): [string, string][] => {
      if (!('wants' in one) || one.wants === undefined) return [];
      return [['key' in one ? one.key : one.kind, one.wants]];
    }),
  ),
);

/** Axes as the form names them. */
export const axisName = (axis: AxisId) => axes[axis].name;
export const axisStances = (axis: AxisId): Choices => asTheyAre(axes[axis].stances);
