import { type LookRecord, blankRaw, restingBreathOf } from '../look';
import { markedIn, readVisit } from './readVisit';

const look = (protocol: 'twoHands' | 'exhale' | 'quietLook', raw: object): LookRecord => ({
  id: `look-${protocol}`,
  visitId: 'visit',
  protocol,
  version: 1,
  moment: 'before',
  takenAt: '2026-11-23T10:00:00.000Z',
  raw: { ...blankRaw(protocol), ...raw } as never,
});
const chest = look('twoHands', { leads: 'chest', movesMore: 'chest' });
const visit = { looks: [chest], judgements: [] };

describe('a recheck begins with what was found, as the coach left it', () => {
  test('a look in which something clear was found is taken again', () => {
    expect(markedIn(visit, {})).toEqual(['twoHands']);
  });

  test.each([
    ['rejected', { finding: 'chestLeads', verdict: 'rejected' }],
    ['called slight', { finding: 'chestLeads', verdict: 'changed', severity: 1 }],
  ] as const)('but not where the coach %s it', (_, judgement) => {
    expect(markedIn({ ...visit, judgements: [judgement] }, {})).toEqual([]);
  });

  test('a rejected finding is shown still and counts for no pattern', () => {
    const { all, read } = readVisit({ ...visit, judgements: [{ finding: 'chestLeads', verdict: 'rejected' }] }, {});
    expect(all.some(({ id }) => id === 'chestLeads')).toBe(true);
    expect(read.some(({ id }) => id === 'chestLeads')).toBe(false);
  });
});

describe('the breath a cadence is held against', () => {
  // The median of an even number of readings is the mean of the middle two (the usual definition).
  test.each([
    [[6], 6],
    [[4, 7], 5.5],
    [[9, 4, 6], 6],
    [[], null],
  ])('easy exhales of %j s are %p s', (seconds, middle) => {
    expect(restingBreathOf([look('exhale', { seconds })]).exhaleSeconds).toBe(middle);
  });

  test('fifteen breaths a minute counted by taps four seconds apart', () => {
    const taps = Array.from({ length: 16 }, (_, i) => i * 4);
    expect(restingBreathOf([look('quietLook', { taps })]).ratePerMinute).toBe(15);
  });
});
