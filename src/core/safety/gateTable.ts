import { type Provenance, commonPractice, published } from '../reasons';
import { type Component } from './components';
import { type ConditionId } from './conditions';
import { type FormId, type Principle } from './forms';
import { type SurgerySite } from './profile';

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
  /** Most seconds of holds in one session, all of them together. */
  holdSeconds: number;
}

export const defaultLimits: GateLimits = {
  bumpFromWeek: 16,
  lastWeeksFromWeek: 34,
  afterBirthWeeks: 6,
  afterCaesareanWeeks: 12,
  afterSurgeryWeeks: 12,
  screeningDays: 90,
  screeningDaysClose: 14,
  holdSeconds: 120,
};

/** What each limit is called, its unit, and between what it may be set. */
export const limitNames: Readonly<
  Record<keyof GateLimits, { name: string; unit: 'weeks' | 'days' | 's'; min: number; max: number; step?: number }>
> = {
  bumpFromWeek: { name: 'The bump counts from week', unit: 'weeks', min: 8, max: 28 },
  lastWeeksFromWeek: { name: 'The last weeks of pregnancy from week', unit: 'weeks', min: 28, max: 40 },
  afterBirthWeeks: { name: 'Early rules after a birth', unit: 'weeks', min: 4, max: 26 },
  afterCaesareanWeeks: { name: 'Early rules after a caesarean', unit: 'weeks', min: 6, max: 52 },
  afterSurgeryWeeks: { name: 'Early rules after surgery', unit: 'weeks', min: 4, max: 52 },
  screeningDays: { name: 'Answers are asked again after', unit: 'days', min: 7, max: 365 },
  screeningDaysClose: { name: 'In pregnancy, after birth or surgery, after', unit: 'days', min: 1, max: 60 },
  holdSeconds: { name: 'Holds in a session, all together', unit: 's', min: 0, max: 300, step: 10 },
};

/** A component that stays possible in another form. */
interface Change {
  components: readonly Component[];
  form: FormId;
  principle: Principle;
}

/** One row of the caution table: what a condition blocks, changes, and what to watch for. */
export interface GateRow {
  condition: ConditionId;
  /** A row that counts only in a stretch of weeks names the limit it starts with. */
  from?: 'bumpFromWeek' | 'lastWeeksFromWeek';
  /** A row about one place or side of the body; where none was told, every such row counts. */
  site?: SurgerySite;
  side?: 'left' | 'right';
  /** A row for a birth by caesarean only. */
  caesarean?: true;
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
  extra: Partial<Pick<GateRow, 'from' | 'site' | 'side' | 'caesarean' | 'provenance' | 'clearable'>> = {},
): GateRow => ({ condition, blocks, changes, watch, clearable: [], provenance: commonPractice, ...extra });

const release = (form: FormId, ...components: Component[]): Change => ({ components, form, principle: 'release' });
const protect = (form: FormId, ...components: Component[]): Change => ({ components, form, principle: 'protect' });
const form = (id: FormId, ...components: Component[]): Change => ({ components, form: id, principle: 'form' });

/** What pressure inside the belly does no good to: an operation, a hernia, a broken rib. */
const pressing = ['balloon', 'strain', 'hardBrace'] as const satisfies readonly Component[];

/**
 * The caution table of the trade, read by {@link evaluateGates}. A practitioner could read each row aloud. Several rows of
 * one condition add up.
 */
export const gateTable: readonly GateRow[] = [
  row(
    'pregnancy',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'hardBrace', 'balloon', 'bellyBand', 'strain'],
    [protect('offTheBack', 'flatSupine')],
    ['dizziness', 'too hot'],
  ),
  row('pregnancy', ['prone', 'proneRibs', 'halfDome', 'twinBalls', 'flatSupine'], [], ['nausea', 'light-headed'], {
    from: 'bumpFromWeek',
    provenance: published('R10'),
  }),
  row(
    'pregnancy',
    ['bear', 'plank', 'sidePlank', 'strongFloor'],
    [release('releaseOnly', 'floorLift'), protect('easyBreath', 'deepBreath')],
    ['pressure', 'pain'],
    { from: 'lastWeeksFromWeek', clearable: ['floorLift'] },
  ),
  row(
    'pelvicGirdlePain',
    ['wideKnees', 'strongSqueeze', 'march', 'hipCross'],
    [protect('smallBridge', 'bridge')],
    ['pubic pain'],
  ),
  row(
    'recentBirth',
    ['plank', 'sidePlank', 'bear', 'loadedBrace', 'hold', 'longHold', 'strongFloor'],
    [protect('gentleFloor', 'floorLift')],
    ['bleeding', 'doming'],
  ),
  // Ours: what was stretched or cut is given its weeks without a balloon, a band, a weight or a hollowing on it.
  row('recentBirth', ['balloon', 'bellyBand', 'bellyPressure', 'hardBrace', 'strain'], [], []),
  row(
    'recentBirth',
    [...pressing, 'bellyBand', 'bellyPressure', 'prone', 'emptyLung'],
    [protect('easyBreath', 'deepBreath'), protect('smallBend', 'sideBend'), protect('smallerLever', 'bridge', 'march')],
    ['pain at the site'],
    { caesarean: true },
  ),
  row(
    'heart',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'strain', 'balloon', 'plank', 'sidePlank', 'bear', 'longStay'],
    [protect('exhaleThrough', 'effort', 'loadedBrace')],
    ['chest signs', 'dizziness'],
  ),
  row(
    'seizures',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'strain', 'fastBreath', 'forcedExhale'],
    [protect('easyBreath', 'deepBreath')],
    ['aura', 'dizziness'],
  ),
  row(
    'lung',
    ['hold', 'longHold', 'forcedExhale', 'bellyPush'],
    // Ours: lying on the front takes as much room as lying on the back.
    [protect('offTheBack', 'flatSupine', 'prone', 'proneRibs'), protect('ribsAlone', 'flare')],
    ['wheeze', 'cough', 'inhaler at hand'],
    { clearable: ['hold', 'longHold'] },
  ),
  row(
    'collapsedLung',
    ['fullLung', 'hold', 'longHold', 'strain', 'balloon', 'deepBreath', 'forcedExhale', 'unquiet'],
    [],
    ['sudden chest pain', 'quiet breathing only'],
    { clearable: ['deepBreath', 'unquiet'] },
  ),
  row(
    'surgery',
    [...pressing, 'loadedBrace'],
    [protect('easyBreath', 'deepBreath'), protect('smallBend', 'sideBend')],
    ['pain at the site'],
  ),
  row('surgery', ['bellyBand', 'bellyPressure', 'prone', 'plank'], [protect('smallerLever', 'bridge', 'march')], [], {
    site: 'abdomen',
  }),
  row('surgery', ['ribPressure', 'proneRibs', 'halfDome', 'ribEdge', 'twinBalls'], [], [], { site: 'chest' }),
  // Lain on is the side that was operated on, where it was told; where not, both.
  row('surgery', ['lyingOnLeft'], [], [], { site: 'chest', side: 'left' }),
  row('surgery', ['lyingOnRight'], [], [], { site: 'chest', side: 'right' }),
  row('surgery', ['twist', 'spineRoll', 'twinBalls', 'endRangeArch', 'endRangeTuck', 'loadedRounding'], [], [], {
    site: 'spine',
  }),
  row('surgery', ['headLow', 'headHang', 'hold', 'longHold'], [], [], { site: 'eye' }),
  row(
    'hernia',
    [...pressing, 'loadedBrace', 'bellyPressure', 'bellyBand'],
    [protect('smallerLever', 'bridge', 'march')],
    ['pain at the site'],
  ),
  row(
    'ribFracture',
    [...pressing, 'proneRibs', 'halfDome', 'ribEdge', 'twinBalls', 'ribPressure'],
    [protect('easyBreath', 'deepBreath'), protect('smallBend', 'sideBend')],
    ['pain at the site'],
  ),
  row('ribFracture', ['lyingOnLeft'], [], [], { side: 'left' }),
  row('ribFracture', ['lyingOnRight'], [], [], { side: 'right' }),
  row(
    'eyeHead',
    ['hold', 'longHold', 'strain', 'headLow', 'headHang', 'balloon', 'plank', 'sidePlank', 'bear', 'longStay'],
    [protect('offTheBack', 'flatSupine')],
    ['eye pain', 'headache'],
  ),
  row('reflux', ['bellyPressure'], [form('offTheBack', 'flatSupine')], ['burning']),
  row(
    'prolapse',
    ['strain', 'longStanding', 'balloon'],
    [protect('hipsRaised', 'floorLift')],
    ['heaviness', 'dragging'],
  ),
  row('leaking', ['strain'], [form('exhaleFirst', 'effort', 'loadedBrace', 'bridge', 'march', 'impact')], ['any leak']),
  row(
    'holdingFloor',
    ['floorLift', 'strongFloor', 'strongSqueeze'],
    [release('releaseOnly', 'effort', 'bridge')],
    ['pain'],
  ),
  row(
    'separation',
    ['strain'],
    [protect('smallerLever', 'march', 'bridge', 'bear', 'plank', 'sidePlank', 'loadedBrace')],
    ['doming'],
  ),
  row(
    'osteoporosis',
    ['loadedRounding', 'endRangeTuck', 'twist', 'twinBalls', 'spineRoll', 'ribEdge'],
    [],
    ['back pain'],
  ),
  row('back', ['endRangeArch', 'endRangeTuck', 'loadedSideBend'], [protect('smallBend', 'sideBend')], ['leg pain']),
  row('neck', ['headHang', 'tightEdge'], [protect('smallTurns', 'headTurn')], ['tingling', 'dizziness']),
  row('shoulder', ['armsOverhead', 'overheadBand', 'sidePlank'], [], ['pinch']),
  row('wrist', ['handWeight'], [], []),
  row('knee', ['kneeling', 'sidePlank', 'hipCross'], [], []),
  row('dizziness', ['headTurn', 'fastChange'], [protect('eyesOpen', 'closedEyes')], ['dizziness']),
  row(
    'panic',
    ['longHold', 'closedEyes', 'chestWeight', 'coachTouch'],
    [protect('shortSets', 'hold')],
    ['air hunger', 'distress'],
  ),
  row('latex', ['latex', 'balloon'], [], []),
  // Ours: a landing comes last of all, and not on what is healing, carried, brittle or sore.
  ...(
    [
      'pregnancy',
      'pelvicGirdlePain',
      'recentBirth',
      'surgery',
      'hernia',
      'ribFracture',
      'eyeHead',
      'prolapse',
      'osteoporosis',
      'back',
      'knee',
    ] as const
  ).map((condition) => row(condition, ['impact'], [], [], { clearable: ['impact'] })),
];
