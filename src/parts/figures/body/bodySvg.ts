import { type FigureSpec } from '@/core/body';
import { boxOf, layersOf, pens } from './layers';
import { type PaintId, paints } from './paint';
import { pictureFor } from './picture';
import { type Opened } from './tint';

/** Where on a page a figure stands. */
export interface Standing {
  x: number;
  y: number;
  width: number;
  height: number;
}

/**
 * A figure as text, for a page that is drawn outside the app: a sheet, a file. Where a fill lies over the inner half of its line, it is
 * written as two paths, since not every reader knows how to turn their order round.
 *
 * @param standing where, in the page's own units
 */
export function bodySvg(
  spec: FigureSpec,
  { opened, paint = 'print', small = false }: { opened?: Opened; paint?: PaintId; small?: boolean } = {},
  standing?: Standing,
): string {
  const picture = pictureFor(spec, opened);
  const paths = layersOf(picture, paints[paint], small ? pens.small : pens.usual).map(
    ({ d, fill, stroke, strokeWidth, dash, round, fillOver }) => {
      if (d === '') return '';
      const line = stroke
        ? ` stroke="${stroke}" stroke-width="${Math.round(strokeWidth! * 100) / 100}"${dash ? ` stroke-dasharray="${dash}"` : ''}${round ? ' stroke-linecap="round"' : ''}`
        : '';
      return fillOver && stroke
        ? `<path d="${d}" fill="none"${line}/><path d="${d}" fill="${fill}"/>`
        : `<path d="${d}" fill="${fill}"${line}/>`;
    },
  );
  if (!standing) {
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${boxOf(picture)}" stroke-linejoin="round" aria-hidden="true">${paths.join('')}</svg>`;
  }
  const { frame } = picture;
  const scale = Math.min(standing.width / frame.width, standing.height / frame.height);
  const [width, height] = [frame.width * scale, frame.height * scale];
  const x = standing.x + (standing.width - width) / 2;
  const y = standing.y + (standing.height - height) / 2;
  // An inner drawing of just its size: what lies beyond its frame is cut off.
  return `<svg x="${x.toFixed(1)}" y="${y.toFixed(1)}" width="${width.toFixed(1)}" height="${height.toFixed(1)}" viewBox="${boxOf(picture)}" stroke-linejoin="round">${paths.join('')}</svg>`;
}
