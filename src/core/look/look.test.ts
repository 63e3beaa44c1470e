import {
  type HoldTry,
  blankRaw,
  calmHold,
  holdCounts,
  newest,
  quietRate,
  rateBand,
  rateBands,
  rateOf,
  rawSchemas,
  settleDoubt,
  type LookRecord,
} from '.';

describe('quiet rate', () => {
  test('ten taps over 45 s is 12 a minute: nine intervals', () => {
    const rate = quietRate([0, 5, 10, 15, 20, 25, 30, 35, 40, 45]);
    expect(rate.breathsPerMinute).toBe(12);
    expect(rate).toMatchObject({ breaths: 9, seconds: 45, spreadSeconds: 0, doubts: [] });
  });

  test('the spread is the standard deviation of the breath lengths, by hand', () => {
    // Lengths 4, 6, 5: mean 5, squares 1 + 1 + 0 over n − 1 = 2.
    expect(quietRate([0, 4, 10, 15]).spreadSeconds).toBeCloseTo(1, 10);
  });

  test.each([0, 1, 2, 3])('%d taps give no rate but a sentence', (taps) => {
    expect(() => quietRate([0, 5, 10].slice(0, taps))).toThrow(/at least 4 taps: \d more to go/);
  });

  test('taps that stand still or run backward are refused', () => {
    expect(() => quietRate([0, 4, 4, 8])).toThrow(RangeError);
    expect(() => quietRate([0, 4, 3, 8])).toThrow(RangeError);
    expect(() => quietRate([0, 4, Number.NaN, 8])).toThrow(RangeError);
  });

  test('of a stored record taps in disorder, or too few, are no rate; two that are one count once', () => {
    expect(rateOf([0, 5, 10, 15])!.breathsPerMinute).toBe(12);
    expect(rateOf([0, 5, 4, 10, 15])).toBeNull();
    expect(rateOf([0, 5, 10])).toBeNull();
    expect(rateOf([0, 5, 5.1, 10, 15])!.breathsPerMinute).toBe(12);
    expect(rateOf([0, 5, 5.1, 10])).toBeNull();
  });

  test('a double tap is doubted and can be dropped', () => {
    const { doubts } = quietRate([0, 4, 8, 8.5, 12, 16]);
    expect(doubts).toMatchObject([{ kind: 'double', tap: 3 }]);
    expect(settleDoubt([0, 4, 8, 8.5, 12, 16], doubts[0]!)).toEqual([0, 4, 8, 12, 16]);
  });

  test('a missed breath is doubted and can be put in', () => {
    const { doubts } = quietRate([0, 4, 8, 16, 20, 24]);
    expect(doubts).toMatchObject([{ kind: 'missed', tap: 3, intervalSeconds: 8 }]);
    expect(settleDoubt([0, 4, 8, 16, 20, 24], doubts[0]!)).toEqual([0, 4, 8, 12, 16, 20, 24]);
  });
});

describe('rate bands [R1] NEWS2 2017, values from memory', () => {
  test.each([
    [8, 3],
    [8.4, 3],
    [9, 1],
    [11, 1],
    [12, 0],
    [20, 0],
    [20.4, 0],
    [21, 2],
    [24, 2],
    [25, 3],
    [40, 3],
  ])('%d a minute scores %d', (rate, points) => {
    expect(rateBand(rate).points).toBe(points);
  });

  test('the bands leave no gap and no overlap', () => {
    rateBands.slice(1).forEach((band, i) => expect(band.from).toBe(rateBands[i]!.to + 1));
  });

  test.each([0, -4, Number.NaN])('%d is no rate', (rate) => {
    expect(() => rateBand(rate)).toThrow(RangeError);
  });
});

describe('calm exhale hold', () => {
  const hold = (seconds: number, rest: Partial<HoldTry> = {}): HoldTry => ({
    seconds,
    feeling: 'calm',
    firstBreath: 'nose and quiet',
    ...rest,
  });

  // Common practice, no published source: strained or ending in a gasp through the mouth does not count.
  test.each([
    [hold(20), true],
    [hold(20, { feeling: 'at the edge' }), true],
    [hold(40, { feeling: 'strained' }), false],
    [hold(40, { firstBreath: 'mouth' }), false],
  ])('%j counts: %s', (one, counts) => {
    expect(holdCounts(one)).toBe(counts);
  });

  test('the median of the tries that count, never the longest', () => {
    expect(calmHold([hold(14), hold(18), hold(40, { feeling: 'strained' })]).seconds).toBe(16);
    expect(calmHold([hold(14), hold(18), hold(30)]).seconds).toBe(18);
    expect(calmHold([hold(30, { firstBreath: 'mouth' })])).toMatchObject({ seconds: null, calmTries: 0, band: null });
  });

  // Bands: common practice, contested and not diagnostic.
  test.each([
    [9.9, 'very short'],
    [10, 'short'],
    [20, 'middling'],
    [30, 'comfortable'],
    [40, 'long'],
  ])('%d s is %s', (seconds, words) => {
    expect(calmHold([hold(seconds)]).band!.words).toBe(words);
  });

  test('four tries and impossible lengths are refused', () => {
    expect(() => calmHold([hold(1), hold(1), hold(1), hold(1)])).toThrow(/At most 3 tries/);
    expect(() => calmHold([hold(-1)])).toThrow(RangeError);
    expect(() => calmHold([hold(4000)])).toThrow(RangeError);
  });
});

describe('records', () => {
  const record = (id: string, takenAt: string, moment: LookRecord['moment'] = 'before'): LookRecord => ({
    id,
    visitId: 'visit',
    protocol: 'marker',
    version: 1,
    moment,
    takenAt,
    raw: blankRaw('marker', { position: 'sitting', readings: [4] }),
  });

  test('the newest of a protocol and moment is found, not the last in the list', () => {
    const records = [record('new', '2026-11-23T11:00:00Z'), record('old', '2026-11-23T10:00:00Z')];
    expect(newest(records, 'marker', 'before')!.id).toBe('new');
    expect(newest(records, 'marker', 'after')).toBeNull();
    expect(newest(records, 'calmHold', 'before')).toBeNull();
  });

  test('raw values are checked: grades beyond the scale, negative taps and ten thousand tries are refused', () => {
    expect(rawSchemas.regionMap.safeParse({ position: 'sitting', quiet: { belly: 7 } }).success).toBe(false);
    expect(rawSchemas.quietLook.safeParse({ position: 'sitting', taps: [-1] }).success).toBe(false);
    expect(rawSchemas.marker.safeParse({ position: 'on a boat', readings: [] }).success).toBe(false);
    expect(rawSchemas.quietLook.parse({ position: 'sitting', taps: [] })).toMatchObject({ route: 'not observed' });
  });
});
