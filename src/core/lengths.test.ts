import { lookOn, planItem, testDay, visitOf } from './fixtures';
import { gatesOfPerson } from './fixtures/people';
import { type LengthUnit, type LookRecord, type ProtocolId, lookResult, protocols } from './look';
import { knownClient } from './safety';
import { type StoredLook } from './record';
import {
  changeInWords,
  followed,
  lastTimeOf,
  markerBeforeAfter,
  changeOf,
  overInWords,
  progressLetter,
  repeatsOf,
  visitNote,
} from './track';

const look: typeof lookOn = (protocol, day, raw, moment) =>
  lookOn(protocol, day, { position: 'standing', ...raw }, moment);
const goes = (cm: number) => [{ exhaleCm: 90, inhaleCm: 90 + cm }];

/** Every record that holds a length, with a small one: so that it is found as well. */
const lengths = (unit: LengthUnit): LookRecord[] => [
  look('tape', testDay, { unit, levels: { fourth: goes(2.54) } }),
  look('fingerGap', testDay, { unit, goes: goes(1.27) }),
  look('marker', testDay, { unit, measure: 'sideBendLeft', readings: [25.4, 25.4] }),
  look('marker', testDay, { unit, measure: 'fingerGapOpening', readings: [5.08, 5.08] }),
];

/** All that is said of a record. */
function saidOf(record: LookRecord): string[] {
  const found = protocols[record.protocol].reads as undefined | ((raw: unknown) => Record<string, { words?: string }>);
  return [
    lookResult(record)?.words ?? '',
    ...Object.values(found?.(record.raw) ?? {}).flatMap(({ words }) => words ?? []),
  ];
}

describe('a length is said in the unit it was read in, wherever it is said', () => {
  test.each([
    // One inch is 2.54 cm exactly.
    ['cm', ['2.5 cm', '1.3 cm', '25.4 cm', '5.1 cm'], /\d in\b/],
    ['in', ['1.0 in', '0.5 in', '10.0 in', '2.0 in'], /\d cm\b/],
  ] as const)('in %s, as a result and as a finding', (unit, figures, other) => {
    lengths(unit).forEach((record, at) => {
      const said = saidOf(record).filter((words) => words !== '');
      expect(said.length).toBeGreaterThan(0);
      for (const words of said) {
        expect(words).toContain(figures[at]);
        expect(words).not.toMatch(other);
      }
    });
  });

  const day = (n: number) => `2026-11-0${n}`;
  const taken = (protocol: ProtocolId, raw: (cm: number) => object) => [
    look(protocol, day(1), raw(25.4)),
    look(protocol, day(2), raw(50.8)),
    look(protocol, day(2), raw(76.2), 'after'),
  ];
  const marked = (measure: string) => taken('marker', (cm) => ({ measure, readings: [cm, cm] }));
  const measuredIn: [string, StoredLook[]][] = [
    ['the tape', taken('tape', (cm) => ({ levels: { fourth: goes(cm) } }))],
    ['the finger gap', taken('fingerGap', (cm) => ({ goes: goes(cm) }))],
    ['a side bend', marked('sideBendRight')],
    ['the finger gap as the marker', marked('fingerGapOpening')],
  ];
  const from = (looks: StoredLook[]) => followed(looks, (visitId) => visitId);
  const letterOf = (looks: StoredLook[], unit: LengthUnit) =>
    progressLetter({
      studio: 'Saltmarsh Movement Rooms',
      name: 'Tamsin Fenwreath',
      known: knownClient([]),
      gates: gatesOfPerson({}),
      days: [day(1), day(2)],
      today: testDay,
      over: from(looks),
      told: [],
      plan: {
        request: { intent: 'openOneSide', side: 'left', minutes: 20, propsAtHand: [], leadSchool: 'openAllRegions' },
        proven: true,
        items: [planItem({ drillId: 'side-bend-open', position: 'sitting', side: 'left' })],
        refusals: [],
      },
      atHome: [],
      stopped: [],
      lengths: unit,
    });

  test.each(measuredIn)('%s over visits, in a line and in a letter', (_, looks) => {
    const [one] = from(looks);
    const line = (unit: LengthUnit) => overInWords(one!, (when) => when, unit).line;
    expect(line('cm')).toContain('25.4 to 50.8 cm');
    expect(line('in')).toContain('10.0 to 20.0 in');
    const change = changeOf(one!.measure, 25.4, 50.8, []);
    expect(changeInWords(change, 'in')).toContain('10.0 before, 20.0 in');
    expect(letterOf(looks, 'cm')).toContain('25.4, now 50.8 cm');
    expect(letterOf(looks, 'in')).toContain('10.0, now 20.0 in');
  });

  test('the marker in the note of a visit, and when they come again', () => {
    const looks = marked('sideBendLeft').filter(({ visitId }) => visitId === day(2));
    const visit = visitOf(day(2), { looks });
    expect(markerBeforeAfter(looks)).not.toBeNull();
    const note = visitNote(knownClient([]), gatesOfPerson({}), visit, repeatsOf(looks), [], { lengths: 'in' });
    // Smallest real difference of the usual 1.5 cm: 1.96 · √2 · 1.5 = 4.16 cm, 1.6 in. [R7]
    expect(note).toContain('20.0 before, 30.0 in to the floor after, clearly larger. Noise up to 1.6.');
    expect(lastTimeOf(visit, {}, 'in').marker).toContain('20.0 before, 30.0 in to the floor');
    expect(lastTimeOf(visit, {}, 'cm').marker).toContain('50.8 before, 76.2 cm to the floor');
  });
});

test('one exhale has one length, the middle of its goes; a finding holds the longest against it, and says so', () => {
  // A slip of the finger among three goes.
  const seconds = [4.2, 1.1, 4.6];
  const record = look('exhale', testDay, { seconds });
  const [result, finding] = saidOf(record);
  expect(result).toBe('4.2 s');
  expect(finding).toBe('longest easy exhale of 4.6 s');
  expect(followed([record], () => testDay)[0]!.points[0]![1]).toBe(4.2);
});
