'use client';

import { type KeyboardEvent, useId } from 'react';
import { type Grade, type Grades, type RegionId, gradeWords, regionIds, regions, summariseRing } from '@/core/trunk';
import { type Press, actFor } from '../shell/keys';
import {
  arcPath,
  gradeRadius,
  labelPoint,
  neckReach,
  needle,
  partShape,
  pointAt,
  reachPath,
  ringReach,
  ringSize,
  sectorPath,
} from './ring.geometry';

export type RingPart = RegionId | 'neck';

export interface RingProps {
  /** Solid fill: quiet, or before. */
  first: Grades;
  /** Hatched fill over it: what deep adds, or what came after. */
  second?: Grades | null;
  neck?: Grade;
  /** What the two fills are called, for the description. */
  names?: [string, string];
  showLabels?: boolean;
  /** Parts tinted as the ones to open, for a plan. */
  tinted?: readonly RegionId[];
  title: string;
  /** With a handler the ring is an input: tap or use the keys on a part. */
  onGrade?: (part: RingPart, grade: Grade) => void;
  selected?: RingPart | null;
  onSelect?: (part: RingPart) => void;
  /** How it was before, as a faint line in each part. */
  before?: Grades | null;
  /** The grade a part gets at its next tap, when it is not simply the next. */
  tapped?: (part: RingPart, grade: Grade) => Grade | undefined;
  /** Which of the two fills is being graded. */
  grading?: 'first' | 'second';
  className?: string;
  /** Where it stands inside another drawing. */
  place?: { x: number; y: number; width: number; height: number };
}

/** What tapping a part again and again runs through. */
const tapOrder: readonly Grade[] = [null, 1, 2, 3, 0];

export const gradeText = (grade: Grade) =>
  grade === null
    ? 'not seen'
    : Number.isInteger(grade)
      ? `${grade}, ${gradeWords[grade]}`
      : `about ${grade.toFixed(1)}`;

/** The trunk from above, front up: how much each part moves, the direction it leans to, and the way to enter it. */
export function Ring(props: RingProps) {
  const {
    first,
    second = null,
    neck = null,
    names = ['quiet', 'deep'],
    showLabels = true,
    title,
    className,
    place,
  } = props;
  const id = useId().replace(/[^a-zA-Z0-9]/g, '');
  const graded = props.grading === 'second' && second ? second : first;
  const { biasDegrees, biasStrength } = summariseRing(second ?? first);
  const pointer = needle(biasDegrees, biasStrength);
  const described = regionIds
    .map((part) => {
      const also = second ? `, ${names[1]} ${gradeText(second[part])}` : '';
      return `${regions[part].name}: ${names[0]} ${gradeText(first[part])}${also}`;
    })
    .join('; ');

  return (
    <svg
      {...place}
      // A small one has no names beside it, and needs no room for them.
      viewBox={
        place
          ? `${ringSize / 2 - ringReach} ${ringSize / 2 - ringReach} ${2 * ringReach} ${2 * ringReach}`
          : `0 0 ${ringSize} ${ringSize}`
      }
      className={className}
      role={props.onGrade ? 'group' : 'img'}
      aria-label={props.onGrade ? title : `${title}. ${described}`}
    >
      <defs>
        <pattern id={`${id}hatch`} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" fill="var(--inhalew)" />
          <rect width="3.4" height="8" fill="var(--inhale)" />
        </pattern>
        <pattern id={`${id}dots`} width="12" height="12" patternUnits="userSpaceOnUse">
          <circle cx="6" cy="6" r="1.3" fill="var(--ink2)" />
        </pattern>
        <marker id={`${id}tip`} viewBox="0 0 10 10" refX="6" refY="5" markerWidth="5" markerHeight="5" orient="auto">
          <path d="M0 0 L10 5 L0 10 Z" fill="var(--ink)" />
        </marker>
      </defs>

      {regionIds.map((part) => (
        <PartMark key={part} part={part} {...props} second={second} patternId={id} grade={graded[part]} />
      ))}
      {pointer && (
        <line
          x1={pointer.tail.x}
          y1={pointer.tail.y}
          x2={pointer.tip.x}
          y2={pointer.tip.y}
          stroke="var(--ink)"
          strokeWidth="4"
          markerEnd={`url(#${id}tip)`}
          pointerEvents="none"
        />
      )}
      <NeckMark {...props} grade={neck} />
      {showLabels && regionIds.map((part) => <PartLabel key={part} part={part} />)}
    </svg>
  );
}

function PartLabel({ part }: { part: RegionId }) {
  const { x, y, anchor } = labelPoint(part);
  const inner = regions[part].band === 'inner';
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      dominantBaseline="middle"
      fontSize={inner ? 0 : 19}
      fill="var(--ink2)"
      pointerEvents="none"
    >
      {regions[part].name}
    </text>
  );
}

function inputProps(
  props: Pick<RingProps, 'onGrade' | 'onSelect' | 'tapped'>,
  part: RingPart,
  name: string,
  grade: Grade,
): Record<string, unknown> {
  const { onGrade, onSelect, tapped } = props;
  if (!onGrade) return {};
  const keys = (event: KeyboardEvent) => {
    const next = gradeForKey(event, grade);
    if (next === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onSelect?.(part);
    onGrade(part, next);
  };
  return {
    role: 'slider',
    tabIndex: 0,
    'aria-label': name,
    'aria-valuemin': 0,
    'aria-valuemax': 3,
    'aria-valuenow': grade ?? 0,
    'aria-valuetext': gradeText(grade),
    'data-part': part,
    onKeyDown: keys,
    onFocus: () => onSelect?.(part),
    onClick: () => {
      onSelect?.(part);
      const next = tapped?.(part, grade);
      onGrade(part, next !== undefined ? next : tapOrder[(tapOrder.indexOf(grade) + 1) % tapOrder.length]!);
    },
    // The part that has the focus is the selected one, drawn with a thick edge.
    style: { cursor: 'pointer', outline: 'none' },
  };
}

/** The grade a key gives: digits set it, arrows step it, Backspace and x take it away. Other keys are left alone. */
export function gradeForKey(press: Press, grade: Grade): Grade | undefined {
  let next: Grade | undefined;
  actFor('ring', {
    grade: (digit) => (next = Number(digit)),
    more: () => (next = Math.min(3, (grade ?? -1) + 1)),
    less: grade === null ? undefined : () => (next = Math.max(0, grade - 1)),
    unseen: () => (next = null),
  })(press)?.();
  return next;
}

function PartMark({
  part,
  first,
  second,
  patternId,
  tinted = [],
  before,
  selected,
  grade,
  ...input
}: RingProps & { part: RegionId; second: Grades | null; patternId: string; grade: Grade }) {
  const shape = partShape(part);
  const { from, to, inner, outer } = shape;
  const forPlan = tinted.length > 0;
  const a = first[part];
  const b = second?.[part] ?? null;
  const unseen = a === null && b === null;
  const solid = a ?? 0;
  const more = b !== null && b > solid ? b : null;
  const less = b !== null && a !== null && b < a ? b : null;
  const isSelected = selected === part;
  return (
    <g {...inputProps(input, part, regions[part].name, grade)}>
      {input.onGrade && <path d={reachPath(part)} fill="transparent" data-reach={part} />}
      <path
        d={sectorPath(from, to, inner, outer)}
        fill={tinted.includes(part) ? 'var(--inhale)' : unseen && !forPlan ? `url(#${patternId}dots)` : 'var(--paper)'}
        stroke={isSelected ? 'var(--ink)' : 'var(--rule)'}
        strokeWidth={isSelected ? 3 : 1.5}
      />
      {outer - inner > 20 &&
        !forPlan &&
        [1, 2].map((step) => (
          <path
            key={step}
            d={arcPath(from, to, gradeRadius(shape, step))}
            fill="none"
            stroke="var(--rule)"
            strokeWidth="1"
            pointerEvents="none"
          />
        ))}
      <g pointerEvents="none">
        {solid > 0 && <path d={sectorPath(from, to, inner, gradeRadius(shape, solid))} fill="var(--inhale)" />}
        {more !== null && (
          <path
            d={sectorPath(from, to, gradeRadius(shape, solid), gradeRadius(shape, more))}
            fill={`url(#${patternId}hatch)`}
            stroke="var(--inhale)"
            strokeWidth="1.5"
          />
        )}
        {less !== null && (
          <path
            d={arcPath(from, to, gradeRadius(shape, less))}
            fill="none"
            stroke="var(--onink)"
            strokeWidth="3"
            strokeDasharray="2 5"
          />
        )}
        {before && before[part] !== null && (
          <path
            d={arcPath(from, to, Math.max(inner + 4, gradeRadius(shape, before[part]) - 2))}
            fill="none"
            stroke={before[part] <= Math.max(solid, b ?? 0) ? 'var(--onink)' : 'var(--ink2)'}
            strokeWidth="2.5"
            strokeDasharray="7 6"
          />
        )}
        {!unseen && Math.max(solid, b ?? 0) === 0 && (
          <path d={arcPath(from, to, inner + 1.5)} fill="none" stroke="var(--ink)" strokeWidth="4" />
        )}
      </g>
    </g>
  );
}

/** The collar: shoulders and neck, apart from the regions. */
function NeckMark({ grade, ...input }: RingProps & { grade: Grade }) {
  const middle = pointAt(0, 0);
  if (!input.onGrade && grade === null) return null;
  const isSelected = input.selected === 'neck';
  return (
    <g {...inputProps(input, 'neck', 'neck and shoulders', grade)}>
      {input.onGrade && <circle cx={middle.x} cy={middle.y} r={neckReach} fill="transparent" data-reach="neck" />}
      <circle
        cx={middle.x}
        cy={middle.y}
        r="25"
        fill="var(--paper)"
        stroke={isSelected ? 'var(--ink)' : 'var(--rule)'}
        strokeWidth={isSelected ? 3 : 1.5}
      />
      <path
        d={`M ${middle.x - 17} ${middle.y - 6} a 17 17 0 0 0 34 0`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={grade === null ? 1 : 1.5 + grade * 2.2}
        strokeDasharray={grade === null ? '2 4' : undefined}
        pointerEvents="none"
      />
    </g>
  );
}

/** What the marks of the ring mean, close to it. */
export function RingLegend({
  names = ['quiet', 'deep adds'],
  short = false,
  lastTime = false,
}: {
  names?: [string, string?];
  /** Only the two fills. */
  short?: boolean;
  /** With the faint line of last time. */
  lastTime?: boolean;
}) {
  const rows = [
    { name: names[0], swatch: <span className="block h-5 w-9 bg-inhale" /> },
    ...(names[1]
      ? [
          {
            name: names[1],
            swatch: (
              <span
                className="block h-5 w-9 border border-inhale"
                style={{
                  background: 'repeating-linear-gradient(135deg, var(--inhale) 0 3px, var(--inhalew) 3px 7px)',
                }}
              />
            ),
          },
        ]
      : []),
    { name: 'seen, nothing moved', swatch: <span className="block h-1 w-9 bg-ink" /> },
    {
      name: 'not seen yet',
      swatch: (
        <span
          className="block h-5 w-9 border border-rule"
          style={{ backgroundImage: 'radial-gradient(var(--ink2) 1px, transparent 1.3px)', backgroundSize: '8px 8px' }}
        />
      ),
    },
    ...(lastTime
      ? [{ name: 'last time', swatch: <span className="mt-2 block w-9 border-t-2 border-dashed border-ink2" /> }]
      : []),
    { name: 'leans to', swatch: <span className="block w-9 text-center leading-5">→</span> },
  ];
  return (
    <ul className="flex flex-wrap gap-x-5 gap-y-1.5 text-sm">
      {rows.slice(0, short ? 2 : undefined).map(({ name, swatch }) => (
        <li key={name} className="flex items-center gap-2">
          <span aria-hidden>{swatch}</span>
          {name}
        </li>
      ))}
    </ul>
  );
}
