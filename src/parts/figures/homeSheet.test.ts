import { cadence } from '@/core/cadence';
import { drills } from '@/core/catalogue';
import { type HomePlan, feelOf, homeWords, stopWords } from '@/core/home';
import { itemFrom } from '@/core/sequence';
import { type SheetFor, homeSheetPages, papers, stickerSheet } from './homeSheet';
import { met } from '../../../scripts/met';

const itemOf = (id: string) =>
  itemFrom(
    drills.find((one) => one.id === id)!,
    { id },
  );
const planOf = (ids: readonly string[]): HomePlan => ({
  from: '2026-11-26',
  days: 14,
  wakes: '06:30',
  sleeps: '22:30',
  sits: null,
  items: ids.map((id) => ({ id, item: itemOf(id), cue: 'Long side fills', ...feelOf(itemOf(id)) })),
  moreReason: '',
  goes: ids.flatMap((id, at) =>
    ['07:00', '22:00'].map((time, n) => ({
      id: `00000000-0000-4000-8000-${String(at * 2 + n).padStart(12, '0')}`,
      itemId: id,
      at: time,
      with: n === 0 ? 'on waking' : 'in bed',
    })),
  ),
  calledOff: [],
});
const to: SheetFor = {
  studio: 'Saltmarsh Movement Rooms',
  name: 'Tamsin',
  paper: 'A4',
  large: false,
  lowInk: false,
  weights: 'kg',
};
const wordsOf = (svg: string) =>
  [...svg.matchAll(/<text[^>]*>([^<]*)<\/text>/g)]
    .map(([, words]) => words!.replaceAll('&#39;', "'").replaceAll('&quot;', '"').replaceAll('&amp;', '&'))
    .join(' ');

test('every drill that can go home: all its words are on the sheet, on one page, and none beyond the paper', () => {
  const faults: string[] = [];
  for (const { id } of drills) {
    const pages = homeSheetPages(planOf([id]), to);
    const { name, where, steps, dose } = homeWords(itemOf(id), 'kg');
    const page = pages.map(wordsOf).find((words) => words.includes(name)) ?? '';
    for (const said of [name, where, ...steps.map(({ words }) => words), dose])
      if (!page.includes(said)) faults.push(`${id}: “${said}” is not on the page of its drill`);
    for (const svg of pages)
      for (const [, x, y] of svg.matchAll(/<text x="([\d.-]+)" y="([\d.-]+)"/g))
        if (Number(y) > papers.A4.height - 8 || Number(x) < 30 || Number(x) > papers.A4.width - 30)
          faults.push(`${id}: words at ${x}, ${y}`);
  }
  expect(faults).toEqual([]);
});

test.each([
  ['A4', false, false],
  ['A4', true, false],
  ['Letter', false, true],
  ['Letter', true, true],
] as const)(
  '%s, large %s, little ink %s: nothing is cut in two, and the last page has the boxes',
  (paper, large, lowInk) => {
    const plan = planOf(['side-bend-open', 'child-side-reach', 'straw-lying']);
    const pages = homeSheetPages(plan, { ...to, paper, large, lowInk });
    for (const page of pages) expect(page).toContain(`width="${papers[paper].width}"`);
    const all = pages.join('');
    // Fourteen days of six times, and twenty letters of a code.
    expect(all.match(/rx="2"/g)).toHaveLength(14 * 6);
    expect(all.match(/height="19"/g)).toHaveLength(20);
    expect(wordsOf(all)).toContain('Th Fr Sa Su'.split(' ')[0]);
    expect(pages.map(wordsOf).join(' ').replace(/\s+/g, ' ')).toContain(stopWords);
    if (met(large)) expect(pages.length).toBeGreaterThanOrEqual(3);
    if (met(lowInk)) expect(all).not.toMatch(/fill="#(?!fff|000)[0-9a-f]{3,6}"/);
  },
);

test('a breath is drawn true to time: an exhale twice as long takes twice as much of the line', () => {
  const plan = planOf(['two-hand-belly']);
  plan.items[0]!.item.cadences = [cadence(3, 6)];
  const [page] = homeSheetPages(plan, to);
  const [, from, top] = /<path d="M([\d.]+) [\d.]+L([\d.]+) [\d.]+V[\d.]+Z" fill="#000"/.exec(page!)!;
  const [, start, end] = /<path d="M([\d.]+) [\d.]+V[\d.]+L([\d.]+) [\d.]+Z" fill="#fff"/.exec(page!)!;
  const [inhale, exhale] = [Number(top) - Number(from), Number(end) - Number(start)];
  expect(exhale / inhale).toBeCloseTo(2, 1);
});

test('stickers: one a time of the day, with what it hangs on', () => {
  const words = wordsOf(stickerSheet(planOf(['quiet-nose']), to));
  expect(words).toMatch(/on waking.*in bed/);
});

test('a name that is no drawing stays words', () => {
  const [page] = homeSheetPages(planOf(['quiet-nose']), { ...to, name: '<svg onload="x">', studio: 'A & B' });
  expect(page).not.toContain('<svg onload');
  expect(wordsOf(page!)).toContain('A & B');
});
