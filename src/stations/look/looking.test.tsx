/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type GirthGo, type Raw } from '@/core/look';
import { defaultSettings } from '@/core/record';
import { browserFakes, doing, pass, sent } from '@/parts/browser.fakes';
import { viewOf } from '../live/coach.fixtures';
import { Shown } from '../shown.fixtures';
import { Goes } from './Goes';
import { QuietLook } from './QuietLook';
import { Marker } from '../taking/Marker';
import { RegionMap } from '../taking/RegionMap';

const saves = () => sent.map(({ payload }) => payload as { lookId: string; revision: number; raw: unknown });
const key = (name: string, on: Element = document.body) => doing(() => fireEvent.keyDown(on, { key: name }));
const click = (name: string | RegExp) => doing(() => fireEvent.click(screen.getByRole('button', { name })));
const choose = (name: string) => doing(() => fireEvent.click(screen.getByRole('radio', { name })));
const kept = <T,>() => saves().at(-1)!.raw as T;

beforeEach(() => {
  jest.useFakeTimers({ now: Date.UTC(2026, 10, 25, 10) });
  browserFakes();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

describe('the resting rate by taps', () => {
  /** Taps with the given seconds between them; the first at once. */
  const tapEvery = async (...seconds: number[]) => {
    await key(' ');
    for (const wait of seconds) {
      await pass(wait);
      await key(' ');
    }
  };

  // Worked example of the trade: ten taps over 45 s are nine breaths, 12 a minute.
  test('ten taps over 45 s are 12.0 a minute: intervals are counted, not taps', async () => {
    render(<Shown view={viewOf()}>{(view) => <QuietLook view={view} />}</Shown>);
    await tapEvery(...Array<number>(9).fill(5));
    expect(screen.getByText('12.0')).toBeTruthy();
    expect(screen.getByText(/^9 breaths of 5\.0 s.*15 s short of a full minute/)).toBeTruthy();
    expect(kept<Raw<'quietLook'>>().taps).toEqual([0, 5, 10, 15, 20, 25, 30, 35, 40, 45]);
  });

  test('every tap is kept at once under one record, in order', async () => {
    render(<Shown view={viewOf()}>{(view) => <QuietLook view={view} />}</Shown>);
    await tapEvery(4, 4, 4);
    expect(saves().map(({ revision }) => revision)).toEqual([0, 1, 2, 3]);
    expect(new Set(saves().map(({ lookId }) => lookId)).size).toBe(1);
  });

  test('U takes a tap back; counting again begins a new record and leaves the old one', async () => {
    render(<Shown view={viewOf()}>{(view) => <QuietLook view={view} />}</Shown>);
    await tapEvery(4, 4, 4, 4);
    await key('u');
    expect(kept<Raw<'quietLook'>>().taps).toEqual([0, 4, 8, 12]);
    const first = saves().at(-1)!.lookId;
    await click('Count again');
    await key(' ');
    expect(saves().at(-1)!.lookId).not.toBe(first);
    expect(kept<Raw<'quietLook'>>().taps).toEqual([0]);
  });

  test('a double tap is asked about afterwards and dropped on a word, never by itself', async () => {
    render(<Shown view={viewOf()}>{(view) => <QuietLook view={view} />}</Shown>);
    await tapEvery(5, 5, 0.3, 4.7, 5, 5, 5);
    expect(screen.queryByRole('button', { name: 'Drop it: a double tap' })).toBeNull();
    await click('Done counting');
    expect(kept<Raw<'quietLook'>>().taps).toHaveLength(8);
    await click('Drop it: a double tap');
    expect(kept<Raw<'quietLook'>>().taps).toEqual([0, 5, 10, 15, 20, 25, 30]);
    expect(screen.getByText('12.0')).toBeTruthy();
  });

  test('fewer than four taps give no rate', async () => {
    render(<Shown view={viewOf()}>{(view) => <QuietLook view={view} />}</Shown>);
    await tapEvery(4, 4);
    expect(screen.getByText('1 more tap for a rate.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Done counting' }) as HTMLButtonElement).disabled).toBe(true);
  });
});

describe('the region map by keys', () => {
  const part = (name: string) => screen.getByRole('slider', { name });

  test('0 to 3 grade the part that has the focus, x says that it was not seen', async () => {
    render(<Shown view={viewOf()}>{(view) => <RegionMap view={view} />}</Shown>);
    await key('2', part('belly'));
    await key('0', part('left side'));
    await key('3', part('right side'));
    expect(kept<Raw<'regionMap'>>().quiet).toMatchObject({ belly: 2, leftSide: 0, rightSide: 3 });
    await key('x', part('left side'));
    expect(kept<Raw<'regionMap'>>().quiet).toMatchObject({ belly: 2, leftSide: null, rightSide: 3 });
    expect(part('belly').getAttribute('aria-valuetext')).toMatch(/clear/);
  });

  test('quiet and deep are graded apart, and the neck apart from both', async () => {
    render(<Shown view={viewOf()}>{(view) => <RegionMap view={view} />}</Shown>);
    await key('1', part('belly'));
    await key('1', part('neck and shoulders'));
    await choose('Deep');
    await key('3', part('belly'));
    await key('2', part('neck and shoulders'));
    expect(kept<Raw<'regionMap'>>()).toMatchObject({
      quiet: { belly: 1 },
      deep: { belly: 3 },
      neckQuiet: 1,
      neckDeep: 2,
    });
  });

  test('a map for each position: what was seen lying stays when sitting is graded', async () => {
    render(<Shown view={viewOf()}>{(view) => <RegionMap view={view} />}</Shown>);
    await key('2', part('belly'));
    const lying = saves().at(-1)!.lookId;
    await choose('sitting');
    await key('1', part('belly'));
    expect(saves().at(-1)!.lookId).not.toBe(lying);
    expect(kept<Raw<'regionMap'>>()).toMatchObject({ position: 'sitting', quiet: { belly: 1 } });
  });

  test('what is not observed is not called nothing', () => {
    render(<Shown view={viewOf()}>{(view) => <RegionMap view={view} />}</Shown>);
    expect(screen.getByText('Not observed is not the same as none.')).toBeTruthy();
    expect(screen.getByText(/^Nothing graded yet/)).toBeTruthy();
  });
});

describe('a tape, go by go', () => {
  /** What a form does with it: keeps what it is told and shows it again. */
  function shown(goes: GirthGo[], unit: 'cm' | 'in' = 'cm') {
    const told: GirthGo[][] = [];
    const again = (next: GirthGo[]) => {
      told.push(next);
      view.rerender(<Goes label="Low ribs" goes={next} unit={unit} onChange={again} onConfirm={() => undefined} />);
    };
    const view = render(<Goes label="Low ribs" goes={goes} unit={unit} onChange={again} onConfirm={() => undefined} />);
    return told;
  }
  const type = (go: number, which: 'exhale' | 'inhale', text: string) =>
    act(async () => {
      const field = screen.getByLabelText(`Low ribs, go ${go}, ${which}`);
      fireEvent.change(field, { target: { value: text } });
      fireEvent.blur(field);
    });

  test('a comma is a point; the change and the mean come at once', async () => {
    const told = shown([]);
    await type(1, 'exhale', '88,5');
    await type(1, 'inhale', '92');
    expect(told.at(-1)).toEqual([{ exhaleCm: 88.5, inhaleCm: 92 }]);
    const region = within(screen.getByRole('region', { name: 'Low ribs' }));
    expect(region.getAllByText('3.5 cm').length).toBeGreaterThan(0);
    expect(region.getByText(/from one go; two more show the spread/)).toBeTruthy();
  });

  test('inches are kept as centimetres, 2.54 each', async () => {
    const told = shown([], 'in');
    await type(1, 'exhale', '35');
    expect(told.at(-1)).toEqual([{ exhaleCm: 88.9, inhaleCm: null }]);
  });

  test.each([
    ['ninety', 'Write a plain number, like 92.5.'],
    ['-3', 'Write a plain number, like 92.5.'],
    ['900', 'That is more than 250 cm: check number and unit.'],
  ])('%s gets one sentence, stays in the field and is not kept', async (text, sentence) => {
    const told = shown([]);
    await type(1, 'exhale', text);
    expect(screen.getByRole('alert').textContent).toBe(sentence);
    expect((screen.getByLabelText('Low ribs, go 1, exhale') as HTMLInputElement).value).toBe(text);
    expect(told).toEqual([]);
  });

  test('a larger exhale is asked about, and turned round only on a word', async () => {
    const told = shown([{ exhaleCm: 92, inhaleCm: 88 }]);
    expect(screen.getByText(/the exhale is the larger one/)).toBeTruthy();
    expect(told).toEqual([]);
    await click('Swapped: turn them round');
    expect(told.at(-1)).toEqual([{ exhaleCm: 88, inhaleCm: 92 }]);
  });
});

describe('the marker is asked for in the studio’s unit, and kept in centimetres', () => {
  const asked = async (lengthUnit: 'cm' | 'in', measure: string) => {
    const view = { ...viewOf(), settings: { ...defaultSettings, lengthUnit } };
    render(<Shown view={view}>{(shown) => <Marker view={shown} />}</Shown>);
    await choose(measure);
    await key('End', screen.getByRole('slider'));
    return kept<Raw<'marker'>>().readings[0];
  };

  test('a side bend to the floor', async () => {
    expect(await asked('cm', 'Side bend to the left')).toBe(80);
    expect(screen.getByText('First asking, cm to the floor')).toBeTruthy();
    expect(screen.getAllByText('80').length).toBe(1);
  });

  test('where its words say it is asked: a bend standing, a hip sitting, anything else where somebody is', async () => {
    const position = () => kept<Raw<'marker'>>().position;
    await asked('cm', 'Side bend to the left');
    expect(position()).toBe('standing');
    await choose('Left hip inward rotation');
    expect(position()).toBe('sitting');
    expect(screen.queryByRole('radiogroup', { name: 'Position' })).toBeNull();
    await choose('Deep-breath ease');
    expect(position()).toBe('sitting');
    await choose('hook-lying');
    await choose('Finger gap');
    expect(position()).toBe('hook-lying');
  });

  // An inch is 2.54 cm exactly: 31.4 in are 79.76 cm.
  test('in inches', async () => {
    expect(await asked('in', 'Side bend to the left')).toBe(79.76);
    expect(screen.getByText('First asking, in to the floor')).toBeTruthy();
    expect(screen.getByText('31.4')).toBeTruthy();
  });

  test('what is no length is asked alike', async () => {
    expect(await asked('in', 'Deep-breath ease')).toBe(10);
    expect(screen.getByText('First asking, of 10')).toBeTruthy();
  });
});
