import { type Provenance, commonPractice, published } from '../reasons';
import { type Component } from './components';
import { type ConditionId } from './conditions';

/** Week numbers that differ between schools and that a coach may set. Common practice. */
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
}

export const defaultLimits: GateLimits = {
  bumpFromWeek: 16,
  lastWeeksFromWeek: 34,
  afterBirthWeeks: 6,
  afterCaesareanWeeks: 12,
  afterSurgeryWeeks: 12,
};

/** A component that stays possible in another form, and that form. */
export interface Change {
  components: readonly Component[];
  to: string;
}

/** One row of the caution table: what a condition blocks, changes, and what to watch for. */
export interface GateRow {
  condition: ConditionId;
  /** A row that counts only in a stretch of weeks names the limit it starts or ends with. */
  from?: 'bumpFromWeek' | 'lastWeeksFromWeek';
  blocks: readonly Component[];
  changes: readonly Change[];
  /** What must be asked or looked for while coaching. */
  watch: readonly string[];
  provenance: Provenance;
}

const row = (
  condition: ConditionId,
  blocks: readonly Component[],
  changes: readonly Change[],
  watch: readonly string[],
  extra: Partial<Pick<GateRow, 'from' | 'provenance'>> = {},
): GateRow => ({ condition, blocks, changes, watch, provenance: commonPractice, ...extra });

/** The caution table of the trade, read by {@link evaluateGates}. A practitioner could read each row aloud. */
export const gateTable: readonly GateRow[] = [
  row(
    'pregnancy',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'hardBrace', 'balloon', 'bellyBand'],
    [],
    ['dizziness', 'too hot'],
  ),
  row('pregnancy', ['prone', 'proneRibs', 'halfDome', 'twinBalls', 'flatSupine'], [], ['nausea', 'light-headed'], {
    from: 'bumpFromWeek',
    provenance: published('R10'),
  }),
  row(
    'pregnancy',
    ['bear', 'plank', 'sidePlank', 'strongFloor'],
    [{ components: ['floorLift'], to: 'release only on the exhale; a smaller breath is expected' }],
    ['pressure', 'pain'],
    { from: 'lastWeeksFromWeek' },
  ),
  row('pelvicGirdlePain', ['wideKnees', 'strongSqueeze', 'march'], [], ['pubic pain']),
  row(
    'recentBirth',
    ['plank', 'sidePlank', 'loadedBrace', 'hold', 'longHold'],
    [{ components: ['floorLift', 'strongFloor'], to: 'widen and settle, the floor gently' }],
    ['bleeding', 'doming'],
  ),
  row(
    'heart',
    ['hold', 'longHold', 'fullLung', 'emptyLung', 'strain', 'balloon'],
    [{ components: ['loadedBrace'], to: 'exhale through the effort' }],
    ['chest signs', 'dizziness'],
  ),
  row('seizures', ['hold', 'longHold', 'fullLung', 'emptyLung', 'fastBreath'], [], ['aura', 'dizziness']),
  row(
    'lung',
    ['hold', 'longHold', 'forcedExhale', 'bellyPush'],
    [{ components: ['flatSupine'], to: 'sitting, leaning forward on the arms; inhaler at hand' }],
    ['wheeze', 'cough'],
  ),
  row('collapsedLung', ['fullLung', 'hold', 'longHold', 'balloon', 'deepBreath'], [], ['sudden chest pain']),
  row(
    'surgery',
    ['balloon', 'strain', 'hardBrace', 'loadedBrace', 'bellyPressure', 'bellyBand', 'proneRibs'],
    [],
    ['pain at the site'],
  ),
  row(
    'hernia',
    ['balloon', 'strain', 'hardBrace', 'loadedBrace', 'bellyPressure', 'bellyBand'],
    [],
    ['pain at the site'],
  ),
  row(
    'ribFracture',
    ['balloon', 'strain', 'hardBrace', 'proneRibs', 'halfDome', 'ribEdge', 'twinBalls'],
    [],
    ['pain at the site'],
  ),
  row('eyeHead', ['hold', 'longHold', 'strain', 'headLow', 'headHang'], [], ['eye pain', 'headache']),
  row('reflux', ['bellyPressure'], [{ components: ['flatSupine'], to: 'inclined, not after a meal' }], ['burning']),
  row(
    'prolapse',
    ['strain', 'longStanding'],
    [{ components: ['floorLift'], to: 'lying or hips raised; lift on the exhale' }],
    ['heaviness', 'dragging'],
  ),
  row(
    'leaking',
    ['strain'],
    [{ components: ['loadedBrace', 'bridge', 'march'], to: 'exhale before and through the effort, low to high' }],
    ['any leak'],
  ),
  row('holdingFloor', ['floorLift', 'strongFloor', 'strongSqueeze'], [], ['pain']),
  row(
    'separation',
    [],
    [{ components: ['march', 'bridge', 'bear', 'plank'], to: 'low to high with a smaller lever; stop at any doming' }],
    ['doming'],
  ),
  row('osteoporosis', ['loadedRounding', 'twist', 'twinBalls', 'spineRoll', 'ribEdge'], [], ['back pain']),
  row('back', ['endRangeArch', 'endRangeTuck', 'loadedSideBend'], [], ['leg pain']),
  row(
    'neck',
    ['headHang'],
    [{ components: ['headTurn'], to: 'small range, never held at the tight edge' }],
    ['tingling', 'dizziness'],
  ),
  row('shoulder', ['armsOverhead'], [], ['pinch']),
  row('wrist', [], [{ components: ['handWeight'], to: 'forearms or a bench' }], []),
  row('knee', [], [{ components: ['kneeling'], to: 'side-lying or a chair' }], []),
  row('dizziness', ['headTurn', 'fastChange'], [], ['dizziness']),
  row(
    'panic',
    ['longHold', 'closedEyes', 'chestWeight'],
    [{ components: ['hold'], to: 'short sets, an outside focus, a choice' }],
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
