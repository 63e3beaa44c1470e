import { type ReactNode } from 'react';
import { type FigureSpec } from '@/core/body';
import { boxOf, layersOf, pens } from './layers';
import { type Paint, type PaintId, paints } from './paint';
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
  return (
    <svg
      viewBox={boxOf(picture, room)}
      className={className}
      role={title ? 'img' : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
      strokeLinejoin="round"
    >
      {layersOf(picture, paint, small ? pens.small : pens.usual).map(({ dash, round, fillOver, ...path }, at) => (
        <path
          key={at}
          {...path}
          strokeDasharray={dash}
          strokeLinecap={round ? 'round' : undefined}
          style={fillOver ? underFill : undefined}
        />
      ))}
      {children}
    </svg>
  );
}

const underFill = { paintOrder: 'stroke' } as const;
