import { type Component, type FormId, components, formIds, forms, gateTable, waysOut } from '../safety';
import {
  type Drill,
  type PositionId,
  componentsOf,
  drills,
  findDrill,
  positionList,
  positions,
  propList,
  remade,
} from '.';
import { protocols } from '../look';

/** Everything a drill says to whoever does it or coaches it. */
const textsOf = (drill: Drill) => [
  drill.name,
  drill.purpose,
  drill.setUp,
  ...drill.steps.map(({ words }) => words),
  drill.floorCue,
  drill.abdominalCue,
  ...drill.cues.map(({ words }) => words),
];
const inPosition = (drill: Drill, position: PositionId): Component[] => [
  ...componentsOf(drill),
  ...positions[position].components,
];

/**
 * Words of the trade and what they ask of a body, written down from practice and not from the tags. Common practice, no
 * published source.
 */
const asks: readonly [RegExp, readonly Component[], RegExp?][] = [
  [
    /all the way (out|in)\b|it all out|empty a little|to empty\b/i,
    ['forcedExhale', 'emptyLung'],
    /not to empty|never to empty/i,
  ],
  [/\bgathers?\b|gather and lift/i, ['floorLift']],
  [/(gentle|light|quarter) lift\b|lift going up|floor lifts/i, ['floorLift']],
  [/comes before the|recoils before/i, ['floorLift']],
  [/keep a quarter|light hold through/i, ['strongFloor']],
  [/half a squeeze/i, ['strongSqueeze']],
  [/\bhead turns?\b|then the head\b|\bnods?\b/i, ['headTurn'], /head nod(s)? by itself|let the head nod/i],
  [/\bedge\b/i, ['tightEdge'], /edge of (the|a) (seat|chair)/i],
  [/behind the head|arms (float )?up\b|above the head|overhead press/i, ['armsOverhead']],
  [/hands press down|press down/i, ['handWeight']],
  [/eyes closed/i, ['closedEyes']],
  [/lean and turn|twist/i, ['twist']],
  [/bone by bone|one bone after|peel the back/i, ['spineRoll']],
  [/\bballoon\b/i, ['balloon'], /belly balloons|lower belly/i],
  [/\bbend away\b|\bside bend\b|lean (a little )?(left|away)|small lean/i, ['sideBend']],
  [/fifteen seconds/i, ['longStay']],
  [/round(ed|er)?\b (over|,)|a little rounder|rounded over|fold forward/i, ['loadedRounding']],
  [/ankle on the other knee|legs folded in/i, ['hipCross']],
  [/leg straight out to the side/i, ['wideKnees']],
  [/band (flat )?round the waist/i, ['bellyBand']],
  [/band snug round|fill the towel|fill the band|a light pressure in/i, ['ribPressure', 'bellyBand']],
  [/ribs (come|slide|melt) down|ribs down\b/i, ['flare']],
  [/belly all the way out/i, ['bellyPush']],
  [/chair back|back of a chair/i, ['ribEdge']],
  [/two balls|round the balls/i, ['twinBalls']],
  [/drawn? (the low belly )?in\b.*keep|kept drawn in|visible drawing-in/i, ['hardBrace']],
  [/one foot leaves|then lift the foot/i, ['march']],
  [/two breaths arched|both ends|a small tuck/i, ['endRangeArch', 'endRangeTuck']],
];

test.each(drills.map((drill) => [drill.id, drill] as const))('what %s says, it contains', (_id, drill) => {
  for (const [words, wanted, unless] of asks) {
    const said = textsOf(drill).filter((text) => words.test(text) && !unless?.test(text));
    if (said.length === 0) continue;
    for (const position of drill.positions) {
      const has = inPosition(drill, position);
      expect([said[0], position, wanted.some((component) => has.includes(component))]).toEqual([
        said[0],
        position,
        true,
      ]);
    }
  }
});

test('nothing that can be gated is carried by nothing', () => {
  const carried = new Set<Component>([
    ...drills.flatMap(componentsOf),
    ...positionList.flatMap(({ components: own }) => own as readonly Component[]),
    ...propList.flatMap(({ components: own }) => own as readonly Component[]),
    ...Object.values(protocols).flatMap((protocol) => protocol.components),
  ]);
  // What only an item shows: which side is down, and how long somebody stands.
  const ofItems: Component[] = ['lyingOnLeft', 'lyingOnRight', 'longStanding'];
  expect((Object.keys(components) as Component[]).filter((one) => !carried.has(one) && !ofItems.includes(one))).toEqual(
    [],
  );
});

/** What must not be said any more in a form, in words of the trade. */
const unsaid: Partial<Record<FormId, RegExp>> = {
  noPause: /three counts|wait for it|first wish|then wait|ten easy counts|rest there/i,
  softExhale: /all the way out|it all out|empty a little more|sigh it/i,
  releaseOnly: /gather|zip|lift going up|(gentle|light) lift|a quarter|lift is renewed/i,
  smallTurns: /edge|tight/i,
  armsLow: /behind the head|float up|arms up/i,
  eyesOpen: /eyes closed/i,
  ribsAlone: /ribs (come|slide|melt) down|ribs down/i,
  flatBack: /rounder/i,
  smallBend: /under (the|your) hand/i,
};

const made = formIds.flatMap((form) =>
  drills.flatMap((drill) =>
    drill.positions.flatMap((position) => {
      const contained = inPosition(drill, position).some((one) =>
        (forms[form].takesOut as readonly Component[]).includes(one),
      );
      const then = contained ? remade(drill, [form], position) : null;
      return then ? [{ form, id: drill.id, position, drill, then }] : [];
    }),
  ),
);

test('a form that takes something out takes it out of the words too, and leaves a drill that can be done', () => {
  expect(made.length).toBeGreaterThan(40);
  for (const { form, id, position, then } of made) {
    const left = textsOf(then).filter((text) => unsaid[form]?.test(text) && !/never to empty|before empty/.test(text));
    expect([form, id, position, left]).toEqual([form, id, position, []]);
    const had = (forms[form].takesOut as readonly Component[]).filter((one) => componentsOf(then).includes(one));
    // A component of the position stays with the position; the drill itself is rid of it.
    expect([form, id, had]).toEqual([form, id, []]);
    expect([form, id, then.steps.length >= 1, then.cues.length >= 2, then.setUp.length >= 10]).toEqual([
      form,
      id,
      true,
      true,
      true,
    ]);
    for (const { words } of then.cues) expect(words.split(/\s+/).length).toBeLessThanOrEqual(5);
  }
});

/** Which forms a component can be asked to take: by a caution, or as the smallest change that takes it out. */
const asked = new Map<Component, FormId[]>();
const ask = (component: Component, form: FormId) => asked.set(component, [...(asked.get(component) ?? []), form]);
for (const { changes } of gateTable)
  for (const { components: own, form } of changes) own.forEach((one) => ask(one, form));
for (const [component, form] of Object.entries(waysOut)) ask(component as Component, form);

test('every drill that is asked for in another form does something else in it, and begins with another cue', () => {
  let tried = 0;
  for (const drill of drills) {
    for (const position of drill.positions) {
      for (const form of new Set(inPosition(drill, position).flatMap((one) => asked.get(one) ?? []))) {
        const then = remade(drill, [form], position);
        if (!then) continue;
        tried += 1;
        const done = ({ steps, setUp, floorCue, abdominalCue, breath, breaths, sets }: Drill) =>
          JSON.stringify([steps, setUp, floorCue, abdominalCue, breath, breaths, sets]);
        expect([form, drill.id, done(then) !== done(drill)]).toEqual([form, drill.id, true]);
        expect(then.cues[0]!.words).not.toBe(drill.cues[0]!.words);
      }
    }
  }
  expect(tried).toBeGreaterThan(80);
});

describe('what can’t be changed is off', () => {
  const nothingLeft: [string, FormId, PositionId][] = [
    ['gather-and-lift', 'releaseOnly', 'sitting'],
    ['lift-and-pause', 'releaseOnly', 'propped'],
    ['light-hold-breaths', 'releaseOnly', 'side-lying'],
    ['short-calm-pauses', 'noPause', 'sitting'],
    ['hug-and-ten', 'noPause', 'sitting'],
    ['sternum-check', 'noPause', 'sitting'],
    ['exhale-then-foot', 'smallerLever', 'hook-lying'],
    ['press-breath', 'exhaleThrough', 'loaded stand'],
    ['bear-float', 'smallerLever', 'bear'],
    ['rolling-bridge', 'midRange', 'bridge'],
    ['reach-breath', 'armsLow', 'standing'],
  ];
  test.each(nothingLeft)('%s has no form “%s”', (id, form, position) => {
    expect(remade(findDrill(id)!, [form], position)).toBeNull();
  });

  test('and what can be is the same drill otherwise', () => {
    const bridge = remade(findDrill('ball-bridge')!, ['releaseOnly'], 'bridge')!;
    expect(bridge.floorCue).toMatch(/release only/i);
    expect(bridge.stances.pelvicFloor!.stance).toBe('only release');
    const exhale = remade(findDrill('exhale-restore')!, ['noPause'], '90/90')!;
    expect(exhale.steps.map(({ phase }) => phase)).not.toContain('bottomPause');
    expect(exhale.breath).toMatchObject({ bottomPause: { max: 1 } });
  });
});
