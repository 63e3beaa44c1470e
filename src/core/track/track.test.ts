import { sampleStandardDeviation } from 'simple-statistics';
import { type LookRecord, type ProtocolId, type Raw, blankRaw } from '../look';
import { emptyProfile, evaluateGates, knownClient } from '../safety';
import { type Grades, regionIds, unobserved } from '../trunk';
import {
  type MeasureId,
  blendedError,
  changeInWords,
  changeOf,
  gradeChanges,
  markerBeforeAfter,
  needsToday,
  repeatPairs,
  ringChangeInWords,
  seriesOf,
  smallestRealDifference,
  typicalError,
  visitStory,
  offLimits,
} from '.';

const pairs: [number, number][] = [
  [10, 12],
  [11, 11],
  [9, 10],
  [14, 13],
  [12, 12.5],
  [10, 11],
];

describe('noise [R7]', () => {
  test('typical error is the SD of the differences over √2, against an independent statistics library', () => {
    const differences = pairs.map(([a, b]) => b - a);
    expect(typicalError(pairs)).toBeCloseTo(sampleStandardDeviation(differences) / Math.SQRT2, 12);
  });

  test('three differences by hand: 2, 0, 1 have an SD of 1', () => {
    expect(typicalError(pairs.slice(0, 3))).toBeCloseTo(Math.SQRT1_2, 12);
    expect(() => typicalError(pairs.slice(0, 1))).toThrow(RangeError);
  });

  test('smallest real difference is 1.96·√2 of the error', () => {
    expect(smallestRealDifference(1)).toBeCloseTo(2.7719, 4);
  });

  test('a change within noise is not called; beyond it, it is; own noise from six pairs on', () => {
    expect(changeOf('hold', 12, 15, []).verdict).toBe('no clear change');
    expect(changeOf('hold', 12, 24, [])).toMatchObject({ verdict: 'larger', ownNoise: false });
    expect(changeOf('rate', 18, 13, [])).toMatchObject({ verdict: 'smaller' });
    expect(changeOf('hold', 12, 18, [])).toMatchObject({ verdict: 'no clear change', ownNoise: false });
    expect(changeOf('hold', 12, 18, pairs)).toMatchObject({ verdict: 'larger', ownNoise: true });
    expect(changeOf('hold', 12, 18, pairs.slice(1)).ownNoise).toBe(false);
    expect(changeInWords(changeOf('ease', 4, 8, []), 'cm')).toBe(
      'Deep-breath ease: 4.0 before, 8.0 of 10 after, clearly larger.',
    );
  });
});

describe('rings compared', () => {
  const even = (grade: 0 | 1 | 2 | 3) => Object.fromEntries(regionIds.map((id) => [id, grade])) as Grades;

  test('one step is never clear, two are; what was seen only once is not compared (common practice)', () => {
    const before = { ...even(1), belly: null } as Grades;
    const after = { ...even(1), belly: 3, leftSide: 3, rightSide: 2, lowBack: 0 } as Grades;
    expect(gradeChanges(before, after)).toEqual([
      { region: 'rightSide', before: 1, after: 2, clear: false },
      { region: 'lowBack', before: 1, after: 0, clear: false },
      { region: 'leftSide', before: 1, after: 3, clear: true },
    ]);
    expect(ringChangeInWords(before, after)).toContain('Left side two steps more: clear.');
    expect(ringChangeInWords(before, after)).toContain('Low back one step less: not yet a clear change.');
  });

  test('no change and nothing to compare are said, too', () => {
    expect(ringChangeInWords(even(2), even(2))).toEqual(['No change in the 9 parts seen both times.']);
    expect(ringChangeInWords(unobserved(), even(2))).toEqual([
      'Nothing was seen both times, so nothing can be compared.',
    ]);
  });
});

let made = 0;
const look = <P extends ProtocolId>(
  protocol: P,
  raw: Raw<P>,
  visitId = 'v1',
  moment: LookRecord['moment'] = 'before',
): LookRecord => ({
  id: `look-${(made += 1)}`,
  visitId,
  protocol,
  version: 1,
  moment,
  takenAt: `2026-11-23T10:${String(made % 60).padStart(2, '0')}:00Z`,
  raw,
});
const ease = (
  readings: number[],
  visitId = 'v1',
  moment: LookRecord['moment'] = 'before',
  position = 'sitting' as const,
) => look('marker', blankRaw('marker', { position, readings }), visitId, moment);

describe('series over visits', () => {
  const days: Record<string, string> = { v1: '2026-11-01', v2: '2026-11-10' };
  const dayOf = (id: string) => days[id];

  test('the newest reading of a day counts, looks after the work do not, oldest day first', () => {
    const looks = [ease([6], 'v2'), ease([3], 'v1'), ease([4, 5], 'v1'), ease([9], 'v2', 'after'), ease([1], 'gone')];
    expect(seriesOf('ease', looks, dayOf).map(({ day, value }) => [day, value])).toEqual([
      ['2026-11-01', 4.5],
      ['2026-11-10', 6],
    ]);
  });

  test('rates and holds are derived from raw records, and half-done ones left out', () => {
    const quiet = look('quietLook', {
      position: 'sitting',
      taps: [0, 4, 8, 12],
      starts: 'belly',
      route: 'nose',
      sound: 'silent',
      seen: [],
    });
    const begun = look('quietLook', { ...(quiet.raw as Raw<'quietLook'>), taps: [0] }, 'v2');
    expect(seriesOf('rate', [quiet, begun], dayOf).map(({ value }) => value)).toEqual([15]);
    const strained = look('calmHold', {
      position: 'sitting',
      tries: [{ seconds: 40, feeling: 'strained', firstBreath: 'mouth' }],
    });
    expect(seriesOf('hold', [strained], dayOf)).toEqual([]);
  });

  test('the marker is compared only like with like, and its repeats teach the noise', () => {
    expect(markerBeforeAfter([ease([4, 5]), ease([7, 8], 'v1', 'after')])).toEqual({
      measure: 'ease',
      before: 4.5,
      after: 7.5,
    });
    expect(markerBeforeAfter([ease([4])])).toBeNull();
    const standing = look('marker', blankRaw('marker', { position: 'standing', readings: [8] }), 'v1', 'after');
    expect(markerBeforeAfter([ease([4]), standing])).toBeNull();
    expect(repeatPairs([ease([4, 5]), ease([4])], 'ease')).toEqual([[4, 5]]);
  });
});

describe('what the thread and the front page tell', () => {
  const today = '2026-11-23';
  const known = knownClient([
    { id: 'f1', key: 'complaint', value: 'x'.repeat(400), at: '2026-11-23T09:00:00Z', day: today },
    { id: 'f2', key: 'answer:latex', value: { value: 'yes' }, at: '2026-11-23T09:01:00Z', day: today },
  ]);
  const gates = evaluateGates(known.profile, today);

  test('only what was recorded is told, and long words are shortened', () => {
    const lines = visitStory(known, gates, null);
    expect(lines.map(({ heading }) => heading)).toEqual(['Why they came', 'Off limits']);
    expect(lines[0]!.words.length).toBeLessThanOrEqual(160);
    expect(offLimits(gates)).toBe('Latex, the balloon.');
    expect(offLimits(evaluateGates(emptyProfile, today))).toBeNull();
  });

  test('needs come most pressing first and are never empty', () => {
    const base = {
      known,
      path: { state: 'open' as const, reasons: [] },
      today,
      last: null,
      visit: 'none' as const,
      stoppedDrills: 0,
      takenBack: [],
    };
    expect(needsToday(base)).toEqual(['First visit: begin at Screen.']);
    const last = { day: '2026-11-20', intent: 'openOneSide' as const, side: 'left' as const };
    expect(needsToday({ ...base, last, stoppedDrills: 1 })).toEqual([
      '24 questions not asked yet.',
      'A drill ended in a stop: review it before planning.',
      'Last seen 3 days ago: open the left side.',
    ]);
    expect(needsToday({ ...base, last, takenBack: ['Prone low breath'] })).toContain(
      'Tell them not to go on at home with Prone low breath: off limits now.',
    );
    const flagged = knownClient([
      { id: 'f3', key: 'redFlags', value: { present: ['calf'] }, at: '2026-11-22T09:00:00Z', day: '2026-11-22' },
    ]);
    expect(needsToday({ ...base, known: flagged })[0]).toBe(
      'Since 22 November: one-sided calf pain or swelling. A clinician’s word first.',
    );
  });
});

describe('further measures', () => {
  const go = (exhaleCm: number, inhaleCm: number) => ({ exhaleCm, inhaleCm });
  const dayOf = () => '2026-11-01';
  const value = (measure: MeasureId, record: LookRecord) => seriesOf(measure, [record], dayOf)[0]?.value;

  test('tape, gap, exhale, questionnaire and other markers give a value a visit', () => {
    expect(value('girth', look('tape', blankRaw('tape', { levels: { fourth: [go(90, 94), go(90, 96)] } })))).toBe(5);
    expect(value('gap', look('fingerGap', blankRaw('fingerGap', { goes: [go(4, 6)] })))).toBe(2);
    expect(value('exhale', look('exhale', blankRaw('exhale', { seconds: [4, 6] })))).toBe(5);
    expect(value('symptoms', look('questionnaire', blankRaw('questionnaire', { answers: Array(16).fill(1) })))).toBe(
      16,
    );
    const hip = look('marker', blankRaw('marker', { measure: 'hipRotation', readings: [30, 34] }));
    expect(value('hipRotation', hip)).toBe(32);
    expect(value('ease', hip)).toBeUndefined();
  });

  test('what is half done, swapped or confirmed as paradoxical is no value', () => {
    expect(value('girth', look('tape', blankRaw('tape', { levels: { fourth: [go(95, 90)] } })))).toBeUndefined();
    const paradoxical = blankRaw('tape', { levels: { fourth: [go(95, 90)] }, paradoxical: ['fourth'] });
    expect(value('girth', look('tape', paradoxical))).toBeUndefined();
    expect(
      value('symptoms', look('questionnaire', blankRaw('questionnaire', { answers: [1, ...Array(15).fill(null)] }))),
    ).toBeUndefined();
  });

  test('repeats of each protocol teach its own noise, strained holds left out', () => {
    const tape = look('tape', blankRaw('tape', { levels: { fourth: [go(90, 94), go(90, 96), go(90, 95)] } }));
    expect(repeatPairs([tape], 'girth')).toEqual([[4, 6]]);
    expect(repeatPairs([tape], 'gap')).toEqual([]);
    const tries = [12, 40, 14].map((seconds) => ({
      seconds,
      feeling: seconds === 40 ? ('strained' as const) : ('calm' as const),
      firstBreath: 'nose and quiet' as const,
    }));
    expect(repeatPairs([look('calmHold', { position: 'sitting', tries })], 'hold')).toEqual([[12, 14]]);
    const counted = (rate: number) =>
      look('quietLook', blankRaw('quietLook', { taps: [0, 1, 2, 3].map((n) => (n * 60) / rate) }));
    expect(repeatPairs([counted(12), counted(15)], 'rate').map((pair) => pair.map(Math.round))).toEqual([[12, 15]]);
  });

  test('a marker taken in another measure afterwards is not compared', () => {
    const before = look('marker', blankRaw('marker', { position: 'sitting', measure: 'hipRotation', readings: [30] }));
    expect(markerBeforeAfter([before, ease([7], 'v1', 'after')])).toBeNull();
  });

  test('own noise is blended in from six pairs on, between the usual and the own', () => {
    const pairs = Array.from({ length: 6 }, (_, i): [number, number] => [10, 10 + (i % 2)]);
    expect(blendedError(2, pairs.slice(1))).toBe(2);
    const blended = blendedError(2, pairs);
    expect(blended).toBeGreaterThan(typicalError(pairs));
    expect(blended).toBeLessThan(2);
    // Six pairs weigh as much as the usual: the mean of the variances.
    expect(blended ** 2).toBeCloseTo((4 + typicalError(pairs) ** 2) / 2, 10);
  });
});
