import { clientView } from '@/stations/view.fixtures';
import { type Part } from '@/stations/view';
import { viewFor, viewForSaid } from './load';

/** As the server has somebody about whom everything there can be was recorded. */
const whole = {
  ...clientView({
    visit: { looks: ['a look'], judgements: ['a word'], plan: 'a plan', runs: ['a run'], note: 'a note' } as never,
    holdsBefore: ['a hold'] as never,
    gatesThen: 'limits' as never,
  }),
  unreadable: ['a record'] as never,
};
const ofVisit: readonly string[] = ['looks', 'judgements', 'plan', 'runs'];
const parts: Part[] = ['looks', 'judgements', 'plan', 'runs', 'gatesThen', 'holdsBefore', 'planning', 'remembered'];

/** The parts that are more than empty in what is sent. */
const sent = (view: object) => {
  const { visit, ...rest } = JSON.parse(JSON.stringify(view)) as { visit: Record<string, unknown> };
  const there = (of: object, part: string) => {
    const value = (of as Record<string, unknown>)[part];
    return value !== undefined && value !== null && (!Array.isArray(value) || value.length > 0);
  };
  return parts.filter((part) => there(ofVisit.includes(part) ? visit : rest, part));
};

test('a station’s page is sent what the station names, and of the rest nothing', () => {
  expect(sent(whole)).toEqual(parts);
  for (const part of parts) expect(sent(viewFor(whole, [part]))).toEqual([part]);
  expect(sent(viewFor(whole, ['runs', 'looks', 'planning']))).toEqual(['looks', 'runs', 'planning']);
  expect(sent(viewFor(whole, []))).toEqual([]);
  expect(viewFor(whole, parts)).not.toHaveProperty('unreadable');
});

test('what every station shows is always sent, and without a visit there is none', () => {
  expect(viewFor(whole, []).visit).toMatchObject({ note: 'a note' });
  expect(viewFor(whole, []).known).toBe(whole.known);
  expect(viewFor({ ...whole, visit: null }, ['looks']).visit).toBeNull();
});

test('what is only said since the page was made has an empty visit to be laid over', () => {
  expect(viewForSaid(whole).visit).toMatchObject({ looks: [], runs: [], judgements: [], plan: null });
});
