/** Somebody screened today, with nothing that limits them, and the visit that is open: what tests of the stations start from. */
import { visitOf } from '@/core/fixtures';
import { cautionsSeen, countsAmong, isOf } from '@/core/look';
import { type VisitRecord, defaultSettings } from '@/core/record';
import { type Fact, type FactKey, conditionIds, evaluateGates, knownClient, pathState } from '@/core/safety';
import { placed } from '@/parts/placed.fixtures';
import { type ClientView, type Part } from './view';

export const today = '2026-11-23';
let made = 0;
export const fact = (key: FactKey, value: unknown, day = today): Fact => ({
  id: `fact-${(made += 1)}`,
  key,
  value,
  at: `${day}T09:00:00.000Z`,
  day,
});
export const signs = [fact('emergency', { present: [] }), fact('redFlags', { present: [] })];
/** Every condition answered: "no" but for those given. */
export const answers = (yes: Record<string, object> = {}) =>
  conditionIds.map((id) => fact(`answer:${id}`, id in yes ? { value: 'yes', ...yes[id] } : { value: 'no' }));

export function clientView({
  facts = [...signs, ...answers()],
  visit = {},
  ...rest
}: Omit<Partial<ClientView<Part>>, 'visit'> & {
  facts?: Fact[];
  /** What is otherwise in the visit; null without one. */
  visit?: Partial<VisitRecord> | null;
} = {}): ClientView<Part> {
  const known = knownClient(facts);
  const counts = countsAmong(visit?.looks ?? []);
  return {
    id: 'client',
    name: 'Ned Quillwater',
    today,
    settings: { ...defaultSettings, emergencyNumber: '999' },
    known,
    gates: evaluateGates(known.profile, today, undefined, cautionsSeen(visit?.looks ?? [])),
    path: pathState(known.profile, today, []),
    gating: { floors: (visit?.looks ?? []).filter((look) => isOf(look, 'floor')), counts },
    consent: facts.filter(({ key }) => key === 'touch'),
    asOf: placed.count,
    stopped: [],
    last: null,
    visitCount: visit === null ? 0 : 1,
    markedLast: [],
    holdsBefore: [],
    history: { facts, entries: facts.length, days: new Set(facts.map(({ day }) => day)).size },
    gatesThen: null,
    planning: { history: [], faults: {}, ownDrills: [], templates: [], lastRequest: null, booking: null },
    remembered: { maps: [], positions: {}, marker: null, order: [] },
    visit: visit === null ? null : visitOf(today, visit),
    ...rest,
  };
}
