import { sampleCorrelation, standardDeviation } from 'simple-statistics';
import {
  type PhotoPoint,
  angleAt,
  excursionOf,
  expansionBand,
  fromCm,
  lengthInWords,
  markerMeasureIds,
  markerMeasures,
  markerPositions,
  pelvicTiltDegrees,
  photoFigure,
  photoFigureOrNull,
  photoInWords,
  protocols,
  questionnaireSum,
  symptoms,
  thoraxOffsetPercent,
  toCm,
  twoLine,
  weightedKappa,
} from '.';
import { met } from '../../../scripts/met';

describe('tape and finger gap', () => {
  const go = (exhaleCm: number | null, inhaleCm: number | null) => ({ exhaleCm, inhaleCm });

  test('the excursion is the mean of inhale − exhale, the spread its standard deviation', () => {
    // Changes 4, 5, 6: mean 5, squares 1 + 0 + 1 over n − 1 = 1.
    expect(excursionOf([go(90, 94), go(90, 95), go(89, 95)])).toEqual({
      meanCm: 5,
      spreadCm: 1,
      goes: 3,
      reversed: [],
    });
  });

  test('a half-filled go is left out; nothing filled gives nothing', () => {
    expect(excursionOf([go(90, 94), go(91, null)])).toMatchObject({ meanCm: 4, goes: 1, spreadCm: null });
    expect(excursionOf([go(null, 90)])).toBeNull();
    expect(excursionOf([])).toBeNull();
    // Nothing moved is a reading too.
    expect(excursionOf([go(90, 90)])).toEqual({ meanCm: 0, spreadCm: null, goes: 1, reversed: [] });
  });

  test('a larger exhale is asked about and does not count until it was confirmed', () => {
    const goes = [go(90, 94), go(95, 91)];
    expect(excursionOf(goes)).toMatchObject({ meanCm: 4, goes: 1, reversed: [1] });
    expect(excursionOf(goes, true)).toMatchObject({ meanCm: 0, goes: 2, reversed: [] });
  });

  // [R6] Moll & Wright 1972 and older criteria, values from memory.
  test.each([
    [2.4, 'markedly small'],
    [2.5, 'markedly small'],
    [2.6, 'in between'],
    [4.9, 'in between'],
    [5, 'usual in young adults'],
    [8, 'usual in young adults'],
  ])('%d cm at the fourth space is %s', (cm, words) => {
    expect(expansionBand(cm)).toBe(words);
  });

  test('inches and centimetres are exact to each other', () => {
    expect(toCm(1, 'in')).toBe(2.54);
    expect(fromCm(toCm(36.5, 'in'), 'in')).toBeCloseTo(36.5, 12);
    expect(lengthInWords(6.35, 'in')).toBe('2.5 in');
    expect(lengthInWords(6.35, 'cm')).toBe('6.3 cm');
  });
});

test('a marker that says where it is asked is asked there, and every one can be asked somewhere', () => {
  for (const id of markerMeasureIds) {
    const [said] = /\b(standing|sitting)\b/i.exec(markerMeasures[id].ask) ?? [];
    const places = markerPositions(id);
    expect(places.length).toBeGreaterThan(0);
    expect(protocols.marker.positions).toEqual(expect.arrayContaining([...places]));
    if (met(said !== undefined)) expect([id, places]).toEqual([id, [said!.toLowerCase()]]);
  }
});

describe('two-line estimate [R4] Courtney 2008, formulas from memory', () => {
  test('a symmetric drawing has balance 0 and 50 %', () => {
    expect(twoLine(30, 30)).toEqual({ areaDegrees: 60, balanceDegrees: 0, percentRibCage: 50 });
  });

  test.each([
    [60, 20, 80, 40, 75],
    [20, 60, 80, -40, 25],
    [45, 0, 45, 45, 100],
    [0, 50, 50, -50, 0],
  ])('upper %d and lower %d: area %d, balance %d, %d %%', (upper, lower, area, balance, percent) => {
    expect(twoLine(upper, lower)).toEqual({ areaDegrees: area, balanceDegrees: balance, percentRibCage: percent });
  });

  test('nothing drawn and lines beyond the half circle are refused', () => {
    expect(() => twoLine(0, 0)).toThrow(/draw at least one/);
    expect(() => twoLine(91, 0)).toThrow(RangeError);
    expect(() => twoLine(Number.NaN, 0)).toThrow(RangeError);
  });
});

describe('questionnaire [R2] van Dixhoorn 1985 and 2015, from memory', () => {
  const withSum = (sum: number) => Array.from({ length: 16 }, (_, i) => Math.min(4, Math.max(0, sum - 4 * i)));

  test.each([
    [0, false, false],
    [19, false, false],
    [20, false, true],
    [23, false, true],
    [24, true, true],
    [64, true, true],
  ])('a sum of %d is above 23: %s, above 19: %s', (sum, above23, above19) => {
    expect(questionnaireSum(withSum(sum))).toMatchObject({ sum, answered: 16, above23, above19 });
  });

  test('sixteen symptoms; what was not answered is no “never”', () => {
    expect(symptoms).toHaveLength(16);
    const half = [...withSum(10).slice(0, 8), ...Array<null>(8).fill(null)];
    expect(questionnaireSum(half)).toMatchObject({ sum: 10, answered: 8, most: 42, above23: null, above19: null });
    const enough = [...withSum(24).slice(0, 8), ...Array<null>(8).fill(null)];
    expect(questionnaireSum(enough)).toMatchObject({ above23: true });
  });

  test('other lengths and other values are refused', () => {
    expect(() => questionnaireSum([1, 2])).toThrow(RangeError);
    expect(() => questionnaireSum([5, ...Array<number>(15).fill(0)])).toThrow(RangeError);
  });
});

describe('angles on a photo, against exact geometry', () => {
  const at = (x: number, y: number): PhotoPoint => ({ x, y });
  /** A point at an angle and distance from another, angles from the x axis. */
  const polar = (from: PhotoPoint, degrees: number, distance: number) =>
    at(
      from.x + distance * Math.cos((degrees * Math.PI) / 180),
      from.y + distance * Math.sin((degrees * Math.PI) / 180),
    );

  test.each([30, 60, 75, 90, 105, 120, 179])(
    'an arch of %d° is measured as such, whatever the scale and the turn',
    (angle) => {
      const apex = at(500, 300);
      for (const scale of [10, 140, 400]) {
        for (const turn of [-7, 0, 11]) {
          const one = polar(apex, 90 - angle / 2 + turn, scale);
          const other = polar(apex, 90 + angle / 2 + turn, scale * 1.3);
          expect(angleAt(apex, one, other)).toBeCloseTo(angle, 9);
          expect(angleAt(apex, other, one)).toBeCloseTo(angle, 9);
        }
      }
    },
  );

  test('a triangle of 3, 4, 5 has its exact angles', () => {
    expect(angleAt(at(0, 0), at(3, 0), at(0, 4))).toBeCloseTo(90, 12);
    expect(angleAt(at(3, 0), at(0, 0), at(0, 4))).toBeCloseTo((Math.asin(4 / 5) * 180) / Math.PI, 12);
  });

  test('pelvic tilt is the same facing left and right, above 0 with the front lower', () => {
    expect(pelvicTiltDegrees(at(100, 100), at(0, 0))).toBeCloseTo(45, 12);
    expect(pelvicTiltDegrees(at(0, 100), at(100, 0))).toBeCloseTo(45, 12);
    expect(pelvicTiltDegrees(at(100, 0), at(0, 0))).toBe(0);
    expect(pelvicTiltDegrees(at(Math.sqrt(3), 0), at(0, 1))).toBeCloseTo(-30, 12);
    expect(() => pelvicTiltDegrees(at(5, 0), at(5, 9))).toThrow(/not from the side/);
  });

  test('thorax over pelvis is a part of the height, in front above 0 whichever way the client faces', () => {
    expect(thoraxOffsetPercent(at(110, 0), at(100, 100), at(300, 50))).toBe(10);
    expect(thoraxOffsetPercent(at(90, 0), at(100, 100), at(-300, 50))).toBe(10);
    expect(thoraxOffsetPercent(at(90, 0), at(100, 100), at(300, 50))).toBe(-10);
    expect(thoraxOffsetPercent(at(220, 0), at(200, 200), at(600, 100))).toBe(10);
    expect(() => thoraxOffsetPercent(at(0, 5), at(9, 5), at(90, 0))).toThrow(/level/);
    expect(() => thoraxOffsetPercent(at(0, 5), at(9, 50), at(9, 0))).toThrow(/in front/);
  });

  test('a photo gives its figure once all points are there, and none where they lie on each other', () => {
    expect(photoFigure({ measure: 'infrasternal', points: [at(0, 0)] })).toBeNull();
    expect(photoFigure({ measure: 'infrasternal', points: [at(0, 0), at(1, 1), at(-1, 1)] })).toBeCloseTo(90, 12);
    expect(() => photoFigure({ measure: 'infrasternal', points: [at(0, 0), at(0, 0), at(1, 1)] })).toThrow(RangeError);
    expect(photoFigureOrNull({ measure: 'infrasternal', points: [at(0, 0), at(0, 0), at(1, 1)] })).toBeNull();
    expect(photoInWords('infrasternal', 90)).toBe('90°: middle');
    expect(photoInWords('pelvicTilt', 14)).toBe('14°: tipped forward');
    expect(photoInWords('thoraxOffset', -12)).toBe('12 % behind the pelvis');
  });
});

describe('weighted kappa (Cohen 1968)', () => {
  test('full agreement is 1, full disagreement on two grades −1', () => {
    expect(
      weightedKappa([
        [0, 0],
        [1, 1],
        [3, 3],
      ]),
    ).toBe(1);
    expect(
      weightedKappa([
        [0, 3],
        [3, 0],
      ]),
    ).toBeCloseTo(-1, 12);
  });

  test('with equal margins quadratic kappa is the correlation, by an independent library', () => {
    const pairs: [number, number][] = [
      [0, 1],
      [1, 0],
      [2, 3],
      [3, 2],
      [1, 1],
      [2, 2],
      [0, 0],
      [3, 3],
    ];
    const [one, other] = [pairs.map(([a]) => a), pairs.map(([, b]) => b)];
    expect(standardDeviation(one)).toBe(standardDeviation(other));
    expect(weightedKappa(pairs)).toBeCloseTo(sampleCorrelation(one, other), 12);
  });

  test('too little to say gives null', () => {
    expect(weightedKappa([[1, 1]])).toBeNull();
    expect(
      weightedKappa([
        [2, 2],
        [2, 2],
      ]),
    ).toBeNull();
  });
});
