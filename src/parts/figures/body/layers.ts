import { dotsIn } from './outline';
import { type Paint } from './paint';
import { type Picture } from './picture';
import { type Shape, type Tone } from './shapes';

/** One path of a picture, as it is laid over those before it. */
export interface Layer {
  d: string;
  fill: string;
  stroke?: string;
  strokeWidth?: number;
  dash?: string;
  /** Round ends; straight ones where nothing is said. */
  round?: boolean;
  /** The fill lies over the inner half of the line, so that pieces of one path show no seams. */
  fillOver?: boolean;
}

/** Widths of lines in centimetres of the drawn world. */
export const pens = {
  usual: { halo: 0.9, ink: 0.45, arrow: 1.7 },
  small: { halo: 1.3, ink: 0.7, arrow: 2.6 },
} as const;
type Pen = (typeof pens)[keyof typeof pens];

/** How many paths of the picture a shape is, from the first to the last; what lies under the body comes before all others. */
export const pathsOf = ({ edge, wide }: Shape): number => (edge === 'both' || (wide && edge === 'halo') ? 2 : 1);

export const isGround = (tone: Tone) => tone === 'floor' || tone === 'wall' || tone === 'shadow';

/** A picture as paths, from the furthest to the nearest: the ground, the other pose, the body and what it uses, the arrow. */
export function layersOf({ shapes, ghost, arrow }: Picture, paint: Paint, pen: Pen): Layer[] {
  const layers: Layer[] = [];
  for (const { d, tone } of shapes.filter((shape) => isGround(shape.tone))) {
    // On paper the sheet itself is the floor.
    if (paint.lines && tone === 'floor') continue;
    const edged = paint.lines && tone !== 'shadow';
    layers.push({ d, fill: paint.fills[tone], ...(edged ? { stroke: '#8c8c8c', strokeWidth: pen.ink } : {}) });
  }
  if (ghost) {
    const [fill, stroke] = paint.lines ? [paint.paper, paint.ink] : ['var(--leaf)', 'var(--line)'];
    layers.push({ d: ghost, fill, stroke, strokeWidth: pen.ink * 3, dash: '2 1.5', fillOver: true });
  }
  for (const shape of shapes) {
    if (!isGround(shape.tone)) layers.push(...shapeLayers(paint.lines ? inLines(shape) : shape, paint, pen));
  }
  if (arrow) {
    const ink = paint.lines ? paint.ink : 'var(--ink)';
    layers.push(
      { d: arrow.line, fill: 'none', stroke: paint.paper, strokeWidth: pen.arrow + pen.halo * 2 },
      { d: arrow.tip, fill: paint.paper, stroke: paint.paper, strokeWidth: pen.halo * 2 },
      { d: arrow.line, fill: 'none', stroke: ink, strokeWidth: pen.arrow },
      { d: arrow.tip, fill: ink },
    );
  }
  return layers;
}

/** A shape where nothing is told by colour. */
const inLines = (shape: Shape): Shape =>
  shape.tone === 'core'
    ? { ...shape, d: dotsIn(shape.d) }
    : shape.edge === 'halo' && !shape.wide
      ? { ...shape, edge: 'both' }
      : shape;

function shapeLayers({ d, tone, edge, wide }: Shape, { fills, paper, ink }: Paint, pen: Pen): Layer[] {
  const fill = fills[tone];
  if (wide) {
    const line: Layer = { d, fill: 'none', stroke: fill, strokeWidth: wide, round: edge !== 'halo' };
    return edge === 'halo' ? [{ d, fill: 'none', stroke: paper, strokeWidth: wide + pen.halo * 2 }, line] : [line];
  }
  if (edge === 'both')
    return [
      { d, fill: 'none', stroke: paper, strokeWidth: (pen.halo + pen.ink) * 2 },
      { d, fill, stroke: ink, strokeWidth: pen.ink * 2, fillOver: true },
    ];
  if (edge === 'halo') return [{ d, fill, stroke: paper, strokeWidth: pen.halo * 2, fillOver: true }];
  return [edge === 'ink' ? { d, fill, stroke: ink, strokeWidth: pen.ink, fillOver: true } : { d, fill }];
}

/** What part of the paper is shown, as a view box. */
export const boxOf = ({ frame }: Pick<Picture, 'frame'>, room = 0): string =>
  [frame.x, frame.y, frame.width + room, frame.height].map((value) => Math.round(value * 10) / 10).join(' ');
