import { type Provenance, commonPractice, published } from '../reasons';
import { type Component } from './components';
import { type ConditionId } from './conditions';

/** Numbers that differ between schools and that a coach may set. Common practice until then. */
export interface GateLimits {
  /** Pregnancy week from which the bump counts. */
  bumpFromWeek: number;
  /** Pregnancy week from which the last weeks' rules count. */
  lastWeeksFromWeek: number;
  /** Weeks after a birth in which the early rules count, and after a caesarean. */
  afterBirthWeeks: number;
  afterCaesareanWeeks: number;
  /** Weeks after surgery in which its rules count. */
  afterSurgeryWeeks: number;
  /** Days after which answers are asked again; fewer in pregnancy and after a birth or surgery. */
  screeningDays: number;
  screeningDaysClose: number;
}

export const defaultLimits: GateLimits = {
  bumpFromWeek: 16,
  lastWeeksFromWeek: 34,
  afterBirthWeeks: 6,
  afterCaesareanWeeks: 12,
  afterSurgeryWeeks: 12,
  screeningDays: 90,
  screeningDaysClose: 14,
};

/** What each limit is called, its unit, and between what it may be set. */
export const limitNames: Readonly<
  Record<keyof GateLimits, { name: string; unit: 'weeks' | 'days'; min: number; max: number }>
> = {
  bumpFromWeek: { name: 'The bump counts from week', unit: 'weeks', min: 8, max: 28 },
  lastWeeksFromWeek: { name: 'The last weeks of pregnancy from week', unit: 'weeks', min: 28, max: 40 },
  afterBirthWeeks: { name: 'Early rules after a birth', unit: 'weeks', min: 4, max: 26 },
  afterCaesareanWeeks: { name: 'Early rules after a caesarean', unit: 'weeks', min: 6, max: 52 },
  afterSurgeryWeeks: { name: 'Early rules after surgery', unit: 'weeks', min: 4, max: 52 },
  screeningDays: { name: 'Answers are asked again after', unit: 'days', min: 7, max: 365 },
  screeningDaysClose: { name: 'In pregnancy, after birth or surgery, after', unit: 'days', min: 1, max: 60 },
};

/**
 * What a change stands for when two rows ask for different forms of the same thing: letting go comes before lifting,
 * protecting before opening, and both before a mere change of form.
 */
export const principles = ['release', 'protect', 'form'] as const;
export type Principle = (typeof principles)[number];

/** A component that stays possible in another form, and that form. */
export interface Change {
  components: readonly Component[];
  to: string;
  principle: Principle;
}

/** One row of the caution table: what a condition blocks, changes, and what to watch for. */
export interface GateRow {
  condition: ConditionId;
  /** A row that counts only in a stretch of weeks names the limit it starts with. */
  from?: 'bumpFromWeek' | 'lastWeeksFromWeek';
  blocks: readonly Component[];
  changes: readonly Change[];
  /** What must be asked or looked for while coaching. */
  watch: readonly string[];
  /** Blocks and changes that a named clinician's word lifts; they are watched then. */
  clearable: readonly Component[];
  provenance: Provenance;
}

const row = (
  condition: ConditionId,
  blocks: readonly Component[],
  changes: readonly Change[],
  watch: readonly string[],
  extra: Partial<Pick<GateRow, 'from' | 'provenance' | 'clearable'>> = {},
): GateRow => ({ condition, blocks, changes, watch, clearable: [], provenance: commonPractice, ...extra });

const release = (to: string, ...components: Component[]): Change => ({ components, to, principle: 'release' });
const protect = (to: string, ...components: Component[]): Change => ({ components, to, principle: 'protect' });
const form = (to: string, ...components: Component[]): Change => ({ components, to, principle: 'form' });

/** The caution table of the trade, read by {@link evaluateGates}. A practitioner could read each row aloud. */
export const gateTable: readonly GateRow[] = [
  row(
    'pregnancy',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'hardBrace', 'balloon', 'bellyBand'],
    [protect('seated, side-lying or quadruped first', 'flatSupine')],
    ['dizziness', 'too hot'],
  ),
  row(
    'pregnancy',
    ['prone', 'proneRibs', 'halfDome', 'twinBalls', 'flatSupine'],
    [protect('propped, seated or side-lying; on the back only a few breaths with a wedge', 'bridge')],
    ['nausea', 'light-headed'],
    { from: 'bumpFromWeek', provenance: published('R10') },
  ),
  row(
    'pregnancy',
    ['bear', 'plank', 'sidePlank', 'strongFloor'],
    [release('release only on the exhale; a smaller breath is expected', 'floorLift')],
    ['pressure', 'pain'],
    { from: 'lastWeeksFromWeek', clearable: ['floorLift'] },
  ),
  row(
    'pelvicGirdlePain',
    ['wideKnees', 'strongSqueeze', 'march'],
    [protect('knees together, small range', 'bridge')],
    ['pubic pain'],
  ),
  row(
    'recentBirth',
    ['plank', 'sidePlank', 'loadedBrace', 'hold', 'longHold'],
    [protect('widen and settle, the floor gently', 'floorLift', 'strongFloor')],
    ['bleeding', 'doming'],
  ),
  row(
    'heart',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'strain', 'balloon'],
    [protect('exhale through the effort', 'loadedBrace')],
    ['chest signs', 'dizziness'],
  ),
  row(
    'seizures',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'fastBreath'],
    [protect('short, easy cadences', 'deepBreath')],
    ['aura', 'dizziness'],
  ),
  row(
    'lung',
    ['hold', 'longHold', 'forcedExhale', 'bellyPush'],
    [
      protect('sitting, leaning forward on the arms; inhaler at hand', 'flatSupine'),
      protect('a barrel-shaped chest is not a flare to correct; pursed exhale', 'flare'),
    ],
    ['wheeze', 'cough', 'inhaler at hand'],
    { clearable: ['hold', 'longHold'] },
  ),
  row(
    'collapsedLung',
    ['fullLung', 'hold', 'longHold', 'balloon', 'deepBreath'],
    [],
    ['sudden chest pain', 'quiet breathing only'],
    { clearable: ['deepBreath'] },
  ),
  row(
    'surgery',
    ['balloon', 'strain', 'hardBrace', 'loadedBrace', 'bellyPressure', 'bellyBand', 'proneRibs'],
    [protect('gentle, nothing on the site', 'deepBreath', 'sideBend')],
    ['pain at the site'],
  ),
  row(
    'hernia',
    ['balloon', 'strain', 'hardBrace', 'loadedBrace', 'bellyPressure', 'bellyBand'],
    [protect('gentle', 'bridge', 'march')],
    ['pain at the site'],
  ),
  row(
    'ribFracture',
    ['balloon', 'strain', 'hardBrace', 'proneRibs', 'halfDome', 'ribEdge', 'twinBalls'],
    [protect('gentle, nothing on the site', 'deepBreath', 'sideBend')],
    ['pain at the site'],
  ),
  row(
    'eyeHead',
    ['hold', 'longHold', 'strain', 'headLow', 'headHang'],
    [protect('seated or propped; child’s pose with the head on a stack', 'flatSupine')],
    ['eye pain', 'headache'],
  ),
  row('reflux', ['bellyPressure'], [form('inclined, not after a meal', 'flatSupine')], ['burning']),
  row(
    'prolapse',
    ['strain', 'longStanding'],
    [protect('lying or hips raised; lift on the exhale', 'floorLift')],
    ['heaviness', 'dragging'],
  ),
  row(
    'leaking',
    ['strain'],
    [form('exhale before and through the effort, low to high', 'loadedBrace', 'bridge', 'march')],
    ['any leak'],
  ),
  row(
    'holdingFloor',
    ['floorLift', 'strongFloor', 'strongSqueeze'],
    [release('release and lengthening first', 'bridge')],
    ['pain'],
  ),
  row(
    'separation',
    [],
    [
      protect(
        'low to high with a smaller lever; stop at any doming',
        'march',
        'bridge',
        'bear',
        'plank',
        'sidePlank',
        'loadedBrace',
      ),
    ],
    ['doming'],
  ),
  row(
    'osteoporosis',
    ['loadedRounding', 'twist', 'twinBalls', 'spineRoll', 'ribEdge'],
    [protect('flat back, wall', 'halfDome', 'endRangeTuck')],
    ['back pain'],
  ),
  row(
    'back',
    ['endRangeArch', 'endRangeTuck', 'loadedSideBend'],
    [protect('mid-range, from hook-lying', 'sideBend')],
    ['leg pain'],
  ),
  row(
    'neck',
    ['headHang'],
    [protect('small range, never held at the tight edge; none with arm tingling or dizziness', 'headTurn')],
    ['tingling', 'dizziness'],
  ),
  row('shoulder', ['armsOverhead', 'overheadBand'], [form('arms low', 'handWeight')], ['pinch']),
  row('wrist', ['handWeight'], [], []),
  row('knee', ['kneeling'], [], []),
  row('dizziness', ['headTurn', 'fastChange'], [protect('slow, eyes open', 'closedEyes')], ['dizziness']),
  row(
    'panic',
    ['longHold', 'closedEyes', 'chestWeight', 'coachTouch'],
    [protect('short sets, an outside focus, a choice', 'hold')],
    ['air hunger', 'distress'],
  ),
  row('latex', ['latex'], [], []),
];

/** What ends any drill at once. */
export const stopSymptoms = [
  'dizziness',
  'tingling',
  'headache',
  'chest tightness',
  'gasping',
  'cough that does not settle',
  'pain',
  'leaking',
  'doming',
  'feeling faint or afraid',
] as const;
