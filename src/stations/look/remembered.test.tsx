/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type LookRecord, type Remembered, blankRaw, rememberedOf } from '@/core/look';
import { browserFakes, doing, sent } from '@/parts/browser.fakes';
import { unobserved } from '@/core/trunk';
import { Shown } from '../shown.fixtures';
import { answers, clientView, signs } from '../view.fixtures';
import { Marker } from '../taking/Marker';
import { RegionMap } from '../taking/RegionMap';

beforeEach(() => browserFakes());
afterEach(cleanup);

const look = (protocol: LookRecord['protocol'], raw: object): LookRecord =>
  ({
    id: protocol,
    visitId: 'before',
    protocol,
    version: 1,
    moment: 'before',
    takenAt: '2026-11-16T10:00:00.000Z',
    raw: blankRaw(protocol, raw),
  }) as LookRecord;
const last = (position: string): Remembered =>
  rememberedOf(
    [
      look('regionMap', { position, quiet: { ...unobserved(), belly: 2, leftSide: 0, rightSide: 1 }, neckQuiet: 1 }),
      look('marker', { measure: 'shoulderReach', position, readings: [3] }),
    ],
    null,
  );
const saved = () => (sent.at(-1)!.payload as { raw: Record<string, unknown> }).raw;
const part = (name: string) => screen.getByRole('slider', { name });
const tap = (name: string) => doing(() => fireEvent.click(part(name)));
const press = (name: string | RegExp) => doing(() => fireEvent.click(screen.getByRole('button', { name })));
const map = (remembered: Remembered | null, facts = [...signs, ...answers()]) =>
  render(
    <Shown view={clientView({ facts, remembered: remembered ?? rememberedOf([], null) })}>
      {(view) => <RegionMap view={view} />}
    </Shown>,
  );

test('eight parts take fewer than sixteen presses, nought in one: an ungraded part gets the grade used last', async () => {
  map(null);
  let presses = 0;
  const count = (act: Promise<unknown>) => ((presses += 1), act);
  await count(tap('left side'));
  await count(doing(() => fireEvent.click(screen.getByRole('radio', { name: 'none' }))));
  for (const name of ['right side', 'left back', 'right back', 'low back']) await count(tap(name));
  await count(tap('belly'));
  await count(tap('belly'));
  await count(tap('belly'));
  await count(tap('front of chest'));
  await count(tap('back of chest'));
  expect(saved()['quiet']).toMatchObject({
    leftSide: 0,
    rightSide: 0,
    leftBack: 0,
    rightBack: 0,
    lowBack: 0,
    belly: 2,
    chestFront: 2,
    chestBack: 2,
  });
  expect(presses).toBeLessThan(16);
});

test('the map of last time is offered, a part or the rest, and fills in nothing by itself', async () => {
  map(last('sitting'));
  expect(screen.getByRole('radio', { name: 'sitting' }).getAttribute('aria-checked')).toBe('true');
  expect(sent).toEqual([]);
  await press(/^Belly as last time: 2, clear$/);
  expect(saved()['quiet']).toMatchObject({ belly: 2, leftSide: null });
  await tap('left side');
  await press('The rest as last time');
  // What was just seen stays, and what was not graded then is not graded now.
  expect(saved()).toMatchObject({ quiet: { belly: 2, leftSide: 2, rightSide: 1, lowBack: null }, neckQuiet: 1 });
  expect(screen.queryByRole('button', { name: /as last time$/ })).toBeNull();
});

test('graded blind, nothing of last time is shown', async () => {
  map(last('sitting'));
  await tap('belly');
  await press('Grade it again, blind');
  expect(screen.queryByRole('button', { name: /as last time/ })).toBeNull();
});

test('a position that is off today is not begun with, however it was last time', () => {
  const facts = [...signs, ...answers({ pregnancy: { weekOnDay: 36 } })];
  map(last('hook-lying'), facts);
  expect(screen.queryByRole('radio', { name: 'hook-lying', checked: true })).toBeNull();
});

test('the marker is the one of last time', () => {
  render(<Shown view={clientView({ remembered: last('standing') })}>{(view) => <Marker view={view} />}</Shown>);
  expect(screen.getByRole('radio', { name: 'Shoulder reach' }).getAttribute('aria-checked')).toBe('true');
});
