import { type ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { type Lift, type WeightUnit } from '@/core/load';
import { drillOf, itemFrom } from '@/core/sequence';
import { CoachStation } from './coach/CoachStation';
import { item, run } from './live/coach.fixtures';
import { RunScreen } from './live/RunScreen';
import { LoadStation } from './load/LoadStation';
import { SequenceStation } from './sequence/SequenceStation';
import { UnderLoad } from './track/UnderLoad';
import { clientView, today } from './view.fixtures';
import { whole } from './whole.fixtures';

/** Ten pounds, by the definition of the pound: 0.45359237 kg. */
const kg = 4.5359237;
const press = itemFrom(drillOf(item({ drillId: 'press-breath' })), { id: 'press', kg, props: ['weight'] });
const plan = {
  id: 'plan',
  at: `${today}T10:40:00.000Z`,
  revision: 1,
  plan: {
    request: {
      intent: 'openSidesAndBack' as const,
      side: null,
      minutes: 20,
      propsAtHand: ['weight' as const],
      leadSchool: 'openAllRegions' as const,
    },
    proven: false,
    items: [press],
    refusals: [],
  },
};
const reading = {
  id: 'r',
  at: `${today}T10:30:00.000Z`,
  intent: 'openSidesAndBack' as const,
  side: null,
  patterns: [],
  ownLine: '',
  snapshot: null,
};
const lift: Lift = {
  movementId: 'squat',
  hand: 'both',
  kg,
  repetitions: 8,
  effort: null,
  strategy: 'with',
  breath: 'went along',
  leaked: false,
};
const viewIn = (weightUnit: WeightUnit) => {
  const view = clientView({ visit: { plan, reading } });
  return { ...view, settings: { ...view.settings, weightUnit } };
};

/** In the middle of a run of it, past its set-up. */
const begun = run([[0, { type: 'start' }]], { items: [press] });

test.each<[string, (unit: WeightUnit) => ReactNode]>([
  ['Sequence', (unit) => <SequenceStation view={viewIn(unit)} />],
  ['Coach', (unit) => <CoachStation view={viewIn(unit)} />],
  ['the live screen', (unit) => <RunScreen view={viewIn(unit)} stored={begun} />],
  ['Track', (unit) => <UnderLoad lifts={[{ day: today, lift }]} weights={unit} said={(day) => day} />],
])('a weight is said in the studio’s unit: %s', async (_, page) => {
  expect(await whole(page('lb'))).toMatch(/\b10 lb\b/);
  expect(await whole(page('lb'))).not.toMatch(/\d kg\b/);
  expect(await whole(page('kg'))).toMatch(/\b4\.5 kg\b/);
  expect(await whole(page('kg'))).not.toMatch(/\d lb\b/);
});

test('Breath under load begins in the studio’s unit', () => {
  const typedIn = (unit: WeightUnit) =>
    renderToStaticMarkup(<LoadStation keepAs="ada" weights={unit} gates={null} cautions={null} />);
  expect(typedIn('lb')).toContain('Weights at hand, lb');
  expect(typedIn('kg')).toContain('Weights at hand, kg');
});
