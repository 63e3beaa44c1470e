'use client';

import { type KeyboardEvent, type PointerEvent, useId, useMemo, useRef } from 'react';
import { type Body, type FigureSpec, figureOf, loadedOf, regionPlaces, surfaceAt } from '@/core/body';
import { type Vec } from '@/core/vector';
import { type LoadAnswer, type PartBreath } from '@/core/load';
import { type RegionId } from '@/core/trunk';
import { regionPath } from '../body/drawTrunk';
import { layersOf, pens } from '../body/layers';
import { type Eye } from '../body/outline';
import { paints } from '../body/paint';
import { pictureFor } from '../body/picture';
import { pullInWords } from './pullInWords';

/** Degrees a key turns the line of pull by, and how long its arrow is, in the figure's centimetres. */
const step = 5;
const arrowLength = 34;
/** Room beside the figure for the arrow. */
const room = 18;
const boxWith = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) =>
  [x - room, y - room / 2, width + 2 * room, height + 1.4 * room].map((one) => one.toFixed(1)).join(' ');

/** Positions that are drawn as they are taught, since what carries the body is more than feet. */
const taught: Readonly<Record<string, FigureSpec>> = {
  'chair-rise': { position: 'sitting', movement: 'chairRise' },
  bridge: { position: 'bridge', movement: 'bridge' },
  bear: { position: 'bear', movement: 'kneesFloat' },
};

const specFor = ({ movement }: LoadAnswer): FigureSpec => {
  const own = taught[movement.id];
  if (own) return own;
  const [first] = movement.parts;
  const { pull } = movement;
  const loaded = loadedOf(movement, first!.from, first!.to, 'not');
  // A cable ends in the hand; only what hangs is a weight.
  const hangs = pull.hand !== 'none' && movement.startKg > 0 && pull.toward[2] < -0.9;
  return { position: 'standing', props: hangs ? ['weight'] : [], loaded };
};

const isFlank = ({ why, side }: PartBreath) => why === 'side' && side !== null;

/** Which parts of the trunk close or open in a part of the movement: the flank that works, or the front. */
const partsOf = ({ ribs, why, side }: PartBreath): RegionId[] =>
  ribs === 'still' ? [] : why === 'side' && side ? [`${side}Side`] : ['chestFront', 'belly'];

/**
 * The body at the end of the movement's first part, where it came from pale behind it; what closes hatched between two arrows that meet,
 * what opens solid between two that part; the line of pull as an arrow that can be turned.
 */
export function LoadFigure({
  answer,
  toward,
  onTurn,
  title,
  className,
}: {
  answer: LoadAnswer;
  toward: Vec;
  /** Without it the arrow is only shown. */
  onTurn?: (toward: Vec) => void;
  title: string;
  className?: string;
}) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const svg = useRef<SVGSVGElement>(null);
  const { movement, parts } = answer;
  const part = parts[0]!;
  const key = JSON.stringify(specFor(answer));
  // A flank is drawn by itself: seen from the front, its part of the trunk is a sliver.
  const opens = part.ribs === 'open' && !isFlank(part) ? partsOf(part).join(' ') : '';
  // Turning the arrow turns no limb: the body is laid out once for a movement.
  const { picture, body } = useMemo(() => {
    const spec = JSON.parse(key) as FigureSpec;
    const opened = Object.fromEntries(opens === '' ? [] : opens.split(' ').map((region) => [region, 3]));
    return { picture: pictureFor(spec, opened), body: figureOf(spec).body };
  }, [key, opens]);
  const { eye } = picture;
  const spot = (at: Vec): readonly [number, number] => {
    const [x, y] = eye.see(at);
    return [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
  };
  const front = movement.seen === 'front';
  const { hand } = movement.pull;
  const held =
    hand === 'none' || movement.startKg === 0 ? null : spot(body.arms[hand === 'both' ? 'right' : hand].palm);
  const [across, up] = front ? [toward[1], toward[2]] : [toward[0], toward[2]];
  const length = Math.hypot(across, up) || 1;
  const tip = held && ([held[0] + (across / length) * arrowLength, held[1] - (up / length) * arrowLength] as const);
  const degrees = Math.round((Math.atan2(across, up) * 180) / Math.PI);

  const turnTo = (clockwise: number) => {
    const angle = (clockwise * Math.PI) / 180;
    const [x, z] = [Math.sin(angle), Math.cos(angle)];
    onTurn?.(front ? [0, x, z] : [x, 0, z]);
  };
  const drag = (event: PointerEvent) => {
    const matrix = svg.current?.getScreenCTM();
    if (!held || !matrix || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    if (Math.hypot(x - held[0], y - held[1]) > 4) turnTo((Math.atan2(x - held[0], held[1] - y) * 180) / Math.PI);
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowRight: step, ArrowUp: step, ArrowLeft: -step, ArrowDown: -step }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    turnTo(degrees + by);
  };

  return (
    <svg
      ref={svg}
      viewBox={boxWith(picture.frame)}
      className={className}
      role="group"
      aria-label={title}
      strokeLinejoin="round"
    >
      <defs>
        <pattern id={`${id}hatch`} width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="4" height="4" fill="var(--exhalew)" />
          <rect width="1.7" height="4" fill="var(--exhale)" />
        </pattern>
        <marker id={`${id}tip`} viewBox="0 0 10 10" refX="7" refY="5" markerWidth="4" markerHeight="4" orient="auto">
          <path d="M0 0 L10 5 L0 10 Z" fill="context-stroke" />
        </marker>
      </defs>
      {layersOf(picture, paints.screen, pens.usual).map(({ dash, round, fillOver, ...path }, at) => (
        <path
          key={at}
          {...path}
          strokeDasharray={dash}
          strokeLinecap={round ? 'round' : undefined}
          style={fillOver ? { paintOrder: 'stroke' } : undefined}
        />
      ))}
      <Ribs body={body} eye={eye} part={part} hatch={`url(#${id}hatch)`} tip={`url(#${id}tip)`} />
      {held && tip && (
        <g>
          <path
            d={`M${held.join(' ')}L${tip.join(' ')}`}
            stroke="var(--ink)"
            strokeWidth="2"
            markerEnd={onTurn ? undefined : `url(#${id}tip)`}
          />
          {onTurn && (
            <g
              role="slider"
              tabIndex={0}
              aria-label="Line of pull"
              aria-valuemin={-180}
              aria-valuemax={180}
              aria-valuenow={degrees}
              aria-valuetext={pullInWords(degrees)}
              style={{ cursor: 'grab', touchAction: 'none' }}
              onKeyDown={keys}
              onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
              onPointerMove={drag}
              transform={`translate(${tip.join(' ')})`}
            >
              <circle r="13" fill="transparent" />
              <circle r="7" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.4" />
              <path d="M-2.8 -2H2.8M-2.8 0.4H2.8M-2.8 2.8H2.8" stroke="var(--ink)" strokeWidth="1.1" />
            </g>
          )}
        </g>
      )}
    </svg>
  );
}

/** Heights of a flank above the hip joints in metres, and how far round it goes from the front, in degrees. */
const flankHeights = [0.1, 0.15, 0.2, 0.25, 0.3, 0.33] as const;
const flankRound = [42, 86] as const;

/** A flank as it is seen: from low to high along its edge, and back nearer the middle. */
function flankPath(body: Body, eye: Eye, side: number): string {
  const at = (height: number, round: number) => {
    const [x, y] = eye.see(surfaceAt(body.spine, height, side * round, body.build));
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  };
  const [inner, outer] = flankRound;
  const points = [
    ...flankHeights.map((height) => at(height, outer)),
    ...[...flankHeights].reverse().map((height) => at(height, inner)),
  ];
  return `M${points.join('L')}Z`;
}

/** What closes hatched, and two arrows beside whatever closes or opens: they meet, or they part. */
function Ribs({ body, eye, part, hatch, tip }: { body: Body; eye: Eye; part: PartBreath; hatch: string; tip: string }) {
  const regions = partsOf(part);
  const [first] = regions;
  if (!first) return null;
  const closes = part.ribs === 'close';
  const { height, round } = regionPlaces[first];
  const [x, y] = eye.see(surfaceAt(body.spine, height, round, body.build));
  const [middle] = eye.see(surfaceAt(body.spine, height, round + 180, body.build));
  // Beside the trunk rather than over it.
  const beside = x + Math.sign(x - middle || 1) * 5;
  const [near, far] = closes ? [4, 15] : [15, 4];
  return (
    <g>
      {isFlank(part) && (
        <path
          d={flankPath(body, eye, Math.sign(round))}
          fill={closes ? hatch : 'var(--inhale)'}
          stroke="var(--paper)"
          strokeWidth="0.8"
        />
      )}
      {closes &&
        !isFlank(part) &&
        regions.map((region) => <path key={region} d={regionPath(body, eye, region, 1)} fill={hatch} stroke="none" />)}
      {[-1, 1].map((way) => (
        <path
          key={way}
          d={`M${beside} ${y + way * far}V${y + way * near}`}
          stroke={closes ? 'var(--exhale)' : 'var(--inhale)'}
          strokeWidth="2.2"
          markerEnd={tip}
        />
      ))}
    </g>
  );
}
