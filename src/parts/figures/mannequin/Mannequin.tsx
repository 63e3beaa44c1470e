import { useId } from 'react';
import { type MovementId, type PositionId, type PropId } from '@/core/catalogue';
import { type RegionId } from '@/core/trunk';
import { radii } from './body';
import { type FrontPose, frontHead, frontTrunk, solveFront } from './front';
import { movementDrawing } from './movements';
import { frontPatch, limbOutline, sidePatch, smoothPath } from './outline';
import { type Figure, type Point, type Pose, footOutline, headOutline, solve, trunkOutline } from './pose';
import { type Scene, type Thing, scenes } from './poses';
import { propThings } from './props';
import { type Frame, frameOf } from './frame';

export interface MannequinProps {
  position: PositionId;
  movement?: MovementId;
  props?: readonly PropId[];
  /** The side that is worked, in bends. */
  side?: 'left' | 'right';
  /** Parts the breath should open. */
  tinted?: readonly RegionId[];
  /** What the picture shows, in words; none where it stands beside the words already. */
  title?: string;
  className?: string;
}

/** A jointed figure in a position, with its props, the parts to open tinted, and a movement as a thin second pose with an arrow. */
export function Mannequin({
  position,
  movement = 'none',
  props = [],
  side,
  tinted = [],
  title,
  className,
}: MannequinProps) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const drawing = movementDrawing(position, movement, side);
  const scene = drawing?.scene ?? scenes[position];
  const frame = frameOf(position, movement, side);
  return (
    <svg
      viewBox={frame.viewBox}
      className={className}
      role={title ? 'img' : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
    >
      <defs>
        <marker
          id={`${id}tip`}
          viewBox="0 0 6 6"
          refX="4.4"
          refY="3"
          markerWidth="4.6"
          markerHeight="4.6"
          orient="auto"
        >
          <path d="M0 0.4 L5.6 3 L0 5.6 Z" fill="var(--ink)" />
        </marker>
      </defs>
      <Ground frame={frame} view={scene.view} />
      <Drawn scene={scene} ghost={drawing?.ghost ?? null} props={props} tinted={tinted} />
      {drawing && <Arrow arrow={drawing.arrow} id={id} />}
    </svg>
  );
}

/** The parts worth tinting: what opens most, at most three, so that the picture says one thing. */
export function partsToTint(opened: Partial<Record<RegionId, number>>): RegionId[] {
  const parts = Object.entries(opened) as [RegionId, number][];
  const most = Math.max(0, ...parts.map(([, gain]) => gain));
  return parts
    .filter(([, gain]) => gain === most)
    .slice(0, 3)
    .map(([region]) => region);
}

const rule = { fill: 'none', stroke: 'var(--line)', strokeWidth: 0.7 } as const;
/** Parts are kept apart by a thin edge in the colour of the paper. */
const edge = { stroke: 'var(--paper)', strokeWidth: 1.1, strokeLinejoin: 'round' } as const;

function Ground({ frame, view }: { frame: Frame; view: Scene['view'] }) {
  if (view === 'above') return null;
  return <path d={`M${frame.left + 2} 0H${frame.right - 2}`} {...rule} stroke="var(--rule)" strokeWidth={0.9} />;
}

function Drawn({
  scene,
  ghost,
  props,
  tinted,
}: {
  scene: Scene;
  ghost: Pose | FrontPose | null;
  props: readonly PropId[];
  tinted: readonly RegionId[];
}) {
  if (scene.view === 'front') {
    return (
      <>
        {scene.things().map((thing, i) => (
          <ThingShape key={i} thing={thing} />
        ))}
        {ghost && <FrontShape pose={ghost as FrontPose} outlineOnly />}
        <FrontShape pose={scene.pose} tinted={tinted} />
      </>
    );
  }
  const figure = solve(scene.pose);
  const things = [...scene.things(figure), ...propThings(props, figure)];
  const layer = (name: Thing['layer']) =>
    things.filter((thing) => thing.layer === name).map((thing, i) => <ThingShape key={`${name}${i}`} thing={thing} />);
  return (
    <>
      {layer('behind')}
      {ghost && <Outline figure={solve(ghost as Pose)} />}
      <LimbShape figure={figure} side="far" limb="arm" tone="far" />
      <LimbShape figure={figure} side="far" limb="leg" tone="far" />
      {scene.pose.armBeside && <LimbShape figure={figure} side="near" limb="arm" tone="near" />}
      {layer('between')}
      <path d={smoothPath(headOutline(figure))} fill="var(--body)" {...edge} />
      <path d={smoothPath(limbOutline(figure.neckBase, figure.headCentre, radii.neck))} fill="var(--body)" />
      <path d={smoothPath(trunkOutline(figure).map(({ point }) => point))} fill="var(--body)" {...edge} />
      {tinted.map((region) => (
        <path key={region} d={smoothPath(sidePatch(figure, region))} fill="var(--inhale)" {...edge} strokeWidth={0.8} />
      ))}
      <LimbShape figure={figure} side="near" limb="leg" tone="near" />
      {layer('front')}
      {!scene.pose.armBeside && (
        <g opacity={tinted.some((region) => hiddenByArm.includes(region)) ? 0.45 : undefined}>
          <LimbShape figure={figure} side="near" limb="arm" tone="near" />
        </g>
      )}
    </>
  );
}

/** Parts that an arm at the side would cover: it is drawn see-through then. */
const hiddenByArm: readonly RegionId[] = ['leftSide', 'rightSide', 'leftBack', 'rightBack'];

const tones = { near: 'var(--ink)', far: 'var(--far)' } as const;

function limbPaths(figure: Figure, side: 'near' | 'far', limb: 'leg' | 'arm'): Point[][] {
  const { root, middle, end, tip, turn } = figure[side][limb];
  return limb === 'leg'
    ? [limbOutline(root, middle, radii.thigh, 0.5), limbOutline(middle, end, radii.shank, 0.55), footOutline(end, turn)]
    : [
        limbOutline(root, middle, radii.upperArm, 0.25),
        limbOutline(middle, end, radii.forearm, 0.2),
        limbOutline(end, tip, radii.hand, 0.2),
      ];
}

function LimbShape({
  figure,
  side,
  limb,
  tone,
}: {
  figure: Figure;
  side: 'near' | 'far';
  limb: 'leg' | 'arm';
  tone: keyof typeof tones;
}) {
  const paths = limbPaths(figure, side, limb).map((points) => smoothPath(points));
  return (
    <g fill={tones[tone]}>
      {/* The edge first for all three, so that it never runs through a joint. */}
      {paths.map((d, i) => (
        <path key={`edge${i}`} d={d} {...edge} strokeWidth={2.2} />
      ))}
      {paths.map((d, i) => (
        <path key={i} d={d} />
      ))}
    </g>
  );
}

function Outline({ figure }: { figure: Figure }) {
  const shapes = [
    headOutline(figure),
    trunkOutline(figure).map(({ point }) => point),
    ...limbPaths(figure, 'near', 'leg'),
    ...limbPaths(figure, 'near', 'arm'),
  ];
  return (
    <g {...rule} strokeWidth={0.8} strokeDasharray="1.6 1.6">
      {shapes.map((points, i) => (
        <path key={i} d={smoothPath(points)} />
      ))}
    </g>
  );
}

function FrontShape({
  pose,
  tinted = [],
  outlineOnly = false,
}: {
  pose: FrontPose;
  tinted?: readonly RegionId[];
  outlineOnly?: boolean;
}) {
  const figure = solveFront(pose);
  const limb = (points: readonly Point[], thick: readonly [number, number], lower: readonly [number, number]) => [
    limbOutline(points[0]!, points[1]!, thick, 0.3),
    limbOutline(points[1]!, points[2]!, lower, 0.3),
  ];
  const legs = [figure.legs.left, figure.legs.right].flatMap((points) => [
    ...limb(points, [4.9, 3.3], [3.2, 2]),
    ...(pose.legs.kind === 'standing' || pose.legs.kind === 'sitting' ? [frontFoot(points[2]!)] : []),
  ]);
  const arms = [figure.arms.left, figure.arms.right].flatMap((points) => [
    ...limb(points, radii.upperArm, radii.forearm),
    limbOutline(points[2]!, points[3]!, radii.hand, 0.2),
  ]);
  const neck = limbOutline(figure.spine.at(-1)!.point, figure.headCentre, radii.neck);
  if (outlineOnly) {
    return (
      <g {...rule} strokeWidth={0.8} strokeDasharray="1.6 1.6">
        {[frontHead(figure), frontTrunk(figure), ...arms].map((points, i) => (
          <path key={i} d={smoothPath(points)} />
        ))}
      </g>
    );
  }
  const filled = (shapes: Point[][], fill: string) => (
    <g fill={fill}>
      {shapes.map((points, i) => (
        <path key={`edge${i}`} d={smoothPath(points)} {...edge} strokeWidth={2} />
      ))}
      {shapes.map((points, i) => (
        <path key={i} d={smoothPath(points)} />
      ))}
    </g>
  );
  return (
    <>
      {filled(legs, 'var(--ink)')}
      {filled([neck, frontHead(figure)], 'var(--body)')}
      <path d={smoothPath(frontTrunk(figure))} fill="var(--body)" {...edge} />
      {tinted.map((region) => (
        <path key={region} d={smoothPath(frontPatch(pose, region))} fill="var(--inhale)" {...edge} strokeWidth={0.8} />
      ))}
      {filled(arms, 'var(--ink)')}
    </>
  );
}

const frontFoot = ([x, y]: Point): Point[] => [
  [x - 2.2, y + 0.6],
  [x + 2.2, y + 0.6],
  [x + 3.4, y - 2.6],
  [x + 2.6, y - 3.9],
  [x - 2.6, y - 3.9],
  [x - 3.4, y - 2.6],
];

const thingFills: Record<Thing['kind'], string> = {
  wall: 'var(--rule)',
  furniture: 'var(--paper)',
  soft: 'var(--leaf)',
  prop: 'var(--paper)',
  line: 'none',
};

function ThingShape({ thing: { kind, points, closed, smooth } }: { thing: Thing }) {
  if (!closed) {
    const d = `M${points.map(([x, y]) => `${x} ${-y}`).join('L')}`;
    return (
      <path d={d} fill="none" stroke="var(--ink2)" strokeWidth={kind === 'line' ? 0.8 : 1.1} strokeLinecap="round" />
    );
  }
  return (
    <path
      d={smoothPath(points, smooth ? 0.9 : 0)}
      fill={thingFills[kind]}
      stroke={kind === 'wall' ? 'none' : kind === 'line' ? 'var(--rule)' : 'var(--ink2)'}
      strokeWidth={kind === 'line' ? 0.9 : 1}
      strokeLinejoin="round"
    />
  );
}

function Arrow({ arrow, id }: { arrow: NonNullable<ReturnType<typeof movementDrawing>>['arrow']; id: string }) {
  const line = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.3, markerEnd: `url(#${id}tip)` } as const;
  if (arrow.kind === 'straight') {
    const [[ax, ay], [bx, by]] = [arrow.from, arrow.to];
    return (
      <>
        <path d={`M${ax} ${-ay}L${bx} ${-by}`} stroke="var(--paper)" strokeWidth={3.4} fill="none" />
        <path d={`M${ax} ${-ay}L${bx} ${-by}`} {...line} />
      </>
    );
  }
  const at = (degrees: number): Point => [
    arrow.centre[0] + Math.cos((degrees * Math.PI) / 180) * arrow.radius,
    arrow.centre[1] + Math.sin((degrees * Math.PI) / 180) * arrow.radius,
  ];
  const [[ax, ay], [bx, by]] = [at(arrow.from), at(arrow.to)];
  const d = `M${ax} ${-ay}A${arrow.radius} ${arrow.radius} 0 0 ${arrow.to < arrow.from ? 1 : 0} ${bx} ${-by}`;
  return (
    <>
      <path d={d} stroke="var(--paper)" strokeWidth={3.4} fill="none" />
      <path d={d} {...line} />
    </>
  );
}
