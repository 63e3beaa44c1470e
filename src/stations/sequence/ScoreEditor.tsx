'use client';

import { DndContext, type DragEndEvent, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, horizontalListSortingStrategy, useSortable } from '@dnd-kit/sortable';
import { Lock, TriangleAlert } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type Phase } from '@/core/cadence';
import { durationInWords } from '@/core/dose';
import { type PlanItem } from '@/core/sequence';
import { ScoreBar, type ScoreItem, lanes, secondsOf } from '@/parts/figures/score/ScoreBar';
import { actFor } from '@/parts/shell/keys';
import { phaseOfItem, placeCarried, stretchedBreaths } from '@/parts/figures/score/score.geometry';
import { pointOf, useLastPoint } from '@/parts/useLastPoint';

const labelWidth = 104;
/** No thinner than this, or words and fingers find no room: a long plan is scrolled instead. */
const thinnestPx = 0.6;
/** The shortest bar is still wide enough for a finger to hit it apart from its neighbours. */
const narrowestBarPx = 26;
const closePx = 7;
/** When a press carries a bar off. Said once: a new one at each drawing has every bar drawn anew. */
const carries = { activationConstraint: { distance: 8 } };

export interface ScoreEdits {
  select: (id: string) => void;
  phase: (id: string, phase: Phase) => void;
  /** Moves an item to a place in the plan. */
  place: (id: string, to: number) => void;
  /** While a bar is being pulled: what it would be; null ends it without a change. */
  preview: (id: string, breaths: number | null) => void;
  breaths: (id: string, breaths: number) => void;
  lock: (id: string) => void;
  swap: (id: string) => void;
  takeOut: (id: string) => void;
  /** Changes an item by hand. */
  turn: (id: string, change: Partial<PlanItem>) => void;
}

/** The plan as a score that is edited on: drag a bar, pull its right end, tap a phase. Every move has its key. */
export function ScoreEditor({
  items,
  breathsOf,
  selected,
  edits,
  zoom,
}: {
  items: readonly ScoreItem[];
  breathsOf: ReadonlyMap<string, number>;
  selected: string | null;
  edits: ScoreEdits;
  zoom: 'whole' | 'close';
}) {
  const frame = useRef<HTMLDivElement>(null);
  const [measured, setRoom] = useState<number | null>(null);
  const room = measured ?? 900;
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => entry && setRoom(Math.round(entry.contentRect.width)));
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, []);
  const total = items.reduce((sum, item) => sum + secondsOf(item), 0) || 1;
  const shortest = Math.min(...items.map(secondsOf));
  const least = Math.max(thinnestPx, narrowestBarPx / shortest);
  const fitting = Math.max(least, (room - labelWidth - 4) / total);
  // While a bar is pulled the scale stands still, or the bar would run away from the finger.
  const [frozen, setFrozen] = useState<number | null>(null);
  const scrolled = measured !== null && fitting === least;
  const fixed = frozen ?? (zoom === 'close' ? closePx : scrolled ? least : null);
  const pxPerSecond = fixed ?? fitting;
  // How long it is the page works out by itself, so that bars stand where they will before anything is measured.
  const width = fixed === null ? `max(${least * total}px, calc(100% - ${labelWidth + 4}px))` : fixed * total;
  const sensors = useSensors(useSensor(PointerSensor, carries));
  // The same list for as long as the same bars stand in the same order: a new one has every bar drawn anew.
  const order = items.map(({ id }) => id).join(' ');
  const ids = useMemo(() => order.split(' '), [order]);

  const lastPoint = useLastPoint();
  const scroller = useRef<HTMLDivElement>(null);
  const scrolledAt = useRef(0);
  const dropped = ({ active, activatorEvent }: DragEndEvent) => {
    const [from, at] = [pointOf(activatorEvent), lastPoint()];
    const place = ids.indexOf(String(active.id));
    if (!from || !at || place < 0) return;
    const scrolledBy = (scroller.current?.scrollLeft ?? 0) - scrolledAt.current;
    const widths = items.map((item) => secondsOf(item) * pxPerSecond);
    const to = placeCarried(widths, place, at.x - from.x + scrolledBy);
    if (to !== place) edits.place(String(active.id), to);
  };
  const hold = useCallback(
    (on: boolean) => setFrozen((before) => (on ? (before ?? pxPerSecond) : null)),
    [pxPerSecond],
  );

  return (
    <div ref={frame} className="relative">
      <DndContext
        id="score"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragStart={() => (scrolledAt.current = scroller.current?.scrollLeft ?? 0)}
        onDragEnd={dropped}
      >
        <div
          ref={scroller}
          className="relative flex overflow-x-auto pb-1"
          tabIndex={-1}
          role="group"
          aria-label="The plan against time"
          data-px={pxPerSecond.toFixed(3)}
        >
          <Labels />
          <SortableContext items={ids} strategy={horizontalListSortingStrategy}>
            <ol className="flex shrink-0" style={{ width }} aria-label="Drills in order">
              {items.map((item, index) => (
                <Column
                  key={item.id}
                  item={item}
                  index={index}
                  count={items.length}
                  breaths={breathsOf.get(item.id) ?? 1}
                  selected={item.id === selected}
                  width={fixed === null ? `${(secondsOf(item) / total) * 100}%` : secondsOf(item) * fixed}
                  pxPerSecond={pxPerSecond}
                  edits={edits}
                  onPull={hold}
                />
              ))}
            </ol>
          </SortableContext>
        </div>
      </DndContext>
    </div>
  );
}

function Labels() {
  return (
    <div aria-hidden className="sticky left-0 z-10 shrink-0 bg-paper pt-12" style={{ width: labelWidth }}>
      {lanes.map(({ id, label, height }, i) => (
        <div
          key={id}
          className={`flex items-center text-[13px] leading-tight text-ink2 ${i > 0 ? 'border-t border-rule' : ''}`}
          style={{ height: height + (i > 0 && (id === 'floor' || id === 'tone') ? 1 : 0) }}
        >
          {label}
        </div>
      ))}
    </div>
  );
}

interface ColumnOf {
  item: ScoreItem;
  index: number;
  count: number;
  breaths: number;
  selected: boolean;
  pxPerSecond: number;
  edits: ScoreEdits;
  onPull: (on: boolean) => void;
}

const Column = memo(function Column({
  width,
  ...column
}: ColumnOf & {
  /** As a page takes it. Where the scale is fixed it is this bar’s alone: an edit of one draws no other anew. */
  width: number | string;
}) {
  const { item, selected } = column;
  const { setNodeRef, listeners, transform, transition, isDragging, setActivatorNodeRef } = useSortable({
    id: item.id,
  });
  return (
    <li
      ref={setNodeRef}
      data-item={item.id}
      style={{
        width,
        contain: 'layout paint style',
        transform: transform ? `translate3d(${transform.x}px, 0, 0)` : undefined,
        transition: isDragging ? undefined : transition,
        zIndex: isDragging ? 30 : undefined,
      }}
      className={`relative shrink-0 border-r border-rule ${
        selected ? 'bg-leaf outline-2 -outline-offset-2 outline-ink' : 'bg-paper'
      } ${isDragging ? 'opacity-90 shadow-lg' : ''}`}
    >
      <Inside {...column} handle={setActivatorNodeRef} listeners={listeners} />
    </li>
  );
});

/** What stands in a column. Where one is carried, every column is asked anew where it stands; what is in it stays. */
const Inside = memo(function Inside({
  item,
  index,
  count,
  breaths,
  selected,
  pxPerSecond,
  edits,
  onPull,
  handle,
  listeners,
}: ColumnOf & {
  handle: (button: HTMLButtonElement | null) => void;
  listeners: ReturnType<typeof useSortable>['listeners'];
}) {
  const keys = (event: KeyboardEvent) => {
    const act = actFor('bar', {
      lock: () => edits.lock(item.id),
      swap: () => edits.swap(item.id),
      takeOut: () => edits.takeOut(item.id),
      more: () => edits.breaths(item.id, breaths + 1),
      fewer: () => edits.breaths(item.id, Math.max(1, breaths - 1)),
      earlier: index > 0 ? () => edits.place(item.id, index - 1) : undefined,
      later: index < count - 1 ? () => edits.place(item.id, index + 1) : undefined,
    })(event);
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  const tap = (event: PointerEvent<HTMLDivElement>) => {
    const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
    const phase = phaseOfItem(item.segments, x / pxPerSecond);
    if (phase) edits.phase(item.id, phase);
    else edits.select(item.id);
  };
  return (
    <>
      <button
        type="button"
        ref={handle}
        {...listeners}
        onClick={() => edits.select(item.id)}
        onKeyDown={keys}
        aria-pressed={selected}
        aria-keyshortcuts="Alt+ArrowLeft Alt+ArrowRight + - L S Delete"
        aria-label={`${index + 1}. ${item.name}, ${item.position}, ${item.cadence}, ${item.dose}, ${durationInWords(secondsOf(item))}${
          item.locked ? ', locked' : ''
        }`}
        className="flex h-12 w-full touch-none items-start gap-1 overflow-hidden px-1.5 pt-1 text-left text-[13.5px] leading-tight font-semibold select-none"
      >
        {item.problem && (
          <TriangleAlert
            size={14}
            aria-hidden
            className={`mt-0.5 shrink-0 ${item.problem === 'off' ? 'text-stop' : 'text-caution'}`}
          />
        )}
        {item.locked && <Lock size={13} aria-hidden className="mt-0.5 shrink-0" />}
        <span className="line-clamp-2">{item.name}</span>
      </button>
      {/* A shortcut for a pointing hand: the same phases are buttons in the item below. */}
      <div onPointerUp={tap} className="cursor-pointer">
        <ScoreBar item={item} pxPerSecond={pxPerSecond} />
      </div>
      <Stretch item={item} breaths={breaths} pxPerSecond={pxPerSecond} edits={edits} onPull={onPull} />
    </>
  );
});

/** The right end of a bar: pull it, or use the arrow keys, for more or fewer breaths. */
function Stretch({
  item,
  breaths,
  pxPerSecond,
  edits,
  onPull,
}: {
  item: ScoreItem;
  breaths: number;
  pxPerSecond: number;
  edits: ScoreEdits;
  onPull: (on: boolean) => void;
}) {
  const pull = useRef<{ fromX: number; segments: ScoreItem['segments']; breaths: number; now: number } | null>(null);
  const begin = (event: PointerEvent<HTMLDivElement>) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    pull.current = { fromX: event.clientX, segments: item.segments, breaths, now: breaths };
    onPull(true);
    edits.select(item.id);
  };
  const move = (event: PointerEvent<HTMLDivElement>) => {
    const held = pull.current;
    if (!held) return;
    const next = stretchedBreaths(held.segments, held.breaths, (event.clientX - held.fromX) / pxPerSecond);
    if (next === held.now) return;
    held.now = next;
    edits.preview(item.id, next);
  };
  const end = (keep: boolean) => {
    const held = pull.current;
    if (!held) return;
    pull.current = null;
    onPull(false);
    edits.preview(item.id, null);
    if (keep && held.now !== held.breaths) edits.breaths(item.id, held.now);
  };
  const keys = (event: KeyboardEvent) => {
    const more = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (!more) return;
    event.preventDefault();
    event.stopPropagation();
    edits.breaths(item.id, Math.max(1, Math.min(60, breaths + more)));
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={`Breaths of ${item.name}`}
      aria-valuemin={1}
      aria-valuemax={60}
      aria-valuenow={breaths}
      aria-valuetext={item.dose}
      onPointerDown={begin}
      onPointerMove={move}
      onPointerUp={() => end(true)}
      onPointerCancel={() => end(false)}
      onKeyDown={keys}
      className="group absolute top-12 right-0 bottom-0 w-3.5 cursor-ew-resize touch-none"
    >
      <span aria-hidden className="absolute top-5 right-0.5 h-5 w-1.5 border-x border-line group-hover:border-ink" />
    </div>
  );
}
