import { counted } from '@/core/reasons';
import { durationInWords } from '@/core/dose';
import { escaped, wrapped } from '../paper';
import { type ScoreItem, secondsOf } from './ScoreBar';
import { breathPieces, floorLine, pointList, toneShapes } from './score.geometry';

/** The head of a printed score. No name: a sheet may lie about. */
export interface SheetHead {
  title: string;
  studio: string;
  minutes: number;
}

const page = { width: 842, height: 595, margin: 36 } as const;
const ink = {
  text: '#1e2530',
  soft: '#565d68',
  rule: '#cfc8b8',
  inhale: '#04707c',
  exhale: '#a8512b',
  exhaleWash: '#f3dccd',
} as const;
const mostInRow = 8;
const label = 62;

const text = (x: number, y: number, words: string, { size = 8, weight = 400, fill = ink.text as string } = {}) =>
  `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" font-family="Helvetica, Arial, sans-serif" font-size="${size}" font-weight="${weight}" fill="${fill}">${escaped(words)}</text>`;

/** Lines across a falling exhale, so that it is told apart on a grey printer too. */
function hatch(points: readonly (readonly [number, number])[]): string {
  const [[left, bottom], [, top], [right]] = points as [
    readonly [number, number],
    readonly [number, number],
    readonly [number, number],
  ];
  const lines: string[] = [];
  for (let x = left + 3; x < right; x += 3) {
    const y = top + ((bottom - top) * (x - left)) / (right - left);
    lines.push(`M${x.toFixed(1)} ${bottom.toFixed(1)}V${y.toFixed(1)}`);
  }
  return lines.join('');
}

/**
 * The score of a plan as a picture for paper: A4 on its side, eight drills a row, true to time within each row.
 *
 * @returns an SVG document
 */
export function scoreSheetSvg(items: readonly ScoreItem[], { title, studio, minutes }: SheetHead): string {
  const rows = Array.from({ length: Math.ceil(items.length / mostInRow) }, (_, row) =>
    items.slice(row * mostInRow, (row + 1) * mostInRow),
  );
  const total = items.reduce((sum, item) => sum + secondsOf(item), 0);
  const top = page.margin + 44;
  const room = page.height - top - page.margin - 14;
  const rowHeight = Math.min(232, room / Math.max(1, rows.length));
  const longest = Math.max(1, ...rows.map((row) => row.reduce((sum, item) => sum + secondsOf(item), 0)));
  const perSecond = (page.width - 2 * page.margin - label) / longest;
  const body = rows
    .map((row, r) => rowSvg(row, r * mostInRow, top + r * rowHeight, rowHeight - 12, perSecond))
    .join('');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${page.width} ${page.height}" width="${page.width}" height="${page.height}" role="img" aria-label="${escaped(title)}">`,
    `<rect width="${page.width}" height="${page.height}" fill="#ffffff"/>`,
    text(page.margin, page.margin + 12, title, { size: 16, weight: 700 }),
    text(
      page.margin,
      page.margin + 28,
      `${studio}. ${counted(items.length, 'drill')}, ${durationInWords(total)} of ${minutes} minutes, and a recheck.`,
      {
        size: 9,
        fill: ink.soft,
      },
    ),
    body,
    text(
      page.margin,
      page.height - page.margin + 10,
      'A coaching aid: it diagnoses nothing. Local rules and licensed care come first. Stop at dizziness, tingling, headache, tight chest, pain, leaking, or feeling faint.',
      { size: 7.5, fill: ink.soft },
    ),
    '</svg>',
  ].join('');
}

function rowSvg(row: readonly ScoreItem[], first: number, top: number, height: number, perSecond: number): string {
  const parts: string[] = [];
  const at = {
    name: top,
    breath: top + 26,
    floor: top + 26 + height * 0.26,
    tone: top + 26 + height * 0.37,
    words: top + 26 + height * 0.47,
  };
  const size = { breath: height * 0.22, floor: height * 0.09, tone: height * 0.07 };
  const named: [string, number][] = [
    ['breath', at.breath + size.breath / 2],
    ['pelvic floor', at.floor + size.floor / 2 + 3],
    ['abdominals', at.tone + size.tone / 2 + 3],
    ['how', at.words + 9],
  ];
  for (const [words, y] of named) parts.push(text(page.margin, y, words, { size: 7.5, fill: ink.soft }));
  let x = page.margin + label;
  row.forEach((item, i) => {
    const width = secondsOf(item) * perSecond;
    parts.push(
      `<rect x="${x.toFixed(1)}" y="${(top - 2).toFixed(1)}" width="${width.toFixed(1)}" height="${height.toFixed(1)}" fill="none" stroke="${ink.rule}" stroke-width="0.7"/>`,
    );
    wrapped(`${first + i + 1}. ${item.name}`, width - 6, 8.5, 2).forEach((line, n) =>
      parts.push(text(x + 3, at.name + 9 + n * 10, line, { size: 8.5, weight: 700 })),
    );
    const placed = (points: readonly (readonly [number, number])[], dy: number) =>
      points.map(([px, py]) => [px + x, py + dy] as const);
    for (const piece of breathPieces(item.segments, perSecond, size.breath)) {
      const points = placed(piece.points, at.breath);
      if (piece.kind === 'inhale') parts.push(`<polygon points="${pointList(points)}" fill="${ink.inhale}"/>`);
      else if (piece.kind === 'exhale') {
        parts.push(`<polygon points="${pointList(points)}" fill="${ink.exhaleWash}"/>`);
        parts.push(`<path d="${hatch(points)}" stroke="${ink.exhale}" stroke-width="0.8" fill="none"/>`);
      } else if (piece.kind === 'pause') {
        parts.push(
          `<polyline points="${pointList(points)}" stroke="${ink.text}" stroke-width="1.2" stroke-dasharray="1 2" fill="none"/>`,
        );
      } else parts.push(`<polygon points="${pointList(points)}" fill="${ink.rule}"/>`);
    }
    const floor = placed(floorLine(item.segments, item.floor, perSecond, size.floor), at.floor);
    parts.push(`<polyline points="${pointList(floor)}" stroke="${ink.text}" stroke-width="0.8" fill="none"/>`);
    for (const shape of toneShapes(item.segments, item.tone, perSecond, size.tone)) {
      parts.push(`<polygon points="${pointList(placed(shape, at.tone))}" fill="${ink.soft}"/>`);
    }
    const words = [item.position, item.cadence, item.dose, item.props, item.cue ? `“${item.cue}”` : ''].filter(Boolean);
    let y = at.words + 9;
    for (const entry of words) {
      for (const line of wrapped(entry, width - 6, 7.5, 2)) {
        parts.push(text(x + 3, y, line, { size: 7.5 }));
        y += 9;
      }
    }
    x += width;
  });
  return parts.join('');
}
