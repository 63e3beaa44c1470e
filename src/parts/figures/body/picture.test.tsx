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
  const heavy = specs
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
