import { gatesOfPerson, testDay as today } from '../fixtures';
import {
  type AnswerDetail,
  type Component,
  type ConditionId,
  type FormId,
  checkComponents,
  conditionIds,
  emptyProfile,
  evaluateGates,
} from '.';

/**
 * The caution table written down a second time, cell by cell, from the words of the trade and not from the table in the
 * code: what a practitioner would read out for each condition. Common practice, no published source; the bump's row [R10].
 */
interface Cells {
  name: string;
  condition: ConditionId;
  detail?: AnswerDetail;
  /** Cell words → what must be off. */
  off: Record<string, Component[]>;
  /** Cell words → what must be done in another form, and in which one of these. */
  otherwise?: Record<string, [Component, FormId[]]>;
  watch: string[];
  /** What stays open although a neighbour of it is off: the table forbids no more than it says. */
  open?: Component[];
}

const holds: Component[] = ['hold', 'longHold'];

const cells: Cells[] = [
  {
    name: 'pregnancy, any week',
    condition: 'pregnancy',
    detail: { weekOnDay: 10 },
    off: {
      'all holds beyond a natural pause': holds,
      'full- and empty-lung stretches': ['fullLung', 'emptyLung'],
      'hard hollowing or bracing': ['hardBrace'],
      balloon: ['balloon'],
      'tight band round the belly': ['bellyBand'],
      'straining (added)': ['strain'],
    },
    otherwise: { 'seated, side-lying, quadruped first': ['flatSupine', ['offTheBack']] },
    watch: ['dizziness', 'too hot'],
    open: ['prone', 'plank', 'floorLift', 'kneeling'],
  },
  {
    name: 'pregnancy once the bump shows',
    condition: 'pregnancy',
    detail: { weekOnDay: 16 },
    off: {
      prone: ['prone', 'proneRibs'],
      'half-dome': ['halfDome'],
      'twin balls': ['twinBalls'],
      'long flat supine': ['flatSupine'],
    },
    watch: ['nausea', 'light-headed'],
    open: ['plank', 'floorLift'],
  },
  {
    name: 'pregnancy, last weeks',
    condition: 'pregnancy',
    detail: { weekOnDay: 34 },
    off: {
      bear: ['bear'],
      planks: ['plank', 'sidePlank'],
      'strong or sustained floor contraction': ['strongFloor'],
    },
    otherwise: {
      'by default release only on the exhale': ['floorLift', ['releaseOnly']],
      'a smaller breath is expected': ['deepBreath', ['easyBreath']],
    },
    watch: ['pressure', 'pain'],
  },
  {
    name: 'pelvic-girdle or pubic pain',
    condition: 'pelvicGirdlePain',
    off: {
      'wide knees': ['wideKnees'],
      'strong ball squeeze': ['strongSqueeze'],
      'one-legged marches': ['march'],
      'figure four and crossed legs (added)': ['hipCross'],
    },
    otherwise: { 'knees together, small range': ['bridge', ['smallBridge']] },
    watch: ['pubic pain'],
    open: ['hold', 'floorLift', 'prone'],
  },
  {
    name: 'birth within six weeks',
    condition: 'recentBirth',
    detail: { date: '2026-10-20' },
    off: {
      planks: ['plank'],
      'side plank': ['sidePlank'],
      'loaded bracing': ['loadedBrace'],
      holds,
      'balloon (added)': ['balloon'],
      'bands, prone weight and hollowing off the site (added)': ['bellyBand', 'bellyPressure', 'hardBrace'],
      'no held breath under a load': ['strain'],
    },
    otherwise: { 'the floor gently': ['floorLift', ['gentleFloor']] },
    watch: ['bleeding', 'doming'],
  },
  {
    name: 'a caesarean within twelve weeks',
    condition: 'recentBirth',
    detail: { date: '2026-09-10', caesarean: true },
    off: {
      'planks, side plank, loaded bracing': ['plank', 'sidePlank', 'loadedBrace'],
      holds,
      'counts as abdominal surgery (added)': ['balloon', 'strain', 'hardBrace', 'bellyBand', 'bellyPressure', 'prone'],
    },
    otherwise: { gentle: ['deepBreath', ['easyBreath']] },
    watch: ['bleeding', 'doming', 'pain at the site'],
  },
  {
    name: 'heart, aneurysm, pressure, stroke',
    condition: 'heart',
    off: {
      holds,
      'full/empty-lung stretches': ['fullLung', 'emptyLung'],
      'straining, held-breath effort': ['strain'],
      balloon: ['balloon'],
      'planks and long stays (added)': ['plank', 'sidePlank', 'longStay'],
    },
    otherwise: {
      'exhale through effort': ['effort', ['exhaleThrough']],
      'and under a load': ['loadedBrace', ['exhaleThrough']],
    },
    watch: ['chest signs', 'dizziness'],
    open: ['floorLift', 'flatSupine'],
  },
  {
    name: 'seizures, other neurological',
    condition: 'seizures',
    off: {
      holds,
      'full/empty-lung stretches': ['fullLung', 'emptyLung'],
      'fast or forced breathing': ['fastBreath', 'forcedExhale'],
      'no held breath under a load': ['strain'],
    },
    otherwise: { 'short, easy cadences': ['deepBreath', ['easyBreath']] },
    watch: ['aura', 'dizziness'],
  },
  {
    name: 'COPD, asthma',
    condition: 'lung',
    off: {
      'holds unless cleared': holds,
      'forced exhale to empty': ['forcedExhale'],
      'belly-push cues': ['bellyPush'],
    },
    otherwise: {
      'sitting, leaning forward on the arms': ['flatSupine', ['offTheBack']],
      'nor on the front (added)': ['prone', ['offTheBack']],
      'a barrel-shaped chest is not a flare to correct': ['flare', ['ribsAlone']],
    },
    watch: ['wheeze', 'cough', 'inhaler at hand'],
  },
  {
    name: 'past collapsed lung, large bullae',
    condition: 'collapsedLung',
    off: {
      'full-lung top-ups': ['fullLung'],
      holds,
      balloon: ['balloon'],
      'only a short list of quiet things until cleared (added)': ['unquiet', 'deepBreath'],
      'no held breath under a load': ['strain'],
    },
    watch: ['sudden chest pain'],
  },
  {
    name: 'surgery, place not told',
    condition: 'surgery',
    detail: { date: '2026-10-20' },
    off: {
      balloon: ['balloon'],
      straining: ['strain'],
      'strong brace': ['hardBrace', 'loadedBrace'],
      'pressure or band on the site': ['bellyPressure', 'bellyBand', 'ribPressure'],
      'prone on ribs': ['proneRibs'],
      'hollowing and prone weight (added)': ['prone'],
      'no twist, rolling or twin balls (added)': ['twist', 'spineRoll', 'twinBalls'],
    },
    otherwise: { gentle: ['deepBreath', ['easyBreath']] },
    watch: ['pain at the site'],
  },
  {
    name: 'surgery on the abdomen',
    condition: 'surgery',
    detail: { date: '2026-10-20', site: 'abdomen' },
    off: { 'band and pressure on it': ['bellyBand', 'bellyPressure'], balloon: ['balloon'], straining: ['strain'] },
    watch: ['pain at the site'],
    open: ['ribPressure', 'twist'],
  },
  {
    name: 'surgery on the chest',
    condition: 'surgery',
    detail: { date: '2026-10-20', site: 'chest' },
    off: { 'band and pressure on it': ['ribPressure', 'proneRibs'], balloon: ['balloon'], straining: ['strain'] },
    watch: ['pain at the site'],
    open: ['bellyBand', 'twist'],
  },
  {
    name: 'surgery on the chest, right',
    condition: 'surgery',
    detail: { date: '2026-10-20', site: 'chest', side: 'right' },
    off: { 'not on the side of it (site and side)': ['lyingOnRight'] },
    watch: ['pain at the site'],
    open: ['lyingOnLeft', 'bellyBand'],
  },
  {
    name: 'surgery on the spine',
    condition: 'surgery',
    detail: { date: '2026-10-20', site: 'spine' },
    off: { 'twist, rolling, twin balls (added)': ['twist', 'spineRoll', 'twinBalls'], straining: ['strain'] },
    watch: ['pain at the site'],
    open: ['ribPressure', 'bellyBand'],
  },
  {
    name: 'surgery on the eye',
    condition: 'surgery',
    detail: { date: '2026-10-20', site: 'eye' },
    off: { 'straining, balloon': ['strain', 'balloon'], 'head below the heart': ['headLow'] },
    watch: ['pain at the site'],
    open: ['ribPressure', 'twist'],
  },
  {
    name: 'hernia',
    condition: 'hernia',
    off: {
      balloon: ['balloon'],
      straining: ['strain'],
      'strong brace': ['hardBrace', 'loadedBrace'],
      'pressure or band on the site': ['bellyPressure', 'bellyBand'],
    },
    watch: ['pain at the site'],
    open: ['proneRibs', 'ribPressure'],
  },
  {
    name: 'rib fracture on the left',
    condition: 'ribFracture',
    detail: { side: 'left' },
    off: {
      balloon: ['balloon'],
      straining: ['strain'],
      'strong brace': ['hardBrace'],
      'pressure or band on the site': ['ribPressure', 'twinBalls', 'ribEdge'],
      'prone on ribs': ['proneRibs', 'halfDome'],
      'not on the broken side (site and side)': ['lyingOnLeft'],
    },
    otherwise: { gentle: ['deepBreath', ['easyBreath']], 'small bends': ['sideBend', ['smallBend']] },
    watch: ['pain at the site'],
    open: ['lyingOnRight', 'bellyBand'],
  },
  {
    name: 'glaucoma, retina, raised head pressure',
    condition: 'eyeHead',
    off: {
      holds,
      straining: ['strain'],
      'head below heart': ['headLow', 'headHang'],
      'balloon (added)': ['balloon'],
      'planks and long stays (added)': ['plank', 'sidePlank', 'longStay'],
    },
    otherwise: { 'seated, propped': ['flatSupine', ['offTheBack']] },
    watch: ['eye pain', 'headache'],
  },
  {
    name: 'reflux',
    condition: 'reflux',
    off: { 'belly-down pressure': ['bellyPressure'] },
    otherwise: { inclined: ['flatSupine', ['offTheBack']] },
    watch: ['burning'],
    open: ['hold', 'plank'],
  },
  {
    name: 'prolapse',
    condition: 'prolapse',
    off: {
      'bearing down, held-breath effort': ['strain'],
      'long standing work': ['longStanding'],
      'balloon (added)': ['balloon'],
    },
    otherwise: { 'supine or hips raised; lift on exhale': ['floorLift', ['hipsRaised']] },
    watch: ['heaviness', 'dragging'],
  },
  {
    name: 'leaking with effort',
    condition: 'leaking',
    off: { 'held-breath effort before control is shown': ['strain'] },
    otherwise: {
      'exhale before and through effort, low-to-high': ['effort', ['exhaleFirst']],
      'on a march': ['march', ['exhaleFirst']],
      'under a load': ['loadedBrace', ['exhaleFirst']],
    },
    watch: ['any leak'],
    open: ['floorLift'],
  },
  {
    name: "floor that won't let go, pelvic pain",
    condition: 'holdingFloor',
    off: {
      'lift cues': ['floorLift'],
      'sustained contraction': ['strongFloor'],
      'strong ball squeeze': ['strongSqueeze'],
    },
    otherwise: { 'release and lengthening': ['bridge', ['releaseOnly']] },
    watch: ['pain'],
    open: ['flatSupine'],
  },
  {
    name: 'abdominal separation',
    condition: 'separation',
    off: { 'no held breath under a load': ['strain'] },
    otherwise: {
      'low-to-high, smaller lever': ['march', ['smallerLever']],
      'on a bridge': ['bridge', ['smallerLever']],
      'on hands and toes': ['bear', ['smallerLever']],
      'on a plank': ['plank', ['smallerLever']],
    },
    watch: ['doming'],
  },
  {
    name: 'osteoporosis',
    condition: 'osteoporosis',
    off: {
      'loaded or end-range rounding': ['loadedRounding', 'endRangeTuck'],
      twisting: ['twist'],
      'twin balls': ['twinBalls'],
      'rolling through the spine': ['spineRoll'],
      'ribs pressed on a hard edge': ['ribEdge'],
    },
    watch: ['back pain'],
  },
  {
    name: 'acute back',
    condition: 'back',
    off: { 'end-range arch or tuck': ['endRangeArch', 'endRangeTuck'], 'loaded side bend': ['loadedSideBend'] },
    otherwise: { 'mid-range': ['sideBend', ['smallBend']] },
    watch: ['leg pain'],
  },
  {
    name: 'neck',
    condition: 'neck',
    off: { 'head hanging over the half-dome': ['headHang'], 'holding at the tight edge': ['tightEdge'] },
    otherwise: { 'small range': ['headTurn', ['smallTurns']] },
    watch: ['tingling', 'dizziness'],
  },
  {
    name: 'shoulder',
    condition: 'shoulder',
    off: {
      'arms above about 140 degrees': ['armsOverhead'],
      'overhead-fixed band': ['overheadBand'],
      'side plank (added)': ['sidePlank'],
    },
    watch: ['pinch'],
  },
  { name: 'wrist', condition: 'wrist', off: { 'weight on hands': ['handWeight'] }, watch: [], open: ['kneeling'] },
  {
    name: 'knee or hip',
    condition: 'knee',
    off: {
      kneeling: ['kneeling'],
      'side plank from the knees (added)': ['sidePlank'],
      'figure four and crossed legs (added)': ['hipCross'],
    },
    watch: [],
    open: ['handWeight'],
  },
  {
    name: 'dizziness',
    condition: 'dizziness',
    off: { 'head turns': ['headTurn'], 'fast position changes': ['fastChange'] },
    otherwise: { 'slow, eyes open': ['closedEyes', ['eyesOpen']] },
    watch: ['dizziness'],
  },
  {
    name: 'panic, hard history',
    condition: 'panic',
    off: {
      'long holds': ['longHold'],
      'closed eyes': ['closedEyes'],
      'weight on the chest': ['chestWeight'],
      'touch without asking': ['coachTouch'],
    },
    otherwise: { 'short sets, outside focus, choice': ['hold', ['shortSets']] },
    watch: ['air hunger', 'distress'],
  },
  { name: 'latex', condition: 'latex', off: { 'latex band, balloon': ['latex', 'balloon'] }, watch: [] },
];

const gatesOf = ({ condition, detail = {} }: Pick<Cells, 'condition' | 'detail'>) =>
  gatesOfPerson({ [condition]: detail });

const offCells = cells.flatMap((row) =>
  Object.entries(row.off).map(([words, components]) => ({ name: row.name, words, components, row })),
);
const otherCells = cells.flatMap((row) =>
  Object.entries(row.otherwise ?? {}).map(([words, [component, forms]]) => ({
    name: row.name,
    words,
    component,
    forms,
    row,
  })),
);

test.each(offCells)('$name, off: $words', ({ row, components }) => {
  const gates = gatesOf(row);
  for (const component of components) {
    const levels = checkComponents(gates, [component]).refusals.map(({ level }) => level);
    expect([component, levels]).toEqual([component, expect.arrayContaining(['block'])]);
  }
});

test.each(otherCells)('$name, otherwise: $words', ({ row, component, forms }) => {
  const { changes, refusals } = checkComponents(gatesOf(row), [component]);
  expect(refusals).toEqual([]);
  expect(changes.map(({ form }) => form)).toEqual(forms);
});

test.each(cells)('$name: what is watched, and no more is off than is said', (row) => {
  const gates = gatesOf(row);
  for (const sign of row.watch) expect(gates.watch.map((one) => one.sign)).toContain(sign);
  for (const component of row.open ?? []) {
    const { allowed, changes } = checkComponents(gates, [component]);
    expect([component, allowed, changes]).toEqual([component, true, []]);
  }
});

test('every condition that is asked is written down here', () => {
  expect(new Set(cells.map(({ condition }) => condition))).toEqual(new Set(conditionIds));
});

test('nothing asked yet keeps what is risky off: common practice, and more of it ours', () => {
  const gates = evaluateGates(emptyProfile, today);
  const risky: Component[] = [
    ...holds,
    'strain',
    'fullLung',
    'emptyLung',
    'prone',
    'proneRibs',
    'halfDome',
    'balloon',
    'plank',
    'sidePlank',
    'bear',
    'loadedBrace',
    'hardBrace',
    'twinBalls',
  ];
  for (const component of risky)
    expect([component, checkComponents(gates, [component]).allowed]).toEqual([component, false]);
  for (const component of ['flatSupine', 'kneeling', 'sideBend', 'floorLift'] as const) {
    expect([component, checkComponents(gates, [component]).allowed]).toEqual([component, true]);
  }
});
