import { type Grades, circularMean, directionInWords, mirrored, ringInWords, summariseRing, unobserved } from '.';

const all = (grade: 0 | 1 | 2 | 3): Grades =>
  Object.fromEntries(Object.keys(unobserved()).map((id) => [id, grade])) as Grades;

describe('circular mean [R12], worked by hand', () => {
  test('equal weights at 0° and 90° point to 45° with length √½', () => {
    const mean = circularMean([
      [0, 1],
      [90, 1],
    ])!;
    expect(mean.degrees).toBeCloseTo(45, 10);
    expect(mean.strength).toBeCloseTo(Math.SQRT1_2, 10);
  });

  test('weights 3 at 0° and 1 at 180° leave half: (3 − 1) / 4', () => {
    expect(circularMean([[0, 3], [180, 1]])).toEqual({ degrees: 0, strength: 0.5 }); // oxfmt-ignore
  });

  test('nine angles: direction and length from their sums of sines and cosines', () => {
    // The same sums in another language give C = 4.0226, S = 4.9764 over n = 9.
    const mean = circularMean([43, 45, 52, 61, 75, 88, 88, 279, 357].map((angle) => [angle, 1] as const))!;
    expect(mean.degrees).toBeCloseTo(51.05, 2);
    expect(mean.strength).toBeCloseTo(0.711, 4);
  });

  test('opposite equal weights have no direction; no weight has no mean', () => {
    expect(circularMean([[10, 1], [190, 1]])).toEqual({ degrees: null, strength: 0 }); // oxfmt-ignore
    expect(circularMean([[10, 0]])).toBeNull();
  });
});

describe('the ring as a whole', () => {
  test('an even ring leans nowhere, is even, and left equals right', () => {
    const summary = summariseRing(all(2));
    expect(summary.biasStrength).toBeCloseTo(0, 10);
    expect(summary.biasDegrees).toBeNull();
    expect(summary.evenness).toBeCloseTo(1, 10);
    expect(summary.leftRightIndex).toBe(0);
  });

  test('a closed left leans right by hand: outer right 2, left 0, the rest 2', () => {
    const summary = summariseRing({ ...all(2), leftSide: 0, leftBack: 0 });
    // Removing 2 at 240° and 300° from an even ring leaves −2(e^{i240}+e^{i300}) = 2√3 at 90°, over 12 of weight.
    expect(summary.biasDegrees).toBeCloseTo(90, 8);
    expect(summary.biasStrength).toBeCloseTo((2 * Math.sqrt(3)) / 12, 8);
    expect(summary.leftRightIndex).toBe(1);
  });

  test('not observed is not none: an unseen back does not pull the needle forward', () => {
    const unseenBack = { ...all(2), leftBack: null, rightBack: null, lowBack: null, chestBack: null };
    expect(summariseRing(unseenBack).biasStrength).toBeCloseTo(0, 10);
    expect(summariseRing({ ...all(2), leftBack: 0, rightBack: 0 }).biasStrength).toBeGreaterThan(0.1);
  });

  test('too little seen says nothing', () => {
    expect(summariseRing({ ...unobserved(), belly: 3 })).toMatchObject({ seen: 1, biasDegrees: null, evenness: null });
    expect(ringInWords(unobserved())).toEqual([]);
  });

  test('mirrored input gives a mirrored reading', () => {
    const grades: Grades = { ...all(2), leftSide: 1, rightBack: 3, belly: 3 };
    const [seen, mirror] = [summariseRing(grades), summariseRing(mirrored(grades))];
    expect(mirror.biasDegrees).toBeCloseTo((360 - seen.biasDegrees!) % 360, 8);
    expect(mirror.leftRightIndex).toBeCloseTo(-seen.leftRightIndex!, 10);
  });

  test('sentences name the side that gives less, and what barely moves', () => {
    expect(ringInWords({ ...unobserved(), leftSide: 1, rightSide: 2 })).toEqual([
      'Left side gives one step less than right.',
      'Only a trace at the left side.',
    ]);
    expect(ringInWords(all(2))).toEqual(['All parts move alike.']);
    expect(ringInWords({ ...all(2), leftBack: 0, rightBack: 0 })).toContain(
      'Nothing moves at the right back and left back.',
    );
    expect([0, 60, 100, 180, 300, 359].map(directionInWords)).toEqual([
      'front',
      'front-right',
      'right',
      'back',
      'front-left',
      'front',
    ]);
  });
});
