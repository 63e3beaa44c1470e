/** What the names in the examples of the core stand for, as a reader would take them. For tests only. */
import * as z from 'zod/mini';
import { cadence } from './cadence';
import { findDrill } from './catalogue';
import { type RunEvent, digestOf, foldRun, locate, remoteFrame, summariseRun, timelineOf } from './coach';
import { answersWith, contextFor, gatesOfPerson, idOf, planItem, requestFor, testDay, visitOf } from './fixtures';
import { courseOf, ladderOf } from './course';
import { type LookRecord, type ProtocolId, type Raw, blankRaw } from './look';
import { findMovement, loadAnswer } from './load';
import { chanceFrom } from './numbers';
import { coachQualities, personWith } from './person';
import { likelyPatterns, patterns, readFindings, scorePatterns } from './read';
import { type StoredLook, defaultSettings } from './record';
import { type ConditionId, type KnownClient, emptyProfile, evaluateGates, knownClient, pathState } from './safety';
import { fitOf, layOut, makePlan, phaseLimits, search } from './sequence';
import { unobserved } from './trunk';

const afterBirth = gatesOfPerson({ recentBirth: {} });
const restore = planItem({
  drillId: 'exhale-restore',
  position: '90/90',
  cadences: [cadence(3, 6, { bottomPauseSeconds: 3 })],
});

const goesHome = planItem({
  id: 'item',
  drillId: 'two-hand-belly',
  position: 'hook-lying',
  cadences: [cadence(4, 6)],
  breaths: 10,
  setUpSeconds: 20,
});
const [morning, evening] = ['07:00', '22:00'].map((at, n) => ({
  id: idOf(900 + n),
  itemId: 'item',
  at,
  with: n === 0 ? 'on waking' : 'in bed',
}));
const homeItem = { id: 'item', item: goesHome, cue: '', feels: '', notMeant: '' };
const homeDay = { wakes: '06:30', sleeps: '22:30', sits: null };
const atHome = {
  plan: {
    from: testDay,
    days: 14,
    ...homeDay,
    items: [homeItem],
    moreReason: '',
    goes: [evening, morning],
    calledOff: [],
  },
  totals: { goes: 2, seconds: 200 },
  go: morning,
  morning,
  evening,
  day: homeDay,
  newId: () => idOf(1),
  item: goesHome,
  tenBreathsOfTenSeconds: homeItem,
  gatesOfToday: gatesOfPerson(),
  told: {
    done: Array.from({ length: 14 }, (_, at) => [at < 9 ? 'all' : at < 12 ? 'some' : 'none']),
    felt: [],
    signs: ['dizzy'],
  },
};

const lead = {
  visitId: 'visit',
  day: testDay,
  drillId: 'two-hand-belly',
  position: 'hook-lying' as const,
  breaths: 10,
  exhaleSeconds: 6,
  outcome: 'not calm' as const,
  delivered: 10,
  marked: 4,
  effort: 2,
};
const course = courseOf({
  tried: [lead],
  booked: [],
  missed: [],
  allowed: () => true,
  today: testDay,
  timesAtHome: 2,
})!;
const sideBend = findMovement('side-bend')!;
const weightInLeft = { ...sideBend.pull, kg: 8 };
const asked = { movementId: 'side-bend', hand: 'left', kg: 8, repetitions: 25, effort: null, bodyKg: 70 } as const;
const answer = loadAnswer(asked, gatesOfPerson());
const underLoad = {
  sideBend,
  weightInLeft,
  asked,
  answer,
  part: answer.parts[0],
  gates: gatesOfPerson(),
  upright: sideBend.parts[0]!.from,
  down: [0, 0, -1],
  ...Object.fromEntries(
    (
      [
        ['squat', 'squat'],
        ['floorRise', 'floor-rise'],
        ['load', 'squat'],
      ] as const
    ).map(([name, movementId]) => [
      name,
      { movementId, own: null, toward: null, kg: 8, strategy: 'with' as const, through: false },
    ]),
  ),
  done: {
    movementId: 'squat',
    hand: 'both',
    kg: 40,
    repetitions: 8,
    effort: 6,
    strategy: 'keep',
    breath: 'lost',
    leaked: false,
  },
};

const courseCase = { course, steps: course.steps };

let taken = 0;
function look<P extends ProtocolId>(protocol: P, raw: Partial<Raw<P>>, rest: Partial<StoredLook> = {}) {
  taken += 1;
  const takenAt = `${testDay}T10:${String(taken).padStart(2, '0')}:00.000Z`;
  const whole = { ...blankRaw(protocol), ...raw };
  const record = {
    id: `look-${taken}`,
    visitId: 'visit',
    protocol,
    version: 1,
    moment: 'before',
    takenAt,
    revision: 1,
  };
  return { ...record, raw: whole, ...rest } as StoredLook & LookRecord<P>;
}

const told = (...yes: ConditionId[]): KnownClient => {
  const none = knownClient([]);
  return { ...none, profile: { ...emptyProfile, answers: answersWith(Object.fromEntries(yes.map((id) => [id, {}]))) } };
};
const pregnant = { ...emptyProfile, answers: answersWith({ pregnancy: { weekOnDay: 29 } }) };
const pregnantGates = gatesOfPerson({ pregnancy: { weekOnDay: 29 } });

const items = [planItem({ drillId: 'towel-hug', cadences: [cadence(4, 6)], breaths: 10, setUpSeconds: 0 }), planItem()];
/** In a breath of the first item, which takes ten seconds each. */
const inBreath = (breath: number) => locate(timelineOf(items), 10 * breath + 5);
const said: readonly [seconds: number, event: RunEvent][] = [
  [0, { type: 'start' }],
  ...Array.from({ length: 10 }, (_, breath): [number, RunEvent] => [
    10 * (breath + 1),
    { type: 'breath', item: 0, set: 1, breath, seconds: 10 },
  ]),
  [41, { type: 'fault', item: 0, fault: 'shoulders' }],
  [42, { type: 'fault', item: 0, fault: 'shoulders' }],
  [101, { type: 'effort', item: 0, of10: 3 }],
];
const events = [...said]
  .sort(([a], [b]) => a - b)
  .map(([seconds, event], seq) => ({ id: idOf(seq), seq, atEpochMs: seconds * 1000, event }));
const state = foldRun(items, events);
const summary = summariseRun(state).items[0]!;

const request = requestFor('upperChest', { minutes: 20 });
const context = contextFor('upperChest');
const { problem } = layOut(request, context);
const plan = makePlan(request, context, () => idOf(1));
const calm20 = { seconds: 20, feeling: 'calm', firstBreath: 'nose and quiet', endedAt: null };

const narrow = { ...unobserved(), belly: 2, leftSide: 0, rightSide: 2 };
const wide = { ...narrow, leftSide: 2 };
const maps = [
  look('regionMap', { position: 'sitting', deep: narrow, quiet: narrow }),
  look('regionMap', { position: 'sitting', deep: wide, quiet: wide }, { moment: 'after' }),
];
const hands = look('twoHands', { leads: 'chest', movesMore: 'chest' });
const quietLook = look('quietLook', { taps: Array.from({ length: 16 }, (_, i) => i * 4) });
const oneSide = { intent: 'openOneSide', side: 'left', patterns: ['oneSide'], findings: [] };

const rooms = { zone: 'Europe/London', hours: defaultSettings.hours, now: `${testDay}T09:00:00.000Z` };
const bookings = [
  {
    id: 'b',
    clientId: 'bram',
    name: 'Bram Lockgate',
    startsAt: '2026-11-24T11:00:00.000Z',
    minutes: 45,
    note: '',
    off: null,
  },
];

/** By the file of the example; `any` where a file says nothing of its own. */
export const standIns: Readonly<Record<string, object>> = {
  any: {
    z,
    items,
    item: items[1],
    drill: findDrill('quiet-nose'),
    quietLook,
    gates: pregnantGates,
    profile: pregnant,
    request,
    context,
    plan,
    problem,
    state,
    known: told('leaking'),
    now: rooms.now,
    bookings,
    rooms,
    looks: [...maps, look('marker', { measure: 'ease', readings: [4, 5] }), look('calmHold', {})],
    dayOf: () => testDay,
    findings: readFindings([hands, look('quietLook', { sighs: 'yes' } as never)]),
    before: narrow,
    after: wide,
  },
  ...Object.fromEntries(
    ['calendar', 'code', 'habits', 'offers', 'totals', 'wave', 'words'].map((file) => [`home/${file}.ts`, atHome]),
  ),
  'home/offers.ts': { ...atHome, gates: gatesOfPerson(), summary: { items: [summary] } },
  'course/course.ts': courseCase,
  'course/ladder.ts': { ladder: ladderOf({ visits: [], conditions: [], off: () => null }) },
  'course/reviews.ts': {
    quiet: {
      today: testDay,
      days: [testDay],
      moved: [],
      stopped: [],
      cautions: [],
      anythingClear: false,
      complaint: null,
      told: [],
    },
  },
  ...Object.fromEntries(
    [
      'answer',
      'drillLoad',
      'sets',
      'breath',
      'liftWords',
      'mechanics',
      'movements',
      'repetition',
      'ownMovement',
      'words',
    ].map((file) => [`load/${file}.ts`, underLoad]),
  ),
  'track/over.ts': {
    like: [
      ['2026-10-22', 5, 'sitting', null],
      ['2026-11-19', 7, 'sitting', null],
    ],
    change: { before: 5, noise: 1.1 },
    one: {
      measure: 'ease',
      points: [
        ['2026-10-22', 5, 'sitting', null],
        ['2026-11-19', 7, 'sitting', null],
      ],
      change: { measure: 'ease', before: 5, after: 7, verdict: 'larger', noise: 1.1, ownNoise: true },
    },
  },
  'track/told.ts': {
    told: [6, 2].map((complaint) => ({ day: testDay, where: 'at a visit', complaint, leaks: null, symptoms: [] })),
  },
  'track/letter.ts': {
    from: {
      studio: 'Saltmarsh Movement Rooms',
      name: 'Tamsin',
      known: knownClient([]),
      gates: gatesOfPerson(),
      days: [],
      today: testDay,
      over: [],
      told: [],
      plan: null,
      atHome: [],
      stopped: [],
    },
  },
  'coach/admit.ts': { ada: { clientId: 'ada', name: 'Ada', gates: gatesOfPerson(), closed: null }, now: 120_000 },
  'coach/announce.ts': { nineSecondsIn: 9_000 },
  'coach/breathsDone.ts': { timeline: timelineOf(items), first: inBreath(0), third: inBreath(2) },
  'coach/clientFrame.ts': { nineSecondsIn: 9_000 },
  'coach/elsewhere.ts': {
    mine: events,
    stopOfAnother: { id: 'b', seq: events.length, atEpochMs: 60_000, event: { type: 'stop', item: 0, who: 'ada' } },
  },
  'coach/paired.ts': {
    nineSecondsIn: 9_000,
    id: idOf(1),
    frame: remoteFrame(state, 9_000, { cue: '', landed: false, easier: null, names: [], taken: [] }),
  },
  'coach/history.ts': { digest: digestOf({ items: [summary] }) },
  'coach/run.ts': { storedRun: { id: 'run', visitId: 'visit', at: rooms.now, items, events, members: [] } },
  'coach/words.ts': { item: { ...items[0], cadences: [cadence(4, 6)] } },
  'diary/bookings.ts': { day: '2026-11-24' },
  'diary/calendar.ts': {
    file: { studio: 'Saltmarsh Movement Rooms', made: rooms.now },
    from: rooms.now,
    to: '2026-12-24T00:00:00.000Z',
  },
  'diary/taking.ts': { clients: [{ id: 't', name: 'Tamsin Fenwreath' }] },
  'diary/waiting.ts': { bookings: [] },
  'dose/dose.ts': {
    dose: {
      cadences: [cadence(2, 6)],
      breaths: 10,
      sets: 1,
      sides: 'none',
      restSeconds: 0,
      setUpSeconds: 20,
      staySeconds: 0,
    },
  },
  'formats/planFile.ts': {
    setting: { studioName: 'Saltmarsh Movement Rooms', provider: 'the coach', exportedAt: rooms.now },
  },
  'look/calmHold.ts': { calm20 },
  'look/counts.ts': { quietLook },
  'look/define.ts': {
    about: { name: 'Standing', setUp: 'Stand.', means: 'How long.', minutes: 1, positions: ['sitting'] },
  },
  'look/records.ts': { first: hands, second: look('twoHands', {}) },
  'look/result.ts': { quietLook },
  'look/seenCautions.ts': { floorRecord: look('floor', { leaks: 'yes', holding: 'yes' } as never) },
  'person/seen.ts': { person: personWith(chanceFrom(1), null, null), coachQualities, chance: chanceFrom(2) },
  'read/findings.ts': { twoHandsRecord: hands },
  'read/judge.ts': {
    snapshot: { findings: [], order: [] },
    later: { findings: [{ id: 'shouldersRise', severity: 3, side: null }], order: [] },
  },
  'read/settle.ts': { likely: likelyPatterns(scorePatterns(readFindings([hands])), []) },
  'read/strength.ts': { score: scorePatterns([])[0], pattern: patterns[0] },
  'record/commands.ts': { schema: z.string(), value: 7 },
  'record/shown.ts': { served: { asOf: 0 } },
  'record/visit.ts': { row: { id: 'visit', clientId: 'ada', startedAt: rooms.now, day: testDay } },
  'safety/gates.ts': {
    pregnantProfile: pregnant,
    lastVisit: evaluateGates({ ...emptyProfile, answers: answersWith() }, testDay),
    today: gatesOfPerson({ pregnancy: { weekOnDay: 16 } }),
  },
  'body/spec.ts': { squat: findMovement('squat')! },
  'sequence/putIn.ts': { request: requestFor('shallowBraced'), context: contextFor('shallowBraced') },
  'sequence/alike.ts': { hookStack: findDrill('hook-stack') },
  'sequence/limits.ts': {
    drill: findDrill('exhale-restore'),
    limits: phaseLimits(findDrill('side-lying-open')!, gatesOfPerson()),
  },
  'sequence/fit.ts': {
    gates: afterBirth,
    item: restore,
    fit: fitOf(findDrill('exhale-restore')!, { position: '90/90', props: [], side: 'none' }, afterBirth),
  },
  'sequence/near.ts': { found: search(problem) },
  'sequence/choiceRules.ts': { steps: problem.items },
  'track/found.ts': { visit: visitOf(testDay, { looks: [hands, ...maps], reading: oneSide as never }) },
  'track/drillName.ts': { visit: visitOf(testDay, {}) },
  'track/lastTime.ts': { visit: visitOf(testDay, { looks: maps, reading: oneSide as never }) },
  'track/needs.ts': {
    expected: {
      known: told(),
      path: pathState(told().profile, testDay, []),
      today: testDay,
      visit: 'none',
      stoppedDrills: 0,
      takenBack: [],
    },
  },
  'track/visitNote.ts': { summary },
};
