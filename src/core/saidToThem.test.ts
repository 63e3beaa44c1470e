import { faultIds, positions, props } from './catalogue';
import { remedyFor } from './coach';
import { answersWith, contextFor, cupboard, gatesOfPerson, requestFor, testDay, visitOf } from './fixtures';
import {
  type AnswerDetail,
  type ConditionId,
  type Gates,
  defaultLimits,
  emptyProfile,
  evaluateGates,
  knownClient,
} from './safety';
import { type PlanItem, alternatives, drillOf, makePlan } from './sequence';
import { visitNote } from './track';
import { met } from '../../scripts/met';

/**
 * People who must be coached otherwise: in whatever words their plan, its swaps, its corrections and the note of it are told, what is
 * off for them is not among them, and what is done otherwise says so. The words are the trade's, written down anew here. Common
 * practice, no published source. Two of them are walked through the browser as well (e2e/cautions.spec.ts).
 */
interface Person {
  name: string;
  pattern: string;
  gates: Gates;
  conditions?: ConditionId[];
  never: RegExp;
  instead?: RegExp;
}

const told = (yes: Partial<Record<ConditionId, AnswerDetail>>) => ({
  gates: gatesOfPerson(yes),
  conditions: Object.keys(yes) as ConditionId[],
});
const flat = 'on the back, (arms|knees|hips|calves)|hook-lying|90/90|crossed-leg tuck|legs on a chair';
const lift = 'gather and lift|a lift going up|a quarter is plenty|gathers? (with|before)|gentle lift|comes before the';

const people: readonly Person[] = [
  {
    name: 'Sabra Tidewell, in week 36 and leaking',
    pattern: 'floorLate',
    ...told({ leaking: {}, pregnancy: { weekOnDay: 36 } }),
    never: new RegExp(`${lift}|${flat}|half-dome|\\bbear\\b|plank`, 'i'),
    instead: /release only on the exhale|let the floor go|nothing to lift/i,
  },
  {
    name: 'Corwin Lockgate, with asthma',
    pattern: 'heldInInhale',
    ...told({ lung: {} }),
    never: new RegExp(`${flat}|half-dome|empty a little more|all the way out|ribs (melt|slide) down|three counts`, 'i'),
  },
  {
    name: 'Nessa Coldharbour, whose floor does not soften',
    pattern: 'floorLate',
    gates: evaluateGates({ ...emptyProfile, answers: answersWith() }, testDay, defaultLimits, [
      { condition: 'holdingFloor', recordId: 'floor', words: 'a floor that won’t let go, found in Look' },
    ]),
    never: new RegExp(lift, 'i'),
    instead: /release only|only release|nothing to lift/i,
  },
  {
    name: 'Bryn Fairlead, with a broken rib on the left',
    pattern: 'sidesAndBackClosed',
    ...told({ ribFracture: { side: 'left' } }),
    never:
      /half-dome|towel round the ribs|ribs fill the (towel|band)|push your hands apart|child’s pose|left side down/i,
  },
  {
    name: 'Maren Causeway, five weeks after a caesarean',
    pattern: 'floorLate',
    ...told({ recentBirth: { date: '2026-10-19', caesarean: true } }),
    never:
      /gather and lift|a lift going up|a quarter is plenty|plank|\bbear,|band round the waist|foot leaves|low breath on the front/i,
  },
  {
    name: 'Lowen Spritsail, with a latex allergy',
    pattern: 'sidesAndBackClosed',
    ...told({ latex: {} }),
    never: /resistance band|\bballoon\b|the band\b/i,
  },
  {
    name: 'Hale Mizzen, who was asked nothing',
    pattern: 'even',
    gates: evaluateGates(emptyProfile, testDay),
    never: /half-dome|bear,|plank|\bballoon\b|twin balls|press, light|ten easy counts|with a weight|dumbbell/i,
  },
];

/** Everything a screen or sheet says of an item. */
function saidOf(item: PlanItem): string {
  const drill = drillOf(item);
  return [
    drill.name,
    positions[item.position].name,
    ...item.props.map((id) => props[id].name),
    drill.setUp,
    ...drill.steps.map(({ words }) => words),
    ...drill.cues.map(({ words }) => words),
    drill.floorCue,
    drill.abdominalCue,
  ].join('\n');
}

let made = 0;
const newId = () => `item-${(made += 1)}`;

describe.each(people)('$name', ({ pattern, gates, conditions = [], never, instead }) => {
  const context = contextFor(pattern, { gates, conditions });
  const plans = [15, 30].map((minutes) =>
    makePlan(
      requestFor(pattern, { minutes, propsAtHand: [...cupboard, 'twinBalls', 'balloon', 'weight'] }),
      context,
      newId,
    ),
  );
  const off = (words: string) => never.exec(words)?.[0] ?? null;

  test('nothing of the plans is off, and what is done otherwise says so', () => {
    for (const { items } of plans) {
      expect(items.length).toBeGreaterThan(1);
      for (const item of items) expect([item.drillId, off(saidOf(item))]).toEqual([item.drillId, null]);
    }
    const all = plans.flatMap(({ items }) => items.flatMap((item) => [saidOf(item), ...item.changes])).join('\n');
    if (met(instead)) expect(all).toMatch(instead);
  });

  test('nor is what may take a drill’s place, or a correction', () => {
    const [{ items, request }] = plans as [(typeof plans)[0]];
    for (const { item } of alternatives(request, context, items, 0, 'swap')) {
      expect([item.drillId, off(saidOf({ ...item, id: 'swapped' }))]).toEqual([item.drillId, null]);
    }
    for (const fault of faultIds) {
      for (const times of [1, 2, 3]) expect([fault, off(remedyFor(fault, times, gates).words)]).toEqual([fault, null]);
    }
  });

  test('nor does the note say it, but where it says what is off limits', () => {
    const plan = { id: 'plan', at: `${testDay}T10:00:00.000Z`, revision: 1, plan: plans[1]! };
    const note = visitNote(knownClient([]), gates, visitOf(testDay, { plan }), {}, []);
    expect(off(note.replace(/^Off limits:.*$/m, ''))).toBeNull();
  });
});
