import { gzipSync } from 'node:zlib';
import { renderToStaticMarkup } from 'react-dom/server';
import { drills } from '@/core/catalogue';
import { figureOf, ringAt, specOf } from '@/core/body';
import { openedRegions } from '@/core/sequence';
import { trunkMotion } from '@/core/trunk';
import { BodyFigure } from './BodyFigure';
import { breathing, pictureFor } from './picture';

const specs = drills.flatMap((drill) =>
  drill.positions.map((position) => ({
    name: `${drill.id}, ${position}`,
    drill,
    spec: specOf(drill, position),
    opened: openedRegions(drill, drill.sides === 'none' ? 'none' : 'left'),
  })),
);

/** Each drill once, in the position it is shown in first. */
const firsts = specs.filter(({ drill, spec }) => spec.position === drill.positions[0]);

test('drills that are done differently never give the same drawing', () => {
  const seen = new Map<string, string>();
  const same: string[] = [];
  for (const { name, spec } of specs) {
    const drawing = pictureFor(spec);
    const lines = JSON.stringify([drawing.shapes.map(({ d }) => d), drawing.arrow, drawing.ghost]);
    // What is told apart by nothing that is drawn may look alike: the same position, hands, legs, props and movement.
    const told = JSON.stringify({
      ...spec,
      // Who leans on a table has no hands for the ribs.
      hands: spec.position === 'leaning forward' ? null : spec.hands,
      props: drawn(spec.props),
      band: spec.props?.some(isBand) ? spec.band : null,
    });
    const before = seen.get(lines);
    if (before !== undefined && before !== told) same.push(name);
    seen.set(lines, told);
  }
  expect(same).toEqual([]);
  expect(seen.size).toBeGreaterThan(90);
});

const isBand = (prop: string) => ['band', 'towel', 'freeBand'].includes(prop);
/** Props that show in a figure: breath alone does not, and some belong to only one of a drill's positions. */
const drawn = (props: readonly string[] = []) =>
  props.filter((prop) => isBand(prop) || prop === 'straw' || prop === 'balloon');

test('every figure is smaller than six kilobytes on its way', () => {
  const heavy = firsts
    .map(
      ({ name, spec, opened }) =>
        [name, gzipSync(renderToStaticMarkup(<BodyFigure spec={spec} opened={opened} />)).length] as const,
    )
    .filter(([, bytes]) => bytes > 6144);
  expect(heavy).toEqual([]);
});

test('a figure carries no ids and no styles of its own, so that any number stand on a page', () => {
  const markup = renderToStaticMarkup(
    <BodyFigure spec={{ position: 'sitting', props: ['band'] }} opened={{ leftSide: 3 }} />,
  );
  expect(markup).not.toMatch(/ id=| class="[^"]*\{|<style/);
  expect(markup).toContain('aria-hidden="true"');
  expect(renderToStaticMarkup(<BodyFigure spec={{ position: 'sitting' }} title="Sitting" />)).toContain(
    'role="img" aria-label="Sitting"',
  );
});

test('a breath changes the trunk and what lies on it, and nothing else', () => {
  const motion = trunkMotion({ bellyOnInhale: { stance: 'rises freely', scope: 'this drill' } }, { belly: 3 });
  const moving = breathing({ position: 'hook-lying', hands: 'belly' }, { belly: 3 }, motion);
  const [empty, full] = [moving.at(0, true), moving.at(1, false)];
  expect(full).toHaveLength(moving.rest.shapes.length);
  const changed = moving.rest.shapes.filter((_, at) => empty[at] !== full[at]).map(({ tone }) => tone);
  expect(changed).toEqual(expect.arrayContaining(['trunk', 'tint', 'hand']));
  expect(changed.filter((tone) => ['leg', 'legFar', 'hair', 'floor', 'soft'].includes(tone))).toEqual([]);
});

test('a part stands out by as much as it is told, at its middle, and its neighbours hardly', () => {
  const front = (height: number, by: number) => {
    const { body } = figureOf({ position: 'standing' }, undefined, { belly: by });
    return Math.max(...ringAt(body.spine, height, 24, body.build, body.swelling).map(([x]) => x));
  };
  expect(front(0.13, 0.038) - front(0.13, 0)).toBeCloseTo(0.038, 3);
  expect(front(0.36, 0.038) - front(0.36, 0)).toBeLessThan(0.001);
});

test('whatever moves, a picture keeps its shapes, so that each path stays what it was', () => {
  let moving = 0;
  for (const { name, drill, spec, opened } of firsts) {
    const { rest, at } = breathing(spec, opened, trunkMotion(drill.stances, opened));
    for (const [level, exhaling, breath] of [
      [0, true, 0],
      [1, false, 0],
      [0.5, true, 1],
    ] as const) {
      const shapes = at(level, exhaling, breath);
      expect([name, shapes.length]).toEqual([name, rest.shapes.length]);
      if (rest.shapes.some(({ tone }, k) => tone.startsWith('leg') && shapes[k] !== rest.shapes[k]!.d)) moving += 1;
    }
  }
  expect(moving).toBeGreaterThan(20);
});

test('of a repetition of two breaths the first exhale takes the foot up, the second brings it down', () => {
  const march = specs.find(({ drill }) => drill.id === 'exhale-then-foot')!;
  const { at, rest } = breathing(march.spec, march.opened, trunkMotion(march.drill.stances, march.opened));
  const leg = rest.shapes.findIndex(({ tone }) => tone === 'leg');
  const up = at(0, true, 0)[leg];
  const down = at(0, true, 1)[leg];
  expect(up).not.toBe(down);
  expect(at(0, false, 0)[leg]).toBe(down);
  expect(at(1, false, 1)[leg]).toBe(up);
});

test.each(['print', 'lowInk'] as const)('in %s every part has an ink edge and nothing is told by a colour', (paint) => {
  const faults: string[] = [];
  for (const { name, spec, opened } of firsts) {
    const markup = renderToStaticMarkup(<BodyFigure spec={spec} opened={opened} paint={paint} />);
    if (/var\(/.test(markup)) faults.push(`${name}: a colour of the screen's theme`);
    const colours = [...markup.matchAll(/(?:fill|stroke)="#(\w\w)(\w\w)(\w\w)"/g)];
    if (colours.some(([, r, g, b]) => r !== g || g !== b)) faults.push(`${name}: a hue`);
    const limbs = pictureFor(spec, opened).shapes.filter(({ tone, d }) => d !== '' && /leg|trunk/i.test(tone));
    const edged = [...markup.matchAll(/<path d="([^"]+)"[^>]* stroke="#000000"/g)].map(([, d]) => d);
    const bare = limbs.filter(({ d, edge }) => edge !== 'none' && !edged.includes(d));
    if (bare.length > 0) faults.push(`${name}: ${bare.length} parts without an edge`);
  }
  expect(faults).toEqual([]);
});

test('on paper what opens is dotted inside its outline, and more of it has more dots', () => {
  const dotsOf = (opened: Parameters<typeof BodyFigure>[0]['opened']) =>
    (
      renderToStaticMarkup(<BodyFigure spec={{ position: 'hook-lying' }} opened={opened} paint="lowInk" />).match(
        /a\.5 \.5/g,
      ) ?? []
    ).length;
  expect(dotsOf({})).toBe(0);
  expect(dotsOf({ belly: 3 })).toBeGreaterThan(6);
  expect(dotsOf({ belly: 3, chestFront: 3 })).toBeGreaterThan(dotsOf({ belly: 3 }));
});
