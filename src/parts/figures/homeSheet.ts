import { type Cadence, cycleSeconds, phaseLength, phases } from '@/core/cadence';
import { clientFigure } from '@/core/coach';
import { type WeightUnit } from '@/core/load';
import { type HomeItem, type HomePlan, codeLetters, homeNotice, homeWords, inOrderOfDay, stopWords } from '@/core/home';
import { lowered } from '@/core/reasons';
import { addDays, dayInWords, weekdayShort } from '@/core/record';
import { bodySvg } from './body/bodySvg';
import { escaped, wrapped } from './paper';

/** Papers, in points. */
export const papers = { A4: { width: 595, height: 842 }, Letter: { width: 612, height: 792 } } as const;
export type PaperId = keyof typeof papers;

export interface SheetFor {
  studio: string;
  /** Whose it is, as they are called; nothing of what is known of them besides. */
  name: string;
  paper: PaperId;
  /** Type for weak eyes: one thing a page. */
  large: boolean;
  lowInk: boolean;
  /** The unit weights are said in. */
  weights: WeightUnit;
  /** Week of a pregnancy, for the figure. */
  week?: number;
}

const margin = 36;
const gap = 18;

interface Pen {
  size: number;
  line: number;
  figureHeight: number;
}
const pens: Readonly<Record<'usual' | 'large', Pen>> = {
  usual: { size: 11, line: 14, figureHeight: 128 },
  large: { size: 16, line: 21, figureHeight: 210 },
};
/** How much higher figures are drawn where that costs no page, the highest first. */
const higher = [120, 90, 60, 30, 0];

/** A piece of a page: how high it is, and what is drawn from its upper edge. */
interface Block {
  height: number;
  draw: (top: number) => string;
}

const text = (
  x: number,
  y: number,
  words: string,
  {
    size = 11,
    bold = false,
    anchor = 'start',
  }: { size?: number; bold?: boolean; anchor?: 'start' | 'middle' | 'end' } = {},
) =>
  `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" font-family="'Atkinson Hyperlegible Next Variable', Helvetica, Arial, sans-serif" font-size="${size}" font-weight="${bold ? 700 : 400}" text-anchor="${anchor}" fill="#000">${escaped(words)}</text>`;
const rule = (y: number, width: number, thick = 0.8) =>
  `<path d="M${margin} ${y.toFixed(1)}H${(width - margin).toFixed(1)}" stroke="#000" stroke-width="${thick}" fill="none"/>`;

/** Lines of words from a place on, and where the next may begin. */
function lines(x: number, y: number, words: string, width: number, size: number, high: number, bold = false) {
  const rows = wrapped(words, width, size * (bold ? 1.06 : 1), 30);
  return {
    svg: rows.map((row, at) => text(x, y + at * high, row, { size, bold })).join(''),
    next: y + rows.length * high,
    rows: rows.length,
  };
}

/** Breaths true to time: in rises solid, out falls hatched, a pause is flat and dotted; every second has its number. */
function breathLine(
  cadences: readonly Cadence[],
  x: number,
  top: number,
  width: number,
  high: number,
  size: number,
): string {
  const shown = cadences.length > 1 ? cadences.slice(0, 3) : [cadences[0]!, cadences[0]!];
  const scale = width / shown.reduce((sum, one) => sum + cycleSeconds(one), 0);
  const bottom = top + high;
  const parts: string[] = [];
  let at = x;
  for (const breath of shown) {
    for (const phase of phases) {
      const seconds = phaseLength(breath, phase);
      if (seconds === 0) continue;
      const to = at + seconds * scale;
      const level = phase === 'topPause' ? top : bottom;
      if (phase === 'inhale')
        parts.push(`<path d="M${at.toFixed(1)} ${bottom}L${to.toFixed(1)} ${top}V${bottom}Z" fill="#000"/>`);
      else if (phase === 'exhale') {
        let hatch = '';
        for (let line = at + 3; line < to - 1; line += 4)
          hatch += `M${line.toFixed(1)} ${bottom}V${(top + (high * (line - at)) / (to - at)).toFixed(1)}`;
        parts.push(
          `<path d="M${at.toFixed(1)} ${bottom}V${top}L${to.toFixed(1)} ${bottom}Z" fill="#fff" stroke="#000" stroke-width="0.9"/><path d="${hatch}" stroke="#000" stroke-width="0.7" fill="none"/>`,
        );
      } else
        parts.push(
          `<path d="M${at.toFixed(1)} ${level}H${to.toFixed(1)}" stroke="#000" stroke-width="1.4" stroke-dasharray="1.5 2.5" fill="none"/>`,
        );
      for (let second = 1; second <= Math.floor(seconds + 1e-6); second += 1)
        parts.push(
          text(at + (second - 0.5) * scale, bottom + size + 3, String(second), {
            size,
            bold: phase === 'inhale',
            anchor: 'middle',
          }),
        );
      at = to;
    }
  }
  parts.push(`<path d="M${x} ${bottom}H${(x + width).toFixed(1)}" stroke="#000" stroke-width="0.9" fill="none"/>`);
  return parts.join('');
}

function itemBlock(
  { item, cue, feels, notMeant }: HomeItem,
  at: number,
  plan: HomePlan,
  to: SheetFor,
  pen: Pen,
): Block {
  const { width } = papers[to.paper];
  const words = homeWords(item, to.weights);
  const when = inOrderOfDay(plan)
    .filter(({ itemId }) => itemId === plan.items[at]!.id)
    .map((go) => (go.with ? `${go.with} (${go.at})` : go.at));
  const left = (width - 2 * margin - gap) * 0.5;
  const rightAt = margin + left + gap;
  const right = width - margin - rightAt;
  const { size, line, figureHeight } = pen;
  const breathTop = size * 2.4 + figureHeight + 10;
  const breathHigh = to.large ? 54 : 34;
  const drawRight = (top: number) => {
    let y = top + size * 2.4 + size;
    let svg = '';
    const add = (said: string, bold = false, big = size, high = line) => {
      const put = lines(rightAt, y, said, right, big, high, bold);
      svg += put.svg;
      y = put.next;
    };
    add(words.where);
    for (const { lead, words: step } of words.steps) add(`${lead}${step}`);
    y += line * 0.35;
    svg += `<path d="M${rightAt} ${(y - line * 0.75).toFixed(1)}h${right.toFixed(1)}" stroke="#000" stroke-width="0.6" fill="none"/>`;
    y += line * 0.35;
    add(words.dose, true, size * 1.25, line * 1.25);
    if (words.breath) add(words.breath);
    if (when.length > 0) add(when.length > 4 ? `${when.length} times a day` : when.join(', '));
    if (cue) add(`Think: ${cue}.`);
    if (feels) add(`It should feel like this: ${lowered(feels)}`);
    if (notMeant) add(`Not meant: ${lowered(notMeant)}`);
    return { svg, bottom: y };
  };
  const high = Math.max(drawRight(0).bottom, breathTop + breathHigh + size * 2.6) + 4;
  return {
    height: high,
    draw: (top) => {
      const { spec, opened } = clientFigure(item, item.side, to.week);
      const figure = bodySvg(
        spec,
        { opened, paint: to.lowInk ? 'lowInk' : 'print' },
        { x: margin, y: top + size * 2.2, width: left, height: figureHeight },
      );
      return [
        text(margin, top + size * 1.6, `${at + 1}  ${words.name}`, { size: size * 1.4, bold: true }),
        figure,
        breathLine(item.cadences, margin, top + breathTop, left, breathHigh, size - 1),
        drawRight(top).svg,
        rule(top + high - 2, width, 1.4),
      ].join('');
    },
  };
}

function stopBlock(to: SheetFor, pen: Pen): Block {
  const { width } = papers[to.paper];
  const inner = width - 2 * margin - 52;
  const rows = wrapped(stopWords, inner, pen.size, 8);
  const high = rows.length * pen.line + 20;
  return {
    height: high + 8,
    draw: (top) =>
      [
        `<rect x="${margin}" y="${(top + 4).toFixed(1)}" width="${width - 2 * margin}" height="${high - 4}" rx="4" fill="none" stroke="#000" stroke-width="1.6"/>`,
        // An eight-cornered stop sign with a cross: told by its shape.
        `<path transform="translate(${margin + 12} ${(top + high / 2 - 8).toFixed(1)})" d="M5.3 0h7.4l5.3 5.3v7.4l-5.3 5.3h-7.4l-5.3-5.3v-7.4Z" fill="#000"/>`,
        `<path transform="translate(${margin + 12} ${(top + high / 2 - 8).toFixed(1)})" d="M5.5 5.5l7 7M12.5 5.5l-7 7" stroke="#fff" stroke-width="2" fill="none"/>`,
        ...rows.map((row, at) => text(margin + 42, top + 4 + pen.size + 6 + at * pen.line, row, { size: pen.size })),
      ].join(''),
  };
}

/** Boxes to tick, a column a day; below them boxes for the code of the phone page. */
function tickBlock(plan: HomePlan, to: SheetFor, pen: Pen): Block {
  const { width } = papers[to.paper];
  const goes = inOrderOfDay(plan);
  const rows =
    goes.length <= 8
      ? goes.map((go) => ({ item: plan.items.findIndex(({ id }) => id === go.itemId) + 1, words: go.with || go.at }))
      : plan.items.map(({ id }, at) => ({
          item: at + 1,
          words: `${goes.filter(({ itemId }) => itemId === id).length} times a day`,
        }));
  const label = to.large ? 150 : 130;
  const step = (width - 2 * margin - label) / plan.days;
  const box = Math.min(step - 3, 20);
  const rowHigh = Math.max(box + 3, pen.line);
  const head = pen.size * 2.6;
  const size = Math.min(pen.size, 12);
  return {
    height: head + rows.length * rowHigh + size * 2 + 44,
    draw: (top) => {
      const parts: string[] = [];
      for (let day = 0; day < plan.days; day += 1) {
        const date = addDays(plan.from, day);
        const x = margin + label + (day + 0.5) * step;
        parts.push(
          text(x, top + size, weekdayShort(date).slice(0, 2), {
            size: size - 1,
            anchor: 'middle',
          }),
        );
        parts.push(text(x, top + size * 2.1, String(Number(date.slice(8))), { size, bold: true, anchor: 'middle' }));
      }
      rows.forEach(({ item, words }, at) => {
        const y = top + head + at * rowHigh;
        parts.push(
          text(margin, y + box * 0.7, wrapped(`${item} ${words}`, label - 6, size, 1)[0] ?? '', { size, bold: true }),
        );
        for (let day = 0; day < plan.days; day += 1) {
          const x = margin + label + (day + 0.5) * step - box / 2;
          parts.push(
            `<rect x="${x.toFixed(1)}" y="${y.toFixed(1)}" width="${box.toFixed(1)}" height="${box.toFixed(1)}" rx="2" fill="none" stroke="#000" stroke-width="0.8"/>`,
          );
        }
      });
      const codeTop = top + head + rows.length * rowHigh + 8;
      parts.push(text(margin, codeTop + size, 'Code from your phone', { size, bold: true }));
      const cell = Math.min(17, (width - 2 * margin - label - 4 * 7) / codeLetters);
      for (let letter = 0; letter < codeLetters; letter += 1) {
        const x = margin + label + letter * cell + Math.floor(letter / 4) * 7;
        parts.push(
          `<rect x="${x.toFixed(1)}" y="${codeTop.toFixed(1)}" width="${(cell - 2).toFixed(1)}" height="19" fill="none" stroke="#000" stroke-width="0.8"/>`,
        );
      }
      parts.push(text(margin, codeTop + 22 + size, 'Bring this sheet, or the code, when you come again.', { size }));
      return parts.join('');
    },
  };
}

const counts = [
  'Nothing',
  'One short thing',
  'Two short things',
  'Three short things',
  'Four things',
  'Five things',
  'Six things',
];

const headHigh = 76;
const footHigh = 34;

/** The pieces of a sheet, page by page; none is cut in two. */
function laidOut(plan: HomePlan, to: SheetFor, pen: Pen): Block[][] {
  const { height } = papers[to.paper];
  const blocks = [
    ...plan.items.map((item, at) => itemBlock(item, at, plan, to, pen)),
    stopBlock(to, pen),
    tickBlock(plan, to, pen),
  ];
  const pages: Block[][] = [[]];
  let left = height - margin - headHigh - footHigh;
  for (const block of blocks) {
    if (block.height > left && pages.at(-1)!.length > 0) {
      pages.push([]);
      left = height - margin - headHigh - footHigh;
    }
    pages.at(-1)!.push(block);
    left -= block.height;
  }
  return pages;
}

/**
 * The sheet that goes home, page by page, each a drawing of its own: what is done, shown and in words, the breath true to time, the
 * dose, how it should feel, when to stop, boxes to tick and for the code. An item is never cut in two.
 */
export function homeSheetPages(plan: HomePlan, to: SheetFor): string[] {
  const { width, height } = papers[to.paper];
  const least = to.large ? pens.large : pens.usual;
  const tries = higher.map((more) => laidOut(plan, to, { ...least, figureHeight: least.figureHeight + more }));
  const fewest = Math.min(...tries.map((pages) => pages.length));
  const pages = tries.find((one) => one.length === fewest)!;
  const last = addDays(plan.from, plan.days - 1);
  const dates = `for ${to.name}, ${dayInWords(plan.from, last)} to ${dayInWords(last, last)} ${last.slice(0, 4)}`;
  return pages.map((page, number) => {
    let top = margin - 8;
    const parts = [
      text(margin, top + 11, to.studio, { size: 10.5, bold: true }),
      text(width - margin, top + 11, dates, { size: 10.5, anchor: 'end' }),
      text(
        margin,
        top + 44,
        number === 0 ? `${counts[plan.items.length] ?? 'Things'} to do at home` : 'Still to do at home',
        {
          size: 22,
          bold: true,
        },
      ),
      rule(top + 56, width, 1.6),
    ];
    top += headHigh - 16;
    for (const block of page) {
      parts.push(block.draw(top));
      top += block.height;
    }
    const foot = height - margin + 6;
    parts.push(rule(foot - 16, width, 0.5));
    parts.push(text(margin, foot, wrapped(homeNotice, width - 2 * margin - 90, 10, 1)[0]!, { size: 10 }));
    parts.push(text(width - margin, foot, `page ${number + 1} of ${pages.length}`, { size: 10, anchor: 'end' }));
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><rect width="${width}" height="${height}" fill="#fff"/>${parts.join('')}</svg>`;
  });
}

/** Stickers to put where something is passed anyway: the word and the breaths, twelve a page. */
export function stickerSheet(plan: HomePlan, to: Pick<SheetFor, 'paper' | 'studio' | 'weights'>): string {
  const { width, height } = papers[to.paper];
  const [across, down] = [3, 4];
  const [w, h] = [(width - 2 * margin) / across, (height - 2 * margin - 30) / down];
  const byId = new Map(plan.items.map((one) => [one.id, one]));
  const goes = inOrderOfDay(plan).filter(({ itemId }) => byId.has(itemId));
  const parts: string[] = [
    text(margin, margin, `${to.studio}: cut out, and stick where you pass`, { size: 11, bold: true }),
  ];
  for (let at = 0; at < across * down; at += 1) {
    const go = goes[at % Math.max(1, goes.length)];
    const home = go && byId.get(go.itemId);
    if (!home) break;
    const words = homeWords(home.item, to.weights);
    const [x, y] = [margin + (at % across) * w, margin + 16 + Math.floor(at / across) * h];
    const { spec, opened } = clientFigure(home.item, home.item.side);
    parts.push(
      `<rect x="${x + 5}" y="${(y + 5).toFixed(1)}" width="${w - 10}" height="${(h - 10).toFixed(1)}" rx="10" fill="#fff" stroke="#000" stroke-width="0.8" stroke-dasharray="4 3"/>`,
      bodySvg(spec, { opened, paint: 'lowInk', small: true }, { x: x + 14, y: y + 34, width: w - 28, height: h - 104 }),
      text(x + w / 2, y + 26, wrapped(go.with || 'now', w - 24, 13, 1)[0]!, { size: 13, bold: true, anchor: 'middle' }),
      ...wrapped(words.name, w - 24, 11, 2).map((row, line, all) =>
        text(x + w / 2, y + h - 38 - (all.length - 1 - line) * 13, row, { size: 11, anchor: 'middle' }),
      ),
      text(x + w / 2, y + h - 20, words.dose, { size: 12, bold: true, anchor: 'middle' }),
    );
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><rect width="${width}" height="${height}" fill="#fff"/>${parts.join('')}</svg>`;
}
