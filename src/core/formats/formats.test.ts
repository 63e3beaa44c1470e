import { readFileSync } from 'node:fs';
import { ladder } from '../cadence';
import { type Drill, drills, findDrill, componentsOf } from '../catalogue';
import { planItem } from '../fixtures';
import { intentIds } from '../read';
import { conditionIds, emptyProfile, evaluateGates } from '../safety';
import { makePlan, drillOf } from '../sequence';
import { evenYields } from '../trunk';
import {
  certItems,
  certOf,
  checkDrillFile,
  drillFaults,
  drillFile,
  drillFileJsonSchema,
  itemsOf,
  planFile,
  planFileJsonSchema,
  planFileSchema,
  templateOf,
  templateSchema,
} from '.';

const no = { value: 'no' as const, day: '2026-11-24', recordId: 'fact', detail: {} };
const gates = evaluateGates(
  { ...emptyProfile, answers: Object.fromEntries(conditionIds.map((id) => [id, no])) },
  '2026-11-24',
);
const plan = (intent: (typeof intentIds)[number] = 'openSidesAndBack', minutes = 20) =>
  makePlan(
    { intent, side: 'left', minutes, propsAtHand: ['towel', 'pillow', 'wall'], leadSchool: 'openAllRegions' },
    { gates, yields: evenYields(), confirmedPatterns: [], stoppedDrills: [] },
    () => 'item',
  );
const setting = { studioName: 'Saltmarsh Movement Rooms', provider: 'The coach of the studio.' };
const own: Drill = { ...findDrill('towel-hug')!, id: 'my-hug', name: 'My hug', easier: null, harder: null };
const known = new Map([[own.id, own]]);

describe('a file of drills', () => {
  test('comes back as it went out', () => {
    const file = JSON.parse(JSON.stringify(drillFile([own]))) as unknown;
    expect(checkDrillFile(file)).toEqual({ drills: [own], faults: null });
  });

  test('is taken in whole or not at all, with everything that is wrong', () => {
    const bad = { ...own, id: 'my-other', easier: 'nowhere', answers: ['upperChest', 'moonshine'] };
    const { drills: taken, faults } = checkDrillFile(drillFile([own, bad]));
    expect(taken).toBeNull();
    expect(faults!.map(({ path }) => path.join('.'))).toEqual(['drills.1.easier', 'drills.1.answers.1']);
  });

  test('another format, no drills, an unknown field and an id twice are told', () => {
    expect(checkDrillFile({ format: 'something', version: 1, drills: [own] }).faults).toHaveLength(1);
    expect(checkDrillFile({ format: 'kokyu-drills', version: 1, drills: [] }).faults![0]!.what).toContain('no drills');
    expect(checkDrillFile(drillFile([{ ...own, colour: 'red' } as never])).faults).toHaveLength(1);
    expect(checkDrillFile(drillFile([own, own])).faults!.map(({ what }) => what)).toEqual([
      'The id “my-hug” stands twice in the file.',
    ]);
    expect(checkDrillFile('a word').faults).toHaveLength(1);
  });

  test('beyond the schema: a built-in id, a harder easier neighbour; a hold is one, ticked or not', () => {
    const what = (drill: Drill) =>
      drillFaults(drill, known)
        .map((fault) => fault.what)
        .join(' ');
    expect(what(findDrill('towel-hug')!)).toContain('is a built-in drill');
    expect(what({ ...own, easier: 'bear-float' })).toContain('has a higher level');
    // One of the same level may be easier in another way.
    const { level } = findDrill('bear-float')!;
    expect(what({ ...own, easier: 'bear-float', level })).toBe('');
    expect(what({ ...own, prerequisites: ['gone-drill'] })).toContain('no drill with the id “gone-drill”');
    const pausing: Drill = {
      ...own,
      breath: {
        ...(own.breath as Extract<Drill['breath'], { kind: 'steady' }>),
        bottomPause: { min: 0, start: 4, max: 5 },
      },
    };
    expect(what(pausing)).toBe('');
    expect(componentsOf(pausing)).toContain('hold');
    expect(what(own)).toBe('');
  });

  test('the published schema is the one the product checks by', () => {
    const published = JSON.parse(readFileSync('docs/formats/drills.schema.json', 'utf8')) as unknown;
    expect(published).toEqual(JSON.parse(JSON.stringify(drillFileJsonSchema())));
    expect(published).toMatchObject({ $schema: 'https://json-schema.org/draft/2020-12/schema' });
  });
});

describe('templates', () => {
  test('keep nothing of a client', () => {
    const template = templateOf(plan('openOneSide'));
    expect(templateSchema.safeParse(template).success).toBe(true);
    const words = JSON.stringify(template);
    for (const gone of ['reasons', 'changes', 'byHand', 'openOneSide', '"left"']) expect(words).not.toContain(gone);
  });

  test('begin another plan with new ids, nothing repaired', () => {
    let made = 0;
    const items = itemsOf(templateOf(plan()), () => `n${(made += 1)}`);
    expect(items.map(({ id }) => id)).toEqual(items.map((_, i) => `n${i + 1}`));
    expect(items.every(({ byHand, reasons }) => byHand && reasons.length === 0)).toBe(true);
  });
});

describe('what a prescription must state [R14], sixteen items (Slade et al. 2016, value from memory)', () => {
  test.each(intentIds)('all are answered from a plan: %s', (intent) => {
    const answers = certOf(plan(intent), setting);
    expect(answers).toHaveLength(16);
    expect(answers.map(({ item }) => item)).toEqual([...certItems]);
    for (const { answer } of answers) expect(answer.length).toBeGreaterThan(4);
  });

  test('each exercise is told precisely enough to repeat it, with its dose', () => {
    const made = plan();
    const answers = Object.fromEntries(certOf(made, setting).map(({ item, answer }) => [item, answer]));
    made.items.forEach((item, i) => {
      const drill = drills.find(({ id }) => id === item.drillId)!;
      expect(answers['each exercise, precise enough to repeat it']).toContain(
        `${i + 1}. ${drill.name}, ${item.position}.`,
      );
      expect(answers['each exercise, precise enough to repeat it']).toContain(drillOf(item).setUp);
      expect(answers['dose: sets, repetitions, time, intensity']).toContain(`${item.sets} × ${item.breaths} breaths`);
    });
    expect(answers['setting']).toBe('Saltmarsh Movement Rooms');
  });

  test.each<[Parameters<typeof planItem>[0], string]>([
    [{ sets: 1, restSeconds: 20 }, '1 × 3 breaths, 2 in, 4 out (seconds)'],
    [{ sets: 3, restSeconds: 20, side: 'left' }, '3 × 3 breaths, 2 in, 4 out (seconds), 20 s rest, left side'],
    // Between the sides nobody rests: it is as long as changing takes.
    [{ sets: 1, restSeconds: 20, side: 'both' }, '1 × 3 breaths, 2 in, 4 out (seconds), each side'],
    [{ cadences: ladder(3), breaths: 3 }, '1 × 3 breaths, count ladder of 3 rungs (seconds)'],
  ])('the dose of %j is “%s”', (rest, words) => {
    const made = { ...plan(), items: [planItem(rest)] };
    const doses = certOf(made, setting).find(({ item }) => item === 'dose: sets, repetitions, time, intensity')!.answer;
    expect(doses.split('\n')[0]).toBe(`1. Quiet nose breath: ${words}`);
  });

  test('the plan as a file fits its published schema', () => {
    const file = JSON.parse(JSON.stringify(planFile(plan(), setting))) as unknown;
    expect(planFileSchema.safeParse(file).success).toBe(true);
    const published = JSON.parse(readFileSync('docs/formats/plan.schema.json', 'utf8')) as unknown;
    expect(published).toEqual(JSON.parse(JSON.stringify(planFileJsonSchema())));
  });
});
