import { type ComplaintPlace, type ConditionId, conditionIds, knownClient } from '../safety';
import { testDay } from '../fixtures/people';
import { type ProtocolId, ledBy, toldForFloor } from '.';

const fact = (key: string, value: unknown) =>
  ({ id: key, key, value, at: `${testDay}T09:00:00.000Z`, day: testDay }) as Parameters<typeof knownClient>[0][number];
const toldBy = (yes: readonly ConditionId[], places: readonly ComplaintPlace[] = []) =>
  knownClient([
    ...conditionIds.map((id) => fact(`answer:${id}`, { value: yes.includes(id) ? 'yes' : 'no' })),
    ...(places.length === 0 ? [] : [fact('complaintDetail', { level: 5, places })]),
  ]);
const led = (...known: Parameters<typeof toldBy>) =>
  ledBy(toldBy(...known))
    .map(({ protocol }) => protocol)
    .sort();

// Common practice, no published source: what was told of the pelvis and the belly is looked at there, of the ribs and neck at the exhale.
const asksFor: readonly [told: ConditionId, protocols: ProtocolId[]][] = [
  ['leaking', ['floor', 'wallOrder']],
  ['recentBirth', ['floor', 'wallOrder']],
  ['prolapse', ['floor', 'wallOrder']],
  ['separation', ['floor', 'wallOrder']],
  ['holdingFloor', ['floor', 'wallOrder']],
  ['pelvicGirdlePain', ['floor', 'wallOrder']],
  ['lung', ['exhale']],
];

test.each(asksFor)('%s asks for %j', (told, protocols) => {
  expect(led([told])).toEqual(protocols);
});

test('no other condition asks for a look of its own', () => {
  for (const id of conditionIds.filter((one) => !asksFor.some(([told]) => told === one)))
    expect([id, led([id])]).toEqual([id, []]);
});

test.each<[ComplaintPlace, ProtocolId[]]>([
  ['pelvis', ['floor', 'wallOrder']],
  ['low back', ['wallOrder']],
  ['belly', ['wallOrder']],
  ['head', ['exhale', 'frontOn']],
  ['neck', ['exhale', 'frontOn']],
  ['ribs', ['exhale', 'fingerGap']],
  ['shoulder blade', ['exhale', 'fingerGap']],
  ['mid-back', ['exhale', 'fingerGap']],
])('a complaint at the %s asks for %j', (place, protocols) => {
  expect(led([], [place])).toEqual(protocols);
});

test('long days at a desk ask for the exhale; what two things ask for stands once, with the first of them', () => {
  expect(ledBy(knownClient([fact('longDesk', 'yes')])).map(({ protocol }) => protocol)).toEqual(['exhale']);
  expect(ledBy(toldBy(['leaking', 'prolapse'], ['pelvis']))).toEqual([
    { protocol: 'wallOrder', because: 'leaking' },
    { protocol: 'floor', because: 'leaking' },
  ]);
});

test('what was told is filled in with its day; what was not told, or does not say which, is asked', () => {
  expect(toldForFloor(toldBy(['leaking']).profile)).toEqual({
    values: { leaks: 'yes', pain: 'no' },
    told: [
      { words: 'leaking with effort', day: testDay },
      { words: 'no pelvic pain', day: testDay },
    ],
  });
  expect(toldForFloor(toldBy(['holdingFloor']).profile).values).toEqual({ leaks: 'no' });
  expect(toldForFloor(knownClient([]).profile)).toEqual({ values: {}, told: [] });
});
