import { type ReactNode } from 'react';
import { type FigureSpec } from '@/core/body';
import { type Paint, type PaintId, paints } from './paint';
import { type Shape, type Tone } from './shapes';
import { dotsIn } from './outline';
import { type Picture, pictureFor } from './picture';
import { type Opened } from './tint';

interface BodyFigureProps {
  spec: FigureSpec;
  /** What the breath should open: tinted as far as it is seen. */
  opened?: Opened;
  /** What the picture shows, in words; none where it stands beside the words already. */
  title?: string;
  /** Drawn a few centimetres wide: its lines are heavier for their size. */
  small?: boolean;
  /** What it is painted with: the screen's colours, or ink on paper. */
  paint?: PaintId;
  className?: string;
  /** What is written on it, in its own centimetres, and how much room it needs beside the figure. */
  children?: ReactNode;
  room?: number;
}

/** A person in a position, hands and props where a drill has them, what opens tinted; a movement as a pale second pose with an arrow. */
export function BodyFigure({
  spec,
  opened,
  title,
  small = false,
  paint = 'screen',
  className,
  children,
  room = 0,
}: BodyFigureProps) {
  return (
    <Drawn
      picture={pictureFor(spec, opened)}
      title={title}
      small={small}
      paint={paints[paint]}
      className={className}
      room={room}
    >
      {children}
    </Drawn>
  );
}

/** Widths of lines in centimetres of the drawn world. */
const pens = {
  usual: { halo: 0.9, ink: 0.45, arrow: 1.7 },
  small: { halo: 1.3, ink: 0.7, arrow: 2.6 },
} as const;

function Drawn({
  picture,
  title,
  small,
  paint,
  className,
  children,
  room,
}: { picture: Picture; small: boolean; paint: Paint; room: number } & Pick<
  BodyFigureProps,
  'title' | 'className' | 'children'
>) {
  const { frame, shapes, ghost, arrow } = picture;
  const pen = small ? pens.small : pens.usual;
  const ground = shapes.filter(({ tone }) => isGround(tone));
  const rest = shapes.filter(({ tone }) => !isGround(tone));
  return (
    <svg
      viewBox={[frame.x, frame.y, frame.width + room, frame.height]
        .map((value) => Math.round(value * 10) / 10)
        .join(' ')}
      className={className}
      role={title ? 'img' : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
      strokeLinejoin="round"
    >
      {ground.map(({ d, tone }, at) => (
        <path
          key={`ground${at}`}
          d={d}
          fill={paint.fills[tone]}
          {...(paint.lines && tone !== 'shadow' ? { stroke: '#8c8c8c', strokeWidth: pen.ink } : {})}
        />
      ))}
      {ghost && (
        <path
          d={ghost}
          fill={paint.lines ? paint.paper : 'var(--leaf)'}
          stroke={paint.lines ? paint.ink : 'var(--line)'}
          strokeWidth={pen.ink * 3}
          strokeDasharray="2 1.5"
          paintOrder="stroke"
        />
      )}
      {rest.map((shape, at) => (
        <ShapeOf key={at} shape={paint.lines ? inLines(shape) : shape} pen={pen} paint={paint} />
      ))}
      {arrow && (
        <>
          <path d={arrow.line} fill="none" stroke={paint.paper} strokeWidth={pen.arrow + pen.halo * 2} />
          <path d={arrow.tip} fill={paint.paper} stroke={paint.paper} strokeWidth={pen.halo * 2} />
          <path d={arrow.line} fill="none" stroke={paint.lines ? paint.ink : 'var(--ink)'} strokeWidth={pen.arrow} />
          <path d={arrow.tip} fill={paint.lines ? paint.ink : 'var(--ink)'} />
        </>
      )}
      {children}
    </svg>
  );
}

/** How many paths of the picture a shape is, from the first to the last; what lies under the body comes before all others. */
export const pathsOf = ({ edge, wide }: Shape): number => (edge === 'both' || (wide && edge === 'halo') ? 2 : 1);

export const isGround = (tone: Tone) => tone === 'floor' || tone === 'wall' || tone === 'shadow';

/** A shape where nothing is told by colour. */
const inLines = (shape: Shape): Shape =>
  shape.tone === 'core'
    ? { ...shape, d: dotsIn(shape.d) }
    : shape.edge === 'halo' && !shape.wide
      ? { ...shape, edge: 'both' }
      : shape;

function ShapeOf({
  shape: { d, tone, edge, wide },
  pen,
  paint: { fills, paper, ink },
}: {
  shape: Shape;
  pen: (typeof pens)[keyof typeof pens];
  paint: Paint;
}) {
  if (wide) {
    return (
      <>
        {edge === 'halo' && <path d={d} fill="none" stroke={paper} strokeWidth={wide + pen.halo * 2} />}
        <path
          d={d}
          fill="none"
          stroke={fills[tone]}
          strokeWidth={wide}
          strokeLinecap={edge === 'halo' ? 'butt' : 'round'}
        />
      </>
    );
  }
  if (edge === 'both') {
    return (
      <>
        <path d={d} stroke={paper} strokeWidth={(pen.halo + pen.ink) * 2} fill="none" />
        <path d={d} stroke={ink} strokeWidth={pen.ink * 2} fill={fills[tone]} style={underFill} />
      </>
    );
  }
  const line =
    edge === 'halo'
      ? { stroke: paper, strokeWidth: pen.halo * 2 }
      : edge === 'ink'
        ? { stroke: ink, strokeWidth: pen.ink }
        : {};
  return <path d={d} fill={fills[tone]} {...line} style={edge === 'none' ? undefined : underFill} />;
}

/** The fill lies over the inner half of the line, so that pieces of one path show no seams. */
const underFill = { paintOrder: 'stroke' } as const;
