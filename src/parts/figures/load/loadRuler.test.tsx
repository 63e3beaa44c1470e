import { renderToStaticMarkup as html } from 'react-dom/server';
import { loadAnswer } from '@/core/load';
import { LoadRuler } from './LoadRuler';

interface Box {
  words: string;
  from: number;
  to: number;
  y: number;
}

/** Where each word of the ruler stands, by how wide its letters are at most, and where the bar of today is. */
function drawn(kg: number, repetitions: number, unit: 'kg' | 'lb'): { words: Box[]; bar: number } {
  const answer = loadAnswer({ movementId: 'squat', hand: 'both', kg, repetitions, effort: null, bodyKg: 70 }, null);
  const svg = html(<LoadRuler answer={answer} kg={kg} unit={unit} />);
  const words = [...svg.matchAll(/<text ([^>]*)>([^<]*)<\/text>/g)].map(([, attributes, said]): Box => {
    const of = (name: string) => new RegExp(`\\b${name}="([^"]*)"`).exec(attributes!)?.[1] ?? '';
    const wide = said!.trim().length * (of('font-weight') ? 7.6 : 7.2);
    const at = Number(of('x'));
    const from = { start: at, middle: at - wide / 2, end: at - wide }[of('text-anchor') || 'start']!;
    return { words: said!.trim(), from, to: from + wide, y: Number(of('y')) };
  });
  const bar = Number(/d="M([\d.]+) [\d.]+V/.exec(svg)![1]);
  return { words, bar };
}

test.each(['kg', 'lb'] as const)(
  'in %s, whatever the load, no word lies over another, over today’s bar or beyond the picture',
  (unit) => {
    const wrong: unknown[] = [];
    for (const kg of [4, 12.5, 40, 90, 160, 320, 480])
      for (let repetitions = 1; repetitions <= 40; repetitions += 1) {
        const { words, bar } = drawn(kg, repetitions, unit);
        expect(words.map((one) => one.words)).toEqual(expect.arrayContaining(['60 %', 'one lift', 'today']));
        const tell = (...what: string[]) => wrong.push([kg, repetitions, ...what]);
        for (const [at, one] of words.entries()) {
          if (!(one.from >= 0 && one.to <= 700)) tell(one.words, 'beyond the picture');
          const above = !/^[\d.]+$/.test(one.words);
          if (above && one.from < bar && bar < one.to) tell(one.words, 'over the bar');
          for (const other of words.slice(at + 1)) {
            const over = Math.abs(one.y - other.y) < 12 && one.from < other.to && other.from < one.to;
            if (over) tell(one.words, 'over', other.words);
          }
        }
      }
    expect(wrong).toEqual([]);
  },
);
