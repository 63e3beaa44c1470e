import { renderToStaticMarkup as html } from 'react-dom/server';
import { type Drill, drills, findDrill } from '@/core/catalogue';
import { drillFile } from '@/core/formats';
import { Compare } from './Compare';
import { blankDrill, copyOf, tidied } from './draft';
import { draftFaults } from './draftFaults';
import { DrillPage } from './DrillPage';
import { readDrillFile } from './readDrillFile';
import { Positions, PropsCuesFaults } from './Reference';
import { SchoolsDiffer } from './SchoolsDiffer';

const names = Object.fromEntries(drills.map(({ id, name }) => [id, name]));
const own: Drill = { ...findDrill('towel-hug')!, id: 'my-hug', name: 'My hug' };

describe('a file of drills', () => {
  const text = JSON.stringify(drillFile([own]), null, 2);

  test('is read', () => {
    expect(readDrillFile(text, [])).toEqual({ drills: [own], faults: null });
  });

  test('faults are told by the line they stand in, and nothing is taken in', () => {
    const lineOf = (source: string, words: string) => source.split('\n').findIndex((line) => line.includes(words)) + 1;
    const broken = text.replace('"level": 2', '"level": 9').replace('"sitting"', '"floating"');
    const { drills: taken, faults } = readDrillFile(broken, []);
    expect(taken).toBeNull();
    expect(faults!.map(({ line }) => line)).toEqual([lineOf(broken, '"floating"'), lineOf(broken, '"level": 9')]);
    expect(faults![0]!.what).toContain('“My hug”, positions.0');
  });

  test('something missing is told where it should stand', () => {
    const parsed = JSON.parse(text) as { drills: Record<string, unknown>[] };
    delete parsed.drills[0]!.purpose;
    const without = JSON.stringify(parsed, null, 2);
    const { faults } = readDrillFile(without, []);
    expect(faults![0]!.what).toContain('purpose');
    // The opening brace of the drill it is missing from.
    expect(faults![0]!.line).toBe(without.split('\n').indexOf('    {') + 1);
  });

  test('what is no JSON, empty, or another thing altogether is told in a sentence', () => {
    expect(readDrillFile('{ "format": ', []).faults![0]!.what).toMatch(/^Not JSON: /);
    expect(readDrillFile('', []).faults!.length).toBeGreaterThan(0);
    expect(readDrillFile('[1, 2]', []).faults!.length).toBeGreaterThan(0);
    expect(readDrillFile('{"a": 1,}', []).faults![0]!.line).toBe(1);
  });
});

describe('a draft', () => {
  test('a blank one says what is missing, a sentence each; a copy can be kept at once', () => {
    const faults = draftFaults(blankDrill('my-drill-1'), new Map());
    expect(faults.map(({ path }) => path[0])).toEqual(
      expect.arrayContaining(['name', 'purpose', 'setUp', 'steps', 'cues', 'answers', 'faults']),
    );
    for (const { what } of faults) expect(what).toMatch(/\.$/);
    expect(draftFaults(copyOf(findDrill('towel-hug')!, 'my-towel-hug-1'), new Map())).toEqual([]);
  });

  test('empty rows are left out, a range turned round is told', () => {
    const copy = copyOf(findDrill('towel-hug')!, 'my-towel-hug-1');
    const draft: Drill = { ...copy, cues: [...copy.cues, { words: ' ', kind: 'image', care: null, stance: null }] };
    expect(tidied(draft).cues).toHaveLength(copy.cues.length);
    const turned = { ...copy, breaths: { min: 9, start: 3, max: 5 } };
    expect(draftFaults(turned, new Map()).map(({ what }) => what)).toEqual([
      'Breaths: the start lies between the least and the most, none below 0.',
    ]);
  });
});

describe('pages', () => {
  test.each(drills.map(({ id }) => id))('%s has a page with its figure, steps, cues and provenance', (id) => {
    const drill = findDrill(id)!;
    const markup = html(<DrillPage drill={drill} own={false} names={names} />);
    expect(markup).toContain('role="img"');
    expect(markup).toContain('show the source');
    expect(markup).not.toContain('NaN');
    for (const { words } of drill.cues) expect(markup).toContain(words.replace(/&/g, '&amp;').replace(/'/g, '&#x27;'));
  });

  test('two that contradict every day say so when they are compared', () => {
    const pair = (a: string, b: string) => html(<Compare pair={[findDrill(a)!, findDrill(b)!]} names={names} />);
    expect(pair('two-hand-belly', 'hook-stack')).toContain('contradict each other on belly on inhale');
    expect(pair('quiet-nose', 'soft-hiss')).not.toContain('contradict');
  });

  test('where schools differ names every axis, stance and contradiction of the table', () => {
    const markup = html(<SchoolsDiffer drills={drills} />);
    for (const words of [
      'is contained by light tension',
      'open-mouth sigh or hiss',
      'peeled bone by bone',
      'load-matched bracing',
    ]) {
      expect(markup).toContain(words);
    }
    expect(markup.match(/Contradict as everyday rules/g)).toHaveLength(8);
  });

  test('positions, props, cues and faults are all there', () => {
    expect(html(<Positions drills={drills} />).match(/<svg/g)!.length).toBe(23);
    const markup = html(<PropsCuesFaults drills={drills} />);
    expect(markup).toContain('Air dumped at once');
    expect(markup).toContain('Wide resistance band');
  });
});
