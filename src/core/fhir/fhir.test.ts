import { bundleOf } from '.';

const empty = { facts: [], visits: [], looks: [], runs: [], lifts: [], homes: [] };
const client = { id: 'a', name: 'Ilse <Brandt>', born: '1981-03-07' };

test('a resting rate is told by its published code and unit; what was typed stays words', () => {
  const { entry } = bundleOf({
    ...empty,
    client,
    studio: 'Saltmarsh Movement Rooms',
    exportedAt: '2026-11-27T10:00:00.000Z',
    visits: [
      {
        id: 'v',
        clientId: 'a',
        day: '2026-11-26',
        startedAt: '2026-11-26T10:00:00.000Z',
        endedAt: null,
        zone: 'Europe/London',
        note: {
          text: 'a <script> & "more"\nsecond line',
          home: [],
          revision: 1,
          signedAt: null,
          additions: [],
          at: '',
        },
      } as never,
    ],
    looks: [
      {
        id: 'l',
        visitId: 'v',
        protocol: 'quietLook',
        version: 1,
        moment: 'before',
        takenAt: '2026-11-26T10:05:00.000Z',
        // Ten taps over 45 seconds are nine intervals: 12 a minute (references, arithmetic any reader can redo).
        raw: { position: 'sitting', taps: Array.from({ length: 10 }, (_, i) => i * 5), route: 'nose', from: 'x' },
        revision: 1,
      } as never,
    ],
  });
  const of = (type: string) =>
    entry.filter(({ resource }) => resource.resourceType === type).map(({ resource }) => resource);
  const [rate] = of('Observation');
  expect(rate).toMatchObject({
    status: 'final',
    effectiveDateTime: '2026-11-26T10:05:00.000Z',
    valueQuantity: { system: 'http://unitsofmeasure.org', code: '/min' },
  });
  // LOINC 9279-1, Respiratory rate (published; references R15).
  expect(JSON.stringify(rate!.code)).toContain('"system":"http://loinc.org","code":"9279-1"');
  expect((rate!.valueQuantity as { value: number }).value).toBeCloseTo(12, 5);
  const [encounter] = of('Encounter');
  expect((encounter!.text as { div: string }).div).toBe(
    '<div xmlns="http://www.w3.org/1999/xhtml">a &lt;script&gt; &amp; &quot;more&quot;<br/>second line</div>',
  );
  expect(of('Patient')[0]).toMatchObject({ birthDate: '1981-03-07', name: [{ text: 'Ilse <Brandt>' }] });
});
