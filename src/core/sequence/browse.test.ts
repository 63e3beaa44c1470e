import { drills } from '../catalogue';
import { type Wishes, browse, gatesOfOne, noWishes, schoolFit } from './browse';
import { fitOf } from './fit';

const today = '2026-11-24';
const found = (wishes: Partial<Wishes>) => browse(drills, new Set(), { ...noWishes, ...wishes }, today);

describe('browsing', () => {
  test('nothing asked shows everything; each wish only narrows', () => {
    expect(found({})).toHaveLength(drills.length);
    const wishes: Partial<Wishes>[] = [
      { family: 'floor' },
      { region: 'leftBack' },
      { position: 'prone' },
      { prop: 'band' },
      { prop: 'none' },
      { school: 'quietChest' },
      { caution: 'pregnancy' },
      { words: 'lantern' },
    ];
    for (const wish of wishes) {
      const hits = found(wish);
      expect(hits.length).toBeGreaterThan(0);
      expect(hits.length).toBeLessThan(drills.length);
    }
    expect(found({ words: 'lantern nowhere' })).toEqual([]);
    expect(found({ words: 'no such thing at all' })).toEqual([]);
  });

  test('words are looked for in names, cues, positions and parts', () => {
    expect(found({ words: 'heels wall' }).map(({ drill }) => drill.id)).toContain('exhale-restore');
    expect(found({ words: 'Melt' }).map(({ drill }) => drill.id)).toContain('exhale-restore');
  });

  test('under a caution nothing is shown that it blocks, and what changes comes after what stays', () => {
    for (const caution of ['pregnancy', 'heart', 'knee', 'osteoporosis'] as const) {
      const gates = gatesOfOne(caution, today);
      const levels = found({ caution }).map(({ drill, suit }) => {
        const side = drill.sides === 'none' ? ('none' as const) : ('left' as const);
        expect(fitOf(drill, { position: suit!.position, props: [], side }, gates)).not.toHaveProperty('refused');
        return suit!.level;
      });
      expect(levels.lastIndexOf('as it is')).toBeLessThan(
        levels.includes('changed') ? levels.indexOf('changed') : Infinity,
      );
    }
  });

  test('a school hides what teaches against it every day and puts first what stands as it does', () => {
    const hits = found({ school: 'oppositionAndStack' });
    expect(hits.map(({ drill }) => drill.id)).not.toContain('two-hand-belly');
    const fits = hits.map(({ drill }) => schoolFit(drill, 'oppositionAndStack'));
    expect([...fits].sort((a, b) => b - a)).toEqual(fits);
    expect(fits[0]).toBeGreaterThan(0);
  });
});
