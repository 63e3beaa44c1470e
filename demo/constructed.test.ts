import { type PatternScore, likelyPatterns, patternIds, readFindings, scorePatterns } from '@/core/read';
import { mirrored } from '@/core/trunk';
import { type Seen, constructed, recordsOf } from './constructed';
import { met } from '../scripts/met';

function read(seen: Seen) {
  const findings = readFindings(recordsOf(seen));
  return likelyPatterns(scorePatterns(findings), findings);
}
const ids = (shown: readonly PatternScore[]) => shown.map(({ pattern }) => pattern.id);

describe('constructed people reach the reading a practitioner would give (trade’s typical evidence, no published source)', () => {
  test.each(constructed.filter(({ tie }) => !tie))('$who: $id', ({ seen, expected }) => {
    expect(ids(read(seen).shown)[0]).toBe(expected[0]);
  });

  test.each(constructed.filter(({ tie }) => tie))('$who: two close ones, both shown', ({ seen, expected }) => {
    const { shown, tie, settledBy } = read(seen);
    expect(ids(shown).slice(0, 2).sort()).toEqual([...expected].sort());
    expect(tie).toBe(true);
    // How far the lower ribs open is what would tell them apart.
    expect(settledBy.map(({ protocol }) => protocol)).toContain('fingerGap');
  });

  test('an even breath gets no diagnosis of trouble', () => {
    const { shown, tie } = read(constructed.find(({ id }) => id === 'even')!.seen);
    expect(ids(shown)).toEqual(['even']);
    expect(tie).toBe(false);
  });

  test('there is a person for every pattern', () => {
    expect(new Set(constructed.flatMap(({ expected }) => expected))).toEqual(new Set(patternIds));
  });

  test('mirrored people are read alike, with the other side', () => {
    for (const { id, seen } of constructed) {
      const map = seen.regionMap;
      if (!map?.deep) continue;
      const bend = seen.sideBend;
      const turned: Seen = {
        ...seen,
        regionMap: { ...map, deep: mirrored(map.deep as never), quiet: mirrored(map.quiet as never) },
        ...(bend ? { sideBend: { left: bend.right!, right: bend.left! } } : {}),
      };
      const [one, other] = [read(seen), read(turned)];
      expect([id, ids(other.shown)]).toEqual([id, ids(one.shown)]);
      expect(other.shown.map(({ balance }) => balance)).toEqual(one.shown.map(({ balance }) => balance));
      const side = one.shown[0]?.side;
      if (met(side)) expect(other.shown[0]!.side).toBe(side === 'left' ? 'right' : 'left');
    }
  });
});
