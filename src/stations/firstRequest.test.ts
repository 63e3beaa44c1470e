import { type PlanRequest } from '@/core/sequence';
import { clientView } from './view.fixtures';
import { type Planning } from './view';
import { firstRequest } from './firstRequest';

const reading = {
  id: 'r',
  at: '2026-11-23T10:00:00.000Z',
  intent: 'openOneSide' as const,
  side: 'left' as const,
  patterns: ['oneSide'],
  ownLine: '',
  snapshot: null,
};
const planning = (rest: Partial<Planning> = {}): Planning => ({
  history: [],
  faults: {},
  ownDrills: [],
  templates: [],
  lastRequest: null,
  booking: null,
  ...rest,
});
const last: PlanRequest = {
  intent: 'lowerBreath',
  side: null,
  minutes: 35,
  talkSeconds: 60,
  propsAtHand: ['halfDome', 'wall'],
  leadSchool: 'quietChest',
  avoidPositions: ['prone'],
};
const view = (rest: Partial<Planning> = {}) => clientView({ visit: { reading }, planning: planning(rest) });

describe('what a plan is asked with before anybody has touched anything', () => {
  test('a first visit takes what Settings say, and today’s intent', () => {
    const { settings } = view();
    expect(firstRequest(view(), 'openAllRegions')).toMatchObject({
      intent: 'openOneSide',
      side: 'left',
      minutes: settings.defaultMinutes,
      talkSeconds: settings.talkSeconds,
      leadSchool: 'openAllRegions',
    });
  });

  test('the next one remembers minutes, props, talk and positions kept out; never the intent or the school', () => {
    expect(firstRequest(view({ lastRequest: last }), 'openAllRegions')).toEqual({
      ...last,
      intent: 'openOneSide',
      side: 'left',
      leadSchool: 'openAllRegions',
    });
  });

  test('a booking says how long there is, less what looking and closing take, within what a plan may have', () => {
    const minutes = (booked: number) =>
      firstRequest(view({ lastRequest: last, booking: { minutes: booked, note: '' } }), 'openAllRegions').minutes;
    expect([minutes(45), minutes(60), minutes(5), minutes(240)]).toEqual([25, 35, 5, 60]);
  });
});
